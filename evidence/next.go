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
	Steps    int     // open dangerous entries that would lose a thorn
	Finished int     // of these, how many would be cut back wholly
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

// gains is what one more contradiction is worth against each open entry, by the
// kind of contradiction, weighted by hazard and standing. It holds for checks
// whose group and act no sound reading has touched.
type gains struct {
	total float64
	place []int32 // by taxon: its place in at, -1
	at    []gain  // by place in trial.open
}

// gain is kept together, since it is asked for together.
type gain struct {
	worth         [kinds]float64
	weight        float64
	parts, decide uint32 // with a structural, with a decisive contradiction
}

// The kinds of one more contradiction: structural in a part that has none, or
// in one that has; sensory; timed and decisive; and the structural ones again,
// decisive.
const (
	fresh = iota
	same
	senses
	timed
	freshDecisive
	sameDecisive
	kinds
)

func (t *assessment) gains() *gains {
	n := len(t.open)
	g := &gains{place: make([]int32, len(t.in)), at: make([]gain, n)}
	for i := range g.place {
		g.place[i] = -1
	}
	buf := make([]edge, 0, 64)
	for i, d := range t.open {
		g.place[d] = int32(i)
		tl, nd := &t.tallies[d], t.need(d)
		w := float64(t.grade[d]) * (t.st.share[d] + 1/float64(n))
		a := &g.at[i]
		a.weight = w
		g.total += w * float64(tl.remaining)
		buf = t.sheet.of(d, buf)
		for k := range buf {
			if nd.structural(&buf[k]) {
				a.parts |= 1 << buf[k].part
			}
			if buf[k].decisive {
				a.decide |= 1 << buf[k].part
			}
		}
		for k := range a.worth {
			e := edge{class: guide.Structural, part: unusedPart(a.parts, k == same || k == sameDecisive)}
			switch k {
			case senses:
				e.class = guide.Sensory
			case timed:
				e.class, e.timed = guide.Sensory, true
			case freshDecisive, sameDecisive:
				e.decisive = true
			}
			a.worth[k] = w * float64(int(tl.remaining)-nd.grown(tl, buf, e, a.parts, 0))
		}
	}
	return g
}

// unusedPart is a part without, or with, a structural contradiction.
func unusedPart(parts uint32, used bool) guide.Part {
	for p := guide.Part(1); int(p) < guide.PartCount; p++ {
		if (parts&(1<<p) != 0) == used {
			return p
		}
	}
	return 1
}

