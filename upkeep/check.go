package upkeep

import (
	"cmp"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"time"

	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/incidents"
	"zestythicket/internal/bounded"
	"zestythicket/kitchen"
	"zestythicket/people"
	"zestythicket/records"
)

// Findings are what a look through the whole database found.
type Findings struct {
	AtMS   int64           `json:"atMs"`
	Faults []string        `json:"faults" doc:"What the database says of its own file; empty when it holds together"`
	Aside  []records.Aside `json:"aside"`
	Finds  int             `json:"finds" doc:"That can be read"`
	Lines  int             `json:"lines" doc:"Of the book of the kitchen, that hold together"`
	Whole  bool            `json:"whole" doc:"Nothing is wrong"`
	// Anew are finds whose summary did not say what their log says.
	Anew []string `json:"anew,omitempty" doc:"Finds whose line in the lists did not say what their log says; all were made anew"`
}

// Check asks the database whether its file holds together, reads every record, and
// replays the book of the kitchen. It changes nothing and never fails: what is
// wrong is listed.
//
// compare is how many finds, the newest, are judged again to compare their summaries.
func (c *Service) Check(compare int) *Findings {
	out := &Findings{AtMS: c.Now().UnixMilli(), Faults: []string{}}
	var aside bounded.List[records.Aside]
	if faults, err := c.Store.QuickCheck(); err != nil {
		out.Faults = append(out.Faults, err.Error())
	} else {
		out.Faults = append(out.Faults, faults...)
	}
	c.checkFinds(out, &aside)
	out.Anew = c.Finds.CheckSummaries(compare)
	k := c.Kitchen.Ledger()
	out.Lines = len(k.Events)
	for _, a := range k.Aside {
		aside.Add(a)
	}
	for _, a := range c.asideNotes() {
		aside.Add(a)
	}
	persons, lost := c.Store.PeopleLost()
	for _, a := range records.AsideOf(lost, "person") {
		aside.Add(a)
	}
	for _, p := range persons {
		if err := records.Decode(p.Profile, &people.Profile{}); err != nil {
			aside.Add(records.SetAside("person", p.ID, records.Said(p.Name+": "+p.Profile), err.Error()))
		}
	}
	verdicts, lost := c.Store.LastVerdicts()
	for _, a := range records.AsideOf(lost, "verdict") {
		aside.Add(a)
	}
	for i := range verdicts {
		if v := &verdicts[i]; records.Decode(v.Reasons, &finds.Reasons{}) != nil {
			aside.Add(records.SetAside("verdict", strconv.Itoa(int(v.ID)), records.Said(v.FindID+": "+v.Verdict), "its reasons can't be read"))
		}
	}
	if places, err := c.Ground.Places(); err == nil {
		for i := range places {
			_, lost := c.Store.WeatherLost(places[i].ID)
			for _, a := range records.AsideOf(lost, "weather") {
				aside.Add(a)
			}
		}
	}
	out.Aside = append([]records.Aside{}, aside.All(func(more int) records.Aside {
		return records.Aside{What: "records", Why: fmt.Sprintf("and %d more", more)}
	})...)
	out.Whole = len(out.Faults)+len(out.Aside) == 0
	return out
}

func (c *Service) checkFinds(out *Findings, aside *bounded.List[records.Aside]) {
	rows, lost := c.Store.Finds()
	for _, a := range records.AsideOf(lost, "find") {
		aside.Add(a)
	}
	for i := range rows {
		if _, _, err := c.Finds.Assemble(&rows[i]); err != nil {
			aside.Add(c.Finds.AsideFind(&rows[i], err))
			continue
		}
		out.Finds++
	}
}

// asideNotes lists the records of every kind that can't be read.
func (c *Service) asideNotes() []records.Aside {
	var out []records.Aside
	for _, k := range []struct {
		kind string
		as   func() any
	}{{ground.PlaceKind, func() any { return new(ground.Place) }}, {ground.WalkKind, func() any { return new(ground.Walk) }}, {ground.SeenKind, func() any { return new(ground.Seen) }}, {ground.FixedKind, func() any { return new(ground.Fixed) }},
		{ground.SignKind, func() any { return new(ground.Sign) }}, {kitchen.StandKind, func() any { return new(kitchen.HereNow) }}, {kitchen.SortKind, func() any { return new(kitchen.SortedDoc) }}, {incidents.IncidentKind, func() any { return new(incidents.Incident) }},
		{people.SettingsKind, func() any { return new(people.Settings) }}} {
		rows, lost := c.Store.Notes(k.kind)
		out = append(out, records.AsideOf(lost, k.kind)...)
		for _, r := range rows {
			if err := records.Decode(r.Doc, k.as()); err != nil {
				out = append(out, records.SetAside(k.kind, r.ID, records.Said(r.Doc), err.Error()))
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
	slices.SortStableFunc(list, func(a, b records.Aside) int { return cmp.Compare(a.What, b.What) })
	for _, a := range list {
		out = append(out, strings.TrimSpace(fmt.Sprintf("set aside: %s %s: %s", a.What, a.ID, a.Why)))
	}
	return out
}

// stamp is a moment as a part of a file name.
func stamp(t time.Time) string { return t.Format("20060102-150405") }
