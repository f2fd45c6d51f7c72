package casebook

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
	"time"
	"unicode"

	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"

	"zestythicket/lot"
	"zestythicket/quantity"
	"zestythicket/report"
)

// JournalLine is one thing that happened.
type JournalLine struct {
	Day   string `json:"day"`
	Kind  string `json:"kind" enum:"find,bag,batch,eaten,felt,seen,patch,walk,incident"`
	Title string `json:"title"`
	What  string `json:"what"`
	Place string `json:"place,omitempty"`
	Link  string `json:"link,omitempty"`
	text  string
}

// YearSum is what a year gave of one kind.
type YearSum struct {
	Year   int             `json:"year"`
	Taxon  report.TaxonRef `json:"taxon"`
	Weight string          `json:"weight"`
	Bags   int             `json:"bags"`
	First  string          `json:"first" doc:"The first day on which any was bagged"`
}

// Journal is what is known of finds, patches and years.
type Journal struct {
	Lines []JournalLine `json:"lines" doc:"The newest first"`
	Years []YearSum     `json:"years"`
	Of    int           `json:"of" doc:"How many lines there are before searching"`
}

// Journal lists what happened; every word of the query must stand in a line, with
// no regard to case and accents.
func (c *Casebook) Journal(query string, most int) (*Journal, error) {
	k := c.openKitchen()
	lines, err := c.journalOfFinds()
	if err != nil {
		return nil, err
	}
	lines = append(lines, k.journalOfLots()...)
	more, err := c.journalOfNotes()
	if err != nil {
		return nil, err
	}
	lines = append(lines, more...)
	j := &Journal{Lines: []JournalLine{}, Years: k.years(), Of: len(lines)}
	words := strings.Fields(fold(query))
	for _, l := range lines {
		text := fold(strings.Join([]string{l.Day, l.Kind, l.Title, l.What, l.Place, l.text}, " "))
		if !slices.ContainsFunc(words, func(w string) bool { return !strings.Contains(text, w) }) {
			j.Lines = append(j.Lines, l)
		}
	}
	slices.SortStableFunc(j.Lines, func(a, b JournalLine) int { return cmp.Or(-cmp.Compare(a.Day, b.Day), cmp.Compare(a.Title, b.Title)) })
	j.Lines = j.Lines[:min(most, len(j.Lines))]
	return j, nil
}

// fold drops case and accents.
func fold(s string) string {
	out, _, err := transform.String(transform.Chain(norm.NFD, runes.Remove(runes.In(unicode.Mn)), norm.NFC), strings.ToLower(s))
	if err != nil {
		return strings.ToLower(s)
	}
	return out
}

func (c *Casebook) journalOfFinds() ([]JournalLine, error) {
	views, _ := c.Finds()
	var out []JournalLine
	for i := range views {
		v := &views[i]
		l := JournalLine{Day: v.Day, Kind: "find", Title: titleOf(v), Place: v.Place, Link: "/find/" + v.ID}
		if v.Target != nil {
			l.text = v.Target.Common + " " + v.Target.Scientific
		}
		if len(v.Patch.Judgements) > 0 {
			j := &v.Patch.Judgements[0]
			ruled, dangers := 0, 0
			for _, e := range j.Ledger {
				dangers++
				if e.RuledOut {
					ruled++
					l.text += " " + e.Taxon.Common
				}
			}
			l.What = fmt.Sprintf("%s; %d of %d dangers ruled out", j.Word, ruled, dangers)
			if len(j.LeaveWords) > 0 {
				l.What += "; left alone: " + strings.Join(j.LeaveWords, "; ")
			}
		}
		if h, err := note[sortedDoc](c, sortKind, v.ID); err == nil {
			left := 0
			for _, b := range c.Engine.Index().Book.Kitchen.BandsFor(v.Facts.Part) {
				if b.What == "leave" {
					left += h.Counts[b.ID]
				}
			}
			if left > 0 {
				l.What += "; " + itoa(left) + " left where they stood"
			}
		}
		out = append(out, l)
	}
	return out, nil
}

