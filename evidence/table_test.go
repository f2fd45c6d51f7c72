package evidence

import (
	"bufio"
	"compress/gzip"
	"fmt"
	"math/rand/v2"
	"os"
	"strings"
	"testing"

	"zestythicket/guide"
)

// table is the open data set of testdata/mushroom (Schlimmer 1987, UCI Machine
// Learning Repository, doi 10.24432/C5959T): 8,124 specimens, 22 traits. It says
// nothing about real mushrooms; it is an outside check of the reckoning.
type table struct {
	traits []string
	states [][]string
	rows   []string // one letter a trait, the class left out; '.' is missing
	poison []bool
	box    []int // the presumed species of each row
	boxes  int
}

func readTable(t testing.TB) *table {
	t.Helper()
	tb := &table{}
	states, err := os.ReadFile("testdata/mushroom/states.txt")
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range strings.Split(strings.TrimSpace(string(states)), "\n")[1:] {
		f := strings.Fields(l)
		tb.traits, tb.states = append(tb.traits, f[0]), append(tb.states, f[1:])
	}
	file, err := os.Open("testdata/mushroom/rows.txt.gz")
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = file.Close() }()
	zip, err := gzip.NewReader(file)
	if err != nil {
		t.Fatal(err)
	}
	for sc := bufio.NewScanner(zip); sc.Scan(); {
		tb.poison = append(tb.poison, sc.Text()[0] == 'b')
		tb.rows = append(tb.rows, sc.Text()[1:])
	}
	tb.link()
	return tb
}

// link joins rows that differ in one trait: what hangs together is one box.
func (tb *table) link() {
	parent := make([]int, len(tb.rows))
	for i := range parent {
		parent[i] = i
	}
	var root func(i int) int
	root = func(i int) int {
		if parent[i] != i {
			parent[i] = root(parent[i])
		}
		return parent[i]
	}
	seen := map[string]int{}
	for i, r := range tb.rows {
		for k := range r {
			key := fmt.Sprint(k, r[:k], "*", r[k+1:])
			if j, ok := seen[key]; ok {
				parent[root(i)] = root(j)
			} else {
				seen[key] = i
			}
		}
	}
	number := map[int]int{}
	tb.box = make([]int, len(tb.rows))
	for i := range tb.rows {
		n, ok := number[root(i)]
		if !ok {
			n = len(number)
			number[root(i)] = n
		}
		tb.box[i] = n
	}
	tb.boxes = len(number)
}

// engine makes a guide of the boxes, from the rows that may be used, in the
// engine's ordinary types: every trait its own evidence group and structural,
// poisonous species graded so. A box left out, or without rows, is not in it.
func (tb *table) engine(t testing.TB, use func(row int) bool, leftOut int) (*Engine, []float64) {
	t.Helper()
	count := make([][][]int, tb.boxes) // box, trait, state
	size := make([]int, tb.boxes)
	poison := make([]bool, tb.boxes)
	for i, r := range tb.rows {
		b := tb.box[i]
		poison[b] = tb.poison[i]
		if b == leftOut || !use(i) {
			continue
		}
		if count[b] == nil {
			count[b] = make([][]int, len(tb.traits))
			for k := range count[b] {
				count[b][k] = make([]int, len(tb.states[k]))
			}
		}
		size[b]++
		for k := range r {
			if r[k] != '.' {
				count[b][k][r[k]-'a']++
			}
		}
	}
	book := &guide.Guide{Version: "table"}
	for k, id := range tb.traits {
		tr := guide.Trait{ID: id, Kingdom: guide.Fungus, Kind: guide.States, Class: guide.Structural, Part: guide.Part(1 + k%(guide.PartCount-1)), Handling: guide.Look,
			Stages: guide.AllFungusStages, Exclusive: true, Absent: -1}
		for _, s := range tb.states[k] {
			tr.States = append(tr.States, guide.State{ID: s, Label: s})
		}
		book.Traits = append(book.Traits, tr)
	}
	var prior []float64
	for b := range count {
		if size[b] == 0 {
			continue
		}
		tx := guide.Taxon{ID: fmt.Sprintf("box-%02d", b), Kingdom: guide.Fungus, Rank: "species", Scientific: fmt.Sprintf("Box %d", b), Stages: guide.AllFungusStages, Hazards: []guide.Hazard{{Grade: guide.NoHazard}}}
		if poison[b] {
			tx.Hazards[0].Grade = guide.Poisonous
		}
		for k := range count[b] {
			if v, ok := cellOf(count[b][k]); ok {
				tx.Cells = append(tx.Cells, guide.Cell{Trait: tb.traits[k], Variants: []guide.Variant{v}})
			}
		}
		book.Taxa = append(book.Taxa, tx)
		prior = append(prior, float64(size[b]))
	}
	ix, err := guide.Compile(book, guide.DefaultWeights())
	if err != nil {
		t.Fatal(err)
	}
	return New(ix, StandardDefaults()), prior
}

