package evidence

import (
	"cmp"
	"slices"

	"zestythicket/guide"
)

// Shown is what an entry shows of one trait.
type Shown struct {
	Trait  int32
	States uint32 // shown usually or always; failing that, sometimes
}

// Likeness is one entry held beside the specimen as a whole.
type Likeness struct {
	Taxon int32
	Share float64
	Usual []Shown
	// Differs, Alike and Silent are sound readings that contradict the entry,
	// that it usually shows, and of which neither can be said.
	Differs, Alike, Silent []int32
	// Unlooked are traits nobody looked at that would tell it from most of the
	// others held beside, the best first.
	Unlooked []int32
}

const (
	likenessMost = 9 // entries held beside
	unlookedMost = 4
)

// Likenesses holds the specimen as a whole beside the entries that stand
// highest, the target, and the dangerous entries that are open and named as its
// lookalikes: those are shown however unlikely they are. A whole look is a hunch.
// It is drawn from what entries usually show and decides nothing.
func (e *Engine) Likenesses(f *Find, specimen string) []Likeness {
	t := e.trial(f, specimen)
	var taxa []int32
	take := func(taxon int32) {
		if taxon >= 0 && len(taxa) < likenessMost && !slices.Contains(taxa, taxon) {
			taxa = append(taxa, taxon)
		}
	}
	take(t.target)
	if t.target >= 0 {
		for _, l := range t.taxon(t.target).Lookalikes {
			if at, ok := e.ix.TaxonAt(l.Taxon); ok && slices.Contains(t.open, at) && len(taxa) < likenessMost/2 {
				take(at)
			}
		}
	}
	rank := make([]int32, 0, len(t.in))
	for i := range t.in {
		if t.in[i] && len(e.ix.Descendants(int32(i))) == 0 {
			rank = append(rank, int32(i))
		}
	}
	slices.SortStableFunc(rank, func(a, b int32) int { return cmp.Compare(t.st.share[b], t.st.share[a]) })
	for _, taxon := range rank {
		take(taxon)
	}
	in := make([]bool, len(t.in))
	for _, taxon := range taxa {
		in[taxon] = true
	}
	sheet := e.contradictions(t.rs, t.sc.eff, in)
	var out []Likeness
	for _, taxon := range taxa {
		out = append(out, t.likeness(taxon, sheet, taxa))
	}
	return out
}

func (t *assessment) likeness(taxon int32, sheet *sheet, taxa []int32) Likeness {
	l := Likeness{Taxon: taxon, Share: t.st.share[taxon]}
	against := map[int32]bool{}
	for i := sheet.head[taxon]; i >= 0; i = sheet.edges[i].next {
		against[sheet.edges[i].reading] = true
	}
	for i := range t.rs {
		r := &t.rs[i]
		if r.By >= 0 || !telling(r, t.trait(r.Trait)) || t.trait(r.Trait).Prepares != "" {
			continue
		}
		shown := t.shows(taxon, r.Trait)
		switch {
		case against[int32(i)]:
			l.Differs = append(l.Differs, int32(i))
		case r.Mask != 0 && r.Mask&^shown == 0:
			l.Alike = append(l.Alike, int32(i))
		default:
			l.Silent = append(l.Silent, int32(i))
		}
	}
	type useful struct {
		trait int32
		tells int
	}
	var best []useful
	for _, ref := range t.e.ix.Rows[taxon] {
		shown := t.shows(taxon, ref.Col)
		if shown == 0 {
			continue
		}
		l.Usual = append(l.Usual, Shown{ref.Col, shown})
		tr := t.trait(ref.Col)
		if t.byTrait[ref.Col] >= 0 || tr.Class != guide.Structural || !t.available(ref.Col) {
			continue
		}
		n := 0
		for _, other := range taxa {
			col := &t.e.ix.Columns[ref.Col]
			if row, ok := rowOf(col, other); ok && other != taxon {
				if never := masks(col, row, t.e.stagesFor(other, t.sc.eff, tr)); shown&never == shown {
					n++
				}
			}
		}
		if n > 0 {
			best = append(best, useful{ref.Col, n})
		}
	}
	slices.SortStableFunc(best, func(a, b useful) int { return cmp.Compare(b.tells, a.tells) })
	for _, u := range best[:min(len(best), unlookedMost)] {
		l.Unlooked = append(l.Unlooked, u.trait)
	}
	return l
}

// shows is what an entry usually shows at the stages of the specimen, or
// sometimes if it shows nothing usually.
func (t *assessment) shows(taxon, trait int32) uint32 {
	col := &t.e.ix.Columns[trait]
	row, ok := rowOf(col, taxon)
	if !ok || t.trait(trait).Kind == guide.Measure {
		return 0
	}
	stages := t.e.stagesFor(taxon, t.sc.stages, t.trait(trait))
	if m := shownMask(col, row, stages, guide.Usually); m != 0 {
		return m
	}
	return shownMask(col, row, stages, guide.Sometimes)
}