func (k *pot) journalOfLots() []JournalLine {
	var out []JournalLine
	for i := range k.events {
		e := &k.events[i]
		id := e.Lot
		if e.Kind == lot.Made {
			id = e.To[0].Lot
		}
		l, ok := k.book.Lot(id)
		if !ok {
			continue
		}
		kind := map[lot.Kind]string{lot.Bagged: "bag", lot.Made: "batch", lot.Ate: "eaten", lot.Felt: "felt"}[e.Kind]
		if kind == "" {
			continue
		}
		out = append(out, JournalLine{Day: k.c.dayOf(e.AtMS), Kind: kind, Title: k.named(l), What: k.says(e), Link: "/kitchen/" + id})
	}
	return out
}

func (c *Casebook) journalOfNotes() ([]JournalLine, error) {
	var out []JournalLine
	ix := c.Engine.Index()
	seen, err := notes[Seen](c, seenKind)
	if err != nil {
		return nil, err
	}
	places, err := c.Places()
	if err != nil {
		return nil, err
	}
	place := func(id string) string {
		for i := range places {
			if places[i].ID == id {
				return places[i].Name
			}
		}
		return id
	}
	for _, s := range seen {
		if at, ok := ix.TaxonAt(s.Taxon); ok {
			out = append(out, JournalLine{Day: s.Day, Kind: "seen", Title: report.Taxon(ix, at).Common, What: "first seen in the stage " + s.Stage, Place: place(s.Place), Link: "/year?place=" + s.Place})
		}
	}
	for i := range places {
		out = append(out, patchLines(&places[i])...)
	}
	walks, err := c.Walks()
	if err != nil {
		return nil, err
	}
	for _, w := range walks {
		out = append(out, JournalLine{Day: w.Day, Kind: "walk", Title: cmp.Or(w.Title, "A walk"), What: strings.Join(w.People, ", "), Place: place(w.Place), Link: "/walks/" + w.ID})
	}
	incidents, err := c.Incidents()
	if err != nil {
		return nil, err
	}
	for _, in := range incidents {
		var what []string
		for _, x := range in.Exposures {
			what = append(what, strings.TrimSpace(x.Lot+" "+x.What))
		}
		out = append(out, JournalLine{Day: c.dayOf(in.BeganMS), Kind: "incident", Title: "An incident", What: strings.Join(what, ", ") + orNothing(in.Missing, "; missing: ", ""), Link: "/incident/" + in.ID})
	}
	return out, nil
}

// patchLines are the days on which something was marked at the patches of a place.
func patchLines(p *Place) []JournalLine {
	var out []JournalLine
	for _, patch := range p.Patches {
		days := map[string]int{}
		for _, at := range patch.Points {
			if at.Day != "" {
				days[at.Day]++
			}
		}
		for day, n := range days {
			out = append(out, JournalLine{Day: day, Kind: "patch", Title: patch.Name, What: itoa(n) + " marked on the map", Place: p.Name, Link: "/places/" + p.ID})
		}
	}
	return out
}

// years sums what was bagged by kind and year, the richest first in each.
func (k *pot) years() []YearSum {
	ix := k.c.Engine.Index()
	type key struct {
		year  int
		taxon string
	}
	sums := map[key]quantity.Amount{}
	out := map[key]*YearSum{}
	for _, l := range k.book.Lots() {
		if len(l.Parents) > 0 {
			continue
		}
		at := time.UnixMilli(l.PickedMS).In(k.c.Now().Location())
		x := key{at.Year(), l.Taxon}
		y := out[x]
		if y == nil {
			y = &YearSum{Year: x.year, First: at.Format(time.DateOnly)}
			if t, ok := ix.TaxonAt(l.Taxon); ok {
				y.Taxon = report.Taxon(ix, t)
			}
			out[x] = y
		}
		y.Bags++
		y.First = min(y.First, at.Format(time.DateOnly))
		sums[x] = sums[x].Add(l.Made)
	}
	list := []YearSum{}
	keys := make([]key, 0, len(out))
	for x := range out {
		keys = append(keys, x)
	}
	slices.SortFunc(keys, func(a, b key) int {
		return cmp.Or(-cmp.Compare(a.year, b.year), -sums[a].Cmp(sums[b]), cmp.Compare(a.taxon, b.taxon))
	})
	for _, x := range keys {
		out[x].Weight = k.weigh(sums[x])
		list = append(list, *out[x])
	}
	return list
}
