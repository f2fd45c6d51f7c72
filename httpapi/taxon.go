package httpapi

import (
	"zestythicket/guide"
	"zestythicket/report"
)

// TaxonPage is an entry of the guide, as it is read.
type TaxonPage struct {
	report.TaxonRef
	Kingdom    string      `json:"kingdom"`
	Rank       string      `json:"rank"`
	Family     string      `json:"family"`
	Names      []NameLine  `json:"names"`
	Summary    string      `json:"summary"`
	Hazards    []Hazard    `json:"hazards"`
	Protection string      `json:"protection,omitempty"`
	HardGroups []string    `json:"hardGroups"`
	Regions    []string    `json:"regions"`
	Habitats   []string    `json:"habitats"`
	Stages     []string    `json:"stages"`
	Windows    []Window    `json:"windows"`
	Place      string      `json:"place,omitempty"`
	Uses       []Use       `json:"uses"`
	Lookalikes []Lookalike `json:"lookalikes"`
	TakenFor   []Lookalike `json:"takenFor" doc:"Entries that name this one as a lookalike"`
	Before     []string    `json:"before"`
	Cells      []Cell      `json:"cells"`
	Sources    []string    `json:"sources"`
	Confidence string      `json:"confidence"`
}

// NameLine is one of its names.
type NameLine struct {
	Text string `json:"text"`
	Kind string `json:"kind"`
}

// Hazard is one line of its hazards.
type Hazard struct {
	Grade       int      `json:"grade"`
	Word        string   `json:"word"`
	Part        string   `json:"part,omitempty"`
	Preparation string   `json:"preparation,omitempty"`
	Stages      []string `json:"stages"`
	Contact     bool     `json:"contact"`
	Why         string   `json:"why"`
	Onset       string   `json:"onset,omitempty"`
	Source      string   `json:"source,omitempty"`
}

// Window is when its stages are met at the reference place.
type Window struct {
	Stages []string `json:"stages"`
	Months []int    `json:"months"`
}

// Lookalike is an entry it is taken for.
type Lookalike struct {
	Taxon  report.TaxonRef `json:"taxon"`
	Hazard int             `json:"hazard"`
	Why    string          `json:"why"`
	Tells  []Tell          `json:"tells" doc:"What tells the two apart, decisive first"`
}

// Tell is a trait on which two entries differ.
type Tell struct {
	Trait    report.TraitRef `json:"trait"`
	This     string          `json:"this"`
	Other    string          `json:"other"`
	Decisive bool            `json:"decisive"`
}

// Cell is what the guide says of one trait.
type Cell struct {
	Trait    report.TraitRef `json:"trait"`
	Key      bool            `json:"key"`
	Variants []VariantLine   `json:"variants"`
	Usual    []string        `json:"usual" doc:"States shown at least usually, for drawing"`
}

// VariantLine is what it says for some stages.
type VariantLine struct {
	Stages   []string            `json:"stages" doc:"Empty: all"`
	Kind     string              `json:"kind" enum:"described,inapplicable,unknown"`
	Why      string              `json:"why,omitempty"`
	By       map[string][]string `json:"by" doc:"State labels by frequency"`
	Decisive []string            `json:"decisive"`
	Source   string              `json:"source,omitempty"`
	Range    []float64           `json:"range" doc:"Extreme low, typical low, typical high, extreme high"`
	Unit     string              `json:"unit,omitempty"`
}

