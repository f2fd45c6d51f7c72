package evidence

import (
	"slices"

	"zestythicket/guide"
)

// tally is what stands against a dangerous entry, on the row that it stands least
// against: the entry as it is described, or one of its forms.
type tally struct {
	bill
	need     needs
	left     float64 // decibans still needed, 0 once ruled out
	ruledOut bool
	row      int32
}

// preflower are the stages of a plant before it can be seen to flower.
const preflower = guide.StageSet(1<<guide.Seedling | 1<<guide.Shoot | 1<<guide.LeafStage | 1<<guide.WinterTwig)

// inFlower are the stages that show a plant is grown up.
const inFlower = guide.StageSet(1<<guide.FlowerStage | 1<<guide.FruitStage)

// allowed: the stage and the condition of the specimen allow the row. Forms of
// plants that have not flowered are out once this very plant shows a flower or fruit.
func (t *assessment) allowed(row int32) bool {
	r := t.e.ix.Chances.Rows[row]
	if r.Form < 0 {
		return true
	}
	form := &t.taxon(r.Taxon).Forms[r.Form]
	if form.Stages&t.e.ix.StagesOf(r.Taxon, t.sc.eff) == 0 || form.Stages&^preflower == 0 && t.grown() {
		return false
	}
	return !anyRef(t.e.ix.Chances.Unless[row], t.saw)
}

// grown: this very plant shows a flower or fruit.
func (t *assessment) grown() bool {
	fixes := t.sc.fixes
	if t.supposing != nothing && !t.sc.stageConflict {
		fixes |= t.sc.stages
	}
	return fixes&t.sc.stages&inFlower != 0
}

// supposing says what is taken for granted while it is worked out how it could end.
type supposing uint8

const (
	nothing   supposing = iota
	stillOpen           // whatever nobody answered yet turns out well
	bookLook            // everything does: another specimen, or the audit
)

// saw: a sound reading says just this. A state of -1 asks for any reading.
func (t *assessment) saw(ref guide.TraitRef) bool {
	if t.supposing == bookLook || t.supposing == stillOpen && t.byTrait[ref.Trait] < 0 {
		return true
	}
	if slices.Contains(t.ifSeen, ref) {
		return true
	}
	r := t.sound(ref.Trait)
	return r != nil && (ref.State < 0 || r.Mask == 1<<ref.State)
}

// suppose takes something for granted while f runs.
func (t *assessment) suppose(s supposing, f func()) {
	was := t.supposing
	t.supposing = s
	f()
	t.supposing = was
}

// rowStages are the stages at which a row is held to a trait.
func (t *assessment) rowStages(row, trait int32) guide.StageSet {
	r := t.e.ix.Chances.Rows[row]
	st := t.e.ix.StagesOf(r.Taxon, t.sc.eff)
	if r.Form >= 0 {
		st &= t.taxon(r.Taxon).Forms[r.Form].Stages
	}
	if fit := st & t.trait(trait).Stages; fit != 0 {
		return fit
	}
	return st
}

// voices are the sound answers of the specimen, as they weigh against entries.
func (t *assessment) listen() {
	t.voices = make([]voice, 0, len(t.rs))
	for i := range t.rs {
		r := &t.rs[i]
		tr := t.trait(r.Trait)
		if !telling(r, tr) || tr.Prepares != "" || r.Mask == 0 && r.Kind != Measured {
			continue
		}
		x := voice{reading: int32(i), trait: r.Trait, kind: r.Kind, mask: r.Mask, value: r.Value, err: r.Err, method: r.Guided, growing: !r.Loose, class: tr.Class}
		t.e.loosen(&x, t.saw)
		t.e.atTarget(&x, t.ref, t.sc.stages)
		t.voices = append(t.voices, x)
	}
	t.slots = t.e.group(t.voices, t.saw)
}

// reference is the entry that the others are weighed against: the target of a
// harvest, and otherwise the best-fitting entry of those least in question. Where all
// are dangerous it is one of them, and stands itself.
func (t *assessment) reference() int32 {
	if t.target >= 0 && t.f.Intent.harvest() {
		return t.target
	}
	best := int32(-1)
	for i, p := range t.st.share {
		if t.in[i] && (best < 0 || t.grade[i] < t.grade[best] || t.grade[i] == t.grade[best] && p > t.st.share[best]) {
			best = int32(i)
		}
	}
	return best
}

