package load_test

import (
	"errors"
	"io/fs"
	"strings"
	"testing"
	"testing/fstest"

	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/internal/yamlpos"
)

// shipped copies the guide into memory, with one file changed.
func shipped(t *testing.T, file string, change func(string) string) fstest.MapFS {
	t.Helper()
	out := fstest.MapFS{}
	err := fs.WalkDir(data.FS, ".", func(p string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() {
			return err
		}
		b, err := fs.ReadFile(data.FS, p)
		if p == file {
			was := string(b)
			b = []byte(change(was))
			if string(b) == was {
				t.Fatalf("the change to %s changed nothing", p)
			}
		}
		out[p] = &fstest.MapFile{Data: b}
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// Every kind of mistake is named with file, line, column and what to do.
func TestProblems(t *testing.T) {
	const taxon = "taxa/plants/allium-ursinum.yaml"
	replace := func(old, new string) func(string) string {
		return func(s string) string { return strings.Replace(s, old, new, 1) }
	}
	for name, c := range map[string]struct {
		file   string
		change func(string) string
		want   string // file:line:col: and part of the message
		hint   string
	}{
		"unknown trait":        {taxon, replace("  leaf-veins: {", "  leaf-viens: {"), taxon + ":57:3: unknown trait \"leaf-viens\"", "leaf-veins"},
		"unknown state":        {taxon, replace("leaf-veins: {always: parallel}", "leaf-veins: {always: paralel}"), taxon + ":57:24: unknown state of leaf-veins \"paralel\"", "parallel"},
		"unknown stage":        {taxon, replace("stages: [leaf], months: 3-5", "stages: [leav], months: 3-5"), "unknown stage \"leav\"", "leaf"},
		"unknown taxon":        {taxon, replace("taxon: convallaria-majalis", "taxon: convallaria-majals"), "unknown taxon \"convallaria-majals\"", "convallaria-majalis"},
		"unknown field":        {taxon, replace("summary:", "sumary:"), "unknown field \"sumary\"", "summary"},
		"unknown source":       {taxon, replace("sources: [stace", "sources: [stacy"), "unknown source \"stacy\"", "stace"},
		"unknown part":         {"traits/plant-leaf.yaml", replace("part: leaf", "part: laef"), "unknown part \"laef\"", "leaf"},
		"wrong unit":           {taxon, replace("unit: cm", "unit: in"), "leaf-length is measured in cm, not in \"in\"", "write it in cm"},
		"range out of order":   {taxon, replace("typical: [12, 25]", "typical: [25, 12]"), "not in order", "extreme low"},
		"impossible range":     {taxon, replace("extreme: [6, 35]", "extreme: [6, 3500]"), "lies outside", ""},
		"state twice":          {taxon, replace("usually: lance, sometimes: oval", "usually: lance, sometimes: lance"), "stands under two frequencies", ""},
		"stage twice":          {taxon, replace("- {stages: [flower, fruit], usually: flower-stalk", "- {stages: [leaf, flower, fruit], usually: flower-stalk"), "described twice for leaf", ""},
		"decisive, no source":  {"taxa/plants/convallaria-majalis.yaml", replace("decisive: [own-stalk], source: stace", "decisive: [own-stalk]"), "needs its source", "add source"},
		"decisive, no never":   {"taxa/plants/convallaria-majalis.yaml", replace("decisive: [own-stalk]", "decisive: [shared-sheath]"), "a decisive state must be a never", ""},
		"decisive smell":       {"taxa/plants/convallaria-majalis.yaml", replace("smell-crushed: {usually: green, never: garlic}", "smell-crushed: {usually: green, never: garlic, decisive: true, source: stace}"), "only structural traits and timed reactions", ""},
		"baseline missing":     {taxon, replace("  root-form: {usually", "  offsets: {usually"), "does not answer the baseline trait \"root-form\"", "unknown: why"},
		"grade out of range":   {"taxa/plants/arum-maculatum.yaml", replace("grade: 2", "grade: 4"), "a hazard grade lies between 0 and 3", "3 deadly"},
		"use against hazard":   {taxon, replace("grade: 0", "grade: 2"), "grade this use as poisonous", "in doubt, the higher"},
		"key in two parts":     {"taxa/plants/castanea-sativa.yaml", replace("traits: [plant-habit, leaf-division, leaf-margin, husk-spines, nut-tip, nuts-in-husk]", "traits: [leaf-division, leaf-margin, husk-spines]"), "lie in 2 part(s), three are needed", ""},
		"part never there":     {taxon, replace("leaflet-number: inapplicable", "leaflet-number: {typical: [3, 5], extreme: [3, 7], unit: count}"), "says that the part is never there", "inapplicable"},
		"broken YAML":          {taxon, replace("summary: A spring", "summary: 'A spring"), "not readable as YAML", "indentation"},
		"empty file":           {taxon, func(string) string { return "" }, "the file is empty", ""},
		"said twice":           {taxon, replace("rank: species\n", "rank: species\nrank: genus\n"), "\"rank\" stands twice", ""},
		"trait declared twice": {"traits/fungus.yaml", replace("id: growth-habit", "id: fungus-form"), "already declared at traits/fungus.yaml:1", ""},
		"month out of range":   {taxon, replace("months: 3-5", "months: 3-15"), "a span of months", "over New Year"},
		"second, trait":        {"kitchen.yaml", replace("traits: [spore-print]", "traits: [spor-print]"), "kitchen.yaml:27:123: unknown trait \"spor-print\"", ""},
		"share of nothing":     {"kitchen.yaml", replace("part: leaf, take: 0.25", "part: leaf, take: 0"), "is no share", "a share of one"},
		"share twice":          {"kitchen.yaml", replace("part: flower, take", "part: leaf, take"), "\"leaf\" stands twice", ""},
		"step of nothing":      {"kitchen.yaml", replace("kingdom: fungus, minutes: 20", "minutes: 20"), "this step belongs to nothing", "name taxa or a kingdom"},
		"step of nobody":       {"kitchen.yaml", replace("taxa: [armillaria-mellea]", "taxa: [armilaria-mellea]"), "unknown taxon \"armilaria-mellea\"", "armillaria-mellea"},
		"step, no minutes":     {"kitchen.yaml", replace("parts: [cap], minutes: 15,", "parts: [cap],"), "minutes", ""},
		"band, key twice":      {"kitchen.yaml", replace("key: t, label", "key: g, label"), "the key \"g\" is taken by good", ""},
		"band, what":           {"kitchen.yaml", replace("what: trim", "what: keeep"), "unknown what \"keeep\"", "keep"},
		"aid, route":           {"kitchen.yaml", replace("routes: [eye], do: \"Rinse", "routes: [eyes], do: \"Rinse"), "unknown route \"eyes\"", "eye"},
		"window turned round":  {"syndromes.yaml", replace("hours: [4, 40]", "hours: [40, 4]"), "the first below the second", "[6, 24]"},
		"stage check":          {"stages.yaml", replace("state: open", "state: opened"), "unknown state of flowers-open", "open"},
	} {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			_, err := load.Load(shipped(t, c.file, c.change))
			if !errors.Is(err, yamlpos.ErrContent) {
				t.Fatalf("the guide loads: %v", err)
			}
			if got := err.Error(); !strings.Contains(got, c.want) || !strings.Contains(got, c.hint) || !strings.Contains(got, c.file+":") {
				t.Errorf("%s\nwant %q and %q", got, c.want, c.hint)
			}
		})
	}
}

// All problems are told at once, and the version follows the content.
func TestManyProblemsAndVersion(t *testing.T) {
	_, err := load.Load(shipped(t, "taxa/plants/allium-ursinum.yaml", func(s string) string {
		return strings.NewReplacer("leaf-veins: {", "leaf-viens: {", "always: entire", "always: entier").Replace(s)
	}))
	var ps yamlpos.Problems
	if !errors.As(err, &ps) || len(ps) < 2 {
		t.Errorf("want at least two problems, got %v", err)
	}
	a, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	b, err := load.Load(shipped(t, "taxa/plants/allium-ursinum.yaml", func(s string) string { return s + "# a note\n" }))
	if err != nil {
		t.Fatal(err)
	}
	if a.Version == b.Version || len(a.Version) != 16 {
		t.Errorf("versions %q and %q", a.Version, b.Version)
	}
}

// Names are found by any of their forms, typing mistakes forgiven.
func TestSearch(t *testing.T) {
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	for q, want := range map[string]string{
		"ramsons": "allium-ursinum", "wild garlic": "allium-ursinum", "bears garlic": "allium-ursinum", "Allium ursinum": "allium-ursinum", "alium ursinun": "allium-ursinum",
		"lilly of the valey": "convallaria-majalis", "entoloma lividum": "entoloma-sinuatum", "girole": "cantharellus-cibarius", "deth cap": "amanita-phalloides",
		"cortinarius speciosissimus": "cortinarius-rubellus", "conkers tree": "aesculus-hippocastanum", "ELDER": "sambucus-nigra", "jack o lantern": "omphalotus-olearius",
	} {
		hits := b.Search(q)
		if len(hits) == 0 || b.Taxa[hits[0].Taxon].ID != want {
			t.Errorf("%q found %v, want %s first", q, hits, want)
		}
	}
	if hits := b.Search("zzzzqqq"); len(hits) != 0 {
		t.Errorf("nonsense found %v", hits)
	}
	if hits := b.Search(""); len(hits) != len(b.Taxa) {
		t.Errorf("an empty query found %d of %d", len(hits), len(b.Taxa))
	}
}
