package load

import (
	"strings"

	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/spell"
	"zestythicket/internal/yamlpos"
)

var kingdomsAndAny = []string{"any", "plant", "fungus"}

// traitState reads "trait", "trait/*" or "trait/state".
func (l *loader) traitState(r yamlpos.Reader, n *yaml.Node) (guide.TraitState, bool) {
	id, state, named := strings.Cut(r.Str(n), "/")
	t := l.traits[id]
	if t == nil {
		r.Fail(n, spell.Nearest(id, l.traitIDs), "unknown trait %q", id)
		return guide.TraitState{}, false
	}
	if !named || state == "*" {
		return guide.TraitState{Trait: id, State: -1}, true
	}
	i, ok := t.StateIndex(state)
	if !ok {
		r.Fail(n, spell.Nearest(state, stateIDs(t)), "%s has no state %q", id, state)
		return guide.TraitState{}, false
	}
	return guide.TraitState{Trait: id, State: i}, true
}

func (l *loader) traitStates(r yamlpos.Reader, n *yaml.Node) []guide.TraitState {
	var out []guide.TraitState
	for _, it := range r.Items(n) {
		if ts, ok := l.traitState(r, it); ok {
			out = append(out, ts)
		}
	}
	return out
}

// readFacts reads which states say one and the same thing. A state stands in one
// fact at most, and circumstance in none.
func (l *loader) readFacts(r yamlpos.Reader, data []byte) {
	seen := map[guide.TraitState]string{}
	for _, k := range r.Each(r.Parse(data)) {
		kingdom := max(0, r.Word(k.Key, "kingdom", kingdomsAndAny))
		for _, it := range r.Items(k.Value) {
			m := r.Map(it, "id", "means", "states", "why")
			r.Need(it, m, "id", "means", "states")
			f := guide.Fact{ID: r.Str(m["id"]), Means: r.Str(m["means"]), Why: r.Str(m["why"]), Kingdom: guide.Kingdom(kingdom), States: l.traitStates(r, m["states"])}
			once(r, it, f.ID, len(l.book.Facts), func(i int) string { return l.book.Facts[i].ID })
			for _, ts := range f.States {
				tr := l.traits[ts.Trait]
				if tr.Class == guide.Circumstance {
					r.Fail(it, "take it out", "%s is a circumstance and weighs nothing", ts.Trait)
				}
				for s := range max(1, len(tr.States)) {
					key := guide.TraitState{Trait: ts.Trait, State: s}
					if ts.State >= 0 && ts.State != s {
						continue
					}
					if was, ok := seen[key]; ok {
						r.Fail(it, "a state stands in one fact at most", "%s stands in the fact %s already", stateName(tr, s), was)
					}
					seen[key] = f.ID
				}
			}
			l.book.Facts = append(l.book.Facts, f)
		}
	}
}

func stateName(t *guide.Trait, s int) string {
	if s < len(t.States) {
		return t.ID + "/" + t.States[s].ID
	}
	return t.ID
}

// mostConfused is the greatest share of looks at one state that may go to others.
const mostConfused = 0.6

