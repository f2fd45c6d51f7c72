package ground

import (
	"cmp"
	"slices"
	"time"

	"zestythicket/guide"
	"zestythicket/phenology"
	"zestythicket/plan"
	"zestythicket/records"
	"zestythicket/report"
)

// PermissionNotice is how many days before its end a permission is asked for
// again; our own default.
const PermissionNotice = 14

// likelyUp is the chance from which a stage is worth a visit; our own default.
const likelyUp = 0.4

// ReturnTo is the day to go back to a patch: its last visit and the days it takes
// to regrow, and not before the stage it is gone back for is likely up there. A
// patch with neither is not gone back to by itself.
func (c *Service) ReturnTo(p *Place, patch *PatchOfGround, k *plan.Observations, now time.Time) (day, why string, ok bool) {
	last := ""
	for _, s := range patch.Points {
		last = max(last, s.Day)
	}
	at, err := time.Parse(time.DateOnly, last)
	switch {
	case err == nil && patch.Every > 0:
		at = at.AddDate(0, 0, patch.Every)
	case patch.Stage == "":
		return "", "", false
	default:
		at = time.Date(now.Year(), now.Month(), now.Day(), 0, 0, 0, 0, time.UTC)
		if err == nil && last >= now.Format(time.DateOnly) { // seen today
			at = at.AddDate(0, 0, 7)
		}
	}
	if patch.Stage == "" || patch.Taxon == "" {
		return at.Format(time.DateOnly), "", true
	}
	ix := c.Engine.Index()
	t, found := ix.TaxonAt(patch.Taxon)
	st, known := guide.ParseStage(patch.Stage)
	if !found || !known {
		return at.Format(time.DateOnly), "", true
	}
	ws := plan.Windows(ix.Book, t, WhereOf(p), k, phenology.StandardDefaults())
	for range 366 {
		// A date rules nothing out: with no months in the guide the day stays.
		if up := plan.Up(ws, guide.NewStageSet(st), phenology.Ordinal(int(at.Month()), at.Day()))[st]; up < 0 || up >= likelyUp {
			return at.Format(time.DateOnly), " (" + patch.Stage + ")", true
		}
		at = at.AddDate(0, 0, 1)
	}
	return "", "", false
}

// Cue is something that leads the eye to an entry at a place. It is never
// evidence.
type Cue struct {
	Taxon     report.TaxonRef `json:"taxon"`
	Cue       string          `json:"cue"`
	Habitats  []string        `json:"habitats" doc:"Those of the entry that are here"`
	Grade     int             `json:"grade"`
	GradeWord string          `json:"gradeWord"`
	P         float64         `json:"p" doc:"How likely it is up; -1 when the guide gives no window"`
}

// Cues lists what to look out for on the ground of a place on a day, dangers first.
func (c *Service) Cues(place, day string) ([]Cue, error) {
	p, err := c.Place(place)
	if err != nil {
		return nil, err
	}
	at := c.Now()
	if day != "" {
		if at, err = time.Parse(time.DateOnly, day); err != nil {
			return nil, records.Refuse("query.day", "no-date", day)
		}
	}
	k, err := c.known(place)
	if err != nil {
		return nil, err
	}
	ix := c.Engine.Index()
	out := []Cue{}
	for i := range ix.Book.Taxa {
		t := &ix.Book.Taxa[i]
		if p.Region != "" && ix.Continents[i] != 0 && ix.Continents[i]&ix.ContinentMask(p.Region) == 0 {
			continue
		}
		here := []string{}
		for _, h := range t.Habitats {
			if slices.Contains(p.Habitats, h) {
				here = append(here, h)
			}
		}
		if len(t.Cues) == 0 || len(here) == 0 {
			continue
		}
		best := -1.0
		for _, up := range plan.Up(plan.Windows(ix.Book, int32(i), WhereOf(p), k, phenology.StandardDefaults()), t.Stages, phenology.Ordinal(int(at.Month()), at.Day())) {
			best = max(best, up)
		}
		if best >= 0 && best < plan.Least {
			continue
		}
		for _, cue := range t.Cues {
			out = append(out, Cue{report.Taxon(ix, int32(i)), cue, here, int(ix.Worst[i]), ix.Worst[i].String(), best})
		}
	}
	slices.SortStableFunc(out, func(a, b Cue) int {
		return cmp.Or(-cmp.Compare(a.Grade, b.Grade), -cmp.Compare(a.P, b.P), cmp.Compare(a.Taxon.ID, b.Taxon.ID))
	})
	return out, nil
}
