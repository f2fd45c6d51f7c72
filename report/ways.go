package report

import (
	"fmt"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// Lead is one of the two ways of a couplet.
type Lead struct {
	States []string `json:"states"`
	Words  string   `json:"words"`
	Keeps  int      `json:"keeps" doc:"Entries still allowed that this way keeps"`
}

// Couplet is one question of the key.
type Couplet struct {
	Trait TraitRef `json:"trait"`
	Ask   string   `json:"ask"`
	How   string   `json:"how"`
	Leads []Lead   `json:"leads"`
}

// KeyStep is one couplet that was walked.
type KeyStep struct {
	Trait TraitRef   `json:"trait"`
	Seq   int64      `json:"seq"`
	Words string     `json:"words"`
	Left  int        `json:"left"`
	Fell  []TaxonRef `json:"fell"`
	Both  bool       `json:"both" doc:"Both ways are kept: it can rule nothing out"`
}

// KeyLeft is an entry that the key still allows.
type KeyLeft struct {
	TaxonRef
	Grade     int    `json:"grade" doc:"Its gravest hazard"`
	GradeWord string `json:"gradeWord"`
}

// Key is a key walked couplet by couplet.
type Key struct {
	Steps []KeyStep `json:"steps"`
	Left  []KeyLeft `json:"left"`
	Next  *Couplet  `json:"next,omitempty"`
	Words string    `json:"words"`
}

// OfKey writes a key.
func OfKey(ix *guide.Index, f *evidence.Find, j *evidence.Judgement, k *evidence.Key) Key {
	w := writer{ix: ix, f: f, j: j}
	out := Key{Steps: []KeyStep{}, Left: []KeyLeft{}}
	for i := range k.Steps {
		s := &k.Steps[i]
		r := &j.Readings[s.Reading]
		step := KeyStep{Trait: w.trait(r.Trait), Seq: r.Seq, Words: w.readingWords(r), Left: s.Left, Both: s.Both, Fell: []TaxonRef{}}
		for _, t := range s.Fell {
			step.Fell = append(step.Fell, w.taxon(t))
		}
		out.Steps = append(out.Steps, step)
	}
	for _, t := range k.Left {
		g := ix.Worst[t]
		out.Left = append(out.Left, KeyLeft{w.taxon(t), int(g), g.String()})
	}
	if at := k.Next.Trait; at >= 0 {
		tr := &ix.Book.Traits[at]
		c := Couplet{Trait: w.trait(at), Ask: tr.Ask, How: tr.How}
		for _, l := range k.Next.Leads {
			ids, labels := w.states(at, l.States)
			c.Leads = append(c.Leads, Lead{ids, strings.Join(labels, ", or "), l.Keeps})
		}
		out.Next = &c
	}
	switch {
	case len(out.Left) == 0:
		out.Words = "Nothing in this guide fits all that was seen. Look again at what let most entries fall, or it is something that is not in this guide."
	case out.Next == nil && len(out.Left) > 1:
		out.Words = fmt.Sprintf("%d entries are left, and nothing that can be looked at now parts them further.", len(out.Left))
	case len(out.Left) == 1:
		out.Words = "One entry of this guide is left. A key ends in a name, not in a verdict: it rests on single looks, and knows only what is in the guide."
	default:
		out.Words = fmt.Sprintf("%d entries are left.", len(out.Left))
	}
	return out
}

func (w *writer) states(trait int32, mask uint32) (ids, labels []string) {
	ids = []string{}
	tr := &w.ix.Book.Traits[trait]
	for s := range tr.States {
		if mask&(1<<s) != 0 {
			ids, labels = append(ids, tr.States[s].ID), append(labels, tr.States[s].Label)
		}
	}
	return ids, labels
}

// Tick is one line of a checklist.
type Tick struct {
	Trait     TraitRef   `json:"trait"`
	Key       bool       `json:"key"`
	First     bool       `json:"first" doc:"It can't be had after picking"`
	Want      []string   `json:"want" doc:"States that the target shows at least sometimes"`
	WantWords string     `json:"wantWords"`
	Range     []float64  `json:"range" doc:"Of a measure: extreme low, typical low, typical high, extreme high"`
	State     string     `json:"state" enum:"open,fits,rare,against,shaky,no-reading,conflicting"`
	Seq       int64      `json:"seq,omitempty"`
	Words     string     `json:"words"`
	Parts     []TaxonRef `json:"parts" doc:"Named dangerous lookalikes that this line tells from the target"`
	Shared    []TaxonRef `json:"shared" doc:"Those that it does not tell from the target"`
}

// Checklist is what has to fit for the target.
type Checklist struct {
	Target *TaxonRef `json:"target,omitempty"`
	Ticks  []Tick    `json:"ticks"`
	Words  string    `json:"words"`
}

// OfChecklist writes a checklist.
func OfChecklist(ix *guide.Index, f *evidence.Find, j *evidence.Judgement, ticks []evidence.Tick) Checklist {
	w := writer{ix: ix, f: f, j: j}
	out := Checklist{Ticks: []Tick{}}
	if at, ok := ix.TaxonAt(f.Target); ok {
		out.Target = w.taxonPtr(at)
	}
	fit, keys := 0, 0
	for i := range ticks {
		t := w.tick(&ticks[i])
		if t.Key {
			keys++
			if t.State == "fits" {
				fit++
			}
		}
		out.Ticks = append(out.Ticks, t)
	}
	switch {
	case out.Target == nil:
		out.Words = "A checklist needs a target: say what you hope it is."
	case len(j.Stages.Strings()) == 0:
		out.Words = "State the stage first; what has to fit depends on it."
	default:
		out.Words = fmt.Sprintf("%d of %d key traits seen soundly and fitting. A full list is a match, and not yet a rule-out: the dangers are counted apart.", fit, keys)
	}
	return out
}

func (w *writer) tick(t *evidence.Tick) Tick {
	out := Tick{Trait: w.trait(t.Trait), Key: t.Key, First: t.First, Range: []float64{}, Parts: []TaxonRef{}, Shared: []TaxonRef{}, State: "open", Words: "not looked at"}
	var labels []string
	out.Want, labels = w.states(t.Trait, t.Want)
	out.WantWords = strings.Join(labels, ", or ")
	tr := &w.ix.Book.Traits[t.Trait]
	if tr.Kind == guide.Measure {
		out.Range = append(out.Range, t.Range[:]...)
		out.WantWords = fmt.Sprintf("%.3g to %.3g %s", t.Range[1], t.Range[2], tr.Unit)
	}
	for _, x := range t.Parts {
		out.Parts = append(out.Parts, w.taxon(x))
	}
	for _, x := range t.Shared {
		out.Shared = append(out.Shared, w.taxon(x))
	}
	if t.Reading < 0 {
		return out
	}
	r := &w.j.Readings[t.Reading]
	out.Seq, out.Words = r.Seq, w.readingWords(r)
	switch {
	case r.Soundness == evidence.Mute:
		out.State = "no-reading"
	case r.Soundness == evidence.Conflicting:
		out.State = "conflicting"
	case r.Soundness == evidence.Shaky:
		out.State = "shaky"
	case t.Against:
		out.State = "against"
	case t.Fits:
		out.State = "fits"
	default:
		out.State = "rare"
	}
	return out
}

// Carried is a smell that something carries.
type Carried struct {
	On    string `json:"on" enum:"hands,gloves,blade"`
	Smell string `json:"smell"`
	Seq   int64  `json:"seq,omitempty" doc:"The line that put it there; 0 if it was there when the find began"`
}

// ContaminatedTest is a smell test that no longer counts for some answers.
type WornTest struct {
	Trait TraitRef `json:"trait"`
	With  string   `json:"with"`
	Void  []string `json:"void" doc:"States that would be shaky"`
	Words string   `json:"words"`
}

// Carryover is what the outing did to the tests.
type Wear struct {
	Carried []Carried  `json:"carried"`
	Tests   []WornTest `json:"tests"`
	Words   string     `json:"words"`
	Do      string     `json:"do"`
}

// OfWear writes what is worn.
func OfWear(ix *guide.Index, f *evidence.Find, wear *evidence.Carryover) Wear {
	w := writer{ix: ix, f: f}
	out := Wear{Carried: []Carried{}, Tests: []WornTest{}, Words: "Hands, gloves and blade are clean as far as was said. The first smell counts."}
	var what []string
	for _, c := range wear.Carried {
		out.Carried = append(out.Carried, Carried{c.On, c.Smell, c.Seq})
		what = append(what, c.Smell+" on the "+c.On)
	}
	for i := range wear.Tests {
		t := &wear.Tests[i]
		ids, labels := w.states(t.Trait, t.Void)
		out.Tests = append(out.Tests, WornTest{w.trait(t.Trait), t.With, ids, strings.Join(labels, ", ")})
	}
	if len(what) > 0 {
		out.Words = "There is " + strings.Join(unique(what), ", ") + "."
		out.Do = "Clean with soap or sand and water and say so, put on fresh gloves, or wipe the blade; then crush one piece of this one alone. A smell on the hands gets through gloves too."
	}
	return out
}

func unique(list []string) []string {
	var out []string
	seen := map[string]bool{}
	for _, s := range list {
		if !seen[s] {
			seen[s] = true
			out = append(out, s)
		}
	}
	return out
}

// Usual is what an entry usually shows of a trait.
type Usual struct {
	Trait  string   `json:"trait"`
	States []string `json:"states"`
}

// Likeness is one entry held beside the specimen as a whole.
type Likeness struct {
	Taxon     TaxonRef   `json:"taxon"`
	Grade     int        `json:"grade"`
	GradeWord string     `json:"gradeWord"`
	Target    bool       `json:"target"`
	Open      bool       `json:"open" doc:"Dangerous here, and not ruled out"`
	Share     float64    `json:"share"`
	Usual     []Usual    `json:"usual"`
	Differs   []string   `json:"differs" doc:"Readings that contradict it, in words"`
	Alike     []string   `json:"alike"`
	Silent    []string   `json:"silent" doc:"Readings of which it says neither"`
	Unlooked  []TraitRef `json:"unlooked" doc:"What to look at to tell it from the others"`
}

// OfLikenesses writes the entries held beside a specimen.
func OfLikenesses(ix *guide.Index, f *evidence.Find, j *evidence.Judgement, list []evidence.Likeness) []Likeness {
	w := writer{ix: ix, f: f, j: j}
	out := []Likeness{}
	open := map[int32]bool{}
	for i := range j.Exclusions {
		open[j.Exclusions[i].Taxon] = !j.Exclusions[i].RuledOut
	}
	words := func(readings []int32) []string {
		say := []string{}
		for _, r := range readings {
			say = append(say, ix.Book.Traits[j.Readings[r].Trait].Name+": "+w.readingWords(&j.Readings[r]))
		}
		return say
	}
	for i := range list {
		l := &list[i]
		g := ix.Worst[l.Taxon]
		x := Likeness{Taxon: w.taxon(l.Taxon), Grade: int(g), GradeWord: g.String(), Target: ix.Book.Taxa[l.Taxon].ID == f.Target, Open: open[l.Taxon], Share: l.Share,
			Usual: []Usual{}, Differs: words(l.Differs), Alike: words(l.Alike), Silent: words(l.Silent), Unlooked: []TraitRef{}}
		for _, u := range l.Usual {
			ids, _ := w.states(u.Trait, u.States)
			x.Usual = append(x.Usual, Usual{ix.Book.Traits[u.Trait].ID, ids})
		}
		for _, u := range l.Unlooked {
			x.Unlooked = append(x.Unlooked, w.trait(u))
		}
		out = append(out, x)
	}
	return out
}
