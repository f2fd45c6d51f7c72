package httpapi

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"net/http/httptest"
	"strings"
	"sync"
	"testing"
	"time"

	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/incidents"
	"zestythicket/kitchen"
	"zestythicket/store"
)

// meal is an incident of one meal of a lot.
func meal(id, exposure, lot string, at time.Time, rev int64) map[string]any {
	return map[string]any{"id": id, "beganMs": 0, "exposures": []any{map[string]any{"id": exposure, "route": "eaten", "atMs": at.UnixMilli(), "lot": lot}}, "symptoms": []any{}, "calls": []any{}, "closings": []any{}, "rev": rev}
}

func clocksOf(v *incidents.IncidentView) (fromBook int, odd int) {
	for _, c := range v.Clocks {
		if c.FromBook {
			fromBook++
		}
		if c.OddTime {
			odd++
		}
	}
	return fromBook, odd
}

// Meals stay in reach whatever the clock did between meal and incident: back a
// minute, an hour, a year, or far ahead while they were eaten.
func TestMealsInReachWhateverTheClocksDid(t *testing.T) {
	jumps := map[string]time.Duration{"right": time.Minute, "back a minute": -time.Minute, "back an hour": -time.Hour, "back a year": -365 * 24 * time.Hour, "ahead two months": 60 * 24 * time.Hour}
	chance := rand.New(rand.NewPCG(7, 11))
	for range soaking(0, 200) {
		back := -time.Duration(1+chance.Int64N(int64(800*24*time.Hour/time.Second))) * time.Second
		jumps["back "+back.String()] = back
	}
	for name, jump := range jumps {
		r := lots(t)
		r.now = time.Date(2026, 10, 16, 19, 0, 0, 0, time.UTC)
		for i := range 2 {
			r.must("POST", "/api/kitchen", map[string]any{"key": fmt.Sprintf("clock-meal-%d", i), "kind": "ate", "lot": "S3", "amount": "4", "person": "rowan", "meal": "supper"})
		}
		if jump > 0 && jump > 24*time.Hour {
			// The clock stood two months ahead when the meals were entered, and is right now.
			jump = -jump
		}
		r.now = r.now.Add(jump)
		r.must("PUT", "/api/incidents/clock-incident", map[string]any{"id": "clock-incident", "beganMs": 0, "exposures": []any{}, "symptoms": []any{map[string]any{"atMs": r.now.UnixMilli(), "person": "Rowan", "what": "sick"}}, "calls": []any{}, "closings": []any{}, "rev": 0})
		v := fetch[incidents.IncidentView](r.rig, "/api/incidents/clock-incident")
		book, odd := clocksOf(&v)
		if book < 2 {
			t.Errorf("%s: %d meals in reach, want both", name, book)
		}
		if jump < 0 && odd == 0 {
			t.Errorf("%s: nothing says that a clock was wrong", name)
		}
		// A meal after the incident is not of it.
		r.now = time.Date(2028, 3, 1, 19, 0, 0, 0, time.UTC)
		r.must("POST", "/api/kitchen", map[string]any{"key": "clock-meal-9", "kind": "ate", "lot": "S3", "amount": "4", "person": "rowan", "meal": "much later"})
		v = fetch[incidents.IncidentView](r.rig, "/api/incidents/clock-incident")
		if later, _ := clocksOf(&v); later != book {
			t.Errorf("%s: a meal of a year later is in reach: %d, was %d", name, later, book)
		}
	}
}

// Two screens save one incident at once: both are answered, and nothing of either is
// gone.
func TestTwoScreensOnOneIncident(t *testing.T) {
	r := lots(t)
	for round := range soaking(20, 1000) {
		path := fmt.Sprintf("/api/incidents/two-screens-%d", round/20)
		if round%20 == 0 {
			r.must("PUT", path, meal(path[len("/api/incidents/"):], "e1", "S3", r.now, 0))
		}
		v := fetch[incidents.IncidentView](r.rig, path)
		var wg sync.WaitGroup
		codes := make([]int, 2)
		for i := range codes {
			doc := v.Incident
			call := incidents.Call{AtMS: int64(1000*round + i), Whom: fmt.Sprintf("screen %d", i), Said: fmt.Sprintf("round %d", round)}
			doc.Calls = append(append([]incidents.Call{}, doc.Calls...), call)
			wg.Add(1)
			go func() {
				defer wg.Done()
				codes[i] = r.do("PUT", path, mustJSON(doc)).Code
			}()
		}
		wg.Wait()
		if codes[0] != 200 || codes[1] != 200 {
			t.Fatalf("round %d: %v", round, codes)
		}
		after := fetch[incidents.IncidentView](r.rig, path)
		if len(after.Incident.Calls) != len(v.Incident.Calls)+2 {
			t.Fatalf("round %d: %d calls, were %d and two were added", round, len(after.Incident.Calls), len(v.Incident.Calls))
		}
	}
}

