package load_test

import (
	"testing"

	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

func TestShippedGuideLoads(t *testing.T) {
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatalf("the shipped guide does not load:\n%v", err)
	}
	if len(b.Taxa) < 24 {
		t.Errorf("%d taxa, want at least 24", len(b.Taxa))
	}
}
