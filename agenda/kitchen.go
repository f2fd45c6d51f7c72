package agenda

import (
	"time"

	"zestythicket/kitchen"
	"zestythicket/words"
)

// dues adds what the kitchen waits for: steps that run, first tastes of
// which nobody has said how they were, and ends of keeping.
func (k shelf) dues(now time.Time, out []Due) []Due {
	add := func(id, kind, what, link string, at time.Time) {
		out = append(out, Due{ID: id, Day: at.In(now.Location()).Format(time.DateOnly), Kind: kind, What: what, Link: link, Late: !at.After(now)})
	}
	clock := func(at time.Time) string { return at.In(now.Location()).Format("15:04") }
	for _, l := range k.Book.Lots() {
		if l.Empty() && len(l.Running) == 0 {
			continue
		}
		link, name := "/kitchen/"+l.ID, k.Named(l)
		for _, s := range k.FirstSteps(l) {
			if began, ok := l.Running[s.ID]; ok {
				end := time.UnixMilli(began).Add(time.Duration(s.Minutes * float64(time.Minute)))
				add(l.ID+"-"+s.ID, "step", words.StepDue(name, s.Do, clock(end)), link, end)
			}
		}
		// Of what keeps for months the last fortnight is time enough.
		if by, ok := k.Book.UseBy(l); ok && !l.Empty() && time.UnixMilli(by).Before(now.AddDate(0, 0, 14)) {
			add(l.ID+"-keep", "keep", words.KeepDue(name, l.Form), link, time.UnixMilli(by))
		}
	}
	for i := range k.Book.Servings {
		s := &k.Book.Servings[i]
		if s.First && k.Book.FeltAfter(s) == "" {
			at := time.UnixMilli(s.AtMS + k.Book.Rules.WaitMS)
			add(s.Lot+"-taste-"+s.Person, "taste", words.TasteDue(s.Lot, clock(at)), "/kitchen/"+s.Lot, at)
		}
	}
	return out
}

// incidentDues adds the warnings of incidents, which stay until a person closes them.
func (c *Service) incidentDues(now time.Time, out []Due) ([]Due, error) {
	open, err := c.Incidents.OpenWarnings()
	if err != nil {
		return nil, err
	}
	for _, in := range open {
		out = append(out, Due{ID: in.ID + "-warning", Day: now.Format(time.DateOnly), Kind: "incident", What: words.WarningDue(c.DayOf(in.BeganMS)), Link: "/incident/" + in.ID, Late: true})
	}
	return out, nil
}

// shelf is the kitchen as the day's list and the journal look at it.
type shelf struct{ *kitchen.State }
