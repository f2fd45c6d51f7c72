package cli

import (
	"bytes"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"zestythicket/store"
)

// What a case file expects is compared, and said; a file that expects too much ends
// with a failure.
func TestJudgeComparesWhatIsExpected(t *testing.T) {
	text, err := os.ReadFile(worked)
	if err != nil {
		t.Fatal(err)
	}
	file := func(s string) string {
		path := filepath.Join(t.TempDir(), "case.yaml")
		if err := os.WriteFile(path, []byte(s), 0o600); err != nil {
			t.Fatal(err)
		}
		return path
	}
	const fixture = "../evidence/testdata/fixture"
	if code, _, said := run("judge", file(string(text)), "--guide", fixture); code != exitDone || !strings.Contains(said, "all of it holds") {
		t.Errorf("what holds: %d, %q", code, said)
	}
	wrong := strings.Replace(string(text), "verdict: not-yet", "verdict: checks-complete", 1)
	if code, out, said := run("judge", file(wrong), "--json", "--guide", fixture); code != exitFailed || !strings.Contains(said, "checks-complete") || !strings.HasPrefix(out, "{") {
		t.Errorf("what does not: %d, %q", code, said)
	}
}

// A whole round: back up while it is in use, damage, check, restore.
func TestBackupDamageRestore(t *testing.T) {
	dir := t.TempDir()
	db, copyTo := filepath.Join(dir, "t.db"), filepath.Join(dir, "copy.db")
	s, err := store.Open(db)
	if err != nil {
		t.Fatal(err)
	}
	if err := s.SavePerson(&store.Person{ID: "p", Name: "P", Profile: "{}"}); err != nil {
		t.Fatal(err)
	}
	for i := range 300 {
		if _, err := s.AppendKitchen(&store.KitchenLine{Key: "key-" + string(rune('a'+i%26)) + strings.Repeat("x", i), Kind: "threw", Doc: "{}"}); err != nil {
			t.Fatal(err)
		}
	}
	if code, out, said := run("backup", copyTo, "--db", db); code != exitDone {
		t.Fatal(code, out, said)
	}
	if code, _, said := run("restore", copyTo, "--db", db); code != exitFailed || !strings.Contains(said, "open") {
		t.Errorf("restored while it is in use: %d, %q", code, said)
	}
	if code, _, _ := run("check", "--db", copyTo); code != exitFailed {
		t.Error("three hundred lines about nothing hold together")
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	b, err := os.ReadFile(db)
	if err != nil {
		t.Fatal(err)
	}
	page := bytes.Index(b, []byte(strings.Repeat("x", 250))) / 4096 * 4096
	for i := page; i < page+256; i++ {
		b[i] ^= 0xff
	}
	if err := os.WriteFile(db, b, 0o600); err != nil {
		t.Fatal(err)
	}
	if code, out, said := run("check", "--db", db); code != exitFailed || !strings.Contains(out, "the file") {
		t.Errorf("a damaged file: %d, %q %q", code, out, said)
	}
	after, err := os.ReadFile(db)
	if err != nil || !bytes.Equal(b, after) {
		t.Error("the check changed the file")
	}
	code, out, said := run("restore", copyTo, "--db", db)
	if code != exitDone || !strings.Contains(out, "before-") {
		t.Fatal(code, out, said)
	}
	if s, err = store.Open(db); err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	if lines, lost := s.Kitchen(); len(lines) != 300 || len(lost) > 0 {
		t.Errorf("%d lines, %d lost", len(lines), len(lost))
	}
	kept, _ := filepath.Glob(db + ".before-*")
	if len(kept) == 0 {
		t.Error("what was there before is not kept")
	}
	if code, _, said := run("backup", filepath.Join(dir, "x.db"), "--db", filepath.Join(dir, "none.db")); code != exitFailed || !strings.Contains(said, "no database") {
		t.Errorf("a database that is not there: %d, %q", code, said)
	}
}
