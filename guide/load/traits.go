package load

import (
	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/spell"
	"zestythicket/internal/yamlpos"
)

var traitFields = []string{"id", "name", "ask", "terms", "how", "part", "class", "kind", "kingdom", "group", "act", "handling",
	"stages", "states", "exclusive", "unit", "min", "max", "absent", "parent", "baseline", "before-pick", "destroys", "tool", "count",
	"wait", "prompt", "after", "substitute", "colour", "smell", "needs-whole", "losable", "prepares", "hidden-on-white", "hidden-on-dark"}

// link remembers names that can only be looked up once every trait is read.
type link struct {
	r      yamlpos.Reader
	node   *yaml.Node
	trait  int
	parent *yaml.Node
}

func (l *loader) readTraits(r yamlpos.Reader, data []byte) {
	root := r.Parse(data)
	if root == nil {
		return
	}
	if root.Kind != yaml.SequenceNode {
		r.Fail(root, "begin each trait with - id: …", "a list of traits is wanted here")
		return
	}
	for _, n := range root.Content {
		m := r.Map(n, traitFields...)
		r.Need(n, m, "id", "name", "ask", "how", "part", "class", "handling")
		t := readTrait(r, n, m)
		if was, ok := l.at["trait "+t.ID]; ok {
			r.Fail(m["id"], "", "the trait %q is already declared at %s:%d", t.ID, was.File, was.Line)
			continue
		}
		l.at["trait "+t.ID] = yamlpos.Problem{File: r.File, Line: n.Line}
		l.links = append(l.links, link{r: r, node: n, trait: len(l.book.Traits), parent: m["parent"]})
		l.book.Traits = append(l.book.Traits, t)
		l.traitIDs = append(l.traitIDs, t.ID)
	}
}

func readTrait(r yamlpos.Reader, n *yaml.Node, m map[string]*yaml.Node) guide.Trait {
	word := func(field, of string) string {
		if i := r.Word(m[field], field, guide.Words(of)); i >= 0 {
			return guide.Words(of)[i]
		}
		return ""
	}
	t := guide.Trait{
		ID: r.Str(m["id"]), Name: r.Str(m["name"]), Ask: r.Str(m["ask"]), Terms: r.Str(m["terms"]), How: r.Str(m["how"]),
		Kind: guide.States, Group: r.Str(m["group"]), Act: r.Str(m["act"]), Unit: r.Str(m["unit"]),
		Min: r.Num(m["min"]), Max: r.Num(m["max"]), Absent: -1, Exclusive: r.Bool(m["exclusive"], true),
		Baseline: r.Bool(m["baseline"], false), BeforePick: r.Bool(m["before-pick"], false), Destroys: r.Bool(m["destroys"], false),
		Tool: r.Str(m["tool"]), MinCount: r.Int(m["count"]), WaitMin: r.Num(m["wait"]), After: r.Str(m["after"]),
		Substitute: r.Str(m["substitute"]), Colour: r.Bool(m["colour"], false), Smell: r.Bool(m["smell"], false), Prepares: r.Str(m["prepares"]),
	}
	t.Part, _ = guide.ParsePart(word("part", "part"))
	t.Class, _ = guide.ParseClass(word("class", "class"))
	t.Handling, _ = guide.ParseHandling(word("handling", "handling"))
	if k, ok := guide.ParseKind(word("kind", "kind")); ok && m["kind"] != nil {
		t.Kind = k
	}
	if m["kingdom"] != nil {
		t.Kingdom, _ = guide.ParseKingdom(word("kingdom", "kingdom"))
	}
	t.Stages = guide.StagesOf(t.Kingdom)
	if m["stages"] != nil {
		t.Stages = readStageSet(r, m["stages"])
	}
	if t.Kind == guide.Measure {
		r.Need(n, m, "unit", "max")
		if t.Unit != "cm" && t.Unit != "mm" && t.Unit != "count" && m["unit"] != nil {
			r.Fail(m["unit"], "known: cm, mm, count", "unknown unit %q", t.Unit)
		}
		return t
	}
	r.Need(n, m, "states")
	readStates(r, m, &t)
	return t
}

