package lot

import (
	"slices"

	"zestythicket/quantity"
)

// Lot is a bag or a batch as it now stands.
type Lot struct {
	ID, Find, Taxon, Part, Form, Basket string
	AtMS, PickedMS                      int64
	Gross, Tare                         quantity.Amount // of a bag
	Made                                quantity.Amount // net, when it was made
	Left                                quantity.Amount
	Pieces, Checked                     int
	Parents, Children                   []string // directly
	Looked                              *Event   // the last second look
	Done                                []string // steps done, here or in every parent
	Running                             map[string]int64
	Sampled                             bool
	Holds                               []Hold // laid on this lot itself
	Rev                                 int64  // Seq of the last event that touched it
	Mixed                               bool   // it has more than one find in it
	RecheckedMS                         int64  // when its items were last looked at one by one again
	Each                                bool   // every item was looked at one by one, uncounted
}

// Hold is a reason why a lot is held.
type Hold struct {
	Lot    string // on which it was laid
	Reason Reason
	Said   string // by a person who laid it, in their words
	AtMS   int64
	// Unlooked: pieces of the bag were never looked at. It reaches what was made of
	// the bag, and only looking or throwing away ends it.
	Unlooked bool
}

// Serving is one eating.
type Serving struct {
	Seq               int64
	AtMS              int64
	Lot, Person, Meal string
	Kind              string // see [Lot.Kind]
	Amount            quantity.Amount
	First             bool
}

// Feeling is what somebody felt of a kind.
type Feeling struct {
	Seq                   int64
	AtMS                  int64
	Person, Kind, Outcome string
	Why, Lot              string
}

// Guide is what all events come to.
type Ledger struct {
	Rules    Rules
	lots     map[string]*Lot
	order    []string
	Servings []Serving
	Feelings []Feeling
	Out      Balance
	seq      int64
	idx      *index
}

// Balance is what has left the lots; see [Guide.Balance].
type Balance struct{ Bagged, Added, Loss, Discarded, Eaten, Corrected quantity.Amount }

// New begins an empty book.
func New(r Rules) *Ledger { return &Ledger{Rules: r, lots: map[string]*Lot{}} }

// Replay makes a book of events that were stored. Only what can't hold together at
// all is refused here; the locks of [Guide.Check] were asked when each was added.
func Replay(r Rules, events []Event) (*Ledger, error) {
	b := New(r)
	for i := range events {
		if err := b.apply(&events[i]); err != nil {
			return nil, err
		}
	}
	return b, nil
}

// Rejected is an event that can't be part of the book: what it says contradicts the
// others. It is set aside, with why.
type Rejected struct {
	Event Event
	Err   error
}

// ReplayAll makes a book of all events that hold together and sets the others aside:
// one bad line never closes the book. An event changes nothing when it is rejected.
func ReplayAll(r Rules, events []Event) (*Ledger, []Rejected) {
	b := New(r)
	var out []Rejected
	for i := range events {
		if err := b.apply(&events[i]); err != nil {
			out = append(out, Rejected{events[i], err})
		}
	}
	return b, out
}

// Lot finds a lot.
func (b *Ledger) Lot(id string) (*Lot, bool) { l, ok := b.lots[id]; return l, ok }

// Lots lists all lots, the first made in front.
func (b *Ledger) Lots() []*Lot {
	out := make([]*Lot, 0, len(b.order))
	for _, id := range b.order {
		out = append(out, b.lots[id])
	}
	return out
}

// Kind names what a first taste is of: an entry and its part.
func (l *Lot) Kind() string { return l.Taxon + "|" + l.Part }

// Empty reports whether nothing of it is left.
func (l *Lot) Empty() bool { return !l.Left.IsPositive() }

// AddHold puts a hold on a lot that follows from its find, and is no line of the book.
func (b *Ledger) AddHold(id string, why Reason, atMS int64) {
	b.idx = nil
	if l, ok := b.lots[id]; ok {
		l.Holds = append(l.Holds, Hold{Lot: id, Reason: why, AtMS: atMS})
	}
}

// AddUnlookedHolds holds every bag with pieces that nobody looked at. It is asked after
// the events, since it follows from what they come to.
func (b *Ledger) AddUnlookedHolds() {
	b.idx = nil
	for _, id := range b.order {
		l := b.lots[id]
		if len(l.Parents) > 0 {
			continue
		}
		h := Hold{Lot: id, AtMS: l.AtMS, Unlooked: true}
		switch n := l.Pieces - l.Checked; {
		case n > 0:
			h.Reason = reason("unlooked", n, l.Pieces)
		case l.Pieces == 0 && !l.Each:
			h.Reason = reason("uncounted")
		default:
			continue
		}
		l.Holds = append(l.Holds, h)
	}
}

// FullyReinspectedSince reports whether every item of a bag was looked at one by one after a
// time: then what was mixed before is sorted.
func (l *Lot) FullyReinspectedSince(afterMS int64) bool {
	return (l.Each || l.Pieces > 0 && l.Checked == l.Pieces) && l.RecheckedMS >= afterMS
}

