package lot

import (
	"maps"
	"slices"

	"zestythicket/quantity"
)

type felt struct{ person, kind string }

// index is what is asked of a ledger again and again, worked out once. It is dropped
// with every change.
type index struct {
	servings map[string][]int    // by lot, into Servings
	baskets  map[string][]string // bags, by basket, in their order
	holds    map[string][]Hold   // by lot, of every lot that is held
	felt     map[felt][]int      // by person and kind, into Feelings
}

func (b *Ledger) indexed() *index {
	if b.idx != nil {
		return b.idx
	}
	x := &index{servings: map[string][]int{}, baskets: map[string][]string{}, felt: map[felt][]int{}}
	for i := range b.Servings {
		x.servings[b.Servings[i].Lot] = append(x.servings[b.Servings[i].Lot], i)
	}
	for i := range b.Feelings {
		f := &b.Feelings[i]
		x.felt[felt{f.Person, f.Kind}] = append(x.felt[felt{f.Person, f.Kind}], i)
	}
	for _, id := range b.order {
		if l := b.lots[id]; l.Basket != "" && len(l.Parents) == 0 {
			x.baskets[l.Basket] = append(x.baskets[l.Basket], id)
		}
	}
	b.idx = x
	x.holds = b.allHolds()
	return x
}

// FeltAfter is what was said last of a kind by whoever ate of it, after they did; empty
// when nothing was.
func (b *Ledger) FeltAfter(s *Serving) string {
	at := b.indexed().felt[felt{s.Person, s.Kind}]
	for _, i := range slices.Backward(at) {
		if f := &b.Feelings[i]; f.Seq > s.Seq {
			return f.Outcome
		}
	}
	return ""
}

// allHolds goes from each lot on which a hold was laid to those that it stops, in the
// order in which the lots were made.
func (b *Ledger) allHolds() map[string][]Hold {
	out := map[string][]Hold{}
	for _, id := range b.order {
		l := b.lots[id]
		if len(l.Holds) == 0 {
			continue
		}
		made := map[string]bool{}
		for _, m := range b.TraceForward(id) {
			made[m] = true
		}
		for _, other := range b.Affected(id) {
			for _, h := range l.Holds {
				if made[other] || !h.Unlooked {
					out[other] = append(out[other], h)
				}
			}
		}
	}
	return out
}

// Clone is a ledger of its own that says the same.
func (b *Ledger) Clone() *Ledger {
	out := &Ledger{Rules: b.Rules, lots: make(map[string]*Lot, len(b.lots)), order: slices.Clip(b.order), Servings: slices.Clip(b.Servings), Feelings: slices.Clip(b.Feelings), Out: b.Out, seq: b.seq}
	all := make([]Lot, len(b.order))
	for i, id := range b.order {
		l := &all[i]
		*l = *b.lots[id]
		l.Parents, l.Children, l.Done, l.Holds = slices.Clip(l.Parents), slices.Clip(l.Children), slices.Clip(l.Done), slices.Clip(l.Holds)
		if len(l.Running) > 0 {
			l.Running = maps.Clone(l.Running)
		} else {
			l.Running = nil
		}
		out.lots[id] = l
	}
	return out
}

// Play adds an event that was stored, or says why it contradicts the others; then
// nothing has changed.
func (b *Ledger) Play(e *Event) error { return b.apply(e) }

// YieldKey names what a yield is of: a kind, and the form it was brought into.
type YieldKey struct{ Kind, Form string }

// YieldSum is what went in and came out, and in how many makings.
type YieldSum struct {
	In, Out quantity.Amount
	Makings int
}

// Ratio is how much comes of a gram.
func (y YieldSum) Ratio() quantity.Amount { return y.Out.DivRound(y.In, 4) }

// YieldTable sums yields from the record.
type YieldTable map[YieldKey]YieldSum

// Add adds an event. Makings to which something was added, or of more forms than one,
// say nothing of a yield.
func (t YieldTable) Add(e *Event, b *Ledger) {
	if e.Kind != Made || len(e.From) == 0 || !e.Added.IsZero() {
		return
	}
	l, ok := b.lots[e.From[0].Lot]
	form := e.To[0].Form
	if !ok || l.Form == form || slices.ContainsFunc(e.To, func(p Portion) bool { return p.Form != form }) {
		return
	}
	key := YieldKey{l.Kind(), form}
	y := t[key]
	for _, p := range e.From {
		y.In = y.In.Add(p.Amount)
	}
	for _, p := range e.To {
		y.Out = y.Out.Add(p.Amount)
	}
	y.Makings++
	t[key] = y
}
