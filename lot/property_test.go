package lot_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"zestythicket/lot"
)

// muddle does a few hundred random things in a kitchen, most of them refused.
func muddle(t *testing.T, seed uint64) *desk {
	d := newDesk(t)
	r := rand.New(rand.NewPCG(seed, 1))
	any := func() string {
		if all := d.b.Lots(); len(all) > 0 {
			return all[r.IntN(len(all))].ID
		}
		return "none"
	}
	gram := func(most int) string { return fmt.Sprintf("%d.%03d", r.IntN(most), r.IntN(1000)) }
	for i := range 250 {
		at := int64(1000 + i)
		switch r.IntN(9) {
		case 0, 1:
			e := bag(fmt.Sprintf("B%d", i), []string{"f1", "f2", "x1"}[r.IntN(3)], gram(500))
			e.AtMS, e.PickedMS, e.Basket = at, at-1, []string{"", "", "basket"}[r.IntN(3)]
			_ = d.try(e)
		case 2, 3, 4:
			// Weighed so that it adds up, if what is asked for is there at all.
			e := lot.Event{Kind: lot.Made, AtMS: at, Loss: g(gram(3)), Discard: g(gram(3)), Added: g(gram(20))}
			sum := e.Added
			for range 1 + r.IntN(3) {
				p := lot.Portion{Lot: any(), Amount: g(gram(80))}
				e.From = append(e.From, p)
				sum = sum.Add(p.Amount)
			}
			rest := sum.Sub(e.Loss).Sub(e.Discard)
			for k := range r.IntN(2) {
				p := lot.Portion{Lot: fmt.Sprintf("M%d-%d", i, k), Amount: g(gram(15)), Form: lot.Forms[r.IntN(len(lot.Forms))]}
				e.To = append(e.To, p)
				rest = rest.Sub(p.Amount)
			}
			e.To = append(e.To, lot.Portion{Lot: fmt.Sprintf("M%d", i), Amount: rest, Form: "cooked"})
			_ = d.try(e)
		case 5:
			_ = d.try(lot.Event{Kind: lot.Threw, Lot: any(), Amount: g(gram(40)), AtMS: at})
		case 6:
			id := any()
			for _, e := range []lot.Event{{Kind: lot.Looked, Lot: id, By: "x", AtMS: at}, {Kind: lot.Sampled, Lot: id, AtMS: at}} {
				_ = d.try(e)
			}
		case 7:
			_ = d.try(ate(any(), []string{"Rue", "Tansy"}[r.IntN(2)], gram(15), at, r.IntN(2) == 0))
		case 8:
			_ = d.try(lot.Event{Kind: lot.Corrected, Lot: any(), Amount: g(gram(100)), Why: "weighed again", AtMS: at})
		}
	}
	return d
}

// Whatever is done, what came in is what went out and what is left, to the last
// digit, and nothing is ever less than nothing.
func TestMassBalance(t *testing.T) {
	made, eaten := 0, 0
	for seed := range uint64(120) {
		d := muddle(t, seed)
		if !d.b.Balance().IsZero() {
			t.Fatalf("seed %d: %s g too much", seed, d.b.Balance())
		}
		for _, l := range d.b.Lots() {
			if l.Left.IsNegative() {
				t.Fatalf("seed %d: %s g left in %s", seed, l.Left, l.ID)
			}
			made += len(l.Parents)
		}
		eaten += len(d.b.Servings)
		// Read back from its lines the book is the same.
		again, err := lot.Replay(lot.Standard(), d.log)
		if err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		for _, l := range d.b.Lots() {
			if m, ok := again.Lot(l.ID); !ok || !m.Left.Equal(l.Left) || m.Rev != l.Rev || !slices.Equal(m.Parents, l.Parents) || !slices.Equal(m.Done, l.Done) {
				t.Fatalf("seed %d: %+v read back as %+v", seed, l, m)
			}
		}
	}
	if made < 1000 || eaten < 20 {
		t.Errorf("only %d makings and %d servings were tried", made, eaten)
	}
}

// The trace is complete both ways: what leads forward leads back, every lot goes
// back to bags, and whoever ate of a lot is found from each of its bags.
func TestTraceBothWays(t *testing.T) {
	for seed := range uint64(60) {
		d := muddle(t, seed)
		for _, x := range d.b.Lots() {
			if len(d.b.Bags(x.ID)) == 0 {
				t.Fatalf("seed %d: %s is an orphan", seed, x.ID)
			}
			for _, y := range d.b.Lots() {
				if slices.Contains(d.b.TraceForward(x.ID), y.ID) != slices.Contains(d.b.TraceBack(y.ID), x.ID) {
					t.Fatalf("seed %d: %s and %s know each other one way only", seed, x.ID, y.ID)
				}
			}
		}
		for _, s := range d.b.Servings {
			for _, bag := range d.b.Bags(s.Lot) {
				if !slices.Contains(d.b.Eaters(d.b.TraceForward(bag)), s) {
					t.Fatalf("seed %d: %s ate of %s and is not found from %s", seed, s.Person, s.Lot, bag)
				}
				b, _ := d.b.Lot(bag)
				if !slices.Contains(d.b.Eaters(d.b.OfFind(b.Find)), s) {
					t.Fatalf("seed %d: %s is not found from the find %s", seed, s.Person, b.Find)
				}
			}
		}
	}
}

// A hold on a lot reaches everything made from it, everything it was made from,
// and what lay in one basket with those; and no clock takes it off: nothing held
// is made into anything, or eaten, however late it is.
func TestHoldsReach(t *testing.T) {
	for seed := range uint64(60) {
		d := muddle(t, seed)
		all := d.b.Lots()
		r := rand.New(rand.NewPCG(seed, 2))
		x := all[r.IntN(len(all))]
		d.do(lot.Event{Kind: lot.Held, Lot: x.ID, Why: "a stray was found", AtMS: 10_000})
		want := map[string]bool{}
		for _, bag := range d.b.Bags(x.ID) {
			for _, l := range d.b.TraceForward(bag) {
				want[l] = true
			}
			home, _ := d.b.Lot(bag)
			for _, y := range all {
				if home.Basket != "" && y.Basket == home.Basket {
					for _, l := range d.b.TraceForward(y.ID) {
						want[l] = true
					}
				}
			}
		}
		for _, l := range all {
			held := len(d.b.HoldsOn(l.ID)) > 0
			if want[l.ID] && !held {
				t.Fatalf("seed %d: %s was held and %s is not", seed, x.ID, l.ID)
			}
			if !want[l.ID] && held {
				t.Fatalf("seed %d: %s has nothing to do with %s and is held", seed, l.ID, x.ID)
			}
			if !held || l.Empty() {
				continue
			}
			late := int64(1) << 50
			if d.try(ate(l.ID, "Rue", "0.001", late, true)) == nil || d.try(made(late, []lot.Portion{{Lot: l.ID, Amount: g("0.001")}}, []lot.Portion{{Lot: "late", Amount: g("0.001"), Form: "dried"}}, "0")) == nil {
				t.Fatalf("seed %d: %s is held and was used", seed, l.ID)
			}
		}
		d.do(lot.Event{Kind: lot.Freed, Lot: x.ID, By: "Rue", Why: "looked at again", AtMS: 20_000})
		for _, l := range all {
			if len(d.b.HoldsOn(l.ID)) > 0 {
				t.Fatalf("seed %d: %s is still held", seed, l.ID)
			}
		}
	}
}
