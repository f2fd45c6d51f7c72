package reference

import (
	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/report"
)

// TaxonPage is an entry of the guide, as it is read.
type TaxonPage struct {
	report.TaxonRef
	Kingdom     string            `json:"kingdom"`
	Rank        string            `json:"rank"`
	Family      string            `json:"family"`
	Names       []NameLine        `json:"names"`
	Summary     string            `json:"summary"`
	Hazards     []Hazard          `json:"hazards"`
	Protection  string            `json:"protection,omitempty"`
	HardGroups  []string          `json:"hardGroups"`
	Regions     []string          `json:"regions"`
	Habitats    []string          `json:"habitats"`
	Stages      []string          `json:"stages"`
	Windows     []Window          `json:"windows"`
	Place       string            `json:"place,omitempty"`
	Uses        []Use             `json:"uses"`
	Lookalikes  []Lookalike       `json:"lookalikes"`
	TakenFor    []Lookalike       `json:"takenFor" doc:"Entries that name this one as a lookalike"`
	Before      []string          `json:"before"`
	File        string            `json:"file"`
	Equivalents []report.TaxonRef `json:"equivalents"`
	Hosts       []string          `json:"hosts"`
	Companions  []string          `json:"companions"`
	Cues        []string          `json:"cues" doc:"What leads to it from afar; never evidence"`
	BeforePick  []string          `json:"beforePick"`
	NotGathered []NotGathered     `json:"notGathered"`
	Keys        []KeyLine         `json:"keys"`
	Cautions    []Caution         `json:"cautions"`
	Remedy      []string          `json:"remedy"`
	Disputed    []Dispute         `json:"disputed"`
	Cells       []Cell            `json:"cells"`
	Sources     []string          `json:"sources"`
	Confidence  string            `json:"confidence"`
}

// NotGathered is why some stages are not to be gathered.
type NotGathered struct {
	Stages  []string `json:"stages"`
	Regions []string `json:"regions"`
	Why     string   `json:"why"`
}

// KeyLine is what must fit at some stages.
type KeyLine struct {
	Stages []string          `json:"stages"`
	Traits []report.TraitRef `json:"traits"`
}

// Caution is for some people only.
type Caution struct {
	Who    string `json:"who"`
	Refuse bool   `json:"refuse"`
	Why    string `json:"why"`
}

// Dispute is where practitioners or books differ.
type Dispute struct {
	Question string   `json:"question"`
	Schools  []string `json:"schools"`
	Here     string   `json:"here"`
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
	Syndrome    string   `json:"syndrome,omitempty"`
	Help        string   `json:"help,omitempty" doc:"Whom to call and what to keep"`
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
	Tells  []Tell          `json:"tells" doc:"What tells the two apart, the weightiest first"`
}

// Tell is a trait on which two entries differ.
type Tell struct {
	Trait report.TraitRef `json:"trait"`
	This  string          `json:"this"`
	Other string          `json:"other"`
	Worth string          `json:"worth" enum:"strong,fair"`
}

