package evidence_test

import (
	"slices"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// completed is a find whose checks are complete, truly answered, with the use it
// is for.
func completed(t *testing.T, e *evidence.Engine, id string, st guide.Stage) (*evidence.Find, *observer) {
	t.Helper()
	at, _ := e.Index().TaxonAt(id)
	tx := &e.Index().Book.Taxa[at]
	f := ready(e, tx, &tx.Uses[0], st)
	o := &observer{e, tx, guide.NewStageSet(st)}
	if j, n := o.follow(f, 40); j.Verdict != evidence.ChecksComplete {
		t.Fatalf("%s: %s after %d answers", id, j.Verdict, n)
	}
	return f, o
}

// A reading that speaks against the target and doesn't count yet keeps the verdict
// open, whatever makes it unreliable; looked at again, soundly, it counts.
func TestDoubtAgainstTheTarget(t *testing.T) {
	e := engineOf(t, "")
	for name, c := range map[string]struct {
		target string
		stage  guide.Stage
		answer evidence.Answer
		want   evidence.RequirementCode
	}{
		"unsure":     {"castanea-sativa", guide.FruitStage, evidence.Answer{Trait: "fruit-kind", Kind: evidence.Seen, States: []string{"drupe"}, Count: 3, Unsure: true}, evidence.DoubtAgainst},
		"poor light": {"lactarius-deliciosus", guide.Mature, evidence.Answer{Trait: "spore-print", Kind: evidence.Seen, States: []string{"black"}, Minutes: 1000, Paper: "half", Light: "poor"}, evidence.DoubtAgainst},
		"too early":  {"lactarius-deliciosus", guide.Mature, evidence.Answer{Trait: "spore-print", Kind: evidence.Seen, States: []string{"chocolate"}, Minutes: 20, Paper: "half"}, evidence.DoubtAgainst},
		"soundly":    {"lactarius-deliciosus", guide.Mature, evidence.Answer{Trait: "spore-print", Kind: evidence.Seen, States: []string{"black"}, Minutes: 1000, Paper: "half"}, evidence.SecondLook},
	} {
		f, _ := completed(t, e, c.target, c.stage)
		f.Log = slices.DeleteFunc(f.Log, func(ev evidence.Event) bool { return ev.Answer.Trait == c.answer.Trait })
		add(f, evidence.Event{Kind: evidence.Answered, Answer: c.answer})
		j := e.Judge(f, "s1")
		if j.Verdict == evidence.ChecksComplete || !slices.ContainsFunc(j.Obligations, func(o evidence.Requirement) bool { return o.Code == c.want }) {
			t.Errorf("%s: %s, want it open with %s: %+v", name, j.Verdict, c.want, j.Obligations)
		}
		if j.Passed {
			t.Errorf("%s: it passes", name)
		}
	}
}

// No change is a result only after the whole wait; a positive reaction is one at
// any moment. Print and dust are colours; a rim at the base and bootlaces count
// only on a base that came out whole.
func TestWhatMakesAReadingUnreliable(t *testing.T) {
	e := engineOf(t, "")
	colours := func(f *evidence.Find) { f.Profile.ColourDiffers = true }
	for name, c := range map[string]struct {
		change func(*evidence.Find)
		base   string
		answer evidence.Answer
		want   evidence.Confounder // 0: it counts
	}{
		"no change, early":        {answer: evidence.Answer{Trait: "flesh-cut", States: []string{"none"}, Minutes: 1}, want: evidence.TooEarly},
		"no change, in time":      {answer: evidence.Answer{Trait: "flesh-cut", States: []string{"none"}, Minutes: 15}},
		"blue, at once":           {answer: evidence.Answer{Trait: "flesh-cut", States: []string{"blue"}}},
		"yellow at once":          {base: "whole", answer: evidence.Answer{Trait: "base-stain", States: []string{"chrome-yellow"}}},
		"blue or none, early":     {answer: evidence.Answer{Trait: "flesh-cut", Kind: evidence.AnyOf, States: []string{"blue", "none"}, Minutes: 1}, want: evidence.TooEarly},
		"print, other colours":    {change: colours, answer: evidence.Answer{Trait: "spore-print", States: []string{"white"}, Minutes: 300, Paper: "half"}, want: evidence.ColourNotTrusted},
		"dust, other colours":     {change: colours, answer: evidence.Answer{Trait: "dusting", States: []string{"rust"}}, want: evidence.ColourNotTrusted},
		"dust, coloured light":    {answer: evidence.Answer{Trait: "dusting", States: []string{"rust"}, Light: "coloured"}, want: evidence.ColourNotTrusted},
		"rim, base snapped":       {base: "snapped", answer: evidence.Answer{Trait: "volva", States: []string{"rim"}}, want: evidence.BaseNotWhole},
		"collar, base not stated": {answer: evidence.Answer{Trait: "volva", States: []string{"gutter"}}, want: evidence.BaseNotWhole},
		"rim, base whole":         {base: "whole", answer: evidence.Answer{Trait: "volva", States: []string{"rim"}}},
		"a sac is a sac":          {answer: evidence.Answer{Trait: "volva", States: []string{"sac"}}},
		"bootlaces near by":       {answer: evidence.Answer{Trait: "base-threads", States: []string{"bootlaces"}}, want: evidence.BaseNotWhole},
		"bootlaces at the foot":   {base: "whole", answer: evidence.Answer{Trait: "base-threads", States: []string{"bootlaces"}}},
	} {
		f := &evidence.Find{Intent: evidence.Eat, Kingdom: guide.Fungus, Specimens: []evidence.Specimen{{ID: "s1"}}}
		add(f, evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(guide.Mature)})
		if c.change != nil {
			c.change(f)
		}
		if c.base != "" {
			add(f, saw("base-as-it-came-out", c.base))
		}
		if c.answer.Kind == 0 {
			c.answer.Kind = evidence.Seen
		}
		add(f, evidence.Event{Kind: evidence.Answered, Answer: c.answer})
		r := reading(t, e, f, c.answer.Trait)
		if c.want == 0 && r.Soundness != evidence.Sound || c.want != 0 && !slices.Contains(r.Spoilers, c.want) {
			t.Errorf("%s: %s %v, want %s", name, r.Soundness, r.Spoilers, c.want)
		}
	}
}

