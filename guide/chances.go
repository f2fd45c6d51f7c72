package guide

import "math/bits"

// Rates are the numbers by which frequencies, readers and honest mistakes are
// weighed. They are judgements, not measurements, and are kept here and nowhere
// else; docs/calibration.md says what follows from them.
type Rates struct {
	// Of is how often a state is shown, by Frequency.
	Of [6]float64
	// Structural and Sensory are the shares of looks that are misnamed, spread over
	// the other states of the trait.
	Structural, Sensory float64
	// Firm stands for never where three readers agree that a cell is decisive, and
	// where people can't take one state for the other.
	Firm float64
	// Blind is the weight of a blind reader in the pool; the entry's own is 1.
	Blind float64
	// Outside is the share of measurements that lie outside an entry's extremes.
	Outside float64
}

// DefaultRates are the product's own.
func DefaultRates() Rates {
	return Rates{
		Of:         [6]float64{Unlisted: 0.025, Never: 0.004, Rarely: 0.09, Sometimes: 0.35, Usually: 0.7, Always: 0.95},
		Structural: 0.004, Sensory: 0.05, Firm: 0.0003, Blind: 2, Outside: 0.01,
	}
}

// ChanceRow is one row of chances: an entry as it is described, or one of its forms.
type ChanceRow struct {
	Taxon int32
	Form  int32 // index into Taxon.Forms, -1 for the entry itself
}

// ChanceVar is what a row shows of a trait at some stages.
type ChanceVar struct {
	Stages  StageSet
	Lacking bool // the part is not there
	// At is where its chances begin in ChanceColumn.Shown and Called.
	At int32
	// Denied are the states that every reader calls never, where two have read it at
	// least; Firm those of them that the entry calls decisive and two others never.
	Denied, Firm uint32
	Ranges       []PooledRange // of a measure
}

// PooledRange is what one reader says of a measure, with the reader's weight.
type PooledRange struct {
	Range  [4]float64
	Weight float64
}

// Partner is a state that people take for another.
type Partner struct {
	State     int32
	Rate      float64
	By        bool // settled by the method of the look
	SettledBy []TraitRef
}

// TraitRef is a [TraitState] by number.
type TraitRef struct{ Trait, State int32 }

// ChanceColumn is how likely every row shows each state of a trait, and how likely
// an honest observer then calls it so.
type ChanceColumn struct {
	N int
	// From closes the variants of a row with those of the next.
	From []int32
	Vars []ChanceVar
	// Shown is the pooled chance that a row shows a state; Called that an observer who
	// confuses no pair says so.
	Shown, Called []float32
	// Mean are variants too: what the kingdom shows on the mean, by stage.
	Mean [StageCount]ChanceVar
	// Partners are, by state, those it is confused with.
	Partners [][]Partner
	// Unmistakable and Looked are, by state, those that nobody takes it for, always,
	// and in a look whose method is recorded.
	Unmistakable, Looked []uint32
	// Fact is, by state, what one thing it says: a number of Chances.Facts, or one of
	// the trait's own. A measure has one.
	Fact []int32
}

// Chances is the guide as it weighs answers.
type Chances struct {
	Rates   Rates
	Rows    []ChanceRow
	RowFrom []int32 // by taxon: its rows, the entry itself first
	Columns []ChanceColumn
	// Facts is how many facts there are; the traits' own follow them.
	Facts int
	// Unless are, by row, the answers that exclude a form.
	Unless [][]TraitRef
	// Ties are the mishaps that join answers.
	Ties []CompiledTie
}

// CompiledTie is a mishap by number: what it makes people answer, and what guards.
type CompiledTie struct {
	Mishap int32
	Always bool
	// Growing: what was read on the growing plant is not misled.
	Growing bool
	Reads   []TraitRef
	Guard   []TraitRef
}

// source is one voice in the pool.
type source struct {
	cell   *Cell
	weight float64
}

