package evidence

import (
	"math"
	"slices"

	"zestythicket/guide"
)

// stake is one open dangerous entry while the next check is chosen: what stands
// against it, fact by fact, and how much its fall counts.
type stake struct {
	taxon, row int32
	taught     bool
	slots      []slotWeight
	need       needs
	bill       bill
	sensory    float64 // of the bill, before the cap of all sensory facts
	left       float64
	weight     float64 // hazard × (standing + an equal share) × what is still needed, so that the hardest comes first
}

// stakes are all open entries.
type stakes struct {
	of    []stake
	total float64
	slot  map[int32]int32 // by fact: the slot that has spoken already
}

// stakes works out what is still needed, entry by entry.
func (t *assessment) stakes() *stakes {
	hardest := t.hardest()
	s := &stakes{of: make([]stake, len(hardest)), slot: t.spoken()}
	all := make([]slotWeight, len(hardest)*t.slots)
	for i, d := range hardest {
		s.of[i] = t.stakeOf(d, all[i*t.slots:(i+1)*t.slots:(i+1)*t.slots])
		s.of[i].weight = t.atStake(d)
		s.total += s.of[i].weight * s.of[i].left
	}
	return s
}

// spoken says, by fact, which slot has spoken of it already.
func (t *assessment) spoken() map[int32]int32 {
	if t.slotOf != nil {
		return t.slotOf
	}
	t.slotOf = map[int32]int32{}
	for i := range t.voices {
		x := &t.voices[i]
		fact := t.e.ix.Chances.Columns[x.trait].Fact
		if x.mask == 0 {
			t.slotOf[fact[0]] = x.slot
		}
		for m := x.mask; m != 0; m &= m - 1 {
			t.slotOf[fact[guide.Lowest(m)]] = x.slot
		}
	}
	return t.slotOf
}

// atStake is how much the fall of what is still needed against an open entry counts.
func (t *assessment) atStake(d int32) float64 {
	return float64(t.grade[d]) * (t.st.share[d] + 1/float64(len(t.open))) * t.tallies[d].left
}

// hardest are the open entries with most at stake, in the order of the guide.
func (t *assessment) hardest() []int32 {
	if len(t.open) <= t.e.def.StakesMost {
		return t.open
	}
	if t.most == nil {
		most := make([]int32, 0, t.e.def.StakesMost+1)
		for _, d := range t.open {
			at := len(most)
			for at > 0 && t.atStake(most[at-1]) < t.atStake(d) {
				at--
			}
			if at < t.e.def.StakesMost {
				most = slices.Insert(most, at, d)
				most = most[:min(len(most), t.e.def.StakesMost)]
			}
		}
		slices.Sort(most)
		t.most = most
	}
	return t.most
}

func (t *assessment) stakeOf(d int32, slots []slotWeight) stake {
	tl := &t.tallies[d]
	st := stake{taxon: d, row: tl.row, taught: t.taught(d), slots: slots, need: tl.need, bill: tl.bill, left: tl.left}
	t.weigh(t.voices, tl.row, st.taught, slots)
	for i := range slots {
		if !slots[i].structural {
			st.sensory += t.e.def.capped(&slots[i])
		}
	}
	return st
}

// slotOf is the slot of what a state says, -1 while nothing has said it.
func (s *stakes) slotOf(e *Engine, trait int32, state int) int32 {
	if at, ok := s.slot[e.ix.Chances.Columns[trait].Fact[state]]; ok {
		return at
	}
	return -1
}

// fall is by how much one more answer would lower what is still needed.
func (st *stake) fall(d *Defaults, slot int32, w float64, structural, high bool) float64 {
	var was slotWeight
	if slot >= 0 {
		was = st.slots[slot]
	}
	if w <= float64(was.pos) && w >= float64(was.neg) {
		return 0
	}
	now := was
	class := guide.Sensory
	if structural {
		class = guide.Structural
	}
	now.add(w, class, high)
	most := d.SensoryMost
	if st.taught {
		most = d.SensoryTaught
	}
	sensory, b := st.sensory, st.bill
	b.sum -= min(sensory, most)
	d.take(&was, &b, &sensory, -1)
	d.take(&now, &b, &sensory, 1)
	b.sum += min(sensory, most)
	return max(0, st.left-d.left(st.need, b))
}

// take adds one fact to a bill, or takes it away again.
func (d *Defaults) take(s *slotWeight, b *bill, sensory *float64, sign int) {
	pos := d.capped(s)
	b.sum += float64(sign) * float64(s.neg)
	if !s.structural {
		*sensory += float64(sign) * pos
		return
	}
	b.sum += float64(sign) * pos
	if pos+float64(s.neg) >= d.FactAt {
		b.structural += sign
	}
}

// allSettled: a check is weighed as if what may confuse it were settled; the looks that
// settle it are offered once it was answered.
func allSettled(guide.TraitRef) bool { return true }