// Who sees colours differently is asked for a colour only when nothing else is
// left; and whoever can't tell is asked again, last.
func TestWhatGoesToTheBack(t *testing.T) {
	e := engineOf(t, "")
	ix := e.Index()
	at, _ := ix.TaxonAt("morchella-esculenta")
	tx := &ix.Book.Taxa[at]
	f := ready(e, tx, &tx.Uses[0], guide.Mature)
	f.Profile.ColourDiffers = true
	first := e.Judge(f, "s1").Next.Trait
	if ix.Book.Traits[first].Colour {
		t.Errorf("the first check is one of colour: %s", ix.Book.Traits[first].ID)
	}
	for _, kind := range []evidence.AnswerKind{evidence.NotInspected, evidence.CantTell, evidence.Reported} {
		g := ready(e, tx, &tx.Uses[0], guide.Mature)
		asked := map[int32]int{}
		for n := 0; n < 400; n++ {
			next := e.Judge(g, "s1").Next
			if next.Trait < 0 {
				t.Fatalf("%s to all: nothing is offered any more after %d", kind, n)
			}
			if asked[next.Trait]++; asked[next.Trait] > 1 {
				if !next.Back || next.First {
					t.Errorf("%s: asked again, and not last: %+v", kind, next.Offer)
				}
				break
			}
			add(g, evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: ix.Book.Traits[next.Trait].ID, Kind: kind, From: "person"}})
		}
	}
}

// A set of stages with one in it that is not gathered is not gathered.
func TestStageSets(t *testing.T) {
	e := engineOf(t, "")
	tried := 0
	for i := range e.Index().Book.Taxa {
		tx := &e.Index().Book.Taxa[i]
		for u := range tx.Uses {
			use := &tx.Uses[u]
			for _, refused := range (tx.Stages &^ use.Stages).Strings() {
				st, _ := guide.ParseStage(refused)
				f := ready(e, tx, use, firstStage(use.Stages))
				f.Log[0].Stages |= guide.NewStageSet(st)
				tried++
				if j := e.Judge(f, "s1"); !slices.Contains(j.Leave, evidence.StageNotGathered) {
					t.Errorf("%s, %s: %v with %s: %s %v", tx.ID, use.Part, use.Stages.Strings(), refused, j.Verdict, j.Leave)
				}
			}
		}
	}
	if tried < 100 {
		t.Errorf("only %d sets", tried)
	}
}

