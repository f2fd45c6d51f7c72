package store

import (
	"path/filepath"
	"testing"
)

// Where what is derived can't be written, what is entered is stored all the same; from
// then on no summary is taken for fresh, also after the next start.
func TestDamagedSummariesStopNothing(t *testing.T) {
	path := filepath.Join(t.TempDir(), "t.db")
	s, err := Open(path)
	if err != nil {
		t.Fatal(err)
	}
	if err := s.SavePerson(&Person{ID: "p", Name: "P", Profile: "{}"}); err != nil {
		t.Fatal(err)
	}
	begin(t, s, "f1", "2026-01-01")
	now, err := s.Inputs("f1")
	if err != nil {
		t.Fatal(err)
	}
	if err := s.KeepSummary(&Summary{FindID: "f1", Inputs: now, Version: "v", Doc: "{}"}); err != nil {
		t.Fatal(err)
	}
	if r, err := s.Row("f1"); err != nil || !r.Fresh("v") || r.Fresh("another") {
		t.Fatalf("%+v %v", r, err)
	}
	// As a damaged page answers.
	if err := s.db.Exec("CREATE TRIGGER inputs_damaged AFTER INSERT ON events BEGIN SELECT RAISE(ABORT, 'database disk image is malformed'); END").Error; err != nil {
		t.Fatal(err)
	}
	if stored, err := s.Append(&Event{FindID: "f1", Specimen: "s1", Key: "the-answer", Kind: "answered", Body: "{}"}, true); err != nil || !stored {
		t.Fatalf("%v %v", stored, err)
	}
	again := func(s *Store) {
		t.Helper()
		if s.Derived() {
			t.Error("summaries are still kept")
		}
		if r, err := s.Row("f1"); err != nil || r.Fresh("v") {
			t.Errorf("an old summary is taken for fresh: %+v %v", r, err)
		}
		if log, err := s.Log(&Find{ID: "f1"}); err != nil || len(log) == 0 {
			t.Errorf("%v %v", log, err)
		}
	}
	again(s)
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	if s, err = Open(path); err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	again(s)
}

// Each kind of write makes the summary of what it touches old, and of nothing else.
func TestInputsFollowWrites(t *testing.T) {
	s, err := Open(filepath.Join(t.TempDir(), "t.db"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	for _, p := range []string{"p", "q"} {
		if err := s.SavePerson(&Person{ID: p, Name: p, Profile: "{}"}); err != nil {
			t.Fatal(err)
		}
	}
	add := func(id, person, day, facts string) {
		t.Helper()
		if err := s.AddFind(&Find{ID: id, PersonID: person, Title: id, Day: day, Facts: facts}, &Specimen{FindID: id, ID: "s1", Number: 1}); err != nil {
			t.Fatal(err)
		}
	}
	add("f1", "p", "2026-01-01", "{}")
	add("f2", "p", "2026-01-01", "{}") // the same outing and hands
	add("f3", "q", "2026-01-01", "{}") // other hands
	add("f4", "p", "2026-01-02", "{}") // another day
	add("home", "q", "2026-01-03", `{"secondOf":"f1"}`)
	all := []string{"f1", "f2", "f3", "f4", "home"}
	n := 0
	line := func(find string, carries bool) func() error {
		return func() error {
			n++
			_, err := s.Append(&Event{FindID: find, Specimen: "s1", Key: find + string(rune('a'+n)), Kind: "answered", Body: "{}"}, carries)
			return err
		}
	}
	for _, c := range []struct {
		name  string
		write func() error
		old   string
	}{
		{"an answer", line("f2", false), "f2"},
		{"an answer of a find with a second look", line("f1", false), "f1 home"},
		{"an answer at home", line("home", false), "f1 home"},
		{"a smell on the hands", line("f2", true), "f1 f2 home"},
		{"a specimen", func() error { return s.AddSpecimen(&Specimen{FindID: "f4", ID: "s2"}) }, "f4"},
		{"a profile", func() error { return s.SavePerson(&Person{ID: "q", Name: "Q", Profile: `{"x":1}`}) }, "f1 f3 home"},
		{"facts", func() error {
			return s.ChangeFind("f3", func(f *Find) error { f.Facts = `{"intent":"keep"}`; return nil })
		}, "f3"},
		{"no second look any more", func() error {
			return s.ChangeFind("home", func(f *Find) error { f.Facts = "{}"; return nil })
		}, "f1 home"},
		{"an answer that concerns nobody else now", line("f1", false), "f1"},
	} {
		before := map[string]int64{}
		for _, id := range all {
			before[id], _ = s.Inputs(id)
		}
		if err := c.write(); err != nil {
			t.Fatal(c.name, err)
		}
		got := ""
		for _, id := range all {
			if now, _ := s.Inputs(id); now != before[id] {
				got += " " + id
			}
		}
		if got != " "+c.old {
			t.Errorf("%s: %s are old, want %s", c.name, got, c.old)
		}
	}
}
