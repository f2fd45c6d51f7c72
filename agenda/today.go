package agenda

import (
	"cmp"
	"fmt"
	"io"
	"log/slog"
	"slices"
	"strings"
	"time"

	"zestythicket/exchange/reminder"
	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/kitchen"
	"zestythicket/phenology"
	"zestythicket/plan"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
	"zestythicket/words"
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
	Day     string           `json:"day"`
	Due     []Due            `json:"due"`
	Coming  []ComingUp       `json:"coming"`
	Second  []SecondLook     `json:"second" doc:"Finds whose checks are complete and that wait for the second look at home"`
	Moved   []finds.Rejudged `json:"moved" doc:"Finds that today's guide would judge otherwise"`
	Signs   []ground.Stretch `json:"signs"`
	Counts  map[string]int   `json:"counts"`
	Judging finds.Progress   `json:"judging" doc:"Finds being judged anew, after the guide has changed; what they bring is not here yet"`
	Aside   []records.Aside  `json:"aside" doc:"Finds that can't be read"`
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
func (c *Service) Today() (*Today, error) {
	now := c.Now()
	day := now.Format(time.DateOnly)
	t := &Today{Day: day, Coming: []ComingUp{}, Second: []SecondLook{}, Moved: []finds.Rejudged{}, Signs: []ground.Stretch{}, Counts: map[string]int{}, Aside: []records.Aside{}}
	aside, waiting := c.Finds.Freshen()
	t.Aside = append(t.Aside, aside...)
	if waiting > 0 {
		t.Judging = c.Finds.Judging()
	}
	k := c.Kitchen.Open()
	g, err := c.Ground.ReadGround()
	if err != nil {
		return nil, err
	}
	if t.Due, err = c.dues(now, k, g); err != nil {
		return nil, err
	}
	if err := c.todaysFinds(k, t); err != nil {
		return nil, err
	}
	t.Counts["places"] = len(g.Places)
	for i := range g.Places {
		if err := c.coming(&g.Places[i], g, now, t); err != nil {
			return nil, err
		}
	}
	slices.SortStableFunc(t.Coming, func(a, b ComingUp) int {
		return strings.Compare(a.Place+a.Taxon.ID+a.Stage, b.Place+b.Taxon.ID+b.Stage)
	})
	return t, nil
}

// todaysFinds lists the finds that wait for a second look, and those that today's guide
// would judge otherwise.
func (c *Service) todaysFinds(k *kitchen.State, t *Today) error {
	whole, err := c.Store.WaitingForSecond(c.Finds.Basis())
	if err != nil {
		slog.Warn("what waits for a second look can't be listed", "err", err)
	}
	ix := c.Engine.Index()
	for _, w := range whole {
		if k.UsedUp(w.ID) {
			continue
		}
		if at, ok := ix.TaxonAt(w.Target); w.Title == "" && ok {
			w.Title = ix.Book.Taxa[at].Common
		}
		t.Second = append(t.Second, SecondLook{w.ID, cmp.Or(w.Title, "A find")})
	}
	if t.Moved, err = c.Finds.Rejudge(); err != nil {
		return err
	}
	if t.Counts["finds"], err = c.Store.CountRows(store.FindQuery{}); err != nil {
		t.Counts["finds"] = -1
	}
	return nil
}

// coming notes the food entries of a place's patches, and those wanted on walks there.
func (c *Service) coming(p *ground.Place, g *ground.GroundNow, now time.Time, t *Today) error {
	var wanted []string
	take := func(id string) {
		if id != "" && !slices.Contains(wanted, id) {
			wanted = append(wanted, id)
		}
	}
	for _, patch := range p.Patches {
		take(patch.Taxon)
	}
	for _, w := range g.Walks {
		if w.Place == p.ID {
			for _, h := range w.Hopes {
				take(h)
			}
		}
	}
	week := now.AddDate(0, 0, 7)
	signs, err := g.By.SignsAt(p.ID, p, now)
	if err != nil {
		return err
	}
	for _, s := range signs {
		if s.From <= week.Format(time.DateOnly) && s.To >= t.Day {
			t.Signs = append(t.Signs, s)
		}
	}
	if len(wanted) == 0 {
		return nil
	}
	k, err := g.Of(p.ID)
	if err != nil {
		return err
	}
	ix := c.Engine.Index()
	d := phenology.StandardDefaults()
	today := phenology.Ordinal(int(now.Month()), now.Day())
	for _, id := range wanted {
		at, ok := ix.TaxonAt(id)
		if !ok {
			continue
		}
		ws := plan.Windows(ix.Book, at, ground.WhereOf(p), k, d)
		then := plan.Up(ws, ix.Book.Taxa[at].Stages, phenology.Ordinal(int(week.Month()), week.Day()))
		for st, pNow := range plan.Up(ws, ix.Book.Taxa[at].Stages, today) {
			if p1 := max(pNow, then[st]); p1 >= 0.4 {
				t.Coming = append(t.Coming, ComingUp{p.ID, p.Name, report.Taxon(ix, at), st.String(), p1, then[st] > pNow+0.2})
			}
		}
	}
	return nil
}

// dues lists waits, disposal days, returns to patches and walks, the earliest
// first.
func (c *Service) dues(now time.Time, kitchen *kitchen.State, g *ground.GroundNow) ([]Due, error) {
	day := now.Format(time.DateOnly)
	out, err := c.findDues(now)
	if err != nil {
		return nil, err
	}
	for i := range g.Places {
		if out, err = c.placeDues(&g.Places[i], g, now, out); err != nil {
			return nil, err
		}
	}
	for _, w := range g.Walks {
		if w.Day >= day {
			out = append(out, Due{ID: "walk-" + w.ID, Day: w.Day, Kind: "walk", What: cmp.Or(w.Title, "A walk"), Link: "/walks/" + w.ID, Late: w.Day == day})
		}
	}
	if out, err = c.incidentDues(now, shelf{kitchen}.dues(now, out)); err != nil {
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

// placeDues adds returns to the patches of a place, and permissions that end.
func (c *Service) placeDues(p *ground.Place, g *ground.GroundNow, now time.Time, out []Due) ([]Due, error) {
	day := now.Format(time.DateOnly)
	if len(p.Patches) > 0 {
		k, err := g.Of(p.ID)
		if err != nil {
			return nil, err
		}
		for n := range p.Patches {
			if next, why, ok := c.Ground.ReturnTo(p, &p.Patches[n], k, now); ok {
				out = append(out, Due{ID: p.ID + "-" + p.Patches[n].ID, Day: next, Kind: "visit", What: words.GoBack(p.Patches[n].Name, p.Name, why), Link: "/places/" + p.ID, Late: next <= day})
			}
		}
	}
	if end, err := time.Parse(time.DateOnly, p.Until); err == nil && p.Permission == "yes" {
		ask := end.AddDate(0, 0, -ground.PermissionNotice).Format(time.DateOnly)
		out = append(out, Due{ID: p.ID + "-permission", Day: ask, Kind: "permission", What: words.AskAgain(p.Name, p.Until), Link: "/places/" + p.ID, Late: ask <= day})
	}
	return out, nil
}

// findDues lists tests that run and the days of disposal plans.
func (c *Service) findDues(now time.Time) ([]Due, error) {
	day := now.Format(time.DateOnly)
	out := []Due{}
	ix := c.Engine.Index()
	running, err := c.Store.AllWaits()
	if err != nil {
		slog.Warn("tests that run can't be listed", "err", err)
	}
	for _, w := range running {
		at, ok := ix.TraitAt(w.Trait)
		if !ok { // a guide may drop a trait
			continue
		}
		s, err := c.Finds.SummaryOf(w.FindID)
		if err != nil {
			continue // set aside: see the check of the database
		}
		tr := &ix.Book.Traits[at]
		end := time.UnixMilli(w.StartedMS).Add(time.Duration(tr.WaitMin * float64(time.Minute))).In(now.Location())
		out = append(out, Due{ID: s.ID + "-" + w.Trait, Day: end.Format(time.DateOnly), Kind: "wait", What: words.WaitDue(tr.Name, end.Format("15:04")), Find: finds.TitleIn(s), Link: "/find/" + s.ID, Late: !end.After(now)})
	}
	planned, _, _ := c.Finds.Summaries(store.FindQuery{Only: "planned"})
	for i := range planned {
		s := &planned[i]
		for k, d := range s.Plan {
			if d.Day >= now.AddDate(0, 0, -30).Format(time.DateOnly) {
				out = append(out, Due{ID: fmt.Sprintf("%s-disposal-%d", s.ID, k), Day: d.Day, Kind: "disposal", What: d.What, Find: finds.TitleIn(s), Link: "/find/" + s.ID, Late: d.Day <= day})
			}
		}
	}
	return out, nil
}

// Reminders writes what is due as an iCalendar file.
func (c *Service) Reminders(out io.Writer) error {
	c.Finds.Freshen()
	g, err := c.Ground.ReadGround()
	if err != nil {
		return err
	}
	due, err := c.dues(c.Now(), c.Kitchen.Open(), g)
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