// decisiveKind is the kind of a decisive contradiction on a trait.
func decisiveKind(a *gain, tr *guide.Trait) int {
	switch {
	case tr.Class != guide.Structural:
		if tr.Kind == guide.Timed {
			return timed
		}
		return senses
	case a.parts&(1<<tr.Part) != 0:
		return sameDecisive
	}
	return freshDecisive
}

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
//	Σ over states P(state) × fall in open depth, weighted by hazard × (standing +
//	an equal share), as a part of all the open depth so weighted
//	+ a bonus for an unmet key trait + a little for telling entries apart
//	− costs of touching, cutting, waiting, tools, destruction, contact hazards
//
// Checks that can't be repeated after picking come first as long as they get
// anywhere. Tasting is not among the guide's traits and is never offered.
func (t *assessment) next() Check {
	g := t.gains()
	pr := t.predictor()
	keys := map[int32]bool{}
	if t.target >= 0 && t.f.Intent.harvest() {
		for _, id := range t.taxon(t.target).KeyFor(t.sc.stages) {
			if at, ok := t.e.ix.TraitAt(id); ok && t.sound(at) == nil {
				keys[at] = true
			}
		}
	}
	offers := make([]Offer, 0, len(t.byTrait))
	worth := t.worths(g)
	var dist [32]float64
	for at := range t.byTrait {
		trait := int32(at)
		if !t.available(trait) {
			continue
		}
		o := Offer{Trait: trait, For: -1, Key: keys[trait], Gloves: t.contact && t.trait(trait).Handling > guide.Look, Mends: t.byTrait[trait] >= 0 && t.rs[t.byTrait[trait]].Soundness == Shaky, Back: t.back(trait)}
		useful := 0.0
		if n := len(t.trait(trait).States); n > 0 {
			pr.states(trait, dist[:n])
			if g.total > 0 {
				fall := worth[t.e.ix.StateFrom[trait]:]
				for s := 0; s < n; s++ {
					useful += dist[s] * fall[s] / g.total
				}
			}
			o.helps = useful > 0
			useful += t.identityWeight() * pr.identity(dist[:n])
			useful *= t.partChance(trait, pr)
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
	offers = t.prepare(t.widen(t.steady(offers)))
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
	c.Outcomes = t.outcomes(c.Trait, g, pr)
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

// worths fills, for every state of every trait (numbered by Index.StateFrom),
// the weighted fall in open depth that seeing it would bring. It goes entry by
// entry, so that what an entry's steps are worth stays at hand.
func (t *assessment) worths(g *gains) []float64 {
	ix := t.e.ix
	out := make([]float64, ix.StateFrom[len(ix.Columns)])
	slot := t.slots()
	buf := make([]edge, 0, 64)
	var plain [slots]float64 // what a step is worth, by slot
	for p, taxon := range t.open {
		a := &g.at[p]
		for part := 1; part < guide.PartCount; part++ {
			plain[part] = a.worth[fresh]
			if a.parts&(1<<part) != 0 {
				plain[part] = a.worth[same]
			}
		}
		plain[sensorySlot] = a.worth[senses]
		cells := ix.Danger[ix.DangerFrom[taxon]:ix.DangerFrom[taxon+1]]
		for i := range cells {
			c := &cells[i]
			at := slot[c.Trait]
			states := out[ix.StateFrom[c.Trait]:]
			if c.More == 0 && at < touchedSlot {
				w := plain[at]
				for m := c.Never; m != 0; m &= m - 1 {
					states[lowest(m)] += w
				}
				continue
			}
			buf = t.complexWorth(g, int32(p), taxon, c, at >= touchedSlot, plain[at&(touchedSlot-1)], states, buf)
		}
	}
	return out
}

// The slots of a step's worth: one a part for structural traits, one for sensory
// ones; touched traits add touchedSlot and are counted anew.
const (
	sensorySlot = 31
	touchedSlot = 32
	slots       = 32
)

// slots gives every trait its slot.
func (t *assessment) slots() []uint8 {
	out := make([]uint8, len(t.e.acts))
	for k, touched := range t.touched() {
		out[k] = sensorySlot
		if tr := t.trait(int32(k)); tr.Class == guide.Structural {
			out[k] = uint8(tr.Part)
		}
		if touched {
			out[k] += touchedSlot
		}
	}
	return out
}

// complexWorth does a cell with several variants, with decisive states, or on a
// trait that is touched.
func (t *assessment) complexWorth(g *gains, p, taxon int32, c *guide.DangerCell, touched bool, plain float64, states []float64, buf []edge) []edge {
	ix := t.e.ix
	a, tr := &g.at[p], t.trait(c.Trait)
	never, dec := c.Never, uint32(0)
	if c.More != 0 {
		h := &ix.Complex[c.More-1]
		var ok bool
		st := t.e.stagesFor(taxon, t.sc.eff, tr)
		if never, dec, ok = h.Masks(st); !ok {
			never, dec = masks(&ix.Columns[c.Trait], h.Row, st)
		}
		dec &= never
	}
	decisive := 0.0
	if dec != 0 {
		decisive = a.worth[decisiveKind(a, tr)]
		if tr.Class == guide.Structural && t.grade[taxon] == guide.Deadly && a.decide&^(1<<tr.Part) != 0 {
			decisive = a.weight * float64(t.tallies[taxon].remaining)
		}
	}
	if touched && t.shares(taxon, ix.GroupOf[c.Trait], t.e.acts[c.Trait]) {
		plain, decisive, buf = t.touchedWorth(a.weight, taxon, tr, edge{group: ix.GroupOf[c.Trait], act: t.e.acts[c.Trait], part: tr.Part, class: tr.Class}, dec != 0, buf)
	}
	for m := never &^ dec; m != 0; m &= m - 1 {
		states[lowest(m)] += plain
	}
	for m := dec; m != 0; m &= m - 1 {
		states[lowest(m)] += decisive
	}
	return buf
}

// touched marks the traits whose group or act a sound reading has used.
func (t *assessment) touched() []bool {
	groups, acts := make([]bool, len(t.e.ix.Groups)), make([]bool, len(t.e.acts))
	for i := range t.rs {
		r := &t.rs[i]
		if r.Soundness != Sound {
			continue
		}
		groups[t.e.ix.GroupOf[r.Trait]] = true
		if r.By >= 0 {
			acts[t.e.acts[r.By]] = true
		} else {
			acts[t.e.acts[r.Trait]] = true
		}
	}
	out := make([]bool, len(t.e.acts))
	for k := range out {
		out[k] = groups[t.e.ix.GroupOf[k]] || acts[t.e.acts[k]]
	}
	return out
}

// shares reports whether an entry's contradictions use a group or an act.
func (t *assessment) shares(taxon, group, act int32) bool {
	for i := t.sheet.head[taxon]; i >= 0; i = t.sheet.edges[i].next {
		if t.sheet.edges[i].group == group || t.sheet.edges[i].act == act {
			return true
		}
	}
	return false
}

// touchedWorth counts anew, for checks whose group or act has spoken already.
func (t *assessment) touchedWorth(weight float64, taxon int32, tr *guide.Trait, ed edge, any bool, buf []edge) (plain, decisive float64, _ []edge) {
	nd, was := t.need(taxon), int(t.tallies[taxon].remaining)
	buf = t.sheet.of(taxon, buf)
	plain = weight * float64(was-int(nd.count(append(buf, ed)).remaining))
	if any {
		ed.decisive, ed.timed = tr.Class == guide.Structural, tr.Kind == guide.Timed
		decisive = weight * float64(was-int(nd.count(append(buf, ed)).remaining))
	}
	return plain, decisive, buf
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

// widen offers, once nothing open is left, the check that is most likely to take
// an entry that is ruled out, and only just, as far from this specimen as the
// verdict asks.
func (t *assessment) widen(offers []Offer) []Offer {
	if t.target < 0 || !t.f.Intent.harvest() || len(t.open) > 0 {
		return offers
	}
	for _, d := range t.danger {
		if int(t.sheet.counts[d]) >= int(t.sheet.counts[t.target])+t.e.def.Margin {
			continue
		}
		at := t.separator(d)
		for i := range offers {
			if offers[i].Trait == at {
				offers[i].helps = true
				return offers
			}
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
func (t *assessment) outcomes(trait int32, g *gains, pr *predictor) []Outcome {
	tr := t.trait(trait)
	out := make([]Outcome, len(tr.States))
	var dist [32]float64
	pr.states(trait, dist[:len(out)])
	col := &t.e.ix.Columns[trait]
	buf := make([]edge, 0, 64)
	for s := range out {
		out[s] = Outcome{State: int32(s), P: dist[s]}
	}
	if tr.Class == guide.Circumstance {
		return out
	}
	for i := range col.Hazardous {
		row, taxon := col.Hazardous[i].Row, col.Hazardous[i].Taxon
		if g.place[taxon] < 0 {
			continue
		}
		never, dec := masks(col, row, t.e.stagesFor(taxon, t.sc.eff, tr))
		buf = t.sheet.of(taxon, buf)
		nd := t.need(taxon)
		for m := never & (1<<len(out) - 1); m != 0; m &= m - 1 {
			s := lowest(m)
			d := dec&(1<<s) != 0
			after := nd.count(append(buf, edge{group: t.e.ix.GroupOf[trait], act: t.e.acts[trait], part: tr.Part, class: tr.Class,
				decisive: d && tr.Class == guide.Structural, timed: d && tr.Kind == guide.Timed}))
			if after.remaining < t.tallies[taxon].remaining {
				out[s].Steps++
			}
			if after.ruledOut {
				out[s].Finished++
			}
		}
	}
	if t.target >= 0 {
		if row, ok := rowOf(col, t.target); ok {
			never, _ := masks(col, row, t.e.stagesFor(t.target, t.sc.eff, tr))
			for s := range out {
				out[s].Against = never&(1<<s) != 0
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
