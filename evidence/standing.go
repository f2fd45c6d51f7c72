package evidence

import (
	"zestythicket/guide"
	"zestythicket/phenology"
)

// standing is the Bayesian share of every entry in scope, plus that of
// "something that is not in this guide".
//
//	share ∝ prior × Π over evidence groups of the smallest likelihood of the
//	group's readings
//
// The prior is uniform × season × habitat. Shaky readings are mixed half and
// half with the trait's mean; unknown cells and the open hypothesis take the
// mean itself.
type standing struct {
	share      []float64
	notInGuide float64
}

// usable reports whether a reading weighs in the standing at all.
func usable(r *Reading) bool {
	return (r.Soundness == Sound || r.Soundness == Shaky) && r.By < 0
}

func (e *Engine) prior(f *Find, sc *scene, in []bool) []float64 {
	p := make([]float64, len(in))
	sum := 0.0
	here := e.ix.HabitatMask(f.Place.Habitats)
	for t := range in {
		if !in[t] {
			continue
		}
		w := e.seasonWeight(int32(t), f.Month, sc.stages)
		if len(f.Place.Habitats) > 0 && e.ix.Habitats[t] != 0 && e.ix.Habitats[t]&here == 0 {
			w *= e.def.HabitatOff
		}
		if e.base != nil {
			w *= e.base[t]
		}
		p[t] = w
		sum += w
	}
	for t := range p {
		p[t] *= (1 - e.def.NotInGuide) / sum
	}
	return p
}

// seasonWeight is the best fit over the entry's windows for the stages.
func (e *Engine) seasonWeight(taxon int32, month int, stages guide.StageSet) float64 {
	best := phenology.Unknown
	for i := e.ix.WindowFrom[taxon]; i < e.ix.WindowFrom[taxon+1]; i++ {
		w := &e.ix.Windows[i]
		if w.Stages&stages == 0 {
			continue
		}
		if fit := phenology.Of(month, w.Months); best == phenology.Unknown || fit < best {
			best = fit
		}
	}
	switch best {
	case phenology.NextTo:
		return e.def.SeasonNext
	case phenology.Out:
		return e.def.SeasonOut
	}
	return 1
}

// standing works group by group; the shares are scaled when they get small, so
// that many unlikely readings can't underflow.
func (e *Engine) standing(f *Find, rs []Reading, sc *scene, in []bool) standing {
	st := standing{share: e.prior(f, sc, in), notInGuide: e.def.NotInGuide}
	var factor []float64
	done := make([]bool, len(rs))
	n := 0
	for i := range rs {
		if done[i] || !usable(&rs[i]) {
			continue
		}
		g, alone := e.ix.GroupOf[rs[i].Trait], true
		for j := i + 1; j < len(rs); j++ {
			alone = alone && (e.ix.GroupOf[rs[j].Trait] != g || !usable(&rs[j]))
		}
		if alone {
			e.raise(&rs[i], sc.stages, in, st.share)
			if n++; n%24 == 0 { // long before a float runs over
				st.over(st.sum())
			}
			continue
		}
		if factor == nil {
			factor = make([]float64, len(in))
		}
		open := 1.0
		for t := range factor {
			factor[t] = 1e300
		}
		for j := i; j < len(rs); j++ {
			if e.ix.GroupOf[rs[j].Trait] != g || !usable(&rs[j]) {
				continue
			}
			done[j] = true
			mean := e.lower(&rs[j], sc.stages, in, factor)
			if j == i || mean < open {
				open = mean
			}
		}
		if sum := st.times(factor, open); sum < 1e-100 || sum > 1e100 {
			st.over(sum)
		}
	}
	st.over(st.sum())
	return st
}

// raise multiplies the shares of those who document a trait by their likelihood
// over the mean; everyone else has the mean, so that nothing need be done there.
func (e *Engine) raise(r *Reading, stages guide.StageSet, in []bool, share []float64) {
	tr := &e.ix.Book.Traits[r.Trait]
	col := &e.ix.Columns[r.Trait]
	var dist [32]float64
	mean := e.meanOf(r, tr, col, stages, dist[:col.N])
	w := e.ix.Weights().Of
	var one []guide.Frequency // of the state, when one was seen: by far the most common answer
	if r.Kind != AllOf && popcount(r.Mask) == 1 && tr.Kind != guide.Measure {
		one = col.ByState[lowest(r.Mask)*len(col.Taxa):][:len(col.Taxa)]
	}
	for row, taxon := range col.Taxa {
		if !in[taxon] {
			continue
		}
		var p float64
		if norm := col.Plain[row]; one != nil && norm > 0 {
			p = w[one[row]] * norm
		} else {
			var ok bool
			if p, ok = e.plainLikelihood(r, tr, col, int32(row), taxon, stages); !ok {
				p = e.likelihood(r, tr, col, int32(row), taxon, stages, dist[:col.N], mean)
			}
		}
		if r.Soundness == Shaky {
			p = (p + mean) / 2
		}
		share[taxon] *= p / mean
	}
}

