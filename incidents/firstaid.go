package incidents

import (
	"zestythicket/guide"
	"zestythicket/incident"
	"zestythicket/people"
)

// FirstAid is what a page keeps before anything goes wrong: numbers, first steps,
// and the windows of every way of poisoning, for when nothing answers.
type FirstAid struct {
	Numbers []people.Number           `json:"numbers"`
	Aid     map[string][]AidView      `json:"aid" doc:"By route"`
	Windows map[string][]SyndromeLine `json:"windows" doc:"By route, with nothing known of what it was: the most dangerous first"`
}

// FirstAid gives the numbers that the user set, the first steps and the windows.
func (c *Service) FirstAid() (*FirstAid, error) {
	s, err := c.People.Settings()
	if err != nil {
		return nil, err
	}
	out := &FirstAid{append([]people.Number{}, s.Numbers...), c.Aid(), map[string][]SyndromeLine{}}
	table := incident.NewTable(c.Engine.Index().Book)
	for _, route := range guide.Routes {
		clock := table.Of(incident.Exposure{ID: route, Route: route, AtMS: 0, Kingdom: guide.KingdomUnclear}, 0, 0, nil)
		for i := range clock.Lines {
			out.Windows[route] = append(out.Windows[route], lineOf(&clock.Lines[i]))
		}
	}
	return out, nil
}

func lineOf(l *incident.Line) SyndromeLine {
	s := l.Syndrome
	return SyndromeLine{s.ID, s.Name, s.Why, s.Onset, s.Help, s.Source, s.From, s.To, int(l.Grade), l.Grade.String(), l.Suspected, string(l.Fit), l.Late, s.Deaths}
}

// Aid gives the first steps by route, so that a page can keep them before anything
// goes wrong.
func (c *Service) Aid() map[string][]AidView {
	b := c.Engine.Index().Book
	out := map[string][]AidView{}
	for _, route := range guide.Routes {
		for _, a := range b.Kitchen.AidFor(route) {
			out[route] = append(out[route], AidView{a.Do, a.Minutes, c.SourceTitle(a.Source)})
		}
	}
	return out
}
