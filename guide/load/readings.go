package load

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"strconv"
	"strings"

	"zestythicket/guide"
	"zestythicket/internal/spell"
	"zestythicket/internal/yamlpos"
)

var readingColumns = []string{"taxon", "trait", "stages", "usual", "possible", "never", "unsure", "note"}

// readReaders reads who read what, and then their tables.
func (l *loader) readReaders(r yamlpos.Reader, data []byte) {
	for _, it := range r.Items(r.Parse(data)) {
		m := r.Map(it, "id", "file", "date", "blind", "what")
		r.Need(it, m, "id", "file", "date", "what")
		rd := guide.Reader{ID: r.Str(m["id"]), Date: r.Str(m["date"]), What: r.Str(m["what"]), Blind: r.Bool(m["blind"], false)}
		once(r, it, rd.ID, len(l.book.Readers), func(i int) string { return l.book.Readers[i].ID })
		l.book.Readers = append(l.book.Readers, rd)
		for _, f := range r.Items(m["file"]) {
			name := "readings/" + f.Value
			text, err := fs.ReadFile(l.fsys, name)
			if err != nil {
				r.Fail(f, "", "the table can't be read: %v", err)
				continue
			}
			l.hash[name] = text
			l.readTable(name, text, len(l.book.Readers)-1)
		}
	}
}

// readTable reads one table of a reader. Problems name line and column.
func (l *loader) readTable(name string, text []byte, reader int) {
	c := csv.NewReader(bytes.NewReader(text))
	c.FieldsPerRecord = len(readingColumns)
	fail := func(field int, hint, format string, args ...any) {
		line, col := c.FieldPos(field)
		l.problems = append(l.problems, yamlpos.Problem{File: name, Line: line, Col: col, What: fmt.Sprintf(format, args...), Hint: hint})
	}
	for n := 0; ; n++ {
		rec, err := c.Read()
		if errors.Is(err, io.EOF) {
			return
		}
		if err != nil {
			p := yamlpos.Problem{File: name, What: err.Error(), Hint: strings.Join(readingColumns, ",")}
			var pe *csv.ParseError
			if errors.As(err, &pe) {
				p.Line, p.Col, p.What = pe.Line, pe.Column, pe.Err.Error()
			}
			l.problems = append(l.problems, p)
			return
		}
		if n == 0 {
			if strings.Join(rec, ",") != strings.Join(readingColumns, ",") {
				fail(0, strings.Join(readingColumns, ","), "the first line names other columns")
				return
			}
			continue
		}
		at, ok := l.taxonAt[rec[0]]
		if !ok {
			fail(0, spell.Nearest(rec[0], l.taxonIDs), "unknown entry %q", rec[0])
			continue
		}
		tr := l.traits[rec[1]]
		if tr == nil {
			fail(1, spell.Nearest(rec[1], l.traitIDs), "unknown trait %q", rec[1])
			continue
		}
		t := &l.book.Taxa[at]
		v := guide.Variant{Kind: guide.Described, Stages: guide.StagesOf(t.Kingdom)}
		if rec[2] != "all" {
			v.Stages = 0
			for _, w := range strings.Fields(rec[2]) {
				st, ok := guide.ParseStage(w)
				if !ok {
					fail(2, spell.Nearest(w, guide.Words("stage")), "unknown stage %q", w)
				}
				v.Stages |= guide.NewStageSet(st)
			}
		}
		if ok, field, msg := readingCell(tr, rec, &v); !ok {
			fail(field, spell.Nearest(msg, stateIDs(tr)), "%s: %q is no state of it, no range, or stands in two lists", tr.ID, msg)
			continue
		}
		addReading(t, reader, tr.ID, v)
	}
}

func addReading(t *guide.Taxon, reader int, trait string, v guide.Variant) {
	for i := len(t.Readings) - 1; i >= 0; i-- {
		if rd := &t.Readings[i]; rd.Reader == reader && rd.Cell.Trait == trait {
			rd.Cell.Variants = append(rd.Cell.Variants, v)
			return
		}
	}
	t.Readings = append(t.Readings, guide.Reading{Reader: reader, Cell: guide.Cell{Trait: trait, Variants: []guide.Variant{v}}})
}

// readingCell reads the four lists of one line. What is possible is read as
// rarely, with a + as sometimes. A state stands in one list at most.
func readingCell(tr *guide.Trait, rec []string, v *guide.Variant) (ok bool, field int, bad string) {
	if rec[3] == "inapplicable" || rec[4] == "inapplicable" {
		v.Kind = guide.Inapplicable
		return true, 0, ""
	}
	if tr.Kind == guide.Measure {
		typical, ok1 := span(rec[3])
		extreme, ok2 := span(rec[4])
		switch {
		case !ok1 && !ok2:
			return false, 3, rec[3]
		case !ok1:
			typical = extreme
		case !ok2:
			extreme = typical
		}
		v.Range = [4]float64{min(extreme[0], typical[0]), typical[0], typical[1], max(extreme[1], typical[1])}
		return true, 0, ""
	}
	v.Freq = make([]guide.Frequency, len(tr.States))
	seen := map[int]bool{}
	for k, f := range []guide.Frequency{guide.Usually, guide.Rarely, guide.Never, guide.Unlisted} {
		field := 3 + k
		for _, w := range strings.Fields(rec[field]) {
			state, often := strings.CutSuffix(w, "+")
			i, ok := tr.StateIndex(state)
			if !ok || seen[i] {
				return false, field, w
			}
			seen[i] = true
			v.Freq[i] = f
			if often {
				v.Freq[i] = guide.Sometimes
			}
		}
	}
	return true, 0, ""
}

func span(s string) ([2]float64, bool) {
	a, b, ok := strings.Cut(s, "..")
	x, err1 := strconv.ParseFloat(a, 64)
	y, err2 := strconv.ParseFloat(b, 64)
	return [2]float64{x, y}, ok && err1 == nil && err2 == nil && x <= y
}
