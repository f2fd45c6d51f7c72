package store_test

import (
	"path/filepath"
	"testing"

	"zestythicket/store"
)

func TestSearchGuide(t *testing.T) {
	s, err := store.Open(filepath.Join(t.TempDir(), "q.db"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Close() }()
	docs := []store.GuideDoc{
		{"moss-cap", "Moss cap Muscus pileus", "A small brown cap in deep moss.", "brown gills ring"},
		{"bank-cress", "Bank cress Nasturtiella", "Grows on banks beside moss.", "opposite leaves"},
		{"hut-elder", "Hüt elder", "Beside huts.", "opposite leaflets in one row"},
	}
	if err := s.IndexGuide("v1", func() []store.GuideDoc { return docs }); err != nil {
		t.Fatal(err)
	}
	for q, want := range map[string][]string{
		"moss":                      {"moss-cap", "bank-cress"}, // a name before prose
		"oppos":                     {"bank-cress", "hut-elder"},
		"opposite beside moss":      {"bank-cress"},
		"HUT":                       {"hut-elder"},
		`"; DROP TABLE finds; --`:   {},
		"gills OR (leaves NEAR":     {},
		"   ":                       {},
		"moss cap brown gills ring": {"moss-cap"},
	} {
		hits, err := s.SearchGuide(q, 10)
		if err != nil {
			t.Errorf("%q: %v", q, err)
		}
		got := map[string]bool{}
		for _, h := range hits {
			got[h.Taxon] = true
		}
		if len(hits) != len(want) || len(want) > 0 && !got[want[0]] {
			t.Errorf("%q found %v, want %v", q, hits, want)
		}
	}
	if hits, _ := s.SearchGuide("moss", 10); hits[0].Taxon != "moss-cap" {
		t.Errorf("the entry of that name does not come first: %v", hits)
	}
	// Another version replaces the text; the same one leaves it alone.
	if err := s.IndexGuide("v1", func() []store.GuideDoc { t.Error("the text of a version that is there was made again"); return nil }); err != nil {
		t.Fatal(err)
	}
	if hits, _ := s.SearchGuide("moss", 10); len(hits) != 2 {
		t.Errorf("the same version was indexed again: %v", hits)
	}
	if err := s.IndexGuide("v2", func() []store.GuideDoc { return docs[2:] }); err != nil {
		t.Fatal(err)
	}
	if hits, _ := s.SearchGuide("moss", 10); len(hits) != 0 {
		t.Errorf("the old text is still found: %v", hits)
	}
}
