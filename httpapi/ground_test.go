package httpapi

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"zestythicket/ground"
)

func put[T any](t *testing.T, r *rig, path string, body any) (out T) {
	t.Helper()
	b, _ := json.Marshal(body)
	w := r.do("PUT", path, string(b))
	if w.Code != 200 {
		t.Fatalf("%s: %d %s", path, w.Code, w.Body)
	}
	if err := json.Unmarshal(w.Body.Bytes(), &out); err != nil {
		t.Fatal(err)
	}
	return out
}

// A place is kept as it was entered; what does not hold together is named by its
// field, and a limit without a unit is asked about.
func TestPlaces(t *testing.T) {
	r := newRig(t)
	lat, lon := 54.4, -2.9
	good := ground.Place{ID: "moss", Name: "Quillow Moss", Lat: &lat, Lon: &lon, Region: "EU", Habitats: []string{"heath"}, Limits: []ground.Limit{{Amount: "1.5", Unit: "kg", Per: "person-day", Source: "the estate"}}}
	put[ground.Place](t, r, "/api/places/moss", good)
	if p := fetch[ground.Place](r, "/api/places/moss"); p.ID != "moss" || *p.Lat != lat || p.Limits[0].Amount != "1.5" {
		t.Errorf("%+v", p)
	}
	for name, c := range map[string]struct {
		change func(p *ground.Place)
		want   string
	}{
		"no unit":          {func(p *ground.Place) { p.Limits = []ground.Limit{{Amount: "2", Per: "day", Source: "x"}} }, "2 of what?"},
		"half a position":  {func(p *ground.Place) { p.Lon = nil }, "half a position"},
		"a date":           {func(p *ground.Place) { p.Until = "31.3.2027" }, "is not a date"},
		"a habitat":        {func(p *ground.Place) { p.Habitats = []string{"heeth"} }, "heath"},
		"swapped in a map": {func(p *ground.Place) { p.Map = `{"type":"Point","coordinates":[54.4,-102.9]}` }, "swapped"},
		"an entry": {func(p *ground.Place) {
			p.Patches = []ground.PatchOfGround{{ID: "p1", Name: "P1", Points: []ground.Position{}, Taxon: "nothing"}}
		}, "no entry"},
	} {
		p := good
		c.change(&p)
		b, _ := json.Marshal(p)
		if w := r.do("PUT", "/api/places/moss", string(b)); w.Code != 422 || !strings.Contains(w.Body.String(), c.want) {
			t.Errorf("%s: %d %s", name, w.Code, w.Body)
		}
	}
	if p := fetch[ground.Place](r, "/api/places/moss"); p.Limits[0].Unit != "kg" {
		t.Error("something refused was stored")
	}
}

// Faults of a weather file are named; the good part is stored when that is said,
// and then this year's degree days move the windows.
func TestWeatherMovesTheYear(t *testing.T) {
	r := newRig(t)
	file := "date,tmin_c,tmax_c,rain_mm\n"
	for day := 1; day <= 28; day++ {
		file += fmt.Sprintf("2027-01-%02d,4,14,0\n", day)
	}
	file += "2027-01-29,9,1,0\n"
	send := func(query string) ground.Imported {
		w := r.do("PUT", "/api/places/tarn-wood/weather"+query, file, "Content-Type", "application/octet-stream")
		var out ground.Imported
		if w.Code != 200 || json.Unmarshal(w.Body.Bytes(), &out) != nil {
			t.Fatalf("%d %s", w.Code, w.Body)
		}
		return out
	}
	late := func() float64 { return fetch[ground.Year](r, "/api/year?place=tarn-wood&taxon=sambucus-nigra").Late }
	before := late()
	if got := send(""); got.Stored || got.Read != 28 || len(got.Problems) != 1 || got.Problems[0].Line != 30 {
		t.Errorf("%+v", got)
	}
	if late() != before {
		t.Error("nothing was to be stored")
	}
	if got := send("?partly=true"); !got.Stored {
		t.Errorf("%+v", got)
	}
	if now := late(); now >= 0 {
		t.Errorf("a January of 9 °C, and the year runs %.0f days late", now)
	}
	if w := r.do("PUT", "/api/places/nowhere/weather", file, "Content-Type", "application/octet-stream"); w.Code != 404 {
		t.Errorf("no such place: %d", w.Code)
	}
}

