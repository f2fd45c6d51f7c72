package load_test

import (
	"io/fs"
	"strings"
	"testing"
	"time"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"go.yaml.in/yaml/v3"

	"zestythicket/guide/data"
)

// plain turns YAML values into what a JSON Schema expects.
func plain(v any) any {
	switch x := v.(type) {
	case map[string]any:
		for k := range x {
			x[k] = plain(x[k])
		}
	case []any:
		for i := range x {
			x[i] = plain(x[i])
		}
	case int:
		return float64(x)
	case time.Time:
		return x.Format(time.DateOnly)
	}
	return v
}

// The published schemas accept everything that is shipped, and refuse what the
// loader refuses by form alone.
func TestSchemas(t *testing.T) {
	c := jsonschema.NewCompiler()
	compiled := map[string]*jsonschema.Schema{}
	for _, name := range []string{"taxon", "traits", "facts", "confusions", "mishaps", "form", "readers"} {
		s, err := c.Compile("../schema/" + name + ".schema.json")
		if err != nil {
			t.Fatal(err)
		}
		compiled[name] = s
	}
	taxon := compiled["taxon"]
	n := 0
	check := func(s *jsonschema.Schema, text string) error {
		var v any
		if err := yaml.Unmarshal([]byte(text), &v); err != nil {
			return err
		}
		return s.Validate(plain(v))
	}
	_ = fs.WalkDir(data.FS, ".", func(p string, d fs.DirEntry, _ error) error {
		of := map[string]string{"taxa": "taxon", "traits": "traits", "forms": "form"}[strings.Split(p, "/")[0]]
		switch p {
		case "weights/facts.yaml", "weights/confusions.yaml", "weights/mishaps.yaml", "readings/readers.yaml":
			of = strings.TrimSuffix(p[strings.LastIndex(p, "/")+1:], ".yaml")
		}
		s := compiled[of]
		if d.IsDir() || s == nil {
			return nil
		}
		b, _ := fs.ReadFile(data.FS, p)
		n++
		if err := check(s, string(b)); err != nil {
			t.Errorf("%s: %v", p, err)
		}
		return nil
	})
	if n < 300 {
		t.Errorf("only %d files were checked", n)
	}
	b, _ := fs.ReadFile(data.FS, "taxa/plants/arum-maculatum.yaml")
	for _, bad := range [][2]string{{"grade: 2", "grade: 4"}, {"summary:", "sumary:"}, {"kingdom: plant", "kingdom: animal"}, {"stages: [shoot, leaf]", "stages: [shoots]"}, {"  plant-habit: {always: herb}", "  plant-habit: {alway: herb}"}} {
		if check(taxon, strings.Replace(string(b), bad[0], bad[1], 1)) == nil {
			t.Errorf("the schema accepts %s", bad[1])
		}
	}
	for _, bad := range [][3]string{
		{"facts", "weights/facts.yaml", "means: ->meens: "},
		{"confusions", "weights/confusions.yaml", "rate: 25->rate: 250"},
		{"mishaps", "weights/mishaps.yaml", "ties: always->ties: often"},
		{"form", "forms/atropa-belladonna.yaml", "stages: [seedling->stages: [sprout"},
		{"readers", "readings/readers.yaml", "blind: true->blind: maybe"},
	} {
		b, err := fs.ReadFile(data.FS, bad[1])
		if err != nil {
			t.Fatal(err)
		}
		was, now, _ := strings.Cut(bad[2], "->")
		if changed := strings.Replace(string(b), was, now, 1); changed == string(b) || check(compiled[bad[0]], changed) == nil {
			t.Errorf("the schema of %s accepts %s", bad[0], now)
		}
	}
}