// Two exposures sent with one id are both stored, each with its own.
func TestExposuresWithOneID(t *testing.T) {
	r := lots(t)
	doc := meal("one-id-twice", "eaten-2", "S3", r.now, 0)
	doc["exposures"] = append(doc["exposures"].([]any), map[string]any{"id": "eaten-2", "route": "eaten", "atMs": r.now.UnixMilli(), "what": "something else"})
	r.must("PUT", "/api/incidents/one-id-twice", doc)
	v := fetch[incidents.IncidentView](r.rig, "/api/incidents/one-id-twice")
	if x := v.Incident.Exposures; len(x) != 2 || x[0].ID == x[1].ID || x[1].What != "something else" {
		t.Errorf("%+v", x)
	}
}

// A second meal of a lot that was freed meanwhile holds it again; saving the same
// thing once more does not.
func TestSecondMealOfALotIsHeld(t *testing.T) {
	r := lots(t)
	doc := meal("held-again", "e1", "B1", r.now, 0)
	r.must("PUT", "/api/incidents/held-again", doc)
	holds := func() int {
		k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
		return len(lotOf(&k, "B1").Holds)
	}
	r.must("POST", "/api/kitchen", map[string]any{"key": "freed-000001", "kind": "freed", "lot": "B1", "by": "Rowan", "why": "the doctor says so"})
	if holds() != 0 {
		t.Fatal("it was freed and is held")
	}
	doc["rev"], doc["note"] = 1, "more"
	r.must("PUT", "/api/incidents/held-again", doc)
	if holds() != 0 {
		t.Error("held again by a word, without another meal")
	}
	doc["rev"] = 2
	doc["exposures"] = append(doc["exposures"].([]any), map[string]any{"id": "e2", "route": "eaten", "atMs": r.now.UnixMilli(), "lot": "B1"})
	r.must("PUT", "/api/incidents/held-again", doc)
	if holds() != 1 {
		t.Errorf("a second meal: %d holds", holds())
	}
	// Another incident whose id begins the same.
	r.must("POST", "/api/kitchen", map[string]any{"key": "freed-000002", "kind": "freed", "lot": "B1", "by": "Rowan", "why": "again"})
	r.must("PUT", "/api/incidents/held-again-and-again-once-more", meal("held-again-and-again-once-more", "e1", "B1", r.now, 0))
	r.must("POST", "/api/kitchen", map[string]any{"key": "freed-000003", "kind": "freed", "lot": "B1", "by": "Rowan", "why": "again"})
	r.must("PUT", "/api/incidents/held-again-and-again-once-less", meal("held-again-and-again-once-less", "e1", "B1", r.now, 0))
	if holds() != 1 {
		t.Errorf("another incident of a like id: %d holds", holds())
	}
}

// A bag whose time lies ahead, since the clock did, is held and thrown away all the
// same, and an incident that names it is stored.
func TestBagFromAClockThatWasAhead(t *testing.T) {
	r := newDay(t)
	r.now = r.now.Add(48 * time.Hour)
	r.must("POST", "/api/kitchen", map[string]any{"key": "ahead-000001", "kind": "bagged", "lot": "B7", "find": "demo-sloes", "gross": "260", "tare": "10", "pieces": 10, "checked": 10})
	r.now = r.now.Add(-72 * time.Hour)
	if w := r.do("PUT", "/api/incidents/from-ahead", mustJSON(meal("from-ahead", "e1", "B7", r.now, 0))); w.Code != 200 {
		t.Errorf("the incident: %d %s", w.Code, w.Body)
	}
	if v := fetch[incidents.IncidentView](r.rig, "/api/incidents/from-ahead"); len(v.Held) == 0 {
		t.Error("nothing is held")
	}
	if w := r.do("POST", "/api/kitchen", `{"key":"ahead-000002","kind":"threw","lot":"B7","amount":"20","why":"soft"}`); w.Code != 200 {
		t.Errorf("thrown away: %d %s", w.Code, w.Body)
	}
}

