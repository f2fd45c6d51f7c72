// Package calibrate asks by simulation how often the rules of evidence let a dangerous
// specimen through, and how often they let a true one pass. It draws specimens from the
// guide's own pooled frequencies, so it measures the rules and not the guide: where all
// readers are wrong, it is wrong with them.
//
// The pairs are those of every use that is open: the named lookalikes of the target and
// the entries that stand nearest to it. What is counted is described at
// [evidence.Simulator].
package calibrate

import (
	"math"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// Plan says how much is drawn.
type Plan struct {
	// PerPair draws of every pair, for each of Times; Nearest entries of a use beside the
	// named ones.
	PerPair, Nearest int
	Times            []float64
	// PerUse true specimens of every open use, and specimens of entries that are left out.
	PerUse int
}

// Margins are where the tails are counted: decibans that were missing to be let through.
var Margins = []float64{-20, -15, -10, -5, 0}

// Tail counts specimens of dangerous entries of one grade.
type Tail struct {
	Times float64
	Grade guide.Grade
	Draws int
	// Over counts, by Margins, those that came at least so near.
	Over []int
}

// Pair names a pair that was let through.
type Pair struct {
	Target, Other string
	Stage         guide.Stage
	Mistakes      int
}

// Share is a part of draws.
type Share struct{ Of, Draws int }

// Result is what came of a plan.
type Result struct {
	Uses, Pairs int
	Tails       []Tail
	Through     []Pair // those let through, at any of Times
	LeftOut     Share
	// True are true specimens that were complete, by kingdom, and how many answers the
	// median and nine of ten of them needed; Refused were spoken against by themselves.
	True    map[guide.Kingdom]Share
	Refused map[guide.Kingdom]int
	Answers map[guide.Kingdom][]int
}

// Run carries a plan out. rnd gives numbers from 0 up to 1.
func Run(e *evidence.Engine, plan Plan, rnd func() float64) Result {
	r := Result{True: map[guide.Kingdom]Share{}, Refused: map[guide.Kingdom]int{}, Answers: map[guide.Kingdom][]int{}}
	uses := openUses(e, plan.Nearest)
	r.Uses = len(uses)
	for _, u := range uses {
		r.Pairs += len(u)
	}
	for _, times := range plan.Times {
		r.hopeful(e, uses, plan.PerPair, times, rnd)
	}
	for _, u := range uses {
		r.rest(e, u, plan.PerUse, rnd)
	}
	return r
}

// openUses lists, for each open use and stage, its pairs. The same thing in the hand,
// prepared otherwise, is one use.
func openUses(e *evidence.Engine, nearest int) [][]evidence.SimPair {
	type key struct {
		taxon int32
		stage guide.Stage
	}
	seen := map[key]bool{}
	var out [][]evidence.SimPair
	for _, l := range e.Audit() {
		if k := (key{l.Taxon, l.Stage}); l.Refused || !l.Holds || seen[k] {
			continue
		} else {
			seen[k] = true
		}
		var pairs []evidence.SimPair
		for i, a := range l.Entries {
			if a.Grade >= guide.Poisonous && (a.Named || i < nearest) {
				pairs = append(pairs, evidence.SimPair{Target: l.Taxon, Other: a.Taxon, Grade: a.Grade, Stage: l.Stage})
			}
		}
		if len(pairs) > 0 {
			out = append(out, pairs)
		}
	}
	return out
}

func (r *Result) hopeful(e *evidence.Engine, uses [][]evidence.SimPair, n int, times float64, rnd func() float64) {
	tails := map[guide.Grade]*Tail{}
	for g := guide.Poisonous; g <= guide.Deadly; g++ {
		tails[g] = &Tail{Times: times, Grade: g, Over: make([]int, len(Margins))}
	}
	b := e.Index().Book
	for _, u := range uses {
		for _, p := range u {
			s := e.Simulator(p)
			rows := s.Rows()
			for i := 0; i < n; i++ {
				d := s.Draw(rows[i%len(rows)], evidence.Hopeful{Times: times, Right: 0.5}, rnd)
				t := tails[p.Grade]
				t.Draws++
				for k, m := range Margins {
					if d.Margin >= m {
						t.Over[k]++
					}
				}
				if d.Margin >= 0 {
					r.Through = append(r.Through, Pair{b.Taxa[p.Target].ID, b.Taxa[p.Other].ID, p.Stage, d.Mistakes})
				}
			}
		}
	}
	for g := guide.Poisonous; g <= guide.Deadly; g++ {
		r.Tails = append(r.Tails, *tails[g])
	}
}

// rest draws true specimens of a use, and specimens of its nearest entries as if the
// guide did not know them.
func (r *Result) rest(e *evidence.Engine, u []evidence.SimPair, n int, rnd func() float64) {
	k := e.Index().Book.Taxa[u[0].Target].Kingdom
	s := e.Simulator(u[0])
	share := r.True[k]
	for i := 0; i < n; i++ {
		t := s.True(1, rnd)
		share.Draws++
		if t.Complete {
			share.Of++
			r.Answers[k] = append(r.Answers[k], t.Answers)
		}
		if t.Refused {
			r.Refused[k]++
		}
	}
	r.True[k] = share
	for _, p := range u {
		s := e.Simulator(p)
		s.LeftOut = true
		rows := s.Rows()
		for i := 0; i < n; i++ {
			r.LeftOut.Draws++
			if s.Draw(rows[i%len(rows)], evidence.Hopeful{Times: 1, Right: 0.5}, rnd).Margin >= 0 {
				r.LeftOut.Of++
			}
		}
	}
}

// Wilson is the 95 % interval of a share (Wilson 1927).
func Wilson(of, draws int) (low, high float64) {
	if draws == 0 {
		return 0, 1
	}
	const z = 1.959964
	n, p := float64(draws), float64(of)/float64(draws)
	mid := (p + z*z/(2*n)) / (1 + z*z/n)
	half := z / (1 + z*z/n) * math.Sqrt(p*(1-p)/n+z*z/(4*n*n))
	return max(0, mid-half), min(1, mid+half)
}
