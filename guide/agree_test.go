package guide

import "testing"

// agreement is a small guide of one dangerous entry, read by the entry itself, a blind
// reader and another one.
func agreement() *Guide {
	edge := Trait{ID: "edge", Kingdom: Plant, Kind: States, Class: Structural, Exclusive: true, Absent: -1, Stages: AllPlantStages, States: []State{{ID: "smooth"}, {ID: "toothed"}, {ID: "lobed"}}}
	length := Trait{ID: "length", Kingdom: Plant, Kind: Measure, Class: Structural, Absent: -1, Stages: AllPlantStages, Unit: "cm", Max: 90}
	veins := edge
	veins.ID = "veins"
	said := func(trait string, f ...Frequency) Cell {
		return Cell{Trait: trait, Variants: []Variant{{Stages: AllPlantStages, Kind: Described, Freq: f}}}
	}
	long := func(a, b, c, d float64) Cell {
		return Cell{Trait: "length", Variants: []Variant{{Stages: AllPlantStages, Kind: Described, Range: [4]float64{a, b, c, d}}}}
	}
	return &Guide{Traits: []Trait{edge, length, veins}, Readers: []Reader{{ID: "blind", Blind: true}, {ID: "open"}},
		Taxa: []Taxon{{ID: "x", Kingdom: Plant, Stages: AllPlantStages, Hazards: []Hazard{{Grade: Deadly}},
			Cells: []Cell{said("edge", Never, Usually, Rarely), long(2, 4, 8, 12), said("veins", Always, Never, Never)},
			Readings: []Reading{
				{Reader: 0, Cell: said("edge", Usually, Rarely, Unlisted)},
				{Reader: 1, Cell: said("edge", Always, Never, Never)},
				{Reader: 0, Cell: long(7, 8, 11, 15)},
				{Reader: 1, Cell: long(8, 9, 11, 15)},
			}}}}
}

// A reader agrees who sees, however rarely, what the entry usually shows; a measure
// where what is typical overlaps.
func TestAgreement(t *testing.T) {
	x := &agreement().Taxa[0]
	for i, want := range [][2]int{{3, 2}, {3, 2}, {1, 1}} {
		if readers, agree := x.Agreement(&x.Cells[i]); readers != want[0] || agree != want[1] {
			t.Errorf("%s: %d of %d, want %d of %d", x.Cells[i].Trait, agree, readers, want[1], want[0])
		}
	}
}

// What one reader alone said, and where readers differ most, is named.
func TestGaps(t *testing.T) {
	ix, err := Compile(agreement(), DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	single, apart := ix.Gaps(DefaultRates())
	if len(single) != 1 || single[0].Trait != "veins" || single[0].Readers != 1 {
		t.Errorf("read once: %+v", single)
	}
	if len(apart) != 1 || apart[0].Trait != "edge" || apart[0].State != "smooth" || apart[0].Readers != 3 || apart[0].Apart < 0.9 {
		t.Errorf("furthest apart: %+v", apart)
	}
	ix.Book.Taxa[0].Hazards[0].Grade = Unpleasant
	if single, apart = ix.Gaps(DefaultRates()); len(single)+len(apart) > 0 {
		t.Errorf("of what is only unpleasant: %+v %+v", single, apart)
	}
}

// The pool is the mean over readers, a blind one double, each shared out to 1 (Stone
// 1961); a form stands in place where it says more and is averaged where it says less.
func TestPool(t *testing.T) {
	b := agreement()
	b.Taxa[0].Forms = []Form{{ID: "young", Stages: NewStageSet(LeafStage), Cells: []Cell{{Trait: "edge", Variants: []Variant{{Stages: NewStageSet(LeafStage), Kind: Described, Freq: []Frequency{Never, Never, Always}}}}}}}
	ix, err := Compile(b, DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	c, r := ix.Chances, DefaultRates()
	share := func(f ...Frequency) []float64 {
		sum := 0.0
		out := make([]float64, len(f))
		for i := range f {
			sum += r.Of[f[i]]
		}
		for i := range f {
			out[i] = r.Of[f[i]] / sum
		}
		return out
	}
	own, blind, open := share(Never, Usually, Rarely), share(Usually, Rarely, Unlisted), share(Always, Never, Never)
	young := share(Never, Never, Always)
	col := &c.Columns[0]
	near := func(a float64, b float32) bool { return a-float64(b) < 1e-6 && float64(b)-a < 1e-6 }
	for s := range own {
		want := (own[s] + 2*blind[s] + open[s]) / 4
		if got := col.Shown[int(col.VarsOf(0)[0].At)+s]; !near(want, got) {
			t.Errorf("state %d: %g, want %g", s, got, want)
		}
		form := young[s]
		if form < want {
			form = (form + want) / 2
		}
		if got := col.Shown[int(col.VarsOf(1)[0].At)+s]; !near(form, got) {
			t.Errorf("state %d of the form: %g, want %g", s, got, form)
		}
	}
	if len(c.Rows) != 2 || col.VarsOf(1)[0].Stages != NewStageSet(LeafStage) {
		t.Errorf("rows %+v, stages %v", c.Rows, col.VarsOf(1)[0].Stages)
	}
}
