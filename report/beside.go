package report

import (
	"cmp"
	"fmt"
	"math/bits"
	"slices"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// What a trait is worth between a target and one other entry.
const (
	WorthStrong  = "strong"  // what the target usually shows is strong evidence
	WorthFair    = "fair"    // … fair
	WorthSlight  = "slight"  // … slight
	WorthReverse = "reverse" // what the other usually shows is never seen on the target
	WorthShared  = "shared"  // both show it: worth nothing between these
	WorthSilent  = "silent"  // the guide does not say enough
)

var worthOrder = []string{WorthStrong, WorthFair, WorthSlight, WorthReverse, WorthSilent, WorthShared}

// BesideCell is what one entry shows.
type BesideCell struct {
	Words string    `json:"words"`
	Usual []string  `json:"usual" doc:"States shown at least usually, for drawing"`
	Range []float64 `json:"range" doc:"Extreme low, typical low, typical high, extreme high; empty for states"`
	Worth string    `json:"worth" enum:"strong,fair,slight,reverse,shared,silent,"`
	// Weight is what the target's usual look weighs against this entry.
	Weight float64 `json:"weight" doc:"Decibans that the target's usual look weighs against this entry"`
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
// that tell apart first, the weightiest before all, and last those that the entries
// share, which are worth nothing between them. Circumstance is shown and never worth
// anything. weigh gives, by trait, what the target's usual look weighs against another
// entry.
func Beside(ix *guide.Index, target int32, others []int32, stages guide.StageSet, weigh func(other int32) []evidence.Look) []BesideRow {
	t := &ix.Book.Taxa[target]
	keys := t.KeyFor(stages)
	rows := []BesideRow{}
	weights := make([][]evidence.Look, len(others))
	for i, o := range others {
		weights[i] = weigh(o)
	}
	for i := range ix.Book.Traits {
		tr := &ix.Book.Traits[i]
		if tr.Prepares != "" || tr.Stages&stages == 0 || tr.Kingdom != guide.KingdomUnclear && tr.Kingdom != t.Kingdom {
			continue
		}
		a := looksOf(ix, target, tr, stages)
		row := BesideRow{Trait: TraitRef{tr.ID, tr.Name, tr.Part.String()}, Class: tr.Class.String(), Handling: tr.Handling.String(), BeforePick: tr.BeforePick, Unit: tr.Unit,
			Key: slices.Contains(keys, tr.ID), Cells: []BesideCell{a.cell(tr)}}
		said := a.said
		if !a.said && len(weights) > 0 { // only other readers say it
			if l := weights[0][i]; l.Strength != 0 && l.State >= 0 {
				st := &tr.States[l.State]
				row.Cells[0].Words, row.Cells[0].Usual = st.Label+", as other readers say", []string{st.ID}
			}
		}
		for k, o := range others {
			b := looksOf(ix, o, tr, stages)
			c := b.cell(tr)
			c.Weight = tenth(weights[k][i].Weight)
			c.Worth = worth(tr, &a, &b, weights[k][i].Strength)
			said = said || b.said
			row.Cells = append(row.Cells, c)
		}
		if said {
			rows = append(rows, row)
		}
	}
	slices.SortStableFunc(rows, func(x, y BesideRow) int {
		return cmp.Or(cmp.Compare(x.rank(), y.rank()), -cmp.Compare(x.heaviest(), y.heaviest()), cmp.Compare(x.class(), y.class()))
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

// heaviest is the greatest weight among the others.
func (r *BesideRow) heaviest() (most float64) {
	for _, c := range r.Cells[1:] {
		most = max(most, c.Weight)
	}
	return most
}

func (r *BesideRow) class() int {
	return slices.Index([]string{"structural", "sensory", "circumstance"}, r.Class)
}

// looks is what an entry shows of one trait at some stages.
type looks struct {
	said, lacks bool
	usual, some uint32 // shown at least usually; at all
	never       uint32 // in every variant that speaks
	ranges      *[4]float64
	why         string
}

func looksOf(ix *guide.Index, taxon int32, tr *guide.Trait, stages guide.StageSet) looks {
	l := looks{never: ^uint32(0)}
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
		l.never = 0
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
func worth(tr *guide.Trait, a, b *looks, strength evidence.Strength) string {
	switch {
	case tr.Class == guide.Circumstance:
		return WorthShared
	case strength == evidence.Strong:
		return WorthStrong
	case strength == evidence.Fair:
		return WorthFair
	case strength == evidence.Slight:
		return WorthSlight
	case b.usual != 0 && b.usual&^a.never == 0:
		return WorthReverse
	case a.usual&b.some != 0, a.ranges != nil && b.ranges != nil && a.ranges[1] <= b.ranges[2] && b.ranges[1] <= a.ranges[2]:
		return WorthShared
	}
	return WorthSilent
}
