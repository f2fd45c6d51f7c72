package evidence

import (
	"cmp"
	"slices"

	"zestythicket/guide"
)

// Outcome says what one answer to a check would do.
type Outcome struct {
	State    int32
	P        float64 // how likely it is to be seen, by the standing
	Steps    int     // open dangerous entries against which it would weigh
	Finished int     // of these, how many would be ruled out
	Target   guide.Frequency
	Against  bool // it would contradict the target
}

// Offer is one check that could be made now.
type Offer struct {
	Trait int32
	// For is the check that this one prepares (the base is dug before it is
	// looked at), -1 if it stands for itself.
	For    int32
	Score  float64 // expected share of the open danger cut back, less costs
	Key    bool    // an unmet key trait of the target
	First  bool    // can't be had later: comes before everything else
	Gloves bool    // a contact hazard is standing
	Mends  bool    // it was read before, but the reading is shaky
	Better bool    // it was read before, in a look that leaves a pair of states confused
	Back   bool    // it comes after everything else: asked before, or unreliable for this observer
	// helps: it is expected to further the verdict, and not only to sharpen the
	// standing.
	helps bool
}

// Check is the next best check, with what each answer would do, and the offers
// behind it.
type Check struct {
	Offer
	Outcomes []Outcome
	Others   []Offer // up to five more, best first
}

const otherOffers = 5

// available: the check can be made on this specimen now.
func (t *assessment) available(at int32) bool {
	tr := t.trait(at)
	if tr.Kingdom != guide.KingdomUnclear && t.kingdom != guide.KingdomUnclear && tr.Kingdom != t.kingdom {
		return false
	}
	if tr.Prepares != "" || tr.Stages&t.sc.stages == 0 {
		return false
	}
	if tr.Smell && t.f.Profile.SmellWeak || !t.carried(at) {
		return false
	}
	if tr.Tool != "" && t.f.Tools != nil && !has(t.f.Tools, tr.Tool) {
		return false
	}
	if tr.BeforePick && t.sc.picked {
		return false
	}
	if p := t.e.ix.ParentOf[at]; p >= 0 && t.lacks(p, tr.ParentStates) {
		return false
	}
	if i := t.byTrait[at]; i >= 0 {
		r := &t.rs[i]
		return r.Soundness == Shaky && mendable(r.Spoilers) || notYetLooked(r)
	}
	return true
}

// lacks: a sound reading, given or derived from what was seen of another part of
// the same whole, says that the part is not there.
func (t *assessment) lacks(parent int32, states uint32) bool {
	for i := range t.rs {
		if r := &t.rs[i]; r.Trait == parent && r.Soundness == Sound && r.Mask&states == 0 {
			return true
		}
	}
	return false
}

// carried: the check can be made on what was carried home. What only the ground
// shows can't, nor what was left there.
func (t *assessment) carried(at int32) bool {
	if t.f.Carried == nil {
		return true
	}
	return AtHome(t.e.ix.Book, at, t.f.Carried)
}

// AtHome reports whether a trait can be looked at on parts that were carried
// home: not how it stood, what it grew on, or how its base came out.
func AtHome(b *guide.Guide, trait int32, carried []guide.Part) bool {
	tr := &b.Traits[trait]
	if tr.Prepares == "condition" {
		return true
	}
	return !tr.BeforePick && tr.Prepares == "" && tr.After == "" && slices.Contains(carried, tr.Part)
}

// notYetLooked: nobody looked, could tell, or saw it themselves. It goes to the
// back of the queue and is never taken off it.
func notYetLooked(r *Reading) bool {
	return r.Soundness == Mute && (r.Kind == NotInspected || r.Kind == CantTell || r.Kind == Reported)
}

// back: the check comes after all others: somebody was asked it already, or sees
// colours differently and would read it unreliably.
func (t *assessment) back(at int32) bool {
	i := t.byTrait[at]
	return t.trait(at).Colour && t.f.Profile.ColourDiffers || i >= 0 && notYetLooked(&t.rs[i])
}

// mendable: the same specimen can still give a sound reading.
func mendable(sp []Confounder) bool {
	for _, s := range sp {
		switch s {
		case SmellContaminated, TooFew, TooEarly, PaperHides, ObserverUnsure:
		default:
			return false
		}
	}
	return true
}

