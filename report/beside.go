package report

import (
	"cmp"
	"fmt"
	"math/bits"
	"slices"
	"strings"

	"zestythicket/guide"
)

// What a trait is worth between a target and one other entry.
const (
	WorthDecisive = "decisive" // what the target shows settles the matter against the other
	WorthApart    = "apart"    // what the target usually shows is never seen on the other
	WorthReverse  = "reverse"  // what the other usually shows is never seen on the target
	WorthPerhaps  = "perhaps"  // some of what the target shows is never seen on the other
	WorthShared   = "shared"   // both show it: worth nothing between these
	WorthSilent   = "silent"   // the guide does not say enough
)

var worthOrder = []string{WorthDecisive, WorthApart, WorthReverse, WorthPerhaps, WorthSilent, WorthShared}

// BesideCell is what one entry shows.
type BesideCell struct {
	Words string    `json:"words"`
	Usual []string  `json:"usual" doc:"States shown at least usually, for drawing"`
	Range []float64 `json:"range" doc:"Extreme low, typical low, typical high, extreme high; empty for states"`
	Worth string    `json:"worth" enum:"decisive,apart,reverse,perhaps,shared,silent,"`
}

// BesideRow is one trait across the entries, the target first.
type BesideRow struct {
	Trait      TraitRef     `json:"trait"`
	Class      string       `json:"class"`
	Handling   string       `json:"handling"`
	BeforePick bool         `json:"beforePick"`
	Unit       string       `json:"unit,omitempty"`
	Key        bool         `json:"key"`
	Cells      []BesideCell `json:"cells"`
}

// Beside puts a target beside other entries, trait by trait, at some stages: rows
// that tell apart first, the decisive ones before all, and last those that the
// entries share, which are worth nothing between them. Circumstance is shown and
// never worth anything.
func Beside(ix *guide.Index, target int32, others []int32, stages guide.StageSet) []BesideRow {
	t := &ix.Book.Taxa[target]
	keys := t.KeyFor(stages)
	rows := []BesideRow{}
	for i := range ix.Book.Traits {
		tr := &ix.Book.Traits[i]
		if tr.Prepares != "" || tr.Stages&stages == 0 || tr.Kingdom != guide.KingdomUnclear && tr.Kingdom != t.Kingdom {
			continue
		}
		a := looksOf(ix, target, tr, stages)
		row := BesideRow{Trait: TraitRef{tr.ID, tr.Name, tr.Part.String()}, Class: tr.Class.String(), Handling: tr.Handling.String(), BeforePick: tr.BeforePick, Unit: tr.Unit,
			Key: slices.Contains(keys, tr.ID), Cells: []BesideCell{a.cell(tr)}}
		said := a.said
		for _, o := range others {
			b := looksOf(ix, o, tr, stages)
			c := b.cell(tr)
			c.Worth = worth(tr, &a, &b)
			said = said || b.said
			row.Cells = append(row.Cells, c)
		}
		if said {
			rows = append(rows, row)
		}
	}
	slices.SortStableFunc(rows, func(x, y BesideRow) int {
		return cmp.Or(cmp.Compare(x.rank(), y.rank()), -cmp.Compare(x.parts(), y.parts()), cmp.Compare(x.class(), y.class()))
	})
	return rows
}

// rank is the place of the best worth among the others.
func (r *BesideRow) rank() int {
	best := len(worthOrder)
	for _, c := range r.Cells[1:] {
		best = min(best, slices.Index(worthOrder, c.Worth))
	}
	return best
}

// parts counts the others that the row tells apart.
func (r *BesideRow) parts() (n int) {
	for _, c := range r.Cells[1:] {
		if c.Worth == WorthDecisive || c.Worth == WorthApart {
			n++
		}
	}
	return n
}

func (r *BesideRow) class() int {
	return slices.Index([]string{"structural", "sensory", "circumstance"}, r.Class)
}

// looks is what an entry shows of one trait at some stages.
type looks struct {
	said, lacks     bool
	usual, some     uint32 // shown at least usually; at all
	never, decisive uint32 // in every variant that speaks
	ranges          *[4]float64
	why             string
}

func looksOf(ix *guide.Index, taxon int32, tr *guide.Trait, stages guide.StageSet) looks {
	l := looks{never: ^uint32(0), decisive: ^uint32(0)}
	cells := ix.Book.Taxa[taxon].Cells
	for i := range cells {
		if cells[i].Trait != tr.ID {
			continue
		}
		for k := range cells[i].Variants {
			v := &cells[i].Variants[k]
			if v.Stages&stages == 0 {
				continue
			}
			switch {
			case v.Kind == guide.Inapplicable:
				l.said, l.lacks = true, true
			case v.Kind == guide.Unknown:
				l.why = v.Why
			case tr.Kind == guide.Measure:
				l.said, l.ranges = true, &v.Range
			default:
				l.said = true
				l.never &= guide.NeverMask(tr, v)
				l.decisive &= v.Decisive
				for s, f := range v.Freq {
					if f >= guide.Usually {
						l.usual |= 1 << s
					}
					if f >= guide.Rarely {
						l.some |= 1 << s
					}
				}
			}
		}
	}
	if l.usual|l.some == 0 && l.never == ^uint32(0) {
		l.never, l.decisive = 0, 0
	}
	return l
}

func (l *looks) cell(tr *guide.Trait) BesideCell {
	c := BesideCell{Usual: []string{}, Range: []float64{}, Words: "not documented"}
	var usual, some []string
	for m := l.some | l.usual; m != 0; m &= m - 1 {
		s := &tr.States[bits.TrailingZeros32(m)]
		if l.usual&(m&-m) != 0 {
			c.Usual = append(c.Usual, s.ID)
			usual = append(usual, s.Label)
		} else {
			some = append(some, s.Label)
		}
	}
	switch {
	case l.ranges != nil:
		c.Range = l.ranges[:]
		c.Words = fmt.Sprintf("%g–%g %s (%g–%g)", l.ranges[1], l.ranges[2], tr.Unit, l.ranges[0], l.ranges[3])
	case len(usual)+len(some) > 0:
		c.Words = strings.Join(usual, " or ")
		switch {
		case len(some) > 0 && len(usual) > 0:
			c.Words += " (also: " + strings.Join(some, ", ") + ")"
		case len(some) > 0:
			c.Words = "at times " + strings.Join(some, ", ")
		}
	case l.lacks:
		c.Words = "the part is lacking"
	case l.why != "":
		c.Words = "unknown: " + l.why
	case l.said:
		c.Words = "some states are denied, none is described"
	}
	return c
}

// worth is what the trait is worth against b for somebody who holds a.
func worth(tr *guide.Trait, a, b *looks) string {
	if a.ranges != nil && b.ranges != nil {
		switch {
		case a.ranges[2] < b.ranges[0] || a.ranges[1] > b.ranges[3]:
			return WorthApart
		case a.ranges[1] <= b.ranges[2] && b.ranges[1] <= a.ranges[2]:
			return WorthShared
		}
		return WorthPerhaps
	}
	if tr.Class == guide.Circumstance {
		return WorthShared
	}
	switch {
	case a.usual != 0 && a.usual&^b.decisive == 0 && b.said && !b.lacks:
		return WorthDecisive
	case a.usual != 0 && (a.usual&^b.never == 0 || b.lacks && b.some == 0 && tr.Parent != ""):
		return WorthApart
	case b.usual != 0 && b.usual&^a.never == 0:
		return WorthReverse
	case a.usual&b.some != 0:
		return WorthShared
	case a.usual&b.never != 0:
		return WorthPerhaps
	}
	return WorthSilent
}
