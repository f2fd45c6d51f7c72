package guide

import "fmt"

// Column is everything the guide says of one trait: one row for each taxon that
// documents it, in the order of the taxa.
type Column struct {
	Trait  int32
	N      int     // states
	Taxa   []int32 // by row
	First  []int32 // by row: its first variant; one more entry closes the last
	Vars   []ColVariant
	Freq   []Frequency // by variant × state
	Ranges [][4]float64
	// Plain says, by row, the norm of the one variant that speaks for every
	// stage, 0 where there is none; ByState is its frequencies, by state × row.
	Plain   []float64
	ByState []Frequency
	// Mean is, by stage × state, the mean weight over the taxa that document
	// the trait there, smoothed towards uniform.
	Mean []float64
}

// Covering is the variant of a row that speaks for all of the stages, or -1.
func (c *Column) Covering(row int32, stages StageSet) int32 {
	for v := c.First[row]; v < c.First[row+1]; v++ {
		if stages&^c.Vars[v].Stages == 0 {
			return v
		}
	}
	return -1
}

// ColVariant is a compiled [Variant].
type ColVariant struct {
	Stages StageSet
	Kind   CellKind
	Whole  bool    // described, for every stage of its kingdom
	Never  uint32  // contradicted states, those implied by "always" included
	Norm   float64 // 1 / sum of weights
}

// CellRef points from a taxon to one of its cells.
type CellRef struct{ Col, Row int32 }

// Index is a Book laid out in columns.
type Index struct {
	Book     *Guide
	Columns  []Column // by trait
	Rows     [][]CellRef
	GroupOf  []int32 // by trait
	ParentOf []int32 // by trait, -1 for none
	AfterOf  []int32 // by trait, -1 for none
	// Contact and Worst are hazard grades by taxon.
	Contact, Worst []Grade
	// StateFrom numbers all states of all traits on one line.
	StateFrom []int32
	// Uniform entries have one grade whatever the use.
	Uniform []bool
	// Stages, continents and habitats by taxon, the last two as bits.
	Stages     []StageSet
	Continents []uint32
	Habitats   []uint64
	// WindowFrom closes the windows of a taxon with that of the next.
	WindowFrom []int32
	Windows    []Window

	// Chances is the guide as it weighs answers.
	Chances *Chances

	continentBit map[string]uint32
	habitatBit   map[string]uint64

	traitAt map[string]int32
	taxonAt map[string]int32
	member  [][]int32 // by taxon: its descendants
	weights Weights
}

// Weights are the likelihoods behind the frequencies, and the smoothing of a
// trait's mean. See [DefaultWeights].
type Weights struct {
	Of     [6]float64 // by Frequency
	Floor  float64    // of a measurement outside its extremes
	Smooth float64    // pseudo-taxa of uniform weight in every mean
}

// DefaultWeights are the project's own defaults (no source), in one place.
func DefaultWeights() Weights {
	return Weights{
		Of:     [6]float64{Unlisted: 0.02, Never: 0.005, Rarely: 0.08, Sometimes: 0.40, Usually: 0.80, Always: 0.97},
		Floor:  0.005,
		Smooth: 1,
	}
}

// Weights returns the weights the index was compiled with.
func (ix *Index) Weights() *Weights { return &ix.weights }

// TraitAt finds a trait by id.
func (ix *Index) TraitAt(id string) (int32, bool) { i, ok := ix.traitAt[id]; return i, ok }

// TaxonAt finds a taxon by id.
func (ix *Index) TaxonAt(id string) (int32, bool) { i, ok := ix.taxonAt[id]; return i, ok }

// Descendants lists the members of an entry, the entry itself not included.
func (ix *Index) Descendants(taxon int32) []int32 { return ix.member[taxon] }

