package evidence

import (
	"math"

	"zestythicket/guide"
)

// Weight of evidence (Good 1950, Probability and the Weighing of Evidence, in
// decibans, Turing's unit): a sound answer a weighs
//
//	w = 10·log₁₀( P(a|target) / P(a|entry) )
//
// against a dangerous entry, where P(a|x) = Σₛ C(a|s)·p(s|x): what x shows, and how
// an honest observer may call it. Weights add up over facts; a fact weighs its most
// telling answer plus its most contrary one.

// voice is one answer as it weighs.
type voice struct {
	reading int32 // -1 for a check that nobody made yet
	trait   int32
	kind    AnswerKind
	mask    uint32
	value   float64
	err     float64
	method  bool
	growing bool // read on the growing plant
	// or: it could be answered instead of the voice before, of the same trait.
	or    bool
	class guide.Class
	slot  int32 // of its fact
	// loose are, by state of the mask, the states it is still confused with.
	loose [32]uint32
	// target is P(a|target); silent when the target says nothing of the trait, and
	// lacking when it has not the part.
	target          float64
	silent, lacking bool
	// tabled: its decibans against every row were worked out beforehand.
	tabled   bool
	targetDB float64
}

// called is the chance that a variant makes an observer answer with a state:
//
//	Σ over what it shows: C(state|shown) · P(shown)
//
// where C is what the class of the trait misnames, spread over the other states; more
// where a pair is confused and not settled; next to nothing where nobody confuses it.
// half: the observer was taught this danger in person, and misnames half as often.
func (e *Engine) called(col *guide.ChanceColumn, v *guide.ChanceVar, x *voice, state int, half bool) (p float64, firm bool) {
	rates := &e.ix.Chances.Rates
	shown := col.Shown[v.At : int(v.At)+col.N]
	called := float64(col.Called[int(v.At)+state])
	apart := uint32(0)
	if col.Unmistakable != nil {
		apart = col.Unmistakable[state]
		if x.method {
			apart |= col.Looked[state]
		}
	}
	own, kept := float64(shown[state]), 1.0 // kept: the share of looks at it that are called so
	if col.N > 1 {
		kept -= e.misnames(x.trait)
	}
	if loose := x.loose[state] &^ apart; loose != 0 {
		for i := range col.Partners[state] {
			if q := &col.Partners[state][i]; loose&(1<<q.State) != 0 {
				called += q.Rate * float64(shown[q.State]-shown[state])
				kept -= q.Rate
			}
		}
	}
	if apart != 0 {
		spread := e.misnames(x.trait) / float64(col.N-1)
		for m := apart; m != 0; m &= m - 1 {
			called -= (spread - rates.Firm) * float64(shown[guide.Lowest(m)])
		}
	}
	if v.Firm&(1<<state) != 0 || apart != 0 && v.Denied&(1<<state) != 0 {
		called += kept * (rates.Firm - own)
		own, firm = rates.Firm, true
	}
	if half {
		called = (called + own) / 2
	}
	return max(called, rates.Firm), firm
}

// misnames is the share of looks at a trait that are misnamed.
func (e *Engine) misnames(trait int32) float64 {
	return e.ix.Chances.Rates.Misnamed(&e.ix.Book.Traits[trait])
}

// look is a state as an observer answers it who looks by the book, before anything was
// made of it.
func (e *Engine) look(trait int32, state int) voice {
	return voice{reading: -1, trait: trait, kind: Seen, mask: 1 << state, method: true, growing: true, class: e.ix.Book.Traits[trait].Class}
}

// answered is P(a|variant) for the whole answer: any of several states, all of
// them, or a measurement.
func (e *Engine) answered(col *guide.ChanceColumn, v *guide.ChanceVar, x *voice, half bool) (p float64, firm bool) {
	if x.kind == Measured {
		return v.Of(x.value, x.err, e.ix.Chances.Rates.Outside), false
	}
	firm = true
	least := 1.0
	for m := x.mask; m != 0; m &= m - 1 {
		c, f := e.called(col, v, x, guide.Lowest(m), half)
		p += c
		least = min(least, c)
		firm = firm && f
	}
	if x.kind == AllOf {
		return least, firm
	}
	return min(p, 1), firm
}

// of is P(a|row) over some stages: the greatest for an entry that is weighed
// against, the mean for the target. ok is false when the row says nothing there,
// lacking when it has not the part.
func (e *Engine) of(row int32, stages guide.StageSet, x *voice, mean, half bool) (p float64, firm, ok, lacking bool) {
	col := &e.ix.Chances.Columns[x.trait]
	n := 0
	for k := col.From[row]; k < col.From[row+1]; k++ {
		v := &col.Vars[k]
		here := v.Stages & stages
		if here == 0 {
			continue
		}
		if v.Lacking {
			lacking = true
			continue
		}
		q, f := e.answered(col, v, x, half)
		switch {
		case mean:
			p += q * float64(here.Len())
			n += here.Len()
		case !ok || q > p:
			p, firm = q, f
		}
		ok = true
	}
	if mean && ok {
		p /= float64(n)
	}
	return p, firm, ok, lacking && !ok
}