// cellOf turns counts into frequencies; what the box never shows is never.
func cellOf(count []int) (guide.Variant, bool) {
	total := 0
	for _, n := range count {
		total += n
	}
	v := guide.Variant{Stages: guide.AllFungusStages, Kind: guide.Described, Freq: make([]guide.Frequency, len(count))}
	for s, n := range count {
		switch share := float64(n) / float64(max(total, 1)); {
		case n == 0:
			v.Freq[s] = guide.Never
		case n == total:
			v.Freq[s] = guide.Always
		case share >= 0.5:
			v.Freq[s] = guide.Usually
		case share >= 0.1:
			v.Freq[s] = guide.Sometimes
		default:
			v.Freq[s] = guide.Rarely
		}
	}
	return v, total > 0
}

// look answers the traits of one specimen: each is seen with a chance, and wrong
// with a chance.
func (tb *table) look(row int, r *rand.Rand, seen, wrong float64) *Find {
	f := &Find{Intent: Eat, Kingdom: guide.Fungus, Specimens: []Specimen{{ID: "s"}}}
	f.Log = append(f.Log, Event{Seq: 1, Kind: Staged, Specimen: "s", Stages: guide.NewStageSet(guide.Mature)})
	for k := range tb.traits {
		c := tb.rows[row][k]
		if c == '.' || seen < 1 && r.Float64() >= seen {
			continue
		}
		s := int(c - 'a')
		if n := len(tb.states[k]); wrong > 0 && n > 1 && r.Float64() < wrong {
			s = (s + 1 + r.IntN(n-1)) % n
		}
		f.Log = append(f.Log, Event{Seq: int64(len(f.Log) + 1), AtMS: int64(len(f.Log)) * 60_000, Kind: Answered, Specimen: "s", Answer: Answer{Trait: tb.traits[k], Kind: Seen, States: []string{tb.states[k][s]}}})
	}
	return f
}

// cleared: at most one fact is one that the best-fitting edible species hardly ever
// gives, and weighed against it every poisonous one is ruled out. ruledOut is what the
// rule-outs alone would say.
func cleared(e *Engine, f *Find) (match, ruledOut bool) {
	t := e.trial(f, "s")
	odd := map[int32]bool{}
	for i := range t.voices {
		if x := &t.voices[i]; !x.silent && !x.lacking && x.target < e.def.SurpriseAt {
			odd[x.slot] = true
		}
	}
	return len(odd) <= 1 && len(t.open) == 0, len(t.open) == 0
}

