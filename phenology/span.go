package phenology

import "math"

// Edge is a day of the year that is known to a spread.
type Edge struct {
	At float64 // ordinal, 1 ≤ At < 366
	Sd float64 // days
}

// Step is one thing that moved a span. Code is one of other-half, law, first-seen,
// degree-days, by-hand; the package words says it in words.
type Step struct {
	Code      string
	Law       string // of law: which
	Stretched bool   // of law: beyond where it holds
	// Open and Close are the days by which it moved the edges.
	Open, Close float64
}

// Span is when something is up.
type Span struct {
	Open, Close Edge
	AllYear     bool
	Steps       []Step
}

// Defaults of the reckoning: our own unless a source is named. All in days.
type Defaults struct {
	MonthSd    float64 // spread of an edge that is known to the month only
	ShiftShare float64 // spread of a shift by a law, as a share of the shift
	YearSd     float64 // how far a year runs early or late, when it is not known
	SeenSd     float64 // how far a first-seen day is from the first day
	WeatherSd  float64 // spread of a year's offset in degree days
	OutsideLaw float64 // added where a law is stretched
}

// StandardDefaults are the defaults.
func StandardDefaults() Defaults {
	return Defaults{MonthSd: 10, ShiftShare: 0.35, YearSd: 9, SeenSd: 5, WeatherSd: 4, OutsideLaw: 21}
}

// FromMonths makes the spans of a set of months (bit 0 is January), one for each
// run on the ring: December runs on into January.
func FromMonths(months uint16, d Defaults) []Span {
	months &= 1<<12 - 1
	if months == 0 {
		return nil
	}
	if months == 1<<12-1 {
		return []Span{{AllYear: true}}
	}
	has := func(m int) bool { return months&(1<<((m+12)%12)) != 0 }
	sd := math.Hypot(d.MonthSd, d.YearSd)
	var out []Span
	for m := 0; m < 12; m++ {
		if !has(m) || has(m-1) {
			continue
		}
		last := m
		for has(last + 1) {
			last++
		}
		out = append(out, Span{Open: Edge{float64(monthStart[m] + 1), sd}, Close: Edge{float64(monthStart[last%12+1]), sd}})
	}
	return out
}

// move shifts the edges and widens them.
func (s *Span) move(step Step, open, openSd, closing, closeSd float64) {
	s.Open = Edge{ring(s.Open.At-1+open) + 1, math.Hypot(s.Open.Sd, openSd)}
	s.Close = Edge{ring(s.Close.At-1+closing) + 1, math.Hypot(s.Close.Sd, closeSd)}
	steps := append([]Step(nil), s.Steps...)
	step.Open, step.Close = open, closing
	s.Steps = append(steps, step)
}

// Rise is how likely the span is open on a day of the year, 0 to 1: both edges are
// normal, and independent.
func (s *Span) Up(ordinal int) float64 {
	if s.AllYear {
		return 1
	}
	length := ring(s.Close.At - s.Open.At)
	mid := s.Open.At + length/2
	at := mid + apart(mid, float64(ordinal)) // the day, unrolled about the middle of the span
	return cdf((at-s.Open.At)/s.Open.Sd) * (1 - cdf((at-s.Open.At-length)/s.Close.Sd))
}

// cdf is the standard normal distribution function.
func cdf(z float64) float64 { return 0.5 * math.Erfc(-z/math.Sqrt2) }

// UpdateOpening pulls the opening by days on which the user first saw it: the normal–
// normal update with known variances (any textbook of Bayesian statistics, such
// as Gelman and others, Bayesian Data Analysis, section 2.5). A first-seen day is
// good to SeenSd, and the years differ by YearSd. The closing goes along by as
// much, less sure.
func (s *Span) UpdateOpening(seen []int, d Defaults) {
	if s.AllYear || len(seen) == 0 {
		return
	}
	var sum float64
	for _, o := range seen {
		sum += apart(s.Open.At, float64(o))
	}
	n := float64(len(seen))
	each := d.SeenSd*d.SeenSd + d.YearSd*d.YearSd
	prior := s.Open.Sd * s.Open.Sd
	post := 1 / (1/prior + n/each)
	shift := post * (sum / each)
	s.move(Step{Code: "first-seen"}, shift, 0, shift, 0)
	s.Open.Sd = math.Sqrt(post)
}
