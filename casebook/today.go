package casebook

import (
	"cmp"
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	"zestythicket/exchange/reminder"
	"zestythicket/plan"
	"zestythicket/report"
	"zestythicket/season"
)

// Due is one thing to do, with its day.
type Due struct {
	ID   string `json:"id"`
	Day  string `json:"day"`
	Kind string `json:"kind" enum:"wait,disposal,visit,walk,permission,step,taste,keep,incident"`
	What string `json:"what"`
	Find string `json:"find,omitempty"`
	Link string `json:"link"`
	Late bool   `json:"late" doc:"Its day is today or past"`
}

// Today is what the day asks for.
type Today struct {
	Day    string         `json:"day"`
	Due    []Due          `json:"due"`
	Coming []ComingUp     `json:"coming"`
	Second []SecondLook   `json:"second" doc:"Finds whose checks are complete and that wait for the second look at home"`
	Moved  []Rejudged     `json:"moved" doc:"Finds that today's guide would judge otherwise"`
	Signs  []Stretch      `json:"signs"`
	Counts map[string]int `json:"counts"`
	Aside  []Aside        `json:"aside" doc:"Finds that can't be read"`
}

// ComingUp is something whose window opens, or is open, this week at a place.
type ComingUp struct {
	Place string          `json:"place"`
	Name  string          `json:"name"`
	Taxon report.TaxonRef `json:"taxon"`
	Stage string          `json:"stage"`
	P     float64         `json:"p"`
	Opens bool            `json:"opens" doc:"It is more likely up in a week than now, by a fifth or more"`
}

// SecondLook is a find that waits for the second look.
type SecondLook struct {
	Find  string `json:"find"`
	Title string `json:"title"`
}

// Today gathers what is due.
func (c *Casebook) Today() (*Today, error) {
	now := c.Now()
	day := now.Format(time.DateOnly)
	t := &Today{Day: day, Due: []Due{}, Coming: []ComingUp{}, Second: []SecondLook{}, Signs: []Stretch{}, Counts: map[string]int{}, Aside: []Aside{}}
	due, err := c.dues(now)
	if err != nil {
		return nil, err
	}
	t.Due = due
	views, aside := c.Finds()
	t.Aside = append(t.Aside, aside...)
	again := map[string]bool{}
	for i := range views {
		again[views[i].Facts.SecondOf] = true
	}
	for i := range views {
		if v := &views[i]; v.Facts.SecondOf == "" && !again[v.ID] && complete(v) {
			t.Second = append(t.Second, SecondLook{v.ID, titleOf(v)})
		}
	}
	if t.Moved, err = c.Rejudge(); err != nil {
		return nil, err
	}
	places, err := c.Places()
	if err != nil {
		return nil, err
	}
	t.Counts["finds"], t.Counts["places"] = len(views), len(places)
	for i := range places {
		if err := c.coming(&places[i], now, t); err != nil {
			return nil, err
		}
	}
	return t, nil
}

func titleOf(v *View) string {
	switch {
	case v.Title != "":
		return v.Title
	case v.Target != nil:
		return v.Target.Common
	}
	return "A find"
}

// coming notes the food entries of the places' patches, and those wanted on walks.
func (c *Casebook) coming(p *Place, now time.Time, t *Today) error {
	k, err := c.known(p.ID)
	if err != nil {
		return err
	}
	walks, err := c.Walks()
	if err != nil {
		return err
	}
	var wanted []string
	take := func(id string) {
		if id != "" && !slices.Contains(wanted, id) {
			wanted = append(wanted, id)
		}
	}
	for _, patch := range p.Patches {
		take(patch.Taxon)
	}
	for _, w := range walks {
		if w.Place == p.ID {
			for _, h := range w.Hopes {
				take(h)
			}
		}
	}
	ix := c.Engine.Index()
	d := season.StandardDefaults()
	today := season.Ordinal(int(now.Month()), now.Day())
	week := now.AddDate(0, 0, 7)
	for _, id := range wanted {
		at, ok := ix.TaxonAt(id)
		if !ok {
			continue
		}
		ws := plan.Windows(ix.Book, at, whereOf(p), k, d)
		then := plan.Up(ws, ix.Book.Taxa[at].Stages, season.Ordinal(int(week.Month()), week.Day()))
		for st, pNow := range plan.Up(ws, ix.Book.Taxa[at].Stages, today) {
			if p1 := max(pNow, then[st]); p1 >= 0.4 {
				t.Coming = append(t.Coming, ComingUp{p.ID, p.Name, report.Taxon(ix, at), st.String(), p1, then[st] > pNow+0.2})
			}
		}
	}
	slices.SortStableFunc(t.Coming, func(a, b ComingUp) int {
		return strings.Compare(a.Place+a.Taxon.ID+a.Stage, b.Place+b.Taxon.ID+b.Stage)
	})
	signs, err := c.signsAt(p.ID, p, now)
	if err != nil {
		return err
	}
	for _, s := range signs {
		if s.From <= week.Format(time.DateOnly) && s.To >= t.Day {
			t.Signs = append(t.Signs, s)
		}
	}
	return nil
}

