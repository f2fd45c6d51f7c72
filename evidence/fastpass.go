package evidence

import "zestythicket/guide"

// FastPass is a short set of gentle checks that takes each further item of a
// clump to what rules every dangerous entry in scope out. It holds only after one full find in that clump.
type FastPass struct {
	Exists bool
	// Ready: the full find has been made.
	Ready  bool
	Checks []int32
	// Blocking are the dangerous entries that no such set rules out.
	Blocking []int32
}

// FastPass works the set out, greedily: the check that takes away most of what is
// still needed first, then whatever is superfluous is dropped again. It is held to
// every dangerous entry in scope.
func (e *Engine) FastPass(f *Find, specimen string, full bool) FastPass {
	t := e.trial(f, specimen)
	if t.target < 0 || !t.sc.anyStage || !f.Intent.harvest() || len(t.danger) == 0 {
		return FastPass{}
	}
	k := t.fastPassKey()
	have, ok := e.told.lists.Load(k)
	if !ok {
		have, _ = e.told.lists.LoadOrStore(k, t.fastPass())
	}
	out := have.(FastPass)
	out.Ready = out.Exists && full
	return out
}

// fastPassKey holds all that the short set depends on: nothing of it was seen on a
// specimen.
type fastPassKey struct {
	target                   int32
	stages, eff              guide.StageSet
	region, part, prep, more string
}

func (t *assessment) fastPassKey() fastPassKey {
	k := fastPassKey{target: t.target, stages: t.sc.stages, eff: t.sc.eff, region: t.f.Place.Region, part: t.f.Part, prep: t.f.Prep}
	for _, id := range t.f.Recalled {
		k.more += id + " "
	}
	for _, d := range t.danger {
		if t.taught(d) {
			k.more += "taught " + t.taxon(d).ID + " "
		}
	}
	return k
}

func (t *assessment) fastPass() FastPass {
	e := t.e
	danger := t.danger
	t, said := t.nextItem()
	xs := t.e.usual(t.target, t.sc.stages, t.gentle)
	slots := make([]slotWeight, t.settleAmong(xs))
	left := func(set []voice) (sum float64, blocking []int32) {
		for _, d := range danger {
			if tl := t.tallyOf(d, t.grade[d], set, slots); !tl.ruledOut {
				sum += tl.left
				blocking = append(blocking, d)
			}
		}
		return sum, blocking
	}
	// Without the most that all of them can do, there is no use in choosing.
	if rest, blocking := left(xs); rest > 0 {
		return FastPass{Blocking: blocking}
	}
	var set []voice
	now, _ := left(nil)
	for now > 0 && len(set) < e.def.FastPassMost {
		best, bestLeft := -1, now
		for i := range xs {
			if l, _ := left(append(set[:len(set):len(set)], xs[i])); l < bestLeft {
				best, bestLeft = i, l
			}
		}
		if best < 0 {
			break
		}
		set, now = append(set, xs[best]), bestLeft
	}
	for i := len(set) - 1; i >= 0 && now == 0; i-- {
		without := append(append([]voice(nil), set[:i]...), set[i+1:]...)
		if l, _ := left(without); l == 0 {
			set = without
		}
	}
	rest, blocking := left(set)
	if rest > 0 {
		return FastPass{Blocking: blocking}
	}
	out := FastPass{Exists: true, Checks: said}
	for i := range set {
		out.Checks = append(out.Checks, set[i].trait)
	}
	return out
}

// nextItem is a further item of the clump, of which nothing is known yet but what is
// said of every one: that it is sound and at the stage of the first.
func (t *assessment) nextItem() (*assessment, []int32) {
	next := *t
	next.rs, next.voices, next.slotOf, next.byTrait = nil, nil, nil, make([]int32, len(t.byTrait))
	for i := range next.byTrait {
		next.byTrait[i] = -1
	}
	var said []int32
	for _, ref := range t.saidOfAll() {
		next.ifSeen = append(next.ifSeen, ref)
		said = append(said, ref.Trait)
		for _, c := range t.e.ix.Book.StageChecks {
			if c.Trait == t.trait(ref.Trait).ID {
				next.sc.fixes |= c.Stages
			}
		}
	}
	return &next, said
}

// saidOfAll are the state of an item and what fixes its stage.
func (t *assessment) saidOfAll() []guide.TraitRef {
	var out []guide.TraitRef
	if at := t.conditionTrait(); at >= 0 {
		out = append(out, guide.TraitRef{Trait: at, State: 0})
	}
	for _, c := range t.e.ix.Book.StageChecks {
		at, ok := t.e.ix.TraitAt(c.Trait)
		if !ok || c.Stages&t.sc.stages == 0 || t.trait(at).Kingdom != t.kingdom {
			continue
		}
		if s, ok := t.trait(at).StateIndex(c.State); ok {
			out = append(out, guide.TraitRef{Trait: at, State: int32(s)})
		}
	}
	return out
}

// gentle: it can be done to every item: a look or a touch that needs no dug
// base, no waiting, no clean hands, and uses nothing up.
func (t *assessment) gentle(at int32) bool {
	tr := t.trait(at)
	return tr.Handling <= guide.Touch && tr.Kind != guide.Measure && !tr.Destroys && !tr.Smell && tr.WaitMin == 0 && tr.NeedsWhole == 0 && tr.After == "" && t.e.ix.AfterOf[at] < 0
}

// foes are the dangerous entries in scope that the target names, or that name it.
func (t *assessment) foes() []int32 {
	var out []int32
	for _, at := range t.e.namedBy[t.target] {
		if t.in[at] && t.grade[at] > 0 {
			out = append(out, at)
		}
	}
	return out
}
