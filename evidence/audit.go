package evidence

import (
	"cmp"
	"slices"
	"sync"

	"zestythicket/guide"
)

// Apart says how a target can be told from one dangerous entry at one stage, while
// it looks as it usually does and is looked at by the book.
type Apart struct {
	Taxon int32
	// Form is the form of it that is hardest to tell, -1 for the entry as described.
	Form   int32
	Grade  guide.Grade
	Weight float64 // decibans against it
	Need   float64
	Thorns int // left, of three
	// RuledOut for anyone; Taught: for who was taught this danger in person.
	RuledOut, Taught bool
	Named            bool
	By               []int32 // the checks that tell them apart, the weightiest first
}

// Short is what is missing, in decibans, 0 when it can be ruled out.
func (a *Apart) Short() float64 { return max(0, a.Need-a.Weight) }

// AuditLine is one edible use at one stage on one continent: can every dangerous
// entry be ruled out by what is observable then, and how?
type AuditLine struct {
	Taxon     int32
	Use       guide.Use
	Stage     guide.Stage
	Continent string
	Refused   bool // the guide does not let this stage be gathered
	Entries   []Apart
	Holds     bool // every entry is ruled out, by anyone
	Taught    bool // … by who was taught in person
}

// Audit uses the verdict's own scope and rules over every use, stage and continent
// of the guide. Stages that no use allows are listed as refused.
func (e *Engine) Audit() []AuditLine {
	var out []AuditLine
	for i := range e.ix.Book.Taxa {
		out = append(out, e.AuditOf(int32(i))...)
	}
	return out
}

// AuditOf is the part of the audit that is about one entry.
func (e *Engine) AuditOf(taxon int32) []AuditLine {
	var out []AuditLine
	tx := &e.ix.Book.Taxa[taxon]
	shelf := shelf{e: e, target: taxon, books: map[guide.Stage]*book{}, apart: map[apartKey]Apart{}}
	for u := range tx.Uses {
		for _, continent := range continents(tx) {
			tx.Stages.Each(func(st guide.Stage) {
				out = append(out, e.auditLine(&shelf, &tx.Uses[u], st, continent))
			})
		}
	}
	return out
}

// shelf keeps the books of one target and what they say: neither the preparation nor
// the continent changes how well two entries can be told apart.
type shelf struct {
	e      *Engine
	target int32
	books  map[guide.Stage]*book
	apart  map[apartKey]Apart
}

type apartKey struct {
	stage guide.Stage
	other int32
	grade guide.Grade
}

func (s *shelf) against(st guide.Stage, other int32, grade guide.Grade) Apart {
	k := apartKey{st, other, grade}
	a, ok := s.apart[k]
	if !ok {
		if s.books[st] == nil {
			s.books[st] = s.e.book(s.target, guide.NewStageSet(st))
		}
		a = s.books[st].against(other, grade)
		s.apart[k] = a
	}
	return a
}

func continents(tx *guide.Taxon) []string {
	var out []string
	for _, r := range tx.Regions {
		if c := guide.Continent(r); !has(out, c) {
			out = append(out, c)
		}
	}
	return out
}

func (e *Engine) auditLine(sh *shelf, u *guide.Use, st guide.Stage, continent string) AuditLine {
	taxon := sh.target
	line := AuditLine{Taxon: taxon, Use: *u, Stage: st, Continent: continent, Refused: !u.Stages.Has(st) || !u.GatheredIn(continent), Holds: true, Taught: true}
	region := continent
	if continent == "NA" {
		region = "ENA"
	}
	tx := &e.ix.Book.Taxa[taxon]
	f := &Find{Intent: Eat, Target: tx.ID, Part: u.Part, Prep: u.Preparation, Place: Place{Region: region}}
	scope := &assessment{e: e, f: f, target: taxon, kingdom: tx.Kingdom, use: u}
	scope.scope()
	for d := range scope.in {
		if !scope.in[d] || scope.grade[d] == 0 || scope.exempt(int32(d)) {
			continue
		}
		a := sh.against(st, int32(d), scope.grade[d])
		line.Holds = line.Holds && a.RuledOut
		line.Taught = line.Taught && (a.RuledOut || a.Taught)
		line.Entries = append(line.Entries, a)
	}
	// The weakest pairs first.
	slices.SortStableFunc(line.Entries, func(a, b Apart) int {
		return cmp.Or(cmp.Compare(boolInt(a.RuledOut), boolInt(b.RuledOut)), cmp.Compare(a.Weight-a.Need, b.Weight-b.Need), cmp.Compare(b.Grade, a.Grade), cmp.Compare(a.Taxon, b.Taxon))
	})
	return line
}

// book is a target that looks as it usually does at some stages, looked at by the
// method, with everything that guards against a mishap done.
type book struct {
	t     *assessment
	xs    []voice
	slots []slotWeight
}

func (e *Engine) book(target int32, stages guide.StageSet) *book {
	t := &assessment{e: e, f: &Find{Intent: Eat, Target: e.ix.Book.Taxa[target].ID}, target: target, ref: target, kingdom: e.ix.Book.Taxa[target].Kingdom, supposing: bookLook,
		sc: scene{stages: stages, stated: stages, eff: stages.WithNeighbours(), fixes: stages, base: true, intact: true, anyStage: true}}
	xs, n := t.fresh()
	return &book{t, xs, make([]slotWeight, n)}
}

