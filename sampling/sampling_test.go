package sampling

import (
	"math"
	"math/big"
	"testing"
)

// exact is the hypergeometric chance of none, by binomial coefficients in
// rational numbers.
func exact(n, bad, k int64) float64 {
	r := new(big.Rat).SetFrac(new(big.Int).Binomial(n-bad, k), new(big.Int).Binomial(n, k))
	f, _ := r.Float64()
	return f
}

func TestMissedAgainstBinomials(t *testing.T) {
	for n := int64(1); n <= 60; n += 7 {
		for bad := int64(0); bad <= n; bad++ {
			for k := int64(0); k <= n; k++ {
				if got, want := MissProbability(int(n), int(bad), int(k)), exact(n, bad, k); math.Abs(got-want) > 1e-12 {
					t.Fatalf("n %d, bad %d, k %d: %g, want %g", n, bad, k, got, want)
				}
			}
		}
	}
}

func TestAtMost(t *testing.T) {
	for n := 1; n <= 80; n += 3 {
		for k := 0; k <= n; k++ {
			want := 0 // the plain search
			for bad := 0; bad <= n-k; bad++ {
				if exact(int64(n), int64(bad), int64(k)) > 0.05 {
					want = bad
				}
			}
			if got := UpperBound(n, k, 0.95); got != want {
				t.Fatalf("n %d, k %d: at most %d, want %d", n, k, got, want)
			}
		}
	}
}

// Hanley and Lippman-Hand 1983 (from memory): after k looks without an event the
// 95 % bound on the share is about 3/k; it is 1 - 0.05^(1/k) for a population
// without end, 26 % for 10, 14 % for 20, 3.0 % for 100.
func TestRuleOfThree(t *testing.T) {
	const many = 1_000_000
	for k, share := range map[int]float64{10: 0.26, 20: 0.14, 100: 0.030} {
		got := float64(UpperBound(many, k, 0.95)) / many
		if math.Abs(got-share) > 0.005 {
			t.Errorf("k %d: bound %.4f, want about %.3f", k, got, share)
		}
		if want := 1 - math.Pow(0.05, 1/float64(k)); math.Abs(got-want) > 1e-4 {
			t.Errorf("k %d: bound %.5f, want %.5f", k, got, want)
		}
	}
}

func TestBounds(t *testing.T) {
	for _, c := range []struct {
		n, bad, k int
		want      float64
	}{{10, 1, 10, 0}, {10, 1, 0, 1}, {10, 0, 4, 1}, {0, 0, 0, 1}, {10, 20, 3, 0}, {10, -1, 3, 1}, {10, 1, -3, 1}, {10, 1, 99, 0}} {
		if got := MissProbability(c.n, c.bad, c.k); got != c.want {
			t.Errorf("%+v: %g", c, got)
		}
	}
}
