package cli

import (
	"bytes"
	"encoding/json"
	"flag"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"zestythicket/report"
)

var update = flag.Bool("update", false, "write the golden files anew")

// TestGolden holds the text of a judgement, word for word, over the pinned guide.
func TestGolden(t *testing.T) {
	code, text, stderr := run("judge", worked, "--guide", "../evidence/testdata/fixture")
	if code != 0 {
		t.Fatal(stderr)
	}
	const file = "testdata/broad-leaves.golden"
	if *update {
		if err := os.MkdirAll("testdata", 0o755); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(file, []byte(text), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	want, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	if text != string(want) {
		t.Errorf("the text has changed; if it is meant, run go test ./cli -update and read the difference:\n%s", text)
	}
}

func run(args ...string) (int, string, string) {
	var out, err bytes.Buffer
	code := Run(args, &out, &err)
	return code, out.String(), err.String()
}

const worked = "../evidence/testdata/cases/fixture-broad-leaves.yaml"

func TestJudge(t *testing.T) {
	code, text, _ := run("judge", "../evidence/testdata/cases/worn-out-smell.yaml")
	if code != 0 {
		t.Fatal(code, text)
	}
	for _, want := range []string{"VERDICT  Leave it", "Lily of the valley", "STANDING  Ramsons leads", "something that is not in this guide", "NEXT CHECK", "the hands already carry a smell"} {
		if !strings.Contains(text, want) {
			t.Errorf("the text lacks %q", want)
		}
	}
	code, text, _ = run("judge", worked, "--json", "--guide", "../evidence/testdata/fixture")
	var p report.Patch
	if err := json.Unmarshal([]byte(text), &p); code != 0 || err != nil {
		t.Fatal(code, err)
	}
	for _, e := range p.Judgements[0].Ledger {
		if e.Taxon.ID == "arum-maculatum" && (e.RuledOut || e.Thorns < 1 || e.Weight <= 0) {
			t.Errorf("%+v", e)
		}
	}
}

func TestExitCodes(t *testing.T) {
	bad := filepath.Join(t.TempDir(), "bad.yaml")
	if err := os.WriteFile(bad, []byte("intent: eat\ntarget: castanea\nspecimens: [{id: a}]\n"), 0o600); err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		args []string
		code int
		err  string
	}{
		{[]string{"judge", bad}, 2, "bad.yaml:2:9: unknown taxon \"castanea\" (nearest: castanea-sativa)"},
		{[]string{"judge", "nothing.yaml"}, 1, "no such file"},
		{[]string{"judge"}, 2, "usage"},
		{[]string{"jugde"}, 2, "unknown command"},
		{nil, 2, "usage"},
		{[]string{"judge", worked, "--yaml"}, 2, "usage"},
		{[]string{"guide", "check", filepath.Dir(bad)}, 1, "no .yaml"},
		{[]string{"guide", "check", "nowhere"}, 1, "no directory"},
		{[]string{"serve", "extra"}, 2, "usage"},
	} {
		if len(c.args) > 2 && c.args[0] == "guide" && c.args[2] != "nowhere" {
			_ = os.Rename(bad, bad+".kept")
		}
		code, _, stderr := run(c.args...)
		if code != c.code || !strings.Contains(stderr, c.err) {
			t.Errorf("%v: %d %q, want %d %q", c.args, code, stderr, c.code, c.err)
		}
	}
	if code, out, _ := run("guide", "check"); code != 0 || !strings.Contains(out, "nothing wrong") {
		t.Errorf("guide check: %d %s", code, out)
	}
}

// The audit says why buttons are not gathered, and of a stage that is opened although
// nothing tells a danger apart that the rules leave it.
func TestAudit(t *testing.T) {
	code, text, _ := run("audit")
	if code != 0 || !strings.Contains(text, "Horse mushroom (Agaricus arvensis), cap cooked, stage egg, EU: not gathered at this stage; ") {
		t.Fatalf("%d\n%s", code, text)
	}
	dir := t.TempDir()
	if err := os.CopyFS(dir, os.DirFS("../guide/data")); err != nil {
		t.Fatal(err)
	}
	file := filepath.Join(dir, "taxa/fungi/agaricus-arvensis.yaml")
	b, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	changed := strings.NewReplacer("cooked, stages: [mature]", "cooked, stages: [egg, mature]", "- {stages: [mature], traits:", "- {stages: [egg, mature], traits:").Replace(string(b))
	if err := os.WriteFile(file, []byte(changed), 0o600); err != nil {
		t.Fatal(err)
	}
	code, text, stderr := run("audit", "--guide", dir)
	if code != 0 || !strings.Contains(text, "cap cooked, stage egg, EU: left by the rules") || !strings.Contains(stderr, "can't be told") {
		t.Errorf("an opened button stage: %d %s", code, stderr)
	}
}
