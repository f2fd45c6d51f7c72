package casebook

import (
	"time"

	"zestythicket/lot"
	"zestythicket/report"
)

// dues adds what the kitchen waits for: steps that run, first tastes of
// which nobody has said how they were, and ends of keeping.
func (k shelf) dues(now time.Time, out []Due) []Due {
	add := func(id, kind, what, link string, at time.Time) {
		out = append(out, Due{ID: id, Day: at.In(now.Location()).Format(time.DateOnly), Kind: kind, What: what, Link: link, Late: !at.After(now)})
	}
	clock := func(at time.Time) string { return at.In(now.Location()).Format("15:04") }
	for _, l := range k.book.Lots() {
		if l.Empty() && len(l.Running) == 0 {
			continue
		}
		link, name := "/kitchen/"+l.ID, k.named(l)
		for _, s := range k.firstSteps(l) {
			if began, ok := l.Running[s.ID]; ok {
				end := time.UnixMilli(began).Add(time.Duration(s.Minutes * float64(time.Minute)))
				add(l.ID+"-"+s.ID, "step", name+": "+s.Do+", to "+clock(end), link, end)
			}
		}
		// Of what keeps for months the last fortnight is time enough.
		if by, ok := k.book.KeepBy(l); ok && !l.Empty() && time.UnixMilli(by).Before(now.AddDate(0, 0, 14)) {
			add(l.ID+"-keep", "keep", name+" ("+l.Form+"): its time to keep ends", link, time.UnixMilli(by))
		}
	}
	for i := range k.book.Servings {
		s := &k.book.Servings[i]
		if s.First && k.book.FeltAfter(s) == "" {
			at := time.UnixMilli(s.AtMS + k.book.Rules.WaitMS)
			add(s.Lot+"-taste-"+s.Person, "taste", "Say how the first taste of "+s.Lot+" was, from "+clock(at), "/kitchen/"+s.Lot, at)
		}
	}
	return out
}

// incidentDues adds the warnings of incidents, which stay until a person closes them.
func (c *Casebook) incidentDues(now time.Time, out []Due) ([]Due, error) {
	open, err := c.openWarnings()
	if err != nil {
		return nil, err
	}
	for _, in := range open {
		out = append(out, Due{ID: in.ID + "-warning", Day: now.Format(time.DateOnly), Kind: "incident", What: "An incident of " + c.dayOf(in.BeganMS) + ": its warnings of late signs stand until a person closes them", Link: "/incident/" + in.ID, Late: true})
	}
	return out, nil
}

// shelf is the kitchen as the day's list and the journal look at it.
type shelf struct{ *pot }

// usedUp: a find was bagged, and nothing is left of any of it.
func (k *pot) usedUp(find string) bool {
	if k.bagged == nil {
		k.bagged = map[string]bool{}
		for _, l := range k.book.Lots() {
			if len(l.Parents) == 0 {
				left, was := k.bagged[l.Find]
				k.bagged[l.Find] = was && left || !k.gone(l.ID)
			}
		}
	}
	left, was := k.bagged[find]
	return was && !left
}

// named is a lot with the name of its kind: nettle, B3.
func (k *pot) named(l *lot.Lot) string {
	ix := k.c.Engine.Index()
	if at, ok := ix.TaxonAt(l.Taxon); ok {
		return report.Taxon(ix, at).Common + ", " + l.ID
	}
	return l.ID
}

// openWarnings lists incidents with an exposure that nobody has closed, and those
// with signs of which nobody knows what they are from.
func (c *Casebook) openWarnings() ([]Incident, error) {
	all, err := c.Incidents()
	if err != nil {
		return nil, err
	}
	var out []Incident
	for _, in := range all {
		closed := map[string]bool{}
		for _, x := range in.Closings {
			closed[x.Exposure] = true
		}
		open := len(in.Exposures) == 0 && len(in.Symptoms) > 0 // of nothing at all nothing is due
		for _, x := range in.Exposures {
			open = open || !closed[x.ID]
		}
		if open {
			out = append(out, in)
		}
	}
	return out, nil
}
