package evidence

import (
	"math/rand/v2"
	"reflect"
	"testing"

	"zestythicket/guide"
)

// random makes an engine over a random guide and a find answered at random.
func random(t *testing.T, r *rand.Rand) (*Engine, *guide.Guide, *Find) {
	t.Helper()
	b := synthBook(r, 20+r.IntN(20), 12+r.IntN(10))
	ix, err := guide.Compile(b, guide.DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	return New(ix, StandardDefaults()), b, synthFind(r, b, 3+r.IntN(5))
}

func depths(e *Engine, f *Find) map[int32]int8 {
	tr := e.trial(f, "s1")
	out := map[int32]int8{}
	for _, d := range tr.danger {
		out[d] = tr.tallies[d].depth
	}
	return out
}

func unanswered(r *rand.Rand, b *guide.Guide, f *Find, ok func(*guide.Trait) bool) *guide.Trait {
	for _, k := range r.Perm(len(b.Traits)) {
		tr := &b.Traits[k]
		used := tr.Kind == guide.Measure || !ok(tr)
		for i := range f.Log {
			used = used || f.Log[i].Answer.Trait == tr.ID
		}
		if !used {
			return tr
		}
	}
	return nil
}

func with(f *Find, ev Event) *Find {
	g := *f
	ev.Seq, ev.AtMS, ev.Specimen = int64(len(f.Log)+1), int64(len(f.Log)+1)*60_000, "s1"
	g.Log = append(append([]Event(nil), f.Log...), ev)
	return &g
}

func anyTrait(*guide.Trait) bool { return true }

// A further answer on another trait never lowers a depth, fitting or not.
func TestMoreEvidenceNeverLowersADepth(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 1))
	for n := 0; n < 300; n++ {
		e, b, f := random(t, r)
		tr := unanswered(r, b, f, anyTrait)
		if tr == nil {
			continue
		}
		before := depths(e, f)
		after := depths(e, with(f, Event{Kind: Answered, Answer: Answer{Trait: tr.ID, Kind: Seen, States: []string{tr.States[r.IntN(len(tr.States))].ID}, Minutes: 1e6}}))
		for d, was := range before {
			if after[d] < was {
				t.Fatalf("an answer on %s lowered the depth of %s from %d to %d", tr.ID, b.Taxa[d].ID, was, after[d])
			}
		}
	}
}

// A shaky answer, an answer of a kind that is no evidence, and circumstance
// never change a depth.
func TestWhatNeverChangesADepth(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 2))
	for n := 0; n < 300; n++ {
		e, b, f := random(t, r)
		before := depths(e, f)
		a := Answer{Kind: Seen, Minutes: 1e6, Unsure: true}
		want := anyTrait
		switch n % 3 {
		case 1:
			a = Answer{Kind: []AnswerKind{NotInspected, NotNow, NotHere, Damaged, Spoilt, CantTell, Reported, Unsafe}[r.IntN(8)]}
		case 2:
			a.Unsure = false
			want = func(t *guide.Trait) bool { return t.Class == guide.Circumstance }
		}
		tr := unanswered(r, b, f, want)
		if tr == nil {
			continue
		}
		a.Trait, a.States = tr.ID, []string{tr.States[0].ID}
		if after := depths(e, with(f, Event{Kind: Answered, Answer: a})); !reflect.DeepEqual(before, after) {
			t.Fatalf("%+v changed a depth", a)
		}
	}
}

// Unknown cells never contradict: with every cell of a taxon unknown, nothing
// stands against it.
func TestUnknownNeverContradicts(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	for n := 0; n < 100; n++ {
		b := synthBook(r, 20, 12)
		for c := range b.Taxa[0].Cells {
			b.Taxa[0].Cells[c].Variants = []guide.Variant{{Stages: guide.AllPlantStages, Kind: guide.Unknown, Why: "nobody knows"}}
		}
		ix, err := guide.Compile(b, guide.DefaultWeights())
		if err != nil {
			t.Fatal(err)
		}
		tr := New(ix, StandardDefaults()).trial(synthFind(r, b, 8), "s1")
		if tr.sheet.counts[0] != 0 {
			t.Fatalf("unknown cells gave %d contradictions", tr.sheet.counts[0])
		}
	}
}

