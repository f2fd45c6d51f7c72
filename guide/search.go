package guide

import (
	"sort"
	"strings"

	"zestythicket/internal/spell"
)

// Hit is an entry found by one of its names.
type Hit struct {
	Taxon int32
	Name  Name // the name that was met
	// Off is how far the words typed are from the name: 0 for the whole name,
	// then a name that begins with them, words inside it, typing mistakes.
	Off int
}

// Search finds entries by common, scientific or old name. Marks and case do not
// matter, and typing mistakes are forgiven: one in a short word, more in a long
// one. An empty query finds every entry by its common name.
func (b *Guide) Search(query string) []Hit {
	q := spell.Fold(query)
	var out []Hit
	for i := range b.Taxa {
		best := Hit{Taxon: int32(i), Off: -1}
		for _, n := range b.Taxa[i].Names {
			if off := offBy(q, spell.Fold(n.Text)); off >= 0 && (best.Off < 0 || off < best.Off) {
				best.Off, best.Name = off, n
			}
		}
		if best.Off >= 0 {
			out = append(out, best)
		}
	}
	sort.SliceStable(out, func(i, j int) bool {
		if out[i].Off != out[j].Off {
			return out[i].Off < out[j].Off
		}
		return b.Taxa[out[i].Taxon].Common < b.Taxa[out[j].Taxon].Common
	})
	return out
}

// everyWord: every word typed begins a word of the name, in any order.
func everyWord(q, name string) bool {
	for _, w := range strings.Fields(q) {
		if !strings.Contains(" "+name, " "+w) {
			return false
		}
	}
	return true
}

// offBy compares a folded query with a folded name; -1 is no match.
func offBy(q, name string) int {
	switch {
	case name == q && q != "":
		return 0
	case strings.HasPrefix(name, q):
		return 1
	case strings.Contains(" "+name, " "+q):
		return 2
	}
	if len(q) < 3 {
		return -1
	}
	if strings.Contains(name, q) || everyWord(q, name) {
		return 3
	}
	allowed := 1 + len(q)/5
	best := spell.Distance(q, name)
	// A mistake in the beginning of a name, or in one word of it.
	if len(name) > len(q) {
		best = min(best, spell.Distance(q, name[:len(q)]))
	}
	if !strings.Contains(q, " ") {
		for _, w := range strings.Fields(name) {
			best = min(best, spell.Distance(q, w))
			if len(w) > len(q) {
				best = min(best, spell.Distance(q, w[:len(q)]))
			}
		}
	}
	if best > allowed {
		return -1
	}
	return 3 + best
}
