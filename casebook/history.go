package casebook

import (
	"slices"
	"strings"

	"zestythicket/evidence"
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
func (c *Casebook) History(id, specimen string) ([]Turn, error) {
	var today *Reasons
	var verdict string
	if err := c.ask(id, specimen, func(f *evidence.Find, j *evidence.Judgement) {
		w := report.Of(c.Engine.Index(), f, j)
		r := reasonsOf(&w)
		today, verdict = &r, w.Verdict
	}); err != nil {
		return nil, err
	}
	rows, _ := c.Store.Verdicts(id)
	out := []Turn{}
	var last *store.Verdict
	was := Reasons{}
	for i := range rows {
		if rows[i].Specimen != specimen {
			continue
		}
		var now Reasons
		if err := unJSON(rows[i].Reasons, &now); err != nil {
			continue // set aside: see [Casebook.Check]
		}
		if t := c.turn(last, &rows[i], &was, &now); t.tells() {
			out = append(out, t)
		}
		last, was = &rows[i], now
	}
	version := c.Engine.Index().Book.Version
	if last != nil && last.GuideVersion != version {
		t := c.turn(last, &store.Verdict{UptoSeq: last.UptoSeq, GuideVersion: version, Verdict: verdict, AtMS: c.Now().UnixMilli()}, &was, today)
		t.By = "today"
		out = append(out, t)
	}
	return out, nil
}

// tells: something became different.
func (t *Turn) tells() bool {
	return t.By == "begin" || t.Was != t.Now || len(t.Cut)+len(t.Again)+len(t.New)+len(t.Done) > 0
}

func (c *Casebook) turn(last, row *store.Verdict, was, now *Reasons) Turn {
	t := Turn{Seq: row.UptoSeq, AtMS: row.AtMS, Guide: row.GuideVersion, Now: row.Verdict, Open: len(now.Obligations), By: "log",
		Cut: []report.TaxonRef{}, Again: []report.TaxonRef{}, New: []string{}, Done: []string{}}
	if v, ok := evidence.ParseVerdict(row.Verdict); ok {
		t.Word = report.VerdictWord(v)
	}
	switch {
	case last == nil:
		t.By = "begin"
		return t // everything is new; nothing changed
	case last.GuideVersion != row.GuideVersion:
		t.By = "guide"
	case last.UptoSeq == row.UptoSeq:
		t.By = "facts"
	}
	t.Was = last.Verdict
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

func (c *Casebook) inWords(codes []string) []string {
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
