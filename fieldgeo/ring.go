// Package fieldgeo fits a circle through places where caps were found, since many
// fungi stand in rings, and says which arc has not been walked and what it may
// hold. It is pure; places are metres on a plane (see [Plane]).
package fieldgeo

import (
	"cmp"
	"errors"
	"math"
	"slices"
)

// Point is a place in metres, east and north.
type Point struct{ X, Y float64 }

// Fitted is a circle with its uncertainty.
type Fitted struct {
	Centre Point
	Radius float64
	// CentreSd and RadiusSd are one standard deviation, in metres; for a circle
	// through three points they come from the accuracy of the points alone.
	CentreSd, RadiusSd float64
	// Rms is how far the points lie off the circle.
	Rms float64
}

// Reasons why no circle can be fitted.
var (
	ErrFew    = errors.New("a ring needs three places or more")
	ErrInLine = errors.New("the places lie in a line, not in a ring")
)

// Fit finds the circle with the least sum of squared distances from the points:
// the algebraic circle first (Kåsa 1976, IEEE Transactions on Instrumentation and
// Measurement 25: 8–14), then Gauss–Newton on the distances themselves (Gander,
// Golub and Strebel 1994, BIT 34: 558–578). accuracy is the standard deviation of
// a point, in metres.
func Fit(points []Point, accuracy float64) (Fitted, error) {
	n := len(points)
	if n < 3 {
		return Fitted{}, ErrFew
	}
	var c Point
	for _, p := range points {
		c.X += p.X / float64(n)
		c.Y += p.Y / float64(n)
	}
	spread := 0.0
	var m [3][3]float64
	var v [3]float64
	for _, p := range points {
		x, y := p.X-c.X, p.Y-c.Y
		z := x*x + y*y
		spread = max(spread, z)
		row := [3]float64{x, y, 1}
		for i := range row {
			for k := range row {
				m[i][k] += row[i] * row[k]
			}
			v[i] += row[i] * z
		}
	}
	inv, ok := invert(m)
	if !ok || spread == 0 {
		return Fitted{}, ErrInLine
	}
	a := mul(inv, v)
	x, y := a[0]/2, a[1]/2
	r := math.Sqrt(max(0, a[2]+x*x+y*y))
	for range 50 {
		var j [3][3]float64
		var g [3]float64
		for _, p := range points {
			dx, dy := p.X-c.X-x, p.Y-c.Y-y
			d := math.Hypot(dx, dy)
			if d == 0 {
				continue
			}
			row := [3]float64{-dx / d, -dy / d, -1}
			for i := range row {
				for k := range row {
					j[i][k] += row[i] * row[k]
				}
				g[i] -= row[i] * (d - r)
			}
		}
		if inv, ok = invert(j); !ok {
			return Fitted{}, ErrInLine
		}
		step := mul(inv, g)
		x, y, r = x+step[0], y+step[1], r+step[2]
		if math.Abs(step[0])+math.Abs(step[1])+math.Abs(step[2]) < 1e-9*(1+r) {
			break
		}
	}
	// A circle a hundred times wider than the points is a line.
	if r <= 0 || r > 100*math.Sqrt(spread) || math.IsNaN(r) {
		return Fitted{}, ErrInLine
	}
	f := Fitted{Centre: Point{x + c.X, y + c.Y}, Radius: r}
	rss := 0.0
	for _, p := range points {
		e := math.Hypot(p.X-f.Centre.X, p.Y-f.Centre.Y) - r
		rss += e * e
	}
	f.Rms = math.Sqrt(rss / float64(n))
	s2 := accuracy * accuracy
	if n > 3 {
		s2 = max(s2, rss/float64(n-3))
	}
	f.CentreSd = math.Sqrt(s2 * (inv[0][0] + inv[1][1]))
	f.RadiusSd = math.Sqrt(s2 * inv[2][2])
	return f, nil
}

// Arc is a part of a ring, in degrees from north, clockwise.
type Arc struct{ From, To float64 }

// Degrees is how long an arc is.
func (a Arc) Degrees() float64 { return math.Mod(a.To-a.From+720, 360) }

// Gap is the longest arc without a place: the part not yet walked, as far as the
// finds tell.
func (f *Fitted) Gap(points []Point) Arc {
	at := make([]float64, 0, len(points))
	for _, p := range points {
		at = append(at, math.Mod(math.Atan2(p.X-f.Centre.X, p.Y-f.Centre.Y)*180/math.Pi+360, 360))
	}
	slices.SortFunc(at, cmp.Compare[float64])
	var gap Arc
	longest := -1.0
	for i := range at {
		next := at[(i+1)%len(at)]
		d := math.Mod(next-at[i]+360, 360)
		if len(at) == 1 || i == len(at)-1 && d == 0 {
			d = 360
		}
		if d > longest {
			longest, gap = d, Arc{at[i], next}
		}
	}
	return gap
}

// Expect is what the gap may hold, going by how thickly the rest stands: found
// places on the arc walked, carried on over the gap, with the Poisson spread of
// that count. A guess, and labelled so.
func (f *Fitted) Expect(found int, gap Arc) (mean, sd float64) {
	walked := 360 - gap.Degrees()
	if walked <= 0 {
		return 0, 0
	}
	share := gap.Degrees() / walked
	return float64(found) * share, math.Sqrt(float64(found)) * share
}

func invert(m [3][3]float64) ([3][3]float64, bool) {
	var out [3][3]float64
	cof := func(i, k int) float64 {
		a, b := (i+1)%3, (i+2)%3
		c, d := (k+1)%3, (k+2)%3
		return m[a][c]*m[b][d] - m[a][d]*m[b][c]
	}
	det := m[0][0]*cof(0, 0) + m[0][1]*cof(0, 1) + m[0][2]*cof(0, 2)
	scale := math.Abs(m[0][0]) + math.Abs(m[1][1]) + math.Abs(m[2][2])
	if math.Abs(det) < 1e-12*scale*scale*scale || math.IsNaN(det) {
		return out, false
	}
	for i := range out {
		for k := range out {
			out[i][k] = cof(k, i) / det
		}
	}
	return out, true
}

func mul(m [3][3]float64, v [3]float64) (out [3]float64) {
	for i := range m {
		for k := range v {
			out[i] += m[i][k] * v[k]
		}
	}
	return out
}

// Plane lays degrees of latitude and longitude out in metres about a place. It is
// good for the few hundred metres of a patch (an equirectangular projection on
// the mean radius of the Earth, 6,371,008.8 m, of the IUGG).
type Plane struct{ Lat, Lon float64 }

const metresPerDegree = 6371008.8 * math.Pi / 180

// To gives the metres east and north; over the date line too.
func (p Plane) To(lat, lon float64) Point {
	d := math.Mod(lon-p.Lon+540, 360) - 180
	return Point{d * metresPerDegree * math.Cos(p.Lat*math.Pi/180), (lat - p.Lat) * metresPerDegree}
}

// From goes back to degrees.
func (p Plane) From(q Point) (lat, lon float64) {
	lat = p.Lat + q.Y/metresPerDegree
	lon = p.Lon + q.X/(metresPerDegree*math.Cos(p.Lat*math.Pi/180))
	return lat, math.Mod(lon+540, 360) - 180
}
