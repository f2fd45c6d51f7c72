package guide

import "testing"

// A hazard is read strictly: the gravest line that speaks of the use, and where
// none does, the gravest line of all.
func TestHazardFor(t *testing.T) {
	shrub := Taxon{Hazards: []Hazard{
		{Grade: Poisonous, Preparation: "raw"}, {Grade: Poisonous, Part: "leaf"}, {Grade: NoHazard, Part: "fruit", Preparation: "cooked", Stages: NewStageSet(FruitStage)}}}
	nettle := Taxon{Hazards: []Hazard{{Grade: Poisonous, Contact: true}, {Grade: NoHazard, Part: "leaf", Preparation: "cooked"}}}
	vine := Taxon{Hazards: []Hazard{{Grade: Poisonous, Contact: true}}}
	for _, c := range []struct {
		name       string
		tx         *Taxon
		part, prep string
		stages     StageSet
		contact    bool
		want       Grade
	}{
		{"cooked ripe fruit", &shrub, "fruit", "cooked", NewStageSet(FruitStage), false, NoHazard},
		{"the same with contact asked", &shrub, "fruit", "cooked", 0, true, NoHazard},
		{"raw fruit", &shrub, "fruit", "raw", 0, false, Poisonous},
		{"cooked leaf", &shrub, "leaf", "cooked", 0, false, Poisonous},
		{"a part nobody speaks of", &shrub, "root", "cooked", 0, false, Poisonous},
		{"fruit at a stage nobody speaks of", &shrub, "fruit", "cooked", NewStageSet(FlowerStage), false, Poisonous},
		{"a use left open", &shrub, "", "", 0, false, Poisonous},
		{"a plant that burns, as food", &nettle, "leaf", "cooked", 0, false, NoHazard},
		{"a plant that burns, as a neighbour", &nettle, "leaf", "cooked", 0, true, Poisonous},
		{"a plant known by contact alone", &vine, "leaf", "cooked", 0, false, Poisonous},
	} {
		if got := c.tx.HazardFor(c.part, c.prep, c.stages, c.contact); got != c.want {
			t.Errorf("%s: %s, want %s", c.name, got, c.want)
		}
	}
	if nettle.ContactHazard() != Poisonous || shrub.ContactHazard() != NoHazard || shrub.WorstHazard() != Poisonous {
		t.Error("contact or worst hazard")
	}
}

// Never is explicit, unless another state of an exclusive trait is always there.
func TestNeverMask(t *testing.T) {
	three := []State{{ID: "a"}, {ID: "b"}, {ID: "c"}}
	for _, c := range []struct {
		name      string
		exclusive bool
		freq      []Frequency
		want      uint32
	}{
		{"usual and unlisted", true, []Frequency{Usually, Unlisted, Unlisted}, 0},
		{"explicit", true, []Frequency{Usually, Never, Unlisted}, 0b010},
		{"always, exclusive", true, []Frequency{Always, Unlisted, Unlisted}, 0b110},
		{"always, but others rarely", true, []Frequency{Always, Rarely, Unlisted}, 0b100},
		{"always, not exclusive", false, []Frequency{Always, Unlisted, Unlisted}, 0},
	} {
		tr := Trait{States: three, Exclusive: c.exclusive}
		if got := NeverMask(&tr, &Variant{Freq: c.freq}); got != c.want {
			t.Errorf("%s: %03b, want %03b", c.name, got, c.want)
		}
	}
}

// Neighbouring stages are those taken for one another, both ways, and never of
// the other kingdom.
func TestNeighbours(t *testing.T) {
	for s := Stage(0); int(s) < StageCount; s++ {
		n := NewStageSet(s).WithNeighbours()
		if !n.Has(s) || n.Len() < 2 {
			t.Errorf("%s has neighbours %v", s, n.Strings())
		}
		k := Plant
		if s >= Egg {
			k = Fungus
		}
		if n&^StagesOf(k) != 0 {
			t.Errorf("%s crosses into another kingdom: %v", s, n.Strings())
		}
		n.Each(func(o Stage) {
			if !NewStageSet(o).WithNeighbours().Has(s) {
				t.Errorf("%s is next to %s, but not the other way round", s, o)
			}
		})
	}
	tx := Taxon{Stages: NewStageSet(LeafStage, FlowerStage)}
	if got := tx.StagesFor(NewStageSet(WinterTwig)); got != tx.Stages {
		t.Errorf("a stage it does not have leaves %v", got.Strings())
	}
}