// A difference is settled once, by a sound look made another way that agrees with
// one of the readings. One more that differs, or three that all differ, put the
// trait out for this specimen for good.
func TestLookingAgain(t *testing.T) {
	e := engineOf(t, "")
	see := func(state, method string) evidence.Answer {
		return evidence.Answer{Trait: "leaf-veins", Kind: evidence.Seen, States: []string{state}, Method: method}
	}
	unsure := see("parallel", "lens")
	unsure.Unsure = true
	for name, c := range map[string]struct {
		looks []evidence.Answer
		want  evidence.Soundness
		state string
		out   bool
	}{
		"two that differ":                {looks: []evidence.Answer{see("net", ""), see("parallel", "lens")}, want: evidence.Conflicting},
		"settled another way":            {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("net", "somebody else")}, want: evidence.Sound, state: "net"},
		"settled the other way round":    {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("parallel", "somebody else")}, want: evidence.Sound, state: "parallel"},
		"the same way settles nothing":   {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("parallel", "lens")}, want: evidence.Conflicting},
		"without a way nor":              {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("parallel", "")}, want: evidence.Conflicting},
		"an unsure look settles nothing": {looks: []evidence.Answer{see("net", ""), see("parallel", ""), unsure}, want: evidence.Conflicting},
		"settled, and differing again":   {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("net", "somebody else"), see("parallel", "another leaf")}, want: evidence.Conflicting, out: true},
		"insisting":                      {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("parallel", "somebody else"), see("net", "ruler"), see("parallel", "section"), see("parallel", "photo")}, want: evidence.Conflicting, out: true},
		"three ways":                     {looks: []evidence.Answer{see("net", ""), see("parallel", "lens"), see("arched", "somebody else")}, want: evidence.Conflicting, out: true},
		"back and forth":                 {looks: []evidence.Answer{see("net", ""), see("parallel", ""), see("net", ""), see("parallel", ""), see("net", "lens")}, want: evidence.Conflicting, out: true},
	} {
		f := bare()
		for _, a := range c.looks {
			add(f, evidence.Event{Kind: evidence.Answered, Answer: a})
		}
		r := reading(t, e, f, "leaf-veins")
		if r.Soundness != c.want || r.Out != c.out {
			t.Errorf("%s: %s, out %v; want %s, out %v", name, r.Soundness, r.Out, c.want, c.out)
		}
		at, _ := e.Index().TraitAt("leaf-veins")
		if i, ok := e.Index().Book.Traits[at].StateIndex(c.state); ok && r.Mask != 1<<i {
			t.Errorf("%s: states %b, want %s", name, r.Mask, c.state)
		}
		out := slices.ContainsFunc(e.Judge(f, "s1").Obligations, func(o evidence.Requirement) bool { return o.Code == evidence.TraitOut })
		if out != c.out {
			t.Errorf("%s: another specimen is asked for: %v", name, out)
		}
	}
}

// Counts pass nothing by themselves: only with the answers of a full check, or with
// the short list after one full find, on the items that were counted.
func TestCountsWithoutAnswers(t *testing.T) {
	e := engineOf(t, "")
	beside := func(f *evidence.Find, st guide.Stage, count int, answers ...evidence.Answer) evidence.Patch {
		f.Specimens = append(f.Specimens[:1:1], evidence.Specimen{ID: "s2", Count: count})
		f.Log = slices.DeleteFunc(f.Log, func(ev evidence.Event) bool { return ev.Specimen == "s2" })
		put := func(ev evidence.Event) {
			add(f, ev)
			f.Log[len(f.Log)-1].Specimen = "s2"
		}
		put(evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(st)})
		for _, a := range answers {
			put(evidence.Event{Kind: evidence.Answered, Answer: a})
		}
		return e.JudgePatch(f)
	}
	f, _ := completed(t, e, "lactarius-deliciosus", guide.Mature)
	if p := beside(f, guide.Mature, 30, saw("cap-feel", "dry").Answer); p.Passed != 1 || p.Unchecked != 30 {
		t.Errorf("thirty with one answer: %d passed, %d unchecked", p.Passed, p.Unchecked)
	}
	f, o := completed(t, e, "rosa-canina", guide.FruitStage)
	p := beside(f, guide.FruitStage, 30)
	if !p.FastPass.Exists || !p.FastPass.Ready || p.Passed != 1 || p.Unchecked != 30 {
		t.Fatalf("thirty without an answer: %+v, %d passed", p.FastPass, p.Passed)
	}
	var list []evidence.Answer
	for _, c := range p.FastPass.Checks {
		list = append(list, o.answer(c))
	}
	if p := beside(f, guide.FruitStage, 30, list...); p.Passed != 31 || p.Unchecked != 0 {
		t.Errorf("thirty with the short list: %d passed, %d unchecked", p.Passed, p.Unchecked)
	}
	list[0].Unsure = true
	if p := beside(f, guide.FruitStage, 30, list...); p.Passed != 1 {
		t.Errorf("thirty with an unsure short list: %d passed", p.Passed)
	}
	// Nothing passes by the short list before the full find is made.
	g := *f
	g.Place.Ground = ""
	list[0].Unsure = false
	if p := beside(&g, guide.FruitStage, 30, list...); p.Passed != 1 || p.FastPass.Ready {
		t.Errorf("before the full find: %d passed", p.Passed)
	}
}
