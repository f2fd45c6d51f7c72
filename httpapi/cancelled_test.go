package httpapi

import (
	"context"
	"testing"
)

// What one request could not read because it was cancelled is no damage: the next reads
// every line of the kitchen.
func TestACancelledRequestSetsNothingAside(t *testing.T) {
	r := lots(t)
	whole := len(r.book.Kitchen.Ledger().Events)
	if whole == 0 {
		t.Fatal("there are no lines to lose")
	}
	ended, end := context.WithCancel(context.Background())
	end()
	for range 2 {
		if k := r.book.With(ended).Kitchen.Ledger(); len(k.Aside) == 0 {
			t.Fatal("a request that has ended read the book all the same: nothing is tested")
		}
		if k := r.book.Kitchen.Ledger(); len(k.Aside) > 0 || len(k.Events) != whole {
			t.Errorf("%d lines of %d, and %v set aside", len(k.Events), whole, k.Aside)
		}
	}
}
