package load_test

import (
	"testing"
	"testing/fstest"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// Whatever stands in a file of one's own, the shipped guide loads: the file counts, or
// what is wrong with it is said with its place.
func FuzzOverlay(f *testing.F) {
	shipped, err := load.Load(data.FS)
	if err != nil {
		f.Fatal(err)
	}
	f.Add(heathPea)
	f.Add("id: castanea-sativa\ncommon: [Quillow chestnut]\nwindows:\n  - {stages: [fruit], months: 9-11}\n")
	f.Add("id: x\nhazards: [{grade: 9}]\ncells:\n  leaf-veins: {always: nothing}\n")
	f.Add("a: &a [*a]\n")
	f.Add("- 1\n- 2\n")
	f.Fuzz(func(t *testing.T, text string) {
		b, problems, err := load.LoadOverlay(data.FS, fstest.MapFS{"own.yaml": {Data: []byte(text)}}, "guide")
		if err != nil {
			t.Fatalf("the guide does not load: %v", err)
		}
		if len(b.Taxa) < len(shipped.Taxa) {
			t.Fatalf("%d entries of %d are left", len(b.Taxa), len(shipped.Taxa))
		}
		for _, p := range problems {
			if p.File == "" || p.What == "" {
				t.Fatalf("a problem without a place or words: %+v", p)
			}
		}
		if _, err := guide.Compile(b, guide.DefaultWeights()); err != nil {
			t.Fatalf("it can't be compiled: %v", err)
		}
	})
}