// Every word that is written can be read back.
func TestWordsRoundTrip(t *testing.T) {
	for s := Stage(0); int(s) < StageCount; s++ {
		if got, ok := ParseStage(s.String()); !ok || got != s {
			t.Errorf("stage %s", s)
		}
	}
	for p := Habit; int(p) < PartCount; p++ {
		if got, ok := ParsePart(p.String()); !ok || got != p {
			t.Errorf("part %s", p)
		}
	}
	for f := Never; f <= Always; f++ {
		if got, ok := ParseFrequency(f.String()); !ok || got != f {
			t.Errorf("frequency %s", f)
		}
	}
	for _, w := range []string{"", "leafy", "Leaf"} {
		if _, ok := ParseStage(w); ok {
			t.Errorf("%q was read as a stage", w)
		}
	}
	if len(Words("stage")) != StageCount || Words("nothing") != nil {
		t.Error("lists of words")
	}
}

// The index finds what the book says, and refuses what does not hang together.
func TestCompile(t *testing.T) {
	tr := Trait{ID: "a", Kingdom: Plant, Kind: States, Class: Structural, Exclusive: true, Absent: -1, Stages: AllPlantStages, States: []State{{ID: "x"}, {ID: "y"}}}
	v := Variant{Stages: AllPlantStages, Kind: Described, Freq: []Frequency{Always, Unlisted}}
	book := Guide{Traits: []Trait{tr}, Taxa: []Taxon{
		{ID: "genus", Kingdom: Plant, Rank: "genus", Stages: AllPlantStages},
		{ID: "species", Kingdom: Plant, Parent: "genus", Stages: AllPlantStages, Regions: []string{"ENA"}, Hazards: []Hazard{{Grade: Deadly}}, Cells: []Cell{{Trait: "a", Variants: []Variant{v}}}}}}
	ix, err := Compile(&book, DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	if d := ix.Descendants(0); len(d) != 1 || d[0] != 1 {
		t.Errorf("descendants %v", d)
	}
	col := &ix.Columns[0]
	if len(col.Taxa) != 1 || col.Vars[0].Never != 0b10 || !col.Vars[0].Whole {
		t.Errorf("column %+v", col)
	}
	// 0.97 and 0.02, normalised, with one pseudo-taxon of one half each.
	want := (0.97/0.99 + 0.5) / 2
	if got := col.Mean[int(LeafStage)*2]; got-want > 1e-12 || want-got > 1e-12 {
		t.Errorf("mean %g, want %g", got, want)
	}
	if ix.ContinentMask("WNA") != ix.ContinentMask("ENA") || ix.ContinentMask("EU") != 0 {
		t.Error("continents")
	}
	for name, break_ := range map[string]func(b *Guide){
		"unknown trait":   func(b *Guide) { b.Taxa[1].Cells = []Cell{{Trait: "b"}} },
		"unknown parent":  func(b *Guide) { b.Taxa[1].Parent = "nobody" },
		"own parent":      func(b *Guide) { b.Taxa[0].Parent = "species" },
		"too many states": func(b *Guide) { b.Traits[0].States = make([]State, 33) },
		"unknown after":   func(b *Guide) { b.Traits[0].After = "z" },
	} {
		bad := Guide{Traits: append([]Trait(nil), book.Traits...), Taxa: append([]Taxon(nil), book.Taxa...)}
		break_(&bad)
		if _, err := Compile(&bad, DefaultWeights()); err == nil {
			t.Errorf("%s: compiled", name)
		}
	}
}

// Names are folded, and a region belongs to its continent.
func TestSmallThings(t *testing.T) {
	tx := Taxon{Regions: []string{"WNA"}}
	for region, want := range map[string]bool{"": true, "ENA": true, "WNA": true, "EU": false} {
		if tx.OnContinentOf(region) != want {
			t.Errorf("region %q", region)
		}
	}
	key := Taxon{Key: []KeyTraits{{NewStageSet(LeafStage), []string{"a", "b"}}, {NewStageSet(LeafStage, FlowerStage), []string{"b", "c"}}}}
	if got := key.KeyFor(NewStageSet(LeafStage)); len(got) != 3 {
		t.Errorf("key traits %v", got)
	}
	if got := key.KeyFor(NewStageSet(FruitStage)); len(got) != 0 {
		t.Errorf("key traits in fruit %v", got)
	}
}
