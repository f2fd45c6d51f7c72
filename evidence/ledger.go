package evidence

import (
	"math"
	"slices"

	"zestythicket/guide"
)

// Step is one contradiction in the ledger.
type Step struct {
	Reading    int32 // index into Judgement.Readings
	Group      int32
	Part       guide.Part
	Structural bool
	Decisive   bool
	// Counted is false for a contradiction that adds no depth: its group or
	// act is used already, or a sensory step is.
	Counted bool
}

// Exclusion is one dangerous entry in scope: how far it is cut back.
type Exclusion struct {
	Taxon    int32
	Grade    guide.Grade
	Depth    int // independent steps against it
	Need     int
	RuledOut bool
	// Thorns left: the last goes only when the whole rule is met.
	Thorns int
	// WantsPart: depth enough, but the structural steps lie in one part.
	WantsPart bool
	// ShortOfMargin: ruled out, but without two contradictions more than the
	// target has.
	ShortOfMargin bool
	DecisivePair  bool
	Named         bool // named as a lookalike of the target
	Contact       bool
	Share         float64
	Steps         []Step
}

// ledger lists every dangerous entry in scope, open ones first, the gravest and
// least cut back in front. Steps share one backing array.
func (t *assessment) ledger() []Exclusion {
	targetCount := t.targetCount()
	named := map[int32]bool{}
	if t.target >= 0 {
		for _, l := range t.taxon(t.target).Lookalikes {
			if at, ok := t.e.ix.TaxonAt(l.Taxon); ok {
				named[at] = true
			}
		}
	}
	out := make([]Exclusion, 0, len(t.danger))
	steps := make([]Step, 0, len(t.sheet.edges))
	var buf []edge
	for _, d := range t.byDanger(named) {
		tl := &t.tallies[d]
		nd := t.need(d)
		en := Exclusion{Taxon: d, Grade: t.grade[d], Depth: int(tl.depth), Need: needed(uint8(t.grade[d])), RuledOut: tl.ruledOut,
			DecisivePair: tl.decisivePair, Named: named[d], Contact: t.e.ix.Contact[d] > 0, Share: t.st.share[d]}
		if !tl.ruledOut {
			en.Thorns = max(1, en.Need-en.Depth)
			en.WantsPart = en.Depth >= en.Need
		}
		en.ShortOfMargin = tl.ruledOut && t.f.Intent.harvest() && int(t.sheet.counts[d]) < targetCount+t.e.def.Margin
		buf = t.sheet.of(d, buf)
		from := len(steps)
		for i := range buf {
			b := &buf[i]
			steps = append(steps, Step{Reading: b.reading, Group: b.group, Part: b.part, Structural: nd.structural(b), Decisive: b.decisive || b.timed,
				Counted: tl.simple && (nd.structural(b) || !sensoryBefore(nd, buf, i)) || !tl.simple && nd.count(buf[:i+1]).depth > nd.count(buf[:i]).depth})
		}
		en.Steps = steps[from:len(steps):len(steps)]
		out = append(out, en)
	}
	return out
}

func sensoryBefore(n need, es []edge, i int) bool {
	for k := range es[:i] {
		if !n.structural(&es[k]) {
			return true
		}
	}
	return false
}

// byDanger orders the dangerous entries: open before cut back, named lookalikes
// first, then the gravest, the least cut back and the likeliest. The order is
// packed into one number an entry, since there may be thousands.
func (t *assessment) byDanger(named map[int32]bool) []int32 {
	keys := make([]uint64, len(t.danger))
	for i, d := range t.danger {
		tl := &t.tallies[d]
		k := uint64(boolInt(tl.ruledOut))<<1 | uint64(boolInt(!named[d]))
		k = k<<2 | uint64(guide.Deadly-t.grade[d])
		k = k<<2 | uint64(3-min(tl.remaining, 3))
		k = k<<32 | uint64(^math.Float32bits(float32(t.st.share[d])))
		keys[i] = k<<24 | uint64(i)
	}
	slices.Sort(keys)
	out := make([]int32, len(keys))
	for i, k := range keys {
		out[i] = t.danger[k&(1<<24-1)]
	}
	return out
}

func boolInt(b bool) int {
	if b {
		return 1
	}
	return 0
}

// aside lists hazardous entries of other continents, kept in plain sight.
func (t *assessment) aside() []int32 {
	var out []int32
	for i := range t.in {
		tx := t.taxon(int32(i))
		if !t.in[i] && t.e.ix.Worst[i] > 0 && (t.kingdom == guide.KingdomUnclear || tx.Kingdom == t.kingdom) {
			out = append(out, int32(i))
		}
	}
	return out
}

