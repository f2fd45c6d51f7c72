package evidence

import "zestythicket/guide"

// spoilers lists why an answer can't be trusted, given what is true of the
// specimen, of the observer, and of the hands at that moment.
func (e *Engine) spoilers(tr *guide.Trait, a *Answer, f *Find, sc *scene, hands []string, picked bool) []Confounder {
	if !a.Kind.evidential() {
		return nil
	}
	mask := maskOf(tr, a)
	var out []Confounder
	add := func(when bool, s Confounder) {
		if when {
			out = append(out, s)
		}
	}
	prep := tr.Prepares != ""
	add(tr.NeedsWhole&mask != 0 && !sc.base, BaseNotWhole)
	add(tr.BeforePick && (a.Detached || picked), SeenAfterPicking)
	add(tr.Smell && contaminated(tr, mask, hands), SmellContaminated)
	add(tr.Colour && (f.Profile.ColourDiffers || a.Light != "" || a.Surface != ""), ColourNotTrusted)
	add(tr.Smell && f.Profile.SmellWeak, SmellNotTrusted)
	add(tr.Losable&mask != 0 && !sc.intact, CouldBeLost)
	add(!prep && sc.anyStage && tr.Stages&sc.stages == 0, WrongStage)
	add(!prep && (a.Malformed || sc.malformed && tr.Class == guide.Structural), IsMalformed)
	add(tr.MinCount > 0 && a.Count < tr.MinCount, TooFew)
	add(tr.WaitMin > 0 && a.Minutes < tr.WaitMin && mask&^tr.Prompt != 0, TooEarly)
	add(paperHides(tr, mask, a.Paper), PaperHides)
	add(a.Unsure, ObserverUnsure)
	return out
}

// contaminated: the hands carry the smell that was answered, or carry any smell
// while none was answered (a strong smell covers a faint one).
func contaminated(tr *guide.Trait, mask uint32, hands []string) bool {
	if len(hands) == 0 {
		return false
	}
	for i := range tr.States {
		if mask&(1<<i) == 0 {
			continue
		}
		if tr.Leaves[i] == "" || has(hands, tr.Leaves[i]) {
			return true
		}
	}
	return false
}

// paperHides: a light deposit can't be seen on white paper, nor a dark one on
// dark paper; paper half dark and half light shows both.
func paperHides(tr *guide.Trait, mask uint32, paper string) bool {
	if tr.HiddenOnWhite|tr.HiddenOnDark == 0 || paper == "half" {
		return false
	}
	switch paper {
	case "white":
		return tr.HiddenOnWhite&mask != 0
	case "dark":
		return tr.HiddenOnDark&mask != 0
	}
	return true
}

// scene gathers what is true of the specimen as a whole.
func (e *Engine) scene(f *Find, specimen string, undone map[int64]int64) scene {
	var sc scene
	type last struct {
		mask uint32
		ok   bool
	}
	prep := map[string]*last{}
	sound := map[string]uint32{}
	for i := range f.Log {
		ev := &f.Log[i]
		if _, gone := undone[ev.Seq]; ev.Specimen != specimen || gone && ev.Kind != Picked {
			continue
		}
		switch ev.Kind {
		case Picked:
			sc.picked = true
		case Staged:
			sc.stages, sc.anyStage = ev.Stages, ev.Stages != 0
		case Answered:
			at, ok := e.ix.TraitAt(ev.Answer.Trait)
			if !ok {
				continue
			}
			tr := &e.ix.Book.Traits[at]
			mask, good := maskOf(tr, &ev.Answer), ev.Answer.Kind.evidential() && !ev.Answer.Unsure
			if tr.Prepares != "" {
				was := prep[tr.Prepares]
				// Two statements that differ: neither holds until a new look.
				clash := was != nil && was.mask != mask && ev.Answer.Method == "" && was.mask&1 == 0
				prep[tr.Prepares] = &last{mask, good && !clash}
			}
			if good {
				sound[tr.ID] = mask
			} else {
				delete(sound, tr.ID)
			}
			if tr.Prepares == "condition" {
				if i, ok := tr.StateIndex("malformed"); ok {
					sc.malformed = mask&(1<<i) != 0
				}
			}
		}
	}
	// The first state of a preparation is the good one.
	whole := func(kind string) bool { l := prep[kind]; return l != nil && l.ok && l.mask == 1 }
	sc.base, sc.intact = whole("base"), whole("condition")
	var fixes guide.StageSet
	for _, c := range e.ix.Book.StageChecks {
		at, _ := e.ix.TraitAt(c.Trait)
		if i, ok := e.ix.Book.Traits[at].StateIndex(c.State); ok && sound[c.Trait] == 1<<i {
			fixes |= c.Stages
		}
	}
	if !sc.anyStage {
		sc.stages = guide.StagesOf(e.kingdom(f))
		sc.eff = sc.stages
		return sc
	}
	sc.stated, sc.fixes = sc.stages, fixes
	sc.fixed = fixes&sc.stages != 0
	sc.stageConflict = fixes != 0 && !sc.fixed
	sc.stages |= fixes
	sc.eff = sc.stages
	if !sc.fixed {
		sc.eff = sc.stages.WithNeighbours()
	}
	return sc
}

// kingdom is the target's, or what the observer said.
func (e *Engine) kingdom(f *Find) guide.Kingdom {
	if t, ok := e.ix.TaxonAt(f.Target); ok {
		return e.ix.Book.Taxa[t].Kingdom
	}
	return f.Kingdom
}
