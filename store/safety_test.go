package store

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"
)

func hintOf(err error) string {
	var e *Error
	if errors.As(err, &e) {
		return e.Hint
	}
	return ""
}

// One program at a time: the second is told, and gets in when the first has ended.
func TestOneProgramPerDatabase(t *testing.T) {
	path := filepath.Join(t.TempDir(), "t.db")
	first, err := Open(path)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := Open(path); !errors.Is(err, ErrInUse) || hintOf(err) == "" {
		t.Errorf("a second program: %v", err)
	}
	if err := first.Close(); err != nil {
		t.Fatal(err)
	}
	second, err := Open(path)
	if err != nil {
		t.Fatalf("after the first has ended: %v", err)
	}
	_ = second.Close()
}

// The database lies where the path says, whatever signs are in it, and is its
// owner's alone.
func TestPathsAndPermissions(t *testing.T) {
	for _, name := range []string{"we#rd", "a?b", "100%20", "plain"} {
		path := filepath.Join(t.TempDir(), name, "t.db")
		s, err := Open(path)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		begin(t, withPerson(t, s), "f1", "2026-01-01")
		_ = s.Close()
		info, err := os.Stat(path)
		if err != nil || info.Size() == 0 {
			t.Errorf("%s: nothing lies there: %v", name, err)
			continue
		}
		if info.Mode().Perm() != 0o600 {
			t.Errorf("%s: mode %v", name, info.Mode())
		}
		again, err := Open(path)
		if err != nil {
			t.Fatal(err)
		}
		if finds, _ := again.Finds(); len(finds) != 1 {
			t.Errorf("%s: %d finds after opening it again", name, len(finds))
		}
		_ = again.Close()
	}
}

func withPerson(t *testing.T, s *Store) *Store {
	t.Helper()
	if err := s.SavePerson(&Person{ID: "p", Name: "P", Profile: "{}"}); err != nil {
		t.Fatal(err)
	}
	return s
}

// What is removed is removed from the files, not only from the answers.
func TestRemovedIsGone(t *testing.T) {
	path := filepath.Join(t.TempDir(), "t.db")
	s, err := Open(path)
	if err != nil {
		t.Fatal(err)
	}
	begin(t, withPerson(t, s), "f1", "2026-01-01")
	mark := strings.Repeat("a picture that was taken out ", 400)
	if err := s.AddPhoto(&Photo{ID: "photo-1", FindID: "f1", Specimen: "s1", MIME: "image/jpeg", Bytes: []byte(mark)}); err != nil {
		t.Fatal(err)
	}
	if err := s.RemovePhoto("f1", "photo-1"); err != nil {
		t.Fatal(err)
	}
	for _, end := range []string{"", "-wal"} {
		if b, err := os.ReadFile(path + end); err == nil && strings.Contains(string(b), "that was taken out") {
			t.Errorf("it still stands in %s", filepath.Base(path+end))
		}
	}
	_ = s.Close()
}

// A copy that is made while the database is in use holds everything stored before
// it; one that holds nothing of that is no backup.
func TestBackupAndRestore(t *testing.T) {
	dir := t.TempDir()
	path, to := filepath.Join(dir, "t.db"), filepath.Join(dir, "deep", "copy.db")
	s, err := Open(path)
	if err != nil {
		t.Fatal(err)
	}
	for i := range 9 {
		begin(t, withPerson(t, s), fmt.Sprintf("f%d", i), "2026-01-01")
	}
	if err := Backup(path, to); err != nil { // from beside, as another program would
		t.Fatal(err)
	}
	if err := Backup(path, to); !errors.Is(err, ErrInvalid) {
		t.Errorf("over a file that is there: %v", err)
	}
	begin(t, s, "later", "2026-01-02")
	now := time.Date(2026, 11, 7, 8, 9, 10, 0, time.UTC)
	if _, err := Restore(path, to, now); !errors.Is(err, ErrInUse) {
		t.Errorf("restored under a program that has it open: %v", err)
	}
	kept, err := s.Restore(to, now)
	if err != nil || kept == "" {
		t.Fatal(kept, err)
	}
	if finds, _ := s.Finds(); len(finds) != 9 {
		t.Errorf("%d finds after restoring, want 9", len(finds))
	}
	begin(t, s, "after", "2026-01-03") // it goes on working
	_ = s.Close()
	if again, err := Restore(path, kept, now); err != nil || again == kept {
		t.Fatal(again, err)
	}
	s, err = Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	if finds, _ := s.Finds(); len(finds) != 10 || finds[len(finds)-1].ID == "after" {
		t.Errorf("what was there before was not kept whole: %d finds", len(finds))
	}
	bad := filepath.Join(dir, "bad.db")
	b, _ := os.ReadFile(to)
	if err := os.WriteFile(bad, b[:len(b)/2], 0o600); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Restore(bad, now); err == nil {
		t.Error("half a file was put in the place of a whole one")
	}
	if finds, _ := s.Finds(); len(finds) != 10 {
		t.Errorf("a backup that was refused changed something: %d finds", len(finds))
	}
}

