package report

import (
	"math"
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

func writerOf(t *testing.T) *writer {
	t.Helper()
	ix, err := load.LoadIndex(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	return &writer{ix: ix, f: &evidence.Find{Intent: evidence.Eat}}
}

// Every code has its words and its next action, and none of them calls a find
// safe or shouts.
func TestEveryCodeHasWords(t *testing.T) {
	w := writerOf(t)
	check := func(what, words, do string) {
		t.Helper()
		if words == "" || do == "" {
			t.Errorf("%s: %q, %q", what, words, do)
		}
		if low := strings.ToLower(words + " " + do); strings.Contains(low, "safe") || strings.Contains(low, "!") || strings.Contains(low, "%!") {
			t.Errorf("%s: %q %q", what, words, do)
		}
	}
	for c := evidence.ChooseTarget; c.String() != "?"; c++ {
		o := w.obligation(&evidence.Requirement{Code: c, Trait: 1, Other: 2, Taxon: 0, N: 2, Spoilers: []evidence.Confounder{evidence.TooFew}, Word: "allergies"})
		check(o.Code, o.Words, o.Do)
	}
	for c := evidence.RefuseRaw; c.String() != "?"; c++ {
		r := w.refusal(&evidence.Refusal{Code: c, Taxon: 0, Trait: 1, Word: "kidney-stones"})
		check(r.Code, r.Words, r.Do)
	}
	for s := evidence.BaseNotWhole; s.String() != "?"; s++ {
		check(s.String(), spoilerWords[s][0], spoilerWords[s][1])
	}
	for v := evidence.NotYet; v.String() != "?"; v++ {
		check(v.String(), verdictWords[v][0], verdictWords[v][1])
	}
	for l := evidence.NotFood; l.String() != "?"; l++ {
		check(l.String(), leaveWords[l], "-")
	}
	for k := evidence.NotNow; k.String() != "?"; k++ {
		o := w.obligation(&evidence.Requirement{Code: evidence.CheckKey, Trait: 1, Other: -1, Taxon: -1, Kind: k})
		check(k.String(), o.Words, o.Do)
		if plain := w.obligation(&evidence.Requirement{Code: evidence.CheckKey, Trait: 1, Other: -1, Taxon: -1}); o.Words == plain.Words {
			t.Errorf("%s is said like a trait nobody looked at: %q", k, o.Words)
		}
	}
	for _, h := range evidence.HealthTopics {
		if healthWords[h] == "" {
			t.Errorf("no words for %s", h)
		}
	}
	if got := verdictWords[evidence.ChecksComplete][1]; !strings.Contains(got, "decision is yours") || !strings.Contains(got, "When in doubt, leave it") {
		t.Errorf("checks complete says %q", got)
	}
}

// An answer that adds nothing says why; what is needed never seems reached before it
// is, and an entry that wants another structural fact says so.
func TestLedgerWords(t *testing.T) {
	w := writerOf(t)
	w.j = &evidence.Judgement{Readings: []evidence.Reading{{Trait: 3, Kind: evidence.Seen, Mask: 1, By: -1}}}
	more := w.entry(&evidence.Exclusion{Form: -1, Grade: guide.Deadly, Weight: 64.97, Need: 65, Left: 0.03, Thorns: 1, Steps: []evidence.Step{{Strength: evidence.Fair}}})
	if more.Words != "64 of 65" || more.Missing == "" || more.Steps[0].Note == "" {
		t.Errorf("%+v", more)
	}
	fact := w.entry(&evidence.Exclusion{Form: -1, Grade: guide.Deadly, Weight: 70, Need: 65, Left: 10, Thorns: 1, WantsFact: true})
	if fact.Missing == "" || fact.Missing == more.Missing {
		t.Errorf("%+v", fact)
	}
	if e := w.entry(&evidence.Exclusion{Form: -1, Grade: guide.Deadly, Weight: 70, Need: 65, RuledOut: true}); e.Missing != "" {
		t.Errorf("%+v", e)
	}
}

// What passed a quick look is never taken for cleared, and what a spot check
// leaves unseen is said in figures.
func TestBasketWords(t *testing.T) {
	ix := &guide.Index{Book: &guide.Guide{}}
	f := &evidence.Find{Picked: 40}
	of := func(p evidence.Patch) Patch { return OfPatch(ix, f, &p) }
	open := of(evidence.Patch{Passed: 12, Unchecked: 28})
	if !strings.Contains(open.Words, "none of it is cleared") {
		t.Error(open.Words)
	}
	// C(39,12)/C(40,12) = 28/40; C(33,12)/C(40,12) = 0.0635… and C(32,12)/C(40,12) = 0.0404…
	if s := open.Spot; s == nil || math.Abs(s.MissOne-0.7) > 1e-12 || s.StillOdd != 7 {
		t.Errorf("%+v", s)
	}
	if s := of(evidence.Patch{Passed: 12, Failed: 1, Unchecked: 27, Mixed: true}).Spot; s == nil || s.StillOdd != 27 {
		t.Errorf("after a failure: %+v", s)
	}
	for _, p := range []evidence.Patch{{Passed: 40}, {Unchecked: 40}, {}} {
		if s := of(p).Spot; s != nil {
			t.Errorf("%+v: %+v", p, s)
		}
	}
}