// weigh fills slots with what every fact says against a row.
func (t *assessment) weigh(xs []voice, row int32, taught bool, slots []slotWeight) {
	clear(slots)
	for i := 0; i < len(xs); i++ {
		x := &xs[i]
		w, high := t.e.weight(x, row, t.rowStages(row, x.trait), taught)
		for i+1 < len(xs) && xs[i+1].or { // the most telling of what it may turn out to be
			i++
			if v, h := t.e.weight(&xs[i], row, t.rowStages(row, xs[i].trait), taught); v > w {
				x, w, high = &xs[i], v, h
			}
		}
		slots[x.slot].add(w, x.class, high)
	}
}

// tallyOf is the least that stands against an entry, over the rows that are allowed.
func (t *assessment) tallyOf(taxon int32, g guide.Grade, xs []voice, slots []slotWeight) tally {
	out := tally{need: t.e.def.needs(g), row: -1}
	taught := t.taught(taxon)
	for row := t.e.ix.Chances.RowFrom[taxon]; row < t.e.ix.Chances.RowFrom[taxon+1]; row++ {
		if !t.allowed(row) {
			continue
		}
		t.weigh(xs, row, taught, slots)
		b := t.e.def.total(slots, taught)
		if left := t.e.def.left(out.need, b); out.row < 0 || left > out.left || left == out.left && b.sum < out.sum {
			out.bill, out.left, out.row = b, left, row
		}
	}
	out.ruledOut = out.left <= 0
	return out
}

// taught: somebody who knows this danger taught the observer in person.
func (t *assessment) taught(taxon int32) bool {
	tx := t.taxon(taxon)
	for i := range t.f.Profile.SignOffs {
		s := &t.f.Profile.SignOffs[i]
		if s.By != "" && has(tx.HardGroups, s.Group) && has(s.Dangers, tx.ID) {
			return true
		}
	}
	return false
}

func (t *assessment) tally() {
	n := len(t.in)
	t.ref = t.reference()
	t.listen()
	t.tallies = make([]tally, n)
	slots := make([]slotWeight, t.slots)
	for i := 0; i < n; i++ {
		if t.grade[i] == 0 || !t.in[i] || t.exempt(int32(i)) {
			continue
		}
		taxon := int32(i)
		t.tallies[i] = t.tallyOf(taxon, t.grade[i], t.voices, slots)
		t.danger = append(t.danger, taxon)
		if !t.tallies[i].ruledOut {
			t.open = append(t.open, taxon)
			// As a contact hazard it may be ruled out by less than as food.
			if c := t.e.ix.Contact[i]; c > 0 && (c >= t.grade[i] || !t.tallyOf(taxon, c, t.voices, slots).ruledOut) {
				t.contact = true
			}
		}
	}
	t.surprises()
}

// surprises lists the sound answers that the target hardly ever gives, and how many
// facts they are. Circumstance is none.
func (t *assessment) surprises() {
	if t.target < 0 {
		return
	}
	slots := map[int32]bool{}
	for i := range t.voices {
		x := &t.voices[i]
		p, silent := x.target, x.silent
		if t.ref != t.target {
			y := *x
			t.e.atTarget(&y, t.target, t.sc.stages)
			p, silent = y.target, y.silent
			if y.lacking {
				continue
			}
		} else if x.lacking {
			continue
		}
		if !silent && p < t.e.def.SurpriseAt {
			t.against = append(t.against, x.reading)
			slots[x.slot] = true
		}
	}
	t.againstFacts = len(slots)
}

// usual are the target's looks: what a specimen usually shows of each trait that
// can be judged at these stages, looked at by the book. can leaves traits out.
func (e *Engine) usual(target int32, stages guide.StageSet, can func(trait int32) bool) []voice {
	return only(e.told.looks(looksKey{target, stages, false}, func() []voice { return e.allUsual(target, stages) }), can)
}

// only keeps the looks at some traits.
func only(all []voice, can func(trait int32) bool) []voice {
	out := make([]voice, 0, len(all))
	for i := range all {
		if can(all[i].trait) {
			out = append(out, all[i])
		}
	}
	return out
}

