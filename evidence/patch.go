package evidence

import "zestythicket/guide"

// Patch is what the specimens of one find say together. A verdict is for the
// specimens checked one by one, never for the patch or the basket.
type Patch struct {
	Judgements []Judgement
	// Mixed: two specimens contradict each other, or one fails.
	Mixed bool
	// Held: nothing from the basket may be used until each item was checked by
	// itself, the passes again.
	Held                      bool
	Passed, Failed, Unchecked int
	// ToRecheck are the passes that must be confirmed once a patch is mixed.
	ToRecheck int
	Clashes   []Clash
	FastPass  FastPass
}

// Clash is a trait on which two specimens can't be the same entry.
type Clash struct {
	A, B  string
	Trait int32
}

// JudgePatch judges every specimen of a find and holds the basket when they
// don't agree. What is physically joined is one individual and cannot clash.
func (e *Engine) JudgePatch(f *Find) Patch {
	var p Patch
	for i := range f.Specimens {
		p.Judgements = append(p.Judgements, e.Judge(f, f.Specimens[i].ID))
	}
	checked, full := 0, false
	for i := range p.Judgements {
		full = full || p.Judgements[i].Verdict == ChecksComplete
	}
	if len(f.Specimens) > 0 {
		p.FastPass = e.FastPass(f, f.Specimens[0].ID, full)
	}
	for i := range f.Specimens {
		n := max(1, f.Specimens[i].Count)
		j := &p.Judgements[i]
		switch {
		case f.Specimens[i].Aside:
			p.Failed += f.Specimens[i].Count
			checked += f.Specimens[i].Count
		case j.Failed:
			p.Failed += n
			checked += n
		case j.Passed || e.short(f, j, &p.FastPass):
			p.Passed += n
			checked += n
		}
		for k := 0; k < i; k++ {
			if joined(f, i, k) {
				continue
			}
			if c, ok := e.clash(f, &p.Judgements[k], j); ok {
				p.Clashes = append(p.Clashes, c)
			}
		}
	}
	total := f.Picked
	for i := range f.Specimens {
		if f.Picked == 0 && !f.Specimens[i].Aside {
			total += max(1, f.Specimens[i].Count)
		} else if f.Picked == 0 {
			total += f.Specimens[i].Count
		}
	}
	p.Unchecked = max(0, total-checked)
	p.Mixed = len(p.Clashes) > 0 || p.Failed > 0 && len(f.Specimens) > 1
	p.Held = p.Mixed
	if p.Mixed {
		p.ToRecheck = p.Passed
	}
	return p
}

// short: items of a clump in which one find is complete pass by the short list.
// Every check of it was soundly read on them and fits the target, nothing speaks
// against the target, and by their own readings every dangerous entry in scope is
// ruled out. A count says how many were looked at; without the answers it
// passes nothing.
func (e *Engine) short(f *Find, j *Judgement, fp *FastPass) bool {
	if !fp.Exists || !fp.Ready || j.TargetContradictions > 0 {
		return false
	}
	t := e.trial(f, j.Specimen)
	for _, check := range fp.Checks {
		r := t.sound(check)
		if ref, ok := t.isSaidOfAll(check); ok {
			if r == nil || r.Mask != 1<<ref.State {
				return false
			}
		} else if r == nil || !t.fits(r) {
			return false
		}
	}
	return len(t.looks()) == 0 && len(t.doubts()) == 0 && len(t.open) == 0
}

func (t *assessment) isSaidOfAll(trait int32) (guide.TraitRef, bool) {
	for _, ref := range t.saidOfAll() {
		if ref.Trait == trait {
			return ref, true
		}
	}
	return guide.TraitRef{}, false
}

func joined(f *Find, i, k int) bool {
	a, b := &f.Specimens[i], &f.Specimens[k]
	return a.JoinedTo == b.ID || b.JoinedTo == a.ID || a.JoinedTo != "" && a.JoinedTo == b.JoinedTo
}

// clash looks for a trait, soundly read on both specimens, whose two readings
// no entry allows together.
func (e *Engine) clash(f *Find, a, b *Judgement) (Clash, bool) {
	t := e.trial(f, a.Specimen)
	for i := range a.Readings {
		ra := &a.Readings[i]
		if ra.Soundness != Sound {
			continue
		}
		for k := range b.Readings {
			rb := &b.Readings[k]
			if rb.Trait != ra.Trait || rb.Soundness != Sound || ra.Mask&rb.Mask != 0 {
				continue
			}
			if !e.anyAllowsBoth(t, ra, rb) {
				return Clash{a.Specimen, b.Specimen, ra.Trait}, true
			}
		}
	}
	return Clash{}, false
}

// anyAllowsBoth: the target is described as showing both; without one, some entry in
// scope. The larger a guide, the more likely some entry shows any two states, and a
// basket of the target holds nothing of that one. An entry that is silent on a state
// does not vouch for it.
func (e *Engine) anyAllowsBoth(t *assessment, a, b *Reading) bool {
	col, tr := &e.ix.Columns[a.Trait], t.trait(a.Trait)
	for row, taxon := range col.Taxa {
		if !t.in[taxon] || t.target >= 0 && taxon != t.target {
			continue
		}
		st := e.stagesFor(taxon, t.sc.eff, tr)
		if tr.Kind != guide.Measure {
			shown := shownMask(col, int32(row), st, guide.Rarely)
			if shown&a.Mask != 0 && shown&b.Mask != 0 {
				return true
			}
			continue
		}
		if !e.meets(col, tr, int32(row), a, st) && !e.meets(col, tr, int32(row), b, st) {
			return true
		}
	}
	return len(col.Taxa) == 0
}
