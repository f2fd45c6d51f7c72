package load_test

import (
	"errors"
	"io/fs"
	"os"
	"strings"
	"testing"
	"testing/fstest"

	"zestythicket/guide/load"
	"zestythicket/internal/yamlpos"
)

// Every kind of mistake in what weighs an answer is named with file, line and column.
func TestProblemsOfWeights(t *testing.T) {
	const facts, confusions, mishaps = "weights/facts.yaml", "weights/confusions.yaml", "weights/mishaps.yaml"
	const forms, readers, table = "forms/atropa-belladonna.yaml", "readings/readers.yaml", "readings/third-plants.csv"
	replace := func(old, now string) func(string) string {
		return func(s string) string { return strings.Replace(s, old, now, 1) }
	}
	add := func(line string) func(string) string { return func(s string) string { return s + line + "\n" } }
	for name, c := range map[string]struct {
		file   string
		change func(string) string
		want   string
	}{
		"a fact of an unknown trait":     {facts, replace("fungus-form/cap-stem", "fungus-from/cap-stem"), `unknown trait "fungus-from"`},
		"a fact of an unknown state":     {facts, replace("fungus-form/cap-stem", "fungus-form/cap-stme"), `fungus-form has no state "cap-stme"`},
		"a state in two facts":           {facts, replace("states: [fungus-form/head, ", "states: [fungus-form/cap-stem, "), "stands in the fact carriage already"},
		"circumstance in a fact":         {facts, replace("states: [fungus-form/cap-stem, ", "states: [substrate/*, "), "is a circumstance and weighs nothing"},
		"a fact without states":          {facts, replace("    states: [fungus-form/cap-stem, fungus-form/bracket, cap-shape/shell, stem-place/*, growth-habit/shelves]\n", ""), "states"},
		"a rate of nothing":              {confusions, replace("rate: 10", "rate: 0"), "is no rate"},
		"a state misnamed too often":     {confusions, replace("{pair: [whole, torn], rate: 10", "{pair: [whole, torn], rate: 60"), "is taken for others in"},
		"a pair of one":                  {confusions, replace("pair: [whole, torn]", "pair: [whole]"), "two states are wanted here"},
		"a pair twice":                   {confusions, replace("pair: [whole, snapped]", "pair: [torn, whole]"), "stands here already"},
		"a pair with itself":             {confusions, replace("pair: [whole, snapped]", "pair: [whole, whole]"), "or is none"},
		"a mishap with an unknown tie":   {mishaps, replace("ties: always", "ties: often"), `unknown tie "often"`},
		"a tie without its guard":        {mishaps, replace("    guard: [condition/intact]\n", ""), "has no guard"},
		"a mishap that misreads nothing": {mishaps, replace("{reads: volva/none, for", "{raeds: volva/none, for"), `unknown field "raeds"`},
		"something spared that is not":   {mishaps, replace("spares: growing", "spares: picked"), `"picked"`},
		"a form at a stage it has not":   {forms, replace("stages: [seedling, shoot, leaf]", "stages: [egg]"), "has no such stage"},
		"a form of an unknown trait":     {forms, replace("    growth-form: {sometimes: [upright, tuft, rosette]", "    growth-from: {sometimes: [upright, tuft, rosette]"), `unknown trait "growth-from"`},
		"a form twice":                   {forms, replace("- id: spear", "- id: juvenile"), "juvenile"},
		"a reader without a table":       {readers, replace("file: [second-blind.csv]", "file: [second-blnd.csv]"), "the table can't be read"},
		"a reader twice":                 {readers, replace("- id: second-open", "- id: second-blind"), "second-blind"},
		"a line of an unknown entry":     {table, add("aconitum-napelus,leaf-veins,all,net,,,,"), `unknown entry "aconitum-napelus"`},
		"a line of an unknown trait":     {table, add("aconitum-napellus,leaf-vein,all,net,,,,"), `unknown trait "leaf-vein"`},
		"a line of an unknown stage":     {table, add("aconitum-napellus,leaf-veins,leav,net,,,,"), `unknown stage "leav"`},
		"a line of an unknown state":     {table, add("aconitum-napellus,leaf-veins,all,nett,,,,"), `leaf-veins: "nett"`},
		"a state in two lists":           {table, add("aconitum-napellus,leaf-veins,all,net,,net,,"), `leaf-veins: "net"`},
		"a measure that is none":         {table, add("aconitum-napellus,leaf-length,all,5..3,,,,"), `leaf-length: "5..3"`},
		"a line with too many fields":    {table, add("aconitum-napellus,leaf-veins,all,net,,,,,"), "wrong number of fields"},
		"a table with other columns":     {table, replace("taxon,trait,", "entry,trait,"), "the first line names other columns"},
		"a quotation that is not closed": {table, add(`aconitum-napellus,leaf-veins,all,net,,,,"open`), "quote"},
	} {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			_, err := load.Load(shipped(t, c.file, c.change))
			var problems yamlpos.Problems
			if !errors.As(err, &problems) {
				t.Fatal(err)
			}
			for _, p := range problems {
				if p.File == c.file && p.Line > 0 && p.Col > 0 && strings.Contains(p.Error(), c.want) {
					return
				}
			}
			t.Errorf("want %q of %s with its place, have %v", c.want, c.file, problems)
		})
	}
	files := shipped(t, forms, add("# more"))
	files["forms/atropa-beladonna.yaml"] = &fstest.MapFile{Data: []byte("- {id: pale, stages: [leaf], when: Always., cells: {}}\n")}
	if _, err := load.Load(files); err == nil || !strings.Contains(err.Error(), "atropa-belladonna") {
		t.Errorf("forms of an unknown entry: %v", err)
	}
}

// FuzzReadings: whatever stands in a reader's table, it is read or named with its place,
// and the same table is read the same way twice.
func FuzzReadings(f *testing.F) {
	for _, s := range []string{"", "allium-ursinum,leaf-veins,all,net,,,,", "allium-ursinum,leaf-veins,leaf,parallel,arched+,net,,", "x,y\n\"", "allium-ursinum,leaf-veins,leaf flower,net+,net,,,\n"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, lines string) {
		files := small(t)
		files["readings/readers.yaml"] = &fstest.MapFile{Data: []byte("- {id: one, file: [one.csv], date: 2026-01-01, what: Some.}\n")}
		files["readings/one.csv"] = &fstest.MapFile{Data: []byte("taxon,trait,stages,usual,possible,never,unsure,note\n" + lines)}
		a, err := load.Load(files)
		b, again := load.Load(files)
		if (err == nil) != (again == nil) || err != nil && err.Error() != again.Error() {
			t.Fatalf("%v, then %v", err, again)
		}
		var problems yamlpos.Problems
		if errors.As(err, &problems) {
			for _, p := range problems {
				if p.File == "readings/one.csv" && p.Line < 1 {
					t.Fatalf("no line: %v", p)
				}
			}
			return
		}
		if err != nil || len(a.Taxa) != len(b.Taxa) {
			t.Fatal(err)
		}
	})
}

// small is the pinned guide of the worked cases, which loads quickly.
func small(t *testing.T) fstest.MapFS {
	t.Helper()
	out, from := fstest.MapFS{}, os.DirFS("../../evidence/testdata/fixture")
	err := fs.WalkDir(from, ".", func(p string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() {
			return err
		}
		b, err := fs.ReadFile(from, p)
		out[p] = &fstest.MapFile{Data: b}
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	return out
}
