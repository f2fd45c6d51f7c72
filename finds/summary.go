package finds

import (
	"cmp"
	"log/slog"
	"slices"
	"strings"
	"sync"
	"sync/atomic"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
	"zestythicket/words"
)

// Summary is what lists need to know of a find, as it was judged last. It is derived
// from the log and kept beside it; [Service.Summaries] gives none that is old.
type Summary struct {
	ID        string           `json:"-"`
	Title     string           `json:"-"`
	Place     string           `json:"-"`
	PlaceID   string           `json:"-"`
	Day       string           `json:"-"`
	Person    string           `json:"-"`
	CreatedMS int64            `json:"-"`
	Facts     Facts            `json:"-"`
	Target    *report.TaxonRef `json:"-"`

	Verdict    string     `json:"verdict,omitempty"`    // of the first specimen
	Word       string     `json:"word,omitempty"`       // in words
	LeaveWords []string   `json:"leaveWords,omitempty"` // of the first specimen
	Open       int        `json:"open,omitempty"`       // its obligations
	Specimens  int        `json:"specimens"`            // how many
	Held       bool       `json:"held,omitempty"`       // the basket is held
	Complete   bool       `json:"complete,omitempty"`   // see complete
	Words      string     `json:"words,omitempty"`      // of the patch
	Passed     int        `json:"passed,omitempty"`
	Failed     int        `json:"failed,omitempty"`
	LastMS     int64      `json:"lastMs,omitempty"`   // of the last line of the log
	Ruled      []string   `json:"ruled,omitempty"`    // dangerous entries ruled out for the first specimen, by id
	Dangers    int        `json:"dangers,omitempty"`  // that were in scope for it
	Possible   []string   `json:"possible,omitempty"` // poisonous entries that any specimen leaves possible, by id
	Plan       []PlanDay  `json:"plan,omitempty"`
	Second     *Second    `json:"second,omitempty"` // where a second look was begun
	Moved      []Rejudged `json:"moved,omitempty"`  // verdicts of another guide that today's would not give
}

// summaryForm goes up when what is in a summary changes, or its words do: those of an
// older form are old.
const summaryForm = "3"

// Basis names the guide and the rules by which summaries are made.
func (c *Service) Basis() string {
	return c.Engine.Index().Book.Version + "/" + evidence.RulesVersion + "/" + summaryForm
}

// summaryFor says of a judged find what lists need.
func (c *Service) summaryFor(v *View) *Summary {
	s := &Summary{ID: v.ID, Title: v.Title, Place: v.Place, PlaceID: v.PlaceID, Day: v.Day, Person: v.Person, CreatedMS: v.CreatedMS, Facts: v.Facts, Target: v.Target,
		Specimens: len(v.Specimens), Held: v.Patch.Held, Complete: Complete(v), Words: v.Patch.Words, Passed: v.Patch.Passed, Failed: v.Patch.Failed}
	for i := range v.Log {
		s.LastMS = max(s.LastMS, v.Log[i].AtMS)
	}
	for i := range v.Patch.Judgements {
		j := &v.Patch.Judgements[i]
		for k := range j.Ledger {
			e := &j.Ledger[k]
			if i == 0 && e.RuledOut {
				s.Ruled = append(s.Ruled, e.Taxon.ID)
			}
			if !e.RuledOut && e.Grade >= int(guide.Poisonous) && !slices.Contains(s.Possible, e.Taxon.ID) {
				s.Possible = append(s.Possible, e.Taxon.ID)
			}
		}
		if i == 0 {
			s.Verdict, s.Word, s.LeaveWords, s.Open, s.Dangers = j.Verdict, j.Word, j.LeaveWords, len(j.Obligations), len(j.Ledger)
		}
	}
	if v.Plan != nil {
		s.Plan = v.Plan.Days
	}
	// A second look that can't be read clears nothing.
	if home, err := c.Store.HomeOf(v.ID); err == nil && home != "" {
		if hv, err := c.View(home); err == nil {
			s.Second = c.secondOf(v, hv)
		} else {
			s.Second = noSecond(v.ID, home, "unreadable")
		}
	}
	s.Moved = c.moved(v)
	return s
}

// moved lists the specimens whose stored verdict is another guide's and would not be
// given today.
func (c *Service) moved(v *View) []Rejudged {
	rows, _ := c.Store.Verdicts(v.ID) // what is lost stands in the check of the database
	last := map[string]*store.Verdict{}
	for i := range rows {
		last[rows[i].Specimen] = &rows[i]
	}
	var out []Rejudged
	for i := range v.Patch.Judgements {
		j := &v.Patch.Judgements[i]
		was := last[j.Specimen]
		if was == nil || was.GuideVersion == j.Guide || was.Verdict == j.Verdict {
			continue
		}
		before, _ := evidence.ParseVerdict(was.Verdict) // another verdict than one that passed: see [evidence.Rejudged]
		out = append(out, Rejudged{v.ID, v.Title, j.Specimen, was.Verdict, j.Verdict, true, before.Passes()})
	}
	return out
}

