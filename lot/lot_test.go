package lot_test

import (
	"encoding/csv"
	"errors"
	"fmt"
	"os"
	"strconv"
	"strings"
	"testing"

	"zestythicket/lot"
	"zestythicket/quantity"
)

func g(s string) quantity.Amount {
	a, err := quantity.Parse(s)
	if err != nil {
		panic(err)
	}
	return a
}

// desk is a book with what tests say to it.
type desk struct {
	t     *testing.T
	b     *lot.Ledger
	log   []lot.Event
	seq   int64
	steps []string
	bad   map[string]string // bags whose second look does not stand, and why
}

func newDesk(t *testing.T) *desk {
	return &desk{t: t, b: lot.New(lot.Standard()), bad: map[string]string{}}
}

func (d *desk) try(e lot.Event) error {
	d.seq++
	e.Seq = d.seq
	err := d.b.Add(&e, nil, func(*lot.Lot) []string { return d.steps }, d.cleared)
	if err == nil {
		d.log = append(d.log, e)
	}
	return err
}

func (d *desk) cleared(bag *lot.Lot) (bool, lot.Reason) {
	return d.bad[bag.ID] == "", lot.Reason{Code: d.bad[bag.ID]}
}

func (d *desk) do(list ...lot.Event) {
	d.t.Helper()
	for _, e := range list {
		if err := d.try(e); err != nil {
			d.t.Fatal(err)
		}
	}
}

func (d *desk) refused(want error, words string, e lot.Event) {
	d.t.Helper()
	before := fmt.Sprint(d.b.Balance(), len(d.b.Lots()), len(d.b.Servings))
	err := d.try(e)
	if !errors.Is(err, want) || err != nil && !strings.Contains(err.Error(), words) {
		d.t.Errorf("%s %s: %v, want %v: …%s…", e.Kind, e.Lot, err, want, words)
	}
	if after := fmt.Sprint(d.b.Balance(), len(d.b.Lots()), len(d.b.Servings)); after != before {
		d.t.Errorf("a refused event changed the book: %s, then %s", before, after)
	}
}

func bag(id, find, grams string) lot.Event {
	return lot.Event{Kind: lot.Bagged, Lot: id, Find: find, Taxon: "t-" + find[:1], Part: "cap", Gross: g(grams).Add(g("12.5")), Tare: g("12.5"), PickedMS: 100, AtMS: 200}
}

func made(at int64, from []lot.Portion, to []lot.Portion, loss string) lot.Event {
	return lot.Event{Kind: lot.Made, AtMS: at, From: from, To: to, Loss: g(loss)}
}

func ate(id, who, grams string, at int64, first bool) lot.Event {
	return lot.Event{Kind: lot.Ate, Lot: id, Person: who, Amount: g(grams), AtMS: at, First: first, NoAlcohol: first}
}

// kitchen: a bag looked at twice, sampled, half of it cooked.
func kitchen(t *testing.T) *desk {
	d := newDesk(t)
	d.do(bag("A", "f1", "400"), lot.Event{Kind: lot.Looked, Lot: "A", By: "Sorrel", AtMS: 300}, lot.Event{Kind: lot.Sampled, Lot: "A", AtMS: 300},
		made(400, []lot.Portion{{Lot: "A", Amount: g("200")}}, []lot.Portion{{Lot: "B", Amount: g("150"), Form: "cooked"}}, "50"))
	return d
}

