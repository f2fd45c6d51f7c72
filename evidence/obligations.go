package evidence

import (
	"math"
	"slices"

	"zestythicket/guide"
)

// stageObligations: the stage is asked first, and an answer that fixes another
// stage reopens it.
func (t *assessment) stageObligations() []Requirement {
	switch {
	case !t.sc.anyStage:
		return []Requirement{ob(StateStage, Match)}
	case t.sc.stageConflict:
		return []Requirement{ob(StageConflict, Match)}
	}
	return nil
}

// looks are the readings that want another look: in conflict, contradicting the
// target, or shown together by no one entry.
func (t *assessment) looks() []Requirement {
	var out []Requirement
	if a, b, ok := t.twoIndividuals(); ok {
		o := ob(TwoIndividuals, Match)
		o.Trait, o.Other = t.rs[a].Trait, t.rs[b].Trait
		out = append(out, o)
	}
	for i := range t.rs {
		if t.rs[i].Soundness == Conflicting {
			o := ob(LookAgain, Match)
			if t.rs[i].Out {
				o.Code = TraitOut
			}
			o.Trait = t.rs[i].Trait
			out = append(out, o)
		}
	}
	for _, i := range t.against {
		o := ob(SecondLook, Match)
		o.Trait, o.Taxon = t.rs[i].Trait, t.target
		out = append(out, o)
	}
	return out
}

// doubts are readings that would contradict the target and don't count: made too
// early, unsure, or unreliable for another reason. Nothing is complete before
// they were looked at again.
func (t *assessment) doubts() []Requirement {
	var out []Requirement
	for i := range t.rs {
		if t.doubt(&t.rs[i]) {
			o := ob(DoubtAgainst, Match)
			o.Trait, o.Taxon, o.Spoilers = t.rs[i].Trait, t.target, t.rs[i].Spoilers
			out = append(out, o)
		}
	}
	return out
}

// doubt: a shaky reading that the target hardly ever gives.
func (t *assessment) doubt(r *Reading) bool {
	tr := t.trait(r.Trait)
	if r.Soundness != Shaky || tr.Class == guide.Circumstance || tr.Prepares != "" || r.Mask == 0 && r.Kind != Measured {
		return false
	}
	x := voice{trait: r.Trait, kind: r.Kind, mask: r.Mask, value: r.Value, err: r.Err, class: tr.Class}
	t.e.loosen(&x, t.saw)
	t.e.atTarget(&x, t.target, t.sc.stages)
	return !x.silent && !x.lacking && x.target < t.e.def.SurpriseAt
}

// twoIndividuals looks for two sound readings that no one entry in scope allows
// together, while each alone is allowed: two plants may have been mixed.
func (t *assessment) twoIndividuals() (a, b int32, ok bool) {
	// One entry that nothing contradicts settles it; the leading ones come first.
	for _, s := range t.leading(standingTop) {
		if !t.contradictedByAny(s.Taxon) {
			return 0, 0, false
		}
	}
	words := (len(t.in) + 63) / 64
	hit := make([]uint64, words*len(t.rs))
	scope := make([]uint64, words)
	for i := range t.in {
		if t.in[i] {
			scope[i/64] |= 1 << (i % 64)
		}
	}
	all := t.e.contradictions(t.rs, t.sc.eff, t.in)
	for taxon := range all.head {
		for k := all.head[taxon]; k >= 0; k = all.edges[k].next {
			hit[int(all.edges[k].reading)*words+taxon/64] |= 1 << (taxon % 64)
		}
	}
	full := func(x, y int) bool {
		for w := range scope {
			if (hit[x*words+w]|hit[y*words+w])&scope[w] != scope[w] {
				return false
			}
		}
		return true
	}
	for i := range t.rs {
		if full(i, i) {
			continue
		}
		for k := 0; k < i; k++ {
			if !full(k, k) && full(i, k) {
				return int32(k), int32(i), true
			}
		}
	}
	return 0, 0, false
}