// Cell is what the guide says of one trait.
type Cell struct {
	Trait    report.TraitRef `json:"trait"`
	Key      bool            `json:"key"`
	Variants []VariantLine   `json:"variants"`
	Usual    []string        `json:"usual" doc:"States shown at least usually, for drawing"`
	From     string          `json:"from,omitempty" doc:"The profile it was taken over from, or yours"`
	// Readers is how many read it, the entry itself among them.
	Readers int `json:"readers" doc:"Who read it, the entry itself among them"`
	Agree   int `json:"agree" doc:"How many of them say that it shows what the entry says it usually shows"`
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

func taxonPage(e *evidence.Engine, at int32) *TaxonPage {
	ix := e.Index()
	t := &ix.Book.Taxa[at]
	p := &TaxonPage{TaxonRef: report.Taxon(ix, at), Kingdom: t.Kingdom.String(), Rank: t.Rank, Family: t.Family, Names: []NameLine{}, Summary: t.Summary, Hazards: []Hazard{}, Protection: t.Protection,
		HardGroups: append([]string{}, t.HardGroups...), Regions: t.Regions, Habitats: append([]string{}, t.Habitats...), Stages: t.Stages.Strings(), Windows: []Window{}, Place: t.Place, Uses: usesOf(t),
		Lookalikes: []Lookalike{}, TakenFor: []Lookalike{}, Before: append([]string{}, t.Before...), Cells: []Cell{}, Sources: []string{}, Confidence: t.Confidence}
	for _, n := range t.Names {
		p.Names = append(p.Names, NameLine(n))
	}
	for _, h := range t.Hazards {
		p.Hazards = append(p.Hazards, Hazard{int(h.Grade), h.Grade.String(), h.Part, h.Preparation, h.Stages.Strings(), h.Contact, h.Why, h.Onset, syndromeName(ix, h.Syndrome), h.Help, sourceTitle(ix, h.Source)})
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
	p.more(ix, t)
	keys := map[string]bool{}
	for _, k := range t.KeyFor(t.Stages) {
		keys[k] = true
	}
	for i := range t.Cells {
		p.Cells = append(p.Cells, cellOf(ix, t, &t.Cells[i], keys[t.Cells[i].Trait]))
	}
	for _, l := range t.Lookalikes {
		if o, ok := ix.TaxonAt(l.Taxon); ok {
			p.Lookalikes = append(p.Lookalikes, Lookalike{report.Taxon(ix, o), int(ix.Worst[o]), l.Why, tells(e, at, o)})
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

// more is what is neither cell nor lookalike.
func (p *TaxonPage) more(ix *guide.Index, t *guide.Taxon) {
	list := func(s []string) []string { return append([]string{}, s...) }
	p.File = t.File
	p.Hosts, p.Companions, p.Cues, p.BeforePick, p.Remedy = list(t.Hosts), list(t.Companions), list(t.Cues), list(t.BeforePick), list(t.Remedy)
	p.Equivalents, p.NotGathered, p.Keys, p.Cautions, p.Disputed = []report.TaxonRef{}, []NotGathered{}, []KeyLine{}, []Caution{}, []Dispute{}
	for _, e := range t.Equivalents {
		if at, ok := ix.TaxonAt(e); ok {
			p.Equivalents = append(p.Equivalents, report.Taxon(ix, at))
		}
	}
	for _, n := range t.NotGathered {
		p.NotGathered = append(p.NotGathered, NotGathered{n.Stages.Strings(), list(n.Regions), n.Why})
	}
	for _, k := range t.Key {
		line := KeyLine{k.Stages.Strings(), []report.TraitRef{}}
		for _, id := range k.Traits {
			at, _ := ix.TraitAt(id)
			tr := &ix.Book.Traits[at]
			line.Traits = append(line.Traits, report.TraitRef{ID: tr.ID, Name: tr.Name, Part: tr.Part.String()})
		}
		p.Keys = append(p.Keys, line)
	}
	for _, c := range t.Cautions {
		p.Cautions = append(p.Cautions, Caution{c.Who, c.Refuse, c.Why})
	}
	for _, d := range t.Disputed {
		p.Disputed = append(p.Disputed, Dispute{d.Question, list(d.Schools), d.Here})
	}
}

func syndromeName(ix *guide.Index, id string) string {
	for _, s := range ix.Book.Syndromes {
		if s.ID == id {
			return s.Name
		}
	}
	return id
}

func sourceTitle(ix *guide.Index, id string) string {
	for _, s := range ix.Book.Sources {
		if s.ID == id {
			return s.Title
		}
	}
	return id
}

func cellOf(ix *guide.Index, t *guide.Taxon, c *guide.Cell, key bool) Cell {
	at, _ := ix.TraitAt(c.Trait)
	tr := &ix.Book.Traits[at]
	out := Cell{Trait: report.TraitRef{ID: tr.ID, Name: tr.Name, Part: tr.Part.String()}, Key: key, Usual: []string{}, From: c.From}
	out.Readers, out.Agree = t.Agreement(c)
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

// tells lists the traits on which what one entry usually shows weighs most against the
// other.
func tells(e *evidence.Engine, at, other int32) []Tell {
	out := []Tell{}
	stages := e.Index().Book.Taxa[at].Stages
	for _, r := range report.Beside(e.Index(), at, []int32{other}, stages, func(o int32) []evidence.Look { return e.Between(at, o, stages) }) {
		if w := r.Cells[1].Worth; (w == report.WorthStrong || w == report.WorthFair) && len(out) < mostTells {
			out = append(out, Tell{r.Trait, r.Cells[0].Words, r.Cells[1].Words, w})
		}
	}
	return out
}

// mostTells keeps an entry readable; all rows stand in the side by side.
const mostTells = 6
