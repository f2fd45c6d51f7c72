package load

import (
	"slices"

	"zestythicket/guide"
	"zestythicket/internal/spell"
)

// checkTaxa checks what can only be checked once every taxon is read: names of
// other taxa, baseline traits, key traits, parents of inapplicable cells.
func (l *loader) checkTaxa() {
	for i := range l.book.Taxa {
		l.checkTaxon(i)
	}
}

func (l *loader) checkTaxon(i int) {
	t := &l.book.Taxa[i]
	k := l.nodes[i]
	known := func(id, field string) {
		if _, ok := l.taxonAt[id]; id != "" && !ok {
			k.r.Fail(k.m[field], spell.Nearest(id, l.taxonIDs), "unknown taxon %q in %s", id, field)
		}
	}
	known(t.Parent, "parent")
	for _, e := range t.Equivalents {
		known(e, "equivalents")
	}
	for _, e := range t.Lookalikes {
		known(e.Taxon, "lookalikes")
	}
	if len(t.Hazards) == 0 {
		k.r.Fail(k.n, "in doubt, the higher grade", "an entry without a hazard line says nothing; write grade 0 if no hazard is noted")
	}
	l.checkBaseline(k, t)
	l.checkKey(k, t)
}

func (l *loader) checkBaseline(k taxonNodes, t *guide.Taxon) {
	cells := map[string]bool{}
	for _, c := range t.Cells {
		cells[c.Trait] = true
	}
	for i := range l.book.Traits {
		tr := &l.book.Traits[i]
		if tr.Baseline && (tr.Kingdom == t.Kingdom || tr.Kingdom == guide.KingdomUnclear) && !cells[tr.ID] {
			k.r.Fail(k.m["cells"], "describe it, or write inapplicable, or unknown: why", "%s does not answer the baseline trait %q", t.ID, tr.ID)
		}
	}
	for _, c := range t.Cells {
		tr := l.traits[c.Trait]
		if lacks := l.lacksPart(t, tr); lacks && c.Variants[0].Kind == guide.Described {
			k.r.Fail(k.m["cells"], "write "+tr.ID+": inapplicable", "%s is described, but %s says that the part is never there", tr.ID, tr.Parent)
		}
		for _, v := range c.Variants {
			if v.Kind == guide.Inapplicable && tr.Parent != "" && !cells[tr.Parent] {
				k.r.Fail(k.m["cells"], "say there that the part is lacking", "%s is inapplicable, but its parent %s is not described", tr.ID, tr.Parent)
			}
		}
	}
}

// lacksPart: the parent trait says never to every state under which the part exists.
func (l *loader) lacksPart(t *guide.Taxon, tr *guide.Trait) bool {
	p := l.traits[tr.Parent]
	if p == nil {
		return false
	}
	for i := range t.Cells {
		if t.Cells[i].Trait != p.ID {
			continue
		}
		for vi := range t.Cells[i].Variants {
			v := &t.Cells[i].Variants[vi]
			if v.Kind != guide.Described || guide.NeverMask(p, v)&tr.ParentStates != tr.ParentStates {
				return false
			}
		}
		return true
	}
	return false
}

// checkKey holds every use to key traits in at least three parts, each of them
// described: the match leg could not be met otherwise.
func (l *loader) checkKey(k taxonNodes, t *guide.Taxon) {
	cells := map[string]bool{}
	for _, c := range t.Cells {
		cells[c.Trait] = true
	}
	for _, u := range t.Uses {
		u.Stages.Each(func(st guide.Stage) {
			var parts uint32
			n := 0
			for _, id := range t.KeyFor(guide.NewStageSet(st)) {
				tr := l.traits[id]
				if tr == nil {
					continue
				}
				if !cells[id] {
					k.r.Fail(k.m["key"], "", "the key trait %s is not described", id)
				}
				if parts&(1<<tr.Part) == 0 {
					n++
				}
				parts |= 1 << tr.Part
			}
			if n < 3 {
				k.r.Fail(k.m["uses"], "add key traits in other parts", "key traits for the stage %s lie in %d part(s), three are needed", st, n)
			}
		})
	}
}

// nameBack closes what is named one way only: where a dangerous entry says that it is
// taken for another, the other one names it too. Gates and short lists look at what a
// target names.
func (l *loader) nameBack() {
	type pair struct{ danger, taken int }
	var missing []pair
	for i := range l.book.Taxa {
		d := &l.book.Taxa[i]
		if d.WorstHazard() < guide.Poisonous {
			continue
		}
		for _, x := range d.Lookalikes {
			j, ok := l.taxonAt[x.Taxon]
			if ok && j != i && !slices.ContainsFunc(l.book.Taxa[j].Lookalikes, func(y guide.Lookalike) bool { return y.Taxon == d.ID }) {
				missing = append(missing, pair{i, j})
			}
		}
	}
	for _, p := range missing {
		d, t := &l.book.Taxa[p.danger], &l.book.Taxa[p.taken]
		for _, x := range d.Lookalikes {
			if x.Taxon == t.ID {
				t.Lookalikes = append(slices.Clone(t.Lookalikes), guide.Lookalike{Taxon: d.ID, Why: x.Why})
				break
			}
		}
	}
}
