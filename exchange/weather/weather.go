// Package weather reads daily weather from CSV: one line a day, with a head line
// that names the columns in any order.
//
//	date, tmin_c, tmax_c, rain_mm
//	2026-03-01, 1.5, 9.0, 0
//
// A date is written 2026-03-01. The unit stands in the column's name (tmin_c or
// tmin_f, rain_mm or rain_in); a column without one is asked about, never guessed.
// What can't be read is named by line and field; the rest can still be had.
package weather

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"time"

	"zestythicket/internal/bounded"
	"zestythicket/phenology"
)

// MostLines is how many lines a file may have: a century of days.
const MostLines = 40_000

// Problem is one thing wrong with a file: where, what, and what to do.
type Problem struct {
	Line  int    `json:"line"`
	Field string `json:"field"`
	What  string `json:"what"`
	Hint  string `json:"hint"`
}

// Record is what could be read.
type Record struct {
	Days     []phenology.Weather
	Problems []Problem
	// Gaps are runs of days that are missing between the first and the last.
	Gaps []string
}

type column struct {
	at    int
	scale func(float64) float64
}

func same(v float64) float64 { return v }

var units = map[string]func(float64) float64{
	"tmin_c": same, "tmax_c": same, "rain_mm": same,
	"tmin_f": func(v float64) float64 { return (v - 32) / 1.8 }, "tmax_f": func(v float64) float64 { return (v - 32) / 1.8 },
	"rain_in": func(v float64) float64 { return v * 25.4 },
}

// Read reads a file. An error means that nothing could be had from it.
func Read(in io.Reader) (*Record, error) {
	r := csv.NewReader(in)
	r.FieldsPerRecord, r.TrimLeadingSpace = -1, true
	head, err := r.Read()
	if errors.Is(err, io.EOF) {
		return nil, errors.New("the file is empty; its first line names the columns: date, tmin_c, tmax_c, rain_mm")
	}
	if err != nil {
		return nil, fmt.Errorf("the first line can't be read as CSV: %w", err)
	}
	out := &Record{}
	var bads bounded.List[Problem]
	cols := map[string]column{}
	for i, name := range head {
		name = strings.ToLower(strings.TrimSpace(strings.TrimPrefix(name, "\ufeff")))
		if name == "date" {
			cols["date"] = column{at: i}
			continue
		}
		base, _, _ := strings.Cut(name, "_")
		scale, ok := units[name]
		switch {
		case ok:
			if _, twice := cols[base]; twice {
				return nil, fmt.Errorf("line 1: two columns for %s", base)
			}
			cols[base] = column{i, scale}
		case base == "tmin" || base == "tmax":
			return nil, fmt.Errorf("line 1: column %q has no unit; call it %s_c or %s_f", name, base, base)
		case base == "rain":
			return nil, fmt.Errorf("line 1: column %q has no unit; call it rain_mm or rain_in", name)
		}
	}
	for _, want := range []string{"date", "tmin", "tmax", "rain"} {
		if _, ok := cols[want]; !ok {
			return nil, fmt.Errorf("line 1: no column %q; wanted are date, tmin_c, tmax_c and rain_mm, in any order", want)
		}
	}
	seen := map[int]int{}
	for {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		var bad *csv.ParseError
		if errors.As(err, &bad) {
			bads.Add(Problem{bad.StartLine, "", "it is no line of CSV", "look for a quotation mark that is not closed"})
			break
		}
		if err != nil {
			return nil, err
		}
		line, _ := r.FieldPos(0)
		if line > MostLines {
			bads.Add(Problem{line, "", fmt.Sprintf("more than %d lines", MostLines), "cut the file"})
			break
		}
		if day, ok := oneDay(line, row, cols, seen, &bads); ok {
			seen[day.Day] = line
			out.Days = append(out.Days, day)
		}
	}
	slices.SortFunc(out.Days, func(a, b phenology.Weather) int { return a.Day - b.Day })
	out.Problems = bads.All(func(more int) Problem { return Problem{What: fmt.Sprintf("and %d more", more)} })
	var gaps bounded.List[string]
	for i := 1; i < len(out.Days); i++ {
		if a, b := out.Days[i-1].Day+1, out.Days[i].Day-1; a <= b {
			gaps.Add(date(a) + " to " + date(b))
		}
	}
	out.Gaps = gaps.All(func(more int) string { return fmt.Sprintf("and %d more", more) })
	return out, nil
}

func date(day int) string {
	y, m, d := phenology.Civil(day)
	return fmt.Sprintf("%04d-%02d-%02d", y, m, d)
}

func oneDay(line int, row []string, cols map[string]column, seen map[int]int, bads *bounded.List[Problem]) (phenology.Weather, bool) {
	var w phenology.Weather
	bad := func(field, what, hint string) (phenology.Weather, bool) {
		bads.Add(Problem{line, field, what, hint})
		return w, false
	}
	get := func(name string) (string, bool) {
		if at := cols[name].at; at < len(row) {
			return strings.TrimSpace(row[at]), true
		}
		return "", false
	}
	text, ok := get("date")
	if !ok {
		return bad("date", "the line is too short", "")
	}
	at, err := time.Parse(time.DateOnly, text)
	if err != nil {
		return bad("date", fmt.Sprintf("%q is no date", text), "write it as 2026-03-01")
	}
	w.Day = phenology.DayOf(at.Year(), int(at.Month()), at.Day())
	if was, twice := seen[w.Day]; twice {
		return bad("date", fmt.Sprintf("%s stood in line %d already", text, was), "each day once; the first is kept")
	}
	for name, into := range map[string]*float64{"tmin": &w.Min, "tmax": &w.Max, "rain": &w.Rain} {
		text, ok := get(name)
		if !ok || text == "" {
			return bad(name, "nothing is given", "leave the whole day out if it was not measured")
		}
		v, err := strconv.ParseFloat(text, 64)
		if err != nil || v != v {
			return bad(name, fmt.Sprintf("%q is no number", text), "with a point, as in 3.5")
		}
		*into = cols[name].scale(v)
	}
	switch {
	case w.Min < -70 || w.Max > 60:
		return bad("tmin, tmax", fmt.Sprintf("%.1f to %.1f °C can't be", w.Min, w.Max), "is the unit in the column's name right?")
	case w.Min > w.Max:
		return bad("tmin", "the lowest is above the highest", "are the columns swapped?")
	case w.Rain < 0 || w.Rain > 2000:
		return bad("rain", fmt.Sprintf("%.1f mm can't be", w.Rain), "")
	}
	return w, true
}

// Write writes days in the units of the package.
func Write(out io.Writer, days []phenology.Weather) error {
	w := csv.NewWriter(out)
	_ = w.Write([]string{"date", "tmin_c", "tmax_c", "rain_mm"})
	for _, d := range days {
		_ = w.Write([]string{date(d.Day), num(d.Min), num(d.Max), num(d.Rain)})
	}
	w.Flush()
	return w.Error()
}

func num(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }
