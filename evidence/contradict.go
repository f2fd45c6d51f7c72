package evidence

import "zestythicket/guide"

// edge is one sound reading that an entry is said never to show.
type edge struct{ reading, next int32 }

// sheet holds such readings by entry. They weigh nothing by themselves; they tell
// where a specimen and an entry differ outright.
type sheet struct {
	edges []edge
	head  []int32 // by taxon, -1 for none
}

// contradictions sweeps the columns of the sound readings over the entries in scope.
func (e *Engine) contradictions(rs []Reading, eff guide.StageSet, inScope []bool) *sheet {
	s := &sheet{head: make([]int32, len(e.ix.Book.Taxa))}
	for i := range s.head {
		s.head[i] = -1
	}
	// From the last reading to the first, so that each list is in the order of readings.
	for i := len(rs) - 1; i >= 0; i-- {
		r := &rs[i]
		tr := &e.ix.Book.Traits[r.Trait]
		if !telling(r, tr) {
			continue
		}
		col := &e.ix.Columns[r.Trait]
		for row, taxon := range col.Taxa {
			if inScope[taxon] && e.meets(col, tr, int32(row), r, e.stagesFor(taxon, eff, tr)) {
				s.edges = append(s.edges, edge{int32(i), s.head[taxon]})
				s.head[taxon] = int32(len(s.edges) - 1)
			}
		}
	}
	return s
}

// telling: a sound reading of a trait that may count against an entry.
func telling(r *Reading, tr *guide.Trait) bool {
	return r.Soundness == Sound && tr.Class != guide.Circumstance
}

// stagesFor is the stages of a taxon that a trait can be judged by.
func (e *Engine) stagesFor(taxon int32, eff guide.StageSet, tr *guide.Trait) guide.StageSet {
	own := e.ix.StagesOf(taxon, eff)
	if fit := own & tr.Stages; fit != 0 {
		return fit
	}
	return own
}

// meets reports whether a sound reading contradicts a row in every stage of the
// set.
func (e *Engine) meets(col *guide.Column, tr *guide.Trait, row int32, r *Reading, stages guide.StageSet) bool {
	if tr.Kind == guide.Measure {
		var covered guide.StageSet
		for v := col.First[row]; v < col.First[row+1]; v++ {
			cv := &col.Vars[v]
			if cv.Stages&stages == 0 {
				continue
			}
			if cv.Kind != guide.Described {
				return false
			}
			rg := &col.Ranges[v]
			if r.Value+r.Err >= rg[0] && r.Value-r.Err <= rg[3] {
				return false
			}
			covered |= cv.Stages
		}
		return covered&stages == stages
	}
	never := masks(col, row, stages)
	if r.Mask == 0 {
		return false
	}
	if r.Kind == AllOf {
		return r.Mask&never != 0
	}
	return r.Mask&never == r.Mask
}

// masks intersects what a row says never over the stages.
func masks(col *guide.Column, row int32, stages guide.StageSet) uint32 {
	v := col.First[row]
	if cv := &col.Vars[v]; stages&^cv.Stages == 0 {
		return cv.Never
	}
	never := ^uint32(0)
	var covered guide.StageSet
	for ; v < col.First[row+1]; v++ {
		cv := &col.Vars[v]
		if cv.Stages&stages != 0 {
			never &= cv.Never
			covered |= cv.Stages
		}
	}
	if stages&^covered != 0 {
		return 0
	}
	return never
}

// Against lists the traits whose sound readings contradict an entry, dangerous
// or not, in the order of the traits: why it fell, or why it is being cut back.
// Unknown names contradict nothing.
func (e *Engine) Against(f *Find, specimen, taxon string) []string {
	at, ok := e.ix.TaxonAt(taxon)
	if !ok {
		return nil
	}
	t := e.trial(f, specimen)
	in := make([]bool, len(t.in))
	in[at] = true
	s := e.contradictions(t.rs, t.sc.eff, in)
	var out []string
	for i := s.head[at]; i >= 0; i = s.edges[i].next {
		if id := t.trait(t.rs[s.edges[i].reading].Trait).ID; !has(out, id) {
			out = append(out, id)
		}
	}
	return out
}
