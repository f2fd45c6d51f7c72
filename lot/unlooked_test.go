package lot_test

import (
	"errors"
	"testing"

	"zestythicket/lot"
)

// bagOf is a book with one bag of so many pieces of which some were looked at.
func bagOf(t *testing.T, pieces, checked int, each bool) *lot.Ledger {
	t.Helper()
	b := lot.New(lot.Standard())
	add(t, b, &lot.Event{Seq: 1, AtMS: 10, Kind: lot.Bagged, Lot: "B1", Find: "f", Taxon: "x", Part: "leaf", Gross: g("110"), Tare: g("10"), Pieces: pieces, Checked: checked, Each: each})
	return b
}

func add(t *testing.T, b *lot.Ledger, e *lot.Event) {
	t.Helper()
	if err := b.Add(e, nil, nothing, always); err != nil {
		t.Fatal(err)
	}
}

func nothing(*lot.Lot) []string          { return nil }
func always(*lot.Lot) (bool, lot.Reason) { return true, lot.Reason{} }
func heldFor(b *lot.Ledger, id string) bool {
	for _, l := range b.Lots() {
		l.Holds = nil
	}
	b.AddUnlookedHolds()
	return len(b.HoldsOn(id)) > 0
}

// A bag is held for every piece that nobody looked at, whatever was made of it, until
// each was looked at or thrown away; no word takes that hold off.
func TestUnlookedPiecesAreHeld(t *testing.T) {
	for name, c := range map[string]struct {
		pieces, checked int
		each, held      bool
	}{
		"forty, one looked at":         {40, 1, false, true},
		"forty, all looked at":         {40, 40, false, false},
		"not counted, nothing said":    {0, 0, false, true},
		"not counted, each looked at":  {0, 0, true, false},
		"a count is not outdone by it": {40, 1, true, true},
	} {
		if b := bagOf(t, c.pieces, c.checked, c.each); heldFor(b, "B1") != c.held {
			t.Errorf("%s: held %v", name, !c.held)
		}
	}
	b := bagOf(t, 40, 1, false)
	add(t, b, &lot.Event{Seq: 2, AtMS: 20, Kind: lot.Made, From: []lot.Portion{{Lot: "B1", Amount: g("50")}}, To: []lot.Portion{{Lot: "D1", Amount: g("50"), Form: "cooked"}}})
	if !heldFor(b, "B1") || !heldFor(b, "D1") {
		t.Error("what was made of a bag with unlooked pieces is not held")
	}
	b.AddUnlookedHolds()
	if err := b.Add(&lot.Event{Seq: 3, AtMS: 30, Kind: lot.Freed, Lot: "B1", By: "P", Why: "they look fine"}, nil, nothing, always); !errors.Is(err, lot.ErrHeld) {
		t.Errorf("freed by a word: %v", err)
	}
	if err := b.Add(&lot.Event{Seq: 3, AtMS: 30, Kind: lot.Threw, Lot: "B1", Amount: g("1"), Pieces: 41}, nil, nothing, always); !errors.Is(err, lot.ErrBalance) {
		t.Errorf("more pieces thrown away than there are: %v", err)
	}
	add(t, b, &lot.Event{Seq: 3, AtMS: 30, Kind: lot.Rechecked, Lot: "B1", Pieces: 40, Checked: 25})
	if !heldFor(b, "D1") {
		t.Error("twenty-five of forty are enough")
	}
	add(t, b, &lot.Event{Seq: 4, AtMS: 40, Kind: lot.Threw, Lot: "B1", Amount: g("20"), Pieces: 15})
	if heldFor(b, "B1") || heldFor(b, "D1") {
		t.Error("twenty-five looked at and fifteen thrown away: it is held")
	}
}

// A bag that lay in the same basket is not held for another's unlooked pieces: it has
// its own.
func TestUnlookedReachesDownOnly(t *testing.T) {
	b := lot.New(lot.Standard())
	for i, id := range []string{"B1", "B2"} {
		add(t, b, &lot.Event{Seq: int64(i + 1), AtMS: 10, Kind: lot.Bagged, Lot: id, Find: "f", Taxon: "x", Part: "leaf", Gross: g("110"), Tare: g("10"), Pieces: 10, Checked: 10 * i, Basket: "pail"})
	}
	if !heldFor(b, "B1") || heldFor(b, "B2") {
		t.Error("B1 should be held and B2 not")
	}
}

// A line that contradicts the others is set aside, and what comes behind it counts.
func TestReplayAllSetsAside(t *testing.T) {
	events := []lot.Event{
		{Seq: 1, AtMS: 10, Kind: lot.Bagged, Lot: "B1", Find: "f", Taxon: "x", Part: "leaf", Gross: g("110"), Tare: g("10"), Each: true},
		{Seq: 2, AtMS: 20, Kind: lot.Threw, Lot: "B1", Amount: g("60")},
		{Seq: 3, AtMS: 21, Kind: lot.Threw, Lot: "B1", Amount: g("60")}, // of another program
		{Seq: 4, AtMS: 22, Kind: lot.Threw, Lot: "nowhere", Amount: g("1")},
		{Seq: 5, AtMS: 30, Kind: lot.Threw, Lot: "B1", Amount: g("15")},
	}
	b, rejected := lot.ReplayAll(lot.Standard(), events)
	l, _ := b.Lot("B1")
	if len(rejected) != 2 || rejected[0].Event.Seq != 3 || rejected[1].Event.Seq != 4 || l.Left.String() != "25" || !b.Balance().IsZero() {
		t.Errorf("%d rejected, %s g left, %s too much", len(rejected), l.Left, b.Balance())
	}
}

// What protects somebody is taken down although a clock stands before the picking.
func TestClocksBehind(t *testing.T) {
	b := lot.New(lot.Standard())
	add(t, b, &lot.Event{Seq: 1, AtMS: 1000, PickedMS: 900, Kind: lot.Bagged, Lot: "B1", Find: "f", Taxon: "x", Part: "leaf", Gross: g("110"), Tare: g("10"), Each: true})
	for i, e := range []lot.Event{{Kind: lot.Held, Why: "a doubt"}, {Kind: lot.Freed, By: "P", Why: "told so"}, {Kind: lot.Threw, Amount: g("1")}, {Kind: lot.Felt, Person: "p", Outcome: "reaction"}} {
		e.Seq, e.AtMS, e.Lot = int64(i+2), 5, "B1"
		add(t, b, &e)
	}
}
