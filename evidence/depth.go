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
	depth                               int8
	remaining                           int8 // further steps at least, 0 once ruled out
	structural                          int8
	parts                               int8 // distinct parts with a structural contradiction
	ruledOut, decisivePair, anyDecisive bool
	simple                              bool // no group and no act twice
}

func (n need) structural(e *edge) bool {
	return e.class == guide.Structural || n.grade == guide.Poisonous && e.timed
}

// count tallies edges. Most lists have no group and no act twice and are
// counted straight off; the rest are matched.
func (n need) count(es []edge) tally {
	var t tally
	var parts uint32
	sensory := int8(0)
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
		t.simple = true
	} else {
		t.depth = int8(n.depth(es, few{}))
	}
	for i := range es {
		if !es[i].decisive {
			continue
		}
		t.anyDecisive = true
		for j := 0; j < i; j++ {
			if es[j].decisive && es[i].part != es[j].part && es[i].group != es[j].group && es[i].act != es[j].act {
				t.decisivePair = true
			}
		}
	}
	switch {
	case n.grade < guide.Deadly:
		t.ruledOut = int(t.depth) >= needed(uint8(n.grade))
	case t.decisivePair:
		t.ruledOut = true
	case t.depth >= 3 && t.parts >= 2:
		t.ruledOut = simple || n.twoParts(es)
	}
	if !t.ruledOut {
		t.remaining = int8(n.rest(int(t.depth), int(t.parts), t.anyDecisive))
	}
	return t
}

// rest is the least number of further steps for an entry that is not ruled out.
func (n need) rest(depth, parts int, anyDecisive bool) int {
	r := max(1, needed(uint8(n.grade))-depth)
	if n.grade == guide.Deadly {
		r = max(r, 2-parts)
		if anyDecisive && n.pair {
			r = 1
		}
	}
	return r
}

// grown is what would remain after one more step of a group and an act that are
// not used yet. parts are those with a structural contradiction, decided those
// with a decisive one.
func (n need) grown(t *tally, es []edge, e edge, parts, decided uint32) int {
	if !t.simple {
		e.group, e.act = -1, -1
		return int(n.count(append(es, e)).remaining)
	}
	depth, np := int(t.depth)+1, int(t.parts)
	if n.structural(&e) {
		np += popcount(^parts & (1 << e.part))
	} else if t.depth > t.structural {
		depth-- // the one sensory step is taken already
	}
	switch {
	case n.grade < guide.Deadly:
		if depth >= needed(uint8(n.grade)) {
			return 0
		}
	case e.decisive && decided&^(1<<e.part) != 0, depth >= 3 && np >= 2:
		return 0
	}
	return n.rest(depth, np, t.anyDecisive || e.decisive)
}

// twoParts looks for two structural edges in different parts, of different
// groups and acts, beside which a third step still stands.
func (n need) twoParts(es []edge) bool {
	for i := range es {
		for j := 0; j < i; j++ {
			a, b := &es[i], &es[j]
			if n.structural(a) && n.structural(b) && a.part != b.part && a.group != b.group && a.act != b.act && n.depth(es, few{}.and(a).and(b)) >= 1 {
				return true
			}
		}
	}
	return false
}

// few is a short list of edges that may not be used again.
type few struct {
	e [3]*edge
	n int
}

func (w few) and(e *edge) few {
	w.e[w.n] = e
	w.n++
	return w
}

func (w *few) clash(e *edge) bool {
	for i := 0; i < w.n; i++ {
		if w.e[i].group == e.group || w.e[i].act == e.act {
			return true
		}
	}
	return false
}

// depth is the greatest number of steps among edges that share no group or act
// with those left out.
func (n need) depth(es []edge, without few) int {
	best := n.match(es, without)
	for i := range es {
		e := &es[i]
		if n.structural(e) || without.clash(e) {
			continue
		}
		best = max(best, 1+n.match(es, without.and(e)))
	}
	return best
}

// match is the greatest matching of groups with acts over the structural edges
// (augmenting paths; the lists are short).
func (n need) match(es []edge, without few) int {
	m := matching{n: n, es: es, without: without}
	if len(es) > len(m.owner) {
		m.es = es[:len(m.owner)] // more contradictions than any rule asks for
	}
	size := 0
	for i := range m.es {
		if groupBefore(m.es, i) {
			continue
		}
		m.seen = 0
		if m.try(m.es[i].group) {
			size++
		}
	}
	return size
}

// matching keeps, for the first edge of each act, which group holds the act.
type matching struct {
	n       need
	es      []edge
	without few
	owner   [64]int32 // by first edge of an act: group + 1
	seen    uint64    // acts tried, by first edge
}

func (m *matching) actAt(act int32) int {
	for i := range m.es {
		if m.es[i].act == act {
			return i
		}
	}
	return 0
}

func (m *matching) try(group int32) bool {
	for i := range m.es {
		e := &m.es[i]
		if e.group != group || !m.n.structural(e) || m.without.clash(e) {
			continue
		}
		at := m.actAt(e.act)
		if m.seen&(1<<at) != 0 {
			continue
		}
		m.seen |= 1 << at
		if m.owner[at] == 0 || m.try(m.owner[at]-1) {
			m.owner[at] = group + 1
			return true
		}
	}
	return false
}

// greedy reports whether edges taken one by one, each of a group and an act not
// yet used, already rule the entry out. It may miss what count finds.
func (n need) greedy(es []edge) bool {
	var took [8]*edge
	k, sensory := 0, false
	for i := range es {
		e := &es[i]
		s := n.structural(e)
		if !s && sensory {
			continue
		}
		free := true
		for j := 0; j < k && free; j++ {
			free = took[j].group != e.group && took[j].act != e.act
		}
		if !free || k == len(took) {
			continue
		}
		// A second step in a part that has one already waits for another part.
		if s && n.grade == guide.Deadly && k == 1 && n.structural(took[0]) && took[0].part == e.part {
			continue
		}
		took[k] = e
		k++
		sensory = sensory || !s
		if k >= needed(uint8(n.grade)) {
			var picked [8]edge
			for j := 0; j < k; j++ {
				picked[j] = *took[j]
			}
			return n.count(picked[:k]).ruledOut
		}
	}
	return false
}
