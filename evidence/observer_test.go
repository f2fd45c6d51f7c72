package evidence_test

import (
	"fmt"
	"sort"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
	truly "zestythicket/internal/testkit/observer"
)

// observer answers truly: whatever check is offered, with the state that the
// entry shows most often, looked at as the guide asks.
type observer struct {
	e      *evidence.Engine
	truth  *guide.Taxon
	stages guide.StageSet
}

func (o *observer) answer(trait int32) evidence.Answer {
	return truly.Answer(&o.e.Index().Book.Traits[trait], o.truth, o.stages)
}

// regionOf is a region where the use may be gathered.
func regionOf(tx *guide.Taxon, u *guide.Use) string {
	if len(u.Regions) > 0 {
		return u.Regions[0]
	}
	return tx.Regions[0]
}

// ready is a find in which everything but the evidence has been answered.
func ready(e *evidence.Engine, tx *guide.Taxon, u *guide.Use, st guide.Stage) *evidence.Find {
	f := &evidence.Find{Intent: evidence.Eat, Target: tx.ID, Part: u.Part, Prep: u.Preparation,
		Place:     evidence.Place{Region: regionOf(tx, u), Ground: "clean", Permission: evidence.Yes, Protected: evidence.No, Limit: "none known"},
		Profile:   evidence.Profile{Answered: evidence.HealthTopics},
		Specimens: []evidence.Specimen{{ID: "s1"}}}
	for _, g := range e.Index().Book.HardGroups {
		f.Profile.SignOffs = append(f.Profile.SignOffs, evidence.SignOff{Group: g.ID, By: "a teacher"})
	}
	add(f, evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(st)})
	return f
}

func add(f *evidence.Find, ev evidence.Event) {
	ev.Seq, ev.AtMS, ev.Specimen = int64(len(f.Log)+1), int64(len(f.Log)+1)*60_000, "s1"
	f.Log = append(f.Log, ev)
}

// follow makes the offered checks, one after the other.
func (o *observer) follow(f *evidence.Find, most int) (evidence.Judgement, int) {
	for n := 0; ; n++ {
		j := o.e.Judge(f, "s1")
		if j.Verdict == evidence.ChecksComplete || j.Verdict == evidence.LeaveIt || n == most {
			return j, n
		}
		next := j.Next.Trait
		if ob := j.Obligations; next < 0 || len(ob) > 0 && ob[0].Code == evidence.AnswerCondition {
			next = -1
			for i := range ob {
				if ob[i].Trait >= 0 {
					next = ob[i].Trait
					break
				}
			}
		}
		if next < 0 {
			return j, n
		}
		add(f, evidence.Event{Kind: evidence.Answered, Answer: o.answer(next)})
	}
}

// TestTrueObserver follows the offered checks for every use and stage of the
// shipped guide, and must reach "checks complete".
func TestTrueObserver(t *testing.T) {
	e := engineOf(t, "")
	var counts []int
	for i := range e.Index().Book.Taxa {
		tx := &e.Index().Book.Taxa[i]
		for u := range tx.Uses {
			use := &tx.Uses[u]
			use.Stages.Each(func(st guide.Stage) {
				name := fmt.Sprintf("%s %s %s %s", tx.ID, use.Part, use.Preparation, st)
				o := &observer{e, tx, guide.NewStageSet(st)}
				j, n := o.follow(ready(e, tx, use, st), 40)
				if j.Verdict != evidence.ChecksComplete {
					t.Errorf("%s: %s after %d answers; leave %v", name, j.Verdict, n, j.Leave)
					for _, ob := range j.Obligations {
						trait, taxon := "", ""
						if ob.Trait >= 0 {
							trait = e.Index().Book.Traits[ob.Trait].ID
						}
						if ob.Taxon >= 0 {
							taxon = e.Index().Book.Taxa[ob.Taxon].ID
						}
						t.Logf("   %s %s %s %v %s", ob.Code, trait, taxon, ob.Spoilers, ob.Word)
					}
					return
				}
				counts = append(counts, n)
				t.Logf("%s: %d answers", name, n)
			})
		}
	}
	if len(counts) == 0 {
		t.Fatal("no use was tried")
	}
	sort.Ints(counts)
	if m := counts[len(counts)/2]; m > 15 {
		t.Errorf("median of %d answers, at most 15 are wanted", m)
	}
}
