package httpapi

import (
	"compress/gzip"
	"io"
	"os"
	"path/filepath"
	"testing"

	"zestythicket/app"
	"zestythicket/internal/testkit"
	"zestythicket/kitchen"
	"zestythicket/store"
)

// What programs of every earlier format wrote is judged, listed and played like what is
// written today; nothing is set aside.
func TestEveryVersionIsRead(t *testing.T) {
	files, err := filepath.Glob("../store/testdata/versions/*.db.gz")
	if err != nil || len(files) < 8 {
		t.Fatal(files, err)
	}
	for _, name := range files {
		in, err := os.Open(name)
		if err != nil {
			t.Fatal(err)
		}
		z, err := gzip.NewReader(in)
		if err != nil {
			t.Fatal(err)
		}
		file, err := io.ReadAll(z)
		_ = in.Close()
		if err != nil {
			t.Fatal(err)
		}
		path := filepath.Join(t.TempDir(), "old.db")
		if err := os.WriteFile(path, file, 0o600); err != nil {
			t.Fatal(err)
		}
		s, err := store.Open(path)
		if err != nil {
			t.Fatal(name, err)
		}
		book := app.New(s, testkit.Engine(t))
		r := &rig{t: t, h: New(book, nil), book: book}
		r.listed(name)
		if found := book.Upkeep.Check(1000); !found.Whole || found.Finds == 0 {
			t.Errorf("%s: %v", name, found.Report())
		}
		if k := fetch[kitchen.Kitchen](r, "/api/kitchen"); k.Balance != "0" || len(k.Aside) > 0 {
			t.Errorf("%s: %s g too much, %v", name, k.Balance, k.Aside)
		}
		if err := s.Close(); err != nil {
			t.Fatal(err)
		}
	}
}
