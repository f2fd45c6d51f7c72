// Package sampling says what looking at some items of a basket leaves unseen.
//
// A basket holds n items, bad of which are another kind. Whoever looks at k of
// them, drawn blindly, misses all the bad ones with the chance of the
// hypergeometric distribution at zero,
//
//	P(miss) = C(n-bad, k) / C(n, k)
//
// and after k looks without one failure can't exclude any number of bad items
// for which that chance is still more than one minus the confidence. Without
// end (n → ∞) the bound on their share nears 3/k at 95 %, the rule of three:
// Hanley and Lippman-Hand 1983, If nothing goes wrong, is everything all right?
// JAMA 249: 1743–1745.
//
// Baskets are not drawn blindly: what lies on top was picked last, and whoever
// looks picks the good ones out. The figures are what the best look could do.
package sampling

// MissProbability is the chance, 0 to 1, that a look at k of n items sees none of the bad
// ones. Out of range, the nearest sense is taken: a look at everything misses
// nothing, a look at nothing misses all.
func MissProbability(n, bad, k int) float64 {
	n = max(n, 0)
	bad, k = min(max(bad, 0), n), min(max(k, 0), n)
	if bad == 0 {
		return 1
	}
	p := 1.0
	// The product over the bad items of the chance that each lies outside the look.
	for i := range bad {
		left := n - k - i
		if left <= 0 {
			return 0
		}
		p *= float64(left) / float64(n-i)
	}
	return p
}

// UpperBound is the greatest number of bad items among n that k looks without a
// failure leave possible at a confidence between 0 and 1.
func UpperBound(n, k int, confidence float64) int {
	lo, hi := 0, max(0, n-max(k, 0)) // Missed falls as bad grows
	for lo < hi {
		mid := (lo + hi + 1) / 2
		if MissProbability(n, mid, k) > 1-confidence {
			lo = mid
		} else {
			hi = mid - 1
		}
	}
	return lo
}
