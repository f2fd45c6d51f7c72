package reference

import (
	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/report"
	"zestythicket/store"
)

// CompareIn asks for a target beside others.
type CompareIn struct {
	Target string   `query:"target" required:"true" maxLength:"80"`
	With   []string `query:"with,explode" maxItems:"5" doc:"Entries to put beside it; none: its named lookalikes, the gravest first"`
	Stage  []string `query:"stage,explode" maxItems:"7" doc:"Only what can be seen at these stages; none: all of the target's"`
	Month  int      `query:"month" minimum:"0" maximum:"12" doc:"Only stages that are up in this month at the reference place; 0: any"`
}

// Beside is a target beside other entries.
type Beside struct {
	Taxa   []BesideTaxon      `json:"taxa" doc:"The target first"`
	Stages []string           `json:"stages" doc:"The stages compared"`
	Rows   []report.BesideRow `json:"rows"`
}

// BesideTaxon heads a column.
type BesideTaxon struct {
	report.TaxonRef
	Hazard int    `json:"hazard"`
	Why    string `json:"why,omitempty" doc:"Why people confuse it with the target"`
}

const mostBeside = 4

// Beside puts a target beside others.
func (s *Service) Beside(in *CompareIn) (*Beside, error) {
	ix := s.Engine.Index()
	at, err := entry(ix, in.Target)
	if err != nil {
		return nil, err
	}
	t := &ix.Book.Taxa[at]
	stages := guide.StageSet(0)
	for _, w := range in.Stage {
		st, ok := guide.ParseStage(w)
		if !ok {
			return nil, &store.Error{Op: "put beside", Path: w, Err: store.ErrInvalid, Hint: "There is no stage " + w + "."}
		}
		stages |= guide.NewStageSet(st)
	}
	if stages == 0 {
		stages = t.Stages
	}
	if in.Month > 0 {
		stages &= t.StagesIn(in.Month)
	}
	out := &Beside{Taxa: []BesideTaxon{}, Stages: stages.Strings(), Rows: []report.BesideRow{}}
	others, err := besides(ix, at, in.With)
	if err != nil {
		return nil, err
	}
	for _, o := range append([]int32{at}, others...) {
		x := &ix.Book.Taxa[o]
		out.Taxa = append(out.Taxa, BesideTaxon{report.Taxon(ix, o), int(x.WorstHazard()), whyConfused(t, x)})
	}
	if stages != 0 {
		out.Rows = report.Beside(ix, at, others, stages, func(o int32) []evidence.Look { return s.Engine.Between(at, o, stages) })
	}
	return out, nil
}

func entry(ix *guide.Index, id string) (int32, error) {
	at, ok := ix.TaxonAt(id)
	if !ok {
		return 0, &store.Error{Op: "read taxon", Path: id, Err: store.ErrNotFound, Hint: "The guide has no entry with this id."}
	}
	return at, nil
}

// besides are the entries asked for, or the named lookalikes, gravest first.
func besides(ix *guide.Index, target int32, with []string) ([]int32, error) {
	var out []int32
	for _, id := range with {
		o, err := entry(ix, id)
		if err != nil {
			return nil, err
		}
		if o != target {
			out = append(out, o)
		}
	}
	if len(with) > 0 {
		return out, nil
	}
	for grade := guide.Deadly; ; grade-- {
		for _, l := range ix.Book.Taxa[target].Lookalikes {
			if o, ok := ix.TaxonAt(l.Taxon); ok && ix.Book.Taxa[o].WorstHazard() == grade && len(out) < mostBeside {
				out = append(out, o)
			}
		}
		if grade == guide.NoHazard {
			return out, nil
		}
	}
}

func whyConfused(a, b *guide.Taxon) string {
	for _, pair := range [][2]*guide.Taxon{{a, b}, {b, a}} {
		for _, l := range pair[0].Lookalikes {
			if l.Taxon == pair[1].ID {
				return l.Why
			}
		}
	}
	return ""
}