// Share is one entry's part of the standing.
type Share struct {
	Taxon int32
	P     float64
}

// Mover is a reading that raised or lowered an entry most, against the trait's
// mean.
type Mover struct {
	Taxon   int32
	Reading int32
	Factor  float64 // likelihood over the mean: above 1 it spoke for the entry
}

// Posterior reports how likely the entries are.
type Posterior struct {
	Top        []Share // up to twelve, greatest first
	NotInGuide float64
	// TargetShare is the target with all that counts as it at the rank needed.
	TargetShare float64
	Leads       bool
	// Leader is the greatest entry, -1 when "not in this guide" leads or two
	// are level.
	Leader int32
	Movers []Mover
}

const standingTop = 12

func (t *assessment) summary() Posterior {
	s := Posterior{NotInGuide: t.st.notInGuide, Leader: -1, Top: t.leading(standingTop)}
	if len(s.Top) > 0 && s.Top[0].P > s.NotInGuide && (len(s.Top) == 1 || s.Top[0].P > s.Top[1].P*(1+1e-9)) {
		s.Leader = s.Top[0].Taxon
	}
	if t.target >= 0 {
		s.TargetShare, s.Leads = t.targetLeads()
	}
	for i := 0; i < len(s.Top) && i < 4; i++ {
		s.Movers = t.movers(s.Top[i].Taxon, s.Movers)
	}
	return s
}

// leading picks the k greatest shares by insertion.
func (t *assessment) leading(k int) []Share {
	out := make([]Share, 0, k+1)
	for i, p := range t.st.share {
		if !t.in[i] || len(out) == k && p <= out[k-1].P {
			continue
		}
		at := len(out)
		for at > 0 && out[at-1].P < p {
			at--
		}
		out = slices.Insert(out, at, Share{int32(i), p})
		if len(out) > k {
			out = out[:k]
		}
	}
	return out
}

// targetLeads sums the target up to the rank needed and compares it with every
// entry outside its line; ancestors and members do not compete, ties do not lead.
func (t *assessment) targetLeads() (float64, bool) {
	ours := map[int32]bool{t.target: true}
	sum := func(id int32) {
		ours[id] = true
		for _, d := range t.e.ix.Descendants(id) {
			ours[d] = true
		}
	}
	sum(t.target)
	tx := t.taxon(t.target)
	for _, eq := range tx.Equivalents {
		if at, ok := t.e.ix.TaxonAt(eq); ok {
			sum(at)
		}
	}
	if t.use != nil && t.use.Rank != "species" {
		if p, ok := t.e.ix.TaxonAt(tx.Parent); ok && t.taxon(p).Rank == t.use.Rank {
			sum(p)
		}
	}
	total := 0.0
	for id := range ours {
		if t.in[id] {
			total += t.st.share[id]
		}
	}
	// Summed in map order, equal sums may differ in the last bit: hence the slack.
	bar := total * (1 - 1e-9)
	if t.st.notInGuide >= bar {
		return total, false
	}
	for i, p := range t.st.share {
		if p >= bar && !ours[int32(i)] && t.in[i] && !t.inLine(int32(i)) {
			return total, false
		}
	}
	return total, true
}

// movers adds the readings that spoke most for and against an entry.
func (t *assessment) movers(taxon int32, out []Mover) []Mover {
	up, down := Mover{Factor: 1, Reading: -1}, Mover{Factor: 1, Reading: -1}
	for i := range t.rs {
		r := &t.rs[i]
		if !usable(r) {
			continue
		}
		tr := t.trait(r.Trait)
		col := &t.e.ix.Columns[r.Trait]
		row, ok := rowOf(col, taxon)
		if !ok {
			continue
		}
		var dist [32]float64
		mean := t.e.meanOf(r, tr, col, t.sc.stages, dist[:col.N])
		p := t.e.likelihood(r, tr, col, row, taxon, t.sc.stages, dist[:col.N], mean)
		if r.Soundness == Shaky {
			p = (p + mean) / 2
		}
		if fac := p / mean; fac > up.Factor {
			up = Mover{taxon, int32(i), fac}
		} else if fac < down.Factor {
			down = Mover{taxon, int32(i), fac}
		}
	}
	for _, m := range []Mover{up, down} {
		if m.Reading >= 0 {
			out = append(out, m)
		}
	}
	return out
}