// One bad line or find never takes a page: it is set aside and listed with what it
// says, everything else works, and an incident above all.
func TestBadRowsAreSetAside(t *testing.T) {
	r := lots(t)
	before := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	for i, doc := range []string{`{broken`, `{"key":"x","kind":"threw","lot":"B1","amount":"99999 g"}`, `{"key":"y","kind":"ate","lot":"no-such-lot","amount":"1","person":"rowan"}`} {
		if _, err := r.book.Store.AppendKitchen(&store.KitchenLine{Key: fmt.Sprintf("bad-line-%02d", i), Kind: "threw", Doc: doc}); err != nil {
			t.Fatal(err)
		}
	}
	if err := r.book.Store.ChangeFind("demo-girolle", func(f *store.Find) error { f.Facts = "{broken facts"; return nil }); err != nil {
		t.Fatal(err)
	}
	if err := r.book.Store.ChangeFind("demo-sloes", func(f *store.Find) error { f.Facts = "{sloes"; return nil }); err != nil {
		t.Fatal(err)
	}
	if err := r.book.Store.SaveNote(&store.Note{Kind: "place", ID: "bad-place", Doc: "{no place"}); err != nil {
		t.Fatal(err)
	}
	for _, path := range []string{"/api/finds", "/api/today", "/api/kitchen", "/api/journal", "/api/lots/B1", "/api/lots/S2", "/api/places", "/api/rejudged", "/api/incidents", "/api/reminders", "/api/data"} {
		if w := r.do("GET", path, ""); w.Code != 200 {
			t.Errorf("%s: %d %s", path, w.Code, w.Body)
		}
	}
	k := fetch[kitchen.Kitchen](r.rig, "/api/kitchen")
	if len(k.Aside) != 3 || !strings.Contains(k.Aside[0].Said, "broken") || len(k.Lots) != len(before.Lots) || k.Balance != "0" {
		t.Errorf("%d set aside, %d lots, balance %s: %+v", len(k.Aside), len(k.Lots), k.Balance, k.Aside)
	}
	if l := lotOf(&k, "B1"); l.State != "held" || l.Grams != "250" {
		t.Errorf("a bag whose find can't be read: %s, %s g", l.State, l.Grams)
	}
	finds := fetch[FindList](r.rig, "/api/finds").Lines
	aside := 0
	for _, f := range finds {
		if f.Aside != "" && strings.Contains(f.Title, "broken facts") || f.Aside != "" && strings.Contains(f.Title, "sloes") {
			aside++
		}
	}
	if aside != 2 || len(finds) != 4 {
		t.Errorf("%d of %d finds set aside", aside, len(finds))
	}
	if w := r.do("PUT", "/api/incidents/all-the-same", mustJSON(meal("all-the-same", "e1", "B1", r.now, 0))); w.Code != 200 {
		t.Errorf("an incident: %d %s", w.Code, w.Body)
	}
	r.must("POST", "/api/kitchen", map[string]any{"key": "go-on-00001", "kind": "threw", "lot": "B1", "amount": "5", "why": "soft"})
	d := fetch[Data](r.rig, "/api/data")
	if d.Check != nil {
		t.Error("nobody has checked yet")
	}
	d = post[Data](t, r.rig, "/api/data/check")
	if d.Check == nil || d.Check.Whole || len(d.Check.Aside) != 6 {
		t.Errorf("%+v", d.Check)
	}
}

func post[T any](t *testing.T, r *rig, path string) T {
	t.Helper()
	w := r.do("POST", path, "")
	var out T
	if w.Code != 200 {
		t.Fatalf("%s: %d %s", path, w.Code, w.Body)
	}
	if err := json.Unmarshal(w.Body.Bytes(), &out); err != nil {
		t.Fatal(err)
	}
	return out
}

