// Package observer answers checks truly, for tests: with the state that an entry shows
// most often, looked at as the guide asks.
package observer

import (
	"zestythicket/evidence"
	"zestythicket/guide"
)

// Answer is what a true observer says of a trait on an entry in its stages: the most
// frequent state, or the middle of what is typical; "can't tell" where nothing is
// described, or only what is rare.
func Answer(tr *guide.Trait, truth *guide.Taxon, stages guide.StageSet) evidence.Answer {
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
