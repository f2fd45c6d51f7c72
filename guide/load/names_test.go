package load_test

import (
	"testing"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// Names of both sides of the ocean lead to the entry, first or among the first, also
// with a word left out or in another order.
func TestNamesOfBothSidesOfTheOcean(t *testing.T) {
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	at := func(hits []guide.Hit, id string) int {
		for i, h := range hits {
			if b.Taxa[h.Taxon].ID == id {
				return i
			}
		}
		return -1
	}
	for q, id := range map[string]string{
		"wild onion": "allium-cernuum", "broadleaf dock": "rumex-obtusifolius", "buckbrush": "ceanothus-velutinus", "poison hemlock": "conium-maculatum",
		"goutweed": "aegopodium-podagraria", "lamb's quarters": "chenopodium-album", "reedmace": "typha-latifolia", "jimsonweed": "datura-stramonium", "shaggy mane": "coprinus-comatus",
		"deadly galerina": "galerina-marginata", "dock broadleaf": "rumex-obtusifolius", "king bolete": "boletus-edulis", "blaeberry": "vaccinium-myrtillus",
	} {
		if n := at(b.Search(q), id); n < 0 || n > 3 {
			t.Errorf("%q: %s stands at %d", q, id, n)
		}
	}
}
