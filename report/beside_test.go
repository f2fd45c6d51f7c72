package report_test

import (
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/report"
)

func besideRows(t *testing.T, target string, others []string, stages guide.StageSet) (map[string]report.BesideRow, []string) {
	t.Helper()
	ix, err := load.LoadIndex(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	e := evidence.New(ix, evidence.StandardDefaults())
	at := func(id string) int32 {
		i, ok := ix.TaxonAt(id)
		if !ok {
			t.Fatal(id)
		}
		return i
	}
	var os []int32
	for _, o := range others {
		os = append(os, at(o))
	}
	rows := map[string]report.BesideRow{}
	var order []string
	for _, r := range report.Beside(ix, at(target), os, stages, func(o int32) []evidence.Look { return e.Between(at(target), o, stages) }) {
		rows[r.Trait.ID] = r
		order = append(order, r.Trait.ID)
	}
	return rows, order
}

// A shared trait is worth nothing between these two, and something against the
// third; what weighs most comes first and what is shared last.
func TestBeside(t *testing.T) {
	rows, order := besideRows(t, "allium-ursinum", []string{"convallaria-majalis", "arum-maculatum"}, guide.NewStageSet(guide.LeafStage))
	veins := rows["leaf-veins"]
	if veins.Cells[1].Worth != report.WorthShared || veins.Cells[2].Worth == report.WorthShared {
		t.Errorf("side-by-side veins: %s and %s", veins.Cells[1].Worth, veins.Cells[2].Worth)
	}
	if w := rows["leaf-stalk-section"].Cells[1].Worth; w == report.WorthShared || w == report.WorthSilent {
		t.Errorf("the stalk's section against lily of the valley: %s", w)
	}
	if w := rows["root-form"].Cells[1].Worth; w != report.WorthFair && w != report.WorthStrong {
		t.Errorf("bulb against rhizome: %s", w)
	}
	if first := rows[order[0]]; max(first.Cells[1].Weight, first.Cells[2].Weight) < 12 {
		t.Errorf("the first row is %s: %+v", order[0], first.Cells)
	}
	last := rows[order[len(order)-1]]
	if last.Cells[1].Worth != report.WorthShared && last.Cells[1].Worth != report.WorthSilent {
		t.Errorf("the last row is %s, %s", last.Trait.ID, last.Cells[1].Worth)
	}
	if _, ok := rows["flower-plan"]; ok {
		t.Error("flowers are shown at the stage of leaves")
	}
	if rows["habitat"].Trait.ID != "" && rows["habitat"].Cells[1].Worth != report.WorthShared {
		t.Error("a habitat tells nothing apart")
	}
}

// Sizes tell apart only when the typical range of one lies outside all that the
// other ever reaches.
func TestBesideMeasures(t *testing.T) {
	rows, _ := besideRows(t, "calvatia-gigantea", []string{"lycoperdon-perlatum", "scleroderma-citrinum"}, guide.NewStageSet(guide.Young))
	size := rows["ball-size"]
	if len(size.Cells[0].Range) != 4 || size.Cells[1].Weight < 10 {
		t.Errorf("a head against a pear: %+v", size)
	}
}
