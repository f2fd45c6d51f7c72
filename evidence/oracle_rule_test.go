package evidence

import (
	"fmt"
	"math"
	"slices"

	"zestythicket/guide"
)

// plainSheet is what is said of one specimen, answer by answer.
type plainSheet struct {
	p      *plain
	f      *Find
	sc     *scene
	target *guide.Taxon
	said   []said
}

func (p *plain) sheet(f *Find, rs []Reading, sc *scene, target *guide.Taxon) *plainSheet {
	s := &plainSheet{p: p, f: f, sc: sc, target: target}
	for i := range rs {
		tr := &p.b.Traits[rs[i].Trait]
		if rs[i].Soundness == Sound && tr.Class != guide.Circumstance && tr.Prepares == "" && (rs[i].Mask != 0 || rs[i].Kind == Measured) {
			s.said = append(s.said, said{&rs[i], tr, rs[i].Guided, sawOf(p, rs)})
		}
	}
	return s
}

// factOf names what a state says.
func (p *plain) factOf(tr *guide.Trait, state int) string {
	for _, f := range p.b.Facts {
		for _, ts := range f.States {
			if ts.Trait == tr.ID && (ts.State < 0 || ts.State == state) {
				return "fact " + f.ID
			}
		}
	}
	return "own " + tr.ID
}

func (p *plain) factsOf(a *said) []string {
	if a.r.Kind == Measured {
		return []string{p.factOf(a.tr, 0)}
	}
	var out []string
	for s := range a.tr.States {
		if a.r.Mask&(1<<s) != 0 {
			out = append(out, p.factOf(a.tr, s))
		}
	}
	return out
}

// groups gives every answer the name of what it says; names that one answer or one
// mishap joins are made the same until nothing changes.
func (s *plainSheet) groups() []string {
	var joined [][]string
	out := make([]string, len(s.said))
	for i := range s.said {
		out[i] = s.p.factsOf(&s.said[i])[0]
		joined = append(joined, s.p.factsOf(&s.said[i]))
	}
	for _, m := range s.p.b.Mishaps {
		if m.Ties == guide.TiesNothing || m.Ties == guide.TiesUnguarded && slices.ContainsFunc(m.Guard, s.seen) {
			continue
		}
		var names []string
		for i := range s.said {
			if a := &s.said[i]; !(m.Growing && !a.r.Loose) && s.misled(&m, a) {
				names = append(names, s.p.factsOf(a)...)
			}
		}
		joined = append(joined, names)
	}
	for changed := true; changed; {
		changed = false
		for i := range joined {
			names := slices.Clone(joined[i])
			if len(names) == 0 {
				continue
			}
			first := slices.Min(names)
			for k := range out {
				if slices.Contains(names, out[k]) && out[k] != first {
					out[k], changed = first, true
				}
			}
			for _, other := range joined {
				for k := range other {
					if slices.Contains(names, other[k]) && other[k] != first {
						other[k], changed = first, true
					}
				}
			}
		}
	}
	return out
}

func (s *plainSheet) seen(ts guide.TraitState) bool {
	for i := range s.said {
		return s.said[i].settled(ts)
	}
	return false
}

// misled: every state of the answer is one that the mishap makes people give.
func (s *plainSheet) misled(m *guide.Mishap, a *said) bool {
	covered := func(state int) bool {
		for _, r := range m.Misled {
			if r.Reads.Trait == a.tr.ID && (r.Reads.State < 0 || r.Reads.State == state) {
				return true
			}
		}
		return false
	}
	if a.r.Kind == Measured {
		return covered(-2)
	}
	for st := range a.tr.States {
		if a.r.Mask&(1<<st) != 0 && !covered(st) {
			return false
		}
	}
	return a.r.Mask != 0
}

// plainFact is what one fact weighs.
type plainFact struct {
	pos, neg         float64
	structural, firm bool
}

func (x *plainFact) take(w float64, class guide.Class, firm bool) {
	if w > x.pos {
		x.pos, x.structural, x.firm = w, class == guide.Structural, firm
	}
	x.neg = min(x.neg, w)
}

