package finds

import (
	"time"

	"zestythicket/evidence"
	"zestythicket/report"
	"zestythicket/words"
)

// Disposal is what is planned for something cut that harms on contact.
type Disposal struct {
	Cut   string `json:"cut" format:"date"`
	Weeks int    `json:"weeks" minimum:"1" maximum:"104" doc:"How long it is left to dry where nobody comes by"`
	Place string `json:"place,omitempty" maxLength:"160" doc:"Where it is left"`
}

// Defaults of the plan: our own, common practice, no source.
const (
	DryingWeeks  = 8 // left to dry
	RegrowthDays = 28
)

// PlanDay is one day of a disposal plan.
type PlanDay struct {
	Day  string `json:"day" format:"date"`
	What string `json:"what"`
	Why  string `json:"why"`
}

// Plan is a disposal with its days. The hazard does not end with it.
type Plan struct {
	Disposal
	Days  []PlanDay `json:"days"`
	Words string    `json:"words"`
}

// planOf works the days out; nil when nothing is planned or the find is not to
// be cleared.
func planOf(f *Facts, p *report.Patch) *Plan {
	d := f.Disposal
	if d == nil || f.Intent != "clear" {
		return nil
	}
	cut, err := time.Parse(time.DateOnly, d.Cut)
	if err != nil {
		return nil
	}
	back := cut.AddDate(0, 0, 7*d.Weeks)
	days := []string{d.Cut, back.Format(time.DateOnly), back.AddDate(0, 0, RegrowthDays).Format(time.DateOnly)}
	plan := &Plan{Disposal: *d}
	for i, x := range words.Disposal(d.Place, d.Weeks) {
		plan.Days = append(plan.Days, PlanDay{days[i], x.What, x.Why})
	}
	found := true
	for i := range p.Judgements {
		found = found && p.Judgements[i].Verdict != evidence.NoContactHazard.String()
	}
	plan.Words = words.DisposalHazard(found)
	return plan
}
