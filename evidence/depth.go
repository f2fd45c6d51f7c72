package evidence

import "zestythicket/guide"

// need says what rules an entry out, by its grade as the target would be
// prepared:
//
//	unpleasant  depth 1
//	poisonous   depth 2, one of them structural (a decisive timed reaction in
//	            fresh-cut flesh is structural here)
//	deadly      depth 3, two of them structural in different parts,
//	            or two decisive cells in different parts
//
// depth is the greatest number of steps in which no evidence group and no act
// is used twice, with at most one sensory step.
type need struct {
	grade guide.Grade
	// pair: the entry has decisive cells in at least two parts.
	pair bool
}

// tally is what a taxon's contradictions amount to.
type tally struct {
	depth     int
	ruledOut  bool
	remaining int // further steps at least, 0 once ruled out
	structural,
	parts int // distinct parts with a structural contradiction
	decisivePair bool
}

func (n need) structural(e *edge) bool {
	return e.class == guide.Structural || n.grade == guide.Poisonous && e.timed
}

// count tallies edges. Most lists have no group and no act twice and are
// counted straight off; the rest are matched.
func (n need) count(es []edge) tally {
	var t tally
	var parts uint32
	sensory := 0
	simple := true
	for i := range es {
		if n.structural(&es[i]) {
			t.structural++
			parts |= 1 << es[i].part
		} else {
			sensory = 1
		}
		for j := 0; j < i && simple; j++ {
			simple = es[i].group != es[j].group && es[i].act != es[j].act
		}
	}
	for p := parts; p != 0; p &= p - 1 {
		t.parts++
	}
	if simple {
		t.depth = t.structural + sensory
	} else {
		t.depth = n.depth(es, nil, nil)
	}
	anyDecisive := false
	for i := range es {
		if !es[i].decisive {
			continue
		}
		anyDecisive = true
		for j := 0; j < i; j++ {
			if es[j].decisive && es[i].part != es[j].part && es[i].group != es[j].group && es[i].act != es[j].act {
				t.decisivePair = true
			}
		}
	}
	switch {
	case n.grade < guide.Deadly:
		t.ruledOut = t.depth >= needed(uint8(n.grade))
	case t.decisivePair:
		t.ruledOut = true
	case t.depth >= 3 && t.parts >= 2:
		t.ruledOut = simple || n.twoParts(es)
	}
	if !t.ruledOut {
		t.remaining = max(1, needed(uint8(n.grade))-t.depth)
		if n.grade == guide.Deadly {
			t.remaining = max(t.remaining, 2-t.parts)
			if anyDecisive && n.pair {
				t.remaining = 1
			}
		}
	}
	return t
}

// twoParts looks for two structural edges in different parts, of different
// groups and acts, beside which a third step still stands.
func (n need) twoParts(es []edge) bool {
	for i := range es {
		for j := 0; j < i; j++ {
			a, b := &es[i], &es[j]
			if n.structural(a) && n.structural(b) && a.part != b.part && a.group != b.group && a.act != b.act && n.depth(es, a, b) >= 1 {
				return true
			}
		}
	}
	return false
}

// depth is the greatest number of steps among edges that share no group or act
// with those left out.
func (n need) depth(es []edge, without ...*edge) int {
	best := n.match(es, without)
	for i := range es {
		e := &es[i]
		if n.structural(e) || clashes(e, without) {
			continue
		}
		best = max(best, 1+n.match(es, append(without[:len(without):len(without)], e)))
	}
	return best
}

func clashes(e *edge, without []*edge) bool {
	for _, w := range without {
		if w != nil && (w.group == e.group || w.act == e.act) {
			return true
		}
	}
	return false
}

// match is the greatest matching of groups with acts over the structural edges
// (augmenting paths; the lists are short).
func (n need) match(es []edge, without []*edge) int {
	owner := map[int32]int32{} // act -> group
	var try func(group int32, seen map[int32]bool) bool
	try = func(group int32, seen map[int32]bool) bool {
		for i := range es {
			e := &es[i]
			if e.group != group || !n.structural(e) || seen[e.act] || clashes(e, without) {
				continue
			}
			seen[e.act] = true
			if g, taken := owner[e.act]; !taken || try(g, seen) {
				owner[e.act] = group
				return true
			}
		}
		return false
	}
	size := 0
	for i := range es {
		if groupBefore(es, i) {
			continue
		}
		if try(es[i].group, map[int32]bool{}) {
			size++
		}
	}
	return size
}