// A stale screen overwrites nothing: it is told, and gets what is stored; the same
// thing sent again is stored once.
func TestNoSilentOverwrite(t *testing.T) {
	r := newRig(t)
	profile := `"profile":{"colourDiffers":false,"smellWeak":false,"facts":[],"answered":[],"signOffs":[]}`
	for name, c := range map[string]struct{ path, first, second string }{
		"place":    {"/api/places/moss", `{"id":"moss","name":"Moss"}`, `{"id":"moss","name":"Moss","rev":1,"owner":"%s"}`},
		"walk":     {"/api/walks/w1", `{"id":"w1","day":"2026-11-01","title":"A"}`, `{"id":"w1","day":"2026-11-01","title":"%s","rev":1}`},
		"person":   {"/api/people/burnet", `{"name":"Burnet",` + profile + `}`, `{"name":"Burnet","rev":1,` + strings.Replace(profile, `"facts":[]`, `"facts":["allergy:%s"]`, 1) + `}`},
		"settings": {"/api/settings", `{"numbers":[],"waitHours":24,"tasteMost":"20","unit":"g","trimmed":"0.2"}`, `{"numbers":[{"label":"%s","number":"123"}],"waitHours":24,"tasteMost":"20","unit":"g","trimmed":"0.2","rev":1}`},
		"facts":    {"", "", `{"intent":"eat","kingdom":"plant","target":"castanea-sativa","part":"seed","preparation":"cooked","region":"EU","limit":"%s","rev":1}`},
		"amount":   {"/api/finds/demo-chestnut/amount", `{"here":10}`, `{"here":10,"share":"0.1","others":1,"need":%s,"rev":1}`},
		"sorted":   {"/api/finds/demo-chestnut/sorted", `{"counts":{"ripe":1}}`, `{"counts":{"ripe":%s},"rev":1}`},
	} {
		path := c.path
		if path == "" {
			path = "/api/finds/demo-chestnut/facts"
		} else if w := r.do("PUT", path, c.first); w.Code != 200 {
			t.Fatalf("%s: %d %s", name, w.Code, w.Body)
		}
		one, other := fmt.Sprintf(c.second, "11"), fmt.Sprintf(c.second, "22")
		if w := r.do("PUT", path, one); w.Code != 200 {
			t.Errorf("%s, the first screen: %d %s", name, w.Code, w.Body)
		}
		if w := r.do("PUT", path, other); w.Code != 409 || !strings.Contains(w.Body.String(), "11") {
			t.Errorf("%s, a stale screen: %d %s", name, w.Code, w.Body)
		}
		if w := r.do("PUT", path, one); w.Code != 200 {
			t.Errorf("%s, sent again: %d %s", name, w.Code, w.Body)
		}
		if w := r.do("PUT", path, strings.Replace(other, `"rev":1`, `"rev":2`, 1)); w.Code != 200 {
			t.Errorf("%s, knowing the latest: %d %s", name, w.Code, w.Body)
		}
	}
	// Counting touches the count alone, and sees what others counted.
	r.must("PUT", "/api/finds/demo-girolle/specimens/s1/count", map[string]any{"count": 2, "picked": 9})
	r.must("PUT", "/api/finds/demo-girolle/facts", map[string]any{"intent": "record", "kingdom": "fungus", "picked": 9, "rev": 2})
	r.must("PUT", "/api/finds/demo-girolle/specimens/s1/count", map[string]any{"was": 2, "count": 3, "picked": 10})
	v := fetch[finds.View](r, "/api/finds/demo-girolle")
	if v.Facts.Intent != "record" || v.Facts.Picked != 10 || v.Specimens[0].Count != 3 {
		t.Errorf("counting changed more than the count: %+v", v.Facts)
	}
	if w := r.do("PUT", "/api/finds/demo-girolle/specimens/s1/count", `{"was":2,"count":3}`); w.Code != 200 {
		t.Errorf("the same press sent again: %d", w.Code)
	}
	if w := r.do("PUT", "/api/finds/demo-girolle/specimens/s1/count", `{"was":2,"count":4}`); w.Code != 409 {
		t.Errorf("over what another screen counted: %d", w.Code)
	}
}

