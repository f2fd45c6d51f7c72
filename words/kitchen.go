package words

import (
	"strconv"

	"zestythicket/lot"
	"zestythicket/quantity"
)

// KitchenLine says one line of the book of the kitchen; g says a weight, who is whoever
// ate or felt.
func KitchenLine(e *lot.Event, g func(quantity.Amount) string, who string) string {
	switch e.Kind {
	case lot.Bagged:
		return "bagged " + g(e.Gross.Sub(e.Tare)) + " (" + g(e.Gross) + " gross, " + g(e.Tare) + " the bag)"
	case lot.Made:
		s := "made "
		for i, p := range e.To {
			if i > 0 {
				s += ", "
			}
			s += p.Lot + " (" + g(p.Amount) + " " + p.Form + ")"
		}
		s += " from "
		for i, p := range e.From {
			if i > 0 {
				s += ", "
			}
			s += g(p.Amount) + " of " + p.Lot
		}
		for _, x := range []struct {
			a quantity.Amount
			w string
		}{{e.Added, "added"}, {e.Loss, "lost"}, {e.Discard, "thrown away"}} {
			if x.a.IsPositive() {
				s += "; " + g(x.a) + " " + x.w
			}
		}
		return s
	case lot.Threw:
		if e.Pieces > 0 {
			return "threw " + strconv.Itoa(e.Pieces) + " pieces away, " + g(e.Amount) + wrapIf(e.Why, ": ", "")
		}
		return "threw " + g(e.Amount) + " away" + wrapIf(e.Why, ": ", "")
	case lot.Looked:
		return "second look by " + e.By
	case lot.Held:
		return "held: " + e.Why
	case lot.Freed:
		return "hold taken off by " + e.By + ": " + e.Why
	case lot.Began:
		return "began: " + e.Step
	case lot.Did:
		return "done: " + e.Step
	case lot.Sampled:
		return "raw sample put by" + wrapIf(e.Why, ": ", "")
	case lot.Ate:
		if e.First {
			return who + " ate " + g(e.Amount) + ", a first taste"
		}
		return who + " ate " + g(e.Amount)
	case lot.Felt:
		return who + " felt: " + e.Outcome + wrapIf(e.Why, " (", ")")
	case lot.Corrected:
		return "weighed again: " + g(e.Amount) + ": " + e.Why
	case lot.Rechecked:
		if e.Each && e.Pieces == 0 {
			return "every piece looked at one by one again"
		}
		return strconv.Itoa(e.Checked) + " of " + strconv.Itoa(e.Pieces) + " looked at one by one again"
	}
	return string(e.Kind)
}

// wrapIf puts something before and after a text that is not empty.
func wrapIf(s, before, after string) string {
	if s == "" {
		return ""
	}
	return before + s + after
}
