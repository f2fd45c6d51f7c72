package evidence_test

import (
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// named begins a find of an intent with a name given to it, at a stage in a region.
func named(tx *guide.Taxon, intent evidence.Intent, region string, st guide.Stage) *evidence.Find {
	f := &evidence.Find{Intent: intent, Target: tx.ID, Place: evidence.Place{Region: region}, Specimens: []evidence.Specimen{{ID: "s1"}}}
	add(f, evidence.Event{Kind: evidence.Staged, Stages: guide.NewStageSet(st)})
	return f
}

// everyNamed goes through every entry that a condition holds for, in each of its
// regions and stages, answers truly what is offered until nothing more is, and
// hands every judgement on the way to check.
func everyNamed(t *testing.T, intent evidence.Intent, which func(at int) bool, check func(name string, n int, j *evidence.Judgement)) int {
	t.Helper()
	e := engineOf(t, "")
	cases := 0
	for i := range e.Index().Book.Taxa {
		tx := &e.Index().Book.Taxa[i]
		if !which(i) {
			continue
		}
		for _, region := range tx.Regions {
			tx.Stages.Each(func(st guide.Stage) {
				cases++
				f := named(tx, intent, region, st)
				o := &observer{e, tx, guide.NewStageSet(st)}
				asked := map[int32]bool{}
				for n := 0; n < 30; n++ {
					j := e.Judge(f, "s1")
					check(tx.ID+" "+region+" "+st.String(), n, &j)
					if j.Next.Trait < 0 || asked[j.Next.Trait] {
						break
					}
					asked[j.Next.Trait] = true
					add(f, evidence.Event{Kind: evidence.Answered, Answer: o.answer(j.Next.Trait)})
				}
			})
		}
	}
	return cases
}

// Whoever names a hazard to clear is never told that there is none: the named entry
// stands among the dangers like any other, and true answers never strike it off.
func TestNamedHazardIsNeverExempt(t *testing.T) {
	t.Parallel()
	ix := engineOf(t, "").Index()
	cases := everyNamed(t, evidence.Clear, func(at int) bool { return ix.Contact[at] > 0 }, func(name string, n int, j *evidence.Judgement) {
		if j.Verdict != evidence.HandleAsHazard {
			t.Errorf("%s after %d answers: %s", name, n, j.Verdict)
		}
		if !inLedger(j, ix, name) {
			t.Errorf("%s after %d answers: the named entry is not among the dangers, or is ruled out", name, n)
		}
		bare, burn := false, false
		for _, r := range j.Refusals {
			bare, burn = bare || r.Code == evidence.RefuseBareHands, burn || r.Code == evidence.RefuseBurn
		}
		if !bare || !burn {
			t.Errorf("%s after %d answers: bare hands refused %v, burning refused %v", name, n, bare, burn)
		}
	})
	if cases < 50 {
		t.Errorf("only %d cases", cases)
	}
}

// inLedger: the entry whose id begins the name is in the ledger, and open.
func inLedger(j *evidence.Judgement, ix *guide.Index, name string) bool {
	for i := range j.Exclusions {
		id := ix.Book.Taxa[j.Exclusions[i].Taxon].ID
		if len(name) > len(id) && name[:len(id)] == id && name[len(id)] == ' ' {
			return !j.Exclusions[i].RuledOut
		}
	}
	return false
}

// Whoever names what is to be protected is never told that it is not one of those.
func TestNamedProtectedIsNeverExempt(t *testing.T) {
	t.Parallel()
	ix := engineOf(t, "").Index()
	cases := everyNamed(t, evidence.Keep, func(at int) bool { return ix.Book.Taxa[at].Protection != "" }, func(name string, n int, j *evidence.Judgement) {
		if j.Verdict != evidence.ProtectIt {
			t.Errorf("%s after %d answers: %s", name, n, j.Verdict)
		}
	})
	if cases < 18 {
		t.Errorf("only %d cases", cases)
	}
}

// With protected entries open and none of them named, it is left standing; once
// one of them leads clearly, it is protected.
func TestKeepWithoutAName(t *testing.T) {
	e := engineOf(t, "")
	at, _ := e.Index().TaxonAt("allium-ursinum")
	tx := &e.Index().Book.Taxa[at]
	f := named(tx, evidence.Keep, "EU", guide.FlowerStage)
	f.Target, f.Kingdom = "", guide.Plant
	if j := e.Judge(f, "s1"); j.Verdict != evidence.LeaveStanding {
		t.Errorf("nothing looked at: %s", j.Verdict)
	}
	o := &observer{e, tx, guide.NewStageSet(guide.FlowerStage)}
	var last evidence.Judgement
	for n := 0; n < 20; n++ {
		if last = e.Judge(f, "s1"); last.Next.Trait < 0 {
			break
		}
		add(f, evidence.Event{Kind: evidence.Answered, Answer: o.answer(last.Next.Trait)})
	}
	if last.Verdict != evidence.ProtectIt {
		t.Errorf("answered as the entry shows itself: %s", last.Verdict)
	}
}
