package fieldgeo_test

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"zestythicket/fieldgeo"
)

// The data of Pearson's own example (Philosophical Magazine 1901, 2: 559–572, as
// given in York 1966, Canadian Journal of Physics 44: 1079–1086, and often since;
// from memory): the line of best fit by distances at right angles has the slope
// −0.5456 and runs through the means 3.82, 3.70.
func TestPearsonsLine(t *testing.T) {
	x := []float64{0, 0.9, 1.8, 2.6, 3.3, 4.4, 5.2, 6.1, 6.5, 7.4}
	y := []float64{5.9, 5.4, 4.4, 4.6, 3.5, 3.7, 2.8, 2.8, 2.4, 1.5}
	var pts []fieldgeo.Point
	for i := range x {
		pts = append(pts, fieldgeo.Point{X: x[i], Y: y[i]})
	}
	l, err := fieldgeo.FitLine(pts, 0)
	if err != nil {
		t.Fatal(err)
	}
	slope := (l.To.Y - l.From.Y) / (l.To.X - l.From.X)
	if math.Abs(slope+0.5456) > 5e-4 {
		t.Errorf("slope %.4f, published −0.5456", slope)
	}
	if want := 90 + math.Atan(0.5456)*180/math.Pi; math.Abs(l.Bearing-want) > 0.1 {
		t.Errorf("bearing %.2f, want %.2f", l.Bearing, want)
	}
}

func TestLineBearings(t *testing.T) {
	for _, deg := range []float64{0, 17, 45, 90, 135, 179} {
		var pts []fieldgeo.Point
		for i := range 9 {
			d := float64(i) * 3
			pts = append(pts, fieldgeo.Point{X: 100 + d*math.Sin(deg*math.Pi/180), Y: -40 + d*math.Cos(deg*math.Pi/180)})
		}
		l, err := fieldgeo.FitLine(pts, 0)
		if off := math.Abs(l.Bearing - deg); err != nil || min(off, 180-off) > 1e-6 || l.Rms > 1e-6 || math.Abs(l.Length-24) > 1e-9 || l.Straight < 1-1e-9 {
			t.Errorf("%g°: %+v %v", deg, l, err)
		}
	}
	if _, err := fieldgeo.FitLine([]fieldgeo.Point{{X: 1, Y: 1}, {X: 1, Y: 1}}, 1); !errors.Is(err, fieldgeo.ErrSpot) {
		t.Errorf("one spot made a line: %v", err)
	}
}

// The bearing is off by as much as it says: over 400 noisy lines the errors have
// the stated spread, give or take a fifth.
func TestLineBearingSd(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	var sum, said float64
	const runs = 400
	for range runs {
		var pts []fieldgeo.Point
		for i := range 12 {
			pts = append(pts, fieldgeo.Point{X: float64(i)*2 + r.NormFloat64()*0.5, Y: r.NormFloat64() * 0.5})
		}
		l, err := fieldgeo.FitLine(pts, 0)
		if err != nil {
			t.Fatal(err)
		}
		sum += math.Pow(l.Bearing-90, 2)
		said += l.BearingSd * l.BearingSd
	}
	if ratio := math.Sqrt(sum / said); ratio < 0.8 || ratio > 1.2 {
		t.Errorf("true spread of the bearing is %.2f of what is said", ratio)
	}
}

func TestColony(t *testing.T) {
	square := []fieldgeo.Point{{X: 0, Y: 0}, {X: 4, Y: 0}, {X: 4, Y: 4}, {X: 0, Y: 4}, {X: 2, Y: 2}}
	c := fieldgeo.Describe(square)
	if c.Area != 16 || c.Centre != (fieldgeo.Point{X: 2, Y: 2}) || math.Abs(c.Spread-math.Sqrt(6.4)) > 1e-12 {
		t.Errorf("%+v", c)
	}
	// Strewn at random over a big square the index is about 1 (Clark and Evans);
	// on a square net it is 2; in tight pairs far below 1.
	r := rand.New(rand.NewPCG(3, 5))
	var strewn, net, pairs []fieldgeo.Point
	for i := range 400 {
		strewn = append(strewn, fieldgeo.Point{X: r.Float64() * 100, Y: r.Float64() * 100})
		net = append(net, fieldgeo.Point{X: float64(i % 20), Y: float64(i / 20)})
		p := fieldgeo.Point{X: r.Float64() * 100, Y: r.Float64() * 100}
		pairs = append(pairs, p, fieldgeo.Point{X: p.X + 0.2, Y: p.Y})
	}
	for name, x := range map[string]struct {
		pts    []fieldgeo.Point
		lo, hi float64
	}{"strewn": {strewn, 0.9, 1.15}, "net": {net, 1.9, 2.2}, "pairs": {pairs, 0, 0.3}} {
		if got := fieldgeo.Describe(x.pts).Index; got < x.lo || got > x.hi {
			t.Errorf("%s: index %.2f, want %g to %g", name, got, x.lo, x.hi)
		}
	}
	if c := fieldgeo.Describe(nil); c.Area != 0 {
		t.Errorf("nothing: %+v", c)
	}
	if c := fieldgeo.Describe([]fieldgeo.Point{{X: 1, Y: 2}}); c.Area != 0 || c.Index != 0 || c.Nearest != 0 {
		t.Errorf("one place: %+v", c)
	}
}
