package evidence

import "zestythicket/guide"

// Tick is one line of a target's checklist.
type Tick struct {
	Trait int32
	Key   bool // it must be seen soundly and fit
	First bool // it can't be had after picking
	// Want are the states that the target shows at least sometimes; for a
	// measure it is empty and Range holds the extremes and typical bounds.
	Want  uint32
	Range [4]float64
	// Reading is the reading of the trait, -1 while there is none; Fits and
	// Against say how it meets the target.
	Reading       int32
	Fits, Against bool
	// Parts are the named dangerous lookalikes that this line tells from the
	// target; Shared those that look the same here: ticking it is worth nothing
	// against them.
	Parts, Shared []int32
}

// Checklist lists what has to fit for the target of a find, and what tells it
// from its named dangerous lookalikes: the key traits first, then the rest in
// the order of the guide. Without a target or a stage it is empty.
func (e *Engine) Checklist(f *Find, specimen string) []Tick {
	t := e.trial(f, specimen)
	if t.target < 0 || !t.sc.anyStage {
		return nil
	}
	foes := t.foes()
	parts := map[int32][]int32{}
	for _, foe := range foes {
		row := t.tallies[foe].row
		if row < 0 {
			continue
		}
		for _, x := range e.usual(t.target, t.sc.stages, func(int32) bool { return true }) {
			if w, _ := e.weight(&x, row, t.rowStages(row, x.trait), false); w >= e.def.Fair {
				parts[x.trait] = append(parts[x.trait], foe)
			}
		}
	}
	keys := map[int32]bool{}
	for _, id := range t.taxon(t.target).KeyFor(t.sc.stages) {
		if at, ok := e.ix.TraitAt(id); ok {
			keys[at] = true
		}
	}
	var out []Tick
	for _, wantKey := range []bool{true, false} {
		for at := range t.byTrait {
			trait := int32(at)
			if keys[trait] != wantKey || !wantKey && len(parts[trait]) == 0 {
				continue
			}
			out = append(out, t.tick(trait, wantKey, foes, parts[trait]))
		}
	}
	return out
}

func (t *assessment) tick(trait int32, key bool, foes, parts []int32) Tick {
	tr := t.trait(trait)
	k := Tick{Trait: trait, Key: key, First: tr.BeforePick, Reading: t.byTrait[trait], Parts: parts}
	for _, foe := range foes {
		apart := false
		for _, p := range parts {
			apart = apart || p == foe
		}
		if !apart {
			k.Shared = append(k.Shared, foe)
		}
	}
	col := &t.e.ix.Columns[trait]
	if row, ok := rowOf(col, t.target); ok {
		stages := t.e.stagesFor(t.target, t.sc.stages, tr)
		k.Want = shownMask(col, row, stages, guide.Sometimes)
		for v := col.First[row]; tr.Kind == guide.Measure && v < col.First[row+1]; v++ {
			if col.Vars[v].Stages&stages != 0 && col.Vars[v].Kind == guide.Described {
				k.Range = col.Ranges[v]
				break
			}
		}
	}
	if k.Reading >= 0 {
		r := &t.rs[k.Reading]
		if r.Soundness != Mute {
			k.Fits = t.fits(r)
			k.Against = r.Soundness == Sound && t.surprising(k.Reading)
		}
	}
	return k
}
