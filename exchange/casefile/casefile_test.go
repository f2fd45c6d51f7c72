package casefile

import (
	"errors"
	"strings"
	"testing"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/internal/yamlpos"
)

func index(t testing.TB) *guide.Index {
	t.Helper()
	ix, err := load.LoadIndex(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	return ix
}

const good = `intent: eat
target: castanea-sativa
use: {part: seed, preparation: cooked}
specimens:
  - id: s1
    stage: [fruit]
    log:
      - {trait: husk-spines, seen: dense-needles}
      - {trait: leaf-length, measured: 7 in, error: 5 mm}
`

func TestRead(t *testing.T) {
	c, err := Read("a.yaml", []byte(good), index(t))
	if err != nil {
		t.Fatal(err)
	}
	a := c.Find.Log[2].Answer
	// 7 in × 2.54 cm (NIST SP 811, exact) = 17.78 cm.
	if d := a.Value - 17.78; d > 1e-9 || d < -1e-9 || a.Error != 0.5 {
		t.Errorf("7 in ± 5 mm was read as %g ± %g cm", a.Value, a.Error)
	}
	if len(c.Find.Log) != 3 || c.Find.Log[0].Stages != guide.NewStageSet(guide.FruitStage) {
		t.Errorf("log %+v", c.Find.Log)
	}
}

func TestBadCases(t *testing.T) {
	ix := index(t)
	for name, c := range map[string]struct{ old, new, want, hint string }{
		"trait":      {"trait: husk-spines", "trait: husk-spine", "a.yaml:8:17: unknown trait \"husk-spine\"", "husk-spines"},
		"state":      {"seen: dense-needles", "seen: dense-needle", "a.yaml:8:36: unknown state", "dense-needles"},
		"taxon":      {"castanea-sativa", "castanea-savita", "a.yaml:2:9: unknown taxon", "castanea-sativa"},
		"stage":      {"[fruit]", "[fruits]", "a.yaml:6:13: unknown stage", "fruit"},
		"unit":       {"7 in", "7 kg", "a.yaml:9:40: a unit of cm is wanted here", "for example 12 cm"},
		"impossible": {"7 in", "700 in", "impossible for leaf-length", "measure again"},
		"number":     {"7 in", "seven in", "is not a number", ""},
		"intent":     {"intent: eat", "intent: et", "a.yaml:1:9: unknown intent", "eat"},
		"field":      {"target:", "tarrget:", "a.yaml:2:1: unknown field", "target"},
		"kind":       {"seen: dense-needles", "measured: 3", "husk-spines is not measured", "seen"},
		"states":     {"measured: 7 in, error: 5 mm", "seen: long", "leaf-length is measured", "measured"},
		"absent":     {"seen: dense-needles", "absent: true", "husk-spines can't be absent", ""},
		"nothing":    {", seen: dense-needles", "", "nothing is said of husk-spines", "add seen"},
		"YAML":       {"log:", "log: [", "not readable as YAML", ""},
	} {
		text := strings.Replace(good, c.old, c.new, 1)
		if text == good {
			t.Fatalf("%s: nothing was changed", name)
		}
		_, err := Read("a.yaml", []byte(text), ix)
		if !errors.Is(err, yamlpos.ErrContent) || !strings.Contains(err.Error(), c.want) || !strings.Contains(err.Error(), c.hint) {
			t.Errorf("%s: %v, want %q and %q", name, err, c.want, c.hint)
		}
	}
}

// Whatever a file holds, reading it ends with a case or with problems.
func FuzzRead(f *testing.F) {
	ix := index(f)
	f.Add(good)
	f.Add("intent: eat\nspecimens: [{id: a, log: [{trait: ring, absent: true}, {undo: 9}]}]\nexpect: {depths: {x: y}}\n")
	f.Fuzz(func(t *testing.T, text string) {
		c, err := Read("a.yaml", []byte(text), ix)
		if (c == nil) == (err == nil) {
			t.Fatalf("case %v, error %v", c, err)
		}
	})
}
