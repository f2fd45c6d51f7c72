package store

import (
	"fmt"
	"path/filepath"
	"strings"
	"testing"
)

// filled is a database of a hundred outings of ten finds, each find with twelve
// answers, and a guide of two hundred entries to search.
func filled(b *testing.B) *Store {
	b.Helper()
	s, err := Open(filepath.Join(b.TempDir(), "t.db"))
	if err != nil {
		b.Fatal(err)
	}
	b.Cleanup(func() { _ = s.Close() })
	if err := s.SavePerson(&Person{ID: "me", Name: "Me", Profile: "{}"}); err != nil {
		b.Fatal(err)
	}
	for i := range 1000 {
		id := fmt.Sprintf("f%04d", i)
		f := &Find{ID: id, PersonID: "me", Title: id, Day: fmt.Sprintf("day %03d", i/10), Facts: `{"intent":"harvest"}`}
		var events []*Event
		for k := range 12 {
			events = append(events, line(id, k))
		}
		if err := s.AddFind(f, &Specimen{FindID: id, ID: "s1", Number: 1}, events...); err != nil {
			b.Fatal(err)
		}
	}
	docs := func() []GuideDoc {
		var out []GuideDoc
		for i := range 200 {
			out = append(out, GuideDoc{Taxon: fmt.Sprint(i), Names: fmt.Sprintf("name%d word%d", i, i%7), Prose: strings.Repeat(fmt.Sprintf("hedge%d wood stream ", i%13), 60), Looks: "white brown"})
		}
		return out
	}
	if err := s.IndexGuide("bench", docs); err != nil {
		b.Fatal(err)
	}
	b.ResetTimer()
	return s
}

func line(find string, n int) *Event {
	return &Event{FindID: find, Specimen: "s1", Key: fmt.Sprintf("%s-%d", find, n), Kind: "answered", Body: `{"answer":{"trait":"leaf-veins","kind":"seen","states":["net"],"count":3}}`}
}

// The tap: one line to the disk.
func BenchmarkAppend(b *testing.B) {
	s := filled(b)
	for n := 0; b.Loop(); n++ {
		if _, err := s.Append(line("f0500", 1000+n), false); err != nil {
			b.Fatal(err)
		}
	}
}

// A find is opened: its log, and the handling of its outing.
func BenchmarkLog(b *testing.B) {
	s := filled(b)
	f, err := s.Find("f0500")
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if l, err := s.Log(f); err != nil || len(l) < 12 {
			b.Fatal(len(l), err)
		}
	}
}

// The list of a thousand finds.
func BenchmarkFinds(b *testing.B) {
	s := filled(b)
	for b.Loop() {
		if fs, lost := s.Finds(); len(fs) != 1000 || len(lost) > 0 {
			b.Fatal(len(fs), lost)
		}
	}
}

// A search of the guide's text.
func BenchmarkSearch(b *testing.B) {
	s := filled(b)
	for b.Loop() {
		if hits, err := s.SearchGuide("hedge3 wood", 20); err != nil || len(hits) == 0 {
			b.Fatal(len(hits), err)
		}
	}
}