func TestWhatDoesNotAddUp(t *testing.T) {
	d := kitchen(t)
	d.refused(lot.ErrBalance, "net-not-positive", lot.Event{Kind: lot.Bagged, Lot: "N", Find: "f1", Taxon: "t", Gross: g("10"), Tare: g("12")})
	d.refused(lot.ErrBalance, "more-looked-at-than-pieces 5 4", func() lot.Event { e := bag("N", "f1", "10"); e.Pieces, e.Checked = 4, 5; return e }())
	d.refused(lot.ErrRepeated, "already", bag("A", "f1", "10"))
	d.refused(lot.ErrOrder, "bagged-before-picked", func() lot.Event { e := bag("N", "f1", "10"); e.PickedMS = 500; return e }())
	d.refused(lot.ErrBalance, "taken-more-than-left", made(500, []lot.Portion{{Lot: "A", Amount: g("200.000001")}}, []lot.Portion{{Lot: "N", Amount: g("200.000001"), Form: "dried"}}, "0"))
	d.refused(lot.ErrBalance, "in-is-not-out", made(500, []lot.Portion{{Lot: "A", Amount: g("100")}}, []lot.Portion{{Lot: "N", Amount: g("10"), Form: "dried"}}, "89.9"))
	d.refused(lot.ErrOrder, "made-before-part B", made(350, []lot.Portion{{Lot: "B", Amount: g("1")}}, []lot.Portion{{Lot: "N", Amount: g("1"), Form: "frozen"}}, "0"))
	d.refused(lot.ErrRepeated, "named-twice A", made(500, []lot.Portion{{Lot: "A", Amount: g("1")}, {Lot: "A", Amount: g("1")}}, []lot.Portion{{Lot: "N", Amount: g("2"), Form: "dried"}}, "0"))
	d.refused(lot.ErrUnknown, "no-such-lot", made(500, []lot.Portion{{Lot: "Z", Amount: g("1")}}, []lot.Portion{{Lot: "N", Amount: g("1"), Form: "dried"}}, "0"))
	d.refused(lot.ErrMissing, "no-such-form raw", made(500, []lot.Portion{{Lot: "A", Amount: g("1")}}, []lot.Portion{{Lot: "N", Amount: g("1"), Form: "raw"}}, "0"))
	d.refused(lot.ErrBalance, "more-than-left", lot.Event{Kind: lot.Threw, Lot: "B", Amount: g("150.1"), AtMS: 500})
	d.refused(lot.ErrOrder, "not-there-yet", ate("B", "Sorrel", "10", 399, true))
	d.refused(lot.ErrMissing, "why-corrected", lot.Event{Kind: lot.Corrected, Lot: "A", Amount: g("10"), AtMS: 500})
	// Two kinds are never one lot.
	d.do(bag("C", "x1", "50"))
	d.refused(lot.ErrBalance, "mixed-kinds", made(500, []lot.Portion{{Lot: "A", Amount: g("1")}, {Lot: "C", Amount: g("1")}}, []lot.Portion{{Lot: "N", Amount: g("2"), Form: "cooked"}}, "0"))
	if !d.b.Balance().IsZero() {
		t.Errorf("%s g too much", d.b.Balance())
	}
}

