package reference

import (
	"log/slog"
	"slices"
	"strings"

	"zestythicket/guide"
	"zestythicket/report"
	"zestythicket/store"
)

// SearchIn is a search of the guide: words and filters, all of which hold.
type SearchIn struct {
	Q       string `query:"q" maxLength:"80" doc:"A name, in any spelling, or words of the text"`
	Kingdom string `query:"kingdom" enum:"plant,fungus,"`
	Hazard  int    `query:"hazard" minimum:"0" maximum:"3" doc:"The gravest grade of any line is at least this"`
	Region  string `query:"region" enum:"EU,ENA,WNA,"`
	Month   int    `query:"month" minimum:"0" maximum:"12" doc:"Some stage is up in this month at the reference place; 0: any"`
	Use     string `query:"use" maxLength:"20" doc:"A part that may be gathered"`
	Trait   string `query:"trait" maxLength:"60"`
	State   string `query:"state" maxLength:"60" doc:"A state of that trait which the entry may show"`
}

const mostHits = 400

// Search finds by name first, typing mistakes forgiven, then by the words of the
// text, and keeps what every filter lets through.
func (s *Service) Search(in *SearchIn) ([]Hit, error) {
	ix := s.Engine.Index()
	out := []Hit{}
	met := map[int32]bool{}
	for _, h := range ix.Book.Search(in.Q) {
		met[h.Taxon] = true
		if in.admits(ix.Book, &ix.Book.Taxa[h.Taxon]) {
			out = append(out, hitOf(ix, h.Taxon, h.Name, ""))
		}
	}
	if strings.TrimSpace(in.Q) == "" {
		return out, nil
	}
	// The words of the text are searched in the database. Where it is full or can't be
	// written to, the names are found all the same.
	var texts []store.TextHit
	err := s.Store.IndexGuide(ix.Book.Version, func() []store.GuideDoc { return guideDocs(ix.Book) })
	if err == nil {
		texts, err = s.Store.SearchGuide(in.Q, mostHits)
	}
	if err != nil {
		slog.Warn("the text of the guide can't be searched; names are", "err", err)
	}
	for _, h := range texts {
		at, ok := ix.TaxonAt(h.Taxon)
		if ok && !met[at] && in.admits(ix.Book, &ix.Book.Taxa[at]) {
			out = append(out, hitOf(ix, at, guide.Name{}, h.Passage))
		}
	}
	return out[:min(len(out), mostHits)], nil
}

func hitOf(ix *guide.Index, at int32, met guide.Name, passage string) Hit {
	t := &ix.Book.Taxa[at]
	return Hit{TaxonRef: report.Taxon(ix, at), Kingdom: t.Kingdom.String(), Met: met.Text, MetKind: met.Kind, Hazard: int(t.WorstHazard()),
		Stages: t.Stages.Strings(), Uses: usesOf(t), Passage: passage}
}

// admits reports whether every filter lets the entry through.
func (in *SearchIn) admits(b *guide.Guide, t *guide.Taxon) bool {
	switch {
	case in.Kingdom != "" && t.Kingdom.String() != in.Kingdom,
		int(t.WorstHazard()) < in.Hazard,
		in.Region != "" && !slices.Contains(t.Regions, in.Region),
		in.Month > 0 && t.StagesIn(in.Month) == 0,
		in.Use != "" && !usedFor(t, in.Use),
		in.Trait != "" && !mayShow(b, t, in.Trait, in.State):
		return false
	}
	return true
}

func usedFor(t *guide.Taxon, part string) bool {
	for _, u := range t.Uses {
		if u.Part == part {
			return true
		}
	}
	return false
}

// mayShow: the guide says that the entry shows the state, rarely at least.
func mayShow(b *guide.Guide, t *guide.Taxon, trait, state string) bool {
	for i := range b.Traits {
		if b.Traits[i].ID != trait {
			continue
		}
		s, ok := b.Traits[i].StateIndex(state)
		for c := range t.Cells {
			for v := range t.Cells[c].Variants {
				x := &t.Cells[c].Variants[v]
				if ok && t.Cells[c].Trait == trait && x.Kind == guide.Described && len(x.Freq) > s && x.Freq[s] >= guide.Rarely {
					return true
				}
			}
		}
	}
	return false
}

// guideDocs is the text of every entry for full-text search.
func guideDocs(b *guide.Guide) []store.GuideDoc {
	labels := map[string]*guide.Trait{}
	for i := range b.Traits {
		labels[b.Traits[i].ID] = &b.Traits[i]
	}
	var docs []store.GuideDoc
	for i := range b.Taxa {
		t := &b.Taxa[i]
		var names, prose, looks []string
		for _, n := range t.Names {
			names = append(names, n.Text)
		}
		prose = append(prose, t.Summary, t.Family, t.Protection)
		for _, list := range [][]string{t.Hosts, t.Companions, t.Cues, t.BeforePick, t.Before, t.Habitats} {
			prose = append(prose, strings.Join(list, ", "))
		}
		for _, h := range t.Hazards {
			prose = append(prose, h.Why)
		}
		for _, l := range t.Lookalikes {
			prose = append(prose, l.Why)
		}
		for _, d := range t.Disputed {
			prose = append(prose, d.Question, d.Here)
		}
		for c := range t.Cells {
			tr := labels[t.Cells[c].Trait]
			for v := range t.Cells[c].Variants {
				for s, f := range t.Cells[c].Variants[v].Freq {
					if f >= guide.Usually {
						looks = append(looks, tr.Name+" "+tr.States[s].Label)
					}
				}
			}
		}
		docs = append(docs, store.GuideDoc{Taxon: t.ID, Names: strings.Join(names, " · "), Prose: strings.Join(prose, " · "), Looks: strings.Join(looks, " · ")})
	}
	return docs
}