// Finds refer to places by id: another name changes no limit and no amount.
func TestRenamedPlaceKeepsItsLimits(t *testing.T) {
	r := newDay(t)
	r.truth("day-find", &beginning{Target: "rubus-fruticosus", Part: "fruit", Prep: "cooked", Region: "EU", Stage: "fruit", Day: "2026-10-16", Place: "Tarn Wood, Quillow valley"})
	stand := map[string]any{"here": 100000, "each": "2", "people": 1}
	how := put[kitchen.HowMuch](t, r.rig, "/api/finds/day-find/amount", stand)
	place := fetch[ground.Place](r.rig, "/api/places/tarn-wood")
	place.Name = "The wood by the tarn"
	put[ground.Place](t, r.rig, "/api/places/tarn-wood", place)
	after := fetch[kitchen.HowMuch](r.rig, "/api/finds/day-find/amount")
	if after.Pieces != how.Pieces || after.Weight != how.Weight || after.Weight != "500 g" {
		t.Errorf("after renaming: %d pieces, %s; before %d, %s", after.Pieces, after.Weight, how.Pieces, how.Weight)
	}
	if v := fetch[finds.View](r.rig, "/api/finds/day-find"); v.Place != place.Name || v.PlaceID != "tarn-wood" {
		t.Errorf("the find says %q, %q", v.Place, v.PlaceID)
	}
	if w := r.do("POST", "/api/finds", `{"id":"elsewhere-1","day":"2026-10-16","placeId":"no-such-place","facts":{"intent":"eat"}}`); w.Code != 422 {
		t.Errorf("a place that is not there: %d", w.Code)
	}
}

// Words that the guide does not know are refused, with the nearest that it does.
func TestUnknownWordsAreRefused(t *testing.T) {
	r := newRig(t)
	facts := func(more string) string { return `{"intent":"eat","kingdom":"plant","rev":1,` + more + `}` }
	for name, c := range map[string]struct{ method, path, body, want string }{
		"a smell":     {"POST", girolle + "/log", r.line("handled", `{"smell":"garlick"}`), "garlic"},
		"a habitat":   {"PUT", "/api/finds/demo-chestnut/facts", facts(`"habitats":["damp-wod"]`), "damp-wood"},
		"a part":      {"PUT", "/api/finds/demo-chestnut/facts", facts(`"part":"leef"`), "leaf"},
		"a use":       {"PUT", "/api/finds/demo-chestnut/facts", facts(`"preparation":"cookd"`), "cooked"},
		"a tool":      {"PUT", "/api/finds/demo-chestnut/facts", facts(`"tools":["lense"]`), "lens"},
		"an entry":    {"PUT", "/api/finds/demo-chestnut/facts", facts(`"recalled":["no-such-taxon"]`), "recalled"},
		"a fact":      {"PUT", "/api/people/rowan", `{"name":"R","rev":1,"profile":{"colourDiffers":false,"smellWeak":false,"facts":["kidney stones"],"answered":[],"signOffs":[]}}`, "kidney-stones"},
		"light":       {"POST", girolle + "/log", r.line("answered", `{"answer":{"trait":"cap-colour","kind":"seen","states":["brown"],"light":"dim"}}`), "light"},
		"a short day": {"PUT", "/api/settings", `{"numbers":[],"waitHours":12,"tasteMost":"20","unit":"g","trimmed":"0.2"}`, "24"},
	} {
		if w := r.do(c.method, c.path, c.body); w.Code != 422 || !strings.Contains(w.Body.String(), c.want) {
			t.Errorf("%s: %d %s", name, w.Code, w.Body)
		}
	}
	many := make([]string, 3000)
	for i := range many {
		many[i] = fmt.Sprintf("habitat-%d", i)
	}
	w := r.do("PUT", "/api/finds/demo-chestnut/facts", facts(`"habitats":`+mustJSON(many)))
	if w.Code != 422 || w.Body.Len() > 64<<10 || !strings.Contains(w.Body.String(), "2900 more") {
		t.Errorf("three thousand unknown words: %d, %d bytes", w.Code, w.Body.Len())
	}
}