// TestTableIsWhatIsKnownOfIt: counts from the repository's page, and the four
// published rules (Duch, Adamczak, Grąbczewski and others), from memory.
func TestTableIsWhatIsKnownOfIt(t *testing.T) {
	tb := readTable(t)
	edible, missing := 0, 0
	for i := range tb.rows {
		if !tb.poison[i] {
			edible++
		}
		missing += strings.Count(tb.rows[i], ".")
	}
	if len(tb.rows) != 8124 || edible != 4208 || missing != 2480 || len(tb.traits) != 22 {
		t.Errorf("%d rows, %d edible, %d missing, %d traits", len(tb.rows), edible, missing, len(tb.traits))
	}
	if tb.boxes != 23 {
		t.Errorf("%d boxes, want 23 presumed species", tb.boxes)
	}
	class := map[int]bool{}
	for i := range tb.rows {
		if was, ok := class[tb.box[i]]; ok && was != tb.poison[i] {
			t.Fatalf("box %d is both edible and poisonous", tb.box[i])
		}
		class[tb.box[i]] = tb.poison[i]
	}
	has := func(row int, trait string, states ...string) bool {
		for k := range tb.traits {
			if tb.traits[k] != trait || tb.rows[row][k] == '.' {
				continue
			}
			for _, s := range states {
				if tb.states[k][tb.rows[row][k]-'a'] == s {
					return true
				}
			}
		}
		return false
	}
	rules := []func(i int) bool{
		func(i int) bool { return !has(i, "odor", "almond", "anise", "none") },
		func(i int) bool { return has(i, "spore-print-color", "green") },
		func(i int) bool {
			return has(i, "odor", "none") && has(i, "stalk-surface-below-ring", "scaly") && !has(i, "stalk-color-above-ring", "brown")
		},
		func(i int) bool { return has(i, "habitat", "leaves") && has(i, "cap-color", "white") },
	}
	left := map[int]bool{}
	for i := range tb.rows {
		if tb.poison[i] {
			left[i] = true
		}
	}
	for n, want := range []int{120, 48, 8, 0} {
		for i := range tb.rows {
			if rules[n](i) {
				delete(left, i)
				if !tb.poison[i] {
					t.Errorf("rule %d calls an edible specimen poisonous", n+1)
				}
			}
		}
		if len(left) != want {
			t.Errorf("after rule %d, %d poisonous specimens are left, want %d", n+1, len(left), want)
		}
	}
}

// folds deals the rows into five.
func (tb *table) folds(r *rand.Rand) []int {
	out := make([]int, len(tb.rows))
	for n, i := range r.Perm(len(tb.rows)) {
		out[i] = n % 5
	}
	return out
}

// TestTableFiveFold: each trait seen with probability 0.8 and wrong with 2 %,
// boxes rebuilt from the training folds only.
func TestTableFiveFold(t *testing.T) {
	t.Parallel()
	if testing.Short() {
		t.Skip("slow")
	}
	tb := readTable(t)
	r := rand.New(rand.NewPCG(2026, 8124))
	const repeats = 8
	falseClears, poison, clears, edible := 0, 0, 0, 0
	for n := 0; n < repeats; n++ {
		fold := tb.folds(r)
		for k := 0; k < 5; k++ {
			e, _ := tb.engine(t, func(row int) bool { return fold[row] != k }, -1)
			for row := range tb.rows {
				if fold[row] != k {
					continue
				}
				ok, _ := cleared(e, tb.look(row, r, 0.8, 0.02))
				switch {
				case tb.poison[row]:
					poison++
					falseClears += boolInt(ok)
				default:
					edible++
					clears += boolInt(ok)
				}
			}
		}
	}
	t.Logf("false clears %d of %d poisonous draws; %.1f %% of %d edible draws cleared", falseClears, poison, 100*float64(clears)/float64(edible), edible)
	if poison < 30_000 || falseClears > 0 {
		t.Errorf("%d false clears in %d draws, at most 1 per 10,000 is allowed", falseClears, poison)
	}
	// By the first rules it was 95 %, with up to 3 false clears allowed; docs/calibration.md.
	if float64(clears) < 0.94*float64(edible) {
		t.Errorf("%d of %d edible draws were cleared, at least 94 %% are wanted", clears, edible)
	}
}

