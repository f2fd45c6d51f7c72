package evidence

import "math"

// meanAndHalfWidth is the mean rate per 10,000 over repetitions of n draws each,
// with the half width of its 95 % interval (Student's t, 19 degrees of freedom
// for 20 repetitions: 2.093).
func meanAndHalfWidth(events []int, n int) (mean, half float64) {
	k := float64(len(events))
	for _, x := range events {
		mean += float64(x) / float64(n) * 1e4 / k
	}
	ss := 0.0
	for _, x := range events {
		d := float64(x)/float64(n)*1e4 - mean
		ss += d * d
	}
	return mean, 2.093 * math.Sqrt(ss/(k-1)/k)
}