// contradictedByAny reports whether any sound reading contradicts an entry.
func (t *assessment) contradictedByAny(taxon int32) bool {
	for i := range t.rs {
		r := &t.rs[i]
		tr := t.trait(r.Trait)
		if !telling(r, tr) {
			continue
		}
		col := &t.e.ix.Columns[r.Trait]
		if row, ok := rowOf(col, taxon); ok {
			if t.e.meets(col, tr, row, r, t.e.stagesFor(taxon, t.sc.eff, tr)) {
				return true
			}
		}
	}
	return false
}

// keyObligations: every key trait of the target observed soundly and fitting.
func (t *assessment) keyObligations() []Requirement {
	var out []Requirement
	for _, id := range t.taxon(t.target).KeyFor(t.sc.stages) {
		at, ok := t.e.ix.TraitAt(id)
		if !ok {
			continue
		}
		o := ob(CheckKey, Match)
		o.Trait = at
		i := t.byTrait[at]
		if i < 0 || t.rs[i].Soundness == Mute {
			if i >= 0 {
				o.Kind = t.rs[i].Kind
			}
			out = append(out, o)
			continue
		}
		r := &t.rs[i]
		switch {
		case r.Soundness == Shaky && t.doubt(r): // it has an obligation of its own
		case r.Soundness == Shaky:
			o.Code, o.Spoilers = MendReading, r.Spoilers
			out = append(out, o)
		case r.Soundness == Sound && !t.fits(r):
			if !t.surprising(i) && !r.Again {
				o.Code = RareState
				out = append(out, o)
			}
		}
	}
	return out
}

// surprising: the reading counts against the target.
func (t *assessment) surprising(reading int32) bool { return slices.Contains(t.against, reading) }

// fits: every state of the reading is at least sometimes shown by the target at
// one of the stages, or often enough as all readers see it; a measurement lies in the
// typical range.
func (t *assessment) fits(r *Reading) bool {
	col := &t.e.ix.Columns[r.Trait]
	stages := t.e.stagesFor(t.target, t.sc.stages, t.trait(r.Trait))
	row, ok := rowOf(col, t.target)
	if !ok { // only other readers say anything of it
		return r.Mask != 0 && r.Mask&^t.often(r.Trait, stages) == 0
	}
	if t.trait(r.Trait).Kind == guide.Measure {
		for v := col.First[row]; v < col.First[row+1]; v++ {
			if rg := col.Ranges[v]; col.Vars[v].Stages&stages != 0 && r.Value+r.Err >= rg[1] && r.Value-r.Err <= rg[2] {
				return true
			}
		}
		return false
	}
	shown := shownMask(col, row, stages, guide.Sometimes) | t.often(r.Trait, stages)
	return r.Mask != 0 && r.Mask&^shown == 0
}

// often are the states that the target shows often enough as all readers see it.
func (t *assessment) often(trait int32, stages guide.StageSet) uint32 {
	var m uint32
	col := &t.e.ix.Chances.Columns[trait]
	for _, v := range col.VarsOf(t.e.ix.Chances.RowFrom[t.target]) {
		if v.Stages&stages == 0 || v.At < 0 {
			continue
		}
		for s := 0; s < col.N; s++ {
			if float64(col.Shown[int(v.At)+s]) >= t.e.def.FitsAt {
				m |= 1 << s
			}
		}
	}
	return m
}

// shownMask is the set of states shown at least as often as f at some stage.
func shownMask(col *guide.Column, row int32, stages guide.StageSet, f guide.Frequency) uint32 {
	var m uint32
	for v := col.First[row]; v < col.First[row+1]; v++ {
		if col.Vars[v].Kind != guide.Described || col.Vars[v].Stages&stages == 0 {
			continue
		}
		for s := 0; s < col.N; s++ {
			if col.Freq[int(v)*col.N+s] >= f {
				m |= 1 << s
			}
		}
	}
	return m
}

