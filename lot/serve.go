package lot

import (
	"fmt"
	"slices"

	"zestythicket/quantity"
)

// Rules are the settings of the locks, all our own cautious defaults. A setting
// may only be changed on purpose; no rule can be set to nothing.
type Rules struct {
	// WaitMS is how long is waited after a first taste before it can be said how
	// it was; TasteMost is the most of a first taste, in grams.
	WaitMS    int64
	TasteMost quantity.Amount
	// KeepDays is how many days a form keeps, by form.
	KeepDays map[string]int
}

// HourMS is an hour.
const HourMS = 3_600_000

// Standard are the defaults: a day's wait; one small cap, or a leaf or two; and
// times to keep on the short side of what leaflets of food agencies give (see
// testdata/holding-times.csv); ground, pickled and extract are common practice
// without a source.
func Standard() Rules {
	return Rules{WaitMS: 24 * HourMS, TasteMost: quantity.Amount{}.Add(twenty), KeepDays: map[string]int{"fresh": 2, "cooked": 2, "frozen": 240, "dried": 180, "ground": 90, "pickled": 14, "extract": 365}}
}

var twenty, _ = quantity.Parse("20")

// State is what stands between a lot and a plate.
type State struct {
	Code string // held, empty, second-look, first-steps, first-taste, open
	What string
	Hint string
}

// Cleared says whether the second look of every bag behind a lot stands. It is
// worked out outside, from the finds, since the guide may have changed since.
type Cleared func(bag *Lot) (ok bool, why string)

// Standing says where a lot stands. steps are what must be done first to its kind.
func (b *Book) Standing(l *Lot, steps []string, cleared Cleared) State {
	if holds := b.HoldsOn(l.ID); len(holds) > 0 {
		what := "Held: " + holds[0].Why
		if holds[0].Lot != l.ID {
			what += " (laid on " + holds[0].Lot + ")"
		}
		hint := "A person takes a hold off, and says why. Time does not."
		if holds[0].Do != "" {
			what, hint = what+".", holds[0].Do
		}
		return State{"held", what, hint}
	}
	if l.Empty() {
		return State{"empty", "Nothing of it is left.", ""}
	}
	for _, id := range b.Bags(l.ID) {
		bag := b.lots[id]
		if bag.Looked == nil {
			return State{"second-look", "The second look at home is not made (" + id + ").", "Complete checks in the field opened picking, no more."}
		}
		if ok, why := cleared(bag); !ok {
			return State{"second-look", why, "What disagrees between field and table holds it."}
		}
	}
	for _, s := range steps {
		if !slices.Contains(l.Done, s) {
			return State{"first-steps", "To be done first: " + s + ".", "Do it to all of the batch, with its time."}
		}
	}
	if len(b.tasters(l.Kind())) == 0 {
		return State{"first-taste", "Nobody here has tasted this kind. One person first, a little of it, cooked; the others wait.", ""}
	}
	return State{"open", "Its locks are open. Each person still begins with a first taste of their own.", ""}
}

// tasters lists who has a first taste of a kind behind them that went without a
// reaction.
func (b *Book) tasters(kind string) []string {
	var out []string
	for _, s := range b.Servings {
		if s.Kind == kind && s.First && b.tasted(s.Person, kind) && !slices.Contains(out, s.Person) {
			out = append(out, s.Person)
		}
	}
	return out
}

// tasted: the last word on the kind by this person, after the last first taste, is
// not a reaction.
func (b *Book) tasted(person, kind string) bool {
	var at int64 = -1
	for _, s := range b.Servings {
		if s.Person == person && s.Kind == kind && s.First {
			at = s.Seq
		}
	}
	said := false
	for _, f := range b.Feelings {
		if f.Person != person || f.Kind != kind {
			continue
		}
		if f.Outcome == "reaction" {
			return false // whoever reacted once is not served it again
		}
		said = said || f.Seq > at
	}
	return at >= 0 && said
}