// apply adds an event, or says why it can't be.
func (b *Ledger) apply(e *Event) error {
	b.idx = nil
	var err error
	switch e.Kind {
	case Bagged:
		err = b.bag(e)
	case Made:
		err = b.make(e)
	default:
		l, ok := b.lots[e.Lot]
		if !ok {
			return refuse(string(e.Kind), e.Lot, ErrUnknown, "no-such-lot", e.Lot)
		}
		if err = b.change(l, e); err == nil {
			l.Rev = max(l.Rev, e.Seq)
		}
	}
	if err == nil {
		b.seq = max(b.seq, e.Seq)
	}
	return err
}

func (b *Ledger) add(l *Lot) {
	b.lots[l.ID] = l
	b.order = append(b.order, l.ID)
}

func (b *Ledger) bag(e *Event) error {
	op := string(e.Kind)
	net := e.Gross.Sub(e.Tare)
	switch {
	case e.Lot == "":
		return refuse(op, e.Lot, ErrMissing, "no-code")
	case b.lots[e.Lot] != nil:
		return refuse(op, e.Lot, ErrRepeated, "code-taken", e.Lot)
	case e.Find == "" || e.Taxon == "":
		return refuse(op, e.Lot, ErrMissing, "no-find")
	case !net.IsPositive():
		return refuse(op, e.Lot, ErrBalance, "net-not-positive", e.Tare, e.Gross)
	case e.PickedMS > e.AtMS:
		return refuse(op, e.Lot, ErrOrder, "bagged-before-picked")
	case e.Pieces < 0 || e.Checked < 0 || e.Pieces > 0 && e.Checked > e.Pieces:
		return refuse(op, e.Lot, ErrBalance, "more-looked-at-than-pieces", e.Checked, e.Pieces)
	}
	b.Out.Bagged = b.Out.Bagged.Add(net)
	b.add(&Lot{ID: e.Lot, Find: e.Find, Taxon: e.Taxon, Part: e.Part, Form: "fresh", Basket: e.Basket, AtMS: e.AtMS, PickedMS: e.PickedMS, Gross: e.Gross, Tare: e.Tare,
		Made: net, Left: net, Pieces: e.Pieces, Checked: e.Checked, Each: e.Each && e.Pieces == 0, Running: map[string]int64{}, Rev: e.Seq})
	return nil
}

// make turns lots into lots. What went in and was added equals what came out, was
// lost and was thrown away, to the last digit.
func (b *Ledger) make(e *Event) error {
	op := string(e.Kind)
	if len(e.From) == 0 || len(e.To) == 0 {
		return refuse(op, e.Lot, ErrMissing, "made-of-nothing")
	}
	in, out := e.Added, e.Loss.Add(e.Discard)
	var parents []*Lot
	var first *Lot
	for _, p := range e.From {
		l := b.lots[p.Lot]
		switch {
		case l == nil:
			return refuse(op, p.Lot, ErrUnknown, "no-such-lot", p.Lot)
		case slices.Contains(parents, l):
			return refuse(op, p.Lot, ErrRepeated, "named-twice", p.Lot)
		case !p.Amount.IsPositive() || p.Amount.GreaterThan(l.Left):
			return refuse(op, p.Lot, ErrBalance, "taken-more-than-left", p.Amount, l.Left, p.Lot)
		case l.AtMS > e.AtMS:
			return refuse(op, p.Lot, ErrOrder, "made-before-part", p.Lot)
		case first != nil && first.Kind() != l.Kind():
			return refuse(op, p.Lot, ErrBalance, "mixed-kinds", first.ID, l.ID)
		}
		if first == nil {
			first = l
		}
		parents = append(parents, l)
		in = in.Add(p.Amount)
	}
	seen := map[string]bool{}
	for _, p := range e.To {
		switch {
		case p.Lot == "" || b.lots[p.Lot] != nil || seen[p.Lot]:
			return refuse(op, p.Lot, ErrRepeated, "code-taken", p.Lot)
		case !p.Amount.IsPositive():
			return refuse(op, p.Lot, ErrBalance, "made-nothing", p.Lot)
		case !slices.Contains(Forms, p.Form):
			return refuse(op, p.Lot, ErrMissing, "no-such-form", p.Form)
		}
		seen[p.Lot] = true
		out = out.Add(p.Amount)
	}
	if !in.Equal(out) {
		return refuse(op, e.To[0].Lot, ErrBalance, "in-is-not-out", in, out)
	}
	b.Out.Added, b.Out.Loss, b.Out.Discarded = b.Out.Added.Add(e.Added), b.Out.Loss.Add(e.Loss), b.Out.Discarded.Add(e.Discard)
	for i, p := range e.From {
		parents[i].Left = parents[i].Left.Sub(p.Amount)
		parents[i].Rev = max(parents[i].Rev, e.Seq)
		for _, t := range e.To {
			parents[i].Children = append(parents[i].Children, t.Lot)
		}
	}
	for _, t := range e.To {
		l := &Lot{ID: t.Lot, Find: first.Find, Taxon: first.Taxon, Part: first.Part, Form: t.Form, AtMS: e.AtMS, PickedMS: first.PickedMS, Made: t.Amount, Left: t.Amount, Pieces: t.Pieces, Running: map[string]int64{}, Rev: e.Seq}
		l.Done = slices.Clone(first.Done)
		for _, p := range parents {
			l.Parents = append(l.Parents, p.ID)
			l.Mixed = l.Mixed || p.Mixed || p.Find != first.Find
			l.PickedMS = min(l.PickedMS, p.PickedMS)
			// A step counts as done only when it was done to everything that went in.
			l.Done = slices.DeleteFunc(l.Done, func(s string) bool { return !slices.Contains(p.Done, s) })
		}
		b.add(l)
	}
	return nil
}

