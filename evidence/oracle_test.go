package evidence

import (
	"slices"

	"zestythicket/guide"
	"zestythicket/phenology"
)

// plain is the rules said as directly as possible, without columns, shortcuts or
// shared work. It is the oracle the engine must agree with, and the reference
// its speed is measured against. It takes the readings as resolved, and works
// out the weights, the standing and the worth of every check by itself.
type plain struct {
	b     *guide.Guide
	w     guide.Weights
	rates guide.Rates
	def   Defaults
}

func newPlain(b *guide.Guide, def Defaults) *plain {
	return &plain{b, guide.DefaultWeights(), guide.DefaultRates(), def}
}

func (p *plain) taxonAt(i int32) *guide.Taxon {
	if i < 0 {
		return nil
	}
	return &p.b.Taxa[i]
}

func (p *plain) trait(id string) *guide.Trait {
	for i := range p.b.Traits {
		if p.b.Traits[i].ID == id {
			return &p.b.Traits[i]
		}
	}
	return nil
}

func (p *plain) cell(t *guide.Taxon, trait string) *guide.Cell {
	for i := range t.Cells {
		if t.Cells[i].Trait == trait {
			return &t.Cells[i]
		}
	}
	return nil
}

func (p *plain) variant(t *guide.Taxon, trait string, st guide.Stage) *guide.Variant {
	c := p.cell(t, trait)
	if c == nil {
		return nil
	}
	for i := range c.Variants {
		if c.Variants[i].Stages.Has(st) {
			return &c.Variants[i]
		}
	}
	return nil
}

func stageList(s guide.StageSet) []guide.Stage {
	var out []guide.Stage
	s.Each(func(st guide.Stage) { out = append(out, st) })
	return out
}

func groupName(t *guide.Trait) string {
	if t.Group != "" {
		return t.Group
	}
	return t.ID
}

func (p *plain) dist(t *guide.Taxon, tr *guide.Trait, st guide.Stage) []float64 {
	v := p.variant(t, tr.ID, st)
	if v == nil || v.Kind != guide.Described {
		return nil
	}
	sum := 0.0
	out := make([]float64, len(tr.States))
	for s := range out {
		out[s] = p.w.Of[v.Freq[s]]
		sum += out[s]
	}
	for s := range out {
		out[s] /= sum
	}
	return out
}

func (p *plain) mean(tr *guide.Trait, st guide.Stage) []float64 {
	n := p.w.Smooth
	out := make([]float64, len(tr.States))
	for s := range out {
		out[s] = p.w.Smooth / float64(len(out))
	}
	for i := range p.b.Taxa {
		if d := p.dist(&p.b.Taxa[i], tr, st); d != nil {
			n++
			for s := range out {
				out[s] += d[s]
			}
		}
	}
	for s := range out {
		out[s] /= n
	}
	return out
}

func (p *plain) meanOver(tr *guide.Trait, stages guide.StageSet) []float64 {
	out := make([]float64, len(tr.States))
	list := stageList(stages)
	for _, st := range list {
		for s, x := range p.mean(tr, st) {
			out[s] += x / float64(len(list))
		}
	}
	return out
}

func mass(r *Reading, d []float64) float64 {
	sum, least := 0.0, 1.0
	for s := range d {
		if r.Mask&(1<<s) != 0 {
			sum += d[s]
			least = min(least, d[s])
		}
	}
	if r.Kind == AllOf {
		return least
	}
	return sum
}

// over is a taxon's distribution over its stages, and the share of stages at
// which the part is lacking.
func (p *plain) over(t *guide.Taxon, tr *guide.Trait, stages guide.StageSet) (d []float64, lacking float64) {
	mean := p.meanOver(tr, stages)
	list := stageList(t.StagesFor(stages))
	d = make([]float64, len(tr.States))
	n, gone := 0.0, 0.0
	for _, st := range list {
		if v := p.variant(t, tr.ID, st); v != nil && v.Kind == guide.Inapplicable {
			gone++
			continue
		}
		n++
		x := p.dist(t, tr, st)
		if x == nil {
			x = mean
		}
		for s := range d {
			d[s] += x[s]
		}
	}
	for s := range d {
		if n > 0 {
			d[s] /= n
		}
	}
	return d, gone / (n + gone)
}

