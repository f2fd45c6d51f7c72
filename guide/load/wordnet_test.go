package load_test

import (
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// tsv reads a table of tab-separated fields; lines that begin with # are remarks.
func tsv(t *testing.T, name string, fields int) (rows [][]string) {
	t.Helper()
	b, err := os.ReadFile(filepath.Join("testdata", "wordnet", name))
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range strings.Split(strings.TrimSpace(string(b)), "\n") {
		if strings.HasPrefix(l, "#") || l == "" {
			continue
		}
		f := strings.Split(l, "\t")
		if len(f) != fields {
			t.Fatalf("%s: %d fields, want %d: %q", name, len(f), fields, l)
		}
		rows = append(rows, f)
	}
	return rows
}

// letters drops what spelling adds to a name.
func letters(s string) string {
	return regexp.MustCompile(`[^a-z]`).ReplaceAllString(strings.ToLower(s), "")
}

// showsAny reports whether an entry, at some stage or in some form, shows one of some
// states; described is false where it says nothing of the trait.
func showsAny(b *guide.Guide, x *guide.Taxon, trait string, states []string) (shows, described bool) {
	i := slices.IndexFunc(b.Traits, func(t guide.Trait) bool { return t.ID == trait })
	see := func(cells []guide.Cell) {
		for _, c := range cells {
			for _, v := range c.Variants {
				if c.Trait != trait || v.Kind != guide.Described {
					continue
				}
				described = true
				for s, f := range v.Freq {
					shows = shows || f >= guide.Rarely && slices.Contains(states, b.Traits[i].States[s].ID)
				}
			}
		}
	}
	see(x.Cells)
	for _, f := range x.Forms {
		see(f.Cells)
	}
	return shows, described
}

// TestWordNet holds the guide against a general dictionary that nobody of us wrote:
// WordNet 3.0 (Fellbaum 1998; its licence lies beside the lines). Of each synset that
// bears a scientific name of an entry it takes the names, the family, whether it says
// poisonous or edible, and the features that its sentence states. What disagrees is
// listed with the reason, and a line of that list that agrees is an error too.
func TestWordNet(t *testing.T) {
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	explained := map[string]string{}
	for _, f := range tsv(t, "explained.tsv", 2) {
		explained[f[0]] = f[1]
	}
	families := map[string][]string{}
	for _, f := range tsv(t, "families.tsv", 2) {
		families[f[0]] = strings.Fields(f[1])
	}
	checks, used := 0, map[string]bool{}
	check := func(id string, holds bool, format string, a ...any) {
		checks++
		why, listed := explained[id]
		used[id] = true
		switch {
		case !holds && !listed:
			t.Errorf("%s: "+format, append([]any{id}, a...)...)
		case holds && listed:
			t.Errorf("%s agrees; take it off the list (%s)", id, why)
		}
	}
	poison := regexp.MustCompile(`\b(poisonous|poisoning|toxic|rash|irritating)\b`)
	food := regexp.MustCompile(`\b(edible|salad|eaten|cooked|jellies|used as greens)\b`)
	no := regexp.MustCompile(`inedible|differs from edible|sometimes edible`)
	features := tsv(t, "features.tsv", 4)
	for _, row := range tsv(t, "synsets.tsv", 6) {
		id, synset, lemmas, family, gloss := row[0], row[1], strings.Split(row[2], "|"), row[3], row[5]
		i := slices.IndexFunc(b.Taxa, func(x guide.Taxon) bool { return x.ID == id })
		if i < 0 {
			t.Errorf("%s is no entry", id)
			continue
		}
		x := &b.Taxa[i]
		key := func(what string) string { return id + " " + synset + " " + what }
		var ours []string
		genera := map[string]bool{}
		for _, n := range x.Names {
			ours = append(ours, letters(n.Text))
			if n.Kind != "common" {
				for _, w := range strings.Fields(n.Text) {
					genera[w] = w[0] < 'a' // not the epithet
				}
			}
		}
		known, english := false, 0
		for _, l := range lemmas {
			if genera[strings.Fields(l)[0]] {
				continue
			}
			english++
			p := letters(l)
			known = known || slices.ContainsFunc(ours, func(o string) bool { return o == p || strings.HasSuffix(o, p) || strings.HasSuffix(p, o) })
		}
		if english > 0 {
			check(key("name"), known, "none of %v is a name of the entry", lemmas)
		}
		if strings.HasSuffix(strings.Split(family, "|")[0], "eae") {
			same := slices.ContainsFunc(strings.Split(family, "|"), func(f string) bool {
				return strings.Contains(x.Family, f) || slices.ContainsFunc(families[f], func(today string) bool { return strings.HasPrefix(x.Family, today) })
			})
			check(key("family"), same, "family %s, the entry says %s", family, x.Family)
		}
		if poison.MatchString(gloss) {
			check(key("poison"), x.WorstHazard() >= guide.Poisonous, "%q, the worst hazard here is %s", gloss, x.WorstHazard())
		}
		if food.MatchString(gloss) && !no.MatchString(gloss) {
			ok := len(x.Uses) > 0 || slices.ContainsFunc(x.Hazards, func(h guide.Hazard) bool { return h.Grade <= guide.Unpleasant && !h.Contact })
			check(key("food"), ok, "%q, no part of it is graded as food here", gloss)
		}
		for _, f := range features {
			if f[3] != x.Kingdom.String() || !regexp.MustCompile(f[0]).MatchString(gloss) {
				continue
			}
			shows, described := showsAny(b, x, f[1], strings.Fields(f[2]))
			if described {
				check(key(f[1]+"/"+strings.Fields(f[2])[0]), shows, "%q, but %s is never or hardly one of %s", gloss, f[1], f[2])
			}
		}
	}
	for id := range explained {
		if !used[id] {
			t.Errorf("explained.tsv: %s is no check", id)
		}
	}
	if checks < 300 {
		t.Errorf("%d checks against WordNet, 300 and more are wanted", checks)
	}
	t.Logf("%d checks, %d of them disagree with a reason", checks, len(explained))
}
