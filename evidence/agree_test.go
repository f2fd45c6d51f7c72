package evidence

import (
	"math"
	"math/rand/v2"
	"testing"

	"zestythicket/guide"
)

// TestOracle holds the engine to the plain rules over 1,200 random cases: every
// depth, every rule-out, every share of the standing, and the danger part of the
// worth of every check.
func TestOracle(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	for n := 0; n < 1200; n++ {
		b := synthBook(r, 12+r.IntN(20), 8+r.IntN(12))
		ix, err := guide.Compile(b, guide.DefaultWeights())
		if err != nil {
			t.Fatal(err)
		}
		e := New(ix, StandardDefaults())
		f := synthFind(r, b, r.IntN(9))
		p := &plain{b, guide.DefaultWeights(), e.def}
		if !agree(t, e, p, f) {
			t.Fatalf("case %d: engine and oracle differ", n)
		}
	}
}

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
	type state struct {
		steps     []plainStep
		remaining int
	}
	rest := map[int32]state{}
	for i := range p.b.Taxa {
		if math.Abs(share[i]-tr.st.share[i]) > 1e-9 {
			fail("share of %s: oracle %g, engine %g", p.b.Taxa[i].ID, share[i], tr.st.share[i])
		}
		g := p.b.Taxa[i].Hazards[0].Grade
		if g == 0 || p.b.Taxa[i].ID == f.Target {
			continue
		}
		steps := p.steps(&p.b.Taxa[i], tr.rs, tr.sc.eff, g)
		depth, out, remaining := p.count(steps, g, p.pair(&p.b.Taxa[i]))
		tl := tr.tallies[i]
		if depth != int(tl.depth) || out != tl.ruledOut || remaining != int(tl.remaining) {
			fail("%s (grade %d): oracle depth %d out %v rest %d, engine %d %v %d; steps %+v", p.b.Taxa[i].ID, g, depth, out, remaining, tl.depth, tl.ruledOut, tl.remaining, steps)
		}
		if !out {
			rest[int32(i)] = state{steps, remaining}
		}
	}
	if len(rest) != len(tr.open) {
		fail("open entries: oracle %d, engine %d", len(rest), len(tr.open))
	}
	// The worth of every check against the open entries.
	worth := tr.worths(tr.gains())
	for k := range p.b.Traits {
		trait := &p.b.Traits[k]
		if trait.Kind == guide.Measure || trait.Class == guide.Circumstance || tr.byTrait[k] >= 0 {
			continue
		}
		got := worth[e.ix.StateFrom[k]:e.ix.StateFrom[k+1]]
		for s := range trait.States {
			want := 0.0
			for i, st := range rest {
				tx := &p.b.Taxa[i]
				hit, dec := p.contradicts(tx, trait, &Reading{Kind: Seen, Mask: 1 << s}, tr.sc.eff)
				if !hit {
					continue
				}
				grade := tx.Hazards[0].Grade
				steps := append(st.steps[:len(st.steps):len(st.steps)], p.step(trait, trait, dec, grade))
				_, _, after := p.count(steps, grade, p.pair(tx))
				want += float64(grade) * (share[i] + 1/float64(len(rest))) * float64(st.remaining-after)
			}
			if math.Abs(want-got[s]) > 1e-9 {
				fail("worth of %s=%s: oracle %g, engine %g", trait.ID, trait.States[s].ID, want, got[s])
			}
		}
	}
	return ok
}
