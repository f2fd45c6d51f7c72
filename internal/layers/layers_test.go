// Package layers holds the project to its architecture: the pure packages touch
// nothing outside themselves, and dependencies point inwards.
package layers

import (
	"os/exec"
	"regexp"
	"slices"
	"strings"
	"testing"
)

func deps(t *testing.T, pkg string) []string {
	t.Helper()
	out, err := exec.Command("go", "list", "-deps", "zestythicket/"+pkg).Output()
	if err != nil {
		t.Fatal(err)
	}
	return strings.Fields(string(out))
}

func imports(t *testing.T, pkg string) []string {
	t.Helper()
	out, err := exec.Command("go", "list", "-f", `{{join .Imports "\n"}}`, "zestythicket/"+pkg).Output()
	if err != nil {
		t.Fatal(err)
	}
	return strings.Fields(string(out))
}

func TestPurePackages(t *testing.T) {
	for _, pkg := range []string{"guide", "evidence", "phenology", "sampling", "fieldgeo", "plan", "quantity", "lot", "harvest", "incident", "calibrate", "internal/spell"} {
		for _, i := range imports(t, pkg) {
			switch i {
			case "net/http", "os", "io", "time", "math/rand", "math/rand/v2", "database/sql":
				t.Errorf("%s imports %s", pkg, i)
			}
		}
		for _, d := range deps(t, pkg) {
			if d == "net/http" || strings.HasPrefix(d, "gorm.io/") || strings.Contains(d, "sqlite") || d == "zestythicket/store" || d == "zestythicket/guide/load" || strings.Contains(d, "yaml") {
				t.Errorf("%s depends on %s", pkg, d)
			}
		}
	}
}

func TestDependenciesPointInwards(t *testing.T) {
	out, err := exec.Command("go", "list", "-f", `{{.ImportPath}} {{join .Imports " "}}`, "zestythicket/...").Output()
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range strings.Split(strings.TrimSpace(string(out)), "\n") {
		f := strings.Fields(l)
		for _, i := range f[1:] {
			if (strings.HasPrefix(i, "gorm.io/") || strings.Contains(i, "glebarez")) && f[0] != "zestythicket/store" {
				t.Errorf("%s imports %s; only store may", f[0], i)
			}
			if i == "zestythicket/store" && f[0] == "zestythicket/httpapi" {
				t.Errorf("%s imports %s: it asks the domains", f[0], i)
			}
			if strings.HasPrefix(i, "zestythicket/cli") && !strings.HasPrefix(f[0], "zestythicket/cmd") || i == "zestythicket/httpapi" && f[0] != "zestythicket/cli" {
				t.Errorf("%s imports %s: dependencies point inwards", f[0], i)
			}
		}
	}
}

// stands says on which other domains each domain may stand. What is below knows nothing
// of what is above it, so that a change of one is a change of that one.
var stands = map[string][]string{
	"records":   {},
	"people":    {"records"},
	"ground":    {"records"},
	"reference": {"records", "finds"}, // the default of a disposal plan
	"finds":     {"records", "people", "ground"},
	"kitchen":   {"records", "people", "ground", "finds"},
	"incidents": {"records", "people", "finds", "kitchen"},
	"upkeep":    {"records", "people", "ground", "finds", "kitchen", "incidents"},
	"agenda":    {"records", "ground", "finds", "kitchen", "incidents"},
}

func TestDomainsStandOnEachOther(t *testing.T) {
	for domain, on := range stands {
		for _, i := range imports(t, domain) {
			name, ours := strings.CutPrefix(i, "zestythicket/")
			if _, other := stands[name]; ours && other && !slices.Contains(on, name) {
				t.Errorf("%s imports %s", domain, name)
			}
			if name == "app" || name == "httpapi" || strings.HasPrefix(name, "cli") || i == "net/http" {
				t.Errorf("%s imports %s: dependencies point inwards", domain, i)
			}
		}
	}
}

// No taxon is named in Go code: content is data.
func TestNoTaxonInCode(t *testing.T) {
	names, err := exec.Command("sh", "-c", `sed -n 's/^id: //p' ../../guide/data/taxa/*/*.yaml`).Output()
	if err != nil || len(names) == 0 {
		t.Fatal("no taxa", err)
	}
	for _, id := range strings.Fields(string(names)) {
		out, _ := exec.Command("sh", "-c", `cd ../.. && git ls-files '*.go' | grep -v _test.go | xargs grep -l "`+id+`"`).Output()
		if len(out) > 0 {
			t.Errorf("%s is named in %s", id, out)
		}
	}
}

// The word that promises is written nowhere that is printed: not in the guide, the
// pages or the program. Ids and comments may hold it.
func TestNoPromiseIsWritten(t *testing.T) {
	out, _ := exec.Command("sh", "-c", `cd ../.. && git grep -niE "harmless" -- guide/data web/src web/index.html '*.go' ':!*_test.go'`).Output()
	id, word := regexp.MustCompile(`[a-z]-harmless|harmless-[a-z]`), regexp.MustCompile(`(?i)harmless`)
	for l := range strings.Lines(string(out)) {
		said, _, _ := strings.Cut(l, "//")
		if word.MatchString(id.ReplaceAllString(said, "")) {
			t.Error(l)
		}
	}
}