// next scores every available check by its expected progress:
//
//	Σ over states P(state) × fall of what is still needed, weighted by hazard ×
//	(standing + an equal share) × what is still needed, as a part of all that is
//	needed so weighted
//	+ a bonus for an unmet key trait + a little for telling entries apart
//	− costs of touching, cutting, waiting, tools, destruction, contact hazards
//
// Checks that can't be repeated after picking come first as long as they get
// anywhere. Tasting is not among the guide's traits and is never offered.
func (t *assessment) next() Check {
	at := t.stakes()
	pr := t.predictor()
	keys := map[int32]bool{}
	if t.target >= 0 && t.f.Intent.harvest() {
		for _, id := range t.taxon(t.target).KeyFor(t.sc.stages) {
			if k, ok := t.e.ix.TraitAt(id); ok && t.sound(k) == nil {
				keys[k] = true
			}
		}
	}
	offers := make([]Offer, 0, len(t.byTrait))
	worth := t.worths(at)
	settles := t.settling(at)
	excludes := t.excluding(at)
	var dist [32]float64
	for k := range t.byTrait {
		trait := int32(k)
		if !t.available(trait) {
			continue
		}
		o := Offer{Trait: trait, For: -1, Key: keys[trait], Gloves: t.contact && t.trait(trait).Handling > guide.Look, Mends: t.byTrait[trait] >= 0 && t.rs[t.byTrait[trait]].Soundness == Shaky, Back: t.back(trait)}
		useful := 0.0
		if n := len(t.trait(trait).States); n > 0 {
			pr.states(trait, dist[:n])
			if at.total > 0 {
				fall := worth[t.e.ix.StateFrom[trait]:]
				for s := 0; s < n; s++ {
					useful += dist[s] * fall[s] / at.total
				}
				useful += settles[trait] / at.total
			}
			o.helps = useful > 0
			useful += t.identityWeight() * pr.identity(dist[:n])
			useful *= t.partChance(trait, pr)
		}
		if gain := excludes[trait]; gain > 0 {
			useful += gain / at.total
			o.helps = true
		}
		if o.Key {
			useful += t.e.def.KeyBonus
			o.helps = true
		}
		o.First = !o.Back && t.trait(trait).BeforePick && useful >= t.e.def.BeforePickAt
		o.Score = useful - t.cost(trait)
		if useful > 0 {
			offers = append(offers, o)
		}
	}
	offers = t.prepared(t.prepare(t.better(t.steady(offers), at)), excludes, at)
	naming := t.identityWeight() == t.e.def.IdentityNaming
	slices.SortFunc(offers, func(a, b Offer) int {
		first := 0
		if a.First && b.First { // looking before touching, among what can't be had later
			first = cmp.Compare(t.trait(a.Trait).Handling, t.trait(b.Trait).Handling)
		}
		return cmp.Or(cmp.Compare(boolInt(a.Back), boolInt(b.Back)), cmp.Compare(boolInt(b.First), boolInt(a.First)), first, cmp.Compare(boolInt(b.helps || naming), boolInt(a.helps || naming)), cmp.Compare(b.Score, a.Score), cmp.Compare(a.Trait, b.Trait))
	})
	if len(offers) == 0 {
		return Check{Offer: Offer{Trait: -1, For: -1}}
	}
	c := Check{Offer: offers[0], Others: offers[1:min(len(offers), 1+otherOffers)]}
	c.Outcomes = t.outcomes(c.Trait, at, pr)
	return c
}

// partChance is how likely the part is there to be looked at.
func (t *assessment) partChance(trait int32, pr *predictor) float64 {
	p := t.e.ix.ParentOf[trait]
	if p < 0 || t.sound(p) != nil {
		return 1
	}
	var dist [32]float64
	n := len(t.trait(p).States)
	pr.states(p, dist[:n])
	sum := 0.0
	for s := 0; s < n; s++ {
		if t.trait(trait).ParentStates&(1<<s) != 0 {
			sum += dist[s]
		}
	}
	return sum
}

func (t *assessment) identityWeight() float64 {
	if t.f.Intent == Record || t.target < 0 {
		return t.e.def.IdentityNaming
	}
	return t.e.def.IdentityBonus
}

func (t *assessment) cost(at int32) float64 {
	tr, d := t.trait(at), &t.e.def
	c := 0.0
	switch tr.Handling {
	case guide.Touch:
		c = d.CostTouch
	case guide.Cut:
		c = d.CostCut
	case guide.Wait:
		c = d.CostWait
	}
	if tr.Destroys {
		c += d.CostDestroys
	}
	if tr.Tool != "" {
		c += d.CostTool
	}
	if t.contact && tr.Handling > guide.Look {
		c += d.CostContact
	}
	return c
}

