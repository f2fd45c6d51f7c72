package httpapi

import (
	"encoding/json"
	"net/url"
	"slices"
	"strings"
	"testing"
	"zestythicket/reference"
)

func get[T any](r *rig, path string) (out T, code int) {
	r.t.Helper()
	w := r.do("GET", path, "")
	if w.Code == 200 {
		if err := json.Unmarshal(w.Body.Bytes(), &out); err != nil {
			r.t.Fatal(err)
		}
	}
	return out, w.Code
}

// Every filter that is given must hold, and each narrows what was found.
func TestSearchFilters(t *testing.T) {
	r := newRig(t)
	all, _ := get[[]reference.Hit](r, "/api/taxa")
	ids := func(q string) []string {
		hits, code := get[[]reference.Hit](r, "/api/taxa?"+q)
		if code != 200 {
			t.Fatalf("%s: %d", q, code)
		}
		var out []string
		for _, h := range hits {
			out = append(out, h.ID)
		}
		return out
	}
	for q, want := range map[string][2]string{ // in, and not in
		"kingdom=fungus":                  {"amanita-phalloides", "conium-maculatum"},
		"hazard=3":                        {"conium-maculatum", "arum-maculatum"},
		"region=WNA":                      {"toxicodendron-diversilobum", "oenanthe-crocata"},
		"month=1":                         {"flammulina-velutipes", "calocybe-gambosa"},
		"use=seed":                        {"castanea-sativa", "aesculus-hippocastanum"},
		"trait=stem-section&state=square": {"lamium-purpureum", "allium-ursinum"},
		"q=" + url.QueryEscape("Boletus satanas"): {"rubroboletus-satanas", "boletus-edulis"},
		"q=snakeskin&hazard=2":                    {"chlorophyllum-molybdites", "macrolepiota-procera"},
	} {
		got := ids(q)
		if !slices.Contains(got, want[0]) || slices.Contains(got, want[1]) || len(got) >= len(all) {
			t.Errorf("%s found %d of %d, want %s and not %s", q, len(got), len(all), want[0], want[1])
		}
	}
	if got := ids("q=Boletus+satanas"); got[0] != "rubroboletus-satanas" {
		t.Errorf("the old name is not found first: %v", got[:1])
	}
	if _, code := get[[]reference.Hit](r, "/api/taxa?kingdom=animal"); code != 422 {
		t.Errorf("an unknown kingdom: %d, want 422", code)
	}
}

func TestBesideRoute(t *testing.T) {
	r := newRig(t)
	b, code := get[reference.Beside](r, "/api/beside?target=allium-ursinum&stage=leaf&month=4")
	if code != 200 || len(b.Taxa) < 3 || b.Taxa[0].ID != "allium-ursinum" || b.Taxa[1].Hazard != 3 || b.Taxa[1].Why == "" {
		t.Fatalf("%d %+v", code, b.Taxa)
	}
	if len(b.Stages) != 1 || len(b.Rows) == 0 || b.Rows[0].Cells[1].Weight < 8 {
		t.Errorf("stages %v, %d rows", b.Stages, len(b.Rows))
	}
	// In a month when no such stage is up there is nothing to compare, and no error.
	if b, code = get[reference.Beside](r, "/api/beside?target=allium-ursinum&stage=leaf&month=12"); code != 200 || len(b.Stages) != 0 || len(b.Rows) != 0 {
		t.Errorf("December: %d, %v, %d rows", code, b.Stages, len(b.Rows))
	}
	if b, _ = get[reference.Beside](r, "/api/beside?target=allium-ursinum&with=digitalis-purpurea&with=arum-maculatum&stage=leaf&stage=flower"); len(b.Taxa) != 3 || b.Taxa[2].ID != "arum-maculatum" {
		t.Errorf("two that were asked for: %+v", b.Taxa)
	}
	if b, _ = get[reference.Beside](r, "/api/beside?target=allium-ursinum&with=digitalis-purpurea&with=allium-ursinum"); len(b.Taxa) != 2 || b.Taxa[1].ID != "digitalis-purpurea" {
		t.Errorf("beside itself: %+v", b.Taxa)
	}
	for path, want := range map[string]int{"/api/beside?target=nothing": 404, "/api/beside": 422, "/api/beside?target=allium-ursinum&stage=summer": 422, "/api/audit/nothing": 404} {
		if w := r.do("GET", path, ""); w.Code != want || !strings.Contains(w.Header().Get("Content-Type"), "problem+json") {
			t.Errorf("%s: %d %s, want %d", path, w.Code, w.Body, want)
		}
	}
}

// The audit's heads carry the weakest pair; the lines of one entry carry all.
func TestAuditRoutes(t *testing.T) {
	r := newRig(t)
	heads, _ := get[[]struct {
		Taxon   struct{ ID string }
		Holds   bool
		Refused bool
		Entries []struct{ Taxon struct{ ID string } }
	}](r, "/api/audit")
	full, _ := get[[]struct{ Entries []json.RawMessage }](r, "/api/audit/agaricus-arvensis")
	if len(heads) < 500 || len(full) < 4 || len(full[0].Entries) < 20 {
		t.Fatalf("%d heads, %d lines of one entry", len(heads), len(full))
	}
	holds := 0
	for _, h := range heads {
		if len(h.Entries) > 1 {
			t.Fatalf("a head with %d dangers", len(h.Entries))
		}
		if !h.Refused && h.Holds {
			holds++
		}
	}
	if holds < 80 {
		t.Errorf("only %d lines hold", holds)
	}
}

// The page of an entry says where the rules leave what people gather, and from what.
func TestEntrySaysWhatIsLeft(t *testing.T) {
	r := newRig(t)
	for id, want := range map[string]bool{"cantharellus-cibarius": true, "prunus-spinosa": false} {
		page, code := get[reference.TaxonPage](r, "/api/taxa/"+id)
		if code != 200 || len(page.Uses) == 0 {
			t.Fatalf("%s: %d", id, code)
		}
		left := page.Uses[0].Left
		if (len(left) > 0) != want || want && (left[0].Taxon.ID == "" || left[0].Stage != "mature") {
			t.Errorf("%s: left %+v", id, left)
		}
		read := false
		for _, c := range page.Cells {
			if c.Agree > c.Readers || c.Readers < 1 {
				t.Errorf("%s: %d of %d readers agree", c.Trait.ID, c.Agree, c.Readers)
			}
			read = read || c.Readers > 1
		}
		if !read {
			t.Errorf("%s was read once", id)
		}
	}
}
