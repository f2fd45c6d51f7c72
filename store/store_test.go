package store

import (
	"database/sql"
	"errors"
	"os"
	"path/filepath"
	"strings"
	"testing"
)

// fresh is a migrated database of its own for each test.
func fresh(t *testing.T) *Store {
	t.Helper()
	s, err := Open(filepath.Join(t.TempDir(), "t.db"))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	if err := s.SavePerson(&Person{ID: "p", Name: "P", Profile: "{}", CreatedMS: 1}); err != nil {
		t.Fatal(err)
	}
	return s
}

func begin(t *testing.T, s *Store, id, day string) *Find {
	t.Helper()
	f := &Find{ID: id, PersonID: "p", Day: day, Facts: "{}", CreatedMS: 1}
	if err := s.AddFind(f, &Specimen{FindID: id, ID: "s1", Number: 1}, &Event{FindID: id, Specimen: "s1", Key: "k0", Kind: "staged", Body: "{}"}); err != nil {
		t.Fatal(err)
	}
	return f
}

func TestAppendIsIdempotent(t *testing.T) {
	s := fresh(t)
	f := begin(t, s, "f1", "2026-01-01")
	first := &Event{FindID: "f1", Specimen: "s1", Key: "tap", Kind: "answered", Body: `{"a":1}`, AtMS: 5}
	if stored, err := s.Append(first, false); err != nil || !stored {
		t.Fatal(stored, err)
	}
	again := &Event{FindID: "f1", Specimen: "s1", Key: "tap", Kind: "answered", Body: `{"a":2}`, AtMS: 9}
	stored, err := s.Append(again, false)
	if err != nil || stored || again.Seq != first.Seq || again.Body != `{"a":1}` {
		t.Errorf("a retried tap: stored %v, %+v, %v", stored, again, err)
	}
	if log, err := s.Log(f); err != nil || len(log) != 2 {
		t.Errorf("log %v, %v", log, err)
	}
}

func TestLogIsAppendOnly(t *testing.T) {
	s := fresh(t)
	begin(t, s, "f1", "2026-01-01")
	for range 2 {
		if _, err := s.AppendKitchen(&KitchenLine{Key: "line-0001", Kind: "threw", Doc: "{}"}); err != nil {
			t.Fatal(err)
		}
	}
	if lines, err := s.Kitchen(); err != nil || len(lines) != 1 {
		t.Errorf("a line sent twice: %v, %v", lines, err)
	}
	for _, q := range []string{"UPDATE events SET body = 'x'", "DELETE FROM events", "UPDATE kitchen SET doc = 'x'", "DELETE FROM kitchen"} {
		if err := s.db.Exec(q).Error; err == nil || !strings.Contains(err.Error(), "append-only") {
			t.Errorf("%s: %v", q, err)
		}
	}
}

// The hands go along from find to find within an outing, and no further.
func TestLogOfTheOuting(t *testing.T) {
	s := fresh(t)
	f1, f2, f3 := begin(t, s, "f1", "2026-01-01"), begin(t, s, "f2", "2026-01-01"), begin(t, s, "f3", "2026-01-02")
	for f, want := range map[*Find]int{f1: 2, f2: 2, f3: 1} {
		if log, err := s.Log(f); err != nil || len(log) != want {
			t.Errorf("%s sees %d lines, want %d (%v)", f.ID, len(log), want, err)
		}
	}
}

func TestAFindIsStoredWhollyOrNotAtAll(t *testing.T) {
	s := fresh(t)
	f := &Find{ID: "f1", PersonID: "p", Day: "2026-01-01", Facts: "{}"}
	e := func() *Event {
		return &Event{FindID: "f1", Specimen: "s1", Key: "same", Kind: "staged", Body: "{}"}
	}
	if err := s.AddFind(f, &Specimen{FindID: "f1", ID: "s1"}, e(), e()); err == nil {
		t.Fatal("two lines with one key were taken")
	}
	if _, err := s.Find("f1"); !errors.Is(err, ErrNotFound) {
		t.Errorf("half a find was stored: %v", err)
	}
	if err := s.AddFind(&Find{ID: "f2", PersonID: "nobody", Day: "2026-01-01", Facts: "{}"}, &Specimen{FindID: "f2", ID: "s1"}); err == nil {
		t.Error("a find of nobody was stored")
	}
}