// prepare hands the score of a check whose preparation has not been stated to
// the preparation: the base is dug out before it is looked at.
func (t *assessment) prepare(offers []Offer) []Offer {
	best := map[int32]int{}
	out := offers[:0:0]
	for _, o := range offers {
		pre := t.e.ix.AfterOf[o.Trait]
		if pre < 0 || t.byTrait[pre] >= 0 {
			out = append(out, o)
			continue
		}
		// A dig that uses the specimen up comes after everything that is looked at.
		o.First = !o.Back && (o.First || t.trait(pre).BeforePick && o.Score > 0 && !t.trait(o.Trait).Destroys)
		o.For, o.Trait = o.Trait, pre
		if i, ok := best[pre]; !ok {
			best[pre] = len(out)
			out = append(out, o)
		} else if out[i].Score < o.Score {
			o.First = o.First || out[i].First
			out[i] = o
		}
	}
	return out
}

// prepared offers what excludes a form and is no look at a trait: how the base came
// out, and the state of the specimen.
func (t *assessment) prepared(offers []Offer, excludes map[int32]float64, at *stakes) []Offer {
	for k := range t.byTrait {
		trait := int32(k)
		gain := excludes[trait]
		tr := t.trait(trait)
		if gain <= 0 || tr.Prepares == "" || t.byTrait[trait] >= 0 || t.sc.picked && tr.BeforePick || !t.carried(trait) {
			continue
		}
		if i := slices.IndexFunc(offers, func(o Offer) bool { return o.Trait == trait }); i >= 0 {
			offers[i].Score += gain / at.total
			offers[i].helps = true
			continue
		}
		offers = append(offers, Offer{Trait: trait, For: -1, helps: true, Score: gain/at.total - t.cost(trait)})
	}
	return offers
}

// steady offers the state of the specimen when that alone is wanted to make a
// reading count: no ring on a stem that nobody called intact may be a lost ring.
func (t *assessment) steady(offers []Offer) []Offer {
	at := t.conditionTrait()
	if at < 0 || t.byTrait[at] >= 0 {
		return offers
	}
	for _, i := range t.byTrait {
		if i < 0 || t.rs[i].Soundness != Shaky {
			continue
		}
		lost := len(t.rs[i].Spoilers) > 0
		for _, s := range t.rs[i].Spoilers {
			lost = lost && s == CouldBeLost
		}
		if lost {
			return append(offers, Offer{Trait: at, For: t.rs[i].Trait, helps: true, Score: t.e.def.KeyBonus})
		}
	}
	return offers
}

// conditionTrait is the trait that says in what state the specimen is, or -1.
func (t *assessment) conditionTrait() int32 {
	for i := range t.e.ix.Book.Traits {
		if tr := t.trait(int32(i)); tr.Prepares == "condition" && (tr.Kingdom == guide.KingdomUnclear || tr.Kingdom == t.kingdom) {
			return int32(i)
		}
	}
	return -1
}

// outcomes says what each state of the offered check would do.
func (t *assessment) outcomes(trait int32, at *stakes, pr *predictor) []Outcome {
	tr := t.trait(trait)
	out := make([]Outcome, len(tr.States))
	var dist [32]float64
	pr.states(trait, dist[:len(out)])
	for s := range out {
		out[s] = Outcome{State: int32(s), P: dist[s]}
	}
	if tr.Class == guide.Circumstance {
		return out
	}
	for s := range out {
		x := t.supposed(trait, s)
		for i := range at.of {
			st := &at.of[i]
			w, high := t.e.weight(&x, st.row, t.rowStages(st.row, trait), st.taught)
			fall := st.fall(&t.e.def, at.slotOf(t.e, trait, s), w, tr.Class == guide.Structural, high)
			if fall > 0.5 {
				out[s].Steps++
			}
			if fall >= st.left {
				out[s].Finished++
			}
		}
		if t.target >= 0 {
			y := x
			t.e.atTarget(&y, t.target, t.sc.stages)
			out[s].Against = !y.silent && !y.lacking && y.target < t.e.def.SurpriseAt
		}
	}
	if t.target >= 0 {
		col := &t.e.ix.Columns[trait]
		if row, ok := rowOf(col, t.target); ok {
			for s := range out {
				for f := guide.Always; f > guide.Unlisted; f-- {
					if shownMask(col, row, t.e.stagesFor(t.target, t.sc.stages, tr), f)&(1<<s) != 0 {
						out[s].Target = f
						break
					}
				}
			}
		}
	}
	return out
}
