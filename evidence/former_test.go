package evidence_test

import (
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
	truly "zestythicket/internal/testkit/observer"
)

// Specimens that a hopeful observer once brought through, each in the form that misled:
// none is complete, nor passes, at any moment, whoever looks at it truly or takes every
// state that confuses for what is hoped for.
func TestFormerFalseClears(t *testing.T) {
	e := engineOf(t, "")
	ix := e.Index()
	for _, c := range []struct {
		target, part string
		stage        guide.Stage
		danger, form string
	}{
		{"allium-tricoccum", "leaf", guide.LeafStage, "veratrum-viride", "juvenile"},
		{"allium-tricoccum", "leaf", guide.LeafStage, "convallaria-majalis", "juvenile"},
		{"allium-ursinum", "leaf", guide.LeafStage, "colchicum-autumnale", "juvenile"},
		{"cantharellus-cibarius", "cap", guide.Mature, "omphalotus-olearius", ""},
		{"agaricus-arvensis", "cap", guide.Mature, "agaricus-xanthodermus", ""},
		{"pleurotus-ostreatus", "cap", guide.Mature, "pleurocybella-porrigens", ""},
		{"sambucus-nigra", "fruit", guide.FruitStage, "sambucus-racemosa", ""},
	} {
		at, ok := ix.TaxonAt(c.target)
		d, known := ix.TaxonAt(c.danger)
		if !ok || !known {
			t.Fatalf("%s or %s is not in the guide", c.target, c.danger)
		}
		row := ix.Chances.RowFrom[d]
		for k := range ix.Book.Taxa[d].Forms {
			if ix.Book.Taxa[d].Forms[k].ID == c.form {
				row += int32(k) + 1
			}
		}
		if c.form != "" && row == ix.Chances.RowFrom[d] {
			t.Errorf("%s has no form %s", c.danger, c.form)
		}
		for _, hopes := range []bool{false, true} {
			target := &ix.Book.Taxa[at]
			f := ready(e, target, &guide.Use{Part: c.part, Preparation: "cooked"}, c.stage)
			stages := guide.NewStageSet(c.stage)
			for trait := range ix.Book.Traits {
				tr := &ix.Book.Traits[trait]
				if tr.Kingdom != guide.KingdomUnclear && tr.Kingdom != target.Kingdom {
					continue
				}
				a := truly.OfRow(ix, int32(trait), row, stages)
				if hopes && confusable(ix, int32(trait), a) {
					a = truly.Answer(ix, int32(trait), at, stages)
				}
				add(f, evidence.Event{Kind: evidence.Answered, Answer: a})
				if j := e.Judge(f, "s1"); j.Verdict == evidence.ChecksComplete || j.Passed {
					t.Fatalf("%s for %s, hoping %v: %s, passed %v", c.danger, c.target, hopes, j.Verdict, j.Passed)
				}
			}
		}
	}
}

// confusable: the state is one that people take for others of its trait.
func confusable(ix *guide.Index, trait int32, a evidence.Answer) bool {
	col := &ix.Chances.Columns[trait]
	for _, s := range a.States {
		if i, ok := ix.Book.Traits[trait].StateIndex(s); ok && col.Partners != nil && len(col.Partners[i]) > 0 {
			return true
		}
	}
	return false
}
