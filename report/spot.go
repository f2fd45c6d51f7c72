package report

import (
	"fmt"
	"math"

	"zestythicket/evidence"
	"zestythicket/sampling"
)

// spotOf says what is still unseen of a basket of which some was looked at; nil
// when everything was, or nothing passed.
func spotOf(p *evidence.Patch) *Spot {
	n := p.Passed + p.Failed + p.Unchecked
	if p.Unchecked == 0 || p.Passed == 0 {
		return nil
	}
	s := &Spot{Looked: p.Passed + p.Failed, Of: n, MissOne: sampling.MissProbability(n, 1, p.Passed+p.Failed)}
	if p.Failed > 0 {
		s.StillOdd = p.Unchecked
		s.Words = fmt.Sprintf("%d of %d were looked at and %d failed: each of the other %d may be another kind too.", s.Looked, n, p.Failed, p.Unchecked)
		return s
	}
	s.StillOdd = sampling.UpperBound(n, s.Looked, 0.95)
	s.Words = fmt.Sprintf("%d of %d were looked at. One of another kind would have been missed %d times in 100; up to %d of the %d may still be (at 95 %%). One can be enough: look at each.",
		s.Looked, n, int(math.Round(s.MissOne*100)), s.StillOdd, n)
	return s
}
