package guide

import (
	"cmp"
	"slices"
)

// Agreement is how many read a cell of an entry, the entry itself among them, and how
// many of these say that it shows a state which the entry says it usually shows. A
// measure agrees where what is typical overlaps.
func (t *Taxon) Agreement(c *Cell) (readers, agree int) {
	readers, agree = 1, 1
	for i := range t.Readings {
		if r := &t.Readings[i].Cell; r.Trait == c.Trait {
			readers++
			if sees(c, r) {
				agree++
			}
		}
	}
	return readers, agree
}

// sees: at some stage of both, the reader sees what the entry usually shows.
func sees(c, r *Cell) bool {
	for i := range c.Variants {
		for k := range r.Variants {
			a, b := &c.Variants[i], &r.Variants[k]
			if a.Stages&b.Stages == 0 {
				continue
			}
			if a.Kind == Inapplicable && b.Kind == Inapplicable {
				return true
			}
			if a.Kind != Described || b.Kind != Described {
				continue
			}
			if len(a.Freq) == 0 {
				if a.Range[1] <= b.Range[2] && b.Range[1] <= a.Range[2] {
					return true
				}
				continue
			}
			for s := range a.Freq {
				if a.Freq[s] >= Usually && s < len(b.Freq) && b.Freq[s] >= Rarely {
					return true
				}
			}
		}
	}
	return false
}

// Gap is a cell of a poisonous or deadly entry that wants another reader.
type Gap struct {
	Taxon, Trait, State string
	Readers             int
	// Apart is how far its readers are from each other on the state, 0 to 1.
	Apart float64
}

// Gaps lists the cells of poisonous and deadly entries that fewer than two have read,
// in the order of the guide, and those on which readers are furthest apart, the widest
// first.
func (ix *Index) Gaps(rates Rates) (single, apart []Gap) {
	voices := ix.voices(rates)
	for i := range ix.Book.Taxa {
		t := &ix.Book.Taxa[i]
		if t.WorstHazard() < Poisonous {
			continue
		}
		for k := range t.Cells {
			c := &t.Cells[k]
			at := ix.traitAt[c.Trait]
			tr := &ix.Book.Traits[at]
			if tr.Class == Circumstance || tr.Prepares != "" {
				continue
			}
			list := voices[i][at]
			if len(list) < 2 {
				single = append(single, Gap{Taxon: t.ID, Trait: tr.ID, Readers: len(list)})
				continue
			}
			if g, ok := furthest(tr, rates, list); ok {
				g.Taxon, g.Trait, g.Readers = t.ID, tr.ID, len(list)
				apart = append(apart, g)
			}
		}
	}
	slices.SortStableFunc(apart, func(a, b Gap) int { return cmp.Compare(b.Apart, a.Apart) })
	return single, apart
}

// furthest finds the state and stage on which readers differ most.
func furthest(tr *Trait, rates Rates, list []source) (g Gap, ok bool) {
	for st := range Stage(StageCount) {
		least, most := make([]float64, len(tr.States)), make([]float64, len(tr.States))
		n := 0
		for _, s := range list {
			v := s.cell.at(st)
			if v == nil || v.Kind != Described || tr.Kind == Measure {
				continue
			}
			for k, p := range rates.shares(tr, v) {
				if n == 0 {
					least[k], most[k] = p, p
				}
				least[k], most[k] = min(least[k], p), max(most[k], p)
			}
			n++
		}
		for k := range least {
			if d := most[k] - least[k]; n > 1 && d > g.Apart {
				g.Apart, g.State, ok = d, tr.States[k].ID, true
			}
		}
	}
	return g, ok
}
