package lot

import (
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
	// ShelfLifeDays is how many days a form keeps, by form.
	ShelfLifeDays map[string]int
}

// HourMS is an hour.
const HourMS = 3_600_000

// Standard are the defaults: a day's wait; one small cap, or a leaf or two; and
// times to keep on the short side of what leaflets of food agencies give (see
// testdata/holding-times.csv); ground, pickled and extract are common practice
// without a source.
func Standard() Rules {
	return Rules{WaitMS: 24 * HourMS, TasteMost: quantity.Amount{}.Add(twenty), ShelfLifeDays: map[string]int{"fresh": 2, "cooked": 2, "frozen": 240, "dried": 180, "ground": 90, "pickled": 14, "extract": 365}}
}

var twenty, _ = quantity.Parse("20")

// State is what stands between a lot and a plate.
type State struct {
	Code   string // held, empty, second-look, first-steps, first-taste, open
	Reason Reason
	Hold   *Hold // of a lot that is held
}

// Cleared says whether the second look of every bag behind a lot stands. It is
// worked out outside, from the finds, since the guide may have changed since.
type Cleared func(bag *Lot) (ok bool, why Reason)

// Posterior says where a lot stands. steps are what must be done first to its kind.
func (b *Ledger) Standing(l *Lot, steps []string, cleared Cleared) State {
	if holds := b.HoldsOn(l.ID); len(holds) > 0 {
		return State{"held", reason("held"), &holds[0]}
	}
	if l.Empty() {
		return State{Code: "empty", Reason: reason("empty")}
	}
	for _, id := range b.Bags(l.ID) {
		bag := b.lots[id]
		if bag.Looked == nil {
			return State{Code: "second-look", Reason: reason("second-look-not-made", id)}
		}
		if ok, why := cleared(bag); !ok {
			return State{Code: "second-look", Reason: why}
		}
	}
	for _, s := range steps {
		if !slices.Contains(l.Done, s) {
			return State{Code: "first-steps", Reason: reason("first-steps", s)}
		}
	}
	if len(b.tasters(l.Kind())) == 0 {
		return State{Code: "first-taste", Reason: reason("first-taste")}
	}
	return State{Code: "open", Reason: reason("open")}
}

