package evidence_test

import (
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/exchange/casefile"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/internal/testkit/casecheck"
	"zestythicket/report"
)

func engineOf(t testing.TB, dir string) *evidence.Engine {
	t.Helper()
	var from fs.FS = data.FS
	if dir != "" {
		from = os.DirFS(dir)
	}
	ix, err := load.LoadIndex(from)
	if err != nil {
		t.Fatal(err)
	}
	return evidence.New(ix, evidence.StandardDefaults())
}

// TestCases runs every worked case and holds it to each line of what it expects.
func TestCases(t *testing.T) {
	shipped, fixture := engineOf(t, ""), engineOf(t, "testdata/fixture")
	files, err := filepath.Glob("testdata/cases/*.yaml")
	if err != nil || len(files) == 0 {
		t.Fatal("no cases were found", err)
	}
	for _, file := range files {
		t.Run(strings.TrimSuffix(filepath.Base(file), ".yaml"), func(t *testing.T) {
			e := shipped
			if strings.HasPrefix(filepath.Base(file), "fixture-") {
				e = fixture
			}
			text, err := os.ReadFile(file)
			if err != nil {
				t.Fatal(err)
			}
			c, err := casefile.Read(file, text, e.Index())
			if err != nil {
				t.Fatal(err)
			}
			p := e.JudgePatch(&c.Find)
			v := report.OfPatch(e.Index(), &c.Find, &p)
			for _, miss := range casecheck.Misses(&c.Expect, &v) {
				t.Error(miss)
			}
			for _, miss := range casecheck.Against(e, c) {
				t.Error(miss)
			}
			for i := range c.Find.Specimens {
				for _, miss := range evidence.PlainDiffers(e, &c.Find, c.Find.Specimens[i].ID) {
					t.Error(miss)
				}
			}
		})
	}
}
