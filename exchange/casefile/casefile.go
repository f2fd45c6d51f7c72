// Package casefile reads a find written as YAML: what was known of the place and
// the person, and what was answered, in order. It is how a find is judged
// without a browser, and how worked cases are kept as tests.
package casefile

import (
	"fmt"
	"strconv"
	"strings"
	"time"

	"go.yaml.in/yaml/v3"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
	"zestythicket/report"
)

// Case is a find with, for tests, what must come out.
type Case struct {
	ID, Title string
	Find      evidence.Find
	Expect    Expect
	// Expects: the file says what must come out.
	Expects bool
}

// Expect is what a test holds a judgement to. Empty fields expect nothing.
type Expect struct {
	Specimen    string
	Verdict     string
	Thorns      map[string]int // thorns left, by entry
	Depths      map[string]int // steps, of files written for the first rules
	Out, Open   []string
	Against     map[string][]string // by taxon: the traits that must contradict it
	Obligations []string            // code, or code:trait, code:taxon or code:word
	Refusals    []string
	Leave       []string
	Next        string
	Leader      string
	Shaky       []string
	Held        *bool
	Counts      []int // passed, failed, unchecked
	FastPass    *bool
}

type reader struct {
	yamlpos.Reader
	ix   *guide.Index
	find *evidence.Find
	seq  int64
	at   int64
}

// MostBytes is the greatest file that is read.
const MostBytes = 1 << 20

// Between two lines of a log more than a moment passes.
const stepMS = 60_000

// Read reads a case against a guide. On problems the error is a
// [yamlpos.Problems].
func Read(file string, data []byte, ix *guide.Index) (*Case, error) {
	if len(data) > MostBytes {
		return nil, yamlpos.Problems{{File: file, Line: 1, Col: 1, What: fmt.Sprintf("%.1f MB; at most %d MB are read", float64(len(data))/(1<<20), MostBytes>>20), Hint: "one find a file"}}
	}
	var problems yamlpos.Problems
	c := &Case{}
	r := &reader{Reader: yamlpos.Reader{File: file, Problems: &problems}, ix: ix, find: &c.Find}
	if root := r.Parse(data); root != nil {
		r.read(root, c)
	}
	if len(problems) > 0 {
		return nil, problems
	}
	return c, nil
}

func (r *reader) read(root *yaml.Node, c *Case) {
	m := r.Map(root, "case", "title", "note", "intent", "kingdom", "target", "use", "date", "place", "profile", "tools", "hands", "recalled", "picked", "specimens", "expect")
	r.Need(root, m, "intent", "specimens")
	f := &c.Find
	c.ID, c.Title = r.Str(m["case"]), r.Str(m["title"])
	if i := r.Word(m["intent"], "intent", evidence.Intents()); i >= 0 {
		f.Intent = evidence.Intent(i + 1)
	}
	if m["kingdom"] != nil {
		if i := r.Word(m["kingdom"], "kingdom", []string{"unclear", "plant", "fungus"}); i >= 0 {
			f.Kingdom = guide.Kingdom(i)
		}
	}
	f.Target = r.taxon(m["target"])
	if m["use"] != nil {
		u := r.Map(m["use"], "part", "preparation")
		f.Part = r.known(u["part"], "part", r.ix.Book.PartWords())
		f.Prep = r.known(u["preparation"], "preparation", r.ix.Book.PreparationWords())
	}
	if d := r.Str(m["date"]); d != "" {
		t, err := time.Parse("2006-01-02", d)
		if err != nil {
			r.Fail(m["date"], "write it as 2026-04-12", "%q is not a date", d)
		}
		f.Month = int(t.Month())
	}
	r.place(m["place"])
	r.profile(m["profile"])
	if m["tools"] != nil {
		f.Tools = append([]string{}, r.knowns(m["tools"], "tool", r.ix.Book.ToolWords())...)
	}
	f.Hands, f.Picked = r.knowns(m["hands"], "smell", r.ix.Book.SmellWords()), r.Int(m["picked"])
	for _, n := range r.Items(m["recalled"]) {
		f.Recalled = append(f.Recalled, r.taxon(n))
	}
	for _, n := range r.Items(m["specimens"]) {
		r.specimen(n)
	}
	r.joined(m["specimens"])
	if m["expect"] != nil {
		c.Expects = true
		r.expect(m["expect"], &c.Expect)
	}
}

func (r *reader) taxon(n *yaml.Node) string {
	if n == nil || r.Str(n) == "" {
		return ""
	}
	if _, ok := r.ix.TaxonAt(n.Value); !ok {
		r.Fail(n, r.Nearest(n.Value, r.taxonNames()), "unknown taxon %q", n.Value)
	}
	return n.Value
}

func (r *reader) taxonNames() []string {
	var out []string
	for i := range r.ix.Book.Taxa {
		out = append(out, r.ix.Book.Taxa[i].ID)
	}
	return out
}

// known reads one word of a vocabulary; knowns a list of them.
func (r *reader) known(n *yaml.Node, what string, words []string) string {
	if n == nil || r.Word(n, what, words) < 0 {
		return ""
	}
	return n.Value
}

func (r *reader) knowns(n *yaml.Node, what string, words []string) []string {
	var out []string
	for _, it := range r.Items(n) {
		if w := r.known(it, what, words); w != "" {
			out = append(out, w)
		}
	}
	return out
}