func TestNewerDatabaseIsRefusedAndNotTouched(t *testing.T) {
	path := filepath.Join(t.TempDir(), "t.db")
	db, err := sql.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := db.Exec("CREATE TABLE future (x); PRAGMA user_version = 999"); err != nil {
		t.Fatal(err)
	}
	_ = db.Close()
	before, _ := os.ReadFile(path)
	_, err = Open(path)
	var e *Error
	if !errors.Is(err, ErrNewer) || !errors.As(err, &e) || !strings.Contains(e.Hint, "999") {
		t.Fatalf("a newer database: %v", err)
	}
	after, _ := os.ReadFile(path)
	if string(before) != string(after) {
		t.Error("the newer database was changed")
	}
}

func TestNotADatabase(t *testing.T) {
	path := filepath.Join(t.TempDir(), "t.db")
	if err := os.WriteFile(path, []byte(strings.Repeat("this is a shopping list\n", 100)), 0o600); err != nil {
		t.Fatal(err)
	}
	if _, err := Open(path); !errors.Is(err, ErrNotStored) {
		t.Errorf("a text file was opened: %v", err)
	}
}

// A full disk and a file that can't be written to are said in words, and what
// was stored before is still there.
func TestFullAndReadOnly(t *testing.T) {
	for name, c := range map[string]struct{ pragma, want string }{
		"full":      {"PRAGMA max_page_count = 1", "disk is full"},
		"read-only": {"PRAGMA query_only = 1", "can't be written to"},
	} {
		s := fresh(t)
		f := begin(t, s, "f1", "2026-01-01")
		if err := s.db.Exec(c.pragma).Error; err != nil {
			t.Fatal(err)
		}
		_, err := s.Append(&Event{FindID: "f1", Specimen: "s1", Key: "big", Kind: "answered", Body: strings.Repeat("x", 1<<20)}, false)
		var e *Error
		if !errors.As(err, &e) || !errors.Is(err, ErrNotStored) || !strings.Contains(e.Hint, c.want) {
			t.Errorf("%s: %v", name, err)
		}
		if log, err := s.Log(f); err != nil || len(log) != 1 {
			t.Errorf("%s: what was stored before: %v, %v", name, log, err)
		}
	}
}

func TestReopenKeepsEverything(t *testing.T) {
	path := filepath.Join(t.TempDir(), "deep", "t.db")
	s, err := Open(path)
	if err != nil {
		t.Fatal(err)
	}
	if err := s.SavePerson(&Person{ID: "p", Name: "P", Profile: "{}"}); err != nil {
		t.Fatal(err)
	}
	begin(t, s, "f1", "2026-01-01")
	if err := s.KeepVerdict(false, &Verdict{FindID: "f1", Specimen: "s1", UptoSeq: 1, GuideVersion: "g", Verdict: "not-yet", Reasons: "{}"}); err != nil {
		t.Fatal(err)
	}
	if err := s.KeepVerdict(false, &Verdict{FindID: "f1", Specimen: "s1", UptoSeq: 1, GuideVersion: "g", Verdict: "not-yet", Reasons: "{}"}); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	s, err = Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	vs, lost := s.Verdicts("f1")
	if len(lost) > 0 || len(vs) != 1 || vs[0].GuideVersion != "g" {
		t.Errorf("verdicts %v, %v", vs, lost)
	}
	var mode string
	if s.db.Raw("PRAGMA journal_mode").Scan(&mode); mode != "wal" {
		t.Errorf("journal mode %s", mode)
	}
}
