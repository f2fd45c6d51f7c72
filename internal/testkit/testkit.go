// Package testkit holds what tests of several packages share: the shipped guide, read
// once; a database with the demo in it, made once and copied; and a database as large
// as many years make it.
package testkit

import (
	"io"
	"os"
	"path/filepath"
	"sync"
	"testing"
	"time"

	"zestythicket/app"
	"zestythicket/demo"
	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/store"
)

var shipped = sync.OnceValues(func() (*guide.Index, error) { return load.LoadIndex(data.FS) })

// Index is the shipped guide, read once for all tests of a package. Nobody changes it.
func Index(t testing.TB) *guide.Index {
	t.Helper()
	ix, err := shipped()
	if err != nil {
		t.Fatal(err)
	}
	return ix
}

// Engine judges by the shipped guide.
func Engine(t testing.TB) *evidence.Engine {
	return evidence.New(Index(t), evidence.StandardDefaults())
}

// DemoBegan is the moment at which the demo of [Demo] begins; each thing in it takes a
// minute.
var DemoBegan = time.Date(2026, 10, 11, 9, 0, 0, 0, time.UTC)

var seeded struct {
	once sync.Once
	file []byte
	end  time.Time
	err  error
}

// Demo is the path of a fresh database with the demo in it.
func Demo(t testing.TB) string {
	t.Helper()
	path, _ := DemoAt(t)
	return path
}

// DemoAt is [Demo] with the moment at which its last line was written.
func DemoAt(t testing.TB) (path string, end time.Time) {
	t.Helper()
	engine := Engine(t)
	seeded.once.Do(func() { seeded.file, seeded.end, seeded.err = makeDemo(engine) })
	if seeded.err != nil {
		t.Fatal(seeded.err)
	}
	path = filepath.Join(t.TempDir(), "t.db")
	if err := os.WriteFile(path, seeded.file, 0o600); err != nil {
		t.Fatal(err)
	}
	return path, seeded.end
}

func makeDemo(engine *evidence.Engine) ([]byte, time.Time, error) {
	now := DemoBegan
	dir, err := os.MkdirTemp("", "demo")
	if err != nil {
		return nil, now, err
	}
	defer func() { _ = os.RemoveAll(dir) }()
	path := filepath.Join(dir, "demo.db")
	s, err := store.Open(path)
	if err != nil {
		return nil, now, err
	}
	book := app.New(s, engine)
	book.Now = func() time.Time { now = now.Add(time.Minute); return now }
	if err := demo.Fill(book); err != nil {
		return nil, now, err
	}
	if err := s.Close(); err != nil { // the write-ahead file goes into the database
		return nil, now, err
	}
	f, err := os.Open(path)
	if err != nil {
		return nil, now, err
	}
	defer func() { _ = f.Close() }()
	file, err := io.ReadAll(f)
	return file, now, err
}
