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
