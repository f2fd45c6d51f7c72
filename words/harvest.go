package words

import "zestythicket/harvest"

var harvestSteps = map[string]string{
	"counted":   "%s counted here",
	"estimated": "about %s here, at least %s",
	"share":     "at most %s % of what stood here: %s",
	"taken":     "%s taken here today already",
	"others":    "%s stay for bees, birds, caterpillars",
	"need":      "no more than you need",
	"limit":     "%s",
}

// HarvestStep says one reason of an amount.
func HarvestStep(s *harvest.Step) string {
	what, _ := said{harvestSteps[s.Code], ""}.with(s.Args)
	return what
}

// HarvestOpen says what could not be reckoned.
func HarvestOpen(o *harvest.Open) string {
	if o.Code == "weigh-one" {
		return "Weigh one piece: the limit is by weight (" + o.Limit + ")."
	}
	return "A limit by volume can’t be reckoned in pieces (" + o.Limit + "): measure as you pick."
}

// OwnPolicy is why a share is what it is, where somebody set it.
const OwnPolicy = "your own policy"

// NothingTaken is why an amount is nothing.
const NothingTaken = "the checks of this find are not complete: nothing is taken"

var per = map[string]string{"person-day": "a person and day", "day": "a day in all", "person-year": "a person and year", "year": "a year in all"}

// Limit says a limit of a place, as the user has it.
func Limit(amount, unit, each, source string) string {
	return "the limit of " + amount + " " + unit + " " + per[each] + wrapIf(source, " (", ")")
}
