package httpapi

import (
	"fmt"
	"io/fs"
	"strings"
	"sync"
	"testing"
	"testing/fstest"

	"zestythicket/agenda"
	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/incidents"
	"zestythicket/kitchen"
	"zestythicket/people"
)

// lots is the kitchen of the demo with a bag of its sloes.
func lots(t *testing.T) *dayRig {
	t.Helper()
	r := newDay(t)
	r.must("POST", "/api/kitchen", map[string]any{"key": "kitchen-0001", "kind": "bagged", "lot": "B1", "find": "demo-sloes", "gross": "260", "tare": "10", "pieces": 100, "checked": 100})
	return r
}

func lotOf(k *kitchen.Kitchen, id string) *kitchen.LotView {
	for i := range k.Lots {
		if k.Lots[i].ID == id {
			return &k.Lots[i]
		}
	}
	return nil
}

// Two screens on one lot: the second is told, and nothing is taken twice.
func TestTwoScreensOnOneLot(t *testing.T) {
	r := lots(t)
	k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	rev := lotOf(&k, "B1").Rev
	act := func(key string) map[string]any {
		return map[string]any{"key": key, "kind": "threw", "lot": "B1", "amount": "20", "why": "stalks", "seen": map[string]int64{"B1": rev}}
	}
	r.must("POST", "/api/kitchen", act("screen-one-1"))
	if w := r.do("POST", "/api/kitchen", mustJSON(act("screen-two-1"))); w.Code != 409 || !strings.Contains(w.Body.String(), "another screen") {
		t.Errorf("the second screen: %d %s", w.Code, w.Body)
	}
	// The first one sent again, since its answer was lost, is the same one.
	r.must("POST", "/api/kitchen", act("screen-one-1"))
	k = fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if l := lotOf(&k, "B1"); l.Grams != "230" || k.Balance != "0" {
		t.Errorf("%s g left, %s g too much", l.Grams, k.Balance)
	}
}

// Servings of one meal are told by its word, from each of its lots.
func TestOneMeal(t *testing.T) {
	r := lots(t)
	r.must("POST", "/api/kitchen", map[string]any{"key": "meal-000001", "kind": "ate", "lot": "S3", "amount": "8", "person": "rowan", "meal": "Sunday’s sauce"})
	if e := fetch[kitchen.TraceView](r.rig, "/api/lots/S1").Eaters; len(e) != 2 || e[1].Meal != "Sunday’s sauce" || e[0].Meal != "" {
		t.Errorf("%+v", e)
	}
}

// Many hands at once take no more than there is.
func TestNoMoreThanThereIs(t *testing.T) {
	r := lots(t)
	var wg sync.WaitGroup
	codes := make([]int, 40)
	for i := range codes {
		wg.Add(1)
		go func() {
			defer wg.Done()
			codes[i] = r.do("POST", "/api/kitchen", fmt.Sprintf(`{"key":"at-once-%04d","kind":"threw","lot":"B1","amount":"20"}`, i)).Code
		}()
	}
	wg.Wait()
	ok := 0
	for _, c := range codes {
		if c == 200 {
			ok++
		} else if c != 422 {
			t.Errorf("one was answered with %d", c)
		}
	}
	k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if l := lotOf(&k, "B1"); ok != 12 || l.Grams != "10" || k.Balance != "0" {
		t.Errorf("%d of 12 were taken, %s g left, %s g too much", ok, l.Grams, k.Balance)
	}
}