// The locks in front of a plate, one after the other.
func TestLocks(t *testing.T) {
	day := int64(24 * lot.HourMS)
	d := newDesk(t)
	d.steps = []string{"boil"}
	d.do(bag("A", "f1", "400"), made(400, []lot.Portion{{Lot: "A", Amount: g("200")}}, []lot.Portion{{Lot: "B", Amount: g("200"), Form: "cooked"}}, "0"))
	d.refused(lot.ErrNotYet, "second-look-not-made A", ate("B", "Sorrel", "10", 500, true))
	d.do(lot.Event{Kind: lot.Looked, Lot: "A", By: "Tansy", AtMS: 450})
	d.bad["A"] = "the print disagrees"
	d.refused(lot.ErrNotYet, "the print disagrees", ate("B", "Sorrel", "10", 500, true))
	delete(d.bad, "A")
	d.refused(lot.ErrNotYet, "boil", ate("B", "Sorrel", "10", 500, true))
	d.refused(lot.ErrUnknown, "no-such-step", lot.Event{Kind: lot.Did, Lot: "B", Step: "peel", AtMS: 500})
	d.do(lot.Event{Kind: lot.Began, Lot: "B", Step: "boil", AtMS: 500}, lot.Event{Kind: lot.Did, Lot: "B", Step: "boil", AtMS: 600})
	d.refused(lot.ErrNotYet, "taste-first", ate("B", "Sorrel", "10", 700, false))
	d.refused(lot.ErrNotYet, "taste-too-much", ate("B", "Sorrel", "20.1", 700, true))
	d.refused(lot.ErrNotYet, "no-raw-sample", ate("B", "Sorrel", "20", 700, true))
	d.do(lot.Event{Kind: lot.Sampled, Lot: "A", AtMS: 700})
	wine := ate("B", "Sorrel", "20", 700, true)
	wine.NoAlcohol = false
	d.refused(lot.ErrNotYet, "alcohol", wine)
	d.do(ate("B", "Sorrel", "20", 700, true))
	d.refused(lot.ErrNotYet, "another-tastes Sorrel", ate("B", "Tansy", "10", 800, true))
	d.refused(lot.ErrNotYet, "taste-running", ate("B", "Sorrel", "10", 800, true))
	d.refused(lot.ErrNotYet, "wait-not-over 24", lot.Event{Kind: lot.Felt, Lot: "B", Person: "Sorrel", Outcome: "nothing", AtMS: 700 + day - 1})
	// The wait over, nothing opens by itself: somebody has to say how it was.
	d.refused(lot.ErrNotYet, "taste-running", ate("B", "Sorrel", "50", 700+2*day, false))
	d.do(lot.Event{Kind: lot.Felt, Lot: "B", Person: "Sorrel", Outcome: "nothing", AtMS: 700 + day})
	d.do(ate("B", "Sorrel", "50", 700+2*day, false))
	d.refused(lot.ErrNotYet, "taste-first", ate("B", "Tansy", "50", 700+2*day, false)) // each by themselves
	d.do(ate("B", "Tansy", "10", 700+2*day, true))
	// Another new kind has to wait for this one.
	d.do(bag("X", "x1", "100"), lot.Event{Kind: lot.Looked, Lot: "X", By: "Sorrel", AtMS: 300}, lot.Event{Kind: lot.Sampled, Lot: "X", AtMS: 300}, lot.Event{Kind: lot.Did, Lot: "X", Step: "boil", AtMS: 300},
		made(800, []lot.Portion{{Lot: "X", Amount: g("50")}}, []lot.Portion{{Lot: "Y", Amount: g("50"), Form: "cooked"}}, "0"))
	d.refused(lot.ErrNotYet, "taste-running", ate("Y", "Tansy", "10", 700+2*day, true))
	d.refused(lot.ErrNotYet, "cooked", ate("X", "Sorrel", "10", 700+2*day, true)) // never raw
	// A dislike is no reaction.
	d.do(lot.Event{Kind: lot.Felt, Lot: "B", Person: "Tansy", Outcome: "dislike", AtMS: 700 + 4*day})
	d.do(ate("B", "Tansy", "10", 700+4*day, false))
	// A reaction is taken down at any time, holds everything, and stays with the person.
	d.do(lot.Event{Kind: lot.Felt, Lot: "B", Person: "Tansy", Outcome: "reaction", AtMS: 701 + 4*day})
	d.refused(lot.ErrHeld, "held: held", ate("B", "Sorrel", "10", 800+4*day, false))
	d.refused(lot.ErrHeld, "held", made(900+4*day, []lot.Portion{{Lot: "A", Amount: g("10")}}, []lot.Portion{{Lot: "N", Amount: g("10"), Form: "dried"}}, "0"))
	d.refused(lot.ErrMissing, "freed-by-whom", lot.Event{Kind: lot.Freed, Lot: "B", By: "Sorrel", AtMS: 900 + 4*day})
	d.do(lot.Event{Kind: lot.Freed, Lot: "B", By: "Sorrel", Why: "the poison service found a cold", AtMS: 900 + 4*day})
	d.do(ate("B", "Sorrel", "10", 1000+4*day, false))
	d.refused(lot.ErrHeld, "reacted", ate("B", "Tansy", "10", 1000+9*day, true))
	if !d.b.Ate("Tansy") || d.b.Ate("Rue") {
		t.Error("who ate is not known")
	}
}