// dues lists waits, disposal days, returns to patches and walks, the earliest
// first.
func (c *Casebook) dues(now time.Time) ([]Due, error) {
	day := now.Format(time.DateOnly)
	out := []Due{}
	views, _ := c.Finds()
	ix := c.Engine.Index()
	for i := range views {
		v := &views[i]
		for _, w := range v.Waits {
			end := time.UnixMilli(w.StartedMS).Add(time.Duration(w.Minutes * float64(time.Minute)))
			name := w.Trait
			if at, ok := ix.TraitAt(w.Trait); ok {
				name = ix.Book.Traits[at].Name
			}
			out = append(out, Due{ID: v.ID + "-" + w.Trait, Day: end.In(now.Location()).Format(time.DateOnly), Kind: "wait", What: name + ", due at " + end.In(now.Location()).Format("15:04"), Find: titleOf(v), Link: "/find/" + v.ID, Late: !end.After(now)})
		}
		if v.Plan != nil {
			for k, d := range v.Plan.Days {
				if d.Day >= now.AddDate(0, 0, -30).Format(time.DateOnly) {
					out = append(out, Due{ID: fmt.Sprintf("%s-disposal-%d", v.ID, k), Day: d.Day, Kind: "disposal", What: d.What, Find: titleOf(v), Link: "/find/" + v.ID, Late: d.Day <= day})
				}
			}
		}
	}
	places, err := c.Places()
	if err != nil {
		return nil, err
	}
	for i := range places {
		p := &places[i]
		k, err := c.known(p.ID)
		if err != nil {
			return nil, err
		}
		for n := range p.Patches {
			if next, why, ok := c.returnTo(p, &p.Patches[n], k, now); ok {
				out = append(out, Due{ID: p.ID + "-" + p.Patches[n].ID, Day: next, Kind: "visit", What: "Go back to " + p.Patches[n].Name + ", " + p.Name + why, Link: "/places/" + p.ID, Late: next <= day})
			}
		}
		if end, err := time.Parse(time.DateOnly, p.Until); err == nil && p.Permission == "yes" {
			ask := end.AddDate(0, 0, -PermissionNotice).Format(time.DateOnly)
			out = append(out, Due{ID: p.ID + "-permission", Day: ask, Kind: "permission", What: "Ask again: the permission for " + p.Name + " ends on " + p.Until, Link: "/places/" + p.ID, Late: ask <= day})
		}
	}
	walks, err := c.Walks()
	if err != nil {
		return nil, err
	}
	for _, w := range walks {
		if w.Day >= day {
			title := w.Title
			if title == "" {
				title = "A walk"
			}
			out = append(out, Due{ID: "walk-" + w.ID, Day: w.Day, Kind: "walk", What: title, Link: "/walks/" + w.ID, Late: w.Day == day})
		}
	}
	if out, err = c.kitchenDues(now, out); err != nil {
		return nil, err
	}
	// What went wrong stands above every date.
	first := func(d *Due) string {
		if d.Kind == "incident" {
			return ""
		}
		return d.Day
	}
	slices.SortStableFunc(out, func(a, b Due) int {
		return cmp.Or(strings.Compare(first(&a), first(&b)), strings.Compare(a.ID, b.ID))
	})
	return out, nil
}

// Reminders writes what is due as an iCalendar file.
func (c *Casebook) Reminders(out io.Writer) error {
	due, err := c.dues(c.Now())
	if err != nil {
		return err
	}
	var list []reminder.Entry
	for _, d := range due {
		day, err := time.Parse(time.DateOnly, d.Day)
		if err != nil {
			continue
		}
		title := d.What
		if d.Find != "" {
			title = d.Find + ": " + d.What
		}
		list = append(list, reminder.Entry{ID: d.ID, Title: title, Day: day})
	}
	return reminder.Write(out, list, c.Now())
}
