package httpapi

import (
	"database/sql"
	"fmt"
	"math/rand/v2"
	"testing"

	"zestythicket/finds"
)

// lineOf is what the list has to say of a find, from the find itself.
func lineOf(v *finds.View) FindLine {
	l := FindLine{ID: v.ID, Title: v.Title, Place: v.Place, Day: v.Day, Intent: v.Facts.Intent, Target: v.Target, Count: len(v.Specimens), Held: v.Patch.Held}
	if len(v.Patch.Judgements) > 0 {
		l.Word, l.Open = v.Patch.Judgements[0].Word, len(v.Patch.Judgements[0].Obligations)
	}
	return l
}

// listed compares the list with every find in it.
func (r *rig) listed(after string) {
	r.t.Helper()
	list := fetch[FindList](r, "/api/finds?most=1000")
	if len(list.Lines) != list.Of {
		r.t.Errorf("%s: %d lines of %d", after, len(list.Lines), list.Of)
	}
	for _, l := range list.Lines {
		v := fetch[finds.View](r, "/api/finds/"+l.ID)
		if a, b := mustJSON(l), mustJSON(lineOf(&v)); a != b {
			r.t.Errorf("%s: the list says %s, the find %s", after, a, b)
		}
	}
}

// Whatever is written, through whichever door, the lists say what the finds say: a
// summary whose inputs have changed is never shown.
func TestListsFollowEveryWrite(t *testing.T) {
	r := newRig(t)
	r.listed("at first")
	r.must("POST", "/api/finds", map[string]any{"id": "other-hands", "day": "2026-10-03", "person": "rowan", "stages": []string{"fruit"}, "facts": map[string]any{"intent": "eat", "target": "sambucus-nigra", "part": "fruit", "preparation": "cooked"}})
	chance := rand.New(rand.NewPCG(12, 1))
	traits := r.book.Engine.Index().Book.Traits
	targets := []string{"demo-sloes", "demo-sloes-home", "demo-girolle", "demo-chestnut", "other-hands"}
	writes := map[string]func(id string, n int){
		"an answer": func(id string, n int) {
			tr := &traits[chance.IntN(len(traits))]
			if len(tr.States) == 0 {
				return
			}
			r.do("POST", "/api/finds/"+id+"/log", r.line("answered", fmt.Sprintf(`{"answer":{"trait":%q,"kind":"seen","states":[%q]}}`, tr.ID, tr.States[chance.IntN(len(tr.States))].ID)))
		},
		"handling": func(id string, n int) {
			r.do("POST", "/api/finds/"+id+"/log", r.line("handled", `{"smell":"garlic","on":"hands"}`))
		},
		"clean hands": func(id string, n int) { r.do("POST", "/api/finds/"+id+"/log", r.line("clean-hands", `{}`)) },
		"a specimen": func(id string, n int) {
			r.do("POST", "/api/finds/"+id+"/specimens", fmt.Sprintf(`{"id":"x%d"}`, n))
		},
		"a count": func(id string, n int) {
			r.do("PUT", "/api/finds/"+id+"/specimens/s1/count", fmt.Sprintf(`{"was":0,"count":%d,"picked":%d}`, n, n+3))
		},
		"a profile": func(id string, n int) {
			r.do("PUT", "/api/people/rowan", fmt.Sprintf(`{"name":"Rowan","rev":%d,"profile":{"colourDiffers":%v,"smellWeak":%v,"facts":[],"answered":[],"signOffs":[]}}`, r.revOf("rowan"), n%2 == 0, n%3 == 0))
		},
		"facts": func(id string, n int) {
			v := fetch[finds.View](r, "/api/finds/"+id)
			v.Facts.Intent = []string{"eat", "keep", "clear", "record"}[n%4]
			r.do("PUT", "/api/finds/"+id+"/facts", mustJSON(v.Facts))
		},
	}
	names := []string{"an answer", "an answer", "an answer", "handling", "clean hands", "a specimen", "a count", "a profile", "facts"}
	for n := range soaking(25, 400) {
		name, id := names[chance.IntN(len(names))], targets[chance.IntN(len(targets))]
		writes[name](id, n)
		r.listed(fmt.Sprintf("%d: %s in %s", n, name, id))
		if t.Failed() {
			return
		}
	}
	if found := r.book.Upkeep.Check(1000); len(found.Anew) > 0 {
		t.Errorf("summaries differ from a replay: %v", found.Anew)
	}
}

func (r *rig) revOf(person string) int64 {
	p, err := r.book.Store.Person(person)
	if err != nil {
		r.t.Fatal(err)
	}
	return p.Rev
}

// A summary that was changed past the program is found out when it is compared with a
// replay, and made anew.
func TestAWrongSummaryIsFoundOut(t *testing.T) {
	r := newRig(t)
	db, err := sql.Open("sqlite", r.book.Store.Path())
	if err != nil {
		t.Fatal(err)
	}
	if _, err := db.Exec("UPDATE find_summaries SET doc = replace(doc, 'not-yet', 'checks-complete') WHERE find_id = 'demo-chestnut'"); err != nil {
		t.Fatal(err)
	}
	if err := db.Close(); err != nil {
		t.Fatal(err)
	}
	if found := r.book.Upkeep.Check(10); len(found.Anew) != 1 || found.Anew[0] != "demo-chestnut" {
		t.Errorf("found out: %v", found.Anew)
	}
	if found := r.book.Upkeep.Check(10); len(found.Anew) != 0 {
		t.Errorf("it stays: %v", found.Anew)
	}
	r.listed("made anew")
}
