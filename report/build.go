package report

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// OfPatch writes a patch with everything about each of its specimens.
func OfPatch(ix *guide.Index, f *evidence.Find, p *evidence.Patch) Patch {
	out := patchOf(ix, f, p)
	for i := range p.Judgements {
		out.Judgements = append(out.Judgements, Of(ix, f, &p.Judgements[i]))
	}
	return out
}

// OfPatchFor writes a patch as the bench shows it: one specimen in full, without the
// answers that tell nothing or weigh nothing, and the others in short. A specimen that is not there is the
// first one.
func OfPatchFor(ix *guide.Index, f *evidence.Find, p *evidence.Patch, specimen string) Patch {
	out := patchOf(ix, f, p)
	at := max(0, slices.IndexFunc(p.Judgements, func(j evidence.Judgement) bool { return j.Specimen == specimen }))
	if at >= len(p.Judgements) {
		return out
	}
	j := Of(ix, f, &p.Judgements[at])
	for i := range j.Ledger {
		en := &j.Ledger[i]
		if i >= stepsShown {
			en.Steps, en.Form, en.Share, en.Left = []Step{}, "", 0, 0
			en.Words, en.GradeWord = "", ""
			if en.Missing == stillMissing(en.Need-en.Weight) {
				en.Missing = ""
			}
		}
		en.Steps = slices.DeleteFunc(en.Steps, func(s Step) bool { return !s.Counted || s.Strength == evidence.TellsNothing.String() })
	}
	out.Judgements = append(out.Judgements, j)
	return out
}

// stepsShown are the entries at the head of the ledger that the bench shows with what
// every answer weighs; the others are asked for one by one.
const stepsShown = 6

func patchOf(ix *guide.Index, f *evidence.Find, p *evidence.Patch) Patch {
	out := Patch{Judgements: []Judgement{}, Briefs: []Brief{}, Mixed: p.Mixed, Held: p.Held, Passed: p.Passed, Failed: p.Failed, Unchecked: p.Unchecked, ToRecheck: p.ToRecheck}
	for i := range p.Judgements {
		j := &p.Judgements[i]
		out.Briefs = append(out.Briefs, Brief{j.Specimen, j.Verdict.String(), wordOf(f, j), len(j.Obligations), j.Passed, j.Failed})
	}
	w := writer{ix: ix, f: f}
	out.Words = "The specimens looked at do not contradict one another."
	if len(p.Judgements) < 2 {
		out.Words = "One specimen. The verdict is for it alone, never for the patch or the basket."
	}
	if p.Mixed {
		out.Words = fmt.Sprintf("Mixed patch. The basket is held: %d passed, %d failed, %d not checked. Check each item by itself", p.Passed, p.Failed, p.Unchecked)
		if p.ToRecheck > 0 {
			out.Words += fmt.Sprintf(", the %d passes again", p.ToRecheck)
		}
		out.Words += "."
	}
	if p.Passed > 0 && !slices.ContainsFunc(p.Judgements, func(j evidence.Judgement) bool { return j.Verdict == evidence.ChecksComplete }) {
		out.Words += " Whatever passed showed nothing against the target; the full check is still open, and none of it is cleared."
	}
	out.Spot = spotOf(p)
	fp := &p.FastPass
	out.FastPass = FastPass{Exists: fp.Exists, Ready: fp.Ready, Checks: []TraitRef{}, Blocking: []TaxonRef{}}
	var names []string
	for _, c := range fp.Checks {
		out.FastPass.Checks = append(out.FastPass.Checks, w.trait(c))
		names = append(names, strings.ToLower(ix.Book.Traits[c].Name))
	}
	for _, b := range fp.Blocking {
		out.FastPass.Blocking = append(out.FastPass.Blocking, w.taxon(b))
	}
	switch {
	case fp.Exists && fp.Ready:
		out.FastPass.Words = "Fast pass for further items of this clump: " + strings.Join(names, ", ") + "."
	case fp.Exists:
		out.FastPass.Words = "A fast pass exists (" + strings.Join(names, ", ") + ") once one full find has been made in this clump."
	default:
		out.FastPass.Words = "There is no fast pass here: each item needs its full check."
	}
	return out
}

