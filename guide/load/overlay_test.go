package load_test

import (
	"strings"
	"testing"
	"testing/fstest"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// heathPea is an entry of a user's own, for the invented Quillow valley. It
// leans on a shipped profile and names another entry of the overlay.
const heathPea = `id: quillow-heath-cress
kingdom: plant
rank: species
scientific: Barbarea quillowensis
common: [Quillow heath cress]
family: Brassicaceae
summary: "A yellow-flowered cress of the upper valley, known to nobody else."
profiles: [brassicaceae, herb]
hazards:
  - {grade: 1, why: Bitter, source: memory}
regions: [EU]
stages: [leaf, flower, fruit]
lookalikes:
  - {taxon: jacobaea-vulgaris, why: Yellow on the same bank.}
cells:
  plant-habit: {always: herb}
  stem-section: {always: ridged}
  stem-inside: {always: solid}
  leaf-stalk: {usually: present}
  leaf-division: {usually: lobed}
  leaf-margin: {usually: toothed}
  leaf-hairs: {always: none}
  flower-colour: {always: yellow}
  root-form: {usually: taproot}
sources: [memory]
confidence: poor
`

func overlay(t *testing.T, files map[string]string) (*guide.Guide, string) {
	t.Helper()
	fsys := fstest.MapFS{}
	for name, text := range files {
		fsys[name] = &fstest.MapFile{Data: []byte(text)}
	}
	b, problems, err := load.LoadOverlay(data.FS, fsys, "data/guide")
	if err != nil {
		t.Fatal(err)
	}
	return b, problems.Error()
}

func entry(b *guide.Guide, id string) *guide.Taxon {
	for i := range b.Taxa {
		if b.Taxa[i].ID == id {
			return &b.Taxa[i]
		}
	}
	return nil
}

func TestOverlayAddsAndCorrects(t *testing.T) {
	shipped, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	b, problems := overlay(t, map[string]string{
		"heath-cress.yaml": heathPea,
		"elder.yaml":       "id: sambucus-nigra\ncommon: [Quillow elder]\nwindows:\n  - {stages: [flower], months: 7}\ncells:\n  fruit-width: {typical: [4, 6], extreme: [3, 8], unit: mm}\n",
	})
	if problems != "" {
		t.Fatalf("problems:\n%s", problems)
	}
	if len(b.Taxa) != len(shipped.Taxa)+1 || b.Version == shipped.Version {
		t.Errorf("%d entries at version %s; shipped %d at %s", len(b.Taxa), b.Version, len(shipped.Taxa), shipped.Version)
	}
	own, elder := entry(b, "quillow-heath-cress"), entry(b, "sambucus-nigra")
	if own == nil || own.Origin != "yours" {
		t.Fatalf("own entry %+v", own)
	}
	if elder.Origin != "corrected" || elder.Windows[0].Months != 1<<6 || len(elder.Uses) == 0 {
		t.Errorf("elder: origin %q, windows %v, %d uses", elder.Origin, elder.Windows, len(elder.Uses))
	}
	found := false
	for _, c := range elder.Cells {
		if c.Trait == "fruit-width" {
			found = c.From == "yours" && c.Variants[0].Range[3] == 8
		}
	}
	if !found {
		t.Error("the corrected cell is not told from the shipped ones")
	}
	if hits := b.Search("quillow elder"); len(hits) == 0 || b.Taxa[hits[0].Taxon].ID != "sambucus-nigra" {
		t.Errorf("its new name is not found: %v", hits)
	}
	if _, err := guide.Compile(b, guide.DefaultWeights()); err != nil {
		t.Errorf("the guide with its overlay does not compile: %v", err)
	}
}

// What is wrong is told with file, line and column; the rest still loads.
func TestOverlayRefuses(t *testing.T) {
	for name, c := range map[string]struct{ text, want string }{
		"lower hazard":       {"id: amanita-phalloides\nhazards:\n  - {grade: 0, preparation: cooked, why: Cooked long, source: memory}\n", "data/guide/x.yaml:3:5: this line would grade Death cap lower than the shipped guide does (deadly)"},
		"lower contact":      {"id: toxicodendron-radicans\nhazards:\n  - {grade: 1, contact: true, why: Mild, source: memory}\n", "x.yaml:3:5: this line would grade Poison ivy lower"},
		"redefined trait":    {"- id: ring\n  name: Ring\n", "x.yaml:1:3: the trait \"ring\" is shipped (traits/fungus.yaml:"},
		"unknown state":      {"id: sambucus-nigra\ncells:\n  leaf-margin: {always: tothed}\n", "x.yaml:3:25: unknown state of leaf-margin \"tothed\""},
		"field of its uses":  {"id: sambucus-nigra\nuses: []\n", "x.yaml:2:1: unknown field \"uses\""},
		"against the schema": {strings.Replace(heathPea, "rank: species", "rank: kind", 1), "unknown rank \"kind\""},
		"baseline missing":   {strings.Replace(heathPea, "  leaf-margin: {usually: toothed}\n", "", 1), "does not answer the baseline trait \"leaf-margin\""},
		"unknown lookalike":  {strings.Replace(heathPea, "jacobaea-vulgaris", "jacobea", 1), "unknown taxon \"jacobea\""},
		"broken":             {"id: [\n", "not readable as YAML"},
		"empty":              {"", "the file is empty"},
	} {
		b, problems := overlay(t, map[string]string{"x.yaml": c.text, "good.yaml": strings.NewReplacer("quillow-heath-cress", "quillow-bog-cress").Replace(heathPea)})
		if !strings.Contains(problems, c.want) {
			t.Errorf("%s:\n%s\nwant %q", name, problems, c.want)
		}
		if entry(b, "quillow-bog-cress") == nil {
			t.Errorf("%s: the good file was left out as well", name)
		}
		if entry(b, "quillow-heath-cress") != nil || entry(b, "sambucus-nigra").Origin != "" || entry(b, "amanita-phalloides").WorstHazard() != guide.Deadly {
			t.Errorf("%s: part of the refused file was taken over", name)
		}
	}
}

// Entries of an overlay may name each other, in whatever order the files come;
// one that falls takes those that lean on it along, and no other.
func TestOverlayEntriesNameEachOther(t *testing.T) {
	a := strings.NewReplacer("quillow-heath-cress", "a-cress", "jacobaea-vulgaris", "z-cress").Replace(heathPea)
	z := strings.NewReplacer("quillow-heath-cress", "z-cress").Replace(heathPea)
	b, problems := overlay(t, map[string]string{"a.yaml": a, "z.yaml": z})
	if problems != "" || entry(b, "a-cress") == nil || entry(b, "z-cress") == nil {
		t.Fatalf("problems %q", problems)
	}
	b, problems = overlay(t, map[string]string{"a.yaml": a, "z.yaml": strings.Replace(z, "leaf-hairs: {always: none}", "leaf-hairs: {always: nome}", 1)})
	if entry(b, "a-cress") != nil || entry(b, "z-cress") != nil || !strings.Contains(problems, "unknown taxon \"z-cress\"") {
		t.Errorf("problems %q", problems)
	}
	if b, problems = overlay(t, nil); problems != "" || entry(b, "sambucus-nigra") == nil {
		t.Errorf("no overlay at all: %q", problems)
	}
}