// compileChances lays out what weighs.
func (ix *Index) compileChances(rates Rates) *Chances {
	b := ix.Book
	c := &Chances{Rates: rates, Columns: make([]ChanceColumn, len(b.Traits)), Facts: len(b.Facts)}
	for i := range b.Taxa {
		c.RowFrom = append(c.RowFrom, int32(len(c.Rows)))
		c.Rows, c.Unless = append(c.Rows, ChanceRow{int32(i), -1}), append(c.Unless, nil)
		for f := range b.Taxa[i].Forms {
			c.Rows, c.Unless = append(c.Rows, ChanceRow{int32(i), int32(f)}), append(c.Unless, ix.refs(b.Taxa[i].Forms[f].Unless))
		}
	}
	c.RowFrom = append(c.RowFrom, int32(len(c.Rows)))
	voices := ix.voices(rates)
	for at := range c.Columns {
		ix.chanceColumn(c, int32(at), voices)
	}
	ix.misnamings(c)
	ix.facts(c)
	for i := range b.Mishaps {
		m := &b.Mishaps[i]
		if m.Ties == TiesNothing {
			continue
		}
		t := CompiledTie{Mishap: int32(i), Always: m.Ties == TiesAlways, Growing: m.Growing, Guard: ix.refs(m.Guard)}
		for _, r := range m.Misled {
			t.Reads = append(t.Reads, ix.refs([]TraitState{r.Reads})...)
		}
		c.Ties = append(c.Ties, t)
	}
	return c
}

func (ix *Index) refs(list []TraitState) []TraitRef {
	var out []TraitRef
	for _, ts := range list {
		if at, ok := ix.traitAt[ts.Trait]; ok {
			out = append(out, TraitRef{at, int32(ts.State)})
		}
	}
	return out
}

// voices collects, by taxon and trait, who says something of it.
func (ix *Index) voices(rates Rates) [][][]source {
	out := make([][][]source, len(ix.Book.Taxa))
	for i := range ix.Book.Taxa {
		t := &ix.Book.Taxa[i]
		out[i] = make([][]source, len(ix.Book.Traits))
		for k := range t.Cells {
			at := ix.traitAt[t.Cells[k].Trait]
			out[i][at] = append(out[i][at], source{&t.Cells[k], 1})
		}
		for k := range t.Readings {
			at, ok := ix.traitAt[t.Readings[k].Cell.Trait]
			if !ok {
				continue
			}
			w := 1.0
			if ix.Book.Readers[t.Readings[k].Reader].Blind {
				w = rates.Blind
			}
			out[i][at] = append(out[i][at], source{&t.Readings[k].Cell, w})
		}
	}
	return out
}

func (ix *Index) chanceColumn(c *Chances, at int32, voices [][][]source) {
	tr, col := &ix.Book.Traits[at], &c.Columns[at]
	col.N = len(tr.States)
	col.From = make([]int32, 0, len(c.Rows)+1)
	var mean [StageCount][]float64
	var count [StageCount]float64
	for r := range c.Rows {
		col.From = append(col.From, int32(len(col.Vars)))
		tx := &ix.Book.Taxa[c.Rows[r].Taxon]
		if tr.Kingdom != KingdomUnclear && tr.Kingdom != tx.Kingdom {
			continue
		}
		var form *Cell
		var only StageSet
		if f := c.Rows[r].Form; f >= 0 {
			only = tx.Forms[f].Stages
			form = formCell(&tx.Forms[f], tr.ID)
		}
		sources := voices[c.Rows[r].Taxon][at]
		if len(sources) == 0 && form == nil {
			continue
		}
		first := len(col.Vars)
		(tx.Stages | only).Each(func(st Stage) {
			if only != 0 && !only.Has(st) {
				return
			}
			v, shown, ok := pool(tr, c.Rates, sources, form, st)
			if !ok {
				return
			}
			if c.Rows[r].Form < 0 && shown != nil {
				if mean[st] == nil {
					mean[st] = make([]float64, col.N)
				}
				count[st]++
				for s := range shown {
					mean[st][s] += shown[s]
				}
			}
			col.add(first, v, shown, tr, c.Rates)
		})
	}
	col.From = append(col.From, int32(len(col.Vars)))
	for st := range mean {
		col.Mean[st] = ChanceVar{Stages: 1 << st, At: -1}
		if mean[st] == nil {
			continue
		}
		for s := range mean[st] {
			mean[st][s] /= count[st]
		}
		col.Mean[st].At = col.put(mean[st], tr, c.Rates)
	}
}

