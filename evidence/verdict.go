package evidence

import (
	"slices"

	"zestythicket/guide"
)

// Verdict is the answer to "may this go ahead, for this intent?".
type Verdict uint8

// The verdicts. None of them is a promise.
const (
	StandingOnly Verdict = iota + 1
	NotYet
	LeaveIt
	ChecksComplete
	HandleAsHazard
	NoContactHazard
	ProtectIt
	NotOneOfThose
	Named
	NotNamed
	// LeaveStanding: to be kept, and not named yet; protected entries are open.
	LeaveStanding
	// CantTellToday: no check that is still possible on this specimen could complete it.
	CantTellToday
)

var verdictNames = []string{"", "standing-only", "not-yet", "leave-it", "checks-complete", "handle-as-a-hazard", "no-contact-hazard-found", "protect-it", "not-one-of-those", "named", "not-named", "leave-standing", "cant-be-told-today"}

// String gives the word.
func (v Verdict) String() string { return wordOf(verdictNames, int(v)) }

// ParseVerdict reads a verdict.
func ParseVerdict(w string) (Verdict, bool) { i, ok := indexOf(verdictNames, w); return Verdict(i), ok }

// Criterion numbers the five things that must hold before eating.
type Criterion uint8

// The legs.
const (
	Match Criterion = iota
	RuleOuts
	Observer
	SpecimenLeg
	Rules
)

var legNames = []string{"match", "rule-outs", "observer", "specimen", "rules"}

// String gives the word.
func (l Criterion) String() string { return wordOf(legNames, int(l)) }

// RejectReason is a reason to leave it.
type RejectReason uint8

// The reasons.
const (
	NotFood RejectReason = iota + 1
	ContradictedTwice
	ContradictedAgain
	Inseparable
	StageNotGathered
	NotGatheredHere
	ThisPerson
	ThisGround
	ThisPlace
	BadCondition
)

var leaveNames = []string{"", "not-food", "contradicted-twice", "contradicted-again", "inseparable", "stage-not-gathered", "not-gathered-here", "this-person", "this-ground", "this-place", "bad-condition"}

// String gives the word.
func (l RejectReason) String() string { return wordOf(leaveNames, int(l)) }

// RequirementCode names an open obligation; package report says it and its next action.
type RequirementCode uint8

// The obligations, in the order in which they are best met.
const (
	ChooseTarget RequirementCode = iota + 1
	StateStage
	StageConflict
	TwoIndividuals
	LookAgain
	TraitOut
	SecondLook
	DoubtAgainst
	CheckKey
	MendReading
	RareState
	RuleOut
	MoreRuleOuts
	WidenMargin // no longer given; stored verdicts may name it
	TargetMustLead
	SignOffNeeded
	AnswerHealth
	AnswerCondition
	AnswerGround
	AskPermission
	AskProtection
	AskLimit
)

var codeNames = []string{"", "choose-target", "state-stage", "stage-conflict", "two-individuals", "look-again", "trait-out", "second-look", "doubt-against", "check-key", "mend-reading", "rare-state", "rule-out", "more-rule-outs", "widen-margin", "target-must-lead", "sign-off", "answer-health", "answer-condition", "answer-ground", "ask-permission", "ask-protection", "ask-limit"}

// String gives the word.
func (c RequirementCode) String() string { return wordOf(codeNames, int(c)) }

// Requirement is something still open, with its next action.
type Requirement struct {
	Code     RequirementCode
	Leg      Criterion
	Trait    int32 // the check to make, -1 if it is not a check
	Other    int32 // a second trait, -1
	Taxon    int32 // the entry concerned, -1
	Spoilers []Confounder
	Kind     AnswerKind // of a key trait that was answered without evidence
	Word     string     // a hard group, a health topic
	N        int        // how many more
}

// RefusalCode names what the tool says no to.
type RefusalCode uint8

