package evidence_test

import (
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// find is a target-less look at a plant in leaf.
func bare(events ...evidence.Event) *evidence.Find {
	f := &evidence.Find{Intent: evidence.Eat, Target: "allium-ursinum", Part: "leaf", Prep: "cooked", Place: evidence.Place{Region: "EU"}, Specimens: []evidence.Specimen{{ID: "s1"}}}
	add(f, evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(guide.LeafStage)})
	for _, ev := range events {
		add(f, ev)
	}
	return f
}

func saw(trait, state string, more ...func(*evidence.Answer)) evidence.Event {
	a := evidence.Answer{Trait: trait, Kind: evidence.Seen, States: []string{state}, Count: 3}
	for _, m := range more {
		m(&a)
	}
	return evidence.Event{Kind: evidence.Answered, Answer: a}
}

func again(how string) func(*evidence.Answer) { return func(a *evidence.Answer) { a.Method = how } }

func reading(t *testing.T, e *evidence.Engine, f *evidence.Find, trait string) evidence.Reading {
	t.Helper()
	at, ok := e.Index().TraitAt(trait)
	if !ok {
		t.Fatalf("no trait %s", trait)
	}
	for _, r := range e.Judge(f, "s1").Readings {
		if r.Trait == at && r.By < 0 {
			return r
		}
	}
	t.Fatalf("%s was not read", trait)
	return evidence.Reading{}
}

// Two readings that differ count nothing, however often the wanted one is
// tapped, until a new look with its method; undo does not get round it.
func TestTwoReadings(t *testing.T) {
	e := engineOf(t, "")
	at := func(f *evidence.Find, ms int64) *evidence.Find { f.Log[len(f.Log)-1].AtMS = ms; return f }
	check := func(name string, f *evidence.Find, want evidence.Soundness) {
		t.Helper()
		if r := reading(t, e, f, "leaf-stalk-section"); r.Soundness != want {
			t.Errorf("%s: %s, want %s", name, r.Soundness, want)
		}
	}
	round, flat := saw("leaf-stalk-section", "round"), saw("leaf-stalk-section", "flat-two-edges")
	check("one reading", bare(round), evidence.Sound)
	check("changed after a while", bare(round, flat), evidence.Conflicting)
	check("tapped until it passes", bare(round, flat, flat, flat), evidence.Conflicting)
	f := bare(round, flat)
	check("changed at once: a slip", at(f, f.Log[len(f.Log)-2].AtMS+2000), evidence.Sound)
	check("a new look with its method", bare(round, flat, saw("leaf-stalk-section", "flat-two-edges", again("cut it again"))), evidence.Sound)
	check("through a vague answer", bare(round, evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: "leaf-stalk-section", Kind: evidence.AnyOf, States: []string{"round", "flat-two-edges"}}}, flat), evidence.Conflicting)
	f = bare(round)
	add(f, evidence.Event{Kind: evidence.Undone, Undoes: int64(len(f.Log))})
	add(f, flat)
	check("taken back late and answered otherwise", f, evidence.Conflicting)
	f = bare(round)
	add(f, evidence.Event{Kind: evidence.Undone, Undoes: int64(len(f.Log))})
	f.Log[len(f.Log)-1].AtMS = f.Log[len(f.Log)-2].AtMS + 1000
	add(f, flat)
	check("taken back at once", f, evidence.Sound)
	check("cannot tell after a reading", bare(round, evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: "leaf-stalk-section", Kind: evidence.CantTell}}), evidence.Conflicting)
}