// TestTableLeftOut leaves one poisonous species out of the guide at a time, as
// something that no entry describes.
func TestTableLeftOut(t *testing.T) {
	t.Parallel()
	if testing.Short() {
		t.Skip("slow")
	}
	tb := readTable(t)
	r := rand.New(rand.NewPCG(4, 45))
	all := func(int) bool { return true }
	const repeats = 20
	exact, noisy, alone, draws, rows := 0, 0, 0, 0, 0
	byRepeat := make([]int, repeats)
	for box := 0; box < tb.boxes; box++ {
		var mine []int
		for row := range tb.rows {
			if tb.box[row] == box && tb.poison[row] {
				mine = append(mine, row)
			}
		}
		if len(mine) == 0 {
			continue
		}
		e, _ := tb.engine(t, all, box)
		for _, row := range mine {
			rows++
			ok, _ := cleared(e, tb.look(row, r, 1, 0))
			exact += boolInt(ok)
			for n := 0; n < repeats; n++ {
				ok, out := cleared(e, tb.look(row, r, 0.8, 0.02))
				draws++
				noisy += boolInt(ok)
				byRepeat[n] += boolInt(ok)
				alone += boolInt(out)
			}
		}
	}
	mean, spread := meanAndHalfWidth(byRepeat, rows)
	t.Logf("observed rightly: %d false clears of %d; at 0.8 and 2 %%: %.1f per 10,000 (95 %% interval ± %.1f, %d draws); rule-outs alone: %.1f %%", exact, rows, mean, spread, draws, 100*float64(alone)/float64(draws))
	if exact != 0 {
		t.Errorf("%d false clears though everything was observed rightly", exact)
	}
	if mean > 45 {
		t.Errorf("%.1f false clears per 10,000, at most 45 are allowed", mean)
	}
	if float64(alone) < 0.05*float64(draws) {
		t.Errorf("rule-outs alone cleared only %d of %d: the comparison says nothing", alone, draws)
	}
}

// TestTableNextCheck counts the checks that the product's own next-best-check
// code needs, without noise, five-fold, until every poisonous species is ruled out:
// costs uniform, no target, prior = the training shares.
func TestTableNextCheck(t *testing.T) {
	if testing.Short() {
		t.Skip("slow")
	}
	tb := readTable(t)
	fold := tb.folds(rand.New(rand.NewPCG(3, 40)))
	checks, specimens, stuck := 0, 0, 0
	for k := 0; k < 5; k++ {
		e, prior := tb.engine(t, func(row int) bool { return fold[row] != k }, -1)
		e = e.WithPrior(prior)
		d := &e.def
		d.IdentityBonus, d.IdentityNaming, d.CostTouch, d.CostCut, d.CostWait = 0, 0, 0, 0, 0
		asked := map[string]int32{} // by what was seen so far
		for row := range tb.rows {
			if fold[row] != k || tb.poison[row] {
				continue
			}
			specimens++
			n, ok := tb.follow(e, row, asked)
			checks += n
			stuck += boolInt(!ok)
		}
	}
	mean := float64(checks) / float64(specimens)
	t.Logf("%.2f checks on the mean over %d edible specimens; %d never came to an end", mean, specimens, stuck)
	// By the first rules, which asked for two contradictions, it was 3.3.
	if mean > 4.3 {
		t.Errorf("%.2f checks, at most 4.3 are wanted", mean)
	}
}

// follow makes the offered checks on a specimen until every poisonous species is ruled
// out.
func (tb *table) follow(e *Engine, row int, asked map[string]int32) (n int, ok bool) {
	f := &Find{Intent: Eat, Kingdom: guide.Fungus, Specimens: []Specimen{{ID: "s"}}}
	f.Log = append(f.Log, Event{Seq: 1, Kind: Staged, Specimen: "s", Stages: guide.NewStageSet(guide.Mature)})
	path := ""
	for ; n < len(tb.traits); n++ {
		next, known := asked[path]
		if !known {
			next = -1
			if tr := e.trial(f, "s"); len(tr.open) > 0 {
				next = tr.next().Trait
			} else {
				next = -2
			}
			asked[path] = next
		}
		if next == -2 {
			return n, true
		}
		if next < 0 {
			return n, false
		}
		c := tb.rows[row][next]
		path += fmt.Sprintf("%d%c ", next, c)
		a := Answer{Trait: tb.traits[next], Kind: CantTell}
		if c != '.' {
			a.Kind, a.States = Seen, []string{tb.states[next][c-'a']}
		}
		f.Log = append(f.Log, Event{Seq: int64(len(f.Log) + 1), AtMS: int64(len(f.Log)) * 60_000, Kind: Answered, Specimen: "s", Answer: a})
	}
	return n, false
}