// Of writes one judgement.
func Of(ix *guide.Index, f *evidence.Find, j *evidence.Judgement) Judgement {
	w := writer{ix: ix, f: f, j: j}
	v := verdictWords[j.Verdict]
	out := Judgement{Specimen: j.Specimen, Guide: ix.Book.Version, Stages: j.Stages.Strings(), StageFixed: j.StageFixed, Verdict: j.Verdict.String(), Word: wordOf(f, j), Says: v[1],
		Legs: []Leg{}, Leave: []string{}, LeaveWords: []string{}, Obligations: []Obligation{}, Refusals: []Refusal{}, Readings: []Reading{}, Ledger: []Entry{}, Aside: []TaxonRef{}, Others: []Check{},
		Passed: j.Passed, Failed: j.Failed, DeadEnds: w.deadEnds(), Lost: []TraitRef{}}
	for _, at := range j.LostKeys {
		out.Lost = append(out.Lost, w.trait(at))
	}
	if f.Intent == evidence.Eat || f.Intent == evidence.Remedy {
		for i, holds := range j.Legs {
			out.Legs = append(out.Legs, Leg{evidence.Criterion(i).String(), legWords[evidence.Criterion(i)], holds})
		}
	}
	for _, l := range j.Leave {
		out.Leave = append(out.Leave, l.String())
		out.LeaveWords = append(out.LeaveWords, w.leave(l))
	}
	for i := range j.Obligations {
		out.Obligations = append(out.Obligations, w.obligation(&j.Obligations[i]))
	}
	seen := map[string]bool{}
	for i := range j.Refusals {
		r := w.refusal(&j.Refusals[i])
		if key := r.Code + r.Word; !seen[key] {
			seen[key] = true
			out.Refusals = append(out.Refusals, r)
		}
	}
	for i := range j.Readings {
		out.Readings = append(out.Readings, w.reading(&j.Readings[i]))
	}
	for i := range j.Exclusions {
		out.Ledger = append(out.Ledger, w.entry(&j.Exclusions[i]))
	}
	for _, a := range j.Aside {
		out.Aside = append(out.Aside, w.taxon(a))
	}
	out.Standing = w.standing()
	if j.Next.Trait >= 0 {
		c := w.check(&j.Next.Offer)
		for i := range j.Next.Outcomes {
			o := w.outcome(j.Next.Trait, &j.Next.Outcomes[i])
			if j.Next.For >= 0 {
				name := strings.ToLower(ix.Book.Traits[j.Next.For].Name)
				o.Words = name + " stays shaky"
				if i == 0 {
					o.Words = "lets you judge " + name
				}
			}
			c.Outcomes = append(c.Outcomes, o)
		}
		out.Next = &c
	}
	for i := range j.Next.Others {
		out.Others = append(out.Others, w.check(&j.Next.Others[i]))
	}
	if f.Intent == evidence.Record && j.NamedTo.Rank != "" {
		n := Naming{Rank: j.NamedTo.Rank, Name: j.NamedTo.Genus, Share: j.NamedTo.Share}
		if j.NamedTo.Taxon >= 0 {
			n.Name = ix.Book.Taxa[j.NamedTo.Taxon].Scientific
		}
		out.Named = &n
	}
	return out
}

// wordOf is the verdict in words.
func wordOf(f *evidence.Find, j *evidence.Judgement) string {
	if f.Intent == evidence.Record && j.NamedTo.Rank != "" {
		return "Named to " + j.NamedTo.Rank
	}
	return verdictWords[j.Verdict][0]
}

func (w *writer) reading(r *evidence.Reading) Reading {
	tr := &w.ix.Book.Traits[r.Trait]
	out := Reading{Trait: w.trait(r.Trait), Seq: r.Seq, Kind: r.Kind.String(), States: []string{}, Words: w.readingWords(r), Value: r.Value, Error: r.Err, Unit: tr.Unit,
		Soundness: r.Soundness.String(), Fixes: w.fixes(r.Spoilers), First: r.First, Again: r.Again, From: r.From, Taken: r.Taken, Out: r.Out, Derived: r.By >= 0}
	for i := range tr.States {
		if r.Mask&(1<<i) != 0 {
			out.States = append(out.States, tr.States[i].ID)
		}
	}
	return out
}

// stillMissing says how much more evidence is needed.
func stillMissing(left float64) string { return fmt.Sprintf("%.0f more", math.Ceil(left)) }

func (w *writer) entry(e *evidence.Exclusion) Entry {
	out := Entry{Taxon: w.taxon(e.Taxon), Grade: int(e.Grade), GradeWord: e.Grade.String(), Weight: tenth(e.Weight), Need: e.Need, Left: tenth(e.Left), Thorns: e.Thorns, Nick: math.Floor(100*e.Nick) / 100, RuledOut: e.RuledOut,
		Named: e.Named, Contact: e.Contact, Share: math.Round(e.Share*1e6) / 1e6, Steps: []Step{}}
	if e.Form >= 0 {
		out.Form = w.ix.Book.Taxa[e.Taxon].Forms[e.Form].When
	}
	out.Words = weightWords(e.Weight, e.Need)
	switch {
	case e.WantsFact:
		out.Missing = "Evidence enough, but not from enough different parts: one more strong look at its build."
	case !e.RuledOut:
		out.Missing = stillMissing(e.Left)
	}
	for i := range e.Steps {
		s := &e.Steps[i]
		r := &w.j.Readings[s.Reading]
		st := Step{Trait: w.trait(r.Trait), Seq: r.Seq, Words: w.readingWords(r), Weight: tenth(s.Weight), Strength: s.Strength.String(), Fact: s.Fact, Structural: s.Structural, Counted: s.Counted}
		if !s.Counted {
			st.Note = "already weighed: another answer says the same thing more strongly"
		}
		out.Steps = append(out.Steps, st)
	}
	return out
}

