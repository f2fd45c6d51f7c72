package kitchen

import (
	"zestythicket/lot"
	"zestythicket/report"
)

// usedUp: a find was bagged, and nothing is left of any of it.
func (k *State) UsedUp(find string) bool {
	if k.bagged == nil {
		k.bagged = map[string]bool{}
		for _, l := range k.Book.Lots() {
			if len(l.Parents) == 0 {
				left, was := k.bagged[l.Find]
				k.bagged[l.Find] = was && left || !k.gone(l.ID)
			}
		}
	}
	left, was := k.bagged[find]
	return was && !left
}

// named is a lot with the name of its kind: nettle, B3.
func (k *State) Named(l *lot.Lot) string {
	ix := k.Kitchen.Engine.Index()
	if at, ok := ix.TaxonAt(l.Taxon); ok {
		return report.Taxon(ix, at).Common + ", " + l.ID
	}
	return l.ID
}
