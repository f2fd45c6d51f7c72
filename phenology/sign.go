package phenology

import "math"

func sqrt(x float64) float64 { return math.Sqrt(x) }

// SignKind is a sign other than a date.
type SignKind uint8

// The signs.
const (
	AfterRain   SignKind = iota + 1 // so much rain within so many days
	AfterFrost                      // the first day at or below a temperature
	AfterFire                       // days after a day on which it burnt
	AfterFlower                     // days after another was first seen in flower
	Feast                           // a fixed day of the year
)

var signNames = []string{"", "rain", "frost", "fire", "flower", "feast"}

// String gives the word.
func (k SignKind) String() string {
	if int(k) < len(signNames) {
		return signNames[k]
	}
	return "?"
}

// ParseSign reads a kind of sign.
func ParseSign(w string) (SignKind, bool) {
	for i, n := range signNames {
		if i > 0 && n == w {
			return SignKind(i), true
		}
	}
	return 0, false
}

// Rule says what follows a sign: something is up from From to To days after it,
// each good to Sd days.
type Rule struct {
	Kind     SignKind
	From, To int
	Sd       float64
	Rain     float64 // mm, of AfterRain
	Within   int     // days, of AfterRain
	Below    float64 // °C, of AfterFrost
	Month    int     // of Feast
	Day      int
}

// RainRule is the rule for fungi that answer to rain, our own default without a
// source: 20 mm within 7 days, then from the 7th to the 21st day after, give or
// take 4.
var RainRule = Rule{Kind: AfterRain, From: 7, To: 21, Sd: 4, Rain: 20, Within: 7}

// FrostRule: the first night at 0 °C or below after midsummer, and three weeks on.
var FrostRule = Rule{Kind: AfterFrost, From: 0, To: 21, Sd: 5, Below: 0}

// Stretch is a run of days, counted from 1 January 1970, with the spread of its
// ends and the day of the sign it follows.
type Stretch struct {
	From, To, Sign int
	Sd             float64
}

func (r *Rule) after(day int) Stretch { return Stretch{day + r.From, day + r.To, day, r.Sd} }

// Follow finds the stretches that follow a sign in days of weather, which must be
// in order; gaps end a spell. Stretches of rain that overlap are one.
func (r *Rule) Follow(days []Weather, south bool) []Stretch {
	switch r.Kind {
	case AfterRain:
		return r.rains(days)
	case AfterFrost:
		return r.frosts(days, south)
	}
	return nil
}

func (r *Rule) rains(days []Weather) []Stretch {
	var out []Stretch
	sum, first := 0.0, 0
	for i := range days {
		if i > 0 && days[i].Day != days[i-1].Day+1 {
			sum, first = 0, i
		}
		sum += days[i].Rain
		for days[i].Day-days[first].Day >= r.Within {
			sum -= days[first].Rain
			first++
		}
		if sum < r.Rain || days[i].Rain == 0 {
			continue
		}
		s := r.after(days[i].Day)
		if n := len(out); n > 0 && s.From <= out[n-1].To {
			out[n-1].To = s.To
			continue
		}
		out = append(out, s)
	}
	return out
}

// frosts finds the first frost of each autumn: after 1 August in the north, after
// 1 February in the south.
func (r *Rule) frosts(days []Weather, south bool) []Stretch {
	var out []Stretch
	last := math.MinInt
	for i := range days {
		y, m, _ := Civil(days[i].Day)
		if m < 8 && !south || south && (m < 2 || m > 7) || days[i].Min > r.Below || y == last {
			continue
		}
		last = y
		out = append(out, r.after(days[i].Day))
	}
	return out
}

// On is the stretch that follows a day of this year (a feast), or a day that was
// given (a fire, a first flower).
func (r *Rule) On(year, day int) Stretch {
	if r.Kind == Feast {
		day = DayOf(year, r.Month, r.Day)
	}
	return r.after(day)
}

// DayOf counts the days from 1 January 1970 to a date of the common calendar, and
// Civil goes back (H. Hinnant, chrono-compatible low-level date algorithms).
func DayOf(y, m, d int) int {
	if m <= 2 {
		y--
	}
	era := floorDiv(y, 400)
	yoe := y - era*400
	mp := (m + 9) % 12
	doy := (153*mp+2)/5 + d - 1
	doe := yoe*365 + yoe/4 - yoe/100 + doy
	return era*146097 + doe - 719468
}

// Civil is the date of a day counted from 1 January 1970.
func Civil(day int) (y, m, d int) {
	z := day + 719468
	era := floorDiv(z, 146097)
	doe := z - era*146097
	yoe := (doe - doe/1460 + doe/36524 - doe/146096) / 365
	doy := doe - (365*yoe + yoe/4 - yoe/100)
	mp := (5*doy + 2) / 153
	d = doy - (153*mp+2)/5 + 1
	m = mp + 3
	if m > 12 {
		m -= 12
	}
	y = yoe + era*400
	if m <= 2 {
		y++
	}
	return y, m, d
}

func floorDiv(a, b int) int {
	q := a / b
	if a%b != 0 && (a < 0) != (b < 0) {
		q--
	}
	return q
}