func (st *standing) sum() float64 {
	sum := st.notInGuide
	for _, p := range st.share {
		sum += p
	}
	return sum
}

// times multiplies the shares and returns their sum.
func (st *standing) times(factor []float64, open float64) float64 {
	st.notInGuide *= open
	sum := st.notInGuide
	for t := range st.share {
		st.share[t] *= factor[t]
		sum += st.share[t]
	}
	return sum
}

func (st *standing) over(sum float64) {
	for t := range st.share {
		st.share[t] /= sum
	}
	st.notInGuide /= sum
}

// lower takes, for every taxon, the smaller of its factor so far and its
// likelihood for one reading. It returns the trait's mean.
func (e *Engine) lower(r *Reading, stages guide.StageSet, in []bool, factor []float64) float64 {
	tr := &e.ix.Book.Traits[r.Trait]
	col := &e.ix.Columns[r.Trait]
	var dist [32]float64
	mean := e.meanOf(r, tr, col, stages, dist[:col.N])
	next := 0
	for row, taxon := range col.Taxa {
		for ; next < int(taxon); next++ {
			factor[next] = min(factor[next], mean)
		}
		next = int(taxon) + 1
		if !in[taxon] {
			continue
		}
		p, ok := e.plainLikelihood(r, tr, col, int32(row), taxon, stages)
		if !ok {
			p = e.likelihood(r, tr, col, int32(row), taxon, stages, dist[:col.N], mean)
		}
		if r.Soundness == Shaky {
			p = (p + mean) / 2
		}
		factor[taxon] = min(factor[taxon], p)
	}
	for ; next < len(factor); next++ {
		factor[next] = min(factor[next], mean)
	}
	return mean
}

// meanOf is the trait's mean likelihood of the reading; dist is filled with the
// mean weight of each state over the stage set.
func (e *Engine) meanOf(r *Reading, tr *guide.Trait, col *guide.Column, stages guide.StageSet, dist []float64) float64 {
	if tr.Kind == guide.Measure {
		sum, n := 0.0, 0.0
		for row, taxon := range col.Taxa {
			if p, ok := e.rangeLikelihood(col, int32(row), e.taxonStages(taxon, stages), r); ok {
				sum += p
				n++
			}
		}
		return (sum + 0.5*e.ix.Weights().Smooth) / (n + e.ix.Weights().Smooth)
	}
	e.meanDist(col, stages, dist)
	return massOf(r, dist)
}

func (e *Engine) meanDist(col *guide.Column, stages guide.StageSet, dist []float64) {
	clear(dist)
	n := float64(stages.Len())
	stages.Each(func(st guide.Stage) {
		for s := range dist {
			dist[s] += col.Mean[int(st)*col.N+s] / n
		}
	})
}

// massOf sums for any-of, takes the least for all-of.
func massOf(r *Reading, dist []float64) float64 {
	if r.Kind == AllOf {
		least := 1.0
		for s := range dist {
			if r.Mask&(1<<s) != 0 {
				least = min(least, dist[s])
			}
		}
		return least
	}
	sum := 0.0
	for s := range dist {
		if r.Mask&(1<<s) != 0 {
			sum += dist[s]
		}
	}
	return sum
}

// plainLikelihood is the likelihood where one variant covers every stage, which
// is nearly always: the other states need not be looked at.
func (e *Engine) plainLikelihood(r *Reading, tr *guide.Trait, col *guide.Column, row, taxon int32, stages guide.StageSet) (float64, bool) {
	v := col.First[row]
	if tr.Kind == guide.Measure || r.Kind == AllOf {
		return 0, false
	}
	if !col.Vars[v].Whole {
		if v = col.Covering(row, e.ix.StagesOf(taxon, stages)); v < 0 || col.Vars[v].Kind != guide.Described {
			return 0, false
		}
	}
	cv := &col.Vars[v]
	w, sum := e.ix.Weights(), 0.0
	for m := r.Mask; m != 0; m &= m - 1 {
		sum += w.Of[col.Freq[int(v)*col.N+lowest(m)]]
	}
	return sum * cv.Norm, true
}

func (e *Engine) taxonStages(taxon int32, stages guide.StageSet) guide.StageSet {
	return e.ix.StagesOf(taxon, stages)
}

