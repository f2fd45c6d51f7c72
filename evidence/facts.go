package evidence

import "zestythicket/guide"

// factRoots joins facts: which of them are one for this specimen, because one
// mishap would give all of these answers.
type factRoots []int32

func (e *Engine) newRoots() factRoots {
	c := e.ix.Chances
	r := make(factRoots, c.Facts+len(c.Columns))
	for i := range r {
		r[i] = int32(i)
	}
	return r
}

func (r factRoots) find(f int32) int32 {
	for r[f] != f {
		r[f] = r[r[f]]
		f = r[f]
	}
	return f
}

func (r factRoots) join(a, b int32) {
	if x, y := r.find(a), r.find(b); x != y {
		r[max(x, y)] = min(x, y)
	}
}

// group gives every voice the slot of its fact: answers that say one and the same
// thing share one. guarded says whether an answer that guards against a mishap was
// given. It returns how many slots there are.
func (e *Engine) group(xs []voice, guarded func(guide.TraitRef) bool) int {
	c := e.ix.Chances
	roots := e.newRoots()
	fact := func(x *voice) int32 {
		f := c.Columns[x.trait].Fact
		if x.mask == 0 {
			return f[0]
		}
		first := f[guide.Lowest(x.mask)]
		for m := x.mask; m != 0; m &= m - 1 {
			roots.join(first, f[guide.Lowest(m)])
		}
		return first
	}
	for i := range xs {
		fact(&xs[i])
	}
	for k := range c.Ties {
		t := &c.Ties[k]
		if !t.Always && anyRef(t.Guard, guarded) {
			continue
		}
		first := int32(-1)
		for i := range xs {
			if t.Growing && xs[i].growing || !misled(t, &xs[i]) {
				continue
			}
			f := fact(&xs[i])
			if first < 0 {
				first = f
			} else {
				roots.join(first, f)
			}
		}
	}
	slot := make(map[int32]int32, len(xs))
	for i := range xs {
		root := roots.find(fact(&xs[i]))
		at, ok := slot[root]
		if !ok {
			at = int32(len(slot))
			slot[root] = at
		}
		xs[i].slot = at
	}
	return len(slot)
}

func anyRef(refs []guide.TraitRef, ok func(guide.TraitRef) bool) bool {
	for _, r := range refs {
		if ok(r) {
			return true
		}
	}
	return false
}

// misled: the whole answer is what the mishap makes people say.
func misled(t *guide.CompiledTie, x *voice) bool {
	var reads uint32
	whole := false
	for _, r := range t.Reads {
		if r.Trait == x.trait {
			if r.State < 0 {
				whole = true
			} else {
				reads |= 1 << r.State
			}
		}
	}
	return whole || x.mask != 0 && x.mask&^reads == 0
}

// loosen fills in which states an answer is still confused with: all those that
// neither its method nor another look has settled.
func (e *Engine) loosen(x *voice, settled func(guide.TraitRef) bool) {
	col := &e.ix.Chances.Columns[x.trait]
	if col.Partners == nil {
		return
	}
	for m := x.mask; m != 0; m &= m - 1 {
		s := guide.Lowest(m)
		x.loose[s] = 0
		for i := range col.Partners[s] {
			q := &col.Partners[s][i]
			if x.mask&(1<<q.State) == 0 && !(q.By && x.method) && !anyRef(q.SettledBy, settled) {
				x.loose[s] |= 1 << q.State
			}
		}
	}
}
