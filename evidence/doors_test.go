package evidence

import (
	"math/rand/v2"
	"testing"

	"zestythicket/guide"
)

// Only a look made as the guide describes counts as one: neither another way, nor
// somebody else, nor a look that saw something else.
func TestOnlyTheGuidesMethodCounts(t *testing.T) {
	b := &guide.Guide{Traits: []guide.Trait{{ID: "edge", Kingdom: guide.Plant, Kind: guide.States, Class: guide.Structural, Exclusive: true, Absent: -1, Part: guide.Leaf,
		Stages: guide.AllPlantStages, States: []guide.State{{ID: "smooth"}, {ID: "toothed"}, {ID: "lobed"}}}}}
	ix, err := guide.Compile(b, guide.DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	e := New(ix, StandardDefaults())
	type look struct{ state, method string }
	for name, c := range map[string]struct {
		looks []look
		want  bool
	}{
		"no method":                      {[]look{{"smooth", ""}}, false},
		"by the guide":                   {[]look{{"smooth", ByTheGuide}}, true},
		"by somebody else":               {[]look{{"smooth", "by somebody else"}}, false},
		"confirmed by the guide":         {[]look{{"smooth", ""}, {"smooth", ByTheGuide}}, true},
		"by the guide, then another way": {[]look{{"smooth", ByTheGuide}, {"smooth", "another way"}}, true},
		"by the guide, and not settled":  {[]look{{"smooth", ByTheGuide}, {"toothed", "another way"}}, false},
		"settled against the guide's":    {[]look{{"smooth", ByTheGuide}, {"toothed", ""}, {"toothed", "by somebody else"}}, false},
	} {
		f := &Find{Intent: Record, Kingdom: guide.Plant, Specimens: []Specimen{{ID: "s1"}}}
		for _, l := range c.looks {
			f = with(f, Event{Kind: Answered, Answer: Answer{Trait: "edge", Kind: Seen, States: []string{l.state}, Method: l.method}})
		}
		rs, _ := e.readings(f, "s1")
		if len(rs) != 1 || rs[0].Guided != c.want {
			t.Errorf("%s: %+v, want guided %v", name, rs, c.want)
		}
	}
	// A tap that corrects a slip takes the place of the look before it.
	f := with(&Find{Intent: Record, Kingdom: guide.Plant, Specimens: []Specimen{{ID: "s1"}}}, Event{Kind: Answered, Answer: Answer{Trait: "edge", Kind: Seen, States: []string{"smooth"}, Method: ByTheGuide}})
	f = with(f, Event{Kind: Answered, Answer: Answer{Trait: "edge", Kind: Seen, States: []string{"smooth"}}})
	f.Log[1].AtMS = f.Log[0].AtMS + 2000
	if rs, _ := e.readings(f, "s1"); rs[0].Guided {
		t.Error("a slip that was corrected still counts")
	}
}

// The second door opens to who was taught this danger of this group in person, by
// somebody with a name, and to nobody else.
func TestWhoIsTaught(t *testing.T) {
	b := synthBook(rand.New(rand.NewPCG(8, 8)), 6, 6)
	b.Taxa[2].HardGroups = []string{"carrots"}
	ix, err := guide.Compile(b, guide.DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	e := New(ix, StandardDefaults())
	danger := b.Taxa[2].ID
	for name, c := range map[string]struct {
		so   SignOff
		want bool
	}{
		"this danger":           {SignOff{Group: "carrots", By: "Hedda", Dangers: []string{danger}}, true},
		"the group alone":       {SignOff{Group: "carrots", By: "Hedda"}, false},
		"another danger":        {SignOff{Group: "carrots", By: "Hedda", Dangers: []string{b.Taxa[3].ID}}, false},
		"another group":         {SignOff{Group: "lilies", By: "Hedda", Dangers: []string{danger}}, false},
		"by nobody with a name": {SignOff{Group: "carrots", Dangers: []string{danger}}, false},
	} {
		f := synthFind(rand.New(rand.NewPCG(9, 9)), b, 2)
		f.Profile.SignOffs = []SignOff{c.so}
		if got := e.trial(f, "s1").taught(2); got != c.want {
			t.Errorf("%s: taught %v, want %v", name, got, c.want)
		}
	}
	d := e.def
	senses := []slotWeight{{pos: 20}, {pos: 20}, {pos: 20}}
	if anyone, taught := d.total(senses, false).sum, d.total(senses, true).sum; anyone != d.SensoryMost || taught != d.SensoryTaught {
		t.Errorf("the senses weigh %g, taught %g", anyone, taught)
	}
}

// A third of what is needed clips a thorn, a part of a third nicks the next, and the last
// stands until the whole rule is met.
func TestThorns(t *testing.T) {
	for _, c := range []struct {
		sum, need float64
		left      int
		nick      float64
	}{{-20, 60, 3, 0}, {0, 60, 3, 0}, {10, 60, 3, 0.5}, {20, 60, 2, 0}, {35, 60, 2, 0.75}, {40, 60, 1, 0}, {55, 60, 1, 0.75}, {60, 60, 1, 1}, {90, 60, 1, 1}} {
		if left, nick := thorns(c.sum, c.need); left != c.left || nick != c.nick {
			t.Errorf("%g of %g: %d left, nick %g, want %d, %g", c.sum, c.need, left, nick, c.left, c.nick)
		}
	}
}

// One mishap joins what it misleads into one fact, unless its guard was answered or the
// look was at the growing plant.
func TestTies(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 12))
	for name, c := range map[string]struct {
		tie     guide.Tie
		growing bool // spares what was read on the growing plant
		guarded bool
		loose   bool
		want    int // facts of two answers that it misleads
	}{
		"never":                     {guide.TiesNothing, false, false, false, 2},
		"unguarded":                 {guide.TiesUnguarded, false, false, false, 1},
		"guarded":                   {guide.TiesUnguarded, false, true, false, 2},
		"always, guarded":           {guide.TiesAlways, false, true, false, 1},
		"spared, growing":           {guide.TiesAlways, true, false, false, 2},
		"spared, but it was picked": {guide.TiesAlways, true, false, true, 1},
	} {
		b := synthBook(r, 4, 0)
		for _, id := range []string{"a", "b", "guard"} {
			b.Traits = append(b.Traits, guide.Trait{ID: id, Kingdom: guide.Plant, Kind: guide.States, Class: guide.Structural, Exclusive: true, Absent: -1, Part: guide.Leaf, Stages: guide.AllPlantStages,
				States: []guide.State{{ID: "s0"}, {ID: "s1"}}})
		}
		b.Mishaps = []guide.Mishap{{ID: "m", Ties: c.tie, Growing: c.growing, Guard: []guide.TraitState{{Trait: "guard", State: 0}}, Misled: []guide.Misread{{Reads: guide.TraitState{Trait: "a", State: 0}}, {Reads: guide.TraitState{Trait: "b", State: 1}}}}}
		for i := range b.Taxa {
			b.Taxa[i].Cells = []guide.Cell{{Trait: "a", Variants: []guide.Variant{{Stages: guide.AllPlantStages, Kind: guide.Described, Freq: []guide.Frequency{guide.Usually, guide.Rarely}}}}}
			b.Taxa[i].Key, b.Taxa[i].Hazards = nil, []guide.Hazard{{Grade: guide.NoHazard}}
		}
		ix, err := guide.Compile(b, guide.DefaultWeights())
		if err != nil {
			t.Fatal(err)
		}
		f := &Find{Intent: Eat, Kingdom: guide.Plant, Target: b.Taxa[0].ID, Part: "leaf", Prep: "cooked", Place: Place{Region: "EU"}, Specimens: []Specimen{{ID: "s1"}}}
		f = with(f, Event{Kind: Staged, Stages: guide.NewStageSet(guide.LeafStage)})
		f = with(f, Event{Kind: Answered, Answer: Answer{Trait: "a", Kind: Seen, States: []string{"s0"}, Detached: c.loose}})
		f = with(f, Event{Kind: Answered, Answer: Answer{Trait: "b", Kind: Seen, States: []string{"s1"}, Detached: c.loose}})
		state := "s1"
		if c.guarded {
			state = "s0"
		}
		f = with(f, Event{Kind: Answered, Answer: Answer{Trait: "guard", Kind: Seen, States: []string{state}}})
		tr := New(ix, StandardDefaults()).trial(f, "s1")
		slots := map[int32]bool{}
		for i := range tr.voices {
			if id := b.Traits[tr.voices[i].trait].ID; id == "a" || id == "b" {
				slots[tr.voices[i].slot] = true
			}
		}
		if len(slots) != c.want {
			t.Errorf("%s: %d facts, want %d", name, len(slots), c.want)
		}
	}
}