// tally is what stands against an entry, for anyone or for who was taught it in person.
func (b *book) tally(other int32, grade guide.Grade, taught bool) tally {
	tx := b.t.taxon(other)
	b.t.f.Profile = Profile{}
	if taught && len(tx.HardGroups) > 0 {
		b.t.f.Profile.SignOffs = []SignOff{{Group: tx.HardGroups[0], By: "-", Dangers: []string{tx.ID}}}
	}
	return b.t.tallyOf(other, grade, b.xs, b.slots)
}

func (b *book) against(other int32, grade guide.Grade) Apart {
	t := b.t
	tx := t.taxon(other)
	tl := b.tally(other, grade, false)
	a := Apart{Taxon: other, Form: t.e.ix.Chances.Rows[tl.row].Form, Grade: grade, Weight: tl.sum, Need: tl.need.sum, RuledOut: tl.ruledOut, Named: slices.Contains(t.e.namedBy[t.target], other)}
	if !tl.ruledOut {
		a.Thorns, _ = thorns(tl.sum, tl.need.sum)
	}
	if len(tx.HardGroups) > 0 && !tl.ruledOut {
		a.Taught = b.tally(other, grade, true).ruledOut
	}
	type told struct {
		trait int32
		w     float64
	}
	var by []told
	for i := range b.xs {
		x := &b.xs[i]
		if w, _ := t.e.weight(x, tl.row, t.rowStages(tl.row, x.trait), false); w >= t.e.def.Fair {
			by = append(by, told{x.trait, w})
		}
	}
	slices.SortStableFunc(by, func(x, y told) int { return cmp.Compare(y.w, x.w) })
	for _, x := range by {
		a.By = append(a.By, x.trait)
	}
	return a
}

// Look is what one look weighs between two entries, in decibans and in a word.
type Look struct {
	Weight   float64
	Strength Strength // 0 where there is none
	State    int32    // what the target usually shows; -1 for a measure
}

// Between is, by trait, what the usual look of a target at some stages weighs against
// another entry, looked at by the book, on the form of it that stands least against.
func (e *Engine) Between(target, other int32, stages guide.StageSet) []Look {
	out := make([]Look, len(e.ix.Book.Traits))
	b := e.book(target, stages)
	tl := b.tally(other, guide.Deadly, false)
	for i := range b.xs {
		x := &b.xs[i]
		w, _ := e.weight(x, tl.row, b.t.rowStages(tl.row, x.trait), false)
		out[x.trait] = Look{w, e.def.strengthOf(w), -1}
		if x.mask != 0 {
			out[x.trait].State = int32(guide.Lowest(x.mask))
		}
	}
	return out
}

// Separable reports whether anything the guide knows can rule an entry of a grade
// out at these stages while the target looks as it usually does.
func (e *Engine) Separable(target, other int32, grade guide.Grade, stages guide.StageSet) bool {
	e.told.Lock()
	defer e.told.Unlock()
	var b *book
	return e.separable(toldKey{target, other, grade, stages, false}, &b)
}

// told remembers which pairs can be told apart.
type told struct {
	sync.Mutex
	by map[toldKey]bool
	// usual are looks of targets, see Engine.usual and Engine.likely.
	lists sync.Map // by looksKey: []voice
}

type looksKey struct {
	target int32
	stages guide.StageSet
	likely bool
}

// looks gives a list of looks, working it out when it is first asked for.
func (t *told) looks(k looksKey, of func() []voice) []voice {
	if have, ok := t.lists.Load(k); ok {
		return have.([]voice)
	}
	list := of()
	t.lists.Store(k, list)
	return list
}

type toldKey struct {
	target, other int32
	grade         guide.Grade
	stages        guide.StageSet
	taught        bool
}

// separable is [Engine.Separable] with what is remembered, which is locked. The book
// of the target is made when it is first wanted.
func (e *Engine) separable(k toldKey, b **book) bool {
	yes, known := e.told.by[k]
	if known {
		return yes
	}
	if *b == nil {
		*b = e.book(k.target, k.stages)
	}
	yes = (*b).tally(k.other, k.grade, k.taught).ruledOut
	e.told.by[k] = yes
	return yes
}

// inseparable lists the dangerous entries that nothing tells from the target at the
// stages of the specimen, whatever is looked at, the first few of them.
func (t *assessment) inseparable() []int32 {
	if t.target < 0 || !t.sc.anyStage {
		return nil
	}
	var out []int32
	var b *book
	t.e.told.Lock()
	defer t.e.told.Unlock()
	for _, d := range append(t.foes(), t.danger...) { // what is named first
		if slices.Contains(out, d) {
			continue
		}
		if !t.e.separable(toldKey{t.target, d, t.grade[d], t.sc.stages, t.taught(d)}, &b) {
			if out = append(out, d); len(out) == inseparableMost {
				break
			}
		}
	}
	return out
}

// inseparableMost is how many such entries are named.
const inseparableMost = 3
