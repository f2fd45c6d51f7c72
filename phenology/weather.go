package phenology

// Weather is one day at one place. Day counts from 1 January 1970.
type Weather struct {
	Day      int
	Min, Max float64 // °C
	Rain     float64 // mm
}

// DegreeDays is what a day adds by the simple average method: (max + min)/2 less
// the base, never below nothing (McMaster and Wilhelm 1997, Agricultural and
// Forest Meteorology 87: 291–300, method 1).
func DegreeDays(lo, hi, base float64) float64 { return max(0, (lo+hi)/2-base) }

// BaseTemperature of the degree days by which a year is compared, °C: the usual
// one for plants of cool climates (common practice, no source).
const BaseTemperature = 5

// YearDays are the days of one year, in order.
type YearDays struct {
	Year int
	Days []Weather // the first is 1 January, or the first that is known
	From int       // ordinal of the first day
}

// Offset is by how many days the last year of a record runs later than the mean of
// the others: the degree days gathered up to its last day, or to the middle of the
// year, were gathered in the others so many days earlier. n is how many years
// there are to compare with; without any it is 0, and so is the offset.
func Offset(years []YearDays, base float64) (days float64, n int) {
	if len(years) < 2 {
		return 0, 0
	}
	last := &years[len(years)-1]
	if last.From > 15 {
		return 0, 0
	}
	until := min(last.From+len(last.Days)-1, 181)
	var goal float64
	for i := range last.Days {
		if last.From+i <= until {
			goal += DegreeDays(last.Days[i].Min, last.Days[i].Max, base)
		}
	}
	if goal <= 0 {
		return 0, 0
	}
	var sum float64
	for y := range years[:len(years)-1] {
		was := &years[y]
		if was.From > 15 {
			continue
		}
		var have float64
		for i := range was.Days {
			have += DegreeDays(was.Days[i].Min, was.Days[i].Max, base)
			if have >= goal {
				sum += float64(until - (was.From + i))
				n++
				break
			}
		}
	}
	if n == 0 {
		return 0, 0
	}
	return sum / float64(n), n
}

// ShiftByYear moves a span by this year's offset. Autumn follows the year less: it
// goes along by half (our own default).
func (s *Span) ShiftByYear(days float64, years int, d Defaults) {
	if s.AllYear || years == 0 {
		return
	}
	part := func(at float64) float64 {
		if SeasonSign(at) > 0 {
			return days
		}
		return days / 2
	}
	// What is known of this year takes the place of what years differ by.
	s.move(Step{Code: "degree-days"}, part(s.Open.At), 0, part(s.Close.At), 0)
	s.Open.Sd, s.Close.Sd = known(s.Open.Sd, d), known(s.Close.Sd, d)
}

func known(sd float64, d Defaults) float64 {
	v := sd*sd - d.YearSd*d.YearSd + d.WeatherSd*d.WeatherSd
	return sqrt(max(v, d.WeatherSd*d.WeatherSd))
}
