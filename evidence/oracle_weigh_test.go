package evidence

import (
	"math"
	"slices"

	"zestythicket/guide"
)

// show is what an entry or one of its forms shows of a trait at one stage, as all
// readers see it.
type show struct {
	said, lacking bool
	p             []float64
	denied, firm  uint32
	readers, form []guide.PooledRange
}

// shares are one reader's chances of the states; those of an exclusive trait are
// shared out to 1.
func (p *plain) shares(tr *guide.Trait, v *guide.Variant) []float64 {
	out := make([]float64, len(tr.States))
	sum := 0.0
	for s := range out {
		out[s] = p.rates.Of[v.Freq[s]]
		if guide.NeverMask(tr, v)&(1<<s) != 0 {
			out[s] = p.rates.Of[guide.Never]
		}
		sum += out[s]
	}
	for s := range out {
		if tr.Exclusive {
			out[s] /= sum
		}
	}
	return out
}

func variantAt(c *guide.Cell, st guide.Stage) *guide.Variant {
	for i := range c.Variants {
		if c.Variants[i].Stages.Has(st) {
			return &c.Variants[i]
		}
	}
	return nil
}

// shows pools the entry and its readers, and adds what a form says.
func (p *plain) shows(t *guide.Taxon, form *guide.Form, tr *guide.Trait, st guide.Stage) show {
	var out show
	if tr.Kingdom != guide.KingdomUnclear && tr.Kingdom != t.Kingdom {
		return out
	}
	out.p = make([]float64, len(tr.States))
	denied, firm, readers, total := ^uint32(0), uint32(0), 0, 0.0
	take := func(c *guide.Cell, w float64, own bool) {
		v := variantAt(c, st)
		switch {
		case v == nil || v.Kind == guide.Unknown:
		case v.Kind == guide.Inapplicable:
			out.lacking = true
		case tr.Kind == guide.Measure:
			out.readers = append(out.readers, guide.PooledRange{Range: v.Range, Weight: w})
		default:
			for s, x := range p.shares(tr, v) {
				out.p[s] += w * x
			}
			if own {
				firm = v.Decisive
			}
			denied &= guide.NeverMask(tr, v)
			total += w
			readers++
		}
	}
	if c := p.cell(t, tr.ID); c != nil {
		take(c, 1, true)
	}
	for i := range t.Readings {
		if r := &t.Readings[i]; r.Cell.Trait == tr.ID {
			w := 1.0
			if p.b.Readers[r.Reader].Blind {
				w = p.rates.Blind
			}
			take(&r.Cell, w, false)
		}
	}
	for s := range out.p {
		out.p[s] /= total
	}
	if readers >= 2 {
		out.denied = denied & (1<<len(tr.States) - 1)
	}
	if readers >= 3 {
		out.firm = out.denied & firm
	}
	spoke := total > 0
	if form != nil {
		for i := range form.Cells {
			c := &form.Cells[i]
			v := variantAt(c, st)
			if c.Trait != tr.ID || v == nil || v.Kind == guide.Unknown {
				continue
			}
			switch {
			case v.Kind == guide.Inapplicable:
				out.lacking = out.lacking || !spoke
			case tr.Kind == guide.Measure:
				out.form = append(out.form, guide.PooledRange{Range: v.Range})
			default:
				for s, x := range p.shares(tr, v) {
					if spoke && x < out.p[s] {
						x = (x + out.p[s]) / 2
					}
					out.p[s] = x
				}
				spoke = true
				out.denied &= guide.NeverMask(tr, v)
				out.firm &= out.denied
			}
		}
	}
	out.said = spoke || len(out.readers)+len(out.form) > 0
	out.lacking = out.lacking && !out.said
	return out
}

// saw: a sound reading says just this.
func sawOf(p *plain, rs []Reading) func(ts guide.TraitState) bool {
	return func(ts guide.TraitState) bool {
		for i := range rs {
			if p.b.Traits[rs[i].Trait].ID == ts.Trait && rs[i].Soundness == Sound && rs[i].By < 0 && (ts.State < 0 || rs[i].Mask == 1<<ts.State) {
				return true
			}
		}
		return false
	}
}

// said is one answer as the oracle weighs it.
type said struct {
	r       *Reading
	tr      *guide.Trait
	method  bool
	settled func(guide.TraitState) bool
}

// calls is the chance that an observer calls a state s while the specimen shows x:
// Σ C(s|shown)·P(shown).
func (p *plain) calls(x *show, a *said, s int, taught bool) (float64, bool) {
	n := len(a.tr.States)
	if n < 2 {
		return max(x.p[s], p.rates.Firm), false
	}
	err := p.rates.Structural
	if a.tr.Class == guide.Sensory {
		err = p.rates.Sensory
	}
	total, kept, apart := 0.0, 1-err, false
	for from := range a.tr.States {
		if from == s {
			continue
		}
		c := err / float64(n-1)
		if p.unmistakable(a, s, from) {
			c, apart = p.rates.Firm, true
		} else if rate := p.confused(a, s, from); rate > 0 {
			c += rate
			kept -= rate
		}
		total += c * x.p[from]
	}
	own := x.p[s]
	firm := x.firm&(1<<s) != 0 || apart && x.denied&(1<<s) != 0
	if firm {
		own = p.rates.Firm
	}
	total += kept * own
	if taught {
		total = (total + own) / 2
	}
	return max(total, p.rates.Firm), firm
}

func (p *plain) misnaming(trait string) *guide.Misnaming {
	for i := range p.b.Misnamings {
		if p.b.Misnamings[i].Trait == trait {
			return &p.b.Misnamings[i]
		}
	}
	return &guide.Misnaming{}
}