// What is refused says where and why, and leaves the book as it was.
func TestRefusedInTheKitchen(t *testing.T) {
	r := lots(t)
	before := r.do("GET", "/api/kitchen", "").Body.String()
	lines := len(fetch[kitchen.TraceView](r.rig, "/api/lots/B1").Lines)
	for name, c := range map[string][2]string{
		"net below zero":      {`"kind":"bagged","lot":"B2","find":"demo-sloes","gross":"9","tare":"10"`, "weigh the full bag"},
		"no such find":        {`"kind":"bagged","lot":"B2","find":"no-such-find","gross":"90","tare":"10"`, "no find"},
		"a code twice":        {`"kind":"bagged","lot":"B1","find":"demo-sloes","gross":"90","tare":"10"`, "take another code"},
		"picked later":        {`"kind":"bagged","lot":"B2","find":"demo-sloes","gross":"90","tare":"10","atMs":1000`, "before it was picked"},
		"still to come":       {`"kind":"threw","lot":"B1","amount":"1","atMs":99999999999999`, "still to come"},
		"more than is there":  {`"kind":"threw","lot":"B1","amount":"250.1"`, "left in B1"},
		"no number":           {`"kind":"threw","lot":"B1","amount":"some"`, "is no weight"},
		"more out than in":    {`"kind":"made","from":[{"lot":"B1","amount":"10"}],"to":[{"lot":"M","amount":"12","form":"cooked"}],"loss":"rest"`, "more came out than went in, by 2 g"},
		"does not add up":     {`"kind":"made","from":[{"lot":"B1","amount":"10"}],"to":[{"lot":"M","amount":"9","form":"cooked"}]`, "10 g went in and 9 g came out"},
		"no such form":        {`"kind":"made","from":[{"lot":"B1","amount":"10"}],"to":[{"lot":"M","amount":"10","form":"smoked"}]`, "is no form"},
		"nobody of that name": {`"kind":"ate","lot":"B1","amount":"1","person":"nobody"`, "nobody is known"},
		"no such lot":         {`"kind":"threw","lot":"Z9","amount":"1"`, "there is no lot"},
		"freed for no reason": {`"kind":"freed","lot":"B1","by":"Rowan"`, "for a reason"},
		"no such step":        {`"kind":"did","lot":"B1","step":"peel"`, "none of its steps"},
	} {
		w := r.do("POST", "/api/kitchen", `{"key":"refused-0001",`+c[0]+`}`)
		if w.Code != 422 || !strings.Contains(w.Body.String(), c[1]) {
			t.Errorf("%s: %d %s", name, w.Code, w.Body)
		}
	}
	clock := func(s string) string { return s[:strings.LastIndex(s, `"nowMs"`)] }
	if after := r.do("GET", "/api/kitchen", "").Body.String(); clock(after) != clock(before) || len(fetch[kitchen.TraceView](r.rig, "/api/lots/B1").Lines) != lines {
		t.Error("a refusal changed something")
	}
}

// "All" and "rest" are put as numbers when they are written down; ounces add up to
// the last digit.
func TestAllAndRest(t *testing.T) {
	r := lots(t)
	r.must("POST", "/api/kitchen", map[string]any{"key": "all-rest-01", "kind": "made", "unit": "oz", "from": []any{map[string]string{"lot": "B1", "amount": "all"}}, "to": []any{map[string]string{"lot": "O1", "amount": "3.3", "form": "dried"}, map[string]string{"lot": "O2", "amount": "1.7", "form": "frozen"}}, "loss": "rest"})
	k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if b, o := lotOf(&k, "B1"), lotOf(&k, "O1"); b.Grams != "0" || o.Grams != "93.5534263125" || k.Balance != "0" {
		t.Errorf("B1 %s g, O1 %s g, %s g too much", b.Grams, o.Grams, k.Balance)
	}
	lines := fetch[kitchen.TraceView](r.rig, "/api/lots/O1").Lines
	if len(lines) != 1 || !strings.Contains(lines[0].What, "from 250 g of B1; 108.3 g lost") {
		t.Errorf("%+v", lines)
	}
}