// joined: every specimen has an id of its own, and is joined to one that is there.
func (r *reader) joined(list *yaml.Node) {
	for i, n := range r.Items(list) {
		if i >= len(r.find.Specimens) {
			return
		}
		s := &r.find.Specimens[i]
		there := s.JoinedTo == ""
		for k := range r.find.Specimens {
			there = there || k != i && r.find.Specimens[k].ID == s.JoinedTo
			if k < i && r.find.Specimens[k].ID == s.ID {
				r.Fail(n, "", "there are two specimens %q", s.ID)
			}
		}
		if !there {
			r.Fail(n, "name another specimen of this file", "there is no specimen %q to be joined to", s.JoinedTo)
		}
	}
}

func (r *reader) yesNo(n *yaml.Node) evidence.YesNo {
	y, ok := evidence.ParseYesNo(r.Str(n))
	if !ok {
		r.Fail(n, "yes, no or unanswered", "%q is neither yes nor no", n.Value)
	}
	return y
}

// Grounds are the words for the state of the ground.
var Grounds = []string{"clean", "sprayed", "roadside", "fouled", "industrial"}

func (r *reader) place(n *yaml.Node) {
	if n == nil {
		return
	}
	m := r.Map(n, "region", "habitats", "ground", "permission", "protected", "limit")
	p := &r.find.Place
	if m["region"] != nil {
		if i := r.Word(m["region"], "region", []string{"EU", "ENA", "WNA"}); i >= 0 {
			p.Region = r.Str(m["region"])
		}
	}
	p.Habitats, p.Limit = r.knowns(m["habitats"], "habitat", r.ix.Book.HabitatWords()), r.Str(m["limit"])
	if m["ground"] != nil && r.Word(m["ground"], "ground", Grounds) >= 0 {
		p.Ground = evidence.Ground(r.Str(m["ground"]))
	}
	p.Permission, p.Protected = r.yesNo(m["permission"]), r.yesNo(m["protected"])
}

func (r *reader) profile(n *yaml.Node) {
	if n == nil {
		return
	}
	m := r.Map(n, "colour-differs", "smell-weak", "facts", "answered", "sign-offs")
	p := &r.find.Profile
	p.ColourDiffers, p.SmellWeak = r.Bool(m["colour-differs"], false), r.Bool(m["smell-weak"], false)
	var facts []string
	for _, f := range report.PersonFacts(r.ix.Book) {
		facts = append(facts, f.ID)
	}
	for _, k := range r.Items(m["facts"]) {
		if to, ok := strings.CutPrefix(k.Value, evidence.AllergyPrefix); ok && strings.TrimSpace(to) != "" || r.Word(k, "fact of a person", facts) >= 0 {
			p.Facts = append(p.Facts, k.Value)
		}
	}
	for _, k := range r.Items(m["answered"]) {
		if k.Value == "all" {
			p.Answered = append(p.Answered, evidence.HealthTopics...)
		} else if r.Word(k, "health topic", evidence.HealthTopics) >= 0 {
			p.Answered = append(p.Answered, k.Value)
		}
	}
	var groups []string
	for _, g := range r.ix.Book.HardGroups {
		groups = append(groups, g.ID)
	}
	for _, k := range r.Items(m["sign-offs"]) {
		sm := r.Map(k, "group", "by", "when", "dangers")
		r.Need(k, sm, "group", "by")
		if r.Word(sm["group"], "hard group", groups) >= 0 {
			p.SignOffs = append(p.SignOffs, evidence.SignOff{Group: r.Str(sm["group"]), By: r.Str(sm["by"]), When: r.Str(sm["when"]), Dangers: r.Strs(sm["dangers"])})
			for _, d := range r.Items(sm["dangers"]) {
				r.taxon(d)
			}
		}
	}
}

func (r *reader) specimen(n *yaml.Node) {
	m := r.Map(n, "id", "count", "joined-to", "stage", "log")
	r.Need(n, m, "id")
	s := evidence.Specimen{ID: r.Str(m["id"]), Count: r.Int(m["count"]), JoinedTo: r.Str(m["joined-to"])}
	r.find.Specimens = append(r.find.Specimens, s)
	if m["stage"] != nil {
		r.stage(m["stage"], s.ID)
	}
	for _, l := range r.Items(m["log"]) {
		r.line(l, s.ID)
	}
}

func (r *reader) stage(n *yaml.Node, specimen string) {
	var set guide.StageSet
	for _, it := range r.Items(n) {
		if i := r.Word(it, "stage", guide.Words("stage")); i >= 0 {
			set |= guide.NewStageSet(guide.Stage(i))
		}
	}
	r.put(evidence.Event{Kind: evidence.Staged, Specimen: specimen, Stages: set})
}

func (r *reader) put(ev evidence.Event) {
	r.seq++
	r.at += stepMS
	ev.Seq, ev.AtMS = r.seq, r.at
	r.find.Log = append(r.find.Log, ev)
}

// Number reads a measurement such as 12.5 cm, 30 mm or 5 in into a trait's unit.
func Number(text, unit string) (float64, error) {
	text = strings.TrimSpace(text)
	i := strings.IndexFunc(text, func(c rune) bool { return !(c >= '0' && c <= '9' || c == '.' || c == '-') })
	num, given := text, unit
	if i >= 0 {
		num, given = text[:i], strings.TrimSpace(text[i:])
	}
	v, err := strconv.ParseFloat(num, 64)
	if err != nil {
		return 0, fmt.Errorf("%q is not a number with a unit", text)
	}
	inCM := map[string]float64{"cm": 1, "mm": 0.1, "in": 2.54, "m": 100, "ft": 30.48}
	if given == unit {
		return v, nil
	}
	from, ok1 := inCM[given]
	to, ok2 := inCM[unit]
	if !ok1 || !ok2 {
		return 0, fmt.Errorf("a unit of %s is wanted here, not %q", unit, given)
	}
	return v * from / to, nil
}
