package evidence

import (
	"math"
	"math/rand/v2"
	"reflect"
	"testing"

	"zestythicket/guide"
)

// random makes an engine over a random guide and a find answered at random.
func random(t *testing.T, r *rand.Rand) (*Engine, *guide.Guide, *Find) {
	t.Helper()
	b := synthBook(r, 20+r.IntN(20), 12+r.IntN(10))
	synthWeights(r, b)
	ix, err := guide.Compile(b, guide.DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	return New(ix, StandardDefaults()), b, synthFind(r, b, 3+r.IntN(5))
}

func sums(e *Engine, f *Find) map[int32]float64 {
	tr := e.trial(f, "s1")
	out := map[int32]float64{}
	for _, d := range tr.danger {
		out[d] = math.Round(1e6 * tr.tallies[d].sum)
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

// A shaky answer, an answer of a kind that is no evidence, and circumstance never
// change what stands against an entry the target is weighed with.
func TestWhatNeverWeighs(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 2))
	for n := 0; n < 300; n++ {
		e, b, f := random(t, r)
		b.Misnamings, b.Mishaps = nil, nil // what settles or guards weighs by what it lets others do
		ix, err := guide.Compile(b, guide.DefaultWeights())
		if err != nil {
			t.Fatal(err)
		}
		e = New(ix, e.def)
		f.Target, f.Part, f.Prep = b.Taxa[0].ID, "leaf", "cooked" // without one, the standing chooses
		for i := range b.Taxa {
			for k := range b.Taxa[i].Forms {
				b.Taxa[i].Forms[k].Unless = nil
			}
		}
		before := sums(e, f)
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
		if after := sums(e, with(f, Event{Kind: Answered, Answer: a})); !reflect.DeepEqual(before, after) {
			t.Fatalf("%+v weighed something", a)
		}
	}
}

// One fact, whatever it is made of, never rules out a poisonous or deadly entry, nor do
// all the senses together; and one structural fact never rules out a deadly one.
func TestNoSingleFactRulesOut(t *testing.T) {
	d := StandardDefaults()
	r := rand.New(rand.NewPCG(4, 4))
	for n := 0; n < 20_000; n++ {
		one := []slotWeight{{pos: 200 * r.Float32(), structural: true, high: r.IntN(2) == 0}}
		var senses []slotWeight
		for i := r.IntN(9); i >= 0; i-- {
			senses = append(senses, slotWeight{pos: 200 * r.Float32(), high: r.IntN(2) == 0})
		}
		for g := guide.Poisonous; g <= guide.Deadly; g++ {
			if d.left(d.needs(g), d.total(one, false)) <= 0 {
				t.Fatalf("one fact rules out grade %d: %+v", g, one)
			}
			for _, taught := range []bool{false, true} {
				if d.left(d.needs(g), d.total(senses, taught)) <= 0 {
					t.Fatalf("the senses alone rule out grade %d", g)
				}
			}
		}
		if d.left(d.needs(guide.Deadly), d.total(append(senses, one...), true)) <= 0 {
			t.Fatalf("one structural fact and the senses rule out a deadly entry")
		}
	}
}

// What speaks for the entry is never capped, and always counts.
func TestAgainstTheForagerNothingIsCapped(t *testing.T) {
	d := StandardDefaults()
	r := rand.New(rand.NewPCG(9, 9))
	for n := 0; n < 1000; n++ {
		x := []slotWeight{{pos: 30, structural: true}, {pos: 30, structural: true}, {pos: 30}}
		before := d.total(x, false).sum
		x = append(x, slotWeight{neg: -100 * r.Float32(), structural: r.IntN(2) == 0})
		if after := d.total(x, false).sum; math.Abs(before+float64(x[3].neg)-after) > 1e-6 {
			t.Fatalf("%v took away %v", x[3].neg, before-after)
		}
	}
}

// A form can only make an entry harder to rule out.
func TestFormsNeverHelp(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	for n := 0; n < 200; n++ {
		e, b, f := random(t, r)
		f.Target, f.Part, f.Prep = b.Taxa[0].ID, "leaf", "cooked"
		with := e.trial(f, "s1")
		for i := range b.Taxa {
			b.Taxa[i].Forms = nil
		}
		ix, err := guide.Compile(b, guide.DefaultWeights())
		if err != nil {
			t.Fatal(err)
		}
		without := New(ix, e.def).trial(f, "s1")
		for _, d := range with.danger {
			if with.tallies[d].left < without.tallies[d].left-1e-6 {
				t.Fatalf("%s: %.3f still needed with its forms, %.3f without", b.Taxa[d].ID, with.tallies[d].left, without.tallies[d].left)
			}
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
		e, b, f := random(t, r)
		f.Target, f.Part, f.Prep = b.Taxa[0].ID, "leaf", "cooked"
		want := sums(e, f)
		st := e.trial(f, "s1").st.notInGuide
		g := *f
		g.Log = append([]Event(nil), f.Log...)
		r.Shuffle(len(g.Log)-1, func(i, j int) { g.Log[i+1], g.Log[j+1] = g.Log[j+1], g.Log[i+1] })
		for i := range g.Log {
			g.Log[i].Seq, g.Log[i].AtMS = int64(i+1), int64(i)*60_000
		}
		if got := sums(e, &g); !reflect.DeepEqual(got, want) {
			t.Fatalf("the order of answers changed a weight: %v, %v", want, got)
		}
		if d := e.trial(&g, "s1").st.notInGuide - st; d > 1e-12 || d < -1e-12 {
			t.Fatalf("the order of answers changed the standing by %g", d)
		}
	}
}
