package evidence

import (
	"math"
	"slices"

	"zestythicket/guide"
)

// A simulation asks how often the rules would let a dangerous specimen through. Specimens
// are drawn from the pooled frequencies, form by form, so that states go together; an
// observer who hopes for the target names them, and every mistake goes towards the hope.
// The looks are made in the order in which they weigh most against the entry, the key
// traits first, and it passes as soon as the target matches and everything dangerous in
// scope is ruled out: the observer may stop wherever it suits the hope best.

// Hopeful is how a simulated observer errs.
type Hopeful struct {
	// Times multiplies the shares of looks that are misnamed, and of mishaps.
	Times float64
	// Right is the share of second looks that see what is there.
	Right float64
}

// SimPair is a target at one stage and a dangerous entry taken for it.
type SimPair struct {
	Target, Other int32
	Grade         guide.Grade
	Stage         guide.Stage
}

// Draw is what came of one specimen.
type Draw struct {
	// Margin is by how much, after the answer that was best for the hope, everything
	// dangerous was ruled out with decibans to spare; below 0 it was not. -Inf where it was
	// short by more than SimMost or the target did not match.
	Margin float64
	// Mistakes are how many looks and mishaps went wrong up to there.
	Mistakes int
	Row      int32
}

// Simulator draws specimens of one pair.
type Simulator struct {
	t     *assessment
	pair  SimPair
	order []simLook
	keys  int // the first so many are key traits
	slots []slotWeight
	// others are the dangerous entries in scope beside the pair's.
	others []SimPair
	// LeftOut: the entry is not in the guide; only the others have to be ruled out.
	LeftOut bool
}

// SimMost is how far below what is needed a simulation looks, in decibans.
const SimMost = 25

// simLook is one look that the target has an opinion of, with what it hopes to see.
type simLook struct {
	trait int32
	hope  int
	key   bool
	// varies are the states that some reader says a specimen of the target may show.
	varies uint32
}

// Simulator prepares the draws of a pair: the looks in the order in which they weigh
// most, the key traits of the target first.
func (e *Engine) Simulator(p SimPair) *Simulator {
	b := e.book(p.Target, guide.NewStageSet(p.Stage))
	t := b.t
	s := &Simulator{t: t, pair: p}
	tl := b.tally(p.Other, p.Grade, false)
	keys := t.taxon(p.Target).KeyFor(t.sc.stages)
	type look struct {
		simLook
		w float64
	}
	var looks []look
	for i := range b.xs {
		x := &b.xs[i]
		if x.kind == Measured { // what is measured is not misnamed
			continue
		}
		w, _ := e.weight(x, tl.row, t.rowStages(tl.row, x.trait), false)
		looks = append(looks, look{simLook{x.trait, guide.Lowest(x.mask), slices.Contains(keys, t.trait(x.trait).ID), e.listed(p.Target, x.trait, p.Stage)}, w})
	}
	slices.SortStableFunc(looks, func(a, b look) int {
		if a.key != b.key {
			return boolInt(b.key) - boolInt(a.key)
		}
		return int(math.Copysign(1, b.w-a.w))
	})
	for _, l := range looks {
		s.order = append(s.order, l.simLook)
		s.keys += boolInt(l.key)
	}
	s.scope()
	return s
}

// scope lists what else has to be ruled out, where both grow.
func (s *Simulator) scope() {
	t := s.t
	tx := t.taxon(s.pair.Target)
	region := tx.Regions[0]
	for _, r := range tx.Regions {
		if t.taxon(s.pair.Other).OnContinentOf(r) {
			region = r
			break
		}
	}
	f := &Find{Intent: Eat, Target: tx.ID, Place: Place{Region: region}}
	if len(tx.Uses) > 0 {
		f.Part, f.Prep = tx.Uses[0].Part, tx.Uses[0].Preparation
	}
	sc := &assessment{e: t.e, f: f, target: s.pair.Target, kingdom: tx.Kingdom}
	sc.scope()
	for d := range sc.in {
		if sc.in[d] && sc.grade[d] > 0 && int32(d) != s.pair.Other && !sc.exempt(int32(d)) {
			s.others = append(s.others, SimPair{s.pair.Target, int32(d), sc.grade[d], s.pair.Stage})
		}
	}
}

// Rows are the rows of an entry that its stage allows: as described, and its forms.
func (s *Simulator) Rows() []int32 {
	c := s.t.e.ix.Chances
	var out []int32
	for row := c.RowFrom[s.pair.Other]; row < c.RowFrom[s.pair.Other+1]; row++ {
		if f := c.Rows[row].Form; f < 0 || s.t.taxon(s.pair.Other).Forms[f].Stages.Has(s.pair.Stage) {
			out = append(out, row)
		}
	}
	return out
}

