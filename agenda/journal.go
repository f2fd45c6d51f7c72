package agenda

import (
	"cmp"
	"slices"
	"strings"
	"time"

	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/kitchen"
	"zestythicket/lot"
	"zestythicket/quantity"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
	"zestythicket/words"
)

// JournalLine is one thing that happened.
type JournalLine struct {
	Day   string `json:"day"`
	Kind  string `json:"kind" enum:"find,bag,batch,eaten,felt,seen,patch,walk,incident"`
	Title string `json:"title"`
	What  string `json:"what"`
	Place string `json:"place,omitempty"`
	Link  string `json:"link,omitempty"`
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
func (c *Service) Journal(query string, most int) (*Journal, error) {
	c.Finds.Freshen()
	k := shelf{c.Kitchen.Ledger()}
	wanted := strings.Fields(records.Fold(query))
	lines, of := c.journalOfFinds(wanted, most)
	notes, err := c.journalOfNotes()
	if err != nil {
		return nil, err
	}
	for i := range notes {
		if notes[i].says(wanted) {
			lines = append(lines, notes[i])
		}
	}
	lots, events := k.journalOfLots(wanted, most)
	j := &Journal{Lines: append(lines, lots...), Years: k.years(), Of: of + events + len(notes)}
	slices.SortStableFunc(j.Lines, func(a, b JournalLine) int { return cmp.Or(-cmp.Compare(a.Day, b.Day), cmp.Compare(a.Title, b.Title)) })
	j.Lines = j.Lines[:min(most, len(j.Lines))]
	return j, nil
}

// says: every word stands in the line.
func (l *JournalLine) says(query []string) bool {
	if len(query) == 0 {
		return true
	}
	text := records.Fold(strings.Join([]string{l.Day, l.Kind, l.Title, l.What, l.Place}, " "))
	return !slices.ContainsFunc(query, func(w string) bool { return !strings.Contains(text, w) })
}

func (c *Service) journalOfFinds(query []string, most int) (out []JournalLine, of int) {
	of, uncounted := c.Store.CountRows(store.FindQuery{})
	q := c.Finds.FindQuery(query)
	q.ByDay, q.Limit = true, most
	list, _, _ := c.Finds.Summaries(q)
	sorted := records.NotesByID[kitchen.SortedDoc](c.Base, kitchen.SortKind)
	for i := range list {
		s := &list[i]
		l := JournalLine{Day: s.Day, Kind: "find", Title: finds.TitleIn(s), Place: s.Place, Link: "/find/" + s.ID, What: s.InWords()}
		left := 0
		if h, ok := sorted[s.ID]; ok {
			for _, b := range c.Engine.Index().Book.Kitchen.BandsFor(s.Facts.Part) {
				if b.What == "leave" {
					left += h.Counts[b.ID]
				}
			}
		}
		if left > 0 {
			l.What += words.LeftStanding(left)
		}
		out = append(out, l)
	}
	if uncounted != nil {
		of = len(out)
	}
	return out, of
}

var journalKinds = map[lot.Kind]string{lot.Bagged: "bag", lot.Made: "batch", lot.Ate: "eaten", lot.Felt: "felt"}

// journalOfLots lists what the book of the kitchen adds, the newest first, as many as
// are wanted and all of the last day of those; of counts all there are.
func (k shelf) journalOfLots(query []string, most int) (out []JournalLine, of int) {
	var at []int
	for i := range k.Events {
		if journalKinds[k.Events[i].Kind] != "" {
			at = append(at, i)
		}
	}
	of = len(at)
	slices.SortStableFunc(at, func(a, b int) int { return cmp.Compare(k.Events[b].AtMS, k.Events[a].AtMS) })
	names := map[string]string{}
	for _, i := range at {
		e := &k.Events[i]
		day := k.Kitchen.DayOf(e.AtMS)
		if len(out) >= most && day != out[len(out)-1].Day {
			break
		}
		id := e.Lot
		if e.Kind == lot.Made {
			id = e.To[0].Lot
		}
		l, ok := k.Book.Lot(id)
		if !ok {
			continue
		}
		name, known := names[id]
		if !known {
			name = k.Named(l)
			names[id] = name
		}
		line := JournalLine{Day: day, Kind: journalKinds[e.Kind], Title: name, What: k.Says(e), Link: "/kitchen/" + id}
		if line.says(query) {
			out = append(out, line)
		}
	}
	return out, of
}

func (c *Service) journalOfNotes() ([]JournalLine, error) {
	var out []JournalLine
	ix := c.Engine.Index()
	seen, err := records.Notes[ground.Seen](c.Base, ground.SeenKind)
	if err != nil {
		return nil, err
	}
	places, err := c.Ground.Places()
	if err != nil {
		return nil, err
	}
	names := map[string]string{}
	for i := range places {
		names[places[i].ID] = places[i].Name
	}
	place := func(id string) string { return cmp.Or(names[id], id) }
	for _, s := range seen {
		if at, ok := ix.TaxonAt(s.Taxon); ok {
			out = append(out, JournalLine{Day: s.Day, Kind: "seen", Title: report.Taxon(ix, at).Common, What: words.FirstSeen(s.Stage), Place: place(s.Place), Link: "/year?place=" + s.Place})
		}
	}
	for i := range places {
		out = append(out, patchLines(&places[i])...)
	}
	walks, err := c.Ground.Walks()
	if err != nil {
		return nil, err
	}
	for _, w := range walks {
		out = append(out, JournalLine{Day: w.Day, Kind: "walk", Title: cmp.Or(w.Title, "A walk"), What: strings.Join(w.People, ", "), Place: place(w.Place), Link: "/walks/" + w.ID})
	}
	incidents, err := c.Incidents.Incidents()
	if err != nil {
		return nil, err
	}
	for _, in := range incidents {
		var what []string
		for _, x := range in.Exposures {
			what = append(what, strings.TrimSpace(x.Lot+" "+x.What))
		}
		out = append(out, JournalLine{Day: c.DayOf(in.BeganMS), Kind: "incident", Title: "An incident", What: strings.Join(what, ", ") + records.WrapIf(in.Missing, "; missing: ", ""), Link: "/incident/" + in.ID})
	}
	return out, nil
}

// patchLines are the days on which something was marked at the patches of a place.
func patchLines(p *ground.Place) []JournalLine {
	var out []JournalLine
	for _, patch := range p.Patches {
		days := map[string]int{}
		for _, at := range patch.Points {
			if at.Day != "" {
				days[at.Day]++
			}
		}
		for day, n := range days {
			out = append(out, JournalLine{Day: day, Kind: "patch", Title: patch.Name, What: words.Marked(n), Place: p.Name, Link: "/places/" + p.ID})
		}
	}
	return out
}

// years sums what was bagged by kind and year, the richest first in each.
func (k shelf) years() []YearSum {
	ix := k.Kitchen.Engine.Index()
	type key struct {
		year  int
		taxon string
	}
	sums := map[key]quantity.Amount{}
	out := map[key]*YearSum{}
	for _, l := range k.Book.Lots() {
		if len(l.Parents) > 0 {
			continue
		}
		at := time.UnixMilli(l.PickedMS).In(k.Kitchen.Now().Location())
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
		out[x].Weight = k.Weigh(sums[x])
		list = append(list, *out[x])
	}
	return list
}