// Compile lays a book out in columns. The book must have been validated: an
// unknown trait or parent is an error here, not a report for an author.
func Compile(b *Guide, w Weights) (*Index, error) {
	ix := &Index{
		Book: b, Columns: make([]Column, len(b.Traits)), Rows: make([][]CellRef, len(b.Taxa)),
		GroupOf: make([]int32, len(b.Traits)), ParentOf: make([]int32, len(b.Traits)), AfterOf: make([]int32, len(b.Traits)),
		Contact: make([]Grade, len(b.Taxa)), Worst: make([]Grade, len(b.Taxa)),
		traitAt: make(map[string]int32, len(b.Traits)), taxonAt: make(map[string]int32, len(b.Taxa)),
		member: make([][]int32, len(b.Taxa)), weights: w, continentBit: map[string]uint32{}, habitatBit: map[string]uint64{},
		Uniform: make([]bool, len(b.Taxa)), Stages: make([]StageSet, len(b.Taxa)), Continents: make([]uint32, len(b.Taxa)), Habitats: make([]uint64, len(b.Taxa)),
	}
	for i := range b.Traits {
		if len(b.Traits[i].States) > 32 {
			return nil, fmt.Errorf("guide: trait %s has more than 32 states", b.Traits[i].ID)
		}
		ix.traitAt[b.Traits[i].ID] = int32(i)
	}
	for i := range b.Taxa {
		ix.taxonAt[b.Taxa[i].ID] = int32(i)
	}
	if err := ix.link(); err != nil {
		return nil, err
	}
	for ti := range b.Taxa {
		if err := ix.addRow(int32(ti)); err != nil {
			return nil, err
		}
	}
	ix.WindowFrom = append(ix.WindowFrom, int32(len(ix.Windows)))
	states := int32(0)
	for c := range ix.Columns {
		ix.StateFrom = append(ix.StateFrom, states)
		states += int32(ix.Columns[c].N)
	}
	ix.StateFrom = append(ix.StateFrom, states)
	for c := range ix.Columns {
		col := &ix.Columns[c]
		col.First = append(col.First, int32(len(col.Vars)))
		col.byState()
		ix.mean(col)
	}
	ix.Chances = ix.compileChances(DefaultRates())
	return ix, nil
}

func (ix *Index) link() error {
	b := ix.Book
	groupAt := map[string]int32{}
	for i := range b.Traits {
		t := &b.Traits[i]
		g := t.Group
		if g == "" {
			g = t.ID
		}
		if _, ok := groupAt[g]; !ok {
			groupAt[g] = int32(len(groupAt))
		}
		ix.GroupOf[i] = groupAt[g]
		ix.Columns[i] = Column{Trait: int32(i), N: len(t.States)}
		for _, l := range []struct {
			id string
			to []int32
		}{{t.Parent, ix.ParentOf}, {t.After, ix.AfterOf}} {
			l.to[i] = -1
			if l.id == "" {
				continue
			}
			p, ok := ix.traitAt[l.id]
			if !ok {
				return fmt.Errorf("guide: trait %s names the unknown trait %s", t.ID, l.id)
			}
			l.to[i] = p
		}
	}
	for i := range b.Taxa {
		seen := 0
		for p := b.Taxa[i].Parent; p != ""; {
			at, ok := ix.taxonAt[p]
			if seen++; !ok || seen > len(b.Taxa) {
				return fmt.Errorf("guide: taxon %s has no sound line of parents (%s)", b.Taxa[i].ID, p)
			}
			ix.member[at] = append(ix.member[at], int32(i))
			p = b.Taxa[at].Parent
		}
	}
	return nil
}

func (ix *Index) addRow(ti int32) error {
	t := &ix.Book.Taxa[ti]
	ix.Contact[ti], ix.Worst[ti] = t.ContactHazard(), t.WorstHazard()
	ix.circumstances(ti, t)
	ix.Rows[ti] = make([]CellRef, 0, len(t.Cells))
	for ci := range t.Cells {
		at, ok := ix.traitAt[t.Cells[ci].Trait]
		if !ok {
			return fmt.Errorf("guide: taxon %s describes the unknown trait %s", t.ID, t.Cells[ci].Trait)
		}
		col, tr := &ix.Columns[at], &ix.Book.Traits[at]
		row := int32(len(col.Taxa))
		col.Taxa = append(col.Taxa, ti)
		col.First = append(col.First, int32(len(col.Vars)))
		for vi := range t.Cells[ci].Variants {
			v := &t.Cells[ci].Variants[vi]
			cv := ColVariant{Stages: v.Stages, Kind: v.Kind, Whole: v.Kind == Described && StagesOf(t.Kingdom)&^v.Stages == 0}
			if v.Kind == Described && tr.Kind != Measure {
				cv.Never = NeverMask(tr, v)
				sum := 0.0
				for s := range tr.States {
					sum += ix.weights.Of[v.Freq[s]]
				}
				cv.Norm = 1 / sum
			}
			col.Vars = append(col.Vars, cv)
			if tr.Kind == Measure {
				col.Ranges = append(col.Ranges, v.Range)
				continue
			}
			if v.Freq == nil {
				col.Freq = append(col.Freq, make([]Frequency, col.N)...)
			} else {
				col.Freq = append(col.Freq, v.Freq...)
			}
		}
		ix.Rows[ti] = append(ix.Rows[ti], CellRef{at, row})
	}
	return nil
}