// keepSummary stores what was concluded, for the state of things that inputs numbers.
func (c *Service) keepSummary(s *Summary, inputs int64) error {
	title := records.Fold(TitleIn(s))
	text := []string{s.Day, "find", title, s.InWords()}
	if s.Target != nil {
		text = append(text, s.Target.Common, s.Target.Scientific)
	}
	ix := c.Engine.Index()
	for _, id := range s.Ruled {
		if at, ok := ix.TaxonAt(id); ok {
			text = append(text, ix.Book.Taxa[at].Common)
		}
	}
	if s.PlaceID == "" {
		text = append(text, s.Place)
	}
	return c.Store.KeepSummary(&store.Summary{FindID: s.ID, Inputs: inputs, Version: c.Basis(), Doc: store.JSON(s), Title: title, Text: records.Fold(strings.Join(text, " ")),
		Complete: s.Complete, Planned: len(s.Plan) > 0, Moved: len(s.Moved) > 0})
}

// Summarise judges a find and keeps what was concluded; where it can't be kept it is
// given all the same.
func (c *Service) Summarise(row *store.Find) (*Summary, error) {
	inputs, unknown := c.Store.Inputs(row.ID) // read first: what changes meanwhile makes it old
	v, err := c.Judge(row)
	if err != nil {
		return nil, err
	}
	s := c.summaryFor(v)
	if c.Store.Derived() && unknown == nil {
		if err := c.keepSummary(s, inputs); err != nil {
			slog.Warn("a summary was not kept; it follows from the log", "find", row.ID, "err", err)
		}
	}
	return s, nil
}

// read takes a summary that is not old out of its row.
func (c *Service) read(row *store.Row) (*Summary, bool) {
	if !row.Fresh(c.Basis()) {
		return nil, false
	}
	s := &Summary{}
	if records.Decode(row.Doc, s) != nil || records.Decode(row.Facts, &s.Facts) != nil {
		return nil, false
	}
	s.ID, s.Title, s.Day, s.Person, s.CreatedMS, s.PlaceID, s.Place = row.ID, row.Title, row.Day, row.PersonID, row.CreatedMS, row.PlaceID, row.Place
	s.Facts.Rev = row.Rev
	ix := c.Engine.Index()
	if at, ok := ix.TaxonAt(s.Facts.Target); ok {
		t := report.Taxon(ix, at)
		s.Target = &t
	}
	return s, true
}

// Progress of judging finds anew.
type Progress struct {
	Done int64 `json:"done"`
	Of   int64 `json:"of" doc:"0: nothing is being judged anew"`
}

// inline is how many old summaries are made anew while somebody waits; more are left
// to the pass in the background.
const inline = 60

// Summaries lists finds as they are judged by today's guide, and those that can't be
// read. Those that a pass in the background has still to judge are left out, and
// counted: none is shown as an older guide had it.
func (c *Service) Summaries(q store.FindQuery) (out []Summary, aside []records.Aside, waiting int) {
	rows, lost := c.Store.Rows(q)
	aside = records.AsideOf(lost, "find")
	old := 0
	for i := range rows {
		if s, ok := c.read(&rows[i]); ok {
			out = append(out, *s)
			continue
		}
		if old++; old > inline && c.Store.Derived() {
			waiting++
			continue
		}
		s, err := c.Summarise(&rows[i].Find)
		if err != nil {
			aside = append(aside, c.AsideFind(&rows[i].Find, err))
			continue
		}
		switch q.Only {
		case "complete":
			if !s.Complete {
				continue
			}
		case "planned":
			if len(s.Plan) == 0 {
				continue
			}
		case "moved":
			if len(s.Moved) == 0 {
				continue
			}
		}
		out = append(out, *s)
	}
	if waiting > 0 {
		c.JudgeAnew()
	}
	return out, aside, waiting
}

// Part is a part of the list of finds.
type Part struct {
	Finds   []Summary
	Aside   []records.Aside // of the whole list; they come with its first part
	Of      int
	Judging Progress
}

// Finds lists finds, the newest first, in which every word of a query stands.
func (c *Service) Finds(query string, most, offset int) *Part {
	if query != "" {
		c.Freshen() // what is searched is what was concluded
	}
	q := c.FindQuery(strings.Fields(records.Fold(query)))
	out := &Part{}
	var err error
	out.Of, err = c.Store.CountRows(q)
	q.Limit, q.Offset = most, offset
	var waiting int
	out.Finds, out.Aside, waiting = c.Summaries(q)
	if waiting > 0 {
		out.Judging = c.Judging()
	}
	if err != nil { // it can't be counted: what is shown is what there is
		out.Of = offset + len(out.Finds)
	}
	return out
}