// running finds a first taste whose wait is not over, or of which nobody has said
// how it was.
func (b *Book) running(person string) (Serving, bool) {
	for i := len(b.Servings) - 1; i >= 0; i-- {
		s := b.Servings[i]
		if s.Person == person && s.First && !slices.ContainsFunc(b.Feelings, func(f Feeling) bool { return f.Person == person && f.Kind == s.Kind && f.Seq > s.Seq }) {
			return s, true
		}
	}
	return Serving{}, false
}

// Serving says whether somebody may eat of a lot, and how: nil when they may. first
// tells that it has to be a first taste.
func (b *Book) Serving(l *Lot, person string, steps []string, cleared Cleared) (first bool, err error) {
	op := "ate"
	switch s := b.Standing(l, steps, cleared); s.Code {
	case "held":
		return false, refuse(op, l.ID, ErrHeld, s.Hint, "%s", s.What)
	case "empty":
		return false, refuse(op, l.ID, ErrBalance, "", "%s", s.What)
	case "second-look", "first-steps":
		return false, refuse(op, l.ID, ErrNotYet, s.Hint, "%s", s.What)
	}
	for _, f := range b.Feelings {
		if f.Person == person && f.Kind == l.Kind() && f.Outcome == "reaction" {
			return false, refuse(op, l.ID, ErrHeld, "", "%s reacted to this kind before.", b.name(person))
		}
	}
	if b.tasted(person, l.Kind()) {
		return false, nil
	}
	if s, ok := b.running(person); ok {
		return false, refuse(op, l.ID, ErrNotYet, "One new kind at a time; say first how that was.", "A first taste of %s is still running.", s.Lot)
	}
	for _, s := range b.Servings {
		if s.Kind == l.Kind() && s.First && s.Person != person && len(b.tasters(l.Kind())) == 0 {
			return false, refuse(op, l.ID, ErrNotYet, "One person first; the others wait.", "%s tasted this kind first and has not said yet how it was.", b.name(s.Person))
		}
	}
	return true, nil
}

// Check says why an event may not be added now, or nil. seen is, by lot, the Rev
// that the asking screen knew; a lot changed since is refused, so that two screens
// can't edit it past each other.
func (b *Book) Check(e *Event, seen map[string]int64, steps func(*Lot) []string, cleared Cleared) error {
	for id, rev := range seen {
		if l, ok := b.lots[id]; ok && l.Rev > rev {
			return refuse(string(e.Kind), id, ErrChanged, "look at it as it is now, then do it again", "%s was changed on another screen", id)
		}
	}
	switch e.Kind {
	case Made:
		for _, p := range e.From {
			if holds := b.HoldsOn(p.Lot); len(holds) > 0 {
				hint := holds[0].Do
				if hint == "" {
					hint = "A person takes a hold off, and says why."
				}
				return refuse("made", p.Lot, ErrHeld, hint, "%s is held: %s", p.Lot, holds[0].Why)
			}
		}
	case Ate:
		return b.checkAte(e, steps, cleared)
	case Felt:
		return b.checkFelt(e)
	case Did:
		l, ok := b.lots[e.Lot]
		if ok && !slices.Contains(steps(l), e.Step) {
			return refuse("did", e.Lot, ErrUnknown, "", "%q is none of its steps", e.Step)
		}
	case Freed:
		if e.By == "" || e.Why == "" {
			return refuse("freed", e.Lot, ErrMissing, "name a person and a reason", "a hold is taken off by somebody, for a reason")
		}
		if l, ok := b.lots[e.Lot]; ok && len(l.Holds) > 0 && !slices.ContainsFunc(l.Holds, func(h Hold) bool { return !h.Unlooked }) {
			return refuse("freed", e.Lot, ErrHeld, l.Holds[0].Do, "%s", l.Holds[0].Why)
		}
	case Held:
		if e.Why == "" {
			return refuse("held", e.Lot, ErrMissing, "", "why is it held?")
		}
	case Threw:
		if l, ok := b.lots[e.Lot]; ok && (e.Pieces < 0 || e.Pieces > l.Pieces) {
			return refuse("threw", e.Lot, ErrBalance, "count again", "%d pieces of %d", e.Pieces, l.Pieces)
		}
	case Looked:
		if e.By == "" {
			return refuse("looked", e.Lot, ErrMissing, "", "who made the second look?")
		}
	}
	return nil
}