// A walk answers with dangers first, what it asks for, and what of the rules is
// open; what was packed and left stays.
func TestWalk(t *testing.T) {
	r := newRig(t)
	o := put[ground.Outlook](t, r, "/api/walks/leaves", ground.Walk{ID: "leaves", Day: "2027-04-11", Place: "tarn-wood", From: "09:00", To: "12:00", Offset: 60, Hopes: []string{"allium-ursinum"}, Packed: []string{"trowel"}})
	if len(o.Dangers) == 0 || len(o.Dangers[0].Named) == 0 || o.Dangers[0].Grade != 3 {
		t.Fatalf("the first line is %+v", o.Dangers[:min(1, len(o.Dangers))])
	}
	if len(o.Pairs) == 0 || o.Pairs[0].Hope.ID != "allium-ursinum" || o.Pairs[0].Stage == "" {
		t.Errorf("%+v", o.Pairs)
	}
	if !strings.Contains(strings.Join(o.Rules, " "), "ended on 2027-03-31") {
		t.Errorf("%v", o.Rules)
	}
	if !strings.HasPrefix(o.Sunrise, "06:") || !strings.Contains(o.Light, "left when the walk ends") {
		t.Errorf("%s %s", o.Sunrise, o.Light)
	}
	if again := fetch[ground.Outlook](r, "/api/walks/leaves"); len(again.Walk.Packed) != 1 {
		t.Errorf("%+v", again.Walk)
	}
	for body, want := range map[string]string{
		`{"id":"x","day":"2027-02-30"}`:                            "date",
		`{"id":"x","day":"2027-04-11","hopes":["ransoms"]}`:        "no entry",
		`{"id":"x","day":"2027-04-11","place":"moon"}`:             "no place",
		`{"id":"x","day":"2027-04-11","from":"10:00","to":"9:00"}`: "",
		`{"id":"x","day":"2027-04-11","from":"29:00"}`:             "no time of day",
	} {
		if w := r.do("PUT", "/api/walks/x", body); w.Code != 422 || !strings.Contains(w.Body.String(), want) {
			t.Errorf("%s: %d %s", body, w.Code, w.Body)
		}
	}
}

// First-seen days, windows set by hand and signs: stored, shown, forgotten.
func TestWhatTheUserKnows(t *testing.T) {
	r := newRig(t)
	const year = "/api/year?place=tarn-wood&taxon=cantharellus-cibarius&day=2026-11-25"
	if y := fetch[ground.Year](r, year); len(y.Signs) == 0 || y.Signs[0].Sign.Kind != "rain" {
		t.Errorf("%+v", y.Signs)
	}
	put[Stored](t, r, "/api/signs/feast", ground.Sign{ID: "feast", Taxon: "calocybe-gambosa", Place: "tarn-wood", Kind: "feast", From: -7, To: 14, Sd: 7, Feast: "04-23"})
	found := false
	for _, s := range fetch[ground.Year](r, year).Signs {
		found = found || s.Sign.Kind == "feast" && s.From == "2026-04-16" && s.To == "2026-05-07"
	}
	if !found {
		t.Error("the feast day says nothing")
	}
	put[Stored](t, r, "/api/signs/after-thorn", ground.Sign{ID: "after-thorn", Taxon: "cantharellus-cibarius", Place: "tarn-wood", Kind: "flower", Of: "crataegus-monogyna", From: 20, To: 40, Sd: 6})
	found = false
	for _, s := range fetch[ground.Year](r, year).Signs {
		found = found || s.Sign.Kind == "flower" && s.From == "2026-06-15"
	}
	if !found {
		t.Error("what was seen in flower on 26 May says nothing")
	}
	for path, body := range map[string]string{
		"/api/signs/x": `{"id":"x","taxon":"calocybe-gambosa","kind":"feast","from":0,"to":1,"sd":1,"feast":"02-30"}`,
		"/api/signs/y": `{"id":"y","taxon":"calocybe-gambosa","kind":"rain","from":9,"to":1,"sd":1}`,
		"/api/seen/x":  `{"id":"x","taxon":"calocybe-gambosa","stage":"mature","day":"2026-04-31"}`,
		"/api/fixed/x": `{"id":"x","taxon":"calocybe-gambosa","stage":"ripe","open":"04-01","close":"05-01"}`,
	} {
		if w := r.do("PUT", path, body); w.Code != 422 {
			t.Errorf("%s %s: %d", path, body, w.Code)
		}
	}
	if w := r.do("DELETE", "/api/signs/feast", ""); w.Code != 200 {
		t.Errorf("%d %s", w.Code, w.Body)
	}
}

// The calendar holds what is due.
func TestReminders(t *testing.T) {
	r := newRig(t)
	w := r.do("GET", "/api/reminders", "")
	body := strings.ReplaceAll(w.Body.String(), "\r\n ", "")
	for _, want := range []string{"BEGIN:VCALENDAR", "DTSTART;VALUE=DATE:20261024", "Go back to Yellow funnels", "END:VCALENDAR"} {
		if !strings.Contains(body, want) {
			t.Errorf("no %q in\n%s", want, body)
		}
	}
}
