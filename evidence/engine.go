package evidence

import (
	"math/bits"

	"zestythicket/guide"
)

// Engine judges finds against one guide. It holds no state of any find and may
// be shared.
type Engine struct {
	ix   *guide.Index
	def  Defaults
	base []float64 // by taxon: prior weight before season and habitat, nil for uniform
	// namedBy lists, by entry, those it names as lookalikes or that name it.
	namedBy [][]int32
	db      [][]float32 // by trait, beside ChanceColumn.Called: decibans in a look by the book
	told    *told       // which pairs can be told apart; it follows from the guide alone
	firm    [][]uint32  // by trait and variant: states that weigh up to the higher cap
}

// New makes an engine over a compiled guide.
func New(ix *guide.Index, def Defaults) *Engine {
	e := &Engine{ix: ix, def: def, told: &told{by: map[toldKey]bool{}}}
	e.compile()
	e.nameEachOther()
	return e
}

// WithPrior gives an engine whose prior is not uniform: one weight a taxon, in
// the order of the guide. It is for tables whose shares are known.
func (e *Engine) WithPrior(weights []float64) *Engine {
	out := *e
	out.base = weights
	return &out
}

// Index is the guide the engine judges by.
func (e *Engine) Index() *guide.Index { return e.ix }

// Judgement is everything that follows from what was said of one specimen.
type Judgement struct {
	Specimen    string
	Kingdom     guide.Kingdom
	Stages      guide.StageSet
	StageFixed  bool
	Readings    []Reading
	Exclusions  []Exclusion
	Aside       []int32 // hazardous entries of other continents
	Standing    Posterior
	Verdict     Verdict
	Legs        [5]bool
	Obligations []Requirement
	Refusals    []Refusal
	Leave       []RejectReason
	NamedTo     Naming
	Next        Check
	// TargetContradictions are facts that the target hardly ever shows.
	TargetContradictions int
	// DeadEnds are dangerous entries that no check that is still possible on this
	// specimen can rule out. LostKeys are key traits that can't be seen on it any more.
	DeadEnds []int32
	LostKeys []int32
	// Inseparable are dangerous entries that nothing the guide knows tells from the
	// target at these stages, on any specimen: the first few.
	Inseparable []int32
	// Passed: the target matches and every dangerous entry is ruled out on this
	// individual. Failed: the target is contradicted.
	Passed, Failed bool
}

// assessment is the work sheet of one judgement.
type assessment struct {
	e        *Engine
	f        *Find
	specimen string
	kingdom  guide.Kingdom
	target   int32 // -1 without one
	rs       []Reading
	byTrait  []int32 // reading of a trait that the observer gave, -1
	sc       scene
	in       []bool
	grade    []guide.Grade
	voices   []voice // the sound answers, as they weigh
	slots    int     // facts among them
	ref      int32   // the entry that others are weighed against, -1
	left     []voice // the looks that are left, see usualLooks
	// against are the readings that the target hardly ever gives; againstFacts is how
	// many facts they are.
	against      []int32
	againstFacts int
	ifSeen       []guide.TraitRef // answers supposed while a check is weighed
	supposing    supposing        // what is taken for granted, while the end is worked out
	st           standing
	tallies      []tally
	open         []int32         // dangerous entries not ruled out
	most         []int32         // see hardest
	slotOf       map[int32]int32 // see spoken
	danger       []int32         // all dangerous entries in scope
	contact      bool            // a contact hazard is standing
	use          *guide.Use
}

// Judge evaluates one specimen of a find and chooses the next check.
func (e *Engine) Judge(f *Find, specimen string) Judgement {
	t := e.trial(f, specimen)
	j := Judgement{Specimen: specimen, Kingdom: t.kingdom, Stages: t.sc.stages, StageFixed: t.sc.fixed, Readings: t.rs}
	if !t.sc.anyStage {
		j.Stages = 0
	}
	j.Exclusions = t.ledger()
	j.Aside = t.aside()
	j.Standing = t.summary()
	t.verdict(&j)
	j.Next = t.next()
	return j
}