func (b *Ledger) take(l *Lot, e *Event) error {
	if !e.Amount.IsPositive() || e.Amount.GreaterThan(l.Left) {
		return refuse(string(e.Kind), l.ID, ErrBalance, "more-than-left", e.Amount, l.Left, l.ID)
	}
	if e.AtMS < l.AtMS && e.Kind != Threw {
		return refuse(string(e.Kind), l.ID, ErrOrder, "not-there-yet", l.ID)
	}
	l.Left = l.Left.Sub(e.Amount)
	return nil
}

// change applies an event to one lot.
func (b *Ledger) change(l *Lot, e *Event) error {
	// What protects somebody is taken down whatever the clocks did meanwhile.
	protects := e.Kind == Held || e.Kind == Freed || e.Kind == Threw || e.Kind == Rechecked || e.Kind == Felt && e.Outcome == "reaction"
	if e.AtMS < l.PickedMS && !protects {
		return refuse(string(e.Kind), l.ID, ErrOrder, "before-picked")
	}
	switch e.Kind {
	case Threw:
		if err := b.take(l, e); err != nil {
			return err
		}
		b.Out.Discarded = b.Out.Discarded.Add(e.Amount)
		// Pieces that go are those that nobody looked at, as far as there are any.
		l.Pieces = max(0, l.Pieces-e.Pieces)
		l.Checked = min(l.Checked, l.Pieces)
		l.Each = l.Each || e.Pieces > 0 && l.Pieces == 0
	case Ate:
		if e.Person == "" {
			return refuse("ate", l.ID, ErrMissing, "who-ate")
		}
		if err := b.take(l, e); err != nil {
			return err
		}
		b.Out.Eaten = b.Out.Eaten.Add(e.Amount)
		b.Servings = append(b.Servings, Serving{e.Seq, e.AtMS, l.ID, e.Person, e.Meal, l.Kind(), e.Amount, e.First})
	case Felt:
		if e.Person == "" || !slices.Contains(Outcomes, e.Outcome) {
			return refuse("felt", l.ID, ErrMissing, "who-felt")
		}
		b.Feelings = append(b.Feelings, Feeling{e.Seq, e.AtMS, e.Person, l.Kind(), e.Outcome, e.Why, l.ID})
		if e.Outcome == "reaction" {
			l.Holds = append(l.Holds, Hold{Lot: l.ID, Reason: reason("reaction"), AtMS: e.AtMS})
		}
	case Looked:
		c := *e
		l.Looked = &c
	case Held:
		l.Holds = append(l.Holds, Hold{Lot: l.ID, Reason: reason("by-hand"), Said: e.Why, AtMS: e.AtMS})
	case Freed:
		l.Holds = nil
	case Began:
		if l.Running == nil {
			l.Running = map[string]int64{}
		}
		l.Running[e.Step] = e.AtMS
	case Did:
		delete(l.Running, e.Step)
		if !slices.Contains(l.Done, e.Step) {
			l.Done = append(l.Done, e.Step)
		}
	case Sampled:
		l.Sampled = true
	case Rechecked:
		if len(l.Parents) > 0 || e.Pieces < 0 || e.Pieces == 0 && !e.Each || e.Checked < 0 || e.Checked > e.Pieces {
			return refuse("rechecked", l.ID, ErrBalance, "more-looked-at-than-pieces", e.Checked, e.Pieces)
		}
		l.Pieces, l.Checked, l.Each, l.RecheckedMS = e.Pieces, e.Checked, e.Each && e.Pieces == 0, e.AtMS
	case Corrected:
		// What was weighed wrongly is set right on what is left; the difference is
		// kept in the balance.
		if e.Why == "" || e.Amount.IsNegative() {
			return refuse("corrected", l.ID, ErrMissing, "why-corrected", e.Amount, l.Left)
		}
		b.Out.Corrected = b.Out.Corrected.Add(e.Amount.Sub(l.Left))
		l.Left = e.Amount
	default:
		return refuse(string(e.Kind), l.ID, ErrMissing, "no-such-kind", e.Kind)
	}
	return nil
}

// Balance is what is left over when everything that came in is set against
// everything that went out and is still there: nothing, always.
func (b *Ledger) Balance() quantity.Amount {
	in := b.Out.Bagged.Add(b.Out.Added).Add(b.Out.Corrected)
	out := b.Out.Loss.Add(b.Out.Discarded).Add(b.Out.Eaten)
	for _, l := range b.lots {
		out = out.Add(l.Left)
	}
	return in.Sub(out)
}
