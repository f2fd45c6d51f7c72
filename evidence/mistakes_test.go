package evidence_test

import (
	"os"
	"slices"
	"sync/atomic"
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
	asked       map[int32]bool
}

func (m *mistaken) answer(trait int32) evidence.Answer {
	if m.wrong(&m.truth.e.Index().Book.Traits[trait]) {
		return m.hope.answer(trait)
	}
	return m.truth.answer(trait)
}

func (m *mistaken) follow(f *evidence.Find) evidence.Judgement { return m.by(m.answer, f) }

// by answers what is offered until nothing is, or the verdict is not open.
func (m *mistaken) by(answer func(int32) evidence.Answer, f *evidence.Find) evidence.Judgement {
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
		if m.asked != nil {
			m.asked[next] = true
		}
		add(f, evidence.Event{Kind: evidence.Answered, Answer: answer(next)})
	}
}

// weakest lists, for a target's use at a stage, the dangers that stand nearest to
// it: those the guide names, and the first few of the audit, weakest pair first.
func weakest(e *evidence.Engine, lines []evidence.AuditLine, target int32, part string, st guide.Stage, most int) []int32 {
	var out []int32
	have := map[int32]bool{}
	for _, l := range lines {
		if l.Taxon != target || l.Use.Part != part || l.Stage != st {
			continue
		}
		n := 0
		for _, en := range l.Entries {
			if en.Grade >= guide.Poisonous && !have[en.Taxon] && n < most {
				n++
				have[en.Taxon] = true
				out = append(out, en.Taxon)
			}
		}
	}
	return out
}

// gathered: some line of the audit lets this part be gathered at this stage.
func gathered(lines []evidence.AuditLine, taxon int32, part string, st guide.Stage) bool {
	return slices.ContainsFunc(lines, func(l evidence.AuditLine) bool {
		return l.Taxon == taxon && l.Use.Part == part && l.Stage == st && l.Holds
	})
}

// TestSingleMistakes puts dangerous entries in the place of every target and
// lets one act go wrong in the most misleading way: seen is what was hoped for.
// None may reach "checks complete". The pairs tried are the named lookalikes and
// the weakest of each open audit line, of every fourth entry; ZT_ALL_PAIRS=1 tries
// every dangerous entry in the place of every target
// (make mistakes: half an hour and more).
func TestSingleMistakes(t *testing.T) {
	e := engineOf(t, "")
	b := e.Index().Book
	lines := e.Audit()
	most := 1
	if os.Getenv("ZT_ALL_PAIRS") != "" {
		most = len(b.Taxa)
	}
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
	var tried atomic.Int64
	t.Run("targets", func(t *testing.T) {
		for ti := range b.Taxa {
			target := &b.Taxa[ti]
			if len(target.Uses) == 0 || most == 1 && ti%4 != 0 {
				continue
			}
			t.Run(target.ID, func(t *testing.T) {
				t.Parallel()
				for u := range target.Uses {
					use := &target.Uses[u]
					if slices.ContainsFunc(target.Uses[:u], func(x guide.Use) bool { return x.Part == use.Part && x.Stages == use.Stages }) {
						continue // the same thing in the hand, prepared otherwise
					}
					use.Stages.Each(func(st guide.Stage) {
						if most == 1 && !gathered(lines, int32(ti), use.Part, st) {
							return // what the rules leave is tried by TestMisleadingSpecimens
						}
						for _, d := range weakest(e, lines, int32(ti), use.Part, st, most) {
							danger := &b.Taxa[d]
							if !danger.OnContinentOf(regionOf(target, use)) {
								continue
							}
							// Without a mistake first: an act that is not asked for then can't go wrong.
							set := guide.NewStageSet(st)
							honest := &mistaken{&observer{e, danger, set}, &observer{e, target, set}, acts["nothing"], map[int32]bool{}}
							if j := honest.follow(ready(e, target, use, st)); j.Verdict == evidence.ChecksComplete {
								t.Errorf("%s taken for %s (%s, %s): checks complete without a mistake", danger.ID, target.ID, use.Part, st)
							}
							for name, wrong := range acts {
								touched := false
								for at := range honest.asked {
									touched = touched || wrong(&b.Traits[at])
								}
								if !touched {
									continue
								}
								m := &mistaken{&observer{e, danger, set}, &observer{e, target, set}, wrong, nil}
								tried.Add(1)
								if j := m.follow(ready(e, target, use, st)); j.Verdict == evidence.ChecksComplete {
									t.Errorf("%s taken for %s (%s, %s): checks complete after one mistake: %s", danger.ID, target.ID, use.Part, st, name)
								}
							}
							// The stage stated wrongly, everything else right.
							next := guide.NewStageSet(st).WithNeighbours() &^ guide.NewStageSet(st) & danger.Stages
							next.Each(func(real guide.Stage) {
								o := &observer{e, danger, guide.NewStageSet(real)}
								m := &mistaken{o, o, acts["nothing"], nil}
								tried.Add(1)
								if j := m.follow(ready(e, target, use, st)); j.Verdict == evidence.ChecksComplete {
									t.Errorf("%s at stage %s taken for %s at %s: checks complete", danger.ID, real, target.ID, st)
								}
							})
						}
					})
				}
			})
		}
	})
	t.Logf("%d honest mistakes tried", tried.Load())
	if tried.Load() < 500 {
		t.Errorf("only %d were tried", tried.Load())
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
		// Nothing tells the horse mushroom from the yellow stainer with the certainty asked.
		{"agaricus-arvensis", "cap", guide.Mature, true, evidence.LeaveIt},
		{"lactarius-deliciosus", "cap", guide.Mature, true, evidence.ChecksComplete},
		// Buttons are refused to anyone.
		{"agaricus-arvensis", "cap", guide.Egg, true, evidence.LeaveIt},
		// Nothing tells a field mushroom from small dapperlings with the certainty asked.
		{"agaricus-campestris", "cap", guide.Mature, true, evidence.LeaveIt},
		// The target itself is in a hard group.
		{"allium-vineale", "leaf", guide.FlowerStage, false, evidence.NotYet},
		{"allium-vineale", "leaf", guide.FlowerStage, true, evidence.ChecksComplete},
		// Nor ramsons from what grows among them, to anyone.
		{"allium-ursinum", "leaf", guide.LeafStage, true, evidence.LeaveIt},
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