// circumstances keeps what is asked of every taxon at every judgement where it
// can be swept.
func (ix *Index) circumstances(ti int32, t *Taxon) {
	ix.Stages[ti] = t.Stages
	ix.Uniform[ti] = true
	for i := range t.Hazards {
		h := &t.Hazards[i]
		ix.Uniform[ti] = ix.Uniform[ti] && h.Part == "" && h.Preparation == "" && h.Stages == 0
	}
	for _, r := range t.Regions {
		ix.Continents[ti] |= bitOf(ix.continentBit, Continent(r))
	}
	for _, h := range t.Habitats {
		ix.Habitats[ti] |= bitOf(ix.habitatBit, h)
	}
	ix.WindowFrom = append(ix.WindowFrom, int32(len(ix.Windows)))
	ix.Windows = append(ix.Windows, t.Windows...)
}

// bitOf gives every word a bit of its own; words past the last bit share it.
func bitOf[B uint32 | uint64](m map[string]B, word string) B {
	b, ok := m[word]
	if !ok {
		b = 1 << len(m)
		if b == 0 {
			b = ^(^B(0) >> 1)
		}
		m[word] = b
	}
	return b
}

// ContinentMask is the bit of a region's continent; 0 for no region.
func (ix *Index) ContinentMask(region string) uint32 { return ix.continentBit[Continent(region)] }

// HabitatMask is the set of bits of some habitats, of those any entry names.
func (ix *Index) HabitatMask(habitats []string) uint64 {
	var m uint64
	for _, h := range habitats {
		m |= ix.habitatBit[h]
	}
	return m
}

// StagesOf narrows a stage set as [Taxon.StagesFor] does.
func (ix *Index) StagesOf(taxon int32, set StageSet) StageSet {
	if own := set & ix.Stages[taxon]; own != 0 {
		return own
	}
	return ix.Stages[taxon]
}

// NeverMask is the set of states that a described variant contradicts: those
// marked never and, when another state of an exclusive trait is always there,
// those not listed.
func NeverMask(t *Trait, v *Variant) uint32 {
	var never, unlisted uint32
	always := false
	for s := range t.States {
		switch v.Freq[s] {
		case Never:
			never |= 1 << s
		case Unlisted:
			unlisted |= 1 << s
		case Always:
			always = true
		}
	}
	if always && t.Exclusive {
		never |= unlisted
	}
	return never
}

// byState turns the frequencies of plain rows round, so that one state can be
// read off in one sweep.
func (c *Column) byState() {
	c.Plain = make([]float64, len(c.Taxa))
	c.ByState = make([]Frequency, len(c.Taxa)*c.N)
	for row := range c.Taxa {
		v := int(c.First[row])
		if !c.Vars[v].Whole || c.N == 0 {
			continue
		}
		c.Plain[row] = c.Vars[v].Norm
		for s := 0; s < c.N; s++ {
			c.ByState[s*len(c.Taxa)+row] = c.Freq[v*c.N+s]
		}
	}
}

// mean fills the trait's mean weights, stage by stage.
func (ix *Index) mean(col *Column) {
	if col.N == 0 {
		return
	}
	col.Mean = make([]float64, StageCount*col.N)
	count := make([]float64, StageCount)
	for v := range col.Vars {
		cv := &col.Vars[v]
		if cv.Kind != Described {
			continue
		}
		cv.Stages.Each(func(st Stage) {
			count[st]++
			for s := 0; s < col.N; s++ {
				col.Mean[int(st)*col.N+s] += ix.weights.Of[col.Freq[v*col.N+s]] * cv.Norm
			}
		})
	}
	for st := range count {
		for s := 0; s < col.N; s++ {
			m := &col.Mean[st*col.N+s]
			*m = (*m + ix.weights.Smooth/float64(col.N)) / (count[st] + ix.weights.Smooth)
		}
	}
}

// StagesFor narrows a stage set to the stages the taxon has; when it has none
// of them, to all it has, so that nothing is ruled out by its stage alone.
func (t *Taxon) StagesFor(set StageSet) StageSet {
	if own := set & t.Stages; own != 0 {
		return own
	}
	return t.Stages
}
