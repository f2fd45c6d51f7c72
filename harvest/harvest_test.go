package harvest_test

import (
	"errors"
	"testing"

	"zestythicket/harvest"
	"zestythicket/quantity"
)

func q(s string) quantity.Amount { a, _ := quantity.Parse(s); return a }

func TestRecommend(t *testing.T) {
	half := harvest.Stand{Here: 30, Share: q("0.5"), ShareWhy: "x"}
	for name, x := range map[string]struct {
		change func(s *harvest.Stand)
		want   int
		grams  string
		open   int
	}{
		"half":                      {func(*harvest.Stand) {}, 15, "0", 0},
		"odd is rounded down":       {func(s *harvest.Stand) { s.Here = 31 }, 15, "0", 0},
		"an estimate: the low end":  {func(s *harvest.Stand) { s.Estimated, s.Within = true, 10 }, 10, "0", 0},
		"an estimate of nothing":    {func(s *harvest.Stand) { s.Estimated, s.Within = true, 40 }, 0, "0", 0},
		"taken before counts along": {func(s *harvest.Stand) { s.Here, s.Taken = 24, 6 }, 9, "0", 0},
		"others first":              {func(s *harvest.Stand) { s.Others = 22 }, 8, "0", 0},
		"others want all":           {func(s *harvest.Stand) { s.Others = 50 }, 0, "0", 0},
		"a limit by weight":         {func(s *harvest.Stand) { s.EachGrams = q("40"); s.Limits = kg("0.5") }, 12, "480", 0},
		"less what was taken": {func(s *harvest.Stand) {
			s.EachGrams, s.Taken, s.TakenG = q("40"), 5, q("210")
			s.Limits = kg("0.5")
		}, 7, "280", 0},
		"by weight, nothing weighed": {func(s *harvest.Stand) { s.Limits = kg("0.5") }, 0, "0", 1},
		"a limit by pieces":          {func(s *harvest.Stand) { s.Limits = []harvest.Limit{{Kind: quantity.Count, Amount: q("4")}} }, 4, "0", 0},
		"a limit by volume is told":  {func(s *harvest.Stand) { s.Limits = []harvest.Limit{{Kind: quantity.Volume, Amount: q("1000")}} }, 15, "0", 1},
		"no more than needed":        {func(s *harvest.Stand) { s.Need = 3 }, 3, "0", 0},
		"over the limit already":     {func(s *harvest.Stand) { s.EachGrams, s.TakenG = q("10"), q("900"); s.Limits = kg("0.5") }, 0, "0", 0},
	} {
		s := half
		x.change(&s)
		a, err := harvest.Recommend(&s)
		if err != nil || a.Pieces != x.want || a.Grams.String() != x.grams || len(a.Open) != x.open {
			t.Errorf("%s: %+v %v, want %d pieces, %s g", name, a, err, x.want, x.grams)
		}
		// Each reason leaves no more than the one before it.
		for i := 2; i < len(a.Steps); i++ {
			if a.Steps[i].Pieces > a.Steps[i-1].Pieces {
				t.Errorf("%s: %+v", name, a.Steps)
			}
		}
	}
	for _, s := range []harvest.Stand{{Here: -1}, {Here: 1, Share: q("1.5")}, {Here: 1, Taken: -1}} {
		if _, err := harvest.Recommend(&s); !errors.Is(err, harvest.ErrCount) {
			t.Errorf("%+v was taken", s)
		}
	}
}

func kg(s string) []harvest.Limit {
	a, k, err := quantity.In(s, "kg")
	if err != nil {
		panic(err)
	}
	return []harvest.Limit{{Kind: k, Amount: a, Words: s + " kg"}}
}

func TestSorting(t *testing.T) {
	what := map[string]string{"good": "keep", "trim": "trim", "old": "leave", "frosted": "leave"}
	s, err := harvest.Sort(map[string]int{"good": 7, "trim": 2, "old": 3, "frosted": 1}, what)
	if err != nil || s != (harvest.Sorted{Kept: 7, Trimmed: 2, Left: 4}) {
		t.Errorf("%+v %v", s, err)
	}
	if _, err := harvest.Sort(map[string]int{"nice": 1}, what); !errors.Is(err, harvest.ErrCount) {
		t.Errorf("%v", err)
	}
	bands := map[string]float64{"trim": 0.2, "maggoty": 1, "good": 0}
	for share, want := range map[float64]string{0: "good", 0.1: "trim", 0.2: "trim", 0.21: "maggoty", 1: "maggoty"} {
		if got := harvest.Tunnelled(share, bands); got != want {
			t.Errorf("%g tunnelled is %s, want %s", share, got, want)
		}
	}
}
