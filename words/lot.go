package words

import (
	"strings"

	"zestythicket/lot"
)

// said is a sentence with places for its parameters, and what to do.
type said struct{ what, do string }

// with puts parameters in their places: first those of the sentence, then those of what
// to do. A parameter may hold anything; what stands in it is never taken for a place.
func (s said) with(args []string) (what, do string) {
	what, args = filled(s.what, args)
	do, _ = filled(s.do, args)
	return what, do
}

func filled(text string, args []string) (string, []string) {
	var out strings.Builder
	for {
		before, after, found := strings.Cut(text, "%s")
		out.WriteString(before)
		if !found {
			return out.String(), args
		}
		if len(args) > 0 {
			out.WriteString(args[0])
			args = args[1:]
		}
		text = after
	}
}

// lotRefusals are the refusals of the ledger of lots, by code.
var lotRefusals = map[string]said{
	"another-tastes":             {"%s tasted this kind first and has not said yet how it was.", "One person first; the others wait."},
	"bagged-before-picked":       {"it was bagged before it was picked", ""},
	"before-picked":              {"that is before it was picked", ""},
	"changed":                    {"%s was changed on another screen", "look at it as it is now, then do it again"},
	"code-taken":                 {"there is a lot %s already", "take another code"},
	"freed-by-whom":              {"a hold is taken off by somebody, for a reason", "name a person and a reason"},
	"in-is-not-out":              {"%s g went in and %s g came out", "weigh again, or say what was lost, added or thrown away"},
	"made-before-part":           {"it was made before %s was there", ""},
	"made-nothing":               {"nothing was made into %s", ""},
	"made-of-nothing":            {"a batch is made from something, into something", ""},
	"mixed-kinds":                {"%s and %s are different kinds", "a dish of several kinds is several servings of one meal"},
	"more-looked-at-than-pieces": {"%s of %s items were looked at", "count the pieces of a bag, and how many of them were looked at"},
	"more-pieces-than-there":     {"%s pieces of %s", "count again"},
	"more-than-left":             {"%s g of the %s g left in %s", ""},
	"named-twice":                {"%s is named twice", ""},
	"net-not-positive":           {"the bag weighs %s g empty and %s g full", "weigh the full bag, then the empty one"},
	"no-code":                    {"a bag needs a code", ""},
	"no-find":                    {"a bag belongs to one find", "one kind, one find, one bag"},
	"no-raw-sample":              {"No raw sample of this batch is kept.", "Put some of it by: raw, labelled, cold."},
	"no-such-form":               {"“%s” is no form", "fresh, cooked, dried, frozen, ground, pickled or extract"},
	"no-such-kind":               {"nothing is known of “%s”", ""},
	"no-such-lot":                {"there is no lot “%s”", ""},
	"no-such-step":               {"“%s” is none of its steps", ""},
	"not-there-yet":              {"%s was not there yet at that time", ""},
	"reacted-before":             {"%s reacted to this kind before.", ""},
	"taken-more-than-left":       {"%s g were to be taken of the %s g left in %s", ""},
	"taste-first":                {"%s has not tasted this kind before.", "Make it a first taste: little, cooked, no alcohol, then wait."},
	"taste-is-cooked":            {"A first taste is cooked; this is %s.", "Cook a little of it first."},
	"taste-no-alcohol":           {"No alcohol with a first taste, nor on the day before and after.", ""},
	"taste-running":              {"A first taste of %s is still running.", "One new kind at a time; say first how that was."},
	"taste-too-much":             {"%s g is too much for a first taste; at most %s g.", "One small cap, or a leaf or two."},
	"wait-not-over":              {"The wait of %s hours is not over.", "A reaction can be put down at any time."},
	"who-ate":                    {"who ate of it?", ""},
	"who-felt":                   {"who felt what?", "nothing, dislike or reaction"},
	"who-looked":                 {"who made the second look?", ""},
	"why-corrected":              {"why was it %s g and not %s g?", ""},
	"why-held":                   {"why is it held?", ""},
}

// namesSomebody are the codes whose first parameter is a person.
var namesSomebody = map[string]bool{"reacted-before": true, "another-tastes": true, "taste-first": true}

// Which holds there are, and what ends them where a person's word does not.
var holds = map[string]said{
	"unlooked":   {"%s of %s pieces were never looked at one by one", lookAtEach},
	"uncounted":  {"its pieces were not counted, and nobody has said that each was looked at", lookAtEach},
	"reaction":   {"somebody felt something after eating of it", ""},
	"unreadable": {"its find can’t be read: nothing is eaten of it", ""},
	"mixed":      {"its patch is mixed: %s", ""},
	"left":       {"its find is to be left: %s", ""},
}

const (
	lookAtEach = "Look at each one by itself, or throw it away, and write down how many."
	byAWord    = "A person takes a hold off, and says why. Time does not."
)

// lotStates are what stands between a lot and a plate, by code.
var lotStates = map[string]said{
	"empty":                {"Nothing of it is left.", ""},
	"second-look-not-made": {"The second look at home is not made (%s).", "Complete checks in the field opened picking, no more."},
	"first-steps":          {"To be done first: %s.", "Do it to all of the batch, with its time."},
	"first-taste":          {"Nobody here has tasted this kind. One person first, a little of it, cooked; the others wait.", ""},
	"open":                 {"Its locks are open. Each person still begins with a first taste of their own.", ""},
}

// Hold says why a lot is held, and what ends it; do is empty where a person's word does.
func Hold(h *lot.Hold) (why, do string) {
	if s, ok := holds[h.Reason.Code]; ok {
		return s.with(h.Reason.Args)
	}
	return h.Said, ""
}

// LotState says what stands between a lot and a plate, and what to do.
func LotState(s *lot.State, id string) (what, do string) {
	if s.Hold != nil {
		why, do := Hold(s.Hold)
		what = "Held: " + why
		if s.Hold.Lot != id {
			what += " (laid on " + s.Hold.Lot + ")"
		}
		if do != "" {
			return what + ".", do
		}
		return what, byAWord
	}
	if said, ok := lotStates[s.Reason.Code]; ok {
		return said.with(s.Reason.Args)
	}
	return SecondLook(s.Reason.Code, s.Reason.Args), "What disagrees between field and table holds it."
}

// LotRefusal says what the ledger of lots refused, and what to do. name gives a person's
// name.
func LotRefusal(e *lot.Error, name func(person string) string) (what, do string) {
	switch {
	case e.State != nil:
		return LotState(e.State, e.Lot)
	case e.Hold != nil:
		why, do := Hold(e.Hold)
		if e.Reason.Code == "part-is-held" {
			why = e.Lot + " is held: " + why
			if do == "" {
				do = "A person takes a hold off, and says why."
			}
		}
		return why, do
	}
	args := e.Reason.Args
	if namesSomebody[e.Reason.Code] && len(args) > 0 {
		args = append([]string{name(args[0])}, args[1:]...)
	}
	said, ok := lotRefusals[e.Reason.Code]
	if !ok {
		return e.Error(), ""
	}
	return said.with(args)
}