func readStates(r yamlpos.Reader, m map[string]*yaml.Node, t *guide.Trait) {
	for _, f := range r.Each(m["states"]) {
		st := guide.State{ID: f.Name}
		if f.Value.Kind == yaml.ScalarNode {
			st.Label = r.Str(f.Value)
		} else {
			sm := r.Map(f.Value, "label", "hint", "leaves")
			st.Label, st.Hint = r.Str(sm["label"]), r.Str(sm["hint"])
			if s := r.Str(sm["leaves"]); s != "" {
				for len(t.Leaves) <= len(t.States) {
					t.Leaves = append(t.Leaves, "")
				}
				t.Leaves[len(t.States)] = s
			}
		}
		t.States = append(t.States, st)
	}
	if len(t.States) > 32 {
		r.Fail(m["states"], "split the trait", "more than 32 states")
	}
	for len(t.Leaves) < len(t.States) {
		t.Leaves = append(t.Leaves, "")
	}
	if m["absent"] != nil {
		t.Absent = r.Word(m["absent"], "state", stateIDs(t))
	}
	t.NeedsWhole = stateMask(r, m["needs-whole"], t)
	t.Losable = stateMask(r, m["losable"], t)
	t.Prompt = stateMask(r, m["prompt"], t)
	t.HiddenOnWhite = stateMask(r, m["hidden-on-white"], t)
	t.HiddenOnDark = stateMask(r, m["hidden-on-dark"], t)
}

// stateMask reads a list of states of t; the word all stands for every state.
func stateMask(r yamlpos.Reader, n *yaml.Node, t *guide.Trait) uint32 {
	var mask uint32
	for _, it := range r.Items(n) {
		if it.Value == "all" {
			return 1<<len(t.States) - 1
		}
		if i := r.Word(it, "state of "+t.ID, stateIDs(t)); i >= 0 {
			mask |= 1 << i
		}
	}
	return mask
}

// linkTraits looks up what traits say of other traits.
func (l *loader) linkTraits() {
	for i := range l.book.Traits {
		l.traits[l.book.Traits[i].ID] = &l.book.Traits[i]
	}
	for _, k := range l.links {
		t := &l.book.Traits[k.trait]
		for _, o := range []struct{ field, id string }{{"after", t.After}, {"substitute", t.Substitute}} {
			if o.id != "" && l.traits[o.id] == nil {
				k.r.Fail(k.node, spell.Nearest(o.id, l.traitIDs), "%s: unknown trait %q in %s", t.ID, o.id, o.field)
			}
		}
		if k.parent == nil {
			continue
		}
		m := k.r.Map(k.parent, "trait", "states")
		k.r.Need(k.parent, m, "trait", "states")
		if p := l.trait(k.r, m["trait"]); p != nil {
			t.Parent, t.ParentStates = p.ID, stateMask(k.r, m["states"], p)
		}
	}
}

func (l *loader) trait(r yamlpos.Reader, n *yaml.Node) *guide.Trait {
	if n == nil {
		return nil
	}
	if t := l.traits[n.Value]; t != nil {
		return t
	}
	r.Fail(n, spell.Nearest(n.Value, l.traitIDs), "unknown trait %q", n.Value)
	return nil
}

func stateIDs(t *guide.Trait) []string {
	out := make([]string, len(t.States))
	for i := range t.States {
		out[i] = t.States[i].ID
	}
	return out
}

func readStageSet(r yamlpos.Reader, n *yaml.Node) guide.StageSet {
	var s guide.StageSet
	for _, it := range r.Items(n) {
		if i := r.Word(it, "stage", guide.Words("stage")); i >= 0 {
			s |= guide.NewStageSet(guide.Stage(i))
		}
	}
	return s
}
