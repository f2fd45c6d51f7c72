package store

import (
	"compress/gzip"
	"database/sql"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"testing"
)

// versions are databases as the program of each earlier format wrote them.
func versionFile(t *testing.T, v int) string {
	t.Helper()
	in, err := os.Open(fmt.Sprintf("testdata/versions/v%d.db.gz", v))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = in.Close() }()
	z, err := gzip.NewReader(in)
	if err != nil {
		t.Fatal(err)
	}
	path := filepath.Join(t.TempDir(), "old.db")
	out, err := os.Create(path)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := io.Copy(out, z); err != nil {
		t.Fatal(err)
	}
	if err := out.Close(); err != nil {
		t.Fatal(err)
	}
	return path
}

// contents are all rows of the tables that hold what people entered, each as text, with
// the columns that a format had.
func contents(t *testing.T, path string, columns map[string][]string) (map[string][]string, map[string][]string) {
	t.Helper()
	db, err := sql.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = db.Close() }()
	if columns == nil {
		columns = map[string][]string{}
		for _, table := range []string{"people", "outings", "finds", "specimens", "events", "verdicts", "waits", "photos", "notes", "weather", "kitchen"} {
			rows, err := db.Query("SELECT name FROM pragma_table_info(?)", table)
			if err != nil {
				t.Fatal(err)
			}
			for rows.Next() {
				var c string
				if err := rows.Scan(&c); err != nil {
					t.Fatal(err)
				}
				columns[table] = append(columns[table], c)
			}
			_ = rows.Close()
		}
	}
	out := map[string][]string{}
	for table, list := range columns {
		all := ""
		for i, c := range list {
			if i > 0 {
				all += " || '|' || "
			}
			all += "quote(" + c + ")"
		}
		rows, err := db.Query("SELECT " + all + " FROM " + table + " ORDER BY 1")
		if err != nil {
			t.Fatal(table, err)
		}
		for rows.Next() {
			var s string
			if err := rows.Scan(&s); err != nil {
				t.Fatal(err)
			}
			out[table] = append(out[table], s)
		}
		_ = rows.Close()
	}
	return out, columns
}

// A database of every earlier format opens, and every line of it is there as it was.
func TestEveryVersionOpens(t *testing.T) {
	for v := 1; v < len(migrations); v++ {
		path := versionFile(t, v)
		before, columns := contents(t, path, nil)
		s, err := Open(path)
		if err != nil {
			t.Errorf("format %d: %v", v, err)
			continue
		}
		if bad, err := s.QuickCheck(); err != nil || len(bad) > 0 {
			t.Errorf("format %d: %v %v", v, bad, err)
		}
		finds, lost := s.Finds()
		if len(finds) != len(before["finds"]) || len(finds) == 0 || len(lost) > 0 {
			t.Errorf("format %d: %d finds of %d, %v", v, len(finds), len(before["finds"]), lost)
		}
		if !s.Derived() {
			t.Errorf("format %d: no summaries can be kept", v)
		}
		for i := range finds {
			if log, err := s.Log(&finds[i]); err != nil || len(log) == 0 {
				t.Errorf("format %d: %s has %d lines, %v", v, finds[i].ID, len(log), err)
			}
			if n, err := s.Inputs(finds[i].ID); err != nil || n == 0 {
				t.Errorf("format %d: %s rests on %d, %v", v, finds[i].ID, n, err)
			}
		}
		if err := s.Close(); err != nil {
			t.Fatal(err)
		}
		after, _ := contents(t, path, columns)
		for table := range before {
			if a, b := fmt.Sprint(before[table]), fmt.Sprint(after[table]); a != b {
				t.Errorf("format %d, %s: %.300s became %.300s", v, table, a, b)
			}
		}
	}
}