// Nothing that is sent ends a connection without an answer, or is stored to blank a
// page.
func TestAbsurdNumbersAndShapes(t *testing.T) {
	r := newRig(t)
	raw := func(body string) *httptest.ResponseRecorder {
		return r.do("POST", "/api/tracks", body, "Content-Type", "application/octet-stream")
	}
	for _, ele := range []string{"<ele>NaN</ele>", "<ele>Inf</ele>", "<hdop>1e308</hdop>"} {
		if w := raw(`<gpx><wpt lat="54" lon="-2">` + ele + `</wpt></gpx>`); w.Code != 200 || !strings.Contains(w.Body.String(), "can't be") {
			t.Errorf("%s: %d %s", ele, w.Code, w.Body)
		}
	}
	for _, path := range []string{"/api/ring", "/api/patterns"} {
		if w := r.do("POST", path, `{"points":[{"lat":54,"lon":-2,"accuracy":1e308},{"lat":54.1,"lon":-2},{"lat":54.2,"lon":-2.1}]}`); w.Code != 422 {
			t.Errorf("%s: %d %s", path, w.Code, w.Body)
		}
		if w := r.do("POST", path, `{"points":[{"lat":54,"lon":-2},{"lat":54,"lon":-2},{"lat":54,"lon":-2}]}`); w.Code != 200 && w.Code != 422 {
			t.Errorf("%s, three times one spot: %d %s", path, w.Code, w.Body)
		}
	}
	shape := func(name string) string {
		return `{"type":"Feature","properties":{"name":` + name + `},"geometry":{"type":"Point","coordinates":[-2.9,54.4]}}`
	}
	place := func(name string) *httptest.ResponseRecorder {
		return r.do("PUT", "/api/places/shapes", mustJSON(map[string]any{"id": "shapes", "name": "Shapes", "map": shape(name)}))
	}
	if w := place(`{"en":"beck"}`); w.Code != 422 || !strings.Contains(w.Body.String(), "feature 1") {
		t.Errorf("a name that is no text: %d %s", w.Code, w.Body)
	}
	if w := place(`null`); w.Code != 200 {
		t.Errorf("no name: %d %s", w.Code, w.Body)
	}
}

// What is removed is not kept by the browser either, and no answer of the API is.
func TestNothingIsCached(t *testing.T) {
	r := newRig(t)
	for _, path := range []string{"/api/people", "/api/finds", "/api/kitchen"} {
		if c := r.do("GET", path, "").Header().Get("Cache-Control"); c != "no-store" {
			t.Errorf("%s: %q", path, c)
		}
	}
}

// A backup through the page: made while everything goes on, put back, and what was
// there is kept.
func TestDataPage(t *testing.T) {
	r := newRig(t)
	post[Data](t, r, "/api/data/backups")
	var d Data
	for n := 0; n < 2000; n++ {
		if d = fetch[Data](r, "/api/data"); !d.Running {
			break
		}
		time.Sleep(5 * time.Millisecond)
	}
	if d.Running || d.Problem != "" || len(d.Backups) != 1 || d.LastMS == 0 || d.Counts["finds"] == 0 {
		t.Fatalf("%+v", d)
	}
	before := len(fetch[FindList](r, "/api/finds").Lines)
	r.must("POST", "/api/finds", map[string]any{"id": "after-backup", "day": "2026-10-16", "facts": map[string]any{"intent": "eat", "kingdom": "plant"}})
	back := post[Restored](t, r, "/api/data/backups/"+d.Backups[0].Name+"/restore")
	if n := len(fetch[FindList](r, "/api/finds").Lines); n != before || back.Kept == "" {
		t.Errorf("%d finds after restoring, want %d; kept at %q", n, before, back.Kept)
	}
	for _, name := range []string{"nothing-here.db", "..%2fx.db"} {
		if w := r.do("POST", "/api/data/backups/"+name+"/restore", ""); w.Code != 404 && w.Code != 422 {
			t.Errorf("%s: %d %s", name, w.Code, w.Body)
		}
	}
	if w := r.do("PUT", "/api/data/backup", strings.Repeat("no database ", 1000), "Content-Type", "application/octet-stream"); w.Code < 400 || w.Code == 500 {
		t.Errorf("a backup that is none: %d %s", w.Code, w.Body)
	}
}