// Every spoiler makes a reading shaky and nothing else does.
func TestSpoilers(t *testing.T) {
	e := engineOf(t, "")
	plant := func(events ...evidence.Event) *evidence.Find { return bare(events...) }
	fungus := func(events ...evidence.Event) *evidence.Find {
		f := &evidence.Find{Intent: evidence.Record, Kingdom: guide.Fungus, Place: evidence.Place{Region: "EU"}, Specimens: []evidence.Specimen{{ID: "s1"}}}
		add(f, evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(guide.Mature)})
		for _, ev := range events {
			add(f, ev)
		}
		return f
	}
	whole, intact := saw("base-as-it-came-out", "whole"), saw("condition", "intact")
	none := evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: "volva", Kind: evidence.Absent}}
	noRing := evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: "ring", Kind: evidence.Absent}}
	print := func(minutes float64, paper string) evidence.Event {
		return saw("spore-print", "white", func(a *evidence.Answer) { a.Minutes, a.Paper = minutes, paper })
	}
	colour := fungus(saw("gill-colour", "white"))
	colour.Profile.ColourDiffers = true
	cold := plant(saw("smell-crushed", "garlic"))
	cold.Profile.SmellWeak = true
	hands := plant(saw("smell-crushed", "garlic"))
	hands.Hands = []string{"garlic"}
	masked := plant(saw("smell-crushed", "green"))
	masked.Hands = []string{"garlic"}
	other := plant(saw("smell-crushed", "rank"))
	other.Hands = []string{"garlic"}
	for _, c := range []struct {
		name, trait string
		f           *evidence.Find
		want        evidence.Confounder // 0: sound
	}{
		{"no volva, base not dug", "volva", fungus(none), evidence.BaseNotWhole},
		{"no volva, base whole", "volva", fungus(none, whole), 0},
		{"no volva, base snapped", "volva", fungus(saw("base-as-it-came-out", "snapped"), none), evidence.BaseNotWhole},
		{"a sac seen needs no whole base", "volva", fungus(saw("volva", "sac")), 0},
		{"base called whole after snapped", "volva", fungus(saw("base-as-it-came-out", "snapped"), whole, none), evidence.BaseNotWhole},
		{"no ring on an unexamined stem", "ring", fungus(noRing, whole), evidence.CouldBeLost},
		{"no ring, intact, base not dug", "ring", fungus(noRing, intact), evidence.BaseNotWhole},
		{"no ring, intact from gills to ground", "ring", fungus(noRing, intact, whole), 0},
		{"insertion on a picked leaf", "leaf-insertion", plant(evidence.Event{Kind: evidence.Picked}, saw("leaf-insertion", "own-stalk")), evidence.SeenAfterPicking},
		{"insertion before picking", "leaf-insertion", plant(saw("leaf-insertion", "own-stalk"), evidence.Event{Kind: evidence.Picked}), 0},
		{"said to be detached", "leaf-insertion", plant(saw("leaf-insertion", "own-stalk", func(a *evidence.Answer) { a.Detached = true })), evidence.SeenAfterPicking},
		{"smell on the hands", "smell-crushed", hands, evidence.SmellContaminated},
		{"nothing smelled through garlic hands", "smell-crushed", masked, evidence.SmellContaminated},
		{"another smell than that on the hands", "smell-crushed", other, 0},
		{"handled, then cleaned", "smell-crushed", plant(evidence.Event{Kind: evidence.Handled, Smell: "garlic"}, evidence.Event{Kind: evidence.CleanHands}, saw("smell-crushed", "garlic")), 0},
		{"a cold", "smell-crushed", cold, evidence.SmellNotTrusted},
		{"colour vision differs", "gill-colour", colour, evidence.ColourNotTrusted},
		{"poor light", "gill-colour", fungus(saw("gill-colour", "white", func(a *evidence.Answer) { a.Light = "poor" })), evidence.ColourNotTrusted},
		{"rain on it", "gill-colour", fungus(saw("gill-colour", "white", func(a *evidence.Answer) { a.Surface = "rain" })), evidence.ColourNotTrusted},
		{"flower judged in leaf", "flower-plan", plant(saw("flower-plan", "six-star")), evidence.WrongStage},
		{"malformed", "leaf-stalk-section", plant(saw("leaf-stalk-section", "round"), saw("condition", "malformed")), evidence.IsMalformed},
		{"one leaf", "leaf-margin", plant(saw("leaf-margin", "entire", func(a *evidence.Answer) { a.Count = 1 })), evidence.TooFew},
		{"three leaves", "leaf-margin", plant(saw("leaf-margin", "entire")), 0},
		{"print after an hour", "spore-print", fungus(print(60, "half")), evidence.TooEarly},
		{"white print on white paper", "spore-print", fungus(print(300, "white")), evidence.PaperHides},
		{"paper not said", "spore-print", fungus(print(300, "")), evidence.PaperHides},
		{"print as it should be", "spore-print", fungus(print(300, "half")), 0},
		{"unsure", "leaf-veins", plant(saw("leaf-veins", "net", func(a *evidence.Answer) { a.Unsure = true })), evidence.ObserverUnsure},
	} {
		r := reading(t, e, c.f, c.trait)
		if c.want == 0 {
			if r.Soundness != evidence.Sound {
				t.Errorf("%s: %s %v, want sound", c.name, r.Soundness, r.Spoilers)
			}
			continue
		}
		found := false
		for _, s := range r.Spoilers {
			found = found || s == c.want
		}
		if r.Soundness != evidence.Shaky || !found {
			t.Errorf("%s: %s %v, want shaky by %s", c.name, r.Soundness, r.Spoilers, c.want)
		}
	}
}

