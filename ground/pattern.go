package ground

import (
	"errors"
	"math"

	"zestythicket/fieldgeo"
	"zestythicket/records"
	"zestythicket/words"
)

// Marked are places in which caps or plants were found.
type Marked struct {
	Points   []Position `json:"points" minItems:"1" maxItems:"500"`
	Accuracy float64    `json:"accuracy,omitempty" minimum:"0" maximum:"1000" doc:"Metres; of a point that says none itself"`
}

// RingOut is the ring they stand in.
type RingOut struct {
	Lat        float64 `json:"lat"`
	Lon        float64 `json:"lon"`
	Radius     float64 `json:"radius" doc:"Metres"`
	RadiusSd   float64 `json:"radiusSd"`
	CentreSd   float64 `json:"centreSd"`
	Rms        float64 `json:"rms" doc:"How far the places lie off the ring, in metres"`
	GapFrom    float64 `json:"gapFrom" doc:"Degrees from north, clockwise"`
	GapTo      float64 `json:"gapTo"`
	GapMetres  float64 `json:"gapMetres"`
	Expected   float64 `json:"expected" doc:"Places that the arc not walked may hold"`
	ExpectedSd float64 `json:"expectedSd"`
	Words      string  `json:"words"`
}

// LineOut is the line they stand along.
type LineOut struct {
	From      Position `json:"from"`
	To        Position `json:"to"`
	Bearing   float64  `json:"bearing" doc:"Degrees from north, 0 to 180"`
	BearingSd float64  `json:"bearingSd"`
	Length    float64  `json:"length" doc:"Metres"`
	Rms       float64  `json:"rms" doc:"How far the places lie off the line, in metres"`
	Straight  float64  `json:"straight" doc:"Share of the spread that lies along the line"`
	Words     string   `json:"words"`
}

// ColonyOut is a spread without a shape.
type ColonyOut struct {
	Outline []Position `json:"outline"`
	Spread  float64    `json:"spread" doc:"Standard distance from the centre, in metres"`
	Area    float64    `json:"area" doc:"m², of the outline"`
	Index   float64    `json:"index" doc:"Nearest distances beside those of places strewn at random; 0 where there is no area"`
	Words   string     `json:"words"`
}

// PatternsOut are the ways in which places may lie; what can't be said is left out.
type PatternsOut struct {
	Line   *LineOut  `json:"line,omitempty"`
	Colony ColonyOut `json:"colony"`
	Why    string    `json:"why,omitempty" doc:"Why there is no line"`
}

// laidOut puts places on a plane about the first of them, with their mean accuracy.
func laidOut(in *Marked) (fieldgeo.Plane, []fieldgeo.Point, float64) {
	plane := fieldgeo.Plane{Lat: in.Points[0].Lat, Lon: in.Points[0].Lon}
	var pts []fieldgeo.Point
	acc, n := 0.0, 0
	for _, p := range in.Points {
		pts = append(pts, plane.To(p.Lat, p.Lon))
		if p.Accuracy > 0 {
			acc, n = acc+p.Accuracy, n+1
		}
	}
	if n > 0 {
		return plane, pts, acc / float64(n)
	}
	return plane, pts, in.Accuracy
}

// RingThrough lays a ring through places.
func RingThrough(in *Marked) (*RingOut, error) {
	plane, pts, accuracy := laidOut(in)
	f, err := fieldgeo.Fit(pts, accuracy)
	if err == nil && !finite(f.Radius, f.RadiusSd, f.CentreSd, f.Rms, f.Centre.X, f.Centre.Y) {
		err = errors.New("no circle can be laid through these")
	}
	if err != nil {
		return nil, records.Refuse("body.points", "no-ring", err)
	}
	gap := f.Gap(pts)
	out := &RingOut{Radius: f.Radius, RadiusSd: f.RadiusSd, CentreSd: f.CentreSd, Rms: f.Rms, GapFrom: gap.From, GapTo: gap.To, GapMetres: gap.Degrees() / 360 * 2 * math.Pi * f.Radius}
	out.Lat, out.Lon = plane.From(f.Centre)
	out.Expected, out.ExpectedSd = f.Expect(len(pts), gap)
	out.Words = words.Ring(
		f.Radius, f.RadiusSd, out.GapMetres, gap.From, gap.To, out.Expected, max(0, out.Expected-2*out.ExpectedSd), out.Expected+2*out.ExpectedSd)
	return out, nil
}

func finite(numbers ...float64) bool {
	for _, x := range numbers {
		if math.IsNaN(x) || math.IsInf(x, 0) {
			return false
		}
	}
	return true
}

// PatternsOf says how places lie.
func PatternsOf(in *Marked) *PatternsOut {
	plane, pts, accuracy := laidOut(in)
	at := func(p fieldgeo.Point) Position {
		lat, lon := plane.From(p)
		return Position{Lat: lat, Lon: lon}
	}
	out := &PatternsOut{}
	c := fieldgeo.Describe(pts)
	out.Colony = ColonyOut{Outline: []Position{}, Spread: c.Spread, Area: c.Area, Index: c.Index}
	for _, p := range fieldgeo.Outline(pts) {
		out.Colony.Outline = append(out.Colony.Outline, at(p))
	}
	how := "random"
	switch {
	case len(pts) < 5 || c.Index == 0:
		how = "too-few"
	case c.Index < 0.8:
		how = "clumps"
	case c.Index > 1.3:
		how = "even"
	}
	out.Colony.Words = words.Colony(len(pts), c.Area, c.Spread*math.Sqrt(math.Ln2), c.Nearest, how)
	l, err := fieldgeo.FitLine(pts, accuracy)
	if err == nil && !finite(l.Bearing, l.BearingSd, l.Length, l.Rms, l.Straight) {
		err = errors.New("no line can be laid through these")
	}
	if err != nil {
		out.Why = err.Error()
		return out
	}
	out.Line = &LineOut{From: at(l.From), To: at(l.To), Bearing: l.Bearing, BearingSd: l.BearingSd, Length: l.Length, Rms: l.Rms, Straight: l.Straight}
	if l.Straight < 0.9 {
		out.Line.Words = words.NoLine(100 * l.Straight)
	} else {
		out.Line.Words = words.Line(
			l.Length, l.Bearing, l.Bearing+180, math.Ceil(l.BearingSd), l.Rms)
	}
	return out
}