// ruleOutObligations: one for each open entry, the gravest named ones first,
// with the check that weighs most against it; the rest are counted.
func (t *assessment) ruleOutObligations(j *Judgement) []Requirement {
	var out []Requirement
	more := 0
	for i := range j.Exclusions {
		en := &j.Exclusions[i]
		if en.RuledOut {
			continue
		}
		if len(out) >= ruleOutsListed {
			more++
			continue
		}
		o := ob(RuleOut, RuleOuts)
		o.Taxon, o.N = en.Taxon, int(math.Ceil(en.Left))
		o.Trait = t.separator(en.Taxon)
		out = append(out, o)
	}
	if more > 0 {
		o := ob(MoreRuleOuts, RuleOuts)
		o.N = more
		out = append(out, o)
	}
	return out
}

// observer is leg 3: the hard groups and the person.
func (t *assessment) observer() ([]Requirement, []RejectReason) {
	var out []Requirement
	var leave []RejectReason
	tx := t.taxon(t.target)
	for _, g := range t.e.ix.Book.HardGroups {
		if !g.Asked || t.signed(g.ID) || !t.gate(tx, g.ID) {
			continue
		}
		o := ob(SignOffNeeded, Observer)
		o.Word = g.ID
		out = append(out, o)
	}
	for _, topic := range HealthTopics {
		if !has(t.f.Profile.Answered, topic) {
			o := ob(AnswerHealth, Observer)
			o.Word = topic
			out = append(out, o)
		}
	}
	if t.personal(tx) != "" {
		leave = append(leave, ThisPerson)
	}
	return out, leave
}

func (t *assessment) signed(group string) bool {
	for i := range t.f.Profile.SignOffs {
		s := &t.f.Profile.SignOffs[i]
		if s.Group == group && s.By != "" {
			return true
		}
	}
	return false
}

// gate: the target is in the group, or a deadly entry that is named with it is, and
// has not enough to spare beyond what rules it out.
func (t *assessment) gate(tx *guide.Taxon, group string) bool {
	if has(tx.HardGroups, group) {
		return true
	}
	for _, at := range t.foes() {
		if t.grade[at] == guide.Deadly && has(t.taxon(at).HardGroups, group) && (!t.tallies[at].ruledOut || t.tallies[at].sum < t.tallies[at].need.sum+t.e.def.GateSpare) {
			return true
		}
	}
	return false
}

// condition is leg 4: the state of the specimen and of the ground.
func (t *assessment) condition() ([]Requirement, []RejectReason) {
	var out []Requirement
	var leave []RejectReason
	known := false
	for i := range t.rs {
		r := &t.rs[i]
		if t.trait(r.Trait).Prepares != "condition" || r.Soundness == Mute {
			continue
		}
		switch {
		case r.Soundness == Sound && r.Mask == 1:
			known = true
		case r.Soundness == Sound:
			known = true
			leave = append(leave, BadCondition)
		}
	}
	if !known {
		o := ob(AnswerCondition, SpecimenLeg)
		o.Trait = t.conditionTrait()
		out = append(out, o)
	}
	switch t.f.Place.Ground {
	case "":
		out = append(out, ob(AnswerGround, SpecimenLeg))
	case "clean":
	default:
		leave = append(leave, ThisGround)
	}
	return out, leave
}

// rules is leg 5: what the user entered of the place. Local codes come first.
func (t *assessment) rules() ([]Requirement, []RejectReason) {
	var out []Requirement
	var leave []RejectReason
	p := &t.f.Place
	switch p.Permission {
	case Unanswered:
		out = append(out, ob(AskPermission, Rules))
	case No:
		leave = append(leave, ThisPlace)
	}
	switch p.Protected {
	case Unanswered:
		out = append(out, ob(AskProtection, Rules))
	case Yes:
		if len(leave) == 0 {
			leave = append(leave, ThisPlace)
		}
	}
	if p.Limit == "" {
		out = append(out, ob(AskLimit, Rules))
	}
	return out, leave
}
