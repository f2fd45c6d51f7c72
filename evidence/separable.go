package evidence

import "zestythicket/guide"

// separating walks the traits by which a target, seen as it usually is at these
// stages, contradicts another entry. It calls f with an edge for each.
func (e *Engine) separating(target, other int32, stages guide.StageSet, least guide.Frequency, f func(trait int32, ed edge)) {
	for _, ref := range e.ix.Rows[target] {
		tr := &e.ix.Book.Traits[ref.Col]
		if tr.Class == guide.Circumstance || tr.Stages&stages == 0 || tr.Kind == guide.Measure {
			continue
		}
		col := &e.ix.Columns[ref.Col]
		shown := shownMask(col, ref.Row, e.stagesFor(target, stages, tr), least)
		if shown == 0 || !e.hasPart(target, tr, stages, least) {
			continue
		}
		if tr.Absent >= 0 {
			// Who finds nothing there has not seen the part.
			present := shown &^ (1 << tr.Absent)
			if row, ok := rowOf(col, other); present == 0 && ok && e.lacks(col, row, other, stages, tr) {
				continue
			}
		}
		row, ok := rowOf(col, other)
		at := ref.Col
		states := shown
		if ok && e.lacks(col, row, other, stages, tr) {
			// The other lacks the part: who sees it here sees the parent's state.
			if p := e.ix.ParentOf[ref.Col]; p >= 0 {
				at, states = p, tr.ParentStates
				col = &e.ix.Columns[p]
				row, ok = rowOf(col, other)
			}
		}
		if !ok {
			continue
		}
		ptr := &e.ix.Book.Traits[at]
		never, dec := masks(col, row, e.stagesFor(other, stages.WithNeighbours(), ptr))
		// A look is sure to separate when every state that the target is seen in
		// is denied; it may separate when one is.
		if states&never == 0 || (at != ref.Col || least >= guide.Usually) && states&^never != 0 {
			continue
		}
		f(ref.Col, edge{group: e.ix.GroupOf[at], act: e.acts[ref.Col], part: ptr.Part, class: ptr.Class,
			decisive: states&dec != 0 && ptr.Class == guide.Structural, timed: states&dec != 0 && ptr.Kind == guide.Timed})
	}
}

// hasPart reports whether the target shows the part that a trait is looked for
// on, at least as often as least.
func (e *Engine) hasPart(target int32, tr *guide.Trait, stages guide.StageSet, least guide.Frequency) bool {
	p, ok := e.ix.TraitAt(tr.Parent)
	if !ok {
		return true
	}
	col := &e.ix.Columns[p]
	row, ok := rowOf(col, target)
	return !ok || shownMask(col, row, e.stagesFor(target, stages, &e.ix.Book.Traits[p]), least)&tr.ParentStates != 0
}

// lacks reports whether the part is lacking at every stage of the set.
func (e *Engine) lacks(col *guide.Column, row, taxon int32, stages guide.StageSet, tr *guide.Trait) bool {
	st := e.stagesFor(taxon, stages, tr)
	for v := col.First[row]; v < col.First[row+1]; v++ {
		if col.Vars[v].Stages&st != 0 && col.Vars[v].Kind != guide.Inapplicable {
			return false
		}
	}
	return true
}

// Separable reports whether anything the guide knows can rule an entry of a
// grade out at these stages while the target shows states that it shows at
// least sometimes.
func (e *Engine) Separable(target, other int32, grade guide.Grade, stages guide.StageSet) bool {
	var es []edge
	e.separating(target, other, stages, guide.Sometimes, func(_ int32, ed edge) { es = append(es, ed) })
	return need{grade: grade, pair: e.ix.DecisiveParts[other] >= 2}.count(es).ruledOut
}

// inseparable finds the first open entry that nothing the guide knows tells from
// the target at these stages, or -1. It sweeps the target's columns once instead
// of asking entry by entry.
func (t *assessment) inseparable() int32 {
	e, stages := t.e, t.sc.stages
	near := stages.WithNeighbours()
	n := len(t.in)
	flat := make([]int32, 2*n)
	s := &sheet{head: flat[:n], tail: flat[n:], edges: make([]edge, 0, 1024)}
	for i := range s.head {
		s.head[i] = -1
	}
	for _, ref := range e.ix.Rows[t.target] {
		tr := t.trait(ref.Col)
		col := &e.ix.Columns[ref.Col]
		if tr.Class == guide.Circumstance || tr.Stages&stages == 0 || tr.Kind == guide.Measure || e.ix.ParentOf[ref.Col] >= 0 {
			continue // traits of parts that may be lacking are left to Separable
		}
		shown := shownMask(col, ref.Row, e.stagesFor(t.target, stages, tr), guide.Sometimes)
		for i := range col.Hazardous {
			row, taxon := col.Hazardous[i].Row, col.Hazardous[i].Taxon
			never, dec := masks(col, row, e.stagesFor(taxon, near, tr))
			if shown&never == 0 {
				continue
			}
			s.add(taxon, edge{group: e.ix.GroupOf[ref.Col], act: e.acts[ref.Col], part: tr.Part, class: tr.Class,
				decisive: shown&dec != 0 && tr.Class == guide.Structural, timed: shown&dec != 0 && tr.Kind == guide.Timed})
		}
	}
	buf := make([]edge, 0, 64)
	for _, d := range t.open {
		buf = s.of(d, buf)
		if nd := t.need(d); !nd.greedy(buf) && !e.Separable(t.target, d, nd.grade, stages) {
			return d
		}
	}
	return -1
}

// separator is the check to offer against one open entry: one that can be made,
// in a group that has not spoken yet, structural and least intrusive first.
func (t *assessment) separator(other int32) int32 {
	best, bestScore := int32(-1), -1
	var have []edge
	have = t.sheet.of(other, have)
	nd := t.need(other)
	if t.target < 0 {
		return -1
	}
	before := nd.count(have)
	t.e.separating(t.target, other, t.sc.stages, guide.Usually, func(trait int32, ed edge) {
		if t.sound(trait) != nil || !t.available(trait) {
			return
		}
		after := nd.count(append(have[:len(have):len(have)], ed))
		gain := int(before.remaining - after.remaining)
		if before.ruledOut && !grouped(have, ed.group) {
			gain = 1 // one more contradiction for the margin
		}
		if gain <= 0 {
			return
		}
		score := gain*10 + 5 - int(t.trait(trait).Handling)
		if score > bestScore {
			best, bestScore = trait, score
		}
	})
	return best
}

// grouped reports whether a contradiction of the group is among the edges.
func grouped(es []edge, group int32) bool {
	for i := range es {
		if es[i].group == group {
			return true
		}
	}
	return false
}