// freshness is what freshen found last.
type freshness struct {
	mu     sync.Mutex
	writes int64 // of the store, when nothing was old
	basis  string
}

// Freshen judges anew what is old, as far as somebody may wait for it, so that what
// lists select by is of today. It gives the finds that can't be read, and how many are
// left to the pass in the background. It looks only when something was written since.
func (c *Service) Freshen() (aside []records.Aside, waiting int) {
	f := &c.fresh
	f.mu.Lock()
	defer f.mu.Unlock()
	writes, basis := c.Store.Writes(), c.Basis()
	if f.writes == writes && f.basis == basis {
		return nil, 0
	}
	_, aside, waiting = c.Summaries(store.FindQuery{Old: basis})
	if len(aside) == 0 && waiting == 0 && c.Store.Derived() {
		f.writes, f.basis = writes, basis
	}
	return aside, waiting
}

// SummaryOf reads one find's summary, judged anew where it is old.
func (c *Service) SummaryOf(id string) (*Summary, error) {
	row, err := c.Store.Row(id)
	if err != nil {
		return nil, err
	}
	if s, ok := c.read(row); ok {
		return s, nil
	}
	return c.Summarise(&row.Find)
}

// judging is what all requests share: the pass that judges anew, and what was fresh last.
type judging struct {
	root  *Service // of no request
	anew  anew
	fresh freshness
}

// anew is the pass that judges every find whose summary is old.
type anew struct {
	running  atomic.Bool
	done, of atomic.Int64
}

// Judging is how far the pass in the background has come.
func (c *Service) Judging() Progress {
	if !c.anew.running.Load() {
		return Progress{}
	}
	return Progress{c.anew.done.Load(), c.anew.of.Load()}
}

// JudgeAnew judges, in the background, every find whose summary is old: after the guide
// has changed that is each of them. One pass runs at a time.
func (c *Service) JudgeAnew() { go c.JudgeAll() }

// JudgeAll is [Service.JudgeAnew] for those who wait for it.
func (c *Service) JudgeAll() {
	// Never by the store of one request: that ends with it.
	c = c.root
	if !c.Store.Derived() || !c.anew.running.CompareAndSwap(false, true) {
		return
	}
	defer c.anew.running.Store(false)
	failed := map[string]bool{}
	for c.judgeAnew(failed) {
	}
}

// judgeAnew judges every find whose summary is old, but for those that failed before. It
// reports whether there may be more: a backup may have been restored meanwhile.
func (c *Service) judgeAnew(failed map[string]bool) (more bool) {
	var rows []store.Row
	var opening int64
	if !c.Store.Steadily(func() {
		rows, _ = c.Store.Rows(store.FindQuery{Old: c.Basis()})
		opening = c.Store.Opening()
	}) || !c.Store.Derived() {
		return false
	}
	rows = slices.DeleteFunc(rows, func(r store.Row) bool { return failed[r.ID] })
	c.anew.done.Store(0)
	c.anew.of.Store(int64(len(rows)))
	for i := range rows {
		replaced := false
		open := c.Store.Steadily(func() {
			if replaced = c.Store.Opening() != opening; replaced {
				return
			}
			if _, err := c.Summarise(&rows[i].Find); err != nil {
				failed[rows[i].ID] = true // set aside: see the check of the database
			}
		})
		if !open || replaced {
			return open
		}
		c.anew.done.Add(1)
	}
	return len(rows) > 0
}

// TitleIn is how lists name a find.
func TitleIn(s *Summary) string {
	if s.Title == "" && s.Target != nil {
		return s.Target.Common
	}
	return cmp.Or(s.Title, "A find")
}

// FindQuery asks for finds in whose summaries, or the names of whose places, every word
// stands.
func (c *Service) FindQuery(words []string) store.FindQuery {
	q := store.FindQuery{Words: words}
	if len(words) == 0 {
		return q
	}
	names := c.Ground.PlaceNames()
	for _, w := range words {
		var ids []string
		for id, name := range names {
			if strings.Contains(records.Fold(name), w) {
				ids = append(ids, id)
			}
		}
		slices.Sort(ids)
		q.Places = append(q.Places, ids)
	}
	return q
}

// InWords is what the journal says of a find.
func (s *Summary) InWords() string {
	if s.Specimens == 0 {
		return ""
	}
	return words.FindLine(s.Word, len(s.Ruled), s.Dangers, s.LeaveWords)
}
