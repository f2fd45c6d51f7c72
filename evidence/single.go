package evidence

import "zestythicket/guide"

// Single is what one answer alone does against one dangerous entry.
type Single struct {
	Trait, State int32
	Other        int32
	Grade        guide.Grade
	Weight       float64 // capped as one fact is
	Strength     Strength
	RulesOut     bool
}

// Singles works out, for a use of a target at a stage, what every answer that a specimen
// of it may well give does by itself, looked at by the method.
func (e *Engine) Singles(line *AuditLine, each func(Single)) {
	b := e.book(line.Taxon, guide.NewStageSet(line.Stage))
	t := b.t
	looks := e.likely(line.Taxon, t.sc.stages, func(int32) bool { return true })
	slots := make([]slotWeight, 1)
	for i := range looks {
		x := looks[i]
		if x.kind == Measured {
			continue
		}
		e.loosen(&x, unsettledAll)
		e.atTarget(&x, line.Taxon, t.sc.stages)
		x.slot, x.or = 0, false
		for k := range line.Entries {
			a := &line.Entries[k]
			one := t.tallyOf(a.Taxon, a.Grade, []voice{x}, slots)
			each(Single{x.trait, int32(guide.Lowest(x.mask)), a.Taxon, a.Grade, one.sum, e.def.strengthOf(one.sum), one.ruledOut})
		}
	}
}

// unsettledAll: nothing else was looked at.
func unsettledAll(guide.TraitRef) bool { return false }