// drawState draws what a row shows of a trait at a stage; -1 where nothing is said or the
// part is lacking.
func (e *Engine) drawState(row, trait int32, st guide.Stage, rnd func() float64) int {
	return e.drawAmong(row, trait, st, ^uint32(0), rnd)
}

// drawAmong draws among some states only.
func (e *Engine) drawAmong(row, trait int32, st guide.Stage, among uint32, rnd func() float64) int {
	col := &e.ix.Chances.Columns[trait]
	for _, v := range col.VarsOf(row) {
		if v.Stages.Has(st) && v.At >= 0 && !v.Lacking {
			return pick(col.Shown[v.At:int(v.At)+col.N], among, rnd)
		}
	}
	if v := &col.Mean[st]; v.At >= 0 && v.Stages.Has(st) && !e.lacksAt(row, trait, st) {
		return pick(col.Shown[v.At:int(v.At)+col.N], among, rnd)
	}
	return -1
}

func (e *Engine) lacksAt(row, trait int32, st guide.Stage) bool {
	for _, v := range e.ix.Chances.Columns[trait].VarsOf(row) {
		if v.Stages.Has(st) && v.Lacking {
			return true
		}
	}
	return false
}

// listed are the states that the entry or one of its readers says it shows at a stage,
// however rarely; all of them where nobody says anything. What nobody lists keeps a rest
// of doubt in the pool, and is no natural variation.
func (e *Engine) listed(taxon, trait int32, st guide.Stage) uint32 {
	t := &e.ix.Book.Taxa[taxon]
	id := e.ix.Book.Traits[trait].ID
	var m uint32
	take := func(c *guide.Cell) {
		for i := range c.Variants {
			for s, f := range c.Variants[i].Freq {
				if c.Trait == id && c.Variants[i].Stages.Has(st) && f >= guide.Rarely {
					m |= 1 << s
				}
			}
		}
	}
	for i := range t.Cells {
		take(&t.Cells[i])
	}
	for i := range t.Readings {
		take(&t.Readings[i].Cell)
	}
	if m == 0 {
		return ^uint32(0)
	}
	return m
}

// pick draws a state by its share, among some.
func pick(p []float32, among uint32, rnd func() float64) int {
	sum, last := float32(0), -1
	for s, x := range p {
		if among&(1<<s) != 0 {
			sum, last = sum+x, s
		}
	}
	at := float32(rnd()) * sum
	for s, x := range p {
		if among&(1<<s) == 0 {
			continue
		}
		if at -= x; at < 0 {
			return s
		}
	}
	return last
}

// Draw draws one specimen from a row and lets a hopeful observer name it. A key trait in
// a rare state is let pass, as the rules do once it was confirmed.
func (s *Simulator) Draw(row int32, o Hopeful, rnd func() float64) Draw {
	out := Draw{Margin: math.Inf(-1), Row: row}
	wrong := s.mishaps(o, rnd)
	xs := make([]voice, 0, len(s.order))
	mistakes := 0
	fooled := map[int32]bool{}
	for i, l := range s.order {
		shown := s.t.e.drawState(row, l.trait, s.pair.Stage, rnd)
		if shown < 0 {
			if l.key {
				return out // a key trait that is not there can't fit
			}
			continue
		}
		said := shown
		if m, state := s.misledBy(wrong, l.trait, shown); m >= 0 {
			said = state
			if !fooled[m] {
				fooled[m] = true
				mistakes++
			}
		} else if shown != l.hope && rnd() < o.Times*s.t.e.errsTo(l.trait, shown, l.hope) {
			said = l.hope
			mistakes++
		}
		x, odd := s.says(l.trait, said)
		if odd {
			// Looked at again: the first is confirmed, or two further looks see the hope.
			second, third := rnd(), rnd()
			if min(second, third) < o.Right {
				return out
			}
			mistakes += 2
			x, _ = s.says(l.trait, l.hope)
		}
		xs = append(xs, x)
		if i+1 < s.keys {
			continue
		}
		if m := s.margin(xs, math.Max(out.Margin, -SimMost)); m > out.Margin {
			out.Margin, out.Mistakes = m, mistakes
		}
	}
	return out
}

// says is an answer as it weighs, and whether it is one that the target hardly ever
// gives, which asks for another look.
func (s *Simulator) says(trait int32, state int) (x voice, odd bool) {
	x = s.t.e.look(trait, state)
	s.t.e.atTarget(&x, s.pair.Target, s.t.sc.stages)
	return x, !x.silent && !x.lacking && x.target < s.t.e.def.SurpriseAt
}

// margin is by how much everything dangerous is ruled out, -Inf where that is not more
// than floor.
func (s *Simulator) margin(xs []voice, floor float64) float64 {
	t := s.t
	n := t.settleAmong(xs)
	if len(s.slots) < n {
		s.slots = make([]slotWeight, n+8)
	}
	least := math.Inf(1)
	if !s.LeftOut {
		least = s.stands(xs, s.pair, s.slots[:n])
	}
	for i := 0; i < len(s.others) && least > floor; i++ {
		least = min(least, s.stands(xs, s.others[i], s.slots[:n]))
	}
	if least <= floor {
		return math.Inf(-1)
	}
	return least
}

