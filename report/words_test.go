package report

import (
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guidefile"
)

func writerOf(t *testing.T) *writer {
	t.Helper()
	ix, err := guidefile.LoadIndex(data.FS)
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
		o := w.obligation(&evidence.Obligation{Code: c, Trait: 1, Other: 2, Taxon: 0, N: 2, Spoilers: []evidence.Spoiler{evidence.TooFew}, Word: "allergies"})
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
		o := w.obligation(&evidence.Obligation{Code: evidence.CheckKey, Trait: 1, Other: -1, Taxon: -1, Kind: k})
		check(k.String(), o.Words, o.Do)
		if plain := w.obligation(&evidence.Obligation{Code: evidence.CheckKey, Trait: 1, Other: -1, Taxon: -1}); o.Words == plain.Words {
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

// A contradiction that adds no depth says why, and an entry that wants another
// part never shows its last thorn clipped.
func TestLedgerWords(t *testing.T) {
	w := writerOf(t)
	w.j = &evidence.Judgement{Readings: []evidence.Reading{{Trait: 3, Kind: evidence.Seen, Mask: 1, By: -1}}}
	e := w.entry(&evidence.Entry{Taxon: 0, Grade: guide.Deadly, Depth: 3, Need: 3, Thorns: 1, WantsPart: true, Steps: []evidence.Step{{Counted: false}}})
	if e.Words != "2 of 3" || !strings.Contains(e.Missing, "another part") || e.Steps[0].Note == "" {
		t.Errorf("%+v", e)
	}
	e = w.entry(&evidence.Entry{Taxon: 0, Grade: guide.Deadly, Depth: 2, Need: 3, RuledOut: true, DecisivePair: true})
	if e.Words != "two decisive" || e.Missing != "" {
		t.Errorf("%+v", e)
	}
}