// Steps count only when done to everything that went in.
func TestStepsAreDoneToAll(t *testing.T) {
	d := newDesk(t)
	d.steps = []string{"boil"}
	d.do(bag("A", "f1", "100"), bag("B", "f2", "100"), lot.Event{Kind: lot.Did, Lot: "A", Step: "boil", AtMS: 300},
		made(400, []lot.Portion{{Lot: "A", Amount: g("10")}}, []lot.Portion{{Lot: "C", Amount: g("10"), Form: "cooked"}}, "0"),
		made(400, []lot.Portion{{Lot: "A", Amount: g("10")}, {Lot: "B", Amount: g("10")}}, []lot.Portion{{Lot: "D", Amount: g("20"), Form: "cooked"}}, "0"))
	c, _ := d.b.Lot("C")
	m, _ := d.b.Lot("D")
	if len(c.Done) != 1 || len(m.Done) != 0 || !m.Mixed || c.Mixed {
		t.Errorf("C %v %v, D %v %v", c.Done, c.Mixed, m.Done, m.Mixed)
	}
}

func TestTwoScreens(t *testing.T) {
	d := kitchen(t)
	a, _ := d.b.Lot("A")
	seen := map[string]int64{"A": a.Rev}
	d.do(lot.Event{Kind: lot.Threw, Lot: "A", Amount: g("5"), AtMS: 500})
	e := lot.Event{Seq: 99, Kind: lot.Threw, Lot: "A", Amount: g("5"), AtMS: 500}
	if err := d.b.Add(&e, seen, func(*lot.Lot) []string { return nil }, d.cleared); !errors.Is(err, lot.ErrChanged) {
		t.Errorf("the second screen: %v", err)
	}
	if l, _ := d.b.Lot("A"); !l.Left.Equal(g("195")) {
		t.Errorf("%s g left", l.Left)
	}
}

// No time to keep is longer than the least that a leaflet gives for such food.
func TestHoldingTimes(t *testing.T) {
	f, err := os.Open("testdata/holding-times.csv")
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = f.Close() }()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil || len(rows) != 5 {
		t.Fatal(len(rows), err)
	}
	for _, r := range rows[1:] {
		least, err := strconv.Atoi(r[1])
		if err != nil {
			t.Fatal(err)
		}
		if ours := lot.Standard().ShelfLifeDays[r[0]]; ours <= 0 || ours > least {
			t.Errorf("%s keeps %d days here; %s", r[0], ours, r[2])
		}
	}
}

func TestYieldAndKeeping(t *testing.T) {
	d := newDesk(t)
	d.do(bag("A", "f1", "1000"), made(300, []lot.Portion{{Lot: "A", Amount: g("400")}}, []lot.Portion{{Lot: "B", Amount: g("40"), Form: "dried"}}, "360"),
		made(300, []lot.Portion{{Lot: "A", Amount: g("600")}}, []lot.Portion{{Lot: "C", Amount: g("80"), Form: "dried"}}, "520"))
	if r, n := lot.Yield(d.log, d.b, "t-f|cap", "dried"); n != 2 || r.String() != "0.12" {
		t.Errorf("%s of %d", r, n)
	}
	if _, n := lot.Yield(d.log, d.b, "t-f|cap", "frozen"); n != 0 {
		t.Error("a yield from nothing")
	}
	a, _ := d.b.Lot("A")
	if at, ok := d.b.UseBy(a); !ok || at != 100+2*24*lot.HourMS {
		t.Errorf("keeps to %d", at)
	}
}
