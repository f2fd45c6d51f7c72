package load_test

import (
	"encoding/csv"
	"fmt"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// facts holds the guide to a small language of assertions, see TestTradeFacts.
type facts struct {
	book   *guide.Guide
	cells  map[string]map[string]*guide.Cell
	traits map[string]*guide.Trait
	taxa   map[string]*guide.Taxon
}

func newFacts(t *testing.T) *facts {
	t.Helper()
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	f := &facts{book: b, taxa: map[string]*guide.Taxon{}}
	f.cells, f.traits = cellsOf(b)
	for i := range b.Taxa {
		f.taxa[b.Taxa[i].ID] = &b.Taxa[i]
	}
	return f
}

// TestTradeFacts: facts of the trade as executable assertions over the guide.
// They are common practice without a source: what gatherers tell one another.
// Where a fact is true only with a caveat, the caveat is what is asserted.
func TestTradeFacts(t *testing.T) {
	f := newFacts(t)
	rows := readCSV(t, "testdata/trade-facts.csv")
	ids := map[string]bool{}
	for _, r := range rows {
		if ids[r["id"]] {
			t.Errorf("%s stands twice", r["id"])
		}
		ids[r["id"]] = true
		for _, one := range strings.Split(r["holds"], ";") {
			if err := f.holds(strings.Fields(one)); err != nil {
				t.Errorf("%s (%s) %q: %v", r["id"], r["kind"], strings.TrimSpace(one), err)
			}
		}
	}
	if len(rows) < 150 {
		t.Errorf("%d facts, want at least 150", len(rows))
	}
}

// TestHandbookFactsFromMemory: values of named handbooks and papers, written down
// from memory. They are no outside check, since nobody looked at the page; they
// catch slips of the pen. The outside check is the open table of specimens in
// package evidence (its source and licence stand beside it).
func TestHandbookFactsFromMemory(t *testing.T) {
	f := newFacts(t)
	rows := readCSV(t, "testdata/handbook-from-memory.csv")
	taxa := map[string]bool{}
	for _, r := range rows {
		if f.taxa[r["taxon"]] != nil {
			taxa[r["taxon"]] = true
		}
		if !strings.HasSuffix(r["source"], "(from memory)") {
			t.Errorf("%s: say what it is: (from memory), or move it to a table of looked-up values", r["id"])
		}
		if err := f.holds(strings.Fields(r["holds"])); err != nil {
			t.Errorf("%s %s, %s: %q: %v", r["id"], r["taxon"], r["what"], r["holds"], err)
		}
	}
	if len(rows) < 120 || len(taxa) < 60 {
		t.Errorf("%d values over %d taxa, want 120 over 60", len(rows), len(taxa))
	}
}

// TestFloors: refusing everything is no way out.
func TestFloors(t *testing.T) {
	f := newFacts(t)
	var described []int
	uses := 0
	for i := range f.book.Taxa {
		x := &f.book.Taxa[i]
		d, documented := 0, 0
		for c := range x.Cells {
			has, said := false, false
			for v := range x.Cells[c].Variants {
				has = has || x.Cells[c].Variants[v].Kind == guide.Described
				said = said || x.Cells[c].Variants[v].Kind != guide.Unknown
			}
			if has {
				d++
			}
			if said {
				documented++
			}
		}
		described = append(described, d)
		if x.WorstHazard() > guide.NoHazard && documented < 25 {
			t.Errorf("%s documents %d traits, want at least 25", x.ID, documented)
		}
		for _, u := range x.Uses {
			if u.Stages != 0 {
				uses++
			}
		}
		if len(x.Windows) == 0 && x.Origin == "" {
			t.Errorf("%s has no window", x.ID)
		}
	}
	slices.Sort(described)
	if n := len(f.book.Taxa); n < 160 {
		t.Errorf("%d entries, want at least 160", n)
	}
	if n := len(f.book.Traits); n < 140 {
		t.Errorf("%d traits, want at least 140", n)
	}
	if m := described[len(described)/2]; m < 40 {
		t.Errorf("median of %d described cells, want at least 40", m)
	}
	if uses < 60 {
		t.Errorf("%d uses with a stage that may be gathered, want at least 60", uses)
	}
}

func readCSV(t *testing.T, file string) []map[string]string {
	t.Helper()
	fh, err := os.Open(file)
	if err != nil {
		t.Fatal(err)
	}
	defer fh.Close()
	all, err := csv.NewReader(fh).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	var out []map[string]string
	for _, r := range all[1:] {
		m := map[string]string{}
		for i, k := range all[0] {
			m[k] = r[i]
		}
		out = append(out, m)
	}
	return out
}

// frequency is the best frequency of a state in any described variant; denied
// reports that every described variant says never.
func (f *facts) frequency(taxon, trait, state string) (best guide.Frequency, denied bool, err error) {
	tr, c := f.traits[trait], f.cells[taxon][trait]
	if tr == nil || f.taxa[taxon] == nil {
		return 0, false, fmt.Errorf("no trait %q or no taxon %q", trait, taxon)
	}
	s, ok := tr.StateIndex(state)
	if !ok {
		return 0, false, fmt.Errorf("%s has no state %q", trait, state)
	}
	if c == nil {
		return 0, false, fmt.Errorf("%s does not document %s", taxon, trait)
	}
	denied, described := true, false
	for i := range c.Variants {
		if v := &c.Variants[i]; v.Kind == guide.Described {
			described = true
			best = max(best, v.Freq[s])
			denied = denied && guide.NeverMask(tr, v)&(1<<s) != 0
		}
	}
	return best, denied && described, nil
}

func (f *facts) each(w []string, ok func(best guide.Frequency, denied bool) bool) error {
	for _, state := range w[3:] {
		best, denied, err := f.frequency(w[1], w[2], state)
		if err != nil {
			return err
		}
		if !ok(best, denied) {
			return fmt.Errorf("%s is %v, denied %v", state, best, denied)
		}
	}
	return nil
}

// apart: some look at the trait that one of the two usually gives denies the other.
func (f *facts) apart(a, b, trait string) error {
	for _, pair := range [][2]string{{a, b}, {b, a}} {
		tr := f.traits[trait]
		for s := range tr.States {
			best, _, err := f.frequency(pair[0], trait, tr.States[s].ID)
			if err != nil {
				return err
			}
			_, denied, err := f.frequency(pair[1], trait, tr.States[s].ID)
			if err != nil {
				return err
			}
			if best >= guide.Usually && denied {
				return nil
			}
		}
	}
	return fmt.Errorf("nothing that one usually shows denies the other")
}

func (f *facts) rangeOf(taxon, trait string) (r [4]float64, err error) {
	c := f.cells[taxon][trait]
	if c == nil || f.traits[trait].Kind != guide.Measure {
		return r, fmt.Errorf("%s has no range of %s", taxon, trait)
	}
	return c.Variants[0].Range, nil
}

func (f *facts) holds(w []string) error {
	if len(w) == 0 {
		return fmt.Errorf("nothing is asserted")
	}
	no := func(ok bool, format string, a ...any) error {
		if ok {
			return nil
		}
		return fmt.Errorf(format, a...)
	}
	switch w[0] {
	case "usual":
		// At least one of the named states is usual.
		for _, state := range w[3:] {
			if best, _, err := f.frequency(w[1], w[2], state); err != nil {
				return err
			} else if best >= guide.Usually {
				return nil
			}
		}
		return fmt.Errorf("none of them is usual")
	case "shows":
		return f.each(w, func(best guide.Frequency, _ bool) bool { return best >= guide.Rarely })
	case "may":
		return f.each(w, func(_ guide.Frequency, denied bool) bool { return !denied })
	case "never":
		return f.each(w, func(_ guide.Frequency, denied bool) bool { return denied })
	case "same":
		if err := f.holds([]string{"shows", w[1], w[3], w[4]}); err != nil {
			return err
		}
		return f.holds([]string{"shows", w[2], w[3], w[4]})
	case "apart":
		return f.apart(w[1], w[2], w[3])
	case "range":
		r, err := f.rangeOf(w[1], w[2])
		lo, _ := strconv.ParseFloat(w[3], 64)
		hi, _ := strconv.ParseFloat(w[4], 64)
		return cmpOr(err, no(r[0] <= lo && hi <= r[3], "%g to %g lies outside %v", lo, hi, r))
	case "smaller":
		a, err := f.rangeOf(w[1], w[3])
		b, err2 := f.rangeOf(w[2], w[3])
		return cmpOr(err, err2, no(a[2] < b[2], "%v is not smaller than %v", a, b))
	case "class":
		return no(f.traits[w[1]].Class.String() == w[2], "it is %s", f.traits[w[1]].Class)
	case "losable":
		s, _ := f.traits[w[1]].StateIndex(w[2])
		return no(f.traits[w[1]].Losable&(1<<s) != 0, "not losable")
	case "whole":
		s, _ := f.traits[w[1]].StateIndex(w[2])
		return no(f.traits[w[1]].NeedsWhole&(1<<s) != 0, "counts on a torn base")
	case "leaves":
		return no(slices.Contains(f.traits[w[1]].Leaves, w[2]), "leaves nothing on the hands")
	case "stages":
		return no(slices.Equal(f.traits[w[1]].Stages.Strings(), w[2:]), "%v", f.traits[w[1]].Stages.Strings())
	case "saying":
		return no(slices.ContainsFunc(f.book.Sayings, func(s guide.Saying) bool { return s.ID == w[1] }), "no such saying")
	case "onset":
		i := slices.IndexFunc(f.book.Syndromes, func(s guide.Syndrome) bool { return s.ID == w[1] })
		return no(i >= 0 && strings.Contains(f.book.Syndromes[i].Onset, strings.Join(w[2:], " ")), "no such syndrome or window")
	case "no-raw-fungi":
		for i := range f.book.Taxa {
			for _, u := range f.book.Taxa[i].Uses {
				if f.book.Taxa[i].Kingdom == guide.Fungus && u.Preparation == "raw" {
					return fmt.Errorf("%s is eaten raw", f.book.Taxa[i].ID)
				}
			}
		}
		return nil
	}
	return f.ofTaxon(w, no)
}

// ofTaxon: what is said of an entry as a whole.
func (f *facts) ofTaxon(w []string, no func(bool, string, ...any) error) error {
	t := f.taxa[w[1]]
	if t == nil {
		return fmt.Errorf("no taxon %q", w[1])
	}
	switch w[0] {
	case "family":
		return no(strings.HasPrefix(t.Family, w[2]), "family %s", t.Family)
	case "name":
		return no(slices.ContainsFunc(t.Names, func(n guide.Name) bool { return strings.Contains(n.Text, w[2]) }), "names %v", t.Names)
	case "grade":
		g, _ := strconv.Atoi(w[2])
		return no(int(t.WorstHazard()) == g, "worst grade %d", t.WorstHazard())
	case "contact":
		return no(t.ContactHazard() > 0, "no contact hazard")
	case "hard":
		return no(slices.Contains(t.HardGroups, w[2]), "hard groups %v", t.HardGroups)
	case "like":
		return no(slices.ContainsFunc(t.Lookalikes, func(l guide.Lookalike) bool { return l.Taxon == w[2] }), "lookalikes %v", t.Lookalikes)
	case "region":
		return no(slices.Contains(t.Regions, w[2]), "regions %v", t.Regions)
	case "not-region":
		return no(!slices.Contains(t.Regions, w[2]), "regions %v", t.Regions)
	case "habitat":
		for _, h := range w[2:] {
			if !slices.Contains(t.Habitats, h) {
				return fmt.Errorf("habitats %v", t.Habitats)
			}
		}
		return nil
	case "syndrome":
		return no(slices.ContainsFunc(t.Hazards, func(h guide.Hazard) bool { return h.Syndrome == w[2] }), "hazards %v", t.Hazards)
	case "use":
		_, ok := t.UseFor(w[2], w[3])
		return no(ok, "no such use")
	case "caution":
		return no(slices.ContainsFunc(t.Cautions, func(c guide.Caution) bool { return c.Who == w[2] && c.Refuse }), "cautions %v", t.Cautions)
	case "window":
		st, _ := guide.ParseStage(w[2])
		for _, m := range w[3:] {
			month, _ := strconv.Atoi(m)
			if !slices.ContainsFunc(t.Windows, func(x guide.Window) bool { return x.Stages.Has(st) && x.Months&(1<<(month-1)) != 0 }) {
				return fmt.Errorf("not in month %d", month)
			}
		}
		return nil
	case "in":
		text := f.text(t, w[2])
		return no(strings.Contains(strings.ToLower(text), strings.ToLower(w[3])), "%q", text)
	}
	return fmt.Errorf("%q is no assertion", w[0])
}

// text is the prose of one field of an entry.
func (f *facts) text(t *guide.Taxon, field string) string {
	var out []string
	add := func(name string, s ...string) {
		if field == name || field == "any" {
			out = append(out, s...)
		}
	}
	add("summary", t.Summary)
	add("companions", t.Companions...)
	add("cues", t.Cues...)
	add("hosts", t.Hosts...)
	add("before", t.Before...)
	add("before-pick", t.BeforePick...)
	add("protection", t.Protection)
	for _, n := range t.NotGathered {
		add("not-gathered", n.Why)
	}
	for _, h := range t.Hazards {
		add("hazards", h.Why)
		add("help", h.Help)
	}
	for _, d := range t.Disputed {
		add("disputed", d.Here, strings.Join(d.Schools, " "))
	}
	for _, u := range t.Uses {
		add("quality", u.Quality...)
		add("harvest", u.Harvest...)
		add("note", u.Note)
	}
	for _, l := range t.Lookalikes {
		add("why", l.Why)
	}
	return strings.Join(out, " · ")
}

func cmpOr(errs ...error) error {
	for _, e := range errs {
		if e != nil {
			return e
		}
	}
	return nil
}