// Whoever ate something, or found something, is not taken out of the trace.
func TestNobodyLeavesTheTrace(t *testing.T) {
	r := lots(t)
	for who, want := range map[string]string{"rowan": "ate of something here", "teasel": "has finds here"} {
		if w := r.do("DELETE", "/api/people/"+who, ""); w.Code != 422 || !strings.Contains(w.Body.String(), want) {
			t.Errorf("%s: %d %s", who, w.Code, w.Body)
		}
	}
	r.must("PUT", "/api/people/burnet", map[string]any{"name": "Burnet", "profile": people.Profile{Facts: []string{}, Answered: []string{}, SignOffs: []people.SignOff{}}})
	r.must("DELETE", "/api/people/burnet", nil)
	if w := r.do("DELETE", "/api/people/burnet", ""); w.Code != 404 {
		t.Errorf("gone twice: %d", w.Code)
	}
}

// A limit of the place is shared by all bags of the day, whoever carries them.
func TestLimitOfThePlace(t *testing.T) {
	r := newDay(t)
	r.truth("day-find", &beginning{Target: "rubus-fruticosus", Part: "fruit", Prep: "cooked", Region: "EU", Stage: "fruit", Day: "2026-10-16", Place: "Tarn Wood, Quillow valley"})
	stand := map[string]any{"here": 2000, "each": "2", "people": 1}
	again := func(how kitchen.HowMuch) { stand["rev"] = how.Stand.Rev }
	how := put[kitchen.HowMuch](t, r.rig, "/api/finds/day-find/amount", stand)
	if how.Pieces != 250 || how.Weight != "500 g" { // 0.5 kg a person and day in Tarn Wood, 30 in 100 would be 600
		t.Fatalf("%d pieces, %s: %+v", how.Pieces, how.Weight, how.Steps)
	}
	r.must("POST", "/api/kitchen", map[string]any{"key": "limit-000001", "kind": "bagged", "lot": "B1", "find": "day-find", "gross": "310", "tare": "10"})
	again(how)
	if how = put[kitchen.HowMuch](t, r.rig, "/api/finds/day-find/amount", stand); how.Pieces != 100 {
		t.Errorf("after 300 g: %d pieces: %+v", how.Pieces, how.Steps)
	}
	again(how)
	stand["people"] = 2
	if how = put[kitchen.HowMuch](t, r.rig, "/api/finds/day-find/amount", stand); how.Pieces != 350 {
		t.Errorf("for two: %d pieces: %+v", how.Pieces, how.Steps)
	}
	again(how)
	stand["each"] = ""
	if how = put[kitchen.HowMuch](t, r.rig, "/api/finds/day-find/amount", stand); how.Pieces != 0 || len(how.Open) == 0 {
		t.Errorf("by weight with no weight: %d pieces, %v", how.Pieces, how.Open)
	}
	if w := r.do("PUT", "/api/finds/day-find/amount", `{"here":10,"share":"most"}`); w.Code != 422 {
		t.Errorf("a share of most: %d", w.Code)
	}
	if how = fetch[kitchen.HowMuch](r.rig, "/api/finds/day-find/amount"); how.Stand.Here != 2000 {
		t.Errorf("what was counted before is gone: %+v", how.Stand)
	}
}

