package evidence

import (
	"slices"

	"zestythicket/guide"
)

// best is what the specimen would weigh if every check that is still possible were
// answered as the target may well show it, by the book: the answers that were given,
// and the looks that are left, each with what tells most. An answer that speaks against
// the target and was not confirmed is to be looked at again, so it is left out here.
func (t *assessment) best() ([]voice, int) {
	xs := make([]voice, 0, len(t.voices)+32)
	for _, x := range t.voices {
		if t.surprising(x.reading) && !t.rs[x.reading].Again {
			continue
		}
		x.method = true
		xs = append(xs, x)
	}
	for _, x := range t.e.likely(t.target, t.sc.stages, func(trait int32) bool { return t.sound(trait) == nil && t.available(trait) }) {
		x.growing = !t.sc.picked
		xs = append(xs, x)
	}
	return xs, t.settleAmong(xs)
}

// fresh is what another specimen, looked at by the book from the beginning, would
// weigh.
func (t *assessment) fresh() ([]voice, int) {
	xs := t.e.usual(t.target, t.sc.stages, func(int32) bool { return true })
	return xs, t.settleAmong(xs)
}

// settleAmong weighs answers as if all of them had been given: what one of them settles
// or guards is settled, and what prepares a look was done well unless it was answered
// otherwise. It returns how many facts they are.
func (t *assessment) settleAmong(xs []voice) int {
	given := func(ref guide.TraitRef) bool {
		if tr := t.trait(ref.Trait); tr.Prepares != "" || tr.Class == guide.Circumstance || t.isStageCheck(ref.Trait) {
			return t.saw(ref)
		}
		// Any reading settles it, and whatever the specimen shows can be read.
		if ref.State < 0 && t.readable(ref.Trait) {
			return true
		}
		for i := range xs {
			if x := &xs[i]; x.trait == ref.Trait && (ref.State < 0 || x.mask == 1<<ref.State) {
				return true
			}
		}
		return false
	}
	for i := range xs {
		t.e.loosen(&xs[i], given)
		t.e.atTarget(&xs[i], t.ref, t.sc.stages)
	}
	return t.e.group(xs, given)
}

// readable: a trait that was read, or can be, whatever it shows.
func (t *assessment) readable(trait int32) bool {
	tr := t.trait(trait)
	if t.supposing == bookLook {
		return tr.Stages&t.sc.stages != 0 && t.e.has(t.target, tr, t.sc.stages)
	}
	return t.sound(trait) != nil || t.available(trait) && t.e.has(t.target, tr, t.sc.stages)
}

func (t *assessment) isStageCheck(trait int32) bool {
	for i := range t.e.ix.Book.StageChecks {
		if t.e.ix.Book.StageChecks[i].Trait == t.trait(trait).ID {
			return true
		}
	}
	return false
}

// deadEndsFrom: with fewer answers than this no specimen is at its end; what nothing can
// tell apart at these stages is found by the book.
const deadEndsFrom = 3

// deadEnds are the open entries, of the hardest, that no check that is still possible
// on this specimen can rule out.
func (t *assessment) deadEnds() (out []int32) {
	if t.target < 0 || !t.sc.anyStage || len(t.open) == 0 {
		return nil
	}
	if len(t.voices) < deadEndsFrom {
		return nil // whatever can't be told apart at all is known without any answer
	}
	t.suppose(stillOpen, func() {
		xs, n := t.best()
		slots := make([]slotWeight, n)
		for _, d := range t.hardest() {
			if !t.tallyOf(d, t.grade[d], xs, slots).ruledOut {
				out = append(out, d)
			}
		}
	})
	return out
}

// lostKeys are the key traits that can't be seen on this specimen any more.
func (t *assessment) lostKeys() []int32 {
	var out []int32
	for _, id := range t.taxon(t.target).KeyFor(t.sc.stages) {
		if at, ok := t.e.ix.TraitAt(id); ok && t.sound(at) == nil && !t.available(at) && !t.conflicting(at) {
			out = append(out, at)
		}
	}
	return out
}

// conflicting: two readings differ and one more look may settle it.
func (t *assessment) conflicting(trait int32) bool {
	i := t.byTrait[trait]
	return i >= 0 && t.rs[i].Soundness == Conflicting && !t.rs[i].Out
}

// separator is the check to offer against one open entry: one that can be made and
// brings most of what is still needed, the least intrusive first. -1 without any.
func (t *assessment) separator(other int32) int32 {
	if t.target < 0 || t.tallies[other].row < 0 {
		return -1
	}
	best, bestScore := int32(-1), 0.0
	tl := &t.tallies[other]
	st := t.stakeOf(other, make([]slotWeight, t.slots))
	for _, x := range t.usualLooks() {
		if t.sound(x.trait) != nil {
			continue
		}
		slot := int32(-1)
		fact := t.e.ix.Chances.Columns[x.trait].Fact
		if x.mask != 0 {
			fact = fact[guide.Lowest(x.mask):]
		}
		if at, ok := t.spoken()[fact[0]]; ok {
			slot = at
		}
		w, high := t.e.weight(&x, tl.row, t.rowStages(tl.row, x.trait), st.taught)
		fall := st.fall(&t.e.def, slot, w, x.class == guide.Structural, high)
		if fall <= 0 {
			continue
		}
		if score := fall - float64(t.trait(x.trait).Handling)/10; score > bestScore {
			best, bestScore = x.trait, score
		}
	}
	return best
}

// usualLooks are the looks that are left on this specimen, as the target usually
// answers them. They are worked out once.
func (t *assessment) usualLooks() []voice {
	if t.left == nil {
		t.left = t.e.usual(t.target, t.sc.stages, func(trait int32) bool { return t.sound(trait) == nil && t.available(trait) })
	}
	return t.left
}

// nameEachOther lists, by entry, those that it names as lookalikes, that name it, and
// that are named beside it: members of one find count as named whoever names them.
func (e *Engine) nameEachOther() {
	e.namedBy = make([][]int32, len(e.ix.Book.Taxa))
	add := func(a, b int32) {
		if a != b && !slices.Contains(e.namedBy[a], b) {
			e.namedBy[a] = append(e.namedBy[a], b)
		}
	}
	for i := range e.ix.Book.Taxa {
		for _, l := range e.ix.Book.Taxa[i].Lookalikes {
			if at, ok := e.ix.TaxonAt(l.Taxon); ok {
				add(int32(i), at)
				add(at, int32(i))
			}
		}
	}
}