// tasters lists who has a first taste of a kind behind them that went without a
// reaction.
func (b *Ledger) tasters(kind string) []string {
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
func (b *Ledger) tasted(person, kind string) bool {
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
func (b *Ledger) running(person string) (Serving, bool) {
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
func (b *Ledger) Serving(l *Lot, person string, steps []string, cleared Cleared) (first bool, err error) {
	op := "ate"
	s := b.Standing(l, steps, cleared)
	if kind, ok := map[string]error{"held": ErrHeld, "empty": ErrBalance, "second-look": ErrNotYet, "first-steps": ErrNotYet}[s.Code]; ok {
		return false, &Error{Op: op, Lot: l.ID, Err: kind, Reason: s.Reason, State: &s}
	}
	for _, f := range b.Feelings {
		if f.Person == person && f.Kind == l.Kind() && f.Outcome == "reaction" {
			return false, refuse(op, l.ID, ErrHeld, "reacted-before", person)
		}
	}
	if b.tasted(person, l.Kind()) {
		return false, nil
	}
	if s, ok := b.running(person); ok {
		return false, refuse(op, l.ID, ErrNotYet, "taste-running", s.Lot)
	}
	for _, s := range b.Servings {
		if s.Kind == l.Kind() && s.First && s.Person != person && len(b.tasters(l.Kind())) == 0 {
			return false, refuse(op, l.ID, ErrNotYet, "another-tastes", s.Person)
		}
	}
	return true, nil
}

// Check says why an event may not be added now, or nil. seen is, by lot, the Rev
// that the asking screen knew; a lot changed since is refused, so that two screens
// can't edit it past each other.
func (b *Ledger) Check(e *Event, seen map[string]int64, steps func(*Lot) []string, cleared Cleared) error {
	for id, rev := range seen {
		if l, ok := b.lots[id]; ok && l.Rev > rev {
			return refuse(string(e.Kind), id, ErrChanged, "changed", id)
		}
	}
	switch e.Kind {
	case Made:
		for _, p := range e.From {
			if holds := b.HoldsOn(p.Lot); len(holds) > 0 {
				return &Error{Op: "made", Lot: p.Lot, Err: ErrHeld, Reason: reason("part-is-held", p.Lot), Hold: &holds[0]}
			}
		}
	case Ate:
		return b.checkAte(e, steps, cleared)
	case Felt:
		return b.checkFelt(e)
	case Did:
		l, ok := b.lots[e.Lot]
		if ok && !slices.Contains(steps(l), e.Step) {
			return refuse("did", e.Lot, ErrUnknown, "no-such-step", e.Step)
		}
	case Freed:
		if e.By == "" || e.Why == "" {
			return refuse("freed", e.Lot, ErrMissing, "freed-by-whom")
		}
		if l, ok := b.lots[e.Lot]; ok && len(l.Holds) > 0 && !slices.ContainsFunc(l.Holds, func(h Hold) bool { return !h.Unlooked }) {
			return &Error{Op: "freed", Lot: e.Lot, Err: ErrHeld, Reason: reason("not-by-word"), Hold: &l.Holds[0]}
		}
	case Held:
		if e.Why == "" {
			return refuse("held", e.Lot, ErrMissing, "why-held")
		}
	case Threw:
		if l, ok := b.lots[e.Lot]; ok && (e.Pieces < 0 || e.Pieces > l.Pieces) {
			return refuse("threw", e.Lot, ErrBalance, "more-pieces-than-there", e.Pieces, l.Pieces)
		}
	case Looked:
		if e.By == "" {
			return refuse("looked", e.Lot, ErrMissing, "who-looked")
		}
	}
	return nil
}

func (b *Ledger) checkAte(e *Event, steps func(*Lot) []string, cleared Cleared) error {
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
		return refuse("ate", l.ID, ErrNotYet, "taste-first", e.Person)
	case first && l.Form != "cooked":
		return refuse("ate", l.ID, ErrNotYet, "taste-is-cooked", l.Form)
	case first && e.Amount.GreaterThan(b.Rules.TasteMost):
		return refuse("ate", l.ID, ErrNotYet, "taste-too-much", e.Amount, b.Rules.TasteMost)
	case first && !e.NoAlcohol:
		return refuse("ate", l.ID, ErrNotYet, "taste-no-alcohol")
	case first && !b.Sampled(l):
		return refuse("ate", l.ID, ErrNotYet, "no-raw-sample")
	}
	return nil
}

// Sampled reports whether a raw sample was kept of the lot or of one it was made
// from.
func (b *Ledger) Sampled(l *Lot) bool {
	return slices.ContainsFunc(b.TraceBack(l.ID), func(id string) bool { return b.lots[id].Sampled })
}

func (b *Ledger) checkFelt(e *Event) error {
	l, ok := b.lots[e.Lot]
	if !ok || e.Outcome == "reaction" {
		return nil // what goes wrong is taken down at any time
	}
	s, running := b.running(e.Person)
	if running && s.Kind == l.Kind() && e.AtMS-s.AtMS < b.Rules.WaitMS {
		return refuse("felt", e.Lot, ErrNotYet, "wait-not-over", b.Rules.WaitMS/HourMS)
	}
	return nil
}

// Add checks an event and adds it.
func (b *Ledger) Add(e *Event, seen map[string]int64, steps func(*Lot) []string, cleared Cleared) error {
	if err := b.Check(e, seen, steps, cleared); err != nil {
		return err
	}
	return b.apply(e)
}

// UseBy is the end of a lot's keeping, in ms; false where none is set.
func (b *Ledger) UseBy(l *Lot) (int64, bool) {
	days, ok := b.Rules.ShelfLifeDays[l.Form]
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
func Yield(events []Event, b *Ledger, kind, form string) (ratio quantity.Amount, makings int) {
	t := YieldTable{}
	for i := range events {
		t.Add(&events[i], b)
	}
	if y := t[YieldKey{kind, form}]; y.Makings > 0 {
		return y.Ratio(), y.Makings
	}
	return quantity.Zero, 0
}