// meanOver is P(a) over what the kingdom shows on the mean.
func (e *Engine) meanOver(stages guide.StageSet, x *voice) (p float64, ok bool) {
	col := &e.ix.Chances.Columns[x.trait]
	if x.kind == Measured {
		return 0, false
	}
	stages.Each(func(st guide.Stage) {
		if v := &col.Mean[st]; v.Stages != 0 && v.At >= 0 {
			q, _ := e.answered(col, v, x, false)
			p, ok = max(p, q), true
		}
	})
	return p, ok
}

// atTarget fills in what the target says of an answer.
func (e *Engine) atTarget(x *voice, target int32, stages guide.StageSet) {
	tr := &e.ix.Book.Traits[x.trait]
	if target < 0 {
		x.silent, x.lacking = true, true
		return
	}
	st := e.stagesFor(target, stages, tr)
	if x.kind == Seen && popcount(x.mask) == 1 {
		s := guide.Lowest(x.mask)
		col := &e.ix.Chances.Columns[x.trait]
		x.tabled = col.Partners == nil || x.method && x.loose[s] == 0
	}
	p, _, ok, lacking := e.of(e.ix.Chances.RowFrom[target], st, x, true, false)
	x.target, x.lacking, x.silent = p, lacking, !ok
	if !ok && !lacking {
		x.target, ok = e.meanOver(st, x)
		x.lacking = !ok
	}
	x.targetDB = decibans(x.target)
}

// weight is what one answer weighs against a row, in decibans. Where target or
// entry is silent it gives nothing for it, and where one of them lacks the part
// the answer of the parent says it.
func (e *Engine) weight(x *voice, row int32, stages guide.StageSet, half bool) (w float64, high bool) {
	if x.lacking {
		return 0, false
	}
	if x.tabled && !half {
		return e.tabledWeight(x, row, stages)
	}
	p, firm, ok, lacking := e.of(row, stages, x, false, half)
	if lacking {
		return 0, false
	}
	if !ok {
		if p, ok = e.meanOver(stages, x); !ok {
			return 0, false
		}
		return min(0, decibans(x.target/p)), false
	}
	w = decibans(x.target / p)
	if x.silent {
		w = min(0, w)
	}
	return w, firm
}

// tabledWeight is [Engine.weight] for one state that nothing confuses: its decibans
// were worked out when the guide was compiled.
func (e *Engine) tabledWeight(x *voice, row int32, stages guide.StageSet) (w float64, high bool) {
	col := &e.ix.Chances.Columns[x.trait]
	state := int32(guide.Lowest(x.mask))
	most, said, lacking := float32(0), false, false
	for k := col.From[row]; k < col.From[row+1]; k++ {
		v := &col.Vars[k]
		if v.Stages&stages == 0 {
			continue
		}
		if v.Lacking {
			lacking = true
			continue
		}
		if db := e.db[x.trait][v.At+state]; !said || db > most {
			most, high, said = db, e.firm[x.trait][k]&x.mask != 0, true
		}
	}
	switch {
	case said:
		w = x.targetDB - float64(most)
		if x.silent {
			w = min(0, w)
		}
		return w, high
	case lacking:
		return 0, false
	}
	p, ok := e.meanOver(stages, x)
	if !ok {
		return 0, false
	}
	return min(0, decibans(x.target/p)), false
}

func decibans(ratio float64) float64 { return 10 * math.Log10(ratio) }

// slotWeight is what one fact says against a row.
type slotWeight struct {
	pos, neg   float32
	structural bool // the most telling answer is structural
	high       bool // it may weigh up to the higher cap
}

func (s *slotWeight) add(w float64, class guide.Class, high bool) {
	v := float32(w)
	if v > s.pos {
		s.pos, s.structural, s.high = v, class == guide.Structural, high
	}
	s.neg = min(s.neg, v)
}

// bill is what stands against one row.
type bill struct {
	sum        float64
	structural int // facts that weigh enough and rest on structure
}

// capped is what a fact says against a row, at most.
func (d *Defaults) capped(s *slotWeight) float64 {
	if s.high {
		return min(float64(s.pos), d.FactFirm)
	}
	return min(float64(s.pos), d.FactMost)
}

// total adds up facts, with their caps.
func (d *Defaults) total(slots []slotWeight, taught bool) bill {
	var b bill
	sensory := 0.0
	for i := range slots {
		s := &slots[i]
		pos := d.capped(s)
		b.sum += float64(s.neg)
		if s.structural {
			b.sum += pos
			if pos+float64(s.neg) >= d.FactAt {
				b.structural++
			}
		} else {
			sensory += pos
		}
	}
	most := d.SensoryMost
	if taught {
		most = d.SensoryTaught
	}
	b.sum += min(sensory, most)
	return b
}

// needs is what rules an entry of a grade out.
type needs struct {
	sum        float64
	structural int
}

func (d *Defaults) needs(g guide.Grade) needs {
	switch g {
	case guide.Unpleasant:
		return needs{d.NeedUnpleasant, 0}
	case guide.Poisonous:
		return needs{d.NeedPoisonous, 1}
	case guide.Deadly:
		return needs{d.NeedDeadly, 2}
	}
	return needs{}
}

// left is how much is still needed, 0 once ruled out. A structural fact that is
// missing is at least what such a fact weighs.
func (d *Defaults) left(n needs, b bill) float64 {
	return max(0, n.sum-b.sum, float64(n.structural-b.structural)*d.FactAt)
}
