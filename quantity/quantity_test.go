package quantity_test

import (
	"errors"
	"math/big"
	"strings"
	"testing"

	q "zestythicket/quantity"
)

func amount(t *testing.T, s string) q.Amount {
	t.Helper()
	a, err := q.Parse(s)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// NIST Special Publication 811 (2008), appendix B.8, and Handbook 44, appendix C
// (from memory): 1 lb = 453.592 37 g exactly, 1 oz = 28.349 523 125 g exactly, 1 US
// fluid ounce = 29.573 529 562 5 ml, 1 US cup = 236.588 236 5 ml. The volumes are
// worked out anew here: a gallon is 231 cubic inches of 2.54 cm.
func TestNISTFactors(t *testing.T) {
	inch := big.NewRat(254, 100)
	gallon := new(big.Rat).Mul(big.NewRat(231, 1), new(big.Rat).Mul(inch, new(big.Rat).Mul(inch, inch)))
	for unit, want := range map[string]*big.Rat{
		"lb": big.NewRat(45359237, 100000), "oz": new(big.Rat).Quo(big.NewRat(45359237, 100000), big.NewRat(16, 1)),
		"fl oz": new(big.Rat).Quo(gallon, big.NewRat(128, 1)), "cup": new(big.Rat).Quo(gallon, big.NewRat(16, 1)),
	} {
		got, _, err := q.In("1", unit)
		if err != nil || got.Rat().Cmp(want) != 0 {
			t.Errorf("1 %s is %s, want %s (%v)", unit, got, want.FloatString(10), err)
		}
	}
	for _, x := range []struct{ amount, unit, to, want string }{
		{"2.5", "lb", "kg", "1.134"}, {"1", "kg", "lb", "2.205"}, {"100", "g", "oz", "3.527"}, {"0,5", "l", "cup", "2.113"},
	} {
		g, _, err := q.In(x.amount, x.unit)
		if err != nil {
			t.Fatal(err)
		}
		if got, err := q.To(g, x.to, 3); err != nil || got != x.want {
			t.Errorf("%s %s is %s %s, want %s (%v)", x.amount, x.unit, got, x.to, x.want, err)
		}
	}
}

// What binary fractions lose stays whole.
// What was written of an exact amount is read as the same.
func TestExact(t *testing.T) {
	a := amount(t, "3.333333").Mul(amount(t, "28.349523"))
	if b, err := q.Exact(a.String()); err != nil || !b.Equal(a) {
		t.Errorf("%s read as %s, %v", a, b, err)
	}
	for _, bad := range []string{"", "-1", "1e9", "1,5", "100000001", "0.00000000000000000000000000000000000000001"} {
		if _, err := q.Exact(bad); !errors.Is(err, q.ErrAmount) {
			t.Errorf("%q was read: %v", bad, err)
		}
	}
}

func TestAddsUp(t *testing.T) {
	sum := q.Zero
	for range 1000 {
		sum = sum.Add(amount(t, "0.1"))
	}
	if sum.String() != "100" {
		t.Errorf("a thousand tenths are %s", sum)
	}
}

func TestRefused(t *testing.T) {
	for _, s := range []string{"", "-1", "1e9", "NaN", "ten", "1.2.3", "0.0000001", "100000001", "1,000,0", strings.Repeat("9", 30)} {
		if a, err := q.Parse(s); !errors.Is(err, q.ErrAmount) {
			t.Errorf("%q was read as %s", s, a)
		}
	}
	if _, _, err := q.In("3", "handfuls"); err == nil || !strings.Contains(err.Error(), "3 of what?") {
		t.Errorf("an unknown unit: %v", err)
	}
	if _, _, err := q.In("2.5", "pieces"); !errors.Is(err, q.ErrAmount) {
		t.Errorf("half a piece: %v", err)
	}
	if _, err := q.Scale(amount(t, "1"), q.Zero, amount(t, "2")); !errors.Is(err, q.ErrAmount) {
		t.Errorf("scaled from nothing: %v", err)
	}
}

// Worked examples. A tenth of 100 ml is 10 ml; 1 : 5 of 200 g is 1 litre; a
// recipe for four made for six; and the dry matter of raw white mushrooms (water
// 92.45 g in 100 g) that are dried until they hold 9.5 g in 100 g, as dried
// shiitake do: USDA FoodData Central, 169251 and 168436, from memory. A kilogram
// then leaves 83.4 g, the "about a tenth" of the drying leaflets.
func TestArithmetic(t *testing.T) {
	if got := q.ShareOf(amount(t, "100"), amount(t, "10")); got.String() != "10" {
		t.Errorf("10 %% of 100 ml is %s", got)
	}
	if got := q.Ratio(amount(t, "200"), amount(t, "5")); got.String() != "1000" {
		t.Errorf("1 : 5 of 200 g is %s ml", got)
	}
	if got, err := q.Scale(amount(t, "250"), amount(t, "4"), amount(t, "6")); err != nil || got.String() != "375" {
		t.Errorf("%s %v", got, err)
	}
	got, err := q.Dried(amount(t, "1000"), amount(t, "0.9245"), amount(t, "0.095"))
	if err != nil || got.Round(1).String() != "83.4" {
		t.Errorf("a kilogram leaves %s (%v)", got, err)
	}
	if _, err := q.Dried(amount(t, "1"), amount(t, "0.5"), amount(t, "1")); !errors.Is(err, q.ErrAmount) {
		t.Error("all water")
	}
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"1", "0.25", "12,5", "1e5", "-0", ".5", "5."} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		a, err := q.Parse(s)
		if err != nil {
			return
		}
		if a.IsNegative() || a.Exponent() < -q.Digits {
			t.Errorf("%q was read as %s", s, a)
		}
		if b, err := q.Parse(a.String()); err != nil || !b.Equal(a) {
			t.Errorf("%q: written %s, read %s (%v)", s, a, b, err)
		}
	})
}
