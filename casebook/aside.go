package casebook

import (
	"cmp"
	"fmt"
	"log/slog"
	"slices"
	"strings"
	"time"

	"zestythicket/internal/bounded"
	"zestythicket/store"
)

// Aside is a record that can't be read or does not hold together. It is set aside as
// it is, with what it says, and everything else works without it.
type Aside struct {
	What string `json:"what" doc:"find, kitchen line, place, walk, incident, person …"`
	ID   string `json:"id"`
	Said string `json:"said" doc:"What it says, as far as it can be read"`
	Why  string `json:"why"`
}

func asideOf(lost []store.Lost, what string) []Aside {
	var out []Aside
	for _, l := range lost {
		id := itoa(int(l.Row))
		switch {
		case l.Row == 0:
			id = "" // the table as a whole
		case l.To < 0:
			id += " and on"
		case l.To > l.Row:
			id += " to " + itoa(int(l.To))
		}
		out = append(out, Aside{What: what, ID: id, Why: l.Why})
	}
	return out
}

// said shortens what a record says.
func said(text string) string {
	if r := []rune(text); len(r) > 400 {
		return string(r[:400]) + "…"
	}
	return text
}

// Findings are what a look through the whole database found.
type Findings struct {
	AtMS   int64    `json:"atMs"`
	Faults []string `json:"faults" doc:"What the database says of its own file; empty when it holds together"`
	Aside  []Aside  `json:"aside"`
	Finds  int      `json:"finds" doc:"That can be read"`
	Lines  int      `json:"lines" doc:"Of the book of the kitchen, that hold together"`
	Whole  bool     `json:"whole" doc:"Nothing is wrong"`
	// Anew are finds whose summary did not say what their log says.
	Anew []string `json:"anew,omitempty" doc:"Finds whose line in the lists did not say what their log says; all were made anew"`
}

// Check asks the database whether its file holds together, reads every record, and
// replays the book of the kitchen. It changes nothing and never fails: what is
// wrong is listed.
//
// compare is how many finds, the newest, are judged again to compare their summaries.
func (c *Casebook) Check(compare int) *Findings {
	out := &Findings{AtMS: c.Now().UnixMilli(), Faults: []string{}}
	var aside bounded.List[Aside]
	if faults, err := c.Store.QuickCheck(); err != nil {
		out.Faults = append(out.Faults, err.Error())
	} else {
		out.Faults = append(out.Faults, faults...)
	}
	c.checkFinds(out, &aside)
	out.Anew = c.checkSummaries(compare)
	k := c.ledger()
	out.Lines = len(k.events)
	for _, a := range k.aside {
		aside.Add(a)
	}
	for _, a := range c.asideNotes() {
		aside.Add(a)
	}
	people, lost := c.Store.PeopleLost()
	for _, a := range asideOf(lost, "person") {
		aside.Add(a)
	}
	for _, p := range people {
		if err := unJSON(p.Profile, &Profile{}); err != nil {
			aside.Add(Aside{"person", p.ID, said(p.Name + ": " + p.Profile), err.Error()})
		}
	}
	verdicts, lost := c.Store.LastVerdicts()
	for _, a := range asideOf(lost, "verdict") {
		aside.Add(a)
	}
	for i := range verdicts {
		if v := &verdicts[i]; unJSON(v.Reasons, &Reasons{}) != nil {
			aside.Add(Aside{"verdict", itoa(int(v.ID)), said(v.FindID + ": " + v.Verdict), "its reasons can't be read"})
		}
	}
	if places, err := c.Places(); err == nil {
		for i := range places {
			_, lost := c.Store.WeatherLost(places[i].ID)
			for _, a := range asideOf(lost, "weather") {
				aside.Add(a)
			}
		}
	}
	out.Aside = append([]Aside{}, aside.All(func(more int) Aside { return Aside{What: "records", Why: fmt.Sprintf("and %d more", more)} })...)
	out.Whole = len(out.Faults)+len(out.Aside) == 0
	return out
}

func (c *Casebook) checkFinds(out *Findings, aside *bounded.List[Aside]) {
	rows, lost := c.Store.Finds()
	for _, a := range asideOf(lost, "find") {
		aside.Add(a)
	}
	for i := range rows {
		if _, _, err := c.assemble(&rows[i]); err != nil {
			aside.Add(c.asideFind(&rows[i], err))
			continue
		}
		out.Finds++
	}
}

func (c *Casebook) asideFind(row *store.Find, err error) Aside {
	return Aside{"find", row.ID, said(strings.Join([]string{row.Title, row.PlaceName, row.Day, row.Facts}, "; ")), err.Error()}
}

// asideNotes lists the records of every kind that can't be read.
func (c *Casebook) asideNotes() []Aside {
	var out []Aside
	for _, k := range []struct {
		kind string
		as   func() any
	}{{placeKind, func() any { return new(Place) }}, {walkKind, func() any { return new(Walk) }}, {seenKind, func() any { return new(Seen) }}, {fixedKind, func() any { return new(Fixed) }},
		{signKind, func() any { return new(Sign) }}, {standKind, func() any { return new(HereNow) }}, {sortKind, func() any { return new(sortedDoc) }}, {incidentKind, func() any { return new(Incident) }},
		{settingsKind, func() any { return new(Settings) }}} {
		rows, lost := c.Store.Notes(k.kind)
		out = append(out, asideOf(lost, k.kind)...)
		for _, r := range rows {
			if err := unJSON(r.Doc, k.as()); err != nil {
				out = append(out, Aside{k.kind, r.ID, said(r.Doc), err.Error()})
			}
		}
	}
	return out
}

// Report says what a check found, a line each.
func (k *Findings) Report() []string {
	if k.Whole {
		return []string{fmt.Sprintf("nothing is wrong: %d finds, %d lines of the kitchen", k.Finds, k.Lines)}
	}
	var out []string
	for _, f := range k.Faults {
		out = append(out, "the file: "+f)
	}
	list := slices.Clone(k.Aside)
	slices.SortStableFunc(list, func(a, b Aside) int { return cmp.Compare(a.What, b.What) })
	for _, a := range list {
		out = append(out, strings.TrimSpace(fmt.Sprintf("set aside: %s %s: %s", a.What, a.ID, a.Why)))
	}
	return out
}

// stamp is a moment as a part of a file name.
func stamp(t time.Time) string { return t.Format("20060102-150405") }

// checkSummaries judges the newest finds again, so many of them, and compares what comes
// out with their summaries. Where one differs all are dropped and made anew: it says
// which differed.
func (c *Casebook) checkSummaries(most int) []string {
	var wrong []string
	rows, _ := c.Store.Rows(store.FindQuery{Limit: most})
	for i := range rows {
		kept, ok := c.read(&rows[i])
		if !ok {
			continue // old: it is judged anew before it is shown
		}
		v, err := c.view(&rows[i].Find)
		if err != nil {
			continue
		}
		if store.JSON(c.summarise(v)) != store.JSON(kept) {
			wrong = append(wrong, rows[i].ID)
		}
	}
	if len(wrong) > 0 {
		slog.Warn("summaries did not say what their logs say, and are made anew", "finds", wrong)
		if err := c.Store.DropSummaries(); err != nil {
			slog.Warn("summaries can't be dropped", "err", err)
		}
	}
	return wrong
}