// Settings can be made stricter, never laxer; a number has digits.
func TestSettings(t *testing.T) {
	r := newRig(t)
	good := people.Settings{Numbers: []people.Number{{Label: "Poison service", Number: "+00 555 010"}}, WaitHours: 48, TasteMost: "10", Unit: "oz", Trimmed: "0.1"}
	if got := put[people.Settings](t, r, "/api/settings", good); got.WaitHours != 48 {
		t.Errorf("%+v", got)
	}
	for name, c := range map[string]func(*people.Settings){
		"a wait of an hour":      func(s *people.Settings) { s.WaitHours = 1 },
		"a day less an hour":     func(s *people.Settings) { s.WaitHours = 23 },
		"a plate as first taste": func(s *people.Settings) { s.TasteMost = "200" },
		"words for a number":     func(s *people.Settings) { s.Numbers = []people.Number{{Label: "Doctor", Number: "ask next door"}} },
		"a number of nobody":     func(s *people.Settings) { s.Numbers = []people.Number{{Label: " ", Number: "5"}} },
		"twice the section":      func(s *people.Settings) { s.Trimmed = "2" },
	} {
		s := good
		c(&s)
		if w := r.do("PUT", "/api/settings", mustJSON(s)); w.Code != 422 {
			t.Errorf("%s: %d %s", name, w.Code, w.Body)
		}
	}
	k := fetch[kitchen.Kitchen](r, "/api/kitchen")
	if s := lotOf(&k, "S3"); k.Wait != 48 || k.Most != "10" || s.Left != "4.52 oz" || s.Grams != "128" {
		t.Errorf("wait %d, at most %s g, S3 %s (%s g)", k.Wait, k.Most, s.Left, s.Grams)
	}
	if a := fetch[incidents.FirstAid](r, "/api/aid"); len(a.Numbers) != 1 || len(a.Aid["eaten"]) < 3 || len(a.Windows["eaten"]) < 30 || a.Windows["eaten"][0].GradeWord != "deadly" {
		t.Errorf("%d numbers, %d steps, %d windows", len(a.Numbers), len(a.Aid["eaten"]), len(a.Windows["eaten"]))
	}
}

// Every word of a search must stand in a line; case and accents don't count.
func TestJournal(t *testing.T) {
	r := newRig(t)
	all := fetch[agenda.Journal](r, "/api/journal")
	if len(all.Lines) != all.Of || all.Of < 8 {
		t.Fatalf("%d of %d lines", len(all.Lines), all.Of)
	}
	for q, want := range map[string]int{"SLOE rowan ate": 1, "sl%C3%B6e+rowan+ate": 1, "prunus+spinosa": 2, "sloe zzz": 0, "2026-10-04+bagged": 1} {
		if j := fetch[agenda.Journal](r, "/api/journal?q="+strings.ReplaceAll(q, " ", "+")); len(j.Lines) != want || j.Of != all.Of {
			t.Errorf("%q: %d lines, want %d: %+v", q, len(j.Lines), want, j.Lines)
		}
	}
	if len(all.Years) != 1 || all.Years[0].Weight != "262 g" || all.Years[0].First != "2026-10-04" {
		t.Errorf("%+v", all.Years)
	}
}

// The kitchen stands in today’s list: a clock that runs, a taste, and an incident
// above all, until a person closes it.
func TestKitchenToday(t *testing.T) {
	r := lots(t)
	r.must("POST", "/api/kitchen", map[string]any{"key": "today-00001", "kind": "began", "lot": "B1", "step": "stone"})
	r.must("PUT", "/api/incidents/today-incident", map[string]any{"id": "today-incident", "beganMs": 0, "exposures": []any{map[string]any{"id": "e1", "route": "skin", "atMs": r.now.UnixMilli() - 1000, "what": "sap"}}, "symptoms": []any{}, "calls": []any{}, "closings": []any{}, "rev": 0})
	kinds := func() (out []string) {
		for _, d := range fetch[agenda.Today](r.rig, "/api/today").Due {
			out = append(out, d.Kind)
		}
		return
	}
	if k := kinds(); k[0] != "incident" || !strings.Contains(strings.Join(k, " "), "step") || !strings.Contains(strings.Join(k, " "), "keep") {
		t.Errorf("%v", k)
	}
	closing := map[string]any{"exposure": "e1", "by": "Rowan", "advice": "poison service: no more to do", "atMs": r.now.UnixMilli()}
	r.must("PUT", "/api/incidents/today-incident", map[string]any{"id": "today-incident", "beganMs": 0, "exposures": []any{map[string]any{"id": "e1", "route": "skin", "atMs": r.now.UnixMilli() - 1000, "what": "sap"}}, "symptoms": []any{}, "calls": []any{}, "closings": []any{closing}, "rev": 1})
	if k := kinds(); k[0] == "incident" {
		t.Error("it was closed and still stands there")
	}
}

