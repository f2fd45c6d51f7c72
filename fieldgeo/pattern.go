package fieldgeo

import (
	"cmp"
	"errors"
	"math"
	"slices"
)

// ErrSpot is returned for places too few or too near to each other for a line.
var ErrSpot = errors.New("a line needs two places or more, apart from each other")

// Line is the straight line that places lie along: a hummock line, a buried root,
// a hedge.
type Line struct {
	From, To Point // its ends, as far as places were found
	Bearing  float64
	// BearingSd is one standard deviation of the bearing, in degrees.
	BearingSd float64
	// Rms is how far the places lie off the line, in metres; Length is from end to end.
	Rms, Length float64
	// Straight is the share of the spread that lies along the line, 0.5 to 1.
	Straight float64
}

// FitLine finds the line with the least sum of squared distances at right angles
// to it: the first principal axis (Pearson 1901, Philosophical Magazine 2:
// 559–572). accuracy is the standard deviation of a point, in metres.
func FitLine(points []Point, accuracy float64) (Line, error) {
	n := float64(len(points))
	if n < 2 {
		return Line{}, ErrSpot
	}
	c := centre(points)
	var xx, xy, yy float64
	for _, p := range points {
		x, y := p.X-c.X, p.Y-c.Y
		xx, xy, yy = xx+x*x, xy+x*y, yy+y*y
	}
	root := math.Hypot((xx-yy)/2, xy)
	along, across := (xx+yy)/2+root, max(0, (xx+yy)/2-root)
	if along <= 0 {
		return Line{}, ErrSpot
	}
	angle := math.Atan2(2*xy, xx-yy) / 2
	ux, uy := math.Cos(angle), math.Sin(angle)
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, p := range points {
		t := (p.X-c.X)*ux + (p.Y-c.Y)*uy
		lo, hi = min(lo, t), max(hi, t)
	}
	l := Line{From: Point{c.X + lo*ux, c.Y + lo*uy}, To: Point{c.X + hi*ux, c.Y + hi*uy}, Rms: math.Sqrt(across / n), Length: hi - lo, Straight: along / (along + across)}
	l.Bearing = math.Mod(math.Atan2(ux, uy)*180/math.Pi+180, 180)
	s2 := accuracy * accuracy
	if n > 2 {
		s2 = max(s2, across/(n-2))
	}
	l.BearingSd = math.Sqrt(s2/along) * 180 / math.Pi
	return l, nil
}

// Colony is a spread of places without a shape.
type Colony struct {
	Centre Point
	// Spread is the standard distance of the places from their centre, in metres.
	Spread float64
	// Area is that of the smallest outline that leans outwards everywhere, in m².
	Area float64
	// Nearest is the mean distance to the nearest other place; Index puts it beside
	// what as many places strewn at random over the area would have: below 1 they
	// stand in clumps, above 1 apart (Clark and Evans 1954, Ecology 35: 445–453).
	// Index is 0 where there is no area.
	Nearest, Index float64
}

// Describe says how places lie that make neither ring nor line.
func Describe(points []Point) Colony {
	if len(points) == 0 {
		return Colony{}
	}
	n := float64(len(points))
	c := Colony{Centre: centre(points)}
	for i, p := range points {
		c.Spread += (math.Pow(p.X-c.Centre.X, 2) + math.Pow(p.Y-c.Centre.Y, 2)) / n
		near := math.Inf(1)
		for k, q := range points {
			if i != k {
				near = min(near, math.Hypot(p.X-q.X, p.Y-q.Y))
			}
		}
		if len(points) > 1 {
			c.Nearest += near / n
		}
	}
	c.Spread = math.Sqrt(c.Spread)
	hull := Outline(points)
	for i, p := range hull {
		q := hull[(i+1)%len(hull)]
		c.Area += (p.X*q.Y - q.X*p.Y) / 2
	}
	if c.Area > 0 {
		c.Index = c.Nearest / (0.5 / math.Sqrt(n/c.Area))
	}
	return c
}

// Outline is the convex hull of the places, anticlockwise (Andrew 1979,
// Information Processing Letters 9: 216–219).
func Outline(points []Point) []Point {
	p := slices.Clone(points)
	slices.SortFunc(p, func(a, b Point) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Y, b.Y)) })
	p = slices.Compact(p)
	if len(p) < 3 {
		return p
	}
	half := func(p []Point) []Point {
		var h []Point
		for _, q := range p {
			for len(h) > 1 && turn(h[len(h)-2], h[len(h)-1], q) <= 0 {
				h = h[:len(h)-1]
			}
			h = append(h, q)
		}
		return h[:len(h)-1]
	}
	lower := half(p)
	slices.Reverse(p)
	return append(lower, half(p)...)
}

func turn(a, b, c Point) float64 { return (b.X-a.X)*(c.Y-a.Y) - (b.Y-a.Y)*(c.X-a.X) }

func centre(points []Point) (c Point) {
	for _, p := range points {
		c.X += p.X / float64(len(points))
		c.Y += p.Y / float64(len(points))
	}
	return c
}
