package finds

import (
	"math"
	"slices"
	"strings"

	"zestythicket/evidence"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
)

// Turn is one change of what was concluded of a specimen.
type Turn struct {
	Seq   int64             `json:"seq" doc:"The last line of the log that it rests on"`
	AtMS  int64             `json:"atMs"`
	Guide string            `json:"guide"`
	By    string            `json:"by" enum:"begin,log,facts,guide,today" doc:"What brought it about; today: how today's guide would judge it, not stored yet"`
	Was   string            `json:"was" doc:"The verdict before"`
	Now   string            `json:"now"`
	Word  string            `json:"word" doc:"The verdict in words"`
	Open  int               `json:"open" doc:"Obligations open"`
	Cut   []report.TaxonRef `json:"cut" doc:"Dangerous entries cut back by it"`
	Again []report.TaxonRef `json:"again" doc:"Dangerous entries that stand again"`
	New   []string          `json:"new" doc:"What came to be open, in words"`
	Done  []string          `json:"done" doc:"What was met, in words"`
}

// History tells, in order, what changed the verdict on a specimen, from the
// verdicts as they were stored; it ends with how today's guide judges the find if
// that differs.
func (c *Service) History(id, specimen string) ([]Turn, error) {
	var today *Reasons
	var verdict string
	if err := c.ask(id, specimen, func(f *evidence.Find, j *evidence.Judgement) {
		w := report.Of(c.Engine.Index(), f, j)
		r := reasonsOf(&w)
		today, verdict = &r, w.Verdict
	}); err != nil {
		return nil, err
	}
	points, err := c.points(id, specimen)
	if err != nil {
		return nil, err
	}
	out := []Turn{}
	var last *point
	for i := range points {
		if t := c.turn(last, &points[i]); t.tells() {
			out = append(out, t)
		}
		last = &points[i]
	}
	version := c.Engine.Index().Book.Version
	if last != nil && last.guide != version {
		t := c.turn(last, &point{last.seq, c.Now().UnixMilli(), version, verdict, today})
		t.By = "today"
		out = append(out, t)
	}
	return out, nil
}

// tells: something became different.
func (t *Turn) tells() bool {
	return t.By == "begin" || t.Was != t.Now || len(t.Cut)+len(t.Again)+len(t.New)+len(t.Done) > 0
}

// point is what was concluded at one point of a log: stored then, or worked out from
// the log where every line is judged by today's guide.
type point struct {
	seq     int64
	atMS    int64
	guide   string
	verdict string
	reasons *Reasons
}

// points are the stored verdicts on a specimen and, between those of today's guide, what
// each line of the log did: only changes of the verdict are stored. What was
// known beside the log stands with the verdicts that it changed.
func (c *Service) points(id, specimen string) ([]point, error) {
	rows, _ := c.Store.Verdicts(id)
	var stored []point
	for i := range rows {
		r := &rows[i]
		now := &Reasons{}
		if r.Specimen != specimen || records.Decode(r.Reasons, now) != nil {
			continue // what can't be read is set aside: see the check of the database
		}
		stored = append(stored, point{r.UptoSeq, r.AtMS, r.GuideVersion, r.Verdict, now})
	}
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	version := c.Engine.Index().Book.Version
	var out []point
	for i := range stored {
		out = append(out, stored[i])
		if f := stored[i].reasons.Facts; f != nil {
			row.Facts = store.JSON(f)
		}
		until := int64(math.MaxInt64)
		if i+1 < len(stored) {
			until = stored[i+1].seq
			if stored[i+1].guide != version {
				continue
			}
		}
		if stored[i].guide != version {
			continue
		}
		f, lines, err := c.Assemble(row)
		if err != nil {
			return nil, err
		}
		for k := range lines {
			if l := &lines[k]; l.Seq > stored[i].seq && (l.Seq < until || l.Seq == until && stored[i+1].reasons.Beside) {
				out = append(out, c.pointAt(f, specimen, l))
			}
		}
	}
	return out, nil
}

// pointAt judges a find as it was after one line of its log.
func (c *Service) pointAt(f *evidence.Find, specimen string, l *Line) point {
	then := *f
	then.Log = nil
	for i := range f.Log {
		if f.Log[i].Seq <= l.Seq {
			then.Log = append(then.Log, f.Log[i])
		}
	}
	j := c.Engine.Judge(&then, specimen)
	w := report.Of(c.Engine.Index(), &then, &j)
	r := reasonsOf(&w)
	return point{l.Seq, l.AtMS, w.Guide, w.Verdict, &r}
}

func (c *Service) turn(last, row *point) Turn {
	now := row.reasons
	t := Turn{Seq: row.seq, AtMS: row.atMS, Guide: row.guide, Now: row.verdict, Open: len(now.Obligations), By: "log",
		Cut: []report.TaxonRef{}, Again: []report.TaxonRef{}, New: []string{}, Done: []string{}}
	if v, ok := evidence.ParseVerdict(row.verdict); ok {
		t.Word = report.VerdictWord(v)
	}
	switch {
	case last == nil:
		t.By = "begin"
		return t // everything is new; nothing changed
	case last.guide != row.guide:
		t.By = "guide"
	case now.Beside, last.seq == row.seq:
		t.By = "facts"
	}
	was := last.reasons
	t.Was = last.verdict
	ix := c.Engine.Index()
	for i := range ix.Book.Taxa {
		taxon := ix.Book.Taxa[i].ID
		a, b := was.Ledger[taxon], now.Ledger[taxon]
		switch {
		case strings.HasPrefix(b, "out") && !strings.HasPrefix(a, "out"):
			t.Cut = append(t.Cut, report.Taxon(ix, int32(i)))
		case strings.HasPrefix(a, "out") && strings.HasPrefix(b, "open"), a == "" && strings.HasPrefix(b, "open"):
			t.Again = append(t.Again, report.Taxon(ix, int32(i)))
		}
	}
	t.New = c.inWords(without(now.Obligations, was.Obligations))
	t.Done = c.inWords(without(was.Obligations, now.Obligations))
	return t
}

func (c *Service) inWords(codes []string) []string {
	out := []string{}
	for _, code := range codes {
		out = append(out, report.CodeWords(c.Engine.Index(), code))
	}
	return out
}

// without lists what is in a and not in b, leaving the counts of entries out:
// the ledger says them better.
func without(a, b []string) []string {
	var out []string
	for _, x := range a {
		if !slices.Contains(b, x) && !strings.HasPrefix(x, "rule-out") && !strings.HasPrefix(x, "more-rule-outs") {
			out = append(out, x)
		}
	}
	return out
}