// The refusals.
const (
	RefuseRaw RefusalCode = iota + 1
	RefuseBurn
	RefuseBareHands
	RefuseNeighbour
	RefuseHearsay
	RefuseFolkRule
	RefuseCircumstance
	RefuseDose
	RefuseUnsigned
	RefusePerson
	RefuseStage
	RefuseGround
	RefusePlace
)

var refusalNames = []string{"", "raw", "burn", "bare-hands", "neighbours-evidence", "hearsay", "folk-rule", "circumstance-alone", "dose", "unsigned-hard-group", "this-person", "this-stage", "this-ground", "this-place"}

// String gives the word.
func (c RefusalCode) String() string { return wordOf(refusalNames, int(c)) }

// Refusal is one thing refused, and why.
type Refusal struct {
	Code  RefusalCode
	Taxon int32  // -1 if none
	Trait int32  // -1 if none
	Word  string // a fact of the person, a saying, a hard group
}

// ruleOutsListed is how many open entries get an obligation of their own.
const ruleOutsListed = 12

func (t *assessment) targetCount() int { return t.againstFacts }

func (t *assessment) verdict(j *Judgement) {
	j.TargetContradictions = t.targetCount()
	j.Refusals = t.refusals()
	switch t.f.Intent {
	case Clear:
		j.Verdict = NoContactHazard
		if len(t.open) > 0 {
			j.Verdict = HandleAsHazard
		}
		t.oblige(j, t.stageObligations(), t.ruleOutObligations(j))
	case Keep:
		j.Verdict = t.keep()
		t.oblige(j, t.stageObligations(), t.ruleOutObligations(j))
	case Record:
		j.NamedTo = t.naming()
		j.Verdict = NotNamed
		if j.NamedTo.Rank != "" {
			j.Verdict = Named
		}
		t.oblige(j, t.stageObligations(), t.looks())
	default:
		t.harvest(j)
	}
}

// keep is the verdict for what is to be protected. With protected entries open
// it is either one of them, by the name that was given or by the standing, or
// it is not named yet; in both cases it is left standing.
func (t *assessment) keep() Verdict {
	if len(t.open) == 0 {
		return NotOneOfThose
	}
	if n := t.naming(); t.target < 0 && n.Taxon >= 0 && slices.Contains(t.open, n.Taxon) || slices.Contains(t.open, t.target) {
		return ProtectIt
	}
	return LeaveStanding
}

func (t *assessment) oblige(j *Judgement, lists ...[]Requirement) {
	for _, l := range lists {
		j.Obligations = append(j.Obligations, l...)
	}
	slices.SortStableFunc(j.Obligations, func(a, b Requirement) int { return t.order(&a) - t.order(&b) })
}

// order: by what it is, and among checks what can't be had later first, then by
// how far the check intrudes.
func (t *assessment) order(o *Requirement) int {
	n := int(o.Code) * 100
	if o.Trait >= 0 && (o.Code == CheckKey || o.Code == MendReading) {
		tr := t.trait(o.Trait)
		n = int(CheckKey)*100 + int(tr.Handling)*10
		if tr.BeforePick {
			n -= 50
		}
	}
	return n
}

// harvest is the verdict for what goes into a person: five legs.
func (t *assessment) harvest(j *Judgement) {
	if t.target < 0 {
		j.Verdict = NotYet
		t.oblige(j, []Requirement{ob(ChooseTarget, Match)}, t.stageObligations(), t.looks())
		return
	}
	match := slices.Concat(t.stageObligations(), t.looks(), t.doubts(), t.keyObligations())
	if !j.Standing.Leads {
		o := ob(TargetMustLead, Match)
		o.Taxon = j.Standing.Leader
		match = append(match, o)
	}
	j.DeadEnds, j.Inseparable = t.deadEnds(), t.inseparable()
	if t.sc.anyStage {
		j.LostKeys = t.lostKeys()
	}
	ruleOuts := t.ruleOutObligations(j)
	observer, person := t.observer()
	specimen, spoiled := t.condition()
	rules, placed := t.rules()
	j.Leave = slices.Concat(person, t.leave(j), spoiled, placed)
	j.Legs = [5]bool{len(match) == 0, len(ruleOuts) == 0, len(observer) == 0 && len(person) == 0, len(specimen) == 0 && len(spoiled) == 0, len(rules) == 0 && len(placed) == 0}
	t.oblige(j, match, ruleOuts, observer, specimen, rules)
	j.Failed = j.TargetContradictions >= 2 || t.contradictedAgain()
	j.Passed = !j.Failed && j.Legs[Match] && j.Legs[RuleOuts] && len(j.Inseparable) == 0
	switch {
	case len(j.Leave) > 0:
		j.Verdict = LeaveIt
	case j.Legs == [5]bool{true, true, true, true, true}:
		j.Verdict = ChecksComplete
	case len(j.DeadEnds) > 0 || len(j.LostKeys) > 0:
		j.Verdict = CantTellToday
	default:
		j.Verdict = NotYet
	}
}