// Undo takes back the smell test, never the smell: the next leaf is shaky.
func TestUndoNeverUndoesHandling(t *testing.T) {
	e := engineOf(t, "")
	f := bare(saw("smell-crushed", "garlic"))
	add(f, evidence.Event{Kind: evidence.Undone, Undoes: int64(len(f.Log))})
	f.Log[len(f.Log)-1].AtMS = f.Log[len(f.Log)-2].AtMS + 1
	add(f, saw("smell-crushed", "garlic"))
	if r := reading(t, e, f, "smell-crushed"); r.Soundness != evidence.Shaky {
		t.Errorf("smelled again after undo: %s, want shaky", r.Soundness)
	}
}

// What is joined is one individual; caps of a troop are not.
func TestPatch(t *testing.T) {
	e := engineOf(t, "")
	two := func(joined string) *evidence.Find {
		f := bare(saw("leaf-veins", "parallel"))
		f.Specimens = append(f.Specimens, evidence.Specimen{ID: "s2", JoinedTo: joined})
		add(f, evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(guide.LeafStage)})
		f.Log[len(f.Log)-1].Specimen = "s2"
		add(f, saw("leaf-veins", "net"))
		f.Log[len(f.Log)-1].Specimen = "s2"
		return f
	}
	if p := e.JudgePatch(two("")); !p.Mixed || !p.Held || len(p.Clashes) != 1 {
		t.Errorf("two that differ: %+v", p.Clashes)
	}
	if p := e.JudgePatch(two("s1")); p.Mixed {
		t.Errorf("one rootstock was held to be mixed: %+v", p.Clashes)
	}
	// Nothing is carried over: the second has no reading of its own but its veins.
	p := e.JudgePatch(two(""))
	if n := len(p.Judgements[1].Readings); n != 1 {
		t.Errorf("the second specimen has %d readings, want its own one", n)
	}
}

// A fast pass exists where looks and touches tell the named lookalikes apart,
// and is refused where a root has to be dug.
func TestFastPass(t *testing.T) {
	e := engineOf(t, "")
	for id, want := range map[string]bool{"rosa-canina": true, "allium-ursinum": false, "agaricus-arvensis": false} {
		at, _ := e.Index().TaxonAt(id)
		tx := &e.Index().Book.Taxa[at]
		u := &tx.Uses[0]
		f := ready(e, tx, u, firstStage(u.Stages))
		fp := e.FastPass(f, "s1", true)
		if fp.Exists != want {
			t.Errorf("%s: fast pass %v (blocking %v), want %v", id, fp.Exists, fp.Blocking, want)
		}
		for _, c := range fp.Checks {
			if h := e.Index().Book.Traits[c].Handling; h > guide.Touch {
				t.Errorf("%s: %s is no gentle check", id, e.Index().Book.Traits[c].ID)
			}
		}
	}
}

func firstStage(s guide.StageSet) guide.Stage {
	var out guide.Stage
	found := false
	s.Each(func(st guide.Stage) {
		if !found {
			out, found = st, true
		}
	})
	return out
}

