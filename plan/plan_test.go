package plan_test

import (
	"slices"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/phenology"
	"zestythicket/plan"
)

func engine(t testing.TB) *evidence.Engine {
	t.Helper()
	ix, err := load.LoadIndex(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	return evidence.New(ix, evidence.StandardDefaults())
}

var std = phenology.StandardDefaults()

func at(t *testing.T, e *evidence.Engine, id string) int32 {
	t.Helper()
	i, ok := e.Index().TaxonAt(id)
	if !ok {
		t.Fatalf("no entry %s", id)
	}
	return i
}

// Dangers come first, those named for what is hoped for before all others, and
// none that shares the ground is left out because of its season.
func TestDangersFirst(t *testing.T) {
	e := engine(t)
	ix := e.Index()
	w := &plan.SiteContext{Site: phenology.Site{Lat: 54.4, Lon: -2.9, Alt: 120}, HasSite: true, Region: "EU", Habitats: []string{"damp-wood"}}
	p := plan.Build(e, w, []string{"cantharellus-cibarius"}, phenology.Ordinal(10, 3), nil, std)
	if len(p.Dangers) == 0 || len(p.Hopes) != 1 || p.Hopes[0].P < 0.5 {
		t.Fatalf("%d dangers, hopes %+v", len(p.Dangers), p.Hopes)
	}
	seenOther := false
	listed := map[int32]bool{}
	for _, d := range p.Dangers {
		listed[d.Taxon] = true
		if len(d.Named) == 0 {
			seenOther = true
		} else if seenOther {
			t.Errorf("%s is named for the hope and comes after one that is not", ix.Book.Taxa[d.Taxon].ID)
		}
	}
	for i := range ix.Book.Taxa {
		tx := &ix.Book.Taxa[i]
		if ix.Worst[i] >= guide.Poisonous && slices.Contains(tx.Habitats, "damp-wood") && slices.Contains(tx.Regions, "EU") && !listed[int32(i)] {
			t.Errorf("%s shares the ground and is not listed", tx.ID)
		}
	}
	for _, l := range ix.Book.Taxa[at(t, e, "cantharellus-cibarius")].Lookalikes {
		if i := at(t, e, l.Taxon); ix.Worst[i] >= guide.Poisonous && slices.Contains(ix.Book.Taxa[i].Regions, "EU") && !listed[i] {
			t.Errorf("the named lookalike %s is not listed", l.Taxon)
		}
	}
}

// The kit follows from the checks: bases ask for a trowel, prints for paper.
func TestKit(t *testing.T) {
	e := engine(t)
	w := &plan.SiteContext{Region: "EU"}
	kit := func(hope string, month int) []string {
		var out []string
		for _, x := range plan.Build(e, w, []string{hope}, phenology.Ordinal(month, 15), nil, std).Tools {
			if len(x.Traits) == 0 {
				t.Errorf("%s is carried for nothing", x.ID)
			}
			out = append(out, x.ID)
		}
		return out
	}
	if k := kit("pleurotus-ostreatus", 11); !slices.Contains(k, "paper") || !slices.Contains(k, "knife") {
		t.Errorf("a gilled fungus: %v", k)
	}
	if k := kit("allium-ursinum", 4); !slices.Contains(k, "trowel") || !slices.Contains(k, "cloth") {
		t.Errorf("a bulb with a smell: %v", k)
	}
}

// The first salad of another region: the guide's window opens weeks later, and the
// shift by place lets late January through. The date never rules anything out.
func TestSeasonShift(t *testing.T) {
	e := engine(t)
	day := phenology.Ordinal(1, 28)
	best := func(w *plan.SiteContext) float64 {
		p := 0.0
		for s, x := range plan.Up(plan.Windows(e.Index().Book, at(t, e, "lamium-purpureum"), w, nil, std), guide.NewStageSet(guide.FlowerStage), day) {
			if s == guide.FlowerStage {
				p = x
			}
		}
		return p
	}
	north := best(&plan.SiteContext{Region: "EU", HasSite: true, Site: phenology.Site{Lat: 56, Lon: -3, Alt: 100}})
	south := best(&plan.SiteContext{Region: "EU", HasSite: true, Site: phenology.Site{Lat: 38, Lon: -8, Alt: 50}})
	if south < 0.5 || north > south/2 || north <= 0 {
		t.Errorf("late January: %.3f in the north, %.3f in the south", north, south)
	}
}

// What the user saw pulls the window of that stage, and what they set by hand
// stands in its place; other stages stay.
func TestKnown(t *testing.T) {
	e := engine(t)
	b := e.Index().Book
	elder := at(t, e, "sambucus-nigra")
	w := &plan.SiteContext{}
	open := func(k *plan.Observations, st guide.Stage) float64 {
		for _, x := range plan.Windows(b, elder, w, k, std) {
			if x.Stages.Has(st) {
				return x.Span.Open.At
			}
		}
		return 0
	}
	plain := open(nil, guide.FlowerStage)
	seen := open(&plan.Observations{Seen: map[string][]plan.Sighting{"sambucus-nigra": {{Stage: guide.FlowerStage, Ordinal: int(plain) + 20}}}}, guide.FlowerStage)
	if seen <= plain+3 || seen >= plain+20 {
		t.Errorf("opened on %.0f, seen on %.0f: %.1f", plain, plain+20, seen)
	}
	fixed := &plan.Observations{Corrected: map[string][]plan.Correction{"sambucus-nigra": {{Stage: guide.FlowerStage, Open: 140, Close: 170}}}}
	if got := open(fixed, guide.FlowerStage); got != 140 {
		t.Errorf("set to 140, is %.0f", got)
	}
	if got := open(fixed, guide.FruitStage); got != open(nil, guide.FruitStage) {
		t.Error("another stage moved along")
	}
	late := open(&plan.Observations{Late: 9, Years: 3}, guide.FlowerStage)
	if late != plain+9 {
		t.Errorf("a year nine days late: %.1f after %.1f", late, plain)
	}
}

func BenchmarkMake(b *testing.B) {
	e := engine(b)
	w := &plan.SiteContext{Site: phenology.Site{Lat: 54.4, Lon: -2.9, Alt: 120}, HasSite: true, Region: "EU", Habitats: []string{"damp-wood", "wood-edge"}}
	hopes := []string{"cantharellus-cibarius", "allium-ursinum", "sambucus-nigra", "pleurotus-ostreatus"}
	b.ReportAllocs()
	for b.Loop() {
		plan.Build(e, w, hopes, phenology.Ordinal(10, 3), nil, std)
	}
}
