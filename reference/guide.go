package reference

import (
	"runtime"
	"slices"
	"sync"
	"sync/atomic"

	"zestythicket/evidence"
	"zestythicket/finds"
	"zestythicket/guide"
	"zestythicket/report"
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
	Better     []string `json:"better" doc:"Ways of looking after which states that people take for each other are told apart; an answer with a method was looked at so"`
	Tool       string   `json:"tool,omitempty"`
	Prepares   string   `json:"prepares,omitempty"`
	Baseline   bool     `json:"baseline,omitempty"`
}

// GuideInfo is the guide as a whole.
type GuideInfo struct {
	Version     string              `json:"version"`
	Taxa        int                 `json:"taxa"`
	Traits      []Trait             `json:"traits"`
	HardGroups  []HardGroup         `json:"hardGroups"`
	Health      []string            `json:"health"`
	Facts       []report.PersonFact `json:"personFacts" doc:"What can be said of a person"`
	DryingWeeks int                 `json:"dryingWeeks" doc:"Of a disposal plan, unless said otherwise"`
	Sayings     []Saying            `json:"sayings"`
	Overlay     Overlay             `json:"overlay"`
}

// Overlay is what is the user's own in the guide, and what was left out of it.
type Overlay struct {
	Dir      string           `json:"dir" doc:"Folder next to the database that own entries are read from"`
	Entries  int              `json:"entries" doc:"Entries that are theirs or corrected by them"`
	Problems []OverlayProblem `json:"problems"`
}

// OverlayProblem is one thing wrong with a file of theirs.
type OverlayProblem struct {
	File string `json:"file"`
	Line int    `json:"line"`
	Col  int    `json:"col"`
	What string `json:"what"`
	Hint string `json:"hint,omitempty"`
}

// HardGroup asks for a sign-off.
type HardGroup struct {
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Why    string   `json:"why"`
	Covers []string `json:"covers"`
	// Dangers are its poisonous and deadly entries.
	Dangers []report.TaxonRef `json:"dangers"`
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
	Passage string   `json:"passage,omitempty" doc:"Where its text holds the words, if no name does"`
}

// Use is what an entry is wanted for.
type Use struct {
	Part        string   `json:"part"`
	Preparation string   `json:"preparation"`
	Stages      []string `json:"stages"`
	Rank        string   `json:"rank"`
	Regions     []string `json:"regions" doc:"Where it is gathered; empty: wherever it grows"`
	Quality     []string `json:"quality"`
	Harvest     []string `json:"harvest" doc:"Least damage first"`
	Note        string   `json:"note,omitempty"`
	// Left are the stages at which the rules leave it.
	Left []UseLeft `json:"left" doc:"Where the rules leave it, since something dangerous can't be told apart"`
}

// UseLeft is a stage and continent at which a use is left by the rules, and the entry that
// stands worst.
type UseLeft struct {
	Stage     string          `json:"stage"`
	Continent string          `json:"continent"`
	Taxon     report.TaxonRef `json:"taxon"`
}

