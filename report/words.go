package report

import (
	"fmt"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// spoilerWords: why a reading is shaky, and what makes it good.
var spoilerWords = map[evidence.Confounder][2]string{
	evidence.BaseNotWhole:      {"the base has not been seen whole", "Dig around the next one and lever it out; then say how the base came out."},
	evidence.SeenAfterPicking:  {"it was judged on a part already picked", "Look at one that is still growing."},
	evidence.SmellContaminated: {"the hands already carry a smell", "Clean your hands, then crush one leaf or piece of this one alone."},
	evidence.ColourNotTrusted:  {"the colour can't be trusted here", "Choose a check of form instead, or look again in clear daylight on a clean, dry part."},
	evidence.SmellNotTrusted:   {"your sense of smell is not to be relied on now", "Choose another check."},
	evidence.CouldBeLost:       {"rain, age or damage could have taken it away", "Find a younger, intact one, or say that this one is intact."},
	evidence.WrongStage:        {"it can't be judged at this stage", "Wait for the right stage, or choose another trait."},
	evidence.IsMalformed:       {"this one is malformed", "Look at another specimen."},
	evidence.TooFew:            {"too few were looked at", "Look at more, and say how many."},
	evidence.TooEarly:          {"it was read before its time", "Wait the full time and read it again. No print after a day is no result."},
	evidence.PaperHides:        {"the paper may hide this colour", "Use paper that is half dark and half light, and say so."},
	evidence.ObserverUnsure:    {"you were not sure", "Look again, measure, or use a lens."},
}

func (w *writer) fixes(sp []evidence.Confounder) []Fix {
	out := make([]Fix, 0, len(sp))
	for _, s := range sp {
		t := spoilerWords[s]
		out = append(out, Fix{s.String(), t[0], t[1]})
	}
	return out
}

// muteWords: why an answer is no evidence, and what helps.
var muteWords = map[evidence.AnswerKind][2]string{
	evidence.NotNow:   {"can't be seen at this season or stage", "Come back when it can be seen."},
	evidence.NotHere:  {"can't be seen here", "Uncover it: dig, part the litter, or bring a lens or a ladder; or take one that can be seen."},
	evidence.Damaged:  {"is damaged or lost on this one", "Look at another specimen."},
	evidence.Spoilt:   {"was tested, but the test was spoilt", "Make it good: clean hands, clean blade, a fresh piece of this one alone."},
	evidence.CantTell: {"was looked at and could not be told", "Look again with a lens, measure, or ask someone who knows."},
	evidence.Reported: {"was only reported, or seen on a neighbour", "Look at this very specimen."},
	evidence.Unsafe:   {"will not be tested", "Nobody presses you to. The match stays open without it: leave it, or take someone along who knows."},
}

// readingWords says a reading in words.
func (w *writer) readingWords(r *evidence.Reading) string {
	tr := &w.ix.Book.Traits[r.Trait]
	var labels []string
	for i := range tr.States {
		if r.Mask&(1<<i) != 0 {
			labels = append(labels, tr.States[i].Label)
		}
	}
	switch r.Kind {
	case evidence.Measured:
		s := fmt.Sprintf("%.4g %s", r.Value, tr.Unit)
		if r.Err > 0 {
			s += fmt.Sprintf(" ± %.3g", r.Err)
		}
		return s
	case evidence.AnyOf:
		if r.By >= 0 {
			return "there, since it was seen through " + strings.ToLower(w.ix.Book.Traits[r.By].Name)
		}
		return strings.Join(labels, " or ")
	case evidence.AllOf:
		return strings.Join(labels, " and ")
	case evidence.Absent:
		return "inspected and absent"
	case evidence.Seen:
		return strings.Join(labels, ", ")
	}
	return KindWords(r.Kind)
}

// KindWords says a kind of answer.
func KindWords(k evidence.AnswerKind) string {
	switch k {
	case evidence.NotNow:
		return "can't be inspected now (season or stage)"
	case evidence.NotHere:
		return "can't be inspected here (buried, hidden, out of reach)"
	case evidence.Damaged:
		return "damaged or lost"
	case evidence.Spoilt:
		return "spoilt test"
	case evidence.CantTell:
		return "looked, can't tell"
	case evidence.Reported:
		return "reported, or read off a neighbour"
	case evidence.Unsafe:
		return "not to be tested"
	}
	return "not looked at"
}

var verdictWords = map[evidence.Verdict][2]string{
	evidence.NotYet:          {"Not yet", "Something is still open. Nothing is to be taken before it is met."},
	evidence.CantTellToday:   {"Can't be told today", "What is left to look at on this specimen can't settle it. Leave it, or begin with another one."},
	evidence.LeaveIt:         {"Leave it", "Leave it where it stands."},
	evidence.ChecksComplete:  {"Checks complete", "Every check the guide asks for was made on this one specimen. The decision is yours; no tool makes a wild food free of risk. It opens picking; eating also needs the second look at home. When in doubt, leave it."},
	evidence.HandleAsHazard:  {"Handle as a hazard", "Gloves and long sleeves, wash at once with soap, never burn it; dry or dead counts the same."},
	evidence.NoContactHazard: {"No contact hazard found among the entries checked", "This says nothing about plants that the guide does not know."},
	evidence.ProtectIt:       {"Protect it", "Until everything that is protected has been ruled out, leave it standing."},
	evidence.NotOneOfThose:   {"Not one of those", "None of the protected entries that were checked fits. Local codes come first."},
	evidence.Named:           {"Named", "Good enough for a record."},
	evidence.LeaveStanding:   {"Not named yet: leave it standing", "Something protected is still possible. Look further, or leave it as it is."},
	evidence.NotNamed:        {"Not named yet", "No name holds enough of the standing."},
}

var leaveWords = map[evidence.RejectReason]string{
	evidence.NotFood:           "It is not food in this use.",
	evidence.ContradictedTwice: "What you saw contradicts it in two independent ways.",
	evidence.ContradictedAgain: "What you saw contradicts it, and a second look confirmed that.",
	evidence.Inseparable:       "At this stage nothing the guide knows tells it apart from a dangerous entry.",
	evidence.StageNotGathered:  "It is not gathered at this stage.",
	evidence.NotGatheredHere:   "It is not gathered on this continent: something dangerous that grows here can't be told from it.",
	evidence.ThisPerson:        "What your profile says rules it out for you, whatever others may have.",
	evidence.ThisGround:        "Nothing is taken from this ground.",
	evidence.ThisPlace:         "The rules of this place, as entered, forbid it.",
	evidence.BadCondition:      "This specimen is past it.",
}

var legWords = map[evidence.Criterion]string{
	evidence.Match:       "a match: every key trait of the target was seen soundly and fits, and the target leads",
	evidence.RuleOuts:    "rule-outs: every dangerous entry in scope is cut back",
	evidence.Observer:    "the observer: taught in person where that is needed, and nothing about the person speaks against it",
	evidence.SpecimenLeg: "the specimen: at a stage that is gathered, in good condition, on clean ground",
	evidence.Rules:       "the rules of the place: permission, protection and limit, as entered",
}

var healthWords = map[string]string{
	"allergies": "allergies", "illnesses": "illnesses", "medicines": "medicines", "pregnancy": "pregnancy or nursing", "diet": "limits of diet",
}

// obligation says what is open and what to do next.
func (w *writer) obligation(o *evidence.Requirement) Obligation {
	out := Obligation{Code: o.Code.String(), Leg: o.Leg.String(), Trait: w.traitPtr(o.Trait), Taxon: w.taxonPtr(o.Taxon), Word: o.Word}
	var tr *guide.Trait
	how, name := "", ""
	if o.Trait >= 0 {
		tr = &w.ix.Book.Traits[o.Trait]
		how, name = tr.How, strings.ToLower(tr.Name)
	}
	common := ""
	if o.Taxon >= 0 {
		common = w.ix.Book.Taxa[o.Taxon].Common
	}
	switch o.Code {
	case evidence.ChooseTarget:
		out.Words, out.Do = "No target has been chosen.", "Choose what you believe it is."
	case evidence.StateStage:
		out.Words, out.Do = "The stage has not been stated.", "Say which stage it is in; features change with age."
	case evidence.StageConflict:
		out.Words, out.Do = "An answer shows another stage than the one stated.", "Look at the stage again."
	case evidence.TwoIndividuals:
		out.Words = fmt.Sprintf("No one entry shows both %s and %s as you saw them.", name, strings.ToLower(w.ix.Book.Traits[o.Other].Name))
		out.Do = "Ask first whether two individuals got mixed: trace both parts to one foot."
	case evidence.LookAgain:
		out.Words, out.Do = fmt.Sprintf("Two readings of %s differ; both count nothing.", name), "Look once more, another way: another method, another person, or another part of this one. "+how
	case evidence.TraitOut:
		out.Words, out.Do = fmt.Sprintf("%s was read differently too often: this one says nothing of it any more.", tr.Name), "Take another specimen."
	case evidence.DoubtAgainst:
		f := w.fixes(o.Spoilers)
		out.Words, out.Do = fmt.Sprintf("What you saw of %s speaks against %s, and doesn't count yet: %s.", name, common, f[0].Why), f[0].Do
	case evidence.SecondLook:
		out.Words, out.Do = fmt.Sprintf("What you saw of %s contradicts %s.", name, common), "Look again, with its method: "+how
	case evidence.CheckKey:
		out.Words, out.Do = fmt.Sprintf("%s has not been checked.", tr.Name), how
		if k := muteWords[o.Kind]; k[0] != "" {
			out.Words, out.Do = fmt.Sprintf("%s %s.", tr.Name, k[0]), k[1]
			if s, ok := w.ix.TraitAt(tr.Substitute); ok && o.Kind == evidence.NotNow {
				out.Do = fmt.Sprintf("Look at %s instead, or come back.", strings.ToLower(w.ix.Book.Traits[s].Name))
			}
		}
	case evidence.MendReading:
		f := w.fixes(o.Spoilers)
		out.Words, out.Do = fmt.Sprintf("%s is shaky: %s.", tr.Name, f[0].Why), f[0].Do
	case evidence.RareState:
		out.Words, out.Do = fmt.Sprintf("What you saw of %s is not usual for the target.", name), "Look again, or at another one: "+how
	case evidence.RuleOut:
		out.Words, out.Do = fmt.Sprintf("%s is not ruled out (%d more needed).", common, o.N), "Choose a check against it."
		if tr != nil {
			out.Do = fmt.Sprintf("Check %s: %s", name, how)
		}
	case evidence.WidenMargin:
		out.Words, out.Do = fmt.Sprintf("%s is cut back, but by too little to be sure of a match.", common), "One more check against it."
		if tr != nil {
			out.Do = fmt.Sprintf("Check %s: %s", name, how)
		}
	case evidence.MoreRuleOuts:
		out.Words, out.Do = fmt.Sprintf("%d more dangerous entries are open.", o.N), "The checks above will thin them out."
	case evidence.TargetMustLead:
		out.Words, out.Do = "Something that is not in this guide fits as well as your target.", "Make more checks, or leave it."
		if o.Taxon >= 0 {
			out.Words = fmt.Sprintf("%s fits better than your target, or as well.", common)
		}
	case evidence.SignOffNeeded:
		g := w.group(o.Word)
		out.Words, out.Do = fmt.Sprintf("No sign-off for the group %q.", g.Name), "Go with someone who knows them and can teach you in person. "+g.Why
	case evidence.AnswerHealth:
		out.Words, out.Do = fmt.Sprintf("Your profile does not answer: %s.", healthWords[o.Word]), "Answer it in your profile; it stays in this database."
	case evidence.AnswerCondition:
		out.Words, out.Do = "The state of the specimen has not been answered.", how
	case evidence.AnswerGround:
		out.Words, out.Do = "The ground has not been answered.", "Sprayed, roadside, fouled? Ask whoever keeps it."
	case evidence.AskPermission:
		out.Words, out.Do = "Permission has not been answered.", "Ask the owner; local codes come first."
	case evidence.AskProtection:
		out.Words, out.Do = "Whether it is protected here has not been answered.", "Ask the local authority; local codes come first."
	case evidence.AskLimit:
		out.Words, out.Do = "No limit has been entered.", "Find out what may be taken here, per person and day; \"none known\" is an answer."
	}
	return out
}

func (w *writer) group(id string) guide.HardGroup {
	for _, g := range w.ix.Book.HardGroups {
		if g.ID == id {
			return g
		}
	}
	return guide.HardGroup{ID: id, Name: id}
}

// refusal says what is refused, why, and what to do instead.
func (w *writer) refusal(r *evidence.Refusal) Refusal {
	out := Refusal{Code: r.Code.String(), Taxon: w.taxonPtr(r.Taxon), Trait: w.traitPtr(r.Trait), Word: r.Word}
	switch r.Code {
	case evidence.RefuseRaw:
		out.Words, out.Do = "Not raw.", "Cook it; the guide describes no raw use."
	case evidence.RefuseBurn:
		out.Words, out.Do = "Not to be burnt; the smoke carries what harms the skin, dry or dead as well.", "Cut, cover and leave it, or bag it."
	case evidence.RefuseBareHands:
		out.Words, out.Do = "Not with bare hands while a contact hazard is standing.", "Gloves, long sleeves, soap afterwards."
	case evidence.RefuseNeighbour:
		out.Words, out.Do = "A neighbour's features are no evidence for this one.", "Look at this very specimen."
	case evidence.RefuseHearsay:
		out.Words, out.Do = "What others say or do weighs nothing here; it is kept as a note.", "Examine it yourself."
	case evidence.RefuseFolkRule:
		out.Words, out.Do = "A saying is no evidence.", "Look it up among the sayings to see why it fails."
		for _, s := range w.ix.Book.Sayings {
			if s.ID == r.Word {
				out.Words, out.Do = fmt.Sprintf("“%s” %s", s.Saying, s.Why), s.Instead
			}
		}
	case evidence.RefuseCircumstance:
		out.Words, out.Do = "Place and season alone rule nothing out.", "Look at the specimen."
	case evidence.RefuseDose:
		out.Words, out.Do = "No dose is given here, ever.", "Licensed practice decides."
	case evidence.RefuseUnsigned:
		out.Words, out.Do = fmt.Sprintf("The group %q needs to have been taught in person.", w.group(r.Word).Name), "Go with someone who knows them."
	case evidence.RefusePerson:
		out.Words, out.Do = "Not for you: "+PersonWord(r.Word)+".", "Others may decide otherwise for themselves; ask a doctor."
		if w.f.Intent == evidence.Clear {
			out.Words, out.Do = "Not by you: "+PersonWord(r.Word)+".", "Let someone else cut it, and keep away from tools and clothes until they are washed."
		}
	case evidence.RefuseStage:
		out.Words, out.Do = "Not at this stage.", "Come back when it can be told apart."
	case evidence.RefuseGround:
		out.Words, out.Do = "Not from ground that is "+r.Word+".", "Look elsewhere."
	case evidence.RefusePlace:
		out.Words, out.Do = "Not here: the rules of the place, as entered, forbid it.", "Local codes come first."
	}
	return out
}