// One act never yields two steps; sensory steps count once; a deadly entry is
// never cut back in one structural part without a decisive pair.
func TestStepsAreIndependent(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	parts := []guide.Part{guide.Leaf, guide.Stem, guide.RootBase}
	for n := 0; n < 20_000; n++ {
		es := make([]edge, r.IntN(8))
		for i := range es {
			es[i] = edge{group: int32(r.IntN(5)), act: int32(r.IntN(4)), part: parts[r.IntN(3)], class: guide.Class(1 + r.IntN(2))}
			es[i].decisive = es[i].class == guide.Structural && r.IntN(4) == 0
		}
		acts, groups, structural, structuralParts := map[int32]bool{}, map[int32]bool{}, 0, map[guide.Part]bool{}
		sensory := 0
		for i := range es {
			acts[es[i].act], groups[es[i].group] = true, true
			if es[i].class == guide.Structural {
				structural++
				structuralParts[es[i].part] = true
			} else {
				sensory = 1
			}
		}
		for g := guide.Unpleasant; g <= guide.Deadly; g++ {
			tl := need{grade: g}.count(es)
			if d := int(tl.depth); d > len(acts) || d > len(groups) || d > structural+sensory {
				t.Fatalf("depth %d from %d acts, %d groups, %d structural: %+v", d, len(acts), len(groups), structural, es)
			}
			if g == guide.Deadly && tl.ruledOut && len(structuralParts) < 2 {
				t.Fatalf("a deadly entry was cut back in one part: %+v", es)
			}
			if tl.ruledOut != (tl.remaining == 0) {
				t.Fatalf("ruled out %v with %d to go", tl.ruledOut, tl.remaining)
			}
		}
	}
}

// The rule for deadly entries, case by case.
func TestDeadlyRule(t *testing.T) {
	s := func(group, act int32, part guide.Part) edge {
		return edge{group: group, act: act, part: part, class: guide.Structural}
	}
	d := func(e edge) edge { e.decisive = true; return e }
	sense := edge{group: 9, act: 9, part: guide.Flesh, class: guide.Sensory}
	for name, c := range map[string]struct {
		es  []edge
		out bool
	}{
		"three structural in two parts":                 {[]edge{s(1, 1, guide.Leaf), s(2, 2, guide.Leaf), s(3, 3, guide.Stem)}, true},
		"three structural in one part":                  {[]edge{s(1, 1, guide.Leaf), s(2, 2, guide.Leaf), s(3, 3, guide.Leaf)}, false},
		"two parts and a sense":                         {[]edge{s(1, 1, guide.Leaf), s(2, 2, guide.Stem), sense}, true},
		"one part and a sense":                          {[]edge{s(1, 1, guide.Leaf), s(2, 2, guide.Leaf), sense}, false},
		"two decisive in two parts":                     {[]edge{d(s(1, 1, guide.Leaf)), d(s(2, 2, guide.Stem))}, true},
		"two decisive of one act":                       {[]edge{d(s(1, 1, guide.Leaf)), d(s(2, 1, guide.Stem))}, false},
		"two decisive of one group":                     {[]edge{d(s(1, 1, guide.Leaf)), d(s(1, 2, guide.Stem))}, false},
		"two decisive in one part":                      {[]edge{d(s(1, 1, guide.Leaf)), d(s(2, 2, guide.Leaf))}, false},
		"the other part shares its act with both":       {[]edge{s(1, 1, guide.Leaf), s(2, 2, guide.Leaf), s(3, 3, guide.Leaf), s(4, 1, guide.Stem)}, true},
		"the other part only by a group used elsewhere": {[]edge{s(1, 1, guide.Leaf), s(2, 2, guide.Leaf), s(1, 3, guide.Stem)}, false},
	} {
		if got := (need{grade: guide.Deadly, pair: true}).count(c.es).ruledOut; got != c.out {
			t.Errorf("%s: ruled out %v, want %v", name, got, c.out)
		}
	}
}

// Undo restores the verdict exactly.
func TestUndoRestores(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 5))
	for n := 0; n < 200; n++ {
		e, b, f := random(t, r)
		tr := unanswered(r, b, f, anyTrait)
		if tr == nil {
			continue
		}
		before := e.Judge(f, "s1")
		g := with(f, Event{Kind: Answered, Answer: Answer{Trait: tr.ID, Kind: Seen, States: []string{tr.States[0].ID}, Minutes: 1e6}})
		g = with(g, Event{Kind: Undone, Undoes: int64(len(g.Log))})
		if after := e.Judge(g, "s1"); !reflect.DeepEqual(before, after) {
			t.Fatalf("undo of %s did not restore the judgement", tr.ID)
		}
	}
}

// Between two handling events the order of answers doesn't matter.
func TestOrderDoesNotMatter(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 6))
	for n := 0; n < 200; n++ {
		e, _, f := random(t, r)
		want := depths(e, f)
		st := e.trial(f, "s1").st.notInGuide
		g := *f
		g.Log = append([]Event(nil), f.Log...)
		r.Shuffle(len(g.Log)-1, func(i, j int) { g.Log[i+1], g.Log[j+1] = g.Log[j+1], g.Log[i+1] })
		for i := range g.Log {
			g.Log[i].Seq, g.Log[i].AtMS = int64(i+1), int64(i)*60_000
		}
		if got := depths(e, &g); !reflect.DeepEqual(got, want) {
			t.Fatalf("the order of answers changed a depth")
		}
		if d := e.trial(&g, "s1").st.notInGuide - st; d > 1e-12 || d < -1e-12 {
			t.Fatalf("the order of answers changed the standing by %g", d)
		}
	}
}
