package evidence_test

import (
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// mistaken answers truly about one entry except in one act, where it sees what
// it hopes to see: every trait that rests on that act shows the target's usual
// state. A snapped base taken for whole is the act of digging, warm light is
// every colour at once, smelly hands every smell, a wrong stage the stage.
type mistaken struct {
	truth, hope *observer
	wrong       func(t *guide.Trait) bool
}

func (m *mistaken) answer(trait int32) evidence.Answer {
	if m.wrong(&m.truth.e.Index().Book.Traits[trait]) {
		return m.hope.answer(trait)
	}
	return m.truth.answer(trait)
}

func (m *mistaken) follow(f *evidence.Find) evidence.Judgement {
	for n := 0; ; n++ {
		j := m.truth.e.Judge(f, "s1")
		if j.Verdict != evidence.NotYet || n == 60 {
			return j
		}
		next := int32(-1)
		for _, o := range j.Obligations {
			if o.Code == evidence.AnswerCondition {
				next = o.Trait
			}
		}
		if next < 0 {
			next = j.Next.Trait
		}
		if next < 0 {
			return j
		}
		add(f, evidence.Event{Kind: evidence.Answered, Answer: m.answer(next)})
	}
}

// TestSingleMistakes puts every dangerous entry in the place of every target and
// lets one act go wrong in the most misleading way. None may reach "checks
// complete". The white Amanita hoped to be a field mushroom is among them.
func TestSingleMistakes(t *testing.T) {
	e := engineOf(t, "")
	b := e.Index().Book
	acts := map[string]func(*guide.Trait) bool{
		"nothing":    func(*guide.Trait) bool { return false },
		"warm light": func(t *guide.Trait) bool { return t.Colour },
		"hands":      func(t *guide.Trait) bool { return t.Smell },
	}
	for i := range b.Traits {
		act, id := b.Traits[i].Act, b.Traits[i].ID
		if act == "" {
			acts["trait "+id] = func(t *guide.Trait) bool { return t.ID == id }
		} else {
			acts["act "+act] = func(t *guide.Trait) bool { return t.Act == act }
		}
	}
	tried := 0
	for ti := range b.Taxa {
		target := &b.Taxa[ti]
		for u := range target.Uses {
			use := &target.Uses[u]
			for d := range b.Taxa {
				danger := &b.Taxa[d]
				if danger.Kingdom != target.Kingdom || danger.ID == target.ID || danger.HazardFor(use.Part, use.Preparation, 0, true) < guide.Poisonous || !danger.OnContinentOf(target.Regions[0]) {
					continue
				}
				use.Stages.Each(func(st guide.Stage) {
					for name, wrong := range acts {
						set := guide.NewStageSet(st)
						m := &mistaken{&observer{e, danger, set}, &observer{e, target, set}, wrong}
						tried++
						if j := m.follow(ready(e, target, use, st)); j.Verdict == evidence.ChecksComplete {
							t.Errorf("%s taken for %s (%s, %s): checks complete after one mistake: %s", danger.ID, target.ID, use.Part, st, name)
						}
					}
					// The stage stated wrongly, everything else right.
					next := guide.NewStageSet(st).WithNeighbours() &^ guide.NewStageSet(st) & danger.Stages
					next.Each(func(real guide.Stage) {
						o := &observer{e, danger, guide.NewStageSet(real)}
						m := &mistaken{o, o, func(*guide.Trait) bool { return false }}
						tried++
						if j := m.follow(ready(e, target, use, st)); j.Verdict == evidence.ChecksComplete {
							t.Errorf("%s at stage %s taken for %s at %s: checks complete", danger.ID, real, target.ID, st)
						}
					})
				})
			}
		}
	}
	t.Logf("%d honest mistakes tried", tried)
	if tried < 500 {
		t.Errorf("only %d were tried", tried)
	}
}

// TestGates: what a sign-off does and does not open.
func TestGates(t *testing.T) {
	e := engineOf(t, "")
	for _, c := range []struct {
		target, part string
		stage        guide.Stage
		signed       bool
		want         evidence.Verdict
	}{
		// Print and base, both decisive, lift the gate of the lookalikes.
		{"agaricus-campestris", "cap", guide.Mature, false, evidence.ChecksComplete},
		// Buttons are refused to anyone.
		{"agaricus-campestris", "cap", guide.Egg, true, evidence.LeaveIt},
		// The target itself is in a hard group.
		{"allium-ursinum", "leaf", guide.LeafStage, false, evidence.NotYet},
		{"allium-ursinum", "leaf", guide.LeafStage, true, evidence.ChecksComplete},
		// Seedlings and shoots are not gathered.
		{"allium-ursinum", "leaf", guide.Shoot, true, evidence.LeaveIt},
		// No use is described of what harms the liver, or of what is deadly.
		{"symphytum-officinale", "leaf", guide.LeafStage, true, evidence.LeaveIt},
		{"amanita-phalloides", "cap", guide.Mature, true, evidence.LeaveIt},
	} {
		at, _ := e.Index().TaxonAt(c.target)
		tx := &e.Index().Book.Taxa[at]
		f := ready(e, tx, &guide.Use{Part: c.part, Preparation: "cooked"}, c.stage)
		if !c.signed {
			f.Profile.SignOffs = nil
		}
		j, n := (&observer{e, tx, guide.NewStageSet(c.stage)}).follow(f, 40)
		if j.Verdict != c.want {
			t.Errorf("%s at %s, signed %v: %s after %d answers (%v), want %s", c.target, c.stage, c.signed, j.Verdict, n, j.Leave, c.want)
		}
	}
}
