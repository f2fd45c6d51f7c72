package load_test

import (
	"io/fs"
	"strings"
	"testing"

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
	}
	return v
}

// The published schemas accept everything that is shipped, and refuse what the
// loader refuses by form alone.
func TestSchemas(t *testing.T) {
	c := jsonschema.NewCompiler()
	taxon, err := c.Compile("../schema/taxon.schema.json")
	if err != nil {
		t.Fatal(err)
	}
	traits, err := c.Compile("../schema/traits.schema.json")
	if err != nil {
		t.Fatal(err)
	}
	n := 0
	check := func(s *jsonschema.Schema, text string) error {
		var v any
		if err := yaml.Unmarshal([]byte(text), &v); err != nil {
			return err
		}
		return s.Validate(plain(v))
	}
	_ = fs.WalkDir(data.FS, ".", func(p string, d fs.DirEntry, _ error) error {
		s := traits
		switch {
		case d.IsDir() || !strings.HasPrefix(p, "taxa/") && !strings.HasPrefix(p, "traits/"):
			return nil
		case strings.HasPrefix(p, "taxa/"):
			s = taxon
		}
		b, _ := fs.ReadFile(data.FS, p)
		n++
		if err := check(s, string(b)); err != nil {
			t.Errorf("%s: %v", p, err)
		}
		return nil
	})
	if n < 25 {
		t.Errorf("only %d files were checked", n)
	}
	b, _ := fs.ReadFile(data.FS, "taxa/plants/arum-maculatum.yaml")
	for _, bad := range [][2]string{{"grade: 2", "grade: 4"}, {"summary:", "sumary:"}, {"kingdom: plant", "kingdom: animal"}, {"stages: [shoot, leaf]", "stages: [shoots]"}, {"  plant-habit: {always: herb}", "  plant-habit: {alway: herb}"}} {
		if check(taxon, strings.Replace(string(b), bad[0], bad[1], 1)) == nil {
			t.Errorf("the schema accepts %s", bad[1])
		}
	}
}
