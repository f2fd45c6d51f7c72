package evidence

import "zestythicket/guide"

// FastPass is a short set of gentle checks that takes each further item of a
// clump to the needed depth against the target's named dangerous lookalikes. It
// holds only after one full find in that clump.
type FastPass struct {
	Exists bool
	// Ready: the full find has been made.
	Ready  bool
	Checks []int32
	// Blocking are the named lookalikes that no such set rules out.
	Blocking []int32
}

// FastPass works the set out, greedily: the check that takes away most of the
// open depth first, then whatever is superfluous is dropped again.
func (e *Engine) FastPass(f *Find, specimen string, full bool) FastPass {
	t := e.trial(f, specimen)
	if t.target < 0 || !t.sc.anyStage || !f.Intent.harvest() {
		return FastPass{}
	}
	foes := t.foes()
	against := map[int32][]edge{} // by check: edges, in the order of foes
	seen := map[int32][]bool{}
	var order []int32
	for i, foe := range foes {
		e.separating(t.target, foe, t.sc.stages, guide.Usually, func(trait int32, ed edge) {
			if !t.gentle(trait) {
				return
			}
			if against[trait] == nil {
				against[trait], seen[trait] = make([]edge, len(foes)), make([]bool, len(foes))
				order = append(order, trait)
			}
			against[trait][i], seen[trait][i] = ed, true
		})
	}
	left := func(set []int32) (sum int, blocking []int32) {
		for i, foe := range foes {
			var es []edge
			for _, c := range set {
				if seen[c][i] {
					es = append(es, against[c][i])
				}
			}
			if tl := t.need(foe).count(es); !tl.ruledOut {
				sum += int(tl.remaining)
				blocking = append(blocking, foe)
			}
		}
		return sum, blocking
	}
	var set []int32
	for len(set) < e.def.FastPassMost {
		now, _ := left(set)
		best, bestLeft := int32(-1), now
		for _, c := range order {
			if l, _ := left(append(set[:len(set):len(set)], c)); l < bestLeft {
				best, bestLeft = c, l
			}
		}
		if best < 0 {
			break
		}
		set = append(set, best)
	}
	for i := len(set) - 1; i >= 0; i-- {
		without := append(append([]int32(nil), set[:i]...), set[i+1:]...)
		if l, _ := left(without); l == 0 && len(foes) > 0 {
			set = without
		}
	}
	rest, blocking := left(set)
	if len(foes) == 0 || rest > 0 {
		return FastPass{Blocking: blocking}
	}
	return FastPass{Exists: true, Ready: full, Checks: set}
}

// gentle: it can be done to every item: a look or a touch that needs no dug
// base, no waiting, no clean hands, and uses nothing up.
func (t *assessment) gentle(at int32) bool {
	tr := t.trait(at)
	return tr.Handling <= guide.Touch && !tr.Destroys && !tr.Smell && tr.WaitMin == 0 && tr.NeedsWhole == 0 && tr.After == "" && t.e.ix.AfterOf[at] < 0
}

// foes are the dangerous lookalikes in scope that the target's entry names.
func (t *assessment) foes() []int32 {
	var out []int32
	for _, l := range t.taxon(t.target).Lookalikes {
		if at, ok := t.e.ix.TaxonAt(l.Taxon); ok && t.in[at] && t.grade[at] > 0 {
			out = append(out, at)
		}
	}
	return out
}