// likelihood of a reading under one row: the mean over the taxon's stages, with
// the trait's mean where a stage is unknown, and the parent's where the part is
// lacking.
func (e *Engine) likelihood(r *Reading, tr *guide.Trait, col *guide.Column, row, taxon int32, stages guide.StageSet, mean []float64, meanP float64) float64 {
	own := e.taxonStages(taxon, stages)
	if tr.Kind == guide.Measure {
		if p, ok := e.rangeLikelihood(col, row, own, r); ok {
			return p
		}
		return meanP
	}
	var dist [32]float64
	if lacking := e.rowDist(col, row, own, mean, dist[:col.N]); lacking == 1 {
		return e.parentLikelihood(tr, taxon, own, meanP)
	} else if lacking > 0 {
		return (1-lacking)*massOf(r, dist[:col.N]) + lacking*e.parentLikelihood(tr, taxon, own, meanP)
	}
	return massOf(r, dist[:col.N])
}

// rowDist fills the mean weight of each state over the stages and returns the
// share of stages at which the part is lacking; dist is over the others.
func (e *Engine) rowDist(col *guide.Column, row int32, stages guide.StageSet, mean, dist []float64) (lacking float64) {
	w := e.ix.Weights()
	first, last := col.First[row], col.First[row+1]
	if v := col.Covering(row, stages); v >= 0 && col.Vars[v].Kind == guide.Described {
		cv := &col.Vars[v]
		fr := col.Freq[int(v)*col.N : (int(v)+1)*col.N]
		for s := range dist {
			dist[s] = w.Of[fr[s]] * cv.Norm
		}
		return 0
	}
	clear(dist)
	n, gone := 0.0, 0.0
	stages.Each(func(st guide.Stage) {
		for v := first; v < last; v++ {
			cv := &col.Vars[v]
			if !cv.Stages.Has(st) {
				continue
			}
			switch cv.Kind {
			case guide.Inapplicable:
				gone++
				return
			case guide.Described:
				n++
				for s := range dist {
					dist[s] += w.Of[col.Freq[int(v)*col.N+s]] * cv.Norm
				}
				return
			}
		}
		n++
		for s := range dist {
			dist[s] += mean[s]
		}
	})
	for s := range dist {
		if n > 0 {
			dist[s] /= n
		}
	}
	return gone / (n + gone)
}

// parentLikelihood is how likely the part is there at all.
func (e *Engine) parentLikelihood(tr *guide.Trait, taxon int32, stages guide.StageSet, otherwise float64) float64 {
	p, ok := e.ix.TraitAt(tr.Parent)
	if !ok {
		return otherwise
	}
	col := &e.ix.Columns[p]
	var mean, dist [32]float64
	e.meanDist(col, stages, mean[:col.N])
	r := Reading{Kind: AnyOf, Mask: tr.ParentStates}
	row, ok := rowOf(col, taxon)
	if !ok {
		return massOf(&r, mean[:col.N])
	}
	if e.rowDist(col, row, stages, mean[:col.N], dist[:col.N]) > 0 {
		return e.ix.Weights().Floor
	}
	return massOf(&r, dist[:col.N])
}

func rowOf(col *guide.Column, taxon int32) (int32, bool) {
	lo, hi := 0, len(col.Taxa)
	for lo < hi {
		mid := (lo + hi) / 2
		if col.Taxa[mid] < taxon {
			lo = mid + 1
		} else {
			hi = mid
		}
	}
	return int32(lo), lo < len(col.Taxa) && col.Taxa[lo] == taxon
}

// rangeLikelihood is flat in the typical range and falls to the floor at the
// extremes; the reading's error is given to the taxon's favour.
func (e *Engine) rangeLikelihood(col *guide.Column, row int32, stages guide.StageSet, r *Reading) (float64, bool) {
	floor := e.ix.Weights().Floor
	best, ok := floor, false
	for v := col.First[row]; v < col.First[row+1]; v++ {
		if col.Vars[v].Kind != guide.Described || col.Vars[v].Stages&stages == 0 {
			continue
		}
		ok = true
		rg := &col.Ranges[v]
		x := r.Value
		if mid := (rg[1] + rg[2]) / 2; x < mid {
			x = min(x+r.Err, mid)
		} else {
			x = max(x-r.Err, mid)
		}
		p := floor
		switch {
		case x >= rg[1] && x <= rg[2]:
			p = 1
		case x > rg[0] && x < rg[1]:
			p = floor + (1-floor)*(x-rg[0])/(rg[1]-rg[0])
		case x > rg[2] && x < rg[3]:
			p = floor + (1-floor)*(rg[3]-x)/(rg[3]-rg[2])
		}
		best = max(best, p)
	}
	return best, ok
}