// facts weighs every answer against an entry or form.
func (s *plainSheet) facts(t *guide.Taxon, form *guide.Form) map[string]*plainFact {
	out := map[string]*plainFact{}
	names := s.groups()
	for i := range s.said {
		w, firm := s.p.weigh(s.target, t, form, &s.said[i], s.sc, s.taught(t))
		if out[names[i]] == nil {
			out[names[i]] = &plainFact{}
		}
		out[names[i]].take(w, s.said[i].tr.Class, firm)
	}
	return out
}

func (s *plainSheet) taught(t *guide.Taxon) bool {
	for _, so := range s.f.Profile.SignOffs {
		if so.By != "" && slices.Contains(t.HardGroups, so.Group) && slices.Contains(so.Dangers, t.ID) {
			return true
		}
	}
	return false
}

// rest adds up facts and says what is still needed.
func (s *plainSheet) rest(facts map[string]*plainFact, g guide.Grade, taught bool) (sum, left float64) {
	d := &s.p.def
	sensory, structural := 0.0, 0
	for _, x := range facts {
		most := d.FactMost
		if x.firm {
			most = d.FactFirm
		}
		pos := min(x.pos, most)
		sum += x.neg
		if !x.structural {
			sensory += pos
			continue
		}
		sum += pos
		if pos+x.neg >= d.FactAt {
			structural++
		}
	}
	if taught {
		sum += min(sensory, d.SensoryTaught)
	} else {
		sum += min(sensory, d.SensoryMost)
	}
	need, facts2 := map[guide.Grade]float64{guide.Unpleasant: d.NeedUnpleasant, guide.Poisonous: d.NeedPoisonous, guide.Deadly: d.NeedDeadly}[g], int(g)-1
	return sum, max(0, need-sum, d.FactAt*float64(facts2-structural))
}

// possible lists the entry as described and the forms that stage and answers allow.
func (s *plainSheet) possible(t *guide.Taxon) []*guide.Form {
	out := []*guide.Form{nil}
	grown := s.sc.fixes&s.sc.stages&guide.NewStageSet(guide.FlowerStage, guide.FruitStage) != 0
	for i := range t.Forms {
		f := &t.Forms[i]
		young := !f.Stages.Has(guide.FlowerStage) && !f.Stages.Has(guide.FruitStage) && !f.Stages.Has(guide.DryStalk) && t.Kingdom == guide.Plant
		if f.Stages&t.StagesFor(s.sc.eff) == 0 || young && grown || slices.ContainsFunc(f.Unless, s.seen) {
			continue
		}
		out = append(out, f)
	}
	return out
}

// against is the least that stands against an entry, and the form of it.
func (s *plainSheet) against(t *guide.Taxon, g guide.Grade) (form *guide.Form, sum, left float64) {
	left = math.Inf(-1)
	for _, f := range s.possible(t) {
		x, l := s.rest(s.facts(t, f), g, s.taught(t))
		if l > left+1e-9 || math.Abs(l-left) <= 1e-9 && x < sum {
			form, sum, left = f, x, l
		}
	}
	return form, sum, left
}

// worth is the fall of what is still needed against an entry, were a state of a trait
// seen by the method while every pair is settled: the answer joins the fact that
// has spoken already, or stands alone.
func (s *plainSheet) worth(t *guide.Taxon, form *guide.Form, g guide.Grade, tr *guide.Trait, state int) float64 {
	r := &Reading{Kind: Seen, Mask: 1 << state, Soundness: Sound, By: -1}
	a := &said{r, tr, true, func(guide.TraitState) bool { return true }}
	w, firm := s.p.weigh(s.target, t, form, a, s.sc, s.taught(t))
	if _, silent, lacking := s.p.ofTarget(s.target, a, s.sc); silent || lacking || w <= 0.5 {
		return 0
	}
	facts := s.facts(t, form)
	_, before := s.rest(facts, g, s.taught(t))
	name, names := fmt.Sprint("new ", tr.ID), s.groups()
	for i := range s.said {
		if slices.Contains(s.p.factsOf(&s.said[i]), s.p.factOf(tr, state)) {
			name = names[i]
		}
	}
	if facts[name] == nil {
		facts[name] = &plainFact{}
	}
	facts[name].take(w, tr.Class, firm)
	_, after := s.rest(facts, g, s.taught(t))
	return max(0, before-after)
}