func (p *plain) likelihood(t *guide.Taxon, r *Reading, stages guide.StageSet) float64 {
	tr := &p.b.Traits[r.Trait]
	if tr.Kind == guide.Measure {
		return p.measured(t, tr, r, stages)
	}
	d, lacking := p.over(t, tr, stages)
	if lacking == 0 {
		return mass(r, d)
	}
	there := mass(r, p.meanOver(tr, stages))
	if parent := p.trait(tr.Parent); parent != nil {
		seen := &Reading{Kind: AnyOf, Mask: tr.ParentStates}
		if p.cell(t, parent.ID) == nil {
			there = mass(seen, p.meanOver(parent, stages))
		} else if pd, gone := p.over(t, parent, t.StagesFor(stages)); gone > 0 {
			there = p.w.Floor
		} else {
			there = mass(seen, pd)
		}
	}
	return (1-lacking)*mass(r, d) + lacking*there
}

func (p *plain) measured(t *guide.Taxon, tr *guide.Trait, r *Reading, stages guide.StageSet) float64 {
	if x, ok := p.inRange(t, tr, r, stages); ok {
		return x
	}
	return p.measuredMean(tr, r, stages)
}

func (p *plain) inRange(t *guide.Taxon, tr *guide.Trait, r *Reading, stages guide.StageSet) (float64, bool) {
	c := p.cell(t, tr.ID)
	best, ok := p.w.Floor, false
	if c == nil {
		return 0, false
	}
	for _, v := range c.Variants {
		if v.Kind != guide.Described || v.Stages&t.StagesFor(stages) == 0 {
			continue
		}
		ok = true
		rg := v.Range
		mid := (rg[1] + rg[2]) / 2
		x := min(r.Value+r.Err, mid)
		if r.Value >= mid {
			x = max(r.Value-r.Err, mid)
		}
		y := p.w.Floor
		if x >= rg[1] && x <= rg[2] {
			y = 1
		} else if x > rg[0] && x < rg[1] {
			y += (1 - p.w.Floor) * (x - rg[0]) / (rg[1] - rg[0])
		} else if x > rg[2] && x < rg[3] {
			y += (1 - p.w.Floor) * (rg[3] - x) / (rg[3] - rg[2])
		}
		best = max(best, y)
	}
	return best, ok
}

func (p *plain) measuredMean(tr *guide.Trait, r *Reading, stages guide.StageSet) float64 {
	sum, n := 0.5*p.w.Smooth, p.w.Smooth
	for i := range p.b.Taxa {
		if x, ok := p.inRange(&p.b.Taxa[i], tr, r, stages); ok {
			sum += x
			n++
		}
	}
	return sum / n
}

func (p *plain) meanLikelihood(r *Reading, stages guide.StageSet) float64 {
	tr := &p.b.Traits[r.Trait]
	if tr.Kind == guide.Measure {
		return p.measuredMean(tr, r, stages)
	}
	return mass(r, p.meanOver(tr, stages))
}

// standing multiplies, group by group, the smallest likelihood of the group.
func (p *plain) standing(f *Find, rs []Reading, stages guide.StageSet) ([]float64, float64) {
	share := make([]float64, len(p.b.Taxa))
	total := 0.0
	for i := range p.b.Taxa {
		t := &p.b.Taxa[i]
		share[i] = 1
		for _, w := range t.Windows {
			switch phenology.Of(f.Month, w.Months) {
			case phenology.NextTo:
				share[i] = p.def.SeasonNext
			case phenology.Out:
				share[i] = p.def.SeasonOut
			}
		}
		if !slices.Contains(t.Habitats, "wood") {
			share[i] *= p.def.HabitatOff
		}
		total += share[i]
	}
	open := p.def.NotInGuide
	groups := map[string]bool{}
	for i := range rs {
		if (rs[i].Soundness == Sound || rs[i].Soundness == Shaky) && rs[i].By < 0 {
			groups[groupName(&p.b.Traits[rs[i].Trait])] = true
		}
	}
	least := func(g string, like func(*Reading) float64) float64 {
		x := 1e300
		for i := range rs {
			r := &rs[i]
			if groupName(&p.b.Traits[r.Trait]) == g && (r.Soundness == Sound || r.Soundness == Shaky) && r.By < 0 {
				x = min(x, like(r))
			}
		}
		return x
	}
	sum := 0.0
	for i := range share {
		share[i] *= (1 - p.def.NotInGuide) / total
		for g := range groups {
			share[i] *= least(g, func(r *Reading) float64 {
				l := p.meanLikelihood(r, stages)
				if p.cell(&p.b.Taxa[i], p.b.Traits[r.Trait].ID) != nil {
					l = p.likelihood(&p.b.Taxa[i], r, stages)
				}
				if r.Soundness == Shaky {
					l = (l + p.meanLikelihood(r, stages)) / 2
				}
				return l
			})
		}
		sum += share[i]
	}
	for g := range groups {
		open *= least(g, func(r *Reading) float64 { return p.meanLikelihood(r, stages) })
	}
	sum += open
	for i := range share {
		share[i] /= sum
	}
	return share, open / sum
}
