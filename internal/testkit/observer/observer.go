// Package observer answers checks truly, for tests: with the state that an entry shows
// most often, looked at as the guide asks.
package observer

import (
	"zestythicket/evidence"
	"zestythicket/guide"
)

// Answer is what a true observer says of a trait on an entry in its stages: the state
// that it shows most often, as all who read it say, or the middle of what is typical;
// what most of the kingdom
// show where nobody describes it; "can't tell" where the part is lacking or only what is
// rare is said.
func Answer(ix *guide.Index, trait, truth int32, stages guide.StageSet) evidence.Answer {
	return OfRow(ix, trait, ix.Chances.RowFrom[truth], stages)
}

// OfRow is [Answer] of one row of chances: an entry as it is described, or a form of it.
func OfRow(ix *guide.Index, trait, row int32, stages guide.StageSet) evidence.Answer {
	tr := &ix.Book.Traits[trait]
	a := evidence.Answer{Trait: tr.ID, Kind: evidence.Seen, Count: max(tr.MinCount, 1), Minutes: tr.WaitMin, Paper: "half", Method: evidence.ByTheGuide}
	if tr.Prepares != "" {
		a.States = []string{tr.States[0].ID}
		return a
	}
	for i := range ix.Book.StageChecks {
		if c := &ix.Book.StageChecks[i]; c.Trait == tr.ID && c.Stages&stages != 0 {
			a.States = []string{c.State}
			return a
		}
	}
	col := &ix.Chances.Columns[trait]
	sum, n, lacks := make([]float64, col.N), 0, false
	for _, v := range col.VarsOf(row) {
		at := v.Stages & stages
		if lacks = lacks || at != 0 && v.Lacking; at == 0 || v.Lacking {
			continue
		}
		if tr.Kind == guide.Measure {
			a.Kind, a.Value = evidence.Measured, (v.Ranges[0].Range[1]+v.Ranges[0].Range[2])/2
			return a
		}
		n += at.Len()
		for s := range sum {
			sum[s] += float64(col.Shown[int(v.At)+s]) * float64(at.Len())
		}
	}
	if n == 0 && !lacks && tr.Kind != guide.Measure { // nobody says it, and there is something to be seen
		stages.Each(func(st guide.Stage) {
			if v := &col.Mean[st]; v.At >= 0 && v.Stages.Has(st) {
				n++
				for s := range sum {
					sum[s] += float64(col.Shown[int(v.At)+s])
				}
			}
		})
	}
	best := 0
	for s := range sum {
		if sum[s] > sum[best] {
			best = s
		}
	}
	if n > 0 && sum[best]/float64(n) >= often {
		a.States = []string{tr.States[best].ID}
		return a
	}
	a.Kind = evidence.CantTell
	return a
}

// often: what is shown less often than this is nothing to be told by.
const often = 0.25

// Described is what the entry itself says, whatever other readers do: the most
// frequent state, or the middle of what is typical; "can't tell" where nothing is
// described, or only what is rare.
func Described(tr *guide.Trait, truth *guide.Taxon, stages guide.StageSet) evidence.Answer {
	a := evidence.Answer{Trait: tr.ID, Kind: evidence.Seen, Count: max(tr.MinCount, 1), Minutes: tr.WaitMin, Paper: "half"}
	if tr.Prepares != "" {
		a.States = []string{tr.States[0].ID}
		return a
	}
	for i := range truth.Cells {
		if truth.Cells[i].Trait != tr.ID {
			continue
		}
		for _, v := range truth.Cells[i].Variants {
			if v.Stages&stages == 0 || v.Kind != guide.Described {
				continue
			}
			if tr.Kind == guide.Measure {
				a.Kind, a.Value = evidence.Measured, (v.Range[1]+v.Range[2])/2
				return a
			}
			best := 0
			for s := range v.Freq {
				if v.Freq[s] > v.Freq[best] {
					best = s
				}
			}
			if v.Freq[best] >= guide.Sometimes {
				a.States = []string{tr.States[best].ID}
				return a
			}
		}
	}
	a.Kind = evidence.CantTell
	return a
}