// Guide is the guide as a whole.
func (s *Service) Guide() *GuideInfo {
	b := s.Engine.Index().Book
	g := &GuideInfo{Version: b.Version, Taxa: len(b.Taxa), Traits: []Trait{}, HardGroups: []HardGroup{}, Health: evidence.HealthTopics, Sayings: []Saying{}, Facts: report.PersonFacts(b), DryingWeeks: finds.DryingWeeks, Overlay: Overlay{Problems: []OverlayProblem{}}}
	for i := range b.Taxa {
		if b.Taxa[i].Origin != "" {
			g.Overlay.Entries++
		}
	}
	for i := range b.Traits {
		t := &b.Traits[i]
		v := Trait{ID: t.ID, Name: t.Name, Ask: t.Ask, Terms: t.Terms, How: t.How, Part: t.Part.String(), Class: t.Class.String(), Kind: t.Kind.String(), Kingdom: t.Kingdom.String(),
			Group: t.Group, Handling: t.Handling.String(), Stages: t.Stages.Strings(), States: []State{}, Exclusive: t.Exclusive, Unit: t.Unit, Min: t.Min, Max: t.Max, Count: t.MinCount,
			Wait: t.WaitMin, Paper: t.HiddenOnDark|t.HiddenOnWhite != 0, Colour: t.Colour, Smell: t.Smell, BeforePick: t.BeforePick, Tool: t.Tool, Prepares: t.Prepares, Baseline: t.Baseline, Better: better(s.Engine.Index(), t.ID)}
		for _, st := range t.States {
			v.States = append(v.States, State{st.ID, st.Label, st.Hint})
		}
		if t.Absent >= 0 {
			v.Absent = t.States[t.Absent].ID
		}
		g.Traits = append(g.Traits, v)
	}
	for _, h := range b.HardGroups {
		x := HardGroup{ID: h.ID, Name: h.Name, Why: h.Why, Covers: h.Covers, Dangers: []report.TaxonRef{}}
		for _, id := range b.DangersOf(h.ID) {
			if at, ok := s.Engine.Index().TaxonAt(id); ok {
				x.Dangers = append(x.Dangers, report.Taxon(s.Engine.Index(), at))
			}
		}
		g.HardGroups = append(g.HardGroups, x)
	}
	for _, x := range b.Sayings {
		g.Sayings = append(g.Sayings, Saying(x))
	}
	return g
}

func usesOf(t *guide.Taxon) []Use {
	out := []Use{}
	for _, u := range t.Uses {
		out = append(out, Use{u.Part, u.Preparation, u.Stages.Strings(), u.Rank, append([]string{}, u.Regions...), append([]string{}, u.Quality...), append([]string{}, u.Harvest...), u.Note, []UseLeft{}})
	}
	return out
}

func (s *Service) audit() []report.AuditLine {
	s.once.Do(func() { s.lines, _ = report.Audit(s.Engine.Index(), wholeAudit(s.Engine)) })
	return s.lines
}

// AuditHeads are the lines of the audit with their weakest pair only.
func (s *Service) AuditHeads() []report.AuditLine {
	out := []report.AuditLine{}
	for _, l := range s.audit() {
		l.Entries = l.Entries[:min(1, len(l.Entries))]
		out = append(out, l)
	}
	return out
}

// AuditOf are the lines of the audit of one entry, whole.
func (s *Service) AuditOf(id string) ([]report.AuditLine, error) {
	at, err := entry(s.Engine.Index(), id)
	if err != nil {
		return nil, err
	}
	out, _ := report.Audit(s.Engine.Index(), s.Engine.AuditOf(at))
	return out, nil
}

// Entry is the page of an entry.
func (s *Service) Entry(id string) (*TaxonPage, error) {
	ix := s.Engine.Index()
	at, err := entry(ix, id)
	if err != nil {
		return nil, err
	}
	p := taxonPage(s.Engine, at)
	lines, _ := report.Audit(ix, s.Engine.AuditOf(at))
	for i := range p.Uses {
		u := &p.Uses[i]
		for _, l := range lines {
			if l.Part == u.Part && l.Preparation == u.Preparation && !l.Refused && !l.Holds && len(l.Entries) > 0 {
				u.Left = append(u.Left, UseLeft{l.Stage, l.Continent, l.Entries[0].Taxon})
			}
		}
	}
	return p, nil
}

// wholeAudit is the audit of every entry, worked out on all cores; it takes seconds.
func wholeAudit(e *evidence.Engine) []evidence.AuditLine {
	by := make([][]evidence.AuditLine, len(e.Index().Book.Taxa))
	var next atomic.Int64
	var wait sync.WaitGroup
	for range runtime.GOMAXPROCS(0) {
		wait.Go(func() {
			for i := next.Add(1) - 1; i < int64(len(by)); i = next.Add(1) - 1 {
				by[i] = e.AuditOf(int32(i))
			}
		})
	}
	wait.Wait()
	return slices.Concat(by...)
}
