package words

import (
	"fmt"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"zestythicket/harvest"
	"zestythicket/lot"
	"zestythicket/phenology"
)

// codesIn are the codes that a package gives, as they stand in its source.
func codesIn(t *testing.T, pkg string, call *regexp.Regexp) map[string]int {
	t.Helper()
	files, err := filepath.Glob("../" + pkg + "/*.go")
	if err != nil || len(files) == 0 {
		t.Fatal(files, err)
	}
	out := map[string]int{}
	for _, f := range files {
		if strings.HasSuffix(f, "_test.go") {
			continue
		}
		text, err := os.ReadFile(f)
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range call.FindAllStringSubmatch(string(text), -1) {
			out[m[1]] = strings.Count(m[0], ", ")
		}
	}
	return out
}

// Every code of a refusal has its sentence, with a place for each parameter, and no
// sentence is for a code that nobody gives.
func TestEveryRefusalHasWords(t *testing.T) {
	given := codesIn(t, "lot", regexp.MustCompile(`refuse\([^\n]*?, Err\w+, "([a-z-]+)"([^\n]*)\)`))
	if len(given) < 30 {
		t.Fatalf("only %d codes were found", len(given))
	}
	for code := range given {
		if _, ok := lotRefusals[code]; !ok {
			t.Errorf("%s has no words", code)
		}
	}
	for code, s := range lotRefusals {
		if _, ok := given[code]; !ok {
			t.Errorf("nobody gives %s", code)
		}
		what, _ := LotRefusal(&lot.Error{Op: "made", Lot: "B1", Err: lot.ErrBalance, Reason: lot.Reason{Code: code, Args: []string{"1", "2", "3"}}}, func(id string) string { return "Name of " + id })
		if strings.Contains(what, "%s") || strings.TrimSpace(what) == "" || namesSomebody[code] != strings.Contains(what, "Name of") {
			t.Errorf("%s: %q from %q", code, what, s.what)
		}
	}
}

// Every hold and every state that the ledger gives has its words.
func TestHoldsAndStatesHaveWords(t *testing.T) {
	known := map[string]bool{"by-hand": true, "held": true, "part-is-held": true, "not-by-word": true}
	for code := range codesIn(t, "lot", regexp.MustCompile(`[^.]reason\("([a-z-]+)"([^\n]*)\)`)) {
		_, hold := holds[code]
		_, state := lotStates[code]
		if !hold && !state && !known[code] {
			t.Errorf("%s has no words", code)
		}
	}
	for code := range harvestSteps {
		if s := HarvestStep(&harvest.Step{Code: code, Args: []string{"1", "2"}}); strings.Contains(s, "%s") || s == "" {
			t.Errorf("%s: %q", code, s)
		}
	}
	for _, l := range []phenology.Gradient{phenology.Hopkins, phenology.Europe} {
		if what, source := SeasonStep(&phenology.Step{Code: "law", Law: l.Code, Stretched: true}); source == "" || !strings.Contains(what, "beyond") {
			t.Errorf("%s: %q from %q", l.Code, what, source)
		}
	}
}

// A warning of late signs never soothes, however long it is.
func TestLateWarningsNeverSoothe(t *testing.T) {
	calm := regexp.MustCompile(`(?i)\b(safe|harmless|cleared|all clear|no danger|over now|relax|fine)\b`)
	for _, hours := range []float64{0, 1, 30, 40, 168, 504, 1000, 30_000} {
		for _, longer := range []bool{false, true} {
			s := LateWarning(hours, longer)
			if calm.MatchString(s) || !strings.Contains(s, "may still come") {
				t.Errorf("%g hours: %q", hours, s)
			}
		}
	}
	for code, s := range lotStates {
		if calm.MatchString(s.what + s.do) {
			t.Errorf("%s: %q", code, s)
		}
	}
	if s := fmt.Sprint(secondLook); calm.MatchString(s) {
		t.Error(s)
	}
}

// Every code of a refusal that a domain gives has its sentence, and no sentence is for a
// code that nobody gives; none keeps a place that was not filled.
func TestDomainRefusalsHaveWords(t *testing.T) {
	given := map[string]bool{}
	for _, pkg := range []string{"records", "people", "ground", "finds", "kitchen", "incidents", "upkeep"} {
		for _, call := range []string{`\.Add\([^\n]*?, "([a-z-]+)"[,)]()`, `Refuse\([^\n]*?, "([a-z-]+)"[,)]()`} {
			for code := range codesIn(t, pkg, regexp.MustCompile(call)) {
				given[code] = true
			}
		}
	}
	if len(given) < 50 {
		t.Fatalf("only %d codes were found", len(given))
	}
	for code := range given {
		if _, ok := refusals[code]; !ok {
			t.Errorf("%s has no words", code)
		}
	}
	for code := range refusals {
		if !given[code] {
			t.Errorf("nobody gives %s", code)
		}
		if what, do := Refusal(code, []string{"1", "2", "3", "4", "5", "6"}); strings.Contains(what+do, "%s") || what == "" {
			t.Errorf("%s: %q, %q", code, what, do)
		}
	}
	// What somebody typed is never taken for a place.
	if what, _ := Refusal("unknown-word", []string{"trait", "%s %s"}); what != "unknown trait “%s %s”" {
		t.Error(what)
	}
}

// What is said of places and walks: every code has its sentence, and every sentence is
// asked for.
func TestGroundHasWords(t *testing.T) {
	given := codesIn(t, "ground", regexp.MustCompile(`words\.Ground\("([a-z-]+)"()`))
	if len(given) < 20 {
		t.Fatalf("only %d codes were found", len(given))
	}
	for code := range given {
		if _, ok := ground[code]; !ok {
			t.Errorf("%s has no words", code)
		}
	}
	for code := range ground {
		if _, ok := given[code]; !ok {
			t.Errorf("nobody asks for %s", code)
		}
		if s := Ground(code, "1", "2", "3"); strings.Contains(s, "%s") || s == "" {
			t.Errorf("%s: %q", code, s)
		}
	}
}
