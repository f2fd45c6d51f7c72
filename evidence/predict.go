package evidence

import (
	"math/bits"
)

// predictor says how likely each state of a check is to be seen: the leading
// entries by their own cells, everything else by the trait's mean.
type predictor struct {
	t    *assessment
	lead []Share
	rows []int32 // by leader × trait: its row, -1
	mean [32]float64
	// Of the trait last asked about: the leaders that document it, their weights,
	// and the sum of squares of the shares of those that do not.
	who    []float64 // shares
	dist   []float64 // by who × 32
	others float64
}

func (t *assessment) predictor() *predictor {
	p := &predictor{t: t, lead: t.leading(t.e.def.Leading)}
	for len(p.lead) > 0 && p.lead[len(p.lead)-1].P < t.e.def.LeadingAt {
		p.lead = p.lead[:len(p.lead)-1]
	}
	n := len(t.byTrait)
	p.rows = make([]int32, n*len(p.lead))
	for i := range p.rows {
		p.rows[i] = -1
	}
	for i, s := range p.lead {
		for _, ref := range t.e.ix.Rows[s.Taxon] {
			p.rows[i*n+int(ref.Col)] = ref.Row
		}
	}
	p.who = make([]float64, 0, len(p.lead))
	p.dist = make([]float64, 32*len(p.lead))
	return p
}

// states fills the distribution over the states of a trait.
func (p *predictor) states(trait int32, out []float64) {
	col := &p.t.e.ix.Columns[trait]
	mean := p.mean[:len(out)]
	p.t.e.meanDist(col, p.t.sc.stages, mean)
	clear(out)
	p.who, p.others = p.who[:0], 0
	rest := 1.0
	for i := range p.lead {
		row, share := p.rows[i*len(p.t.byTrait)+int(trait)], p.lead[i].P
		d := p.dist[len(p.who)*32:][:len(out)]
		if row < 0 || p.t.e.rowDist(col, row, p.t.e.taxonStages(p.lead[i].Taxon, p.t.sc.stages), mean, d) == 1 {
			p.others += share * share
			continue
		}
		p.who = append(p.who, share)
		rest -= share
		for s := range out {
			out[s] += share * d[s]
		}
	}
	sum := 0.0
	for s := range out {
		out[s] += max(rest, 0) * mean[s]
		sum += out[s]
	}
	for s := range out {
		out[s] /= sum
	}
}

// identity is how much the check is expected to sharpen the standing of the
// leading entries: the expected rise of Σ share² (Gini's index), between 0 and 1.
// It reads the weights that states has just filled.
func (p *predictor) identity(dist []float64) float64 {
	was, will := p.others, 0.0
	for _, share := range p.who {
		was += share * share
	}
	for s := range dist {
		if dist[s] == 0 {
			continue
		}
		sum := p.others * p.mean[s] * p.mean[s]
		for i, share := range p.who {
			x := share * p.dist[i*32+s]
			sum += x * x
		}
		will += sum / dist[s]
	}
	return max(0, will-was)
}

func lowest(m uint32) int { return bits.TrailingZeros32(m) }