// The other intents, the person, the place and the target-less find.
func TestVerdicts(t *testing.T) {
	e := engineOf(t, "")
	at, _ := e.Index().TaxonAt("castanea-sativa")
	tx := &e.Index().Book.Taxa[at]
	full := func() *evidence.Find {
		f := ready(e, tx, &tx.Uses[0], guide.FruitStage)
		(&observer{e, tx, guide.NewStageSet(guide.FruitStage)}).follow(f, 40)
		return f
	}
	if v := e.Judge(full(), "s1").Verdict; v != evidence.ChecksComplete {
		t.Fatalf("the full find: %s", v)
	}
	for name, c := range map[string]struct {
		change  func(*evidence.Find)
		want    evidence.Verdict
		refusal evidence.RefusalCode
	}{
		"sprayed":         {func(f *evidence.Find) { f.Place.Ground = "sprayed" }, evidence.LeaveIt, evidence.RefuseGround},
		"ground unknown":  {func(f *evidence.Find) { f.Place.Ground = "" }, evidence.NotYet, 0},
		"no permission":   {func(f *evidence.Find) { f.Place.Permission = evidence.No }, evidence.LeaveIt, evidence.RefusePlace},
		"protected":       {func(f *evidence.Find) { f.Place.Protected = evidence.Yes }, evidence.LeaveIt, evidence.RefusePlace},
		"limit unknown":   {func(f *evidence.Find) { f.Place.Limit = "" }, evidence.NotYet, 0},
		"health open":     {func(f *evidence.Find) { f.Profile.Answered = nil }, evidence.NotYet, 0},
		"raw":             {func(f *evidence.Find) { f.Prep = "raw" }, evidence.LeaveIt, evidence.RefuseRaw},
		"remedy":          {func(f *evidence.Find) { f.Intent = evidence.Remedy }, evidence.ChecksComplete, evidence.RefuseDose},
		"no target":       {func(f *evidence.Find) { f.Target, f.Kingdom = "", guide.Plant }, evidence.NotYet, 0},
		"hearsay":         {func(f *evidence.Find) { add(f, evidence.Event{Kind: evidence.Noted, Note: "hearsay"}) }, evidence.ChecksComplete, evidence.RefuseHearsay},
		"record":          {func(f *evidence.Find) { f.Intent = evidence.Record }, evidence.Named, 0},
		"clear":           {func(f *evidence.Find) { f.Intent = evidence.Clear }, evidence.NoContactHazard, 0},
		"clear, unlooked": {func(f *evidence.Find) { f.Intent, f.Log = evidence.Clear, f.Log[:1] }, evidence.HandleAsHazard, evidence.RefuseBurn},
		"keep, unlooked":  {func(f *evidence.Find) { f.Intent, f.Log = evidence.Keep, f.Log[:1] }, evidence.LeaveStanding, 0},
		"keep":            {func(f *evidence.Find) { f.Intent = evidence.Keep }, evidence.NotOneOfThose, 0},
		"neighbour's": {func(f *evidence.Find) {
			add(f, evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: "flower-plan", Kind: evidence.Reported, States: []string{"catkin"}, From: "neighbour"}})
		}, evidence.ChecksComplete, evidence.RefuseNeighbour},
	} {
		f := full()
		c.change(f)
		j := e.Judge(f, "s1")
		if j.Verdict != c.want {
			t.Errorf("%s: %s %v, want %s", name, j.Verdict, j.Leave, c.want)
		}
		found := c.refusal == 0
		for _, r := range j.Refusals {
			found = found || r.Code == c.refusal
		}
		if !found {
			t.Errorf("%s: no refusal %s in %+v", name, c.refusal, j.Refusals)
		}
	}
	// A guide that has changed since calls the find back.
	f := full()
	f.Log = f.Log[:3]
	if r := e.Rejudge(f, "s1", evidence.ChecksComplete, "an earlier guide"); !r.NoLongerPasses || !r.GuideChanged || len(r.Reopened) == 0 {
		t.Errorf("re-judged: %+v", r)
	}
}
