package evidence

import (
	"math"
	"math/rand/v2"
	"testing"

	"zestythicket/guide"
)

// TestOracle holds the engine to the plain rules over 1,000 random cases: every
// weight, every rule-out, every share of the standing, and what every check is worth.
func TestOracle(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	for n := 0; n < 1000; n++ {
		b := synthBook(r, 8+r.IntN(12), 8+r.IntN(10))
		synthWeights(r, b)
		ix, err := guide.Compile(b, guide.DefaultWeights())
		if err != nil {
			t.Fatal(err)
		}
		e := New(ix, StandardDefaults())
		f := synthFind(r, b, r.IntN(9))
		if r.IntN(4) == 0 {
			f.Profile.SignOffs = []SignOff{{Group: "g", By: "a teacher", Dangers: []string{b.Taxa[r.IntN(len(b.Taxa))].ID, b.Taxa[r.IntN(len(b.Taxa))].ID}}}
		}
		if !agree(t, e, newPlain(b, e.def), f) {
			t.Fatalf("case %d: engine and oracle differ", n)
		}
	}
}

// near allows for chances being kept in 32 bits.
func near(a, b float64) bool { return math.Abs(a-b) <= 2e-4*(1+math.Abs(a)) }

func agree(t *testing.T, e *Engine, p *plain, f *Find) bool {
	t.Helper()
	tr := e.trial(f, "s1")
	ok := true
	fail := func(format string, args ...any) {
		ok = false
		t.Errorf(format, args...)
	}
	share, open := p.standing(f, tr.rs, tr.sc.stages)
	if math.Abs(open-tr.st.notInGuide) > 1e-9 {
		fail("not in this guide: oracle %g, engine %g", open, tr.st.notInGuide)
	}
	ref := p.reference(f, share)
	if ref != tr.ref && (ref < 0 || tr.ref < 0 || math.Abs(share[ref]-share[tr.ref]) > 1e-12) {
		fail("weighed against another entry: %d, engine %d", ref, tr.ref)
	}
	sheet := p.sheet(f, tr.rs, &tr.sc, p.taxonAt(tr.ref))
	type rest struct {
		grade guide.Grade
		left  float64
	}
	left := map[int32]rest{}
	for i := range p.b.Taxa {
		tx := &p.b.Taxa[i]
		if math.Abs(share[i]-tr.st.share[i]) > 1e-9 {
			fail("share of %s: oracle %g, engine %g", tx.ID, share[i], tr.st.share[i])
		}
		g := tx.Hazards[0].Grade
		if g == 0 || tx.ID == f.Target {
			continue
		}
		_, sum, want := sheet.against(tx, g)
		tl := tr.tallies[i]
		if !near(sum, tl.sum) || !near(want, tl.left) || (want > 1e-3) != (tl.left > 1e-3) {
			fail("%s (grade %d): oracle %.4f, still needed %.4f; engine %.4f, %.4f", tx.ID, g, sum, want, tl.sum, tl.left)
		}
		if !tl.ruledOut {
			left[int32(i)] = rest{g, want}
		}
	}
	if !ok {
		return false
	}
	st := tr.stakes()
	worth := tr.worths(st)
	for k := range p.b.Traits {
		trait := &p.b.Traits[k]
		if trait.Kind == guide.Measure || trait.Class == guide.Circumstance || tr.byTrait[k] >= 0 || !tr.available(int32(k)) {
			continue
		}
		got := worth[e.ix.StateFrom[k]:e.ix.StateFrom[k+1]]
		for s := range trait.States {
			want := 0.0
			for i, x := range left {
				var form *guide.Form
				if row := tr.tallies[i].row; e.ix.Chances.Rows[row].Form >= 0 { // two forms may stand level
					form = &p.b.Taxa[i].Forms[e.ix.Chances.Rows[row].Form]
				}
				want += float64(x.grade) * (share[i] + 1/float64(len(left))) * x.left * sheet.worth(&p.b.Taxa[i], form, x.grade, trait, s)
			}
			if math.Abs(want-got[s]) > 1e-3*(1+math.Abs(want)) {
				fail("worth of %s=%s: oracle %g, engine %g", trait.ID, trait.States[s].ID, want, got[s])
			}
		}
	}
	return ok
}

// reference is what others are weighed against: the target, else the best-fitting
// entry that is not itself in question.
func (p *plain) reference(f *Find, share []float64) int32 {
	best := -1
	for i := range p.b.Taxa {
		if p.b.Taxa[i].ID == f.Target {
			return int32(i)
		}
		if best < 0 {
			best = i
		}
		a, b := p.b.Taxa[i].Hazards[0].Grade, p.b.Taxa[best].Hazards[0].Grade
		if a < b || a == b && share[i] > share[best] {
			best = i
		}
	}
	return int32(best)
}
