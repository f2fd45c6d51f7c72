package guidefile_test

import (
	"testing"

	"zestythicket/guide/data"
	"zestythicket/guidefile"
)

func TestShippedGuideLoads(t *testing.T) {
	b, err := guidefile.Load(data.FS)
	if err != nil {
		t.Fatalf("the shipped guide does not load:\n%v", err)
	}
	if len(b.Taxa) < 24 {
		t.Errorf("%d taxa, want at least 24", len(b.Taxa))
	}
}
