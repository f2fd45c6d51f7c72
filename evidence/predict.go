package evidence

import (
	"math/bits"
)

// predictor says how likely each state of a check is to be seen: the leading
// entries by their own cells, everything else by the trait's mean.
type predictor struct {
	t    *trial
	lead []Share
	rest float64

	rows []int32
	mean [32]float64
	dist []float64 // by leader × 32: its weights for the trait last asked about
}

func (t *trial) predictor() *predictor {
	p := &predictor{t: t, lead: t.leading(t.e.def.Leading), rest: 1}
	n := len(t.byTrait)
	p.rows = make([]int32, n*len(p.lead))
	for i := range p.rows {
		p.rows[i] = -1
	}
	for i, s := range p.lead {
		p.rest -= s.P
		for _, ref := range t.e.ix.Rows[s.Taxon] {
			p.rows[i*n+int(ref.Col)] = ref.Row
		}
	}
	p.rest = max(p.rest, 0)
	p.dist = make([]float64, 32*len(p.lead))
	return p
}

// states fills the distribution over the states of a trait.
func (p *predictor) states(trait int32, out []float64) {
	col := &p.t.e.ix.Columns[trait]
	mean := p.mean[:len(out)]
	p.t.e.meanDist(col, p.t.sc.stages, mean)
	for s := range out {
		out[s] = p.rest * mean[s]
	}
	for i := range p.lead {
		d := p.dist[i*32 : i*32+len(out)]
		row := p.rows[i*len(p.t.byTrait)+int(trait)]
		if row < 0 || p.t.e.rowDist(col, row, p.t.e.taxonStages(p.lead[i].Taxon, p.t.sc.stages), mean, d) == 1 {
			copy(d, mean)
		}
		for s := range out {
			out[s] += p.lead[i].P * d[s]
		}
	}
	sum := 0.0
	for s := range out {
		sum += out[s]
	}
	for s := range out {
		out[s] /= sum
	}
}

// identity is how much the check is expected to sharpen the standing of the
// leading entries: the expected rise of Σ share² (Gini's index), between 0 and 1.
// It reads the weights that states has just filled.
func (p *predictor) identity(trait int32, dist []float64) float64 {
	was, will := 0.0, 0.0
	for i := range p.lead {
		was += p.lead[i].P * p.lead[i].P
	}
	for s := range dist {
		if dist[s] == 0 {
			continue
		}
		sum := 0.0
		for i := range p.lead {
			x := p.lead[i].P * p.dist[i*32+s]
			sum += x * x
		}
		will += sum / dist[s]
	}
	return max(0, will-was)
}

func lowest(m uint32) int { return bits.TrailingZeros32(m) }
