package fieldgeo

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"
)

func on(c Point, r float64, degrees ...float64) []Point {
	var out []Point
	for _, d := range degrees {
		s, k := math.Sincos(d * math.Pi / 180)
		out = append(out, Point{c.X + r*s, c.Y + r*k})
	}
	return out
}

// Exact circles come back exactly, also from a short arc and far from the origin.
func TestFitExact(t *testing.T) {
	for _, c := range []struct {
		centre Point
		r      float64
		at     []float64
	}{
		{Point{0, 0}, 1, []float64{0, 90, 180}},
		{Point{1e5, -3e5}, 7.25, []float64{10, 20, 30, 200}},
		{Point{-40, 12}, 30, []float64{300, 315, 330, 345, 0}},
	} {
		f, err := Fit(on(c.centre, c.r, c.at...), 0)
		if err != nil {
			t.Errorf("%v: %v", c, err)
			continue
		}
		if math.Hypot(f.Centre.X-c.centre.X, f.Centre.Y-c.centre.Y) > 1e-5 || math.Abs(f.Radius-c.r) > 1e-5 || f.Rms > 1e-6 {
			t.Errorf("%v: %+v", c, f)
		}
	}
}

// The published example of Gander, Golub and Strebel (1994, BIT 34, section 3):
// the best geometric fit to six points has its centre at (4.7398, 2.9835) and a
// radius of 4.7142.
func TestFitPublished(t *testing.T) {
	f, err := Fit([]Point{{1, 7}, {2, 6}, {5, 8}, {7, 7}, {9, 5}, {3, 7}}, 0)
	if err != nil {
		t.Fatal(err)
	}
	if math.Abs(f.Centre.X-4.7398) > 5e-4 || math.Abs(f.Centre.Y-2.9835) > 5e-4 || math.Abs(f.Radius-4.7142) > 5e-4 {
		t.Errorf("%+v", f)
	}
}

// With simulated noise the true radius lies within two of the stated deviations
// about as often as it should.
func TestFitUncertainty(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 11))
	const runs = 800
	within := 0
	for range runs {
		var at []float64
		for range 12 {
			at = append(at, r.Float64()*220)
		}
		pts := on(Point{3, 4}, 9, at...)
		for i := range pts {
			pts[i].X += r.NormFloat64() * 0.3
			pts[i].Y += r.NormFloat64() * 0.3
		}
		f, err := Fit(pts, 0.3)
		if err != nil {
			t.Fatal(err)
		}
		if math.Abs(f.Radius-9) < 2*f.RadiusSd {
			within++
		}
	}
	if share := float64(within) / runs; share < 0.92 || share > 0.995 {
		t.Errorf("the radius lay within two deviations in %.3f of the runs", share)
	}
}

func TestNoRing(t *testing.T) {
	if _, err := Fit(on(Point{}, 5, 0, 90), 1); !errors.Is(err, ErrFew) {
		t.Errorf("two places: %v", err)
	}
	for name, pts := range map[string][]Point{"a line": {{0, 0}, {1, 1}, {2, 2}, {5, 5}}, "one place": {{2, 2}, {2, 2}, {2, 2}}, "nearly a line": {{0, 0}, {1, 1e-7}, {2, 0}}} {
		if _, err := Fit(pts, 1); !errors.Is(err, ErrInLine) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func TestGap(t *testing.T) {
	pts := on(Point{1, 1}, 6, 350, 20, 80, 120)
	f, err := Fit(pts, 0.5)
	if err != nil {
		t.Fatal(err)
	}
	g := f.Gap(pts)
	if math.Abs(g.From-120) > 1e-6 || math.Abs(g.To-350) > 1e-6 || math.Abs(g.Degrees()-230) > 1e-6 {
		t.Errorf("%+v", g)
	}
	mean, sd := f.Expect(4, g)
	if math.Abs(mean-4*230.0/130) > 1e-9 || math.Abs(sd-2*230.0/130) > 1e-9 {
		t.Errorf("%g ± %g", mean, sd)
	}
}

// There and back; a degree of latitude is about 111.195 km on the mean sphere; the
// date line is no wall.
func TestPlane(t *testing.T) {
	p := Plane{Lat: 51.5, Lon: 179.999}
	q := p.To(51.501, -179.999)
	if math.Abs(q.Y-111.195) > 0.01 || q.X < 138 || q.X > 139 {
		t.Errorf("%+v", q)
	}
	lat, lon := p.From(q)
	if math.Abs(lat-51.501) > 1e-9 || math.Abs(lon+179.999) > 1e-9 {
		t.Errorf("%g %g", lat, lon)
	}
}