func (p *plain) unmistakable(a *said, s, from int) bool {
	for _, u := range p.misnaming(a.tr.ID).Unmistakable {
		if (u.A == s && u.B == from || u.B == s && u.A == from) && (u.When == "" || a.method) {
			return true
		}
	}
	return false
}

// confused is the rate of a pair that nothing has settled.
func (p *plain) confused(a *said, s, from int) float64 {
	for _, c := range p.misnaming(a.tr.ID).Confused {
		if c.A == s && c.B == from || c.B == s && c.A == from {
			if a.r.Mask&(1<<from) == 0 && !(c.By != "" && a.method) && !slices.ContainsFunc(c.SettledBy, a.settled) {
				return c.Rate
			}
		}
	}
	return 0
}

func (p *plain) chance(x *show, a *said, taught bool) (float64, bool) {
	if a.r.Kind == Measured {
		sum, total, form := 0.0, 0.0, 0.0
		for _, g := range x.readers {
			sum, total = sum+g.Weight*p.within(g.Range, a.r), total+g.Weight
		}
		for _, g := range x.form {
			form = max(form, p.within(g.Range, a.r))
		}
		if total > 0 {
			form = max(form, sum/total)
		}
		return form, false
	}
	sum, least, firm := 0.0, 1.0, true
	for s := range a.tr.States {
		if a.r.Mask&(1<<s) != 0 {
			c, f := p.calls(x, a, s, taught)
			sum, least, firm = sum+c, min(least, c), firm && f
		}
	}
	if a.r.Kind == AllOf {
		return least, firm
	}
	return min(1, sum), firm
}

// within: 1 in the typical part, falling to the floor at the extremes.
func (p *plain) within(g [4]float64, r *Reading) float64 {
	x := r.Value
	if mid := (g[1] + g[2]) / 2; x < mid {
		x = min(x+r.Err, mid)
	} else {
		x = max(x-r.Err, mid)
	}
	part := func(a, b float64) float64 { return p.rates.Outside + (1-p.rates.Outside)*(x-a)/(b-a) }
	switch {
	case x >= g[1] && x <= g[2]:
		return 1
	case x > g[0] && x < g[1]:
		return part(g[0], g[1])
	case x > g[2] && x < g[3]:
		return part(g[3], g[2])
	}
	return p.rates.Outside
}

// kingdomMean is what the entries show of a trait on the mean, at one stage.
func (p *plain) kingdomMean(tr *guide.Trait, st guide.Stage) *show {
	out, n := show{p: make([]float64, len(tr.States))}, 0.0
	for i := range p.b.Taxa {
		if !p.b.Taxa[i].Stages.Has(st) {
			continue
		}
		if x := p.shows(&p.b.Taxa[i], nil, tr, st); x.said && tr.Kind != guide.Measure {
			n++
			for s := range x.p {
				out.p[s] += x.p[s]
			}
		}
	}
	if n == 0 {
		return nil
	}
	for s := range out.p {
		out.p[s] /= n
	}
	return &out
}

func (p *plain) meanCalled(a *said, stages guide.StageSet) (best float64, ok bool) {
	for _, st := range stageList(stages) {
		if m := p.kingdomMean(a.tr, st); m != nil {
			c, _ := p.chance(m, a, false)
			best, ok = max(best, c), true
		}
	}
	return best, ok
}

// at puts together what an entry or form says of an answer over some stages.
func (p *plain) at(t *guide.Taxon, form *guide.Form, a *said, stages guide.StageSet, taught bool) (most, mean float64, firm, ok, lacking bool) {
	n := 0.0
	for _, st := range stageList(stages) {
		if form == nil && !t.Stages.Has(st) || form != nil && !form.Stages.Has(st) {
			continue
		}
		x := p.shows(t, form, a.tr, st)
		if x.lacking {
			lacking = true
		}
		if !x.said {
			continue
		}
		c, f := p.chance(&x, a, taught)
		if !ok || c > most {
			most, firm = c, f
		}
		mean, n, ok = mean+c, n+1, true
	}
	return most, mean / n, firm, ok, lacking && !ok
}

func held(t *guide.Taxon, tr *guide.Trait, stages guide.StageSet) guide.StageSet {
	st := t.StagesFor(stages)
	if st&tr.Stages != 0 {
		st &= tr.Stages
	}
	return st
}

// weigh is what one answer weighs against an entry or form.
func (p *plain) weigh(target, t *guide.Taxon, form *guide.Form, a *said, sc *scene, taught bool) (w float64, high bool) {
	st := t.StagesFor(sc.eff)
	if form != nil {
		st &= form.Stages
	}
	if st&a.tr.Stages != 0 {
		st &= a.tr.Stages
	}
	most, _, firm, ok, lacking := p.at(t, form, a, st, taught)
	if lacking {
		return 0, false
	}
	of, silent, gone := p.ofTarget(target, a, sc)
	if gone {
		return 0, false
	}
	if !ok {
		m, any := p.meanCalled(a, st)
		if !any {
			return 0, false
		}
		return min(0, 10*math.Log10(of/m)), false
	}
	w = 10 * math.Log10(of/most)
	if silent {
		w = min(0, w)
	}
	return w, firm
}

// ofTarget is P(a|target): the mean over the stated stages.
func (p *plain) ofTarget(target *guide.Taxon, a *said, sc *scene) (of float64, silent, lacking bool) {
	if target == nil {
		return 0, true, true
	}
	st := held(target, a.tr, sc.stages)
	_, mean, _, ok, lacking := p.at(target, nil, a, st, false)
	if ok || lacking {
		return mean, false, lacking
	}
	m, any := p.meanCalled(a, st)
	return m, true, !any
}