func (b *Book) checkAte(e *Event, steps func(*Lot) []string, cleared Cleared) error {
	l, ok := b.lots[e.Lot]
	if !ok {
		return nil // apply says it
	}
	first, err := b.Serving(l, e.Person, steps(l), cleared)
	if err != nil {
		return err
	}
	switch {
	case first && !e.First:
		return refuse("ate", l.ID, ErrNotYet, "Make it a first taste: little, cooked, no alcohol, then wait.", "%s has not tasted this kind before.", b.name(e.Person))
	case first && l.Form != "cooked":
		return refuse("ate", l.ID, ErrNotYet, "Cook a little of it first.", "A first taste is cooked; this is %s.", l.Form)
	case first && e.Amount.GreaterThan(b.Rules.TasteMost):
		return refuse("ate", l.ID, ErrNotYet, "One small cap, or a leaf or two.", "%s g is too much for a first taste; at most %s g.", e.Amount, b.Rules.TasteMost)
	case first && !e.NoAlcohol:
		return refuse("ate", l.ID, ErrNotYet, "", "No alcohol with a first taste, nor on the day before and after.")
	case first && !b.Sampled(l):
		return refuse("ate", l.ID, ErrNotYet, "Put some of it by: raw, labelled, cold.", "No raw sample of this batch is kept.")
	}
	return nil
}

// Sampled reports whether a raw sample was kept of the lot or of one it was made
// from.
func (b *Book) Sampled(l *Lot) bool {
	return slices.ContainsFunc(b.Back(l.ID), func(id string) bool { return b.lots[id].Sampled })
}

func (b *Book) checkFelt(e *Event) error {
	l, ok := b.lots[e.Lot]
	if !ok || e.Outcome == "reaction" {
		return nil // what goes wrong is taken down at any time
	}
	s, running := b.running(e.Person)
	if running && s.Kind == l.Kind() && e.AtMS-s.AtMS < b.Rules.WaitMS {
		return refuse("felt", e.Lot, ErrNotYet, "A reaction can be put down at any time.", "The wait of %s is not over.", hours(b.Rules.WaitMS))
	}
	return nil
}

func (b *Book) name(person string) string {
	if b.Name == nil {
		return person
	}
	return b.Name(person)
}

func hours(ms int64) string { return fmt.Sprintf("%d hours", ms/HourMS) }

// Add checks an event and adds it.
func (b *Book) Add(e *Event, seen map[string]int64, steps func(*Lot) []string, cleared Cleared) error {
	if err := b.Check(e, seen, steps, cleared); err != nil {
		return err
	}
	return b.apply(e)
}

// KeepBy is the end of a lot's keeping, in ms; false where none is set.
func (b *Book) KeepBy(l *Lot) (int64, bool) {
	days, ok := b.Rules.KeepDays[l.Form]
	if !ok {
		return 0, false
	}
	from := l.AtMS
	if l.Form == "fresh" {
		from = l.PickedMS // bagging freshens nothing
	}
	return from + int64(days)*24*HourMS, true
}

// Yield is how much comes of a gram when an entry's part is brought into a form, from
// what was made before: the sum of what came out over the sum of what went in, and in
// how many makings.
func Yield(events []Event, b *Book, kind, form string) (ratio quantity.Amount, makings int) {
	t := YieldTable{}
	for i := range events {
		t.Add(&events[i], b)
	}
	if y := t[YieldKey{kind, form}]; y.Makings > 0 {
		return y.Ratio(), y.Makings
	}
	return quantity.Zero, 0
}