// readMisnamings reads which states of a trait people take for one another.
func (l *loader) readMisnamings(r yamlpos.Reader, data []byte) {
	for _, f := range r.Each(r.Parse(data)) {
		tr := l.trait(r, f.Key)
		if tr == nil {
			continue
		}
		m := r.Map(f.Value, "confused", "unmistakable", "error")
		mis := guide.Misnaming{Trait: tr.ID, Error: r.Str(m["error"])}
		sum, seen := make([]float64, len(tr.States)), map[[2]int]bool{}
		pair := func(n *yaml.Node, again bool) (a, b int, ok bool) {
			p := r.Items(n)
			if len(p) != 2 {
				r.Fail(n, "pair: [one, other]", "two states are wanted here")
				return 0, 0, false
			}
			a, b = r.Word(p[0], "state of "+tr.ID, stateIDs(tr)), r.Word(p[1], "state of "+tr.ID, stateIDs(tr))
			if a < 0 || b < 0 {
				return 0, 0, false
			}
			key := [2]int{min(a, b), max(a, b)}
			if seen[key] && !again || a == b {
				r.Fail(n, "", "the pair stands here already, or is none")
			}
			seen[key] = true
			return a, b, true
		}
		for _, it := range r.Items(m["confused"]) {
			cm := r.Map(it, "pair", "rate", "settled-by", "by")
			r.Need(it, cm, "pair", "rate")
			a, b, ok := pair(cm["pair"], false)
			if !ok {
				continue
			}
			c := guide.Confusion{A: a, B: b, Rate: r.Num(cm["rate"]) / 100, SettledBy: l.traitStates(r, cm["settled-by"]), By: r.Str(cm["by"])}
			if c.Rate <= 0 || c.Rate > mostConfused {
				r.Fail(cm["rate"], "percent of the looks: 25, 10 or 3", "%g is no rate", c.Rate*100)
			}
			sum[a] += c.Rate
			sum[b] += c.Rate
			mis.Confused = append(mis.Confused, c)
		}
		for s, x := range sum {
			if x > mostConfused+1e-9 {
				r.Fail(f.Key, "a state that is misnamed more often than that is ill defined", "%s is taken for others in %.0f %% of the looks", stateName(tr, s), x*100)
			}
		}
		for _, it := range r.Items(m["unmistakable"]) {
			um := r.Map(it, "pair", "when")
			r.Need(it, um, "pair")
			// A pair may be confused as a rule and unmistakable in a better look.
			if a, b, ok := pair(um["pair"], um["when"] != nil); ok {
				mis.Unmistakable = append(mis.Unmistakable, guide.Unmistakable{A: a, B: b, When: r.Str(um["when"])})
			}
		}
		l.book.Misnamings = append(l.book.Misnamings, mis)
	}
}

// readMishaps reads what misleads several traits at once.
func (l *loader) readMishaps(r yamlpos.Reader, data []byte) {
	ties := []string{"no", "unguarded", "always"}
	for _, k := range r.Each(r.Parse(data)) {
		kingdom := max(0, r.Word(k.Key, "kingdom", kingdomsAndAny))
		for _, it := range r.Items(k.Value) {
			m := r.Map(it, "id", "what", "when", "misled", "guard", "rate", "ties", "spares", "note")
			r.Need(it, m, "id", "what", "misled", "rate", "ties")
			x := guide.Mishap{ID: r.Str(m["id"]), What: r.Str(m["what"]), When: r.Str(m["when"]), Note: r.Str(m["note"]), Kingdom: guide.Kingdom(kingdom), Guard: l.traitStates(r, m["guard"])}
			once(r, it, x.ID, len(l.book.Mishaps), func(i int) string { return l.book.Mishaps[i].ID })
			if i := r.Word(m["ties"], "tie", ties); i >= 0 {
				x.Ties = guide.Tie(i)
			}
			rate := r.Map(m["rate"], "without", "with")
			x.Without, x.With = r.Num(rate["without"])/100, r.Num(rate["with"])/100
			if x.Ties == guide.TiesUnguarded && len(x.Guard) == 0 {
				r.Fail(it, "name its guard, or write ties: always", "%s ties while it is not guarded, and has no guard", x.ID)
			}
			x.Growing = m["spares"] != nil && r.Word(m["spares"], "what is spared", []string{"growing"}) == 0
			for _, mn := range r.Items(m["misled"]) {
				mm := r.Map(mn, "reads", "for")
				r.Need(mn, mm, "reads")
				if ts, ok := l.traitState(r, mm["reads"]); ok {
					x.Misled = append(x.Misled, guide.Misread{Reads: ts, For: l.traitStates(r, mm["for"])})
				}
			}
			l.book.Mishaps = append(l.book.Mishaps, x)
		}
	}
}
