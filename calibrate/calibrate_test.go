package calibrate_test

import (
	"math/rand/v2"
	"testing"

	"zestythicket/calibrate"
	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
)

// A small run of the simulation: nothing deadly comes through, at twice the usual share
// of mistakes either; and most true plants do. make soak draws a thousand times as many
// and writes docs/calibration.md.
func TestSmall(t *testing.T) {
	ix, err := load.LoadIndex(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	e := evidence.New(ix, evidence.StandardDefaults())
	r := calibrate.Run(e, calibrate.Plan{PerPair: 12, Nearest: 3, PerUse: 4, Times: []float64{1, 2}}, rand.New(rand.NewPCG(2026, 12)).Float64)
	if r.Uses < 20 || r.Pairs < 100 {
		t.Fatalf("only %d uses and %d pairs", r.Uses, r.Pairs)
	}
	for _, x := range r.Tails {
		if x.Draws < 200 {
			t.Errorf("×%g, grade %d: only %d draws", x.Times, x.Grade, x.Draws)
		}
		if x.Grade == guide.Deadly && x.Over[len(x.Over)-1] > 0 {
			t.Errorf("×%g: %d of %d deadly specimens came through: %+v", x.Times, x.Over[len(x.Over)-1], x.Draws, r.Through)
		}
	}
	if s := r.True[guide.Plant]; s.Of*2 < s.Draws {
		t.Errorf("only %d of %d true plants were complete", s.Of, s.Draws)
	}
}

// No answer that a specimen may give rules out anything poisonous or deadly by itself.
func TestNoAnswerAlone(t *testing.T) {
	ix, err := load.LoadIndex(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	rows := calibrate.Answers(evidence.New(ix, evidence.StandardDefaults()))
	if len(rows) < 300 {
		t.Fatalf("only %d answers", len(rows))
	}
	for _, a := range rows {
		if a.RulesOutDanger > 0 {
			t.Errorf("%s/%s alone rules %d dangers out", ix.Book.Traits[a.Trait].ID, ix.Book.Traits[a.Trait].States[a.State].ID, a.RulesOutDanger)
		}
	}
}

// The interval agrees with a published example: 81 of 263 (Newcombe 1998, Statistics in
// Medicine 17, table of Wilson's method without continuity correction).
func TestWilson(t *testing.T) {
	low, high := calibrate.Wilson(81, 263)
	if low < 0.2552 || low > 0.2554 || high < 0.3661 || high > 0.3663 {
		t.Errorf("%.4f to %.4f, want 0.2553 to 0.3662", low, high)
	}
	if low, high = calibrate.Wilson(0, 20); low != 0 || high < 0.1610 || high > 0.1612 {
		t.Errorf("%.4f to %.4f, want 0 to 0.1611", low, high)
	}
}
