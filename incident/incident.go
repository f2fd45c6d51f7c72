// Package incident sorts out what may be going on when something went wrong, for
// the telephone and for nobody else. It is pure; time is passed in.
//
// It treats nothing and calms nobody down. Every way of poisoning that the guide
// knows for the route stays on the list, the most dangerous first, whether its
// window fits the delay or not: none is dropped because another fits better, and
// none because time has passed. A warning of late signs is closed by a person, on
// somebody's advice, or not at all.
package incident

import (
	"cmp"
	"slices"

	"zestythicket/guide"
)

// HourMS is an hour.
const HourMS = 3_600_000

// LateHours is the delay from which signs count as late: most of what is grave
// among mushrooms begins after six hours (Diaz 2005, Critical Care Medicine 33:
// 427–436).
const LateHours = 6

// AcuteHours is how long the windows are that a warning counts in days: three
// weeks, the end of the longest single-meal window (orellanine). What comes after
// months of use is listed and said in words.
const AcuteHours = 21 * 24

// Exposure is one meal, touch, splash or smoke.
type Exposure struct {
	ID    string
	Route string // of guide.Routes
	AtMS  int64
	// Kingdom of what it was; Unclear keeps both.
	Kingdom guide.Kingdom
	// Suspects are ways of poisoning that the records lead to: of what it was taken
	// for, of its named lookalikes, of what was not ruled out.
	Suspects []string
}

// Fit says where a delay lies in a window. It orders nothing and drops nothing.
type Fit string

// The fits.
const (
	NoSign  Fit = "no-sign"
	Inside  Fit = "inside"
	Earlier Fit = "earlier"
	Later   Fit = "later"
)

// Line is one way of poisoning beside one exposure.
type Line struct {
	Syndrome  *guide.Syndrome
	Grade     guide.Grade
	Suspected bool
	Fit       Fit
	// Late: its window reaches beyond [LateHours].
	Late bool
	// Ahead: the whole or the end of its window is still to come, in ms from the
	// exposure; 0 when it is past, which closes nothing.
	AheadMS int64
}

// Clock is an exposure with its times and lines.
type Clock struct {
	Exposure Exposure
	SinceMS  int64 // from the exposure to now; negative never
	DelayMS  int64 // from the exposure to the first sign; -1: none felt
	Lines    []Line
	Warning  bool // a warning of late signs stands
	// LateHours is the end of the longest window of days that a warning is of, in hours;
	// Longer: others take longer still.
	LateHours float64
	Longer    bool
}

// Closing is a person's word that ends a warning.
type Closing struct {
	Exposure string
	By       string // who closes it
	Advice   string // on whose advice, and what they said
	AtMS     int64
}

// Valid reports whether a closing closes anything: a person, and the advice.
func (c *Closing) Valid() bool { return c.By != "" && c.Advice != "" }

// Table says of each way of poisoning for which kingdoms and routes the guide
// knows it, and how bad it is.
type Table struct {
	book *guide.Guide
	rows []row
}

type row struct {
	grade          guide.Grade
	plant, fungus  bool
	eaten, contact bool
}

// NewTable reads the ways of poisoning off a guide. One that no entry names is
// kept for every kingdom and route and counts as deadly.
func NewTable(b *guide.Guide) *Table {
	t := &Table{book: b, rows: make([]row, len(b.Syndromes))}
	at := map[string]int{}
	for i := range b.Syndromes {
		at[b.Syndromes[i].ID] = i
	}
	for i := range b.Taxa {
		for _, h := range b.Taxa[i].Hazards {
			k, ok := at[h.Syndrome]
			if !ok {
				continue
			}
			r := &t.rows[k]
			r.grade = max(r.grade, h.Grade)
			r.plant = r.plant || b.Taxa[i].Kingdom != guide.Fungus
			r.fungus = r.fungus || b.Taxa[i].Kingdom != guide.Plant
			r.contact = r.contact || h.Contact
			r.eaten = r.eaten || !h.Contact
		}
	}
	for i := range t.rows {
		if r := &t.rows[i]; !r.plant && !r.fungus {
			*r = row{guide.Deadly, true, true, true, true}
		}
	}
	return t
}

// Of looks at one exposure. signMS is when the first sign was felt, 0 for none;
// closings are all that were ever given.
func (t *Table) Of(e Exposure, signMS, nowMS int64, closings []Closing) Clock {
	c := Clock{Exposure: e, SinceMS: max(0, nowMS-e.AtMS), DelayMS: -1, Lines: []Line{}}
	if signMS > 0 {
		c.DelayMS = signMS - e.AtMS
	}
	for i := range t.rows {
		r, s := &t.rows[i], &t.book.Syndromes[i]
		suspected := slices.Contains(e.Suspects, s.ID)
		kind := e.Kingdom == guide.KingdomUnclear || e.Kingdom == guide.Plant && r.plant || e.Kingdom == guide.Fungus && r.fungus
		route := e.Route == "eaten" && r.eaten || e.Route != "eaten" && r.contact
		if !(kind && route) && !suspected {
			continue
		}
		l := Line{Syndrome: s, Grade: r.grade, Suspected: suspected, Late: s.To > LateHours, Fit: fit(s, c.DelayMS)}
		if end := ms(s.To); end > c.SinceMS {
			l.AheadMS = end
		}
		c.Lines = append(c.Lines, l)
	}
	slices.SortStableFunc(c.Lines, func(a, b Line) int {
		return cmp.Or(-cmp.Compare(a.Grade, b.Grade), -cmp.Compare(b2i(a.Suspected), b2i(b.Suspected)), -cmp.Compare(b2i(a.Syndrome.Deaths != ""), b2i(b.Syndrome.Deaths != "")), -cmp.Compare(a.Syndrome.To, b.Syndrome.To), cmp.Compare(a.Syndrome.ID, b.Syndrome.ID))
	})
	late, longer := 0.0, false
	for _, l := range c.Lines {
		if l.Late && l.Grade >= guide.Poisonous {
			c.Warning = true
			if l.Syndrome.To <= AcuteHours {
				late = max(late, l.Syndrome.To)
			} else {
				longer = true
			}
		}
	}
	for i := range closings {
		if closings[i].Exposure == e.ID && closings[i].Valid() {
			c.Warning = false
		}
	}
	if c.Warning {
		c.LateHours, c.Longer = late, longer
	}
	return c
}

// fit places a delay in a window, with a quarter of each end as slack, since both
// ends are of case series. It takes nothing off a list.
func fit(s *guide.Syndrome, delayMS int64) Fit {
	if delayMS < 0 {
		return NoSign
	}
	h := float64(delayMS) / HourMS
	switch {
	case h < s.From*0.75:
		return Earlier
	case h > s.To*1.25:
		return Later
	}
	return Inside
}

func ms(hours float64) int64 { return int64(hours * HourMS) }

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}
