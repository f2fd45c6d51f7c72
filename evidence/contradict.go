package evidence

import "zestythicket/guide"

// edge is one sound contradiction of one taxon: the evidence group it belongs
// to and the act it rests on. Steps are counted over edges.
type edge struct {
	reading  int32
	group    int32
	act      int32
	next     int32 // next edge of the same taxon, -1 at the end
	part     guide.Part
	class    guide.Class
	decisive bool
	timed    bool // a decisive timed reaction, structural against poison
}

// sheet holds the contradictions of every taxon by one specimen's readings.
type sheet struct {
	edges []edge
	head  []int32 // by taxon, -1 for none
	tail  []int32
	// counts are the contradicted evidence groups by taxon, circumstance left out.
	counts []uint16
}

func (s *sheet) add(taxon int32, ed edge) {
	ed.next = -1
	at := int32(len(s.edges))
	s.edges = append(s.edges, ed)
	if s.head[taxon] < 0 {
		s.head[taxon] = at
	} else {
		s.edges[s.tail[taxon]].next = at
	}
	s.tail[taxon] = at
}

// of collects the edges of a taxon in buf.
func (s *sheet) of(taxon int32, buf []edge) []edge {
	buf = buf[:0]
	for i := s.head[taxon]; i >= 0; i = s.edges[i].next {
		buf = append(buf, s.edges[i])
	}
	return buf
}

// everyone asks contradictions for all entries.
const everyone = -2

// contradictions sweeps the columns of the sound readings, over the dangerous
// entries and the target (-1 for none): nobody else has to be contradicted.
// Asked for everyone, it sweeps all.
func (e *Engine) contradictions(rs []Reading, eff guide.StageSet, inScope []bool, target int32) *sheet {
	n := len(e.ix.Book.Taxa)
	flat := make([]int32, 2*n)
	room := 16
	for i := range rs {
		room += len(e.ix.Columns[rs[i].Trait].Hazardous) / 3
	}
	s := &sheet{head: flat[:n], tail: flat[n:], counts: make([]uint16, n), edges: make([]edge, 0, room)}
	for i := range s.head {
		s.head[i] = -1
	}
	for i := range rs {
		r := &rs[i]
		tr := &e.ix.Book.Traits[r.Trait]
		if !telling(r, tr) {
			continue
		}
		col := &e.ix.Columns[r.Trait]
		from := r.Trait
		if r.By >= 0 {
			from = r.By
		}
		base := edge{reading: int32(i), group: e.ix.GroupOf[r.Trait], act: e.acts[from], part: tr.Part, class: tr.Class}
		try := func(taxon, row int32) {
			hit, decisive := e.meets(col, tr, row, r, e.stagesFor(taxon, eff, tr))
			if !hit {
				return
			}
			ed := base
			ed.decisive = decisive && tr.Class == guide.Structural
			ed.timed = decisive && tr.Kind == guide.Timed
			s.add(taxon, ed)
		}
		if target == everyone {
			for row, taxon := range col.Taxa {
				if inScope[taxon] {
					try(taxon, int32(row))
				}
			}
			continue
		}
		for k := range col.Hazardous {
			if h := &col.Hazardous[k]; inScope[h.Taxon] {
				try(h.Taxon, h.Row)
			}
		}
		if target >= 0 && e.ix.Worst[target] == 0 && e.ix.Book.Taxa[target].Protection == "" {
			if row, ok := rowOf(col, target); ok {
				try(target, row)
			}
		}
	}
	var buf []edge
	for t := range s.counts {
		if s.head[t] < 0 {
			continue
		}
		buf = s.of(int32(t), buf)
		for i := range buf {
			if !groupBefore(buf, i) {
				s.counts[t]++
			}
		}
	}
	return s
}

func groupBefore(es []edge, i int) bool {
	for j := 0; j < i; j++ {
		if es[j].group == es[i].group {
			return true
		}
	}
	return false
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
// set, and whether decisively.
func (e *Engine) meets(col *guide.Column, tr *guide.Trait, row int32, r *Reading, stages guide.StageSet) (hit, decisive bool) {
	if tr.Kind == guide.Measure {
		var covered guide.StageSet
		for v := col.First[row]; v < col.First[row+1]; v++ {
			cv := &col.Vars[v]
			if cv.Stages&stages == 0 {
				continue
			}
			if cv.Kind != guide.Described {
				return false, false
			}
			rg := &col.Ranges[v]
			if r.Value+r.Err >= rg[0] && r.Value-r.Err <= rg[3] {
				return false, false
			}
			covered |= cv.Stages
		}
		return covered&stages == stages, false
	}
	never, dec := masks(col, row, stages)
	if r.Mask == 0 {
		return false, false
	}
	if r.Kind == AllOf {
		return r.Mask&never != 0, r.Mask&dec != 0
	}
	return r.Mask&never == r.Mask, r.Mask&dec == r.Mask
}

// masks intersects what a row says never (and decisively never) over the stages.
func masks(col *guide.Column, row int32, stages guide.StageSet) (never, decisive uint32) {
	v := col.First[row]
	if cv := &col.Vars[v]; stages&^cv.Stages == 0 {
		return cv.Never, cv.Decisive
	}
	never, decisive = ^uint32(0), ^uint32(0)
	var covered guide.StageSet
	for ; v < col.First[row+1]; v++ {
		cv := &col.Vars[v]
		if cv.Stages&stages != 0 {
			never &= cv.Never
			decisive &= cv.Decisive
			covered |= cv.Stages
		}
	}
	if stages&^covered != 0 {
		return 0, 0
	}
	return never, decisive
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
	s := e.contradictions(t.rs, t.sc.eff, in, at)
	var out []string
	for i := s.head[at]; i >= 0; i = s.edges[i].next {
		if id := t.trait(t.rs[s.edges[i].reading].Trait).ID; !has(out, id) {
			out = append(out, id)
		}
	}
	return out
}
