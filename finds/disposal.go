package finds

import (
	"fmt"
	"time"

	"zestythicket/evidence"
	"zestythicket/report"
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
	where := d.Place
	if where == "" {
		where = "where nobody and no animal comes by"
	}
	plan := &Plan{Disposal: *d, Days: []PlanDay{
		{d.Cut, "Cut it. Gloves, long sleeves, eyes covered; leave it " + where + ", with a sign.", "Sap and hairs harm when fresh. Afterwards wash skin at once with soap, then tools and clothes apart from others."},
		{back.Format(time.DateOnly), fmt.Sprintf("Come back after %d weeks, in gloves again. Bag what is dry, without breaking it up.", d.Weeks), "It harms as much when dry or dead. Never burn it: the smoke carries it. Not to the compost, not through a shredder; ask the local tip how it takes it."},
		{back.AddDate(0, 0, RegrowthDays).Format(time.DateOnly), "Look for regrowth at the stumps and runners, in gloves.", "What comes again is as harmful as what was cut."},
	}, Words: "The hazard is still on when it is dry. It can still hurt whoever touches it on every day of this plan, and it is never burnt."}
	for i := range p.Judgements {
		if p.Judgements[i].Verdict == evidence.NoContactHazard.String() {
			plan.Words = "No contact hazard was found among the entries checked; the plan is kept all the same. The guide does not know every plant."
		}
	}
	return plan
}
