package evidence

import (
	"math"
	"slices"

	"zestythicket/guide"
)

// Strength says in a word what one answer weighs between target and entry.
type Strength uint8

// The strengths, from what speaks for the dangerous entry on.
const (
	SpeaksFor Strength = iota + 1
	TellsNothing
	Slight
	Fair
	Strong
)

var strengthNames = []string{"", "speaks-for-it", "tells-nothing", "slight", "fair", "strong"}

// String gives the word.
func (s Strength) String() string { return wordOf(strengthNames, int(s)) }

// strengthOf puts decibans into words; less than one deciban either way is nothing.
func (d *Defaults) strengthOf(w float64) Strength {
	switch {
	case w >= d.Strong:
		return Strong
	case w >= d.Fair:
		return Fair
	case w >= 1:
		return Slight
	case w <= -1:
		return SpeaksFor
	}
	return TellsNothing
}

// thorns says how many of the thirds of what is needed are left, and how far the next
// is cut. The last goes only when the whole rule is met.
func thorns(sum, need float64) (left int, nick float64) {
	part := max(0, sum) / need * thirds
	clipped := min(int(part), thirds-1)
	return thirds - clipped, min(1, part-float64(clipped))
}

// Step is what one answer weighs against an entry.
type Step struct {
	Reading    int32   // index into Judgement.Readings
	Weight     float64 // decibans; below 0 it speaks for the entry
	Strength   Strength
	Fact       int32 // answers with the same number say one thing
	Structural bool
	// Counted is false for an answer that adds nothing, because another one of the
	// same fact weighs more.
	Counted bool
}

// Exclusion is one dangerous entry in scope: what stands against it.
type Exclusion struct {
	Taxon int32
	// Form is the form that stands least against, -1 for the entry as described.
	Form     int32
	Grade    guide.Grade
	Weight   float64 // evidence against it, in decibans
	Need     float64 // what rules it out
	Left     float64 // what is still needed, 0 once ruled out
	RuledOut bool
	// Thorns left, of three: a third of what is needed clips one, and the last goes
	// only when the whole rule is met.
	Thorns int
	// Nick is the part of the next third that is reached, 0 to 1.
	Nick float64
	// WantsFact: weight enough, but too few structural facts that each weigh enough.
	WantsFact bool
	Named     bool // named as a lookalike of the target, or names it
	Contact   bool
	Share     float64
	Steps     []Step
}

// thirds is how many thorns an entry has.
const thirds = 3

// ledger lists every dangerous entry in scope, open ones first, the gravest and
// those with most still needed in front. Steps share one backing array.
func (t *assessment) ledger() []Exclusion {
	named := t.named()
	out := make([]Exclusion, 0, len(t.danger))
	steps := make([]Step, 0, len(t.danger)*len(t.voices))
	for _, d := range t.byDanger(named) {
		tl := &t.tallies[d]
		en := Exclusion{Taxon: d, Form: -1, Grade: t.grade[d], Weight: tl.sum, Need: tl.need.sum, Left: tl.left, RuledOut: tl.ruledOut,
			Named: named[d], Contact: t.e.ix.Contact[d] > 0, Share: t.st.share[d]}
		if tl.row >= 0 {
			en.Form = t.e.ix.Chances.Rows[tl.row].Form
		}
		if !tl.ruledOut {
			en.Thorns, en.Nick = thorns(tl.sum, tl.need.sum)
			en.WantsFact = tl.sum >= tl.need.sum
		}
		from := len(steps)
		steps = t.stepsOf(d, steps)
		en.Steps = steps[from:len(steps):len(steps)]
		out = append(out, en)
	}
	return out
}

// stepsOf lists what every answer weighs against an entry.
func (t *assessment) stepsOf(d int32, steps []Step) []Step {
	tl := &t.tallies[d]
	if tl.row < 0 {
		return steps
	}
	from := len(steps)
	taught := t.taught(d)
	for i := range t.voices {
		x := &t.voices[i]
		w, _ := t.e.weight(x, tl.row, t.rowStages(tl.row, x.trait), taught)
		steps = append(steps, Step{Reading: x.reading, Weight: w, Strength: t.e.def.strengthOf(w), Fact: x.slot, Structural: x.class == guide.Structural, Counted: true})
	}
	mine := steps[from:]
	for i := range mine {
		for k := range mine {
			a, b := &mine[i], &mine[k]
			if a.Fact == b.Fact && a.Weight*b.Weight > 0 && (math.Abs(b.Weight) > math.Abs(a.Weight) || math.Abs(b.Weight) == math.Abs(a.Weight) && k < i) {
				a.Counted = false
			}
		}
	}
	return steps
}

// named are the entries that the target names or that name it, and those that they
// stand beside in the guide.
func (t *assessment) named() map[int32]bool {
	if t.target < 0 {
		return nil
	}
	out := map[int32]bool{}
	for _, at := range t.e.namedBy[t.target] {
		out[at] = true
	}
	return out
}

// byDanger orders the dangerous entries: open before ruled out, named lookalikes
// first, then the gravest, those with most still needed, and the likeliest. The order
// is packed into one number an entry, since there may be thousands.
func (t *assessment) byDanger(named map[int32]bool) []int32 {
	keys := make([]uint64, len(t.danger))
	for i, d := range t.danger {
		tl := &t.tallies[d]
		k := uint64(boolInt(tl.ruledOut))<<1 | uint64(boolInt(!named[d]))
		k = k<<2 | uint64(guide.Deadly-t.grade[d])
		k = k<<7 | uint64(127-min(int(tl.left), 127))
		k = k<<28 | uint64(^math.Float32bits(float32(t.st.share[d]))>>4)
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
