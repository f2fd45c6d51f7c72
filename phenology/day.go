package phenology

// Year is the length of the ring of days.
const Year = 365

var monthStart = [13]int{0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334, 365}

// Ordinal is the day of the year, 1 to 365; 29 February counts as 1 March. It is
// 0 for a date that does not exist.
func Ordinal(month, day int) int {
	if month < 1 || month > 12 || day < 1 || day > monthStart[month]-monthStart[month-1]+b2i(month == 2) {
		return 0
	}
	return min(monthStart[month-1]+day, Year)
}

// MonthDay is the month and the day of an ordinal, which may lie outside the
// year: the ring goes round.
func MonthDay(ordinal int) (month, day int) {
	o := ring(float64(ordinal-1)) + 1
	for month = 1; float64(monthStart[month]) < o; month++ {
	}
	return month, int(o) - monthStart[month-1]
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// ring brings a number of days into [0, 365).
func ring(d float64) float64 {
	for d < 0 {
		d += Year
	}
	for d >= Year {
		d -= Year
	}
	return d
}

// apart is the signed way round the ring from a to b, in (−182.5, 182.5].
func apart(a, b float64) float64 {
	d := ring(b - a)
	if d > Year/2.0 {
		d -= Year
	}
	return d
}

// Apart is how many days lie between two days of the ring, the shorter way.
func Apart(a, b float64) float64 {
	d := apart(a, b)
	return max(d, -d)
}