func formCell(f *Form, trait string) *Cell {
	for i := range f.Cells {
		if f.Cells[i].Trait == trait {
			return &f.Cells[i]
		}
	}
	return nil
}

// add joins a variant to one of its row that says the same of other stages.
func (c *ChanceColumn) add(first int, v ChanceVar, shown []float64, tr *Trait, rates Rates) {
	for i := first; i < len(c.Vars); i++ {
		if have := &c.Vars[i]; have.Lacking == v.Lacking && have.Denied == v.Denied && have.Firm == v.Firm && c.same(have, shown) && sameRanges(have.Ranges, v.Ranges) {
			have.Stages |= v.Stages
			return
		}
	}
	v.At = -1
	if shown != nil {
		v.At = c.put(shown, tr, rates)
	}
	c.Vars = append(c.Vars, v)
}

func (c *ChanceColumn) same(v *ChanceVar, shown []float64) bool {
	if v.At < 0 || shown == nil {
		return v.At < 0 && shown == nil
	}
	for s := range shown {
		if c.Shown[int(v.At)+s] != float32(shown[s]) {
			return false
		}
	}
	return true
}

func sameRanges(a, b []PooledRange) bool {
	if len(a) != len(b) {
		return false
	}
	for i := range a {
		if a[i] != b[i] {
			return false
		}
	}
	return true
}

// put stores what is shown, and what is called so by an observer who misnames by
// the rate of the trait's class.
func (c *ChanceColumn) put(shown []float64, tr *Trait, rates Rates) int32 {
	at := int32(len(c.Shown))
	e := rates.Misnamed(tr)
	sum := 0.0
	for _, p := range shown {
		sum += p
	}
	for _, p := range shown {
		called := p
		if n := len(shown); n > 1 {
			called = (1-e)*p + e/float64(n-1)*(sum-p)
		}
		c.Shown, c.Called = append(c.Shown, float32(p)), append(c.Called, float32(called))
	}
	return at
}

// Misnamed is the share of looks at a trait that are misnamed.
func (r Rates) Misnamed(tr *Trait) float64 {
	if tr.Class == Sensory {
		return r.Sensory
	}
	return r.Structural
}

// pool is the linear opinion pool (Stone 1961) of all who say something of a trait
// at one stage. A form's own cell stands in place of it where it says that the form
// shows a state more often; where it says less, the two are averaged, since only one
// reader wrote the form.
func pool(tr *Trait, rates Rates, sources []source, form *Cell, st Stage) (ChanceVar, []float64, bool) {
	v := ChanceVar{Stages: 1 << st}
	var shown []float64
	total, readers, denied, firm := 0.0, 0, ^uint32(0), uint32(0)
	lacking, first := false, true
	for _, s := range sources {
		x := s.cell.at(st)
		own := first
		first = false
		switch {
		case x == nil || x.Kind == Unknown:
			continue
		case x.Kind == Inapplicable:
			lacking = true
			continue
		case tr.Kind == Measure:
			v.Ranges = append(v.Ranges, PooledRange{x.Range, s.weight})
			continue
		}
		p := rates.shares(tr, x)
		if shown == nil {
			shown = make([]float64, len(p))
		}
		for i := range p {
			shown[i] += s.weight * p[i]
		}
		total += s.weight
		readers++
		never := NeverMask(tr, x)
		denied &= never
		if own {
			firm = x.Decisive
		}
	}
	for i := range shown {
		shown[i] /= total
	}
	if readers >= 2 {
		v.Denied = denied & (1<<len(tr.States) - 1)
		if readers >= 3 {
			v.Firm = firm & v.Denied
		}
	}
	if form != nil {
		if x := form.at(st); x != nil {
			switch {
			case x.Kind == Inapplicable:
				lacking = lacking || shown == nil
			case tr.Kind == Measure && x.Kind == Described:
				v.Ranges = append(v.Ranges, PooledRange{x.Range, -1})
			case x.Kind == Described:
				p := rates.shares(tr, x)
				for i := range p {
					if shown != nil {
						p[i] = max(p[i], (p[i]+shown[i])/2)
					}
				}
				shown = p
				v.Denied &= NeverMask(tr, x)
				v.Firm &= v.Denied
			}
		}
	}
	if shown == nil && v.Ranges == nil {
		if !lacking {
			return v, nil, false
		}
		v.Lacking = true
	}
	return v, shown, true
}

