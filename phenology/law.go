package phenology

import "math"

// Site is a place on the globe: degrees, north and east positive, and metres.
type Site struct{ Lat, Lon, Alt float64 }

// Gradient says by how many days the same event comes later northward, eastward and
// upward in spring.
type Gradient struct {
	Code     string  // hopkins, europe; the package words names it, its source and where it holds
	PerLat   float64 // days for one degree towards the pole
	PerLon   float64 // days for one degree eastward
	PerMetre float64 // days for one metre up
	// South, North, West and East bound where it holds.
	South, North, West, East float64
}

const metresPerFoot = 0.3048 // exactly

// Hopkins is the bioclimatic law for temperate North America: in spring and early
// summer an event comes 4 days later for each degree of latitude northward, 5
// degrees of longitude eastward and 400 feet upward; in late summer and autumn as
// much earlier (A. D. Hopkins 1918, Periodical events and natural law as guides to
// agricultural research and practice, Monthly Weather Review Supplement 9).
var Hopkins = Gradient{Code: "hopkins", PerLat: 4, PerLon: 4.0 / 5, PerMetre: 4 / (400 * metresPerFoot),
	South: 28, North: 52, West: -118, East: -60}

// Europe holds the gradients used there. Altitude: 22 days for 1000 m, as seen in
// the Alps in recent decades, against 34 in the sixties (Vitasse, Signarbieux and
// Fu 2018, PNAS 115: 1004–1008). Latitude and longitude: about two and a half days
// and half a day for a degree, after maps of the beginning of the growing season
// (Rötzer and Chmielewski 2001, Climate Research 18: 249–257); figures from memory.
var Europe = Gradient{Code: "europe", PerLat: 2.5, PerLon: 0.5, PerMetre: 0.022,
	South: 36, North: 68, West: -11, East: 32}

// GradientFor is the law of a continent; elsewhere that of Europe is stretched, and
// says so by its spread.
func GradientFor(continent string) *Gradient {
	if continent == "NA" {
		return &Hopkins
	}
	return &Europe
}

// Later is by how many days an event of spring comes later here than there.
func (l *Gradient) Later(there, here Site) float64 {
	return l.PerLat*(math.Abs(here.Lat)-math.Abs(there.Lat)) + l.PerLon*(here.Lon-there.Lon) + l.PerMetre*(here.Alt-there.Alt)
}

// Within reports whether a law holds at a site.
func (l *Gradient) Within(s Site) bool {
	return s.Lat >= l.South && s.Lat <= l.North && s.Lon >= l.West && s.Lon <= l.East
}

// SeasonSign is +1 in spring and early summer, −1 in autumn, for a day of the northern
// year: the law is reversed in autumn. Between end of June and mid September,
// and about New Year, it goes over from one to the other; that is our own
// smoothing.
func SeasonSign(ordinal float64) float64 {
	o := ring(ordinal-1) + 1
	switch {
	case o <= 15:
		return o / 15
	case o <= 181:
		return 1
	case o <= 258:
		return 1 - 2*(o-181)/77
	case o <= 335:
		return -1
	}
	return -1 + (o-335)/30
}

// Translate moves a span from its reference place to another. Across the equator it
// goes half a year round first; longitude counts only on the same continent.
func (s *Span) Translate(l *Gradient, there, here Site, sameContinent bool, d Defaults) {
	if s.AllYear {
		return
	}
	if (there.Lat < 0) != (here.Lat < 0) {
		s.move(Step{Code: "other-half"}, Year/2.0, 0, Year/2.0, 0)
	}
	if !sameContinent {
		here.Lon = there.Lon
	}
	later := l.Later(there, here)
	north := func(at float64) float64 {
		if here.Lat < 0 {
			return at + Year/2.0
		}
		return at
	}
	open, closing := later*SeasonSign(north(s.Open.At)), later*SeasonSign(north(s.Close.At))
	// A warm winter is short, a long summer long; but no shift turns a span inside
	// out or closes the ring: a third of it stays, and half a month free of it (our
	// own default).
	length := ring(s.Close.At - s.Open.At)
	if least := length/3 - (length - open + closing); least > 0 {
		open, closing = open-least/2, closing+least/2
	} else if most := length - open + closing - (Year - 15); most > 0 {
		open, closing = open+most/2, closing-most/2
	}
	sd := math.Abs(later) * d.ShiftShare
	step := Step{Code: "law", Law: l.Code}
	if !l.Within(here) || !sameContinent {
		sd = math.Hypot(sd, d.OutsideLaw)
		step.Stretched = true
	}
	s.move(step, open, sd, closing, sd)
}