func taxonPage(ix *guide.Index, at int32) *TaxonPage {
	t := &ix.Book.Taxa[at]
	p := &TaxonPage{TaxonRef: report.Taxon(ix, at), Kingdom: t.Kingdom.String(), Rank: t.Rank, Family: t.Family, Names: []NameLine{}, Summary: t.Summary, Hazards: []Hazard{}, Protection: t.Protection,
		HardGroups: append([]string{}, t.HardGroups...), Regions: t.Regions, Habitats: append([]string{}, t.Habitats...), Stages: t.Stages.Strings(), Windows: []Window{}, Place: t.Place, Uses: usesOf(t),
		Lookalikes: []Lookalike{}, TakenFor: []Lookalike{}, Before: append([]string{}, t.Before...), Cells: []Cell{}, Sources: []string{}, Confidence: t.Confidence}
	for _, n := range t.Names {
		p.Names = append(p.Names, NameLine(n))
	}
	for _, h := range t.Hazards {
		p.Hazards = append(p.Hazards, Hazard{int(h.Grade), h.Grade.String(), h.Part, h.Preparation, h.Stages.Strings(), h.Contact, h.Why, h.Onset, sourceTitle(ix, h.Source)})
	}
	for _, w := range t.Windows {
		line := Window{Stages: w.Stages.Strings()}
		for m := 1; m <= 12; m++ {
			if w.Months&(1<<(m-1)) != 0 {
				line.Months = append(line.Months, m)
			}
		}
		p.Windows = append(p.Windows, line)
	}
	for _, s := range t.Sources {
		p.Sources = append(p.Sources, sourceTitle(ix, s))
	}
	keys := map[string]bool{}
	for _, k := range t.KeyFor(t.Stages) {
		keys[k] = true
	}
	for i := range t.Cells {
		p.Cells = append(p.Cells, cellOf(ix, &t.Cells[i], keys[t.Cells[i].Trait]))
	}
	for _, l := range t.Lookalikes {
		if o, ok := ix.TaxonAt(l.Taxon); ok {
			p.Lookalikes = append(p.Lookalikes, Lookalike{report.Taxon(ix, o), int(ix.Worst[o]), l.Why, tells(ix, at, o)})
		}
	}
	for i := range ix.Book.Taxa {
		for _, l := range ix.Book.Taxa[i].Lookalikes {
			if l.Taxon == t.ID {
				p.TakenFor = append(p.TakenFor, Lookalike{report.Taxon(ix, int32(i)), int(ix.Worst[i]), l.Why, []Tell{}})
			}
		}
	}
	return p
}

func sourceTitle(ix *guide.Index, id string) string {
	for _, s := range ix.Book.Sources {
		if s.ID == id {
			return s.Title
		}
	}
	return id
}

func cellOf(ix *guide.Index, c *guide.Cell, key bool) Cell {
	at, _ := ix.TraitAt(c.Trait)
	tr := &ix.Book.Traits[at]
	out := Cell{Trait: report.TraitRef{ID: tr.ID, Name: tr.Name, Part: tr.Part.String()}, Key: key, Usual: []string{}}
	for i := range c.Variants {
		v := &c.Variants[i]
		line := VariantLine{Stages: []string{}, Kind: []string{"", "described", "inapplicable", "unknown"}[v.Kind], Why: v.Why, By: map[string][]string{}, Decisive: []string{}, Source: sourceTitle(ix, v.Source), Range: []float64{}, Unit: tr.Unit}
		if len(c.Variants) > 1 {
			line.Stages = v.Stages.Strings()
		}
		if tr.Kind == guide.Measure && v.Kind == guide.Described {
			line.Range = v.Range[:]
		}
		for s := range v.Freq {
			f := v.Freq[s]
			if f == guide.Unlisted {
				continue
			}
			line.By[f.String()] = append(line.By[f.String()], tr.States[s].Label)
			if f >= guide.Usually {
				out.Usual = append(out.Usual, tr.States[s].ID)
			}
			if v.Decisive&(1<<s) != 0 {
				line.Decisive = append(line.Decisive, tr.States[s].Label)
			}
		}
		out.Variants = append(out.Variants, line)
	}
	return out
}

// tells lists the traits on which what one entry usually shows is never shown
// by the other.
func tells(ix *guide.Index, at, other int32) []Tell {
	out := []Tell{}
	for _, c := range ix.Book.Taxa[at].Cells {
		for _, o := range ix.Book.Taxa[other].Cells {
			if o.Trait != c.Trait || len(c.Variants) == 0 || len(o.Variants) == 0 {
				continue
			}
			ti, _ := ix.TraitAt(c.Trait)
			tr := &ix.Book.Traits[ti]
			v, w := &c.Variants[0], &o.Variants[0]
			if tr.Kind == guide.Measure || v.Kind != guide.Described || w.Kind != guide.Described || tr.Class == guide.Circumstance {
				continue
			}
			never := guide.NeverMask(tr, w)
			var a, b string
			apart, decisive := false, false
			for s := range tr.States {
				if v.Freq[s] >= guide.Usually {
					a = join(a, tr.States[s].Label)
					apart = apart || never&(1<<s) != 0
					decisive = decisive || w.Decisive&(1<<s) != 0
				}
				if w.Freq[s] >= guide.Usually {
					b = join(b, tr.States[s].Label)
				}
			}
			if !apart {
				continue
			}
			tell := Tell{report.TraitRef{ID: tr.ID, Name: tr.Name, Part: tr.Part.String()}, a, b, decisive}
			if decisive {
				out = append([]Tell{tell}, out...)
			} else {
				out = append(out, tell)
			}
		}
	}
	return out
}

func join(a, b string) string {
	if a == "" {
		return b
	}
	return a + ", " + b
}