// Words that fit the fault: reading stores nothing, a busy database is not lost, a
// folder that can't be written to is no damage.
func TestWordsFitTheFault(t *testing.T) {
	s := fresh(t)
	for op, want := range map[string]error{"read find": ErrUnreadable, "list finds": ErrUnreadable, "search guide": ErrUnreadable, "store answer": ErrNotStored} {
		err := s.failed(op, "x", errors.New("database is locked"))
		if !errors.Is(err, want) || want == ErrUnreadable && strings.Contains(hintOf(err), "not stored") {
			t.Errorf("%s: %v, %q", op, err, hintOf(err))
		}
	}
	if os.Getuid() == 0 {
		t.Log("root writes everywhere: the read-only folder is tried by its message alone")
	}
	err := lockError("x.db", os.ErrPermission)
	if !errors.Is(err, ErrReadOnly) || strings.Contains(hintOf(err), "it is damaged") {
		t.Errorf("a read-only folder: %v, %q", err, hintOf(err))
	}
}

// The log of a find is read through an index, whatever else is stored.
func TestLogUsesItsIndex(t *testing.T) {
	s := fresh(t)
	var plan []struct{ Detail string }
	if err := s.db.Raw(`EXPLAIN QUERY PLAN SELECT * FROM events WHERE find_id IN (SELECT id FROM finds WHERE outing_id = ? AND person_id = ? UNION SELECT ?) ORDER BY seq`, "o", "p", "f").Scan(&plan).Error; err != nil {
		t.Fatal(err)
	}
	for _, p := range plan {
		if strings.Contains(p.Detail, "SCAN events") || strings.Contains(p.Detail, "SCAN finds") {
			t.Errorf("it scans: %s", p.Detail)
		}
	}
}

// A row that can't be read is set aside; those before and behind it are there.
func TestDamagedPageIsSetAside(t *testing.T) {
	path := filepath.Join(t.TempDir(), "t.db")
	s, err := Open(path)
	if err != nil {
		t.Fatal(err)
	}
	for i := range 400 {
		if _, err := s.AppendKitchen(&KitchenLine{Key: fmt.Sprintf("line-%05d", i), Kind: "threw", Doc: fmt.Sprintf(`{"n":%d,"pad":%q}`, i, strings.Repeat("x", 180))}); err != nil {
			t.Fatal(err)
		}
	}
	_ = s.Close()
	b, err := os.ReadFile(path)
	if err != nil {
		t.Fatal(err)
	}
	at := strings.Index(string(b), `{"n":200,`)
	if at < 0 {
		t.Fatal("the line is not where it was looked for")
	}
	page := at / 4096 * 4096
	for i := range 64 {
		b[page+i] = 0xee
	}
	if err := os.WriteFile(path, b, 0o600); err != nil {
		t.Fatal(err)
	}
	if s, err = Open(path); err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	lines, lost := s.Kitchen()
	if len(lost) == 0 || len(lines) < 300 || lines[0].Seq != 1 || lines[len(lines)-1].Seq != 400 {
		t.Errorf("%d lines, %d lost", len(lines), len(lost))
	}
	if faults, err := s.QuickCheck(); err != nil || len(faults) == 0 {
		t.Errorf("the check found nothing: %v, %v", faults, err)
	}
}
