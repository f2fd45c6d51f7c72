package evidence_test

import (
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// A second look at home asks only what can be seen on what was carried, takes over
// from the field what only the ground showed, and ends, for every use and stage of
// the guide, with somebody who answers truly and never dug at the kitchen table.
func TestSecondLookAtHomeCanEnd(t *testing.T) {
	t.Parallel()
	e := engineOf(t, "")
	ix := e.Index()
	open := opens(e)
	taken, runs := 0, 0
	for i := range ix.Book.Taxa {
		tx := &ix.Book.Taxa[i]
		for u := range tx.Uses {
			use := &tx.Uses[u]
			use.Stages.Each(func(st guide.Stage) {
				name := tx.ID + " " + use.Part + " " + use.Preparation + " " + st.String()
				o := &observer{e, tx, guide.NewStageSet(st)}
				field := ready(e, tx, use, st)
				if !open(tx, use, st, field.Place.Region) {
					return
				}
				if j, _ := o.follow(field, 40); j.Verdict != evidence.ChecksComplete {
					t.Fatalf("%s: the field: %s", name, j.Verdict)
				}
				home := ready(e, tx, use, st)
				home.Carried = ix.Book.Kitchen.CarriedWith(use.Part, tx.Kingdom)
				over := e.TakeOver(field, "s1", "s1", home.Carried)
				home.Log = append(over, home.Log...)
				runs++
				asked := 0
				for n := 0; ; n++ {
					j := e.Judge(home, "s1")
					if j.Verdict == evidence.ChecksComplete {
						break
					}
					next := j.Next.Trait
					for _, ob := range j.Obligations {
						if ob.Code == evidence.AnswerCondition {
							next = ob.Trait
						}
					}
					if n == 30 || next < 0 {
						t.Errorf("%s: %s after %d answers at home, open %+v", name, j.Verdict, asked, j.Obligations)
						break
					}
					if !evidence.AtHome(ix.Book, next, home.Carried) {
						t.Fatalf("%s: it asks for %s, which only the ground shows", name, ix.Book.Traits[next].ID)
					}
					asked++
					ev := evidence.Event{Kind: evidence.Answered, Answer: o.answer(next)}
					ev.Seq, ev.AtMS, ev.Specimen = int64(10_000+n), int64(10_000+n)*60_000, "s1"
					home.Log = append(home.Log, ev)
				}
				for _, r := range e.Judge(home, "s1").Readings {
					if r.Taken {
						taken++
						if evidence.AtHome(ix.Book, r.Trait, home.Carried) {
							t.Errorf("%s: %s is taken over and can be seen at home", name, ix.Book.Traits[r.Trait].ID)
						}
					}
				}
				if asked < 2 {
					t.Errorf("%s: %d looks at home are no second look", name, asked)
				}
			})
		}
	}
	if runs < 50 || taken < runs {
		t.Errorf("%d runs, %d readings taken over", runs, taken)
	}
}

// Whoever says truly that something can't be seen at home does not undo what the
// field saw; what the field did not see soundly is not taken over.
func TestWhatIsTakenOver(t *testing.T) {
	e := engineOf(t, "")
	ix := e.Index()
	at, _ := ix.TaxonAt("allium-ursinum")
	tx := &ix.Book.Taxa[at]
	field := ready(e, tx, &tx.Uses[0], guide.LeafStage)
	add(field, saw("base-as-it-came-out", "whole"))
	add(field, saw("root-form", "slender-bulb"))
	unsure := saw("leaf-insertion", "own-stalk")
	unsure.Answer.Unsure = true
	add(field, unsure)
	add(field, saw("leaf-veins", "parallel"))
	carried := ix.Book.Kitchen.CarriedWith("leaf", guide.Plant)
	home := ready(e, tx, &tx.Uses[0], guide.LeafStage)
	home.Carried = carried
	home.Log = append(e.TakeOver(field, "s1", "s1", carried), home.Log...)
	add(home, evidence.Event{Kind: evidence.Answered, Answer: evidence.Answer{Trait: "root-form", Kind: evidence.NotHere}})
	for trait, want := range map[string]evidence.Soundness{"root-form": evidence.Sound, "leaf-insertion": evidence.Mute, "leaf-veins": evidence.Mute} {
		have := evidence.Mute
		for _, r := range e.Judge(home, "s1").Readings {
			if ix.Book.Traits[r.Trait].ID == trait && r.By < 0 {
				have = r.Soundness
			}
		}
		if have != want {
			t.Errorf("%s: %s, want %s", trait, have, want)
		}
	}
}
