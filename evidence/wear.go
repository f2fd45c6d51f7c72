package evidence

import "zestythicket/guide"

// Hands is the carrier that is meant when none is named.
const Hands = "hands"

// Carriers are what takes a smell on and hands it to the next test.
var Carriers = []string{Hands, "gloves", "blade"}

// Carried is a smell that something carries since a line of the log.
type Carried struct {
	On, Smell string
	// Seq is the line that put it there, 0 if it was there when the find began.
	Seq int64
}

// carrying is what hands, gloves and blade carry at one moment.
type carrying []Carried

func begun(hands []string) carrying {
	var c carrying
	for _, h := range hands {
		c = append(c, Carried{On: Hands, Smell: h})
	}
	return c
}

func orHands(on string) string {
	if on == "" {
		return Hands
	}
	return on
}

// take puts a smell on a carrier.
func (c *carrying) take(on, smell string, seq int64) {
	*c = append(*c, Carried{orHands(on), smell, seq})
}

// clean takes every smell off a carrier, and off no other.
func (c *carrying) clean(on string) {
	on = orHands(on)
	kept := (*c)[:0]
	for _, x := range *c {
		if x.On != on {
			kept = append(kept, x)
		}
	}
	*c = kept
}

// near are the smells that get in the way of a test made with something: its
// own, and always those of the hands, which no glove keeps in.
func (c carrying) near(with string) []string {
	var out []string
	for _, x := range c {
		if x.On == Hands || x.On == with {
			out = append(out, x.Smell)
		}
	}
	return out
}

// ContaminatedTest is a smell test that no longer counts, or counts for some answers
// only.
type ContaminatedTest struct {
	Trait int32
	// With is what the test would be made with.
	With string
	// Void are the states that a reading would be shaky for; those outside it
	// still count.
	Void uint32
}

// Carryover is what the outing has done to the tests that are still to be made.
type Carryover struct {
	Carried []Carried
	Tests   []ContaminatedTest
}

// Carryover lists what hands, gloves and blade carry now, and which smell tests that
// spoils. A smell stays until what carries it is cleaned, and an answer that was
// taken back has still been smelled.
func (e *Engine) Wear(f *Find) Carryover {
	undone := map[int64]bool{}
	for i := range f.Log {
		if f.Log[i].Kind == Undone {
			undone[f.Log[i].Undoes] = true
		}
	}
	c := begun(f.Hands)
	for i := range f.Log {
		e.wear(&c, &f.Log[i], undone[f.Log[i].Seq])
	}
	out := Carryover{Carried: c}
	if len(c) == 0 || f.Profile.SmellWeak {
		return out
	}
	kingdom := e.kingdom(f)
	for i := range e.ix.Book.Traits {
		tr := &e.ix.Book.Traits[i]
		if !tr.Smell || tr.Kingdom != kingdom && tr.Kingdom != guide.KingdomUnclear && kingdom != guide.KingdomUnclear {
			continue
		}
		for _, with := range Carriers {
			w := ContaminatedTest{Trait: int32(i), With: with}
			near := c.near(with)
			for s := range tr.States {
				if contaminated(tr, 1<<s, near) {
					w.Void |= 1 << s
				}
			}
			if w.Void != 0 {
				out.Tests = append(out.Tests, w)
			}
		}
	}
	return out
}

// wear is what one line of the log does to what carries smells. Handling is
// never undone: a leaf that was crushed stays crushed.
func (e *Engine) wear(c *carrying, ev *Event, undone bool) {
	switch ev.Kind {
	case Handled:
		c.take(ev.On, ev.Smell, ev.Seq)
	case CleanHands:
		if !undone {
			c.clean(ev.On)
		}
	case Answered:
		at, ok := e.ix.TraitAt(ev.Answer.Trait)
		if !ok || !ev.Answer.Kind.evidential() {
			return
		}
		tr := &e.ix.Book.Traits[at]
		if !tr.Smell {
			return
		}
		for _, st := range ev.Answer.States {
			if i, ok := tr.StateIndex(st); ok && tr.Leaves[i] != "" {
				c.take(ev.Answer.With, tr.Leaves[i], ev.Seq)
			}
		}
	}
}