// supposed is a state as an observer would answer it who looks by the book.
func (t *assessment) supposed(trait int32, state int) voice {
	x := t.e.look(trait, state)
	t.e.loosen(&x, t.saw)
	t.e.atTarget(&x, t.ref, t.sc.stages)
	return x
}

// worths fills, for every state of every available trait (numbered by
// Index.StateFrom), the weighted fall of what is still needed that seeing it would
// bring.
func (t *assessment) worths(at *stakes) []float64 {
	ix := t.e.ix
	out := make([]float64, ix.StateFrom[len(ix.Columns)])
	if len(at.of) == 0 {
		return out
	}
	for k := range t.byTrait {
		trait := int32(k)
		if tr := t.trait(trait); tr.Class == guide.Circumstance || tr.Kind == guide.Measure || !t.available(trait) {
			continue
		}
		t.worthOf(trait, at, out[ix.StateFrom[k]:ix.StateFrom[k+1]])
	}
	return out
}

// worthOf is [assessment.worths] for one trait. What a check weighs is read off the
// decibans that were worked out when the guide was compiled.
func (t *assessment) worthOf(trait int32, at *stakes, out []float64) {
	var target [32]float32
	var slots [32]int32
	n := len(out)
	silent, lacking := t.targetDecibans(trait, target[:n])
	if silent || lacking {
		return
	}
	tr := t.trait(trait)
	for s := range slots[:n] {
		slots[s] = at.slotOf(t.e, trait, s)
	}
	structural := tr.Class == guide.Structural
	col := &t.e.ix.Chances.Columns[trait]
	var against [32]float32
	for i := range at.of {
		st := &at.of[i]
		high, ok := t.e.rowDecibans(col, trait, st.row, t.rowStages(st.row, trait), st.taught, against[:n])
		if !ok {
			continue
		}
		for s := 0; s < n; s++ {
			w := float64(target[s] - against[s])
			if w <= 0.5 {
				continue
			}
			out[s] += st.weight * st.fall(&t.e.def, slots[s], w, structural, high&(1<<s) != 0)
		}
	}
}

// targetDecibans are the decibans of each state at the reference.
func (t *assessment) targetDecibans(trait int32, out []float32) (silent, lacking bool) {
	for s := range out {
		x := t.e.look(trait, s)
		t.e.loosen(&x, allSettled)
		t.e.atTarget(&x, t.ref, t.sc.stages)
		if x.silent || x.lacking {
			return x.silent, x.lacking
		}
		out[s] = float32(decibans(x.target))
	}
	return false, false
}

// rowDecibans are the greatest decibans of each state over the stages of a row.
func (e *Engine) rowDecibans(col *guide.ChanceColumn, trait, row int32, stages guide.StageSet, taught bool, out []float32) (high uint32, ok bool) {
	if taught { // few are, so nothing is worked out beforehand
		for s := range out {
			x := e.look(trait, s)
			e.loosen(&x, allSettled)
			p, firm, said, _ := e.of(row, stages, &x, false, true)
			if !said {
				return 0, false
			}
			out[s] = float32(decibans(p))
			if firm {
				high |= 1 << s
			}
		}
		return high, true
	}
	table := e.db[trait]
	for k := col.From[row]; k < col.From[row+1]; k++ {
		v := &col.Vars[k]
		if v.Stages&stages == 0 || v.At < 0 {
			continue
		}
		db := table[v.At : int(v.At)+col.N]
		if !ok {
			copy(out, db)
			high, ok = e.firm[trait][k], true
			continue
		}
		for s, x := range db {
			if x > out[s] {
				out[s] = x
				high = high&^(1<<s) | e.firm[trait][k]&(1<<s)
			}
		}
	}
	return high, ok
}

// compile works out, for every state of every variant, the decibans of being called
// so in a look by the book, while every confused pair is settled.
func (e *Engine) compile() {
	e.db, e.firm = make([][]float32, len(e.ix.Chances.Columns)), make([][]uint32, len(e.ix.Chances.Columns))
	for at := range e.ix.Chances.Columns {
		col := &e.ix.Chances.Columns[at]
		e.db[at], e.firm[at] = make([]float32, len(col.Called)), make([]uint32, len(col.Vars))
		for s := 0; s < col.N; s++ {
			x := e.look(int32(at), s)
			e.loosen(&x, allSettled)
			for k := range col.Vars {
				v := &col.Vars[k]
				if v.At < 0 {
					continue
				}
				p, firm := e.called(col, v, &x, s, false)
				e.db[at][int(v.At)+s] = float32(10 * math.Log10(p))
				if firm {
					e.firm[at][k] |= 1 << s
				}
			}
		}
	}
}