// leave collects what the target and its stage decide by themselves.
func (t *assessment) leave(j *Judgement) []RejectReason {
	var out []RejectReason
	tx := t.taxon(t.target)
	// A set with a stage that is not gathered in it is not gathered.
	stages := t.sc.stages
	if t.sc.stageConflict {
		stages = t.sc.stated
	}
	if t.use == nil || tx.HazardFor(t.f.Part, t.f.Prep, t.use.Stages, false) > 0 {
		out = append(out, NotFood)
	}
	if j.TargetContradictions >= 2 {
		out = append(out, ContradictedTwice)
	} else if t.contradictedAgain() {
		out = append(out, ContradictedAgain)
	}
	if t.use != nil && t.sc.anyStage && stages&^t.use.Stages != 0 {
		out = append(out, StageNotGathered)
		j.Refusals = append(j.Refusals, Refusal{Code: RefuseStage, Taxon: t.target, Trait: -1})
	} else if t.use != nil && !t.use.GatheredIn(t.f.Place.Region) {
		out = append(out, NotGatheredHere)
		j.Refusals = append(j.Refusals, Refusal{Code: RefuseStage, Taxon: t.target, Trait: -1})
	} else if len(out) == 0 && len(j.Inseparable) > 0 {
		out = append(out, Inseparable)
		j.Refusals = append(j.Refusals, Refusal{Code: RefuseStage, Taxon: j.Inseparable[0], Trait: -1})
	}
	return out
}

// contradictedAgain: one contradiction, confirmed on a second look.
func (t *assessment) contradictedAgain() bool {
	for _, i := range t.against {
		if t.rs[i].Again {
			return true
		}
	}
	return false
}

func ob(c RequirementCode, l Criterion) Requirement {
	return Requirement{Code: c, Leg: l, Trait: -1, Other: -1, Taxon: -1}
}

// Naming is how far a record can be named.
type Naming struct {
	Rank  string // species, group, genus; "" if not at all
	Taxon int32  // -1 for a genus that has no entry
	Genus string
	Share float64
}

// naming finds the lowest rank at which one name holds enough of the standing.
func (t *assessment) naming() Naming {
	top := t.leading(t.e.def.Leading)
	if len(top) == 0 {
		return Naming{Taxon: -1}
	}
	sum := map[string]float64{}
	for _, s := range top {
		if s.P >= t.e.def.NameAt {
			return Naming{Rank: t.taxon(s.Taxon).Rank, Taxon: s.Taxon, Share: s.P}
		}
		sum[genusOf(t.taxon(s.Taxon))] += s.P
	}
	for _, s := range top {
		if g := genusOf(t.taxon(s.Taxon)); sum[g] >= t.e.def.NameAt {
			return Naming{Rank: "genus", Taxon: -1, Genus: g, Share: sum[g]}
		}
	}
	return Naming{Taxon: -1}
}

// genusOf is the first word of the scientific name.
func genusOf(tx *guide.Taxon) string {
	for i, c := range tx.Scientific {
		if c == ' ' {
			return tx.Scientific[:i]
		}
	}
	return tx.Scientific
}