// An incident sent twice is one, whatever became of the first answer.
func TestIncidentSentAgain(t *testing.T) {
	r := lots(t)
	doc := map[string]any{"id": "sent-twice", "beganMs": 0, "exposures": []any{map[string]any{"id": "e1", "route": "eaten", "atMs": r.now.UnixMilli(), "lot": "B1"}}, "symptoms": []any{}, "calls": []any{}, "closings": []any{}, "rev": 0}
	r.must("PUT", "/api/incidents/sent-twice", doc)
	r.must("PUT", "/api/incidents/sent-twice", doc)
	v := fetch[incidents.IncidentView](r.rig, "/api/incidents/sent-twice")
	k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if v.Incident.Rev != 1 || len(lotOf(&k, "B1").Holds) != 1 {
		t.Errorf("revision %d, %d holds", v.Incident.Rev, len(lotOf(&k, "B1").Holds))
	}
	// A screen that did not know the latest: what only grows is joined, and where both
	// wrote the same words it is told, with what is stored.
	doc["note"] = "one screen"
	r.must("PUT", "/api/incidents/sent-twice", doc)
	doc["note"] = "another screen"
	if w := r.do("PUT", "/api/incidents/sent-twice", mustJSON(doc)); w.Code != 409 || !strings.Contains(w.Body.String(), "one screen") {
		t.Errorf("an old revision with other words: %d %s", w.Code, w.Body)
	}
}

// When the guide learns of something dangerous that looks the same, what was made of
// a find stands in the list of recalls with whoever ate of it, and nothing of it is
// eaten any more; no hold had to be laid.
func TestRecallAfterTheGuideChanged(t *testing.T) {
	r := lots(t)
	text, err := fs.ReadFile(data.FS, "taxa/plants/prunus-spinosa.yaml")
	if err != nil {
		t.Fatal(err)
	}
	// Everything as the sloe has it, and deadly.
	head, cells, ok := strings.Cut(string(text), "cells:\n")
	if !ok || !strings.Contains(head, "profiles: [prunus, woody]") {
		t.Fatal("the entry has changed; write the double anew")
	}
	double := "id: prunus-mortifera\nkingdom: plant\nrank: species\nscientific: Prunus mortifera\ncommon: [Quillow sloe]\nfamily: Rosaceae\nsummary: An invented double of the sloe.\nprofiles: [prunus, woody]\n" +
		"hazards:\n  - {grade: 3, why: Invented for this test, source: common-practice}\nregions: [EU]\nhabitats: [wood-edge]\nstages: [winter-twig, shoot, leaf, flower, fruit]\nwindows:\n  - {stages: [fruit], months: 9-11}\ncells:\n" + cells
	before := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if len(before.Recalls) != 0 || lotOf(&before, "S3").State != "open" {
		t.Fatalf("%+v", before.Recalls)
	}
	book, problems, err := load.LoadOverlay(data.FS, fstest.MapFS{"double.yaml": {Data: []byte(double)}}, "overlay/")
	if err != nil || len(problems) > 0 {
		t.Fatal(err, problems)
	}
	ix, err := guide.Compile(book, guide.DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	r.book.Engine = evidence.New(ix, evidence.StandardDefaults())
	k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if len(k.Recalls) != 1 || k.Recalls[0].Find != "demo-sloes" || len(k.Recalls[0].Lots) != 4 || len(k.Recalls[0].Eaters) != 1 || k.Recalls[0].Eaters[0].Name != "Rowan" {
		t.Fatalf("%+v", k.Recalls)
	}
	if s := lotOf(&k, "S3"); s.State == "open" {
		t.Errorf("S3: %s", s.What)
	}
	if w := r.do("POST", "/api/kitchen", `{"key":"after-all-01","kind":"ate","lot":"S3","amount":"5","person":"rowan"}`); w.Code != 422 {
		t.Errorf("eaten all the same: %d", w.Code)
	}
}
