package httpapi

import (
	"strings"
	"testing"
	"time"
)

// A test that takes time runs from its own start, through a second press, until
// it is read or given up.
func TestWaits(t *testing.T) {
	r := newRig(t)
	const path = "/api/finds/demo-girolle/specimens/s1/waits/"
	one := view(t, r.do("PUT", path+"spore-print", ""))
	if len(one.Waits) != 1 || one.Waits[0].Trait != "spore-print" || one.Waits[0].Minutes != 240 {
		t.Fatalf("%+v", one.Waits)
	}
	later := r.book.Now().Add(time.Hour)
	r.book.Now = func() time.Time { return later }
	again := view(t, r.do("PUT", path+"spore-print", ""))
	if len(again.Waits) != 1 || again.Waits[0].StartedMS != one.Waits[0].StartedMS {
		t.Errorf("a second press began anew: %+v, then %+v", one.Waits, again.Waits)
	}
	view(t, r.do("PUT", path+"flesh-cut", ""))
	read := view(t, r.do("POST", "/api/finds/demo-girolle/log", r.line("answered", `{"answer":{"trait":"spore-print","kind":"seen","states":["white"],"minutes":60,"paper":"half"}}`)))
	if len(read.Waits) != 1 || read.Waits[0].Trait != "flesh-cut" {
		t.Errorf("after the reading: %+v", read.Waits)
	}
	early := false
	for _, x := range read.Patch.Judgements[0].Readings {
		early = early || x.Trait.ID == "spore-print" && x.Soundness == "shaky"
	}
	if !early {
		t.Error("a print read after one of four hours is not shaky")
	}
	if gone := view(t, r.do("DELETE", path+"flesh-cut", "")); len(gone.Waits) != 0 {
		t.Errorf("after giving up: %+v", gone.Waits)
	}
	for p, want := range map[string]string{path + "cap-shape": "needs no waiting", path + "cap-shapes": "no trait", strings.Replace(path, "s1", "s9", 1) + "flesh-cut": "no specimen"} {
		if w := r.do("PUT", p, ""); w.Code != 422 || !strings.Contains(w.Body.String(), want) {
			t.Errorf("%s: %d %s", p, w.Code, w.Body)
		}
	}
	if w := r.do("PUT", "/api/finds/nothing/specimens/s1/waits/flesh-cut", ""); w.Code != 404 {
		t.Errorf("a wait of no find: %d", w.Code)
	}
}
