package httpapi

import (
	"github.com/danielgtaylor/huma/v2"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/report"
	"zestythicket/store"
)

// State is one value of a trait.
type State struct {
	ID    string `json:"id"`
	Label string `json:"label"`
	Hint  string `json:"hint,omitempty"`
}

// Trait is what a screen needs to ask for it.
type Trait struct {
	ID         string   `json:"id"`
	Name       string   `json:"name"`
	Ask        string   `json:"ask"`
	Terms      string   `json:"terms,omitempty"`
	How        string   `json:"how"`
	Part       string   `json:"part"`
	Class      string   `json:"class"`
	Kind       string   `json:"kind"`
	Kingdom    string   `json:"kingdom"`
	Group      string   `json:"group"`
	Handling   string   `json:"handling"`
	Stages     []string `json:"stages"`
	States     []State  `json:"states"`
	Exclusive  bool     `json:"exclusive"`
	Absent     string   `json:"absent,omitempty" doc:"The state that inspected-and-absent stands for"`
	Unit       string   `json:"unit,omitempty"`
	Min        float64  `json:"min,omitempty"`
	Max        float64  `json:"max,omitempty"`
	Count      int      `json:"count,omitempty" doc:"How many must be looked at"`
	Wait       float64  `json:"wait,omitempty" doc:"Minutes before a reading counts"`
	Paper      bool     `json:"paper,omitempty" doc:"The paper under it must be said"`
	Colour     bool     `json:"colour,omitempty"`
	Smell      bool     `json:"smell,omitempty"`
	BeforePick bool     `json:"beforePick,omitempty"`
	Tool       string   `json:"tool,omitempty"`
	Prepares   string   `json:"prepares,omitempty"`
	Baseline   bool     `json:"baseline,omitempty"`
}

// GuideInfo is the guide as a whole.
type GuideInfo struct {
	Version    string      `json:"version"`
	Taxa       int         `json:"taxa"`
	Traits     []Trait     `json:"traits"`
	HardGroups []HardGroup `json:"hardGroups"`
	Health     []string    `json:"health"`
	Sayings    []Saying    `json:"sayings"`
}

// HardGroup asks for a sign-off.
type HardGroup struct {
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Why    string   `json:"why"`
	Covers []string `json:"covers"`
}

// Saying is a folk rule refused by name.
type Saying struct {
	ID      string `json:"id"`
	Saying  string `json:"saying"`
	Why     string `json:"why"`
	Instead string `json:"instead"`
}

// Hit is an entry found by name.
type Hit struct {
	report.TaxonRef
	Kingdom string   `json:"kingdom"`
	Met     string   `json:"met" doc:"The name that was met"`
	MetKind string   `json:"metKind" enum:"scientific,common,synonym,"`
	Hazard  int      `json:"hazard" doc:"The gravest grade of any of its lines"`
	Stages  []string `json:"stages"`
	Uses    []Use    `json:"uses"`
}

// Use is what an entry is wanted for.
type Use struct {
	Part        string   `json:"part"`
	Preparation string   `json:"preparation"`
	Stages      []string `json:"stages"`
	Rank        string   `json:"rank"`
}

func (s *Server) guideRoutes(api huma.API) {
	huma.Get(api, "/api/guide", answer(func(*struct{}) (*GuideInfo, error) { return guideInfo(s.book.Engine.Index().Book), nil }))
	huma.Get(api, "/api/audit", answer(func(*struct{}) ([]report.AuditLine, error) {
		lines, _ := report.Audit(s.book.Engine.Index(), s.book.Engine.Audit())
		return lines, nil
	}))
	huma.Get(api, "/api/taxa", answer(func(in *struct {
		Q string `query:"q" maxLength:"80"`
	}) ([]Hit, error) {
		return hits(s.book.Engine.Index(), in.Q), nil
	}))
	huma.Get(api, "/api/taxa/{id}", answer(func(in *struct {
		ID string `path:"id" maxLength:"80"`
	}) (*TaxonPage, error) {
		ix := s.book.Engine.Index()
		at, ok := ix.TaxonAt(in.ID)
		if !ok {
			return nil, &store.Error{Op: "read taxon", Path: in.ID, Err: store.ErrNotFound, Hint: "The guide has no entry with this id."}
		}
		return taxonPage(ix, at), nil
	}))
}

func guideInfo(b *guide.Book) *GuideInfo {
	g := &GuideInfo{Version: b.Version, Taxa: len(b.Taxa), Traits: []Trait{}, HardGroups: []HardGroup{}, Health: evidence.HealthTopics, Sayings: []Saying{}}
	for i := range b.Traits {
		t := &b.Traits[i]
		v := Trait{ID: t.ID, Name: t.Name, Ask: t.Ask, Terms: t.Terms, How: t.How, Part: t.Part.String(), Class: t.Class.String(), Kind: t.Kind.String(), Kingdom: t.Kingdom.String(),
			Group: t.Group, Handling: t.Handling.String(), Stages: t.Stages.Strings(), States: []State{}, Exclusive: t.Exclusive, Unit: t.Unit, Min: t.Min, Max: t.Max, Count: t.MinCount,
			Wait: t.WaitMin, Paper: t.HiddenOnDark|t.HiddenOnWhite != 0, Colour: t.Colour, Smell: t.Smell, BeforePick: t.BeforePick, Tool: t.Tool, Prepares: t.Prepares, Baseline: t.Baseline}
		for _, st := range t.States {
			v.States = append(v.States, State{st.ID, st.Label, st.Hint})
		}
		if t.Absent >= 0 {
			v.Absent = t.States[t.Absent].ID
		}
		g.Traits = append(g.Traits, v)
	}
	for _, h := range b.HardGroups {
		g.HardGroups = append(g.HardGroups, HardGroup(h))
	}
	for _, x := range b.Sayings {
		g.Sayings = append(g.Sayings, Saying(x))
	}
	return g
}

func hits(ix *guide.Index, q string) []Hit {
	out := []Hit{}
	for _, h := range ix.Book.Search(q) {
		t := &ix.Book.Taxa[h.Taxon]
		hit := Hit{TaxonRef: report.Taxon(ix, h.Taxon), Kingdom: t.Kingdom.String(), Met: h.Name.Text, MetKind: h.Name.Kind, Hazard: int(t.WorstHazard()), Stages: t.Stages.Strings(), Uses: usesOf(t)}
		out = append(out, hit)
		if len(out) == 200 {
			break
		}
	}
	return out
}

func usesOf(t *guide.Taxon) []Use {
	out := []Use{}
	for _, u := range t.Uses {
		out = append(out, Use{u.Part, u.Preparation, u.Stages.Strings(), u.Rank})
	}
	return out
}