// settling is, by trait, the weighted fall that comes from settling what earlier
// answers may have confused.
func (t *assessment) settling(at *stakes) map[int32]float64 {
	out := map[int32]float64{}
	for i := range t.voices {
		x := &t.voices[i]
		col := &t.e.ix.Chances.Columns[x.trait]
		if col.Partners == nil || len(at.of) == 0 {
			continue
		}
		for m := x.mask; m != 0; m &= m - 1 {
			s := guide.Lowest(m)
			for p := range col.Partners[s] {
				q := &col.Partners[s][p]
				if x.loose[s]&(1<<q.State) == 0 {
					continue
				}
				y := *x
				y.loose[s] &^= 1 << q.State
				t.e.atTarget(&y, t.ref, t.sc.stages)
				gain := t.gain(at, &y)
				for _, ref := range q.SettledBy {
					out[ref.Trait] = max(out[ref.Trait], gain)
				}
			}
		}
	}
	return out
}

// excluding is, by trait, the weighted fall that comes from an answer which excludes
// the form that stands least against: a base that came out whole, a flower.
func (t *assessment) excluding(at *stakes) map[int32]float64 {
	out := map[int32]float64{}
	slots := make([]slotWeight, t.slots)
	for i := range at.of {
		st := &at.of[i]
		c := t.e.ix.Chances
		r := c.Rows[st.row]
		if r.Form < 0 {
			continue
		}
		var left tally
		if t.taxon(r.Taxon).Forms[r.Form].Stages&^preflower == 0 && !t.grown() && t.sc.stages&inFlower != 0 {
			fixes := t.sc.fixes
			t.sc.fixes |= t.sc.stages
			left = t.tallyOf(st.taxon, t.grade[st.taxon], t.voices, slots)
			t.sc.fixes = fixes
			for _, check := range t.e.ix.Book.StageChecks {
				if trait, ok := t.e.ix.TraitAt(check.Trait); ok && check.Stages&t.sc.stages&inFlower != 0 {
					out[trait] += st.weight * max(0, st.left-left.left)
				}
			}
		}
		for _, ref := range c.Unless[st.row] {
			if t.byTrait[ref.Trait] >= 0 {
				continue
			}
			t.ifSeen = append(t.ifSeen[:0], ref)
			left = t.tallyOf(st.taxon, t.grade[st.taxon], t.voices, slots)
			t.ifSeen = t.ifSeen[:0]
			out[ref.Trait] += st.weight * max(0, st.left-left.left)
		}
	}
	t.guarding(at, out)
	return out
}

// guarding adds, by trait, the weighted fall that comes from an answer which guards
// against a mishap: what it would have misled is then several facts.
func (t *assessment) guarding(at *stakes, out map[int32]float64) {
	tried := map[guide.TraitRef]bool{}
	for k := range t.e.ix.Chances.Ties {
		tie := &t.e.ix.Chances.Ties[k]
		if tie.Always || !t.tiesSome(tie) {
			continue
		}
		for _, ref := range tie.Guard {
			if t.byTrait[ref.Trait] >= 0 || tried[ref] {
				continue
			}
			tried[ref] = true
			t.ifSeen = append(t.ifSeen[:0], ref)
			xs := slices.Clone(t.voices)
			slots := make([]slotWeight, t.e.group(xs, t.saw))
			for i := range at.of {
				st := &at.of[i]
				out[ref.Trait] += st.weight * max(0, st.left-t.tallyOf(st.taxon, t.grade[st.taxon], xs, slots).left)
			}
			t.ifSeen = t.ifSeen[:0]
		}
	}
}

// tiesSome: two answers at least would be misled alike.
func (t *assessment) tiesSome(tie *guide.CompiledTie) bool {
	n := 0
	for i := range t.voices {
		if !(tie.Growing && t.voices[i].growing) && misled(tie, &t.voices[i]) {
			n++
		}
	}
	return n > 1 && !anyRef(tie.Guard, t.saw)
}

// gain is the weighted fall if an answer weighed as y does.
func (t *assessment) gain(at *stakes, y *voice) float64 {
	sum := 0.0
	for i := range at.of {
		st := &at.of[i]
		w, high := t.e.weight(y, st.row, t.rowStages(st.row, y.trait), st.taught)
		sum += st.weight * st.fall(&t.e.def, y.slot, w, y.class == guide.Structural, high)
	}
	return sum
}

// better offers the same look again by the method, where that would settle what the
// first look may have confused.
func (t *assessment) better(offers []Offer, at *stakes) []Offer {
	if at.total == 0 {
		return offers
	}
	for i := range t.voices {
		x := &t.voices[i]
		if x.method || x.kind == Measured || t.rs[x.reading].By >= 0 || t.trait(x.trait).BeforePick && t.sc.picked || t.rs[x.reading].From != "" || t.rs[x.reading].Taken {
			continue
		}
		y := *x
		y.method = true
		t.e.loosen(&y, t.saw)
		if y.loose == x.loose {
			continue
		}
		t.e.atTarget(&y, t.ref, t.sc.stages)
		if g := t.gain(at, &y) / at.total; g > 0 {
			offers = append(offers, Offer{Trait: x.trait, For: -1, Better: true, helps: true, Score: g - t.cost(x.trait)})
		}
	}
	return offers
}
