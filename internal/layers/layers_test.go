// Package layers holds the project to its architecture: the pure packages touch
// nothing outside themselves, and dependencies point inwards.
package layers

import (
	"os/exec"
	"regexp"
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
	for _, pkg := range []string{"guide", "evidence", "season", "sampling", "ring", "plan", "quantity", "lot", "harvest", "incident", "internal/spell"} {
		for _, i := range imports(t, pkg) {
			switch i {
			case "net/http", "os", "io", "time", "math/rand", "math/rand/v2", "database/sql":
				t.Errorf("%s imports %s", pkg, i)
			}
		}
		for _, d := range deps(t, pkg) {
			if d == "net/http" || strings.HasPrefix(d, "gorm.io/") || strings.Contains(d, "sqlite") || d == "zestythicket/store" || d == "zestythicket/guidefile" || strings.Contains(d, "yaml") {
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
			if strings.HasPrefix(i, "zestythicket/cli") && !strings.HasPrefix(f[0], "zestythicket/cmd") || i == "zestythicket/httpapi" && f[0] != "zestythicket/cli" {
				t.Errorf("%s imports %s: dependencies point inwards", f[0], i)
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
