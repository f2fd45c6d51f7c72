package casefile

import (
	"go.yaml.in/yaml/v3"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// bare are the kinds of answer that say why there is none: damaged: ring.
var bare = []string{"not-inspected", "not-now", "not-here", "damaged", "spoilt", "cant-tell", "not-safe-to-test"}

var answerFields = append([]string{"stage", "clean-hands", "handled", "picked", "undo", "note", "saying",
	"trait", "seen", "any-of", "all-of", "measured", "error", "absent", "reported", "unsure", "light", "surface", "count",
	"minutes", "paper", "detached", "malformed", "method", "from", "after-seconds"}, bare...)

// line reads one line of a log: an answer, or something that was done.
func (r *reader) line(n *yaml.Node, specimen string) {
	m := r.Map(n, answerFields...)
	if s := r.Num(m["after-seconds"]); m["after-seconds"] != nil {
		r.at += int64(s*1000) - stepMS
	}
	switch {
	case m["stage"] != nil:
		r.stage(m["stage"], specimen)
	case m["clean-hands"] != nil:
		r.put(evidence.Event{Kind: evidence.CleanHands, Specimen: specimen})
	case m["handled"] != nil:
		r.put(evidence.Event{Kind: evidence.Handled, Specimen: specimen, Smell: r.known(m["handled"], "smell", r.ix.Book.SmellWords())})
	case m["picked"] != nil:
		r.put(evidence.Event{Kind: evidence.Picked, Specimen: specimen})
	case m["undo"] != nil:
		back := int64(r.Int(m["undo"]))
		if back < 1 || r.seq-back+1 < 1 {
			r.Fail(m["undo"], "1 takes back the line before", "there is nothing %d lines back", back)
			return
		}
		r.put(evidence.Event{Kind: evidence.Undone, Specimen: specimen, Undoes: r.seq - back + 1})
	case m["note"] != nil:
		if r.Word(m["note"], "note", []string{"hearsay", "folk-rule", "search-cue"}) >= 0 {
			r.put(evidence.Event{Kind: evidence.Noted, Specimen: specimen, Note: r.Str(m["note"]), Saying: r.Str(m["saying"])})
		}
	default:
		r.answer(n, m, specimen)
	}
}

func (r *reader) answer(n *yaml.Node, m map[string]*yaml.Node, specimen string) {
	a := evidence.Answer{Unsure: r.Bool(m["unsure"], false), Count: r.Int(m["count"]),
		Light: r.known(m["light"], "light", []string{"poor", "coloured"}), Surface: r.known(m["surface"], "surface", []string{"soil", "rain", "frost"}),
		Minutes: r.Num(m["minutes"]), Paper: r.known(m["paper"], "paper", []string{"white", "dark", "half"}), Detached: r.Bool(m["detached"], false), Malformed: r.Bool(m["malformed"], false),
		Method: r.Str(m["method"]), From: r.known(m["from"], "source of a report", []string{"neighbour", "person", "custom", "web"})}
	name := m["trait"]
	for i, w := range evidence.AnswerKinds() {
		if m[w] == nil || !has(bare, w) {
			continue
		}
		if m["trait"] != nil || m[w].Value == "true" || m[w].Value == "false" {
			r.Fail(m[w], "write it as "+w+": and the name of the trait, alone on its line", "%s takes the name of a trait", w)
			return
		}
		a.Kind, name = evidence.AnswerKind(i), m[w]
	}
	if a.Minutes < 0 || a.Count < 0 || a.Minutes != a.Minutes || a.Minutes > 1e6 {
		r.Fail(n, "", "a number of minutes or of pieces can't be that")
	}
	if name == nil {
		r.Fail(n, "begin with trait: …, or damaged: trait, clean-hands: true, picked: true, handled: smell", "this line says nothing that was looked at or done")
		return
	}
	at, ok := r.ix.TraitAt(name.Value)
	if !ok {
		var known []string
		for i := range r.ix.Book.Traits {
			known = append(known, r.ix.Book.Traits[i].ID)
		}
		r.Fail(name, r.Nearest(name.Value, known), "unknown trait %q", name.Value)
		return
	}
	tr := &r.ix.Book.Traits[at]
	a.Trait = tr.ID
	if a.Kind == evidence.NotInspected && m["not-inspected"] == nil {
		r.reading(n, m, tr, &a)
	}
	r.put(evidence.Event{Kind: evidence.Answered, Specimen: specimen, Answer: a})
}

func (r *reader) reading(n *yaml.Node, m map[string]*yaml.Node, tr *guide.Trait, a *evidence.Answer) {
	states := func(list *yaml.Node, kind evidence.AnswerKind) {
		a.Kind = kind
		if tr.Kind == guide.Measure {
			r.Fail(list, "write measured: 12 "+tr.Unit, "%s is measured, it has no states", tr.ID)
			return
		}
		var known []string
		for i := range tr.States {
			known = append(known, tr.States[i].ID)
		}
		for _, it := range r.Items(list) {
			if r.Word(it, "state of "+tr.ID, known) >= 0 {
				a.States = append(a.States, it.Value)
			}
		}
	}
	switch {
	case m["seen"] != nil:
		states(m["seen"], evidence.Seen)
		if len(a.States) > 1 {
			r.Fail(m["seen"], "use any-of when unsure between them, all-of when it shows both", "seen takes one state")
		}
	case m["any-of"] != nil:
		states(m["any-of"], evidence.AnyOf)
	case m["all-of"] != nil:
		states(m["all-of"], evidence.AllOf)
	case m["reported"] != nil:
		states(m["reported"], evidence.Reported)
	case m["absent"] != nil:
		a.Kind = evidence.Absent
		if !r.Bool(m["absent"], true) {
			r.Fail(m["absent"], "say what was seen: seen: state", "absent: false says nothing")
		}
		if tr.Absent < 0 {
			r.Fail(m["absent"], "answer with one of its states", "%s can't be absent", tr.ID)
		}
	case m["measured"] != nil:
		a.Kind = evidence.Measured
		if tr.Kind != guide.Measure {
			r.Fail(m["measured"], "answer with seen: state", "%s is not measured", tr.ID)
			return
		}
		v, err := Number(m["measured"].Value, tr.Unit)
		if err != nil {
			r.Fail(m["measured"], "for example 12 "+tr.Unit, "%v", err)
			return
		}
		a.Value = v
		if m["error"] != nil {
			if a.Error, err = Number(m["error"].Value, tr.Unit); err != nil {
				r.Fail(m["error"], "", "%v", err)
			}
		}
		if a.Value < tr.Min || a.Value > tr.Max {
			r.Fail(m["measured"], "measure again, or look at the unit", "%g %s is impossible for %s (%g to %g)", a.Value, tr.Unit, tr.ID, tr.Min, tr.Max)
		}
	default:
		r.Fail(n, "add seen: state, absent: true, measured: 12 cm, any-of: [..], reported: state …", "nothing is said of %s", tr.ID)
	}
}

func has(list []string, w string) bool {
	for _, v := range list {
		if v == w {
			return true
		}
	}
	return false
}

// counts reads a number by entry.
func (r *reader) counts(n *yaml.Node) map[string]int {
	out := map[string]int{}
	for _, f := range r.Each(n) {
		r.taxon(f.Key)
		out[f.Name] = r.Int(f.Value)
	}
	return out
}

func (r *reader) expect(n *yaml.Node, e *Expect) {
	m := r.Map(n, "specimen", "verdict", "thorns", "depths", "against", "out", "open", "obligations", "refusals", "leave", "next", "leader", "shaky", "held", "counts", "fast-pass")
	e.Specimen, e.Verdict, e.Next, e.Leader = r.Str(m["specimen"]), r.Str(m["verdict"]), r.Str(m["next"]), r.Str(m["leader"])
	if e.Verdict != "" {
		if _, ok := evidence.ParseVerdict(e.Verdict); !ok {
			r.Fail(m["verdict"], "", "unknown verdict %q", e.Verdict)
		}
	}
	e.Thorns, e.Depths = r.counts(m["thorns"]), r.counts(m["depths"])
	e.Against = map[string][]string{}
	for _, f := range r.Each(m["against"]) {
		r.taxon(f.Key)
		e.Against[f.Name] = []string{}
		for _, it := range r.Items(f.Value) {
			if _, ok := r.ix.TraitAt(it.Value); !ok {
				r.Fail(it, "", "unknown trait %q", it.Value)
			}
			e.Against[f.Name] = append(e.Against[f.Name], it.Value)
		}
	}
	for _, it := range append(r.Items(m["out"]), r.Items(m["open"])...) {
		r.taxon(it)
	}
	e.Out, e.Open = r.Strs(m["out"]), r.Strs(m["open"])
	e.Obligations, e.Refusals, e.Leave, e.Shaky = r.Strs(m["obligations"]), r.Strs(m["refusals"]), r.Strs(m["leave"]), r.Strs(m["shaky"])
	if m["held"] != nil {
		v := r.Bool(m["held"], false)
		e.Held = &v
	}
	if m["fast-pass"] != nil {
		v := r.Bool(m["fast-pass"], false)
		e.FastPass = &v
	}
	for _, it := range r.Items(m["counts"]) {
		e.Counts = append(e.Counts, r.Int(it))
	}
}
