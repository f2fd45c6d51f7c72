package load_test

import (
	"encoding/csv"
	"os"
	"strings"
	"testing"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// reading is one value of the second reading: the states that the taxon may
// show at some stage, and those that its writer would swear it never shows.
type reading struct {
	taxon, trait string
	shows, never []string
	blind        bool
}

func secondReading(t *testing.T) []reading {
	t.Helper()
	f, err := os.Open("testdata/second-reading.csv")
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	var out []reading
	for _, r := range rows[1:] {
		out = append(out, reading{r[0], r[1], strings.Fields(r[2]), strings.Fields(r[3]), r[4] == "yes"})
	}
	return out
}

// Every never on a dangerous entry was read twice: once when the entry was
// drafted, and once from a table of values written without the entry at hand.
// No never of the guide may deny a state that the second reading saw.
func TestNoNeverThatTheSecondReadingSaw(t *testing.T) {
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	cells, traits := cellsOf(b)
	read, blind := 0, 0
	for _, r := range secondReading(t) {
		tr, c := traits[r.trait], cells[r.taxon][r.trait]
		if tr == nil || cells[r.taxon] == nil {
			t.Errorf("%s/%s: no such trait or taxon", r.taxon, r.trait)
			continue
		}
		read++
		if r.blind {
			blind++
		}
		if c == nil {
			continue
		}
		// A state is denied when every described stage denies it.
		denied := ^uint32(0)
		described := false
		for i := range c.Variants {
			if c.Variants[i].Kind == guide.Described {
				described = true
				denied &= guide.NeverMask(tr, &c.Variants[i])
			}
		}
		for _, s := range r.shows {
			if i, ok := tr.StateIndex(s); !ok {
				t.Errorf("%s/%s: no state %q", r.taxon, r.trait, s)
			} else if described && denied&(1<<i) != 0 {
				t.Errorf("%s/%s: the guide says never %s, the second reading saw it", r.taxon, r.trait, s)
			}
		}
		for _, s := range r.never {
			i, ok := tr.StateIndex(s)
			if !ok {
				t.Errorf("%s/%s: no state %q", r.taxon, r.trait, s)
				continue
			}
			if os.Getenv("SECOND_READING") != "" && described {
				for vi := range c.Variants {
					v := &c.Variants[vi]
					if v.Kind == guide.Described && v.Freq[i] > guide.Never {
						t.Logf("SEEN %s/%s: the guide shows %s (%v), the second reading says never", r.taxon, r.trait, s, v.Freq[i])
					}
				}
			}
		}
	}
	if read < 1300 || blind < 600 {
		t.Errorf("%d values read twice, %d of them blind; the table has been cut short", read, blind)
	}
}

func cellsOf(b *guide.Guide) (map[string]map[string]*guide.Cell, map[string]*guide.Trait) {
	cells := map[string]map[string]*guide.Cell{}
	for i := range b.Taxa {
		m := map[string]*guide.Cell{}
		for c := range b.Taxa[i].Cells {
			m[b.Taxa[i].Cells[c].Trait] = &b.Taxa[i].Cells[c]
		}
		cells[b.Taxa[i].ID] = m
	}
	traits := map[string]*guide.Trait{}
	for i := range b.Traits {
		traits[b.Traits[i].ID] = &b.Traits[i]
	}
	return cells, traits
}
