package evidence_test

import (
	"encoding/csv"
	"flag"
	"fmt"
	"math"
	"os"
	"slices"
	"sort"
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

var update = flag.Bool("update", false, "write golden files anew")

const guideDoc = "../docs/guide.md"

// TestGuideDoc keeps docs/guide.md true: every count in it is worked out here.
func TestGuideDoc(t *testing.T) {
	t.Parallel()
	e := engineOf(t, "")
	text := guideDocText(t, e)
	if *update {
		if err := os.WriteFile(guideDoc, []byte(text), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	have, err := os.ReadFile(guideDoc)
	if err != nil {
		t.Fatal(err)
	}
	if string(have) != text {
		t.Errorf("%s is out of date; run go test ./evidence -run TestGuideDoc -update and read what changed", guideDoc)
	}
}

type pair struct {
	target, danger, stage string
	slack, by             int
}

func guideDocText(t *testing.T, e *evidence.Engine) string {
	b := e.Index().Book
	var w strings.Builder
	p := func(format string, a ...any) { fmt.Fprintf(&w, format+"\n", a...) }

	described, nevers, dangerNevers, decisive, inherited, readTwice := 0, 0, 0, 0, 0, 0
	twice := map[string]bool{}
	dangerous, twiceRead, formed := 0, 0, 0
	for i := range b.Taxa {
		x := &b.Taxa[i]
		for _, r := range x.Readings {
			twice[x.ID+" "+r.Cell.Trait] = true
		}
		if x.WorstHazard() < guide.Poisonous {
			continue
		}
		dangerous++
		if len(x.Readings) > 0 {
			twiceRead++
		} else {
			t.Errorf("%s was read once", x.ID)
		}
		if len(x.Forms) > 0 {
			formed++
		} else {
			t.Errorf("%s has no form", x.ID)
		}
	}
	var perEntry []int
	grades := [4]int{}
	for i := range b.Taxa {
		x := &b.Taxa[i]
		grades[x.WorstHazard()]++
		n := 0
		for c := range x.Cells {
			cell := &x.Cells[c]
			at, _ := e.Index().TraitAt(cell.Trait)
			has := false
			for v := range cell.Variants {
				if cell.Variants[v].Kind != guide.Described {
					continue
				}
				has = true
				for _, f := range cell.Variants[v].Freq {
					if f == guide.Never {
						nevers++
						if x.WorstHazard() >= guide.Poisonous {
							dangerNevers++
							if twice[x.ID+" "+cell.Trait] {
								readTwice++
							}
						}
					}
				}
				for s := range b.Traits[at].States {
					if cell.Variants[v].Decisive&(1<<s) != 0 {
						decisive++
					}
				}
			}
			if has {
				n++
				described++
				if cell.From != "" {
					inherited++
				}
			}
		}
		perEntry = append(perEntry, n)
	}
	slices.Sort(perEntry)
	uses := 0
	for i := range b.Taxa {
		uses += len(b.Taxa[i].Uses)
	}
	lines := e.Audit()
	anyone, door := map[string]bool{}, map[string]bool{}
	for _, l := range lines {
		key := fmt.Sprint(l.Taxon, l.Use.Part, l.Use.Preparation)
		anyone[key] = anyone[key] || !l.Refused && l.Holds
		door[key] = door[key] || !l.Refused && l.Taught
	}
	first, second := 0, 0
	for key := range anyone {
		switch {
		case anyone[key]:
			first++
		case door[key]:
			second++
		}
	}
	median := perEntry[len(perEntry)/2]
	if len(b.Taxa) < 300 || first < 140 || median < 45 {
		t.Errorf("%d entries, %d uses with an open stage, a median of %d cells: 300, 140 and 45 are the least", len(b.Taxa), first, median)
	}
	open, refused, closed := 0, 0, 0
	var shut []string
	seenClosed := map[string]bool{}
	var pairs []pair
	refusedStages := map[string]bool{}
	for _, l := range lines {
		if l.Refused {
			refused++
			refusedStages[fmt.Sprint(l.Taxon, l.Stage)] = true
			continue
		}
		if !l.Holds {
			closed++
			a := &l.Entries[0]
			key := fmt.Sprintf("%s, %s", b.Taxa[l.Taxon].Common, l.Stage)
			if !seenClosed[key] {
				seenClosed[key] = true
				shut = append(shut, fmt.Sprintf("- **%s**: %s, %.0f of %.0f", key, b.Taxa[a.Taxon].Common, math.Floor(a.Weight), a.Need))
			}
			continue
		}
		open++
		for _, en := range l.Entries {
			if en.Grade >= guide.Poisonous {
				pairs = append(pairs, pair{b.Taxa[l.Taxon].Common, b.Taxa[en.Taxon].Common, l.Stage.String(), int(en.Weight - en.Need), len(en.By)})
			}
		}
	}
	sort.SliceStable(pairs, func(i, j int) bool {
		a, c := pairs[i], pairs[j]
		if a.slack != c.slack {
			return a.slack < c.slack
		}
		if a.by != c.by {
			return a.by < c.by
		}
		return a.target+a.danger < c.target+c.danger
	})

	p("# The guide, counted")
	p("")
	p("Written by `go test ./evidence -run TestGuideDoc -update`; a test fails when a number here is no longer true.")
	p("")
	p("| | |\n|---|---|")
	p("| entries | %d: %d deadly, %d poisonous, %d unpleasant in some use, %d without a noted hazard |", len(b.Taxa), grades[3], grades[2], grades[1], grades[0])
	p("| traits | %d, with %d states |", len(b.Traits), countStates(b))
	p("| described cells | %d, median %d an entry; %d of them taken over from a profile of the family or growth form |", described, median, inherited)
	p("| *never* said outright | %d, of which %d on poisonous or deadly entries; %d decisive |", nevers, dangerNevers, decisive)
	p("| uses described | %d: %d with a stage that is open to anyone, %d more to who was taught its dangers in person |", uses, first, second)
	p("| poisonous and deadly entries | %d: %d read twice and more, %d with forms |", dangerous, twiceRead, formed)
	p("| audit lines (use, stage, continent) | %d: %d open, %d gathered by people and left by the rules, %d not gathered; stages not gathered: %d |", len(lines), open, closed, refused, len(refusedStages))
	p("| sayings refused | %d |", len(b.Sayings))
	p("| ways in which poisons work | %d |", len(b.Syndromes))
	p("")
	p("Of the %d *never* on poisonous and deadly entries, %d lie in cells that were read twice. The others were written once: most say that something is not built at all like another thing (a gilled cap has no pores, a fern no flowers), and they are the first to be read again.", dangerNevers, readTwice)
	p("")
	p("Everything here is from memory of the works named in the entries; nobody has looked at the pages. `confidence` says how sure the writer was. Held against a general dictionary, see `guide/load/wordnet_test.go`; what two audits contested, in `contested-claims.md`.")
	p("")
	p("## The ten weakest pairs")
	p("")
	p("Of all stages that may be gathered: the dangerous entries that stand nearest to being inseparable, by the evidence beyond what is needed (decibans, while the target looks as it usually does) and the number of looks that weigh ten or more.")
	p("")
	p("| target | danger | stage | to spare | looks that weigh ten |\n|---|---|---|---|---|")
	seen := map[string]bool{}
	shown := 0
	for _, x := range pairs {
		if key := x.target + x.danger; !seen[key] && shown < 10 {
			seen[key] = true
			shown++
			p("| %s | %s | %s | %d | %d |", x.target, x.danger, x.stage, x.slack, x.by)
		}
	}
	p("")
	p("## What is gathered, and left by the rules")
	p("")
	p("Uses that the guide describes and that anyone is told to leave, since something dangerous can't be told from them with the certainty that is asked; the pair that stands worst, and what stands against it of what is needed:")
	p("")
	for _, s := range shut {
		p("%s", s)
	}
	p("")
	effort(t, e, p)
	secondReadings(t, p)
	return w.String()
}

func countStates(b *guide.Guide) (n int) {
	for i := range b.Traits {
		n += len(b.Traits[i].States)
	}
	return n
}

// effort: how many answers a true observer needs, use by use.
func effort(t *testing.T, e *evidence.Engine, p func(string, ...any)) {
	type run struct {
		name string
		n    int
	}
	var runs []run
	open := opens(e)
	b := e.Index().Book
	for i := range b.Taxa {
		tx := &b.Taxa[i]
		for u := range tx.Uses {
			use := &tx.Uses[u]
			use.Stages.Each(func(st guide.Stage) {
				f := ready(e, tx, use, st)
				if !open(tx, use, st, f.Place.Region) {
					return
				}
				_, n := (&observer{e, tx, guide.NewStageSet(st)}).follow(f, 40)
				runs = append(runs, run{fmt.Sprintf("%s, %s %s, %s", tx.Common, use.Part, use.Preparation, st), n})
			})
		}
	}
	sort.SliceStable(runs, func(i, j int) bool { return runs[i].n > runs[j].n })
	p("## Answers that a true observer needs")
	p("")
	p("A scripted observer who answers truly and follows the offered checks reaches *Checks complete* for every use and stage that is open: %d of them, median %d answers. The worst ten:", len(runs), runs[len(runs)/2].n)
	p("")
	p("| use and stage | answers |\n|---|---|")
	for _, r := range runs[:10] {
		p("| %s | %d |", r.name, r.n)
	}
	p("")
}

// secondReadings publishes where the two readings of the guide disagreed.
func secondReadings(t *testing.T, p func(string, ...any)) {
	read := rows(t, "../guide/load/testdata/second-reading.csv")
	diff := rows(t, "../guide/load/testdata/second-reading-disagreements.csv")
	blind := 0
	taxa := map[string]bool{}
	for _, r := range read {
		taxa[r[0]] = true
		if r[4] == "yes" {
			blind++
		}
	}
	p("## The second reading")
	p("")
	p("%d values of key traits over %d poisonous or deadly entries were written a second time; %d of them blind, by somebody who had not seen the entry. The others were written trait by trait after their entry by the same hand, which is weaker, and is marked so in the table. Where the second reading saw what the first denied, the denial was taken back (*rarely*). Where the first saw what the second denied, the first stands. The disagreements:", len(read), len(taxa), blind)
	p("")
	p("| entry | trait: state (first, second) |\n|---|---|")
	last, line := "", []string{}
	flush := func() {
		if last != "" {
			p("| %s | %s |", last, strings.Join(line, "; "))
		}
	}
	for _, r := range diff {
		if r[0] != last {
			flush()
			last, line = r[0], nil
		}
		line = append(line, fmt.Sprintf("%s: %s (%s, %s)", r[1], r[2], r[3], r[4]))
	}
	flush()
}

func rows(t *testing.T, file string) [][]string {
	t.Helper()
	f, err := os.Open(file)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	all, err := csv.NewReader(f).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	return all[1:]
}