// tenth rounds decibans for the eye.
func tenth(x float64) float64 { return math.Round(10*x) / 10 }

// weightWords says what stands against an entry. It is rounded down, so that what is
// needed never seems reached before it is.
func weightWords(weight, need float64) string {
	return fmt.Sprintf("%.0f of %.0f", math.Floor(max(0, weight)), need)
}

// leave says a reason to leave it; what can't be told apart is named.
func (w *writer) leave(l evidence.RejectReason) string {
	if l == evidence.Inseparable && len(w.j.Inseparable) > 0 {
		return fmt.Sprintf("At this stage nothing the guide knows tells it from %s with the certainty that is asked.", w.taxon(w.j.Inseparable[0]).Common)
	}
	return leaveWords[l]
}

func (w *writer) deadEnds() []DeadEnd {
	out := []DeadEnd{}
	for _, d := range w.j.Inseparable {
		out = append(out, DeadEnd{Taxon: w.taxon(d), Whatever: true, Words: "At this stage nothing tells the two apart with the certainty that is asked."})
	}
	for _, d := range w.j.DeadEnds {
		if !slices.Contains(w.j.Inseparable, d) {
			out = append(out, DeadEnd{Taxon: w.taxon(d), Words: "Nothing that is left to look at on this specimen can rule it out. Another specimen may show more."})
		}
	}
	return out
}

func (w *writer) standing() Standing {
	s := &w.j.Standing
	out := Standing{Top: []Share{}, NotInGuide: s.NotInGuide, TargetShare: s.TargetShare, TargetLeads: s.Leads, Movers: []Mover{}}
	for _, t := range s.Top {
		out.Top = append(out.Top, Share{w.taxon(t.Taxon), t.P})
	}
	for _, m := range s.Movers {
		word := "spoke for it"
		if m.Factor < 1 {
			word = "spoke against it"
		}
		r := &w.j.Readings[m.Reading]
		out.Movers = append(out.Movers, Mover{w.taxon(m.Taxon), w.trait(r.Trait), m.Factor, w.readingWords(r) + ": " + word})
	}
	switch {
	case len(s.Top) == 0 || s.NotInGuide >= s.Top[0].P:
		out.Words = "Something that is not in this guide leads."
	case s.Leader < 0:
		out.Words = "Two entries are level; neither leads."
	default:
		out.Words = w.ix.Book.Taxa[s.Leader].Common + " leads."
	}
	return out
}

func (w *writer) check(o *evidence.Offer) Check {
	tr := &w.ix.Book.Traits[o.Trait]
	c := Check{Trait: w.trait(o.Trait), Ask: tr.Ask, How: tr.How, Key: o.Key, First: o.First, Gloves: o.Gloves, Mends: o.Mends, Better: o.Better, Score: o.Score, Outcomes: []Outcome{}}
	var why []string
	if o.For >= 0 {
		c.For = w.ix.Book.Traits[o.For].ID
		why = append(why, "prepares "+strings.ToLower(w.ix.Book.Traits[o.For].Name))
	}
	if o.First {
		why = append(why, "can't be had after picking")
	}
	if o.Key {
		why = append(why, "one of the target's key traits")
	}
	if o.Mends {
		why = append(why, "mends a shaky reading")
	}
	if o.Better {
		why = append(why, "the same look again, by the method, weighs more")
	}
	if o.Gloves {
		why = append(why, "gloves on: a contact hazard is standing")
	}
	c.Words = strings.Join(why, "; ")
	return c
}

func (w *writer) outcome(trait int32, o *evidence.Outcome) Outcome {
	st := &w.ix.Book.Traits[trait].States[o.State]
	out := Outcome{State: st.ID, Label: st.Label, P: o.P, Steps: o.Steps, Finished: o.Finished, Target: o.Target.String(), Against: o.Against}
	var say []string
	switch {
	case o.Against:
		say = append(say, "against your target")
	case o.Target >= guide.Sometimes:
		say = append(say, "fits your target")
	}
	switch {
	case o.Finished > 0:
		say = append(say, fmt.Sprintf("cuts %d back", o.Finished))
	case o.Steps > 0:
		say = append(say, fmt.Sprintf("clips %d", o.Steps))
	default:
		say = append(say, "rules nothing out")
	}
	out.Words = strings.Join(say, ", ")
	return out
}