// stands is the sum against an entry less what it needs, on the row that it stands least
// against; -Inf while too few structural facts speak.
func (s *Simulator) stands(xs []voice, p SimPair, slots []slotWeight) float64 {
	t := s.t
	need := t.e.def.needs(p.Grade)
	least := math.Inf(1)
	for row := t.e.ix.Chances.RowFrom[p.Other]; row < t.e.ix.Chances.RowFrom[p.Other+1]; row++ {
		if !t.allowed(row) {
			continue
		}
		t.weigh(xs, row, false, slots)
		b := t.e.def.total(slots, false)
		if b.structural < need.structural {
			return math.Inf(-1)
		}
		least = min(least, b.sum-need.sum)
	}
	return least
}

// errsTo is the share of looks at a state that are called another one, by the method
// and where all errors go that way.
func (e *Engine) errsTo(trait int32, from, to int) float64 {
	p := e.misnames(trait)
	col := &e.ix.Chances.Columns[trait]
	if col.Unmistakable != nil && (col.Unmistakable[from]|col.Looked[from])&(1<<to) != 0 {
		return e.ix.Chances.Rates.Firm
	}
	if col.Partners != nil {
		for i := range col.Partners[from] {
			if q := &col.Partners[from][i]; int(q.State) == to && !q.By {
				p += q.Rate
			}
		}
	}
	return p
}

// mishaps draws what goes wrong with the whole specimen. Whatever has a guard is
// guarded, since nothing is complete before.
func (s *Simulator) mishaps(o Hopeful, rnd func() float64) []int32 {
	var out []int32
	b := s.t.e.ix.Book
	for i := range b.Mishaps {
		m := &b.Mishaps[i]
		rate := m.Without
		if len(m.Guard) > 0 {
			rate = m.With
		}
		if (m.Kingdom == guide.KingdomUnclear || m.Kingdom == s.t.kingdom) && rnd() < min(0.9, o.Times*rate) {
			out = append(out, int32(i))
		}
	}
	return out
}

// misledBy finds a mishap that makes the observer answer otherwise, and what.
func (s *Simulator) misledBy(wrong []int32, trait int32, state int) (mishap int32, reads int) {
	ix := s.t.e.ix
	id := s.t.trait(trait).ID
	for _, k := range wrong {
		for _, m := range ix.Book.Mishaps[k].Misled {
			if m.Reads.Trait != id || m.Reads.State < 0 || m.Reads.State == state {
				continue
			}
			if len(m.For) == 0 {
				continue // anything may be read for anything: it ties, and misleads by itself
			}
			for _, f := range m.For {
				if f.Trait == id && f.State == state {
					return k, m.Reads.State
				}
			}
		}
	}
	return -1, 0
}

// Truth is what came of a true specimen of the target.
type Truth struct {
	Complete bool
	// Answers were given until it was complete.
	Answers int
	// Refused: what it truly shows, or was misnamed, speaks against the target.
	Refused bool
}

// True draws a specimen of the target itself, with the variation that readers list, and lets an
// observer name it who errs without hope: every state is misnamed as its trait says. What
// speaks against the target is looked at again by another way and then named rightly.
func (s *Simulator) True(times float64, rnd func() float64) Truth {
	row := s.t.e.ix.Chances.RowFrom[s.pair.Target]
	xs := make([]voice, 0, len(s.order))
	var out Truth
	for i, l := range s.order {
		shown := s.t.e.drawAmong(row, l.trait, s.pair.Stage, l.varies, rnd)
		if shown < 0 {
			continue
		}
		x, odd := s.says(l.trait, s.t.e.misname(l.trait, shown, times, rnd))
		out.Answers++
		if odd {
			out.Answers++
			if x, odd = s.says(l.trait, shown); odd {
				out.Refused = true // it is really so, and a second look confirms it
				return out
			}
			out.Answers++ // a third settles the two that differ
		}
		xs = append(xs, x)
		if i+1 >= s.keys && !math.IsInf(s.margin(xs, -1e-9), -1) {
			out.Complete = true
			return out
		}
	}
	return out
}

// misname draws what a state is called.
func (e *Engine) misname(trait int32, state int, times float64, rnd func() float64) int {
	col := &e.ix.Chances.Columns[trait]
	at := rnd()
	if col.Partners != nil {
		for i := range col.Partners[state] {
			if q := &col.Partners[state][i]; !q.By {
				if at -= times * q.Rate; at < 0 {
					return int(q.State)
				}
			}
		}
	}
	if at -= times * e.misnames(trait); at < 0 && col.N > 1 {
		return (state + 1 + int(rnd()*float64(col.N-1))) % col.N
	}
	return state
}
