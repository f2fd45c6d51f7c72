package evidence_test

import (
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/exchange/casefile"
	"zestythicket/guide/data"
	"zestythicket/guidefile"
	"zestythicket/report"
)

func engineOf(t testing.TB, dir string) *evidence.Engine {
	t.Helper()
	var from fs.FS = data.FS
	if dir != "" {
		from = os.DirFS(dir)
	}
	ix, err := guidefile.LoadIndex(from)
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
			hold(t, &c.Expect, &v)
			specimen := c.Expect.Specimen
			if specimen == "" {
				specimen = c.Find.Specimens[0].ID
			}
			for taxon, want := range c.Expect.Against {
				have := e.Against(&c.Find, specimen, taxon)
				for _, w := range want {
					if !slices.Contains(have, w) {
						t.Errorf("%s is not contradicted by %s, only by %v", taxon, w, have)
					}
				}
				if len(want) == 0 && len(have) > 0 {
					t.Errorf("%s is contradicted by %v, want by nothing", taxon, have)
				}
			}
		})
	}
}

func hold(t *testing.T, x *casefile.Expect, p *report.Patch) {
	t.Helper()
	j := &p.Judgements[0]
	for i := range p.Judgements {
		if p.Judgements[i].Specimen == x.Specimen {
			j = &p.Judgements[i]
		}
	}
	entries := map[string]report.Entry{}
	for _, e := range j.Ledger {
		entries[e.Taxon.ID] = e
	}
	var obligations, refusals, shaky []string
	for _, o := range j.Obligations {
		obligations = append(obligations, o.Code)
		if o.Trait != nil {
			obligations = append(obligations, o.Code+":"+o.Trait.ID)
		}
		if o.Taxon != nil {
			obligations = append(obligations, o.Code+":"+o.Taxon.ID)
		}
		if o.Word != "" {
			obligations = append(obligations, o.Code+":"+o.Word)
		}
	}
	for _, r := range j.Refusals {
		refusals = append(refusals, r.Code)
	}
	for _, r := range j.Readings {
		if r.Soundness == "shaky" {
			shaky = append(shaky, r.Trait.ID)
		}
	}
	if x.Verdict != "" && j.Verdict != x.Verdict {
		t.Errorf("verdict %s, want %s (leave %v)", j.Verdict, x.Verdict, j.Leave)
	}
	for id, d := range x.Depths {
		if e, ok := entries[id]; !ok || e.Depth != d {
			t.Errorf("depth of %s is %d (in the ledger: %v), want %d", id, e.Depth, ok, d)
		}
	}
	for _, id := range x.Out {
		if e, ok := entries[id]; !ok || !e.RuledOut {
			t.Errorf("%s is open, want it ruled out: %s", id, e.Words)
		}
	}
	for _, id := range x.Open {
		if e, ok := entries[id]; !ok || e.RuledOut {
			t.Errorf("%s is ruled out or not in the ledger, want it open", id)
		}
	}
	for _, l := range []struct {
		what       string
		want, have []string
	}{{"obligation", x.Obligations, obligations}, {"refusal", x.Refusals, refusals}, {"reason to leave it", x.Leave, j.Leave}, {"shaky reading", x.Shaky, shaky}} {
		for _, w := range l.want {
			if !slices.Contains(l.have, w) {
				t.Errorf("no %s %q among %v", l.what, w, l.have)
			}
		}
	}
	if x.Next != "" && (j.Next == nil || j.Next.Trait.ID != x.Next) {
		t.Errorf("next check %+v, want %s", j.Next, x.Next)
	}
	if x.Leader != "" && (len(j.Standing.Top) == 0 || j.Standing.Top[0].Taxon.ID != x.Leader) {
		t.Errorf("leader %v, want %s", j.Standing.Top, x.Leader)
	}
	if x.Held != nil && p.Held != *x.Held {
		t.Errorf("held %v, want %v", p.Held, *x.Held)
	}
	if x.FastPass != nil && p.FastPass.Exists != *x.FastPass {
		t.Errorf("fast pass %+v, want %v", p.FastPass, *x.FastPass)
	}
	if x.Counts != nil && !slices.Equal(x.Counts, []int{p.Passed, p.Failed, p.Unchecked}) {
		t.Errorf("passed, failed, unchecked: %d %d %d, want %v", p.Passed, p.Failed, p.Unchecked, x.Counts)
	}
}
