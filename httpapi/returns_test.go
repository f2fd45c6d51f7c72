package httpapi

import (
	"encoding/json"
	"strings"
	"testing"

	"zestythicket/agenda"
	"zestythicket/ground"
)

// A patch is gone back to after its days, and not before the stage that is wanted
// is likely up at that place; a permission is asked for again before it ends.
func TestReturnsByStageAndSeason(t *testing.T) {
	r := newRig(t)
	lat, lon := 54.4, -2.9
	place := ground.Place{ID: "moss", Name: "Moss", Lat: &lat, Lon: &lon, Region: "EU", Permission: "yes", Until: "2027-03-31",
		Patches: []ground.PatchOfGround{{ID: "p1", Name: "P1", Taxon: "sambucus-nigra", Every: 14, Points: []ground.Position{{Lat: lat, Lon: lon, Day: "2026-11-01"}}}}}
	due := func() map[string]agenda.Due {
		out := map[string]agenda.Due{}
		for _, d := range fetch[agenda.Today](r, "/api/today").Due {
			out[d.ID] = d
		}
		return out
	}
	place.Rev = put[ground.Place](t, r, "/api/places/moss", place).Rev
	if d := due()["moss-p1"]; d.Day != "2026-11-15" {
		t.Errorf("by regrowth alone: %+v", d)
	}
	if d := due()["moss-permission"]; d.Day != "2027-03-17" || !strings.Contains(d.What, "2027-03-31") {
		t.Errorf("%+v", d)
	}
	place.Patches[0].Stage = "flower"
	place.Rev = put[ground.Place](t, r, "/api/places/moss", place).Rev
	d := due()["moss-p1"]
	if d.Day < "2027-04-15" || d.Day > "2027-07-15" || !strings.Contains(d.What, "(flower)") {
		t.Errorf("in flower: %+v", d)
	}
	// Higher up it flowers later.
	place.Alt = 500
	put[ground.Place](t, r, "/api/places/moss", place)
	if up := due()["moss-p1"]; up.Day <= d.Day {
		t.Errorf("500 m up: %s, below: %s", up.Day, d.Day)
	}
	place.Patches[0].Stage = "blossom"
	b, _ := json.Marshal(place)
	if w := r.do("PUT", "/api/places/moss", string(b)); w.Code != 422 {
		t.Errorf("an unknown stage: %d", w.Code)
	}
}

// Cues are of the ground and the season, dangers first, and of no other continent.
func TestCues(t *testing.T) {
	r := newRig(t)
	cues := fetch[[]ground.Cue](r, "/api/places/tarn-wood/cues?day=2026-10-10")
	if len(cues) < 10 {
		t.Fatalf("%d cues", len(cues))
	}
	for i, c := range cues {
		if i > 0 && c.Grade > cues[i-1].Grade {
			t.Errorf("%s comes behind a lesser hazard", c.Taxon.ID)
		}
		if len(c.Habitats) == 0 || c.P >= 0 && c.P < 0.1 {
			t.Errorf("%+v", c)
		}
	}
	spring := fetch[[]ground.Cue](r, "/api/places/tarn-wood/cues?day=2026-04-10")
	if same(cues, spring) {
		t.Error("spring and autumn lead to the same")
	}
	if w := r.do("GET", "/api/places/tarn-wood/cues?day=tomorrow", ""); w.Code != 422 {
		t.Errorf("%d", w.Code)
	}
}

func same(a, b []ground.Cue) bool {
	x, _ := json.Marshal(a)
	y, _ := json.Marshal(b)
	return string(x) == string(y)
}

func TestPatterns(t *testing.T) {
	r := newRig(t)
	ask := func(body string) (out ground.PatternsOut) {
		w := r.do("POST", "/api/patterns", body)
		if w.Code != 200 || json.Unmarshal(w.Body.Bytes(), &out) != nil {
			t.Fatalf("%d %s", w.Code, w.Body)
		}
		return out
	}
	row := ask(`{"points":[{"lat":54.4,"lon":-2.9},{"lat":54.4001,"lon":-2.9},{"lat":54.4002,"lon":-2.9},{"lat":54.4004,"lon":-2.9}]}`)
	if row.Line == nil || row.Line.Bearing > 1 && row.Line.Bearing < 179 || row.Line.Length < 44 || row.Line.Length > 45 || !strings.Contains(row.Line.Words, "A line of 44 m") {
		t.Errorf("%+v", row.Line)
	}
	one := ask(`{"points":[{"lat":54.4,"lon":-2.9}]}`)
	if one.Line != nil || one.Why == "" || !strings.Contains(one.Colony.Words, "too few") {
		t.Errorf("%+v", one)
	}
	if w := r.do("POST", "/api/patterns", `{"points":[]}`); w.Code != 422 {
		t.Errorf("no places: %d", w.Code)
	}
}