// shares turns one cell into chances. Those of an exclusive trait are shared out to 1.
func (r Rates) shares(tr *Trait, v *Variant) []float64 {
	out := make([]float64, len(tr.States))
	never := NeverMask(tr, v)
	sum := 0.0
	for s := range out {
		out[s] = r.Of[v.Freq[s]]
		if never&(1<<s) != 0 {
			out[s] = r.Of[Never]
		}
		sum += out[s]
	}
	if tr.Exclusive {
		for s := range out {
			out[s] /= sum
		}
	}
	return out
}

func (c *Cell) at(st Stage) *Variant {
	for i := range c.Variants {
		if c.Variants[i].Stages.Has(st) {
			return &c.Variants[i]
		}
	}
	return nil
}

func (ix *Index) misnamings(c *Chances) {
	for i := range ix.Book.Misnamings {
		m := &ix.Book.Misnamings[i]
		at, ok := ix.traitAt[m.Trait]
		if !ok {
			continue
		}
		col := &c.Columns[at]
		col.Partners = make([][]Partner, col.N)
		col.Unmistakable, col.Looked = make([]uint32, col.N), make([]uint32, col.N)
		for k := range m.Confused {
			x := &m.Confused[k]
			refs := ix.refs(x.SettledBy)
			col.Partners[x.A] = append(col.Partners[x.A], Partner{int32(x.B), x.Rate, x.By != "", refs})
			col.Partners[x.B] = append(col.Partners[x.B], Partner{int32(x.A), x.Rate, x.By != "", refs})
		}
		for k := range m.Unmistakable {
			x := &m.Unmistakable[k]
			mask := col.Unmistakable
			if x.When != "" {
				mask = col.Looked
			}
			mask[x.A] |= 1 << x.B
			mask[x.B] |= 1 << x.A
		}
	}
}

// facts numbers what each state says.
func (ix *Index) facts(c *Chances) {
	for at := range c.Columns {
		col := &c.Columns[at]
		col.Fact = make([]int32, max(1, col.N))
		for s := range col.Fact {
			col.Fact[s] = int32(c.Facts + at)
		}
	}
	for f := range ix.Book.Facts {
		for _, ts := range ix.refs(ix.Book.Facts[f].States) {
			fact := c.Columns[ts.Trait].Fact
			for s := range fact {
				if ts.State < 0 || int(ts.State) == s {
					fact[s] = int32(f)
				}
			}
		}
	}
}

// VarsOf are the variants of a row.
func (c *ChanceColumn) VarsOf(row int32) []ChanceVar { return c.Vars[c.From[row]:c.From[row+1]] }

// Of is the chance that somebody measures a value with its error, given what the
// readers say: 1 in the typical part, falling to the floor at the extremes.
func (v *ChanceVar) Of(value, err, floor float64) float64 {
	sum, total, form := 0.0, 0.0, 0.0
	for i := range v.Ranges {
		x := inRange(v.Ranges[i].Range, value, err, floor)
		if v.Ranges[i].Weight < 0 {
			form = max(form, x)
			continue
		}
		sum += v.Ranges[i].Weight * x
		total += v.Ranges[i].Weight
	}
	if total == 0 {
		return form
	}
	return max(form, sum/total)
}

func inRange(rg [4]float64, value, err, floor float64) float64 {
	mid := (rg[1] + rg[2]) / 2
	x := min(value+err, mid)
	if value >= mid {
		x = max(value-err, mid)
	}
	switch {
	case x >= rg[1] && x <= rg[2]:
		return 1
	case x > rg[0] && x < rg[1]:
		return floor + (1-floor)*(x-rg[0])/(rg[1]-rg[0])
	case x > rg[2] && x < rg[3]:
		return floor + (1-floor)*(rg[3]-x)/(rg[3]-rg[2])
	}
	return floor
}

// Lowest is the number of the lowest state of a mask.
func Lowest(m uint32) int { return bits.TrailingZeros32(m) }