func (e *Engine) allUsual(target int32, stages guide.StageSet) []voice {
	var out []voice
	row := e.ix.Chances.RowFrom[target]
	for at := range e.ix.Chances.Columns {
		tr := &e.ix.Book.Traits[at]
		if tr.Class == guide.Circumstance || tr.Prepares != "" || tr.Stages&stages == 0 {
			continue
		}
		if tr.Kind == guide.Measure {
			if x, ok := e.usualMeasure(target, int32(at), stages); ok && e.has(target, tr, stages) {
				out = append(out, x)
			}
			continue
		}
		s, ok := e.modal(row, int32(at), e.stagesFor(target, stages, tr))
		if !ok || !e.has(target, tr, stages) {
			continue
		}
		x := e.look(int32(at), s)
		e.atTarget(&x, target, stages)
		out = append(out, x)
	}
	return out
}

// usualMeasure is the middle of what is typical, measured to a tenth.
func (e *Engine) usualMeasure(target, trait int32, stages guide.StageSet) (voice, bool) {
	tr := &e.ix.Book.Traits[trait]
	col := &e.ix.Chances.Columns[trait]
	for _, v := range col.VarsOf(e.ix.Chances.RowFrom[target]) {
		if v.Stages&e.stagesFor(target, stages, tr) == 0 || len(v.Ranges) == 0 {
			continue
		}
		rg := v.Ranges[0].Range
		mid := (rg[1] + rg[2]) / 2
		x := voice{reading: -1, trait: trait, kind: Measured, value: mid, err: mid / 10, method: true, growing: true, class: tr.Class}
		e.atTarget(&x, target, stages)
		return x, true
	}
	return voice{}, false
}

// likely are all states that a specimen of the target may well show of a trait that was
// not looked at: what a best case is made of.
func (e *Engine) likely(target int32, stages guide.StageSet, can func(trait int32) bool) []voice {
	return only(e.told.looks(looksKey{target, stages, true}, func() []voice { return e.allLikely(target, stages) }), can)
}

func (e *Engine) allLikely(target int32, stages guide.StageSet) []voice {
	var out []voice
	for _, x := range e.allUsual(target, stages) {
		tr := &e.ix.Book.Traits[x.trait]
		at := e.stagesFor(target, stages, tr)
		out = append(out, x)
		for s := range tr.States {
			if x.mask != 1<<s && e.shownBy(e.ix.Chances.RowFrom[target], x.trait, s, at) >= e.def.FitsAt {
				y := x
				y.mask, y.or = 1<<s, true
				out = append(out, y)
			}
		}
	}
	return out
}

// shownBy is how often a row shows a state on the mean over some stages.
func (e *Engine) shownBy(row, trait int32, state int, stages guide.StageSet) float64 {
	col := &e.ix.Chances.Columns[trait]
	sum, n := 0.0, 0
	for _, v := range col.VarsOf(row) {
		if k := (v.Stages & stages).Len(); k > 0 && v.At >= 0 {
			sum += float64(col.Shown[int(v.At)+state]) * float64(k)
			n += k
		}
	}
	return sum / float64(max(n, 1))
}

// modal is the state that a row shows most often over some stages.
func (e *Engine) modal(row, trait int32, stages guide.StageSet) (int, bool) {
	col := &e.ix.Chances.Columns[trait]
	var sum [32]float64
	ok := false
	for _, v := range col.VarsOf(row) {
		if v.Stages&stages == 0 || v.At < 0 {
			continue
		}
		ok = true
		for s := 0; s < col.N; s++ {
			sum[s] += float64(col.Shown[int(v.At)+s]) * float64((v.Stages & stages).Len())
		}
	}
	best := 0
	for s := 1; s < col.N; s++ {
		if sum[s] > sum[best] {
			best = s
		}
	}
	return best, ok && col.N > 0
}

// has reports whether an entry usually has the part that a trait is looked for on.
func (e *Engine) has(taxon int32, tr *guide.Trait, stages guide.StageSet) bool {
	p, ok := e.ix.TraitAt(tr.Parent)
	if !ok {
		return true
	}
	ptr := &e.ix.Book.Traits[p]
	s, ok := e.modal(e.ix.Chances.RowFrom[taxon], p, e.stagesFor(taxon, stages, ptr))
	return !ok || tr.ParentStates&(1<<s) != 0
}