// trial evaluates readings, contradictions, standing and tallies.
func (e *Engine) trial(f *Find, specimen string) *assessment {
	t := &assessment{e: e, f: f, specimen: specimen, kingdom: e.kingdom(f), target: -1}
	if at, ok := e.ix.TaxonAt(f.Target); ok {
		t.target = at
		t.use, _ = e.ix.Book.Taxa[at].UseFor(f.Part, f.Prep)
	}
	t.rs, t.sc = e.readings(f, specimen)
	t.byTrait = make([]int32, len(e.ix.Book.Traits))
	for i := range t.byTrait {
		t.byTrait[i] = -1
	}
	for i := range t.rs {
		if t.rs[i].By < 0 {
			t.byTrait[t.rs[i].Trait] = int32(i)
		}
	}
	t.scope()
	t.st = e.standing(f, t.rs, &t.sc, t.in)
	t.tally()
	return t
}

// scope marks the entries of the observed kingdom on this continent and grades
// each as the intent would have it.
func (t *assessment) scope() {
	ix := t.e.ix
	n := len(ix.Book.Taxa)
	t.in = make([]bool, n)
	t.grade = make([]guide.Grade, n)
	here := ix.ContinentMask(t.f.Place.Region)
	own := guide.StagesOf(t.kingdom)
	for i := range t.in {
		if t.kingdom != guide.KingdomUnclear && ix.Stages[i]&own == 0 {
			continue
		}
		if t.f.Place.Region != "" && ix.Continents[i] != 0 && ix.Continents[i]&here == 0 && int32(i) != t.target && !t.recalled(int32(i)) {
			continue
		}
		t.in[i] = true
		if t.f.Intent.harvest() && ix.Uniform[i] {
			t.grade[i] = ix.Worst[i]
		} else {
			t.grade[i] = t.gradeOf(int32(i))
		}
	}
}

func (t *assessment) recalled(i int32) bool {
	return len(t.f.Recalled) > 0 && has(t.f.Recalled, t.taxon(i).ID)
}

func (t *assessment) gradeOf(i int32) guide.Grade {
	tx := t.taxon(i)
	switch t.f.Intent {
	case Clear:
		return t.e.ix.Contact[i]
	case Keep:
		// Whatever is to be protected is held to the rule for poisonous entries.
		if tx.Protection != "" {
			return guide.Poisonous
		}
		return guide.NoHazard
	case Record:
		return t.e.ix.Worst[i]
	}
	return tx.HazardFor(t.f.Part, t.f.Prep, 0, true)
}

// exempt reports entries that can't be ruled out because the target is one of
// them: the target itself and its ancestors. Members and equivalents of the
// target need no exemption: where no hazard of the use is noted for them, their
// grade is 0, and where one is they stay in scope.
//
// For clear and keep nothing is exempt: there the target is what is feared, or
// what is to be protected, and it is held until what was seen rules it out.
func (t *assessment) exempt(taxon int32) bool {
	return t.f.Intent != Clear && t.f.Intent != Keep && t.inLine(taxon)
}

// inLine reports the target and its ancestors.
func (t *assessment) inLine(taxon int32) bool {
	if t.target < 0 {
		return false
	}
	if taxon == t.target {
		return true
	}
	for _, d := range t.e.ix.Descendants(taxon) {
		if d == t.target {
			return true
		}
	}
	return false
}

func (t *assessment) taxon(i int32) *guide.Taxon { return &t.e.ix.Book.Taxa[i] }
func (t *assessment) trait(i int32) *guide.Trait { return &t.e.ix.Book.Traits[i] }
func (t *assessment) sound(trait int32) *Reading {
	if i := t.byTrait[trait]; i >= 0 && t.rs[i].Soundness == Sound {
		return &t.rs[i]
	}
	return nil
}

func popcount(m uint32) int { return bits.OnesCount32(m) }

// RulesVersion goes up with every change of the rules: what was concluded by others is
// worked out again.
const RulesVersion = "2"
