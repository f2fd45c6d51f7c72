// Package track reads positions: NMEA sentences as receivers send them, and GPX
// files. Every position comes with how sure it is, where that was said.
package track

import (
	"bufio"
	"encoding/xml"
	"errors"
	"fmt"
	"io"
	"strconv"
	"strings"

	"github.com/adrianmo/go-nmea"

	"zestythicket/internal/bounded"
)

// TrackPoint is one position. Accuracy is one standard deviation in metres, 0 when it was
// not said.
type TrackPoint struct {
	Lat      float64 `json:"lat"`
	Lon      float64 `json:"lon"`
	Alt      float64 `json:"alt"`
	Accuracy float64 `json:"accuracy"`
	Name     string  `json:"name,omitempty"`
}

// Problem is one thing wrong: where, and what.
type Problem struct {
	Line int    `json:"line"`
	What string `json:"what"`
}

// Limits of what is read.
const (
	MostBytes = 8 << 20
	MostFixes = 20_000
)

// UserRange is the range error of a simple receiver under open sky, in metres, by
// which the dilution of precision is multiplied (common practice, no source).
const UserRange = 4

// NMEA reads GGA sentences; other sentences pass by. A sentence with a wrong check
// sum, or without a fix, is named and left out.
func NMEA(in io.Reader) ([]TrackPoint, []Problem) {
	var fixes []TrackPoint
	var bad problems
	s := bufio.NewScanner(io.LimitReader(in, MostBytes))
	for line := 1; s.Scan(); line++ {
		text := strings.TrimSpace(s.Text())
		if text == "" || strings.HasPrefix(text, "#") {
			continue
		}
		sentence, err := nmea.Parse(text)
		var unknown *nmea.NotSupportedError
		if errors.As(err, &unknown) {
			continue
		}
		if err != nil {
			bad.Add(Problem{line, plain(err)})
			continue
		}
		g, ok := sentence.(nmea.GGA)
		if !ok {
			continue
		}
		if g.FixQuality == nmea.Invalid {
			bad.Add(Problem{line, "the receiver has no fix"})
			continue
		}
		if err := errors.Join(possible(g.Latitude, g.Longitude), within("altitude", g.Altitude, lowest, highest), within("hdop", g.HDOP, 0, mostHdop)); err != nil {
			bad.Add(Problem{line, err.Error()})
			continue
		}
		if len(fixes) == MostFixes {
			bad.Add(Problem{line, fmt.Sprintf("more than %d positions; the rest is left out", MostFixes)})
			break
		}
		fixes = append(fixes, TrackPoint{Lat: g.Latitude, Lon: g.Longitude, Alt: g.Altitude, Accuracy: g.HDOP * UserRange})
	}
	if err := s.Err(); err != nil {
		bad.Add(Problem{0, "a line is too long to be NMEA"})
	}
	return fixes, bad.list()
}

// problems are listed up to a hundred; the rest is counted.
type problems struct{ bounded.List[Problem] }

func (p *problems) list() []Problem {
	return p.All(func(more int) Problem { return Problem{0, fmt.Sprintf("and %d more", more)} })
}

// What a receiver may say: metres above the sea, and a dilution of precision; a
// hundred of it is no position any more (common practice, no source).
const (
	lowest, highest = -12_000, 60_000
	mostHdop        = 100
)

// within refuses what is no number, or none that can be.
func within(field string, v, lo, hi float64) error {
	if !(v >= lo && v <= hi) {
		return fmt.Errorf("%s: %g can't be (%g to %g)", field, v, lo, hi)
	}
	return nil
}

// number reads a number of a file; an empty text is 0.
func number(field, text string, lo, hi float64) (float64, error) {
	text = strings.TrimSpace(text)
	if text == "" {
		return 0, nil
	}
	v, err := strconv.ParseFloat(text, 64)
	if err != nil && !errors.Is(err, strconv.ErrRange) {
		return 0, fmt.Errorf("%s: %.20q is no number", field, text)
	}
	return v, within(field, v, lo, hi)
}

func plain(err error) string {
	if strings.Contains(err.Error(), "checksum") {
		return "the check sum does not fit: the sentence was damaged on its way"
	}
	return "it is no NMEA sentence (" + err.Error() + ")"
}

func possible(lat, lon float64) error {
	switch {
	case lat != lat || lon != lon:
		return errors.New("no number for a position")
	case lat < -90 || lat > 90:
		return fmt.Errorf("a latitude of %g can't be; are latitude and longitude swapped?", lat)
	case lon < -180 || lon > 180:
		return fmt.Errorf("a longitude of %g can't be", lon)
	}
	return nil
}

type gpxPoint struct {
	Lat  *float64 `xml:"lat,attr"`
	Lon  *float64 `xml:"lon,attr"`
	Ele  string   `xml:"ele"`
	Name string   `xml:"name"`
	Hdop string   `xml:"hdop"`
}

// GPX reads waypoints and track points of a GPX 1.0 or 1.1 file. It stops at what
// is malformed and gives what came before.
func GPX(in io.Reader) ([]TrackPoint, []Problem) {
	var fixes []TrackPoint
	var bad problems
	d := xml.NewDecoder(io.LimitReader(in, MostBytes))
	d.Strict = true
	root := false
	for {
		tok, err := d.Token()
		if errors.Is(err, io.EOF) {
			break
		}
		line, _ := d.InputPos()
		if err != nil {
			bad.Add(Problem{line, "the file is not well formed: " + err.Error()})
			return fixes, bad.list()
		}
		el, ok := tok.(xml.StartElement)
		if !ok {
			continue
		}
		if !root {
			if el.Name.Local != "gpx" {
				return nil, []Problem{{line, fmt.Sprintf("this is a file of %q, not of GPX", el.Name.Local)}}
			}
			root = true
		}
		if n := el.Name.Local; n != "wpt" && n != "trkpt" && n != "rtept" {
			continue
		}
		var p gpxPoint
		if err := d.DecodeElement(&p, &el); err != nil {
			bad.Add(Problem{line, "a point can't be read: " + err.Error()})
			return fixes, bad.list()
		}
		if p.Lat == nil || p.Lon == nil {
			bad.Add(Problem{line, "a point without latitude or longitude"})
			continue
		}
		ele, err := number("ele", p.Ele, lowest, highest)
		hdop, err2 := number("hdop", p.Hdop, 0, mostHdop)
		if err := errors.Join(possible(*p.Lat, *p.Lon), err, err2); err != nil {
			bad.Add(Problem{line, strings.ReplaceAll(err.Error(), "\n", "; ")})
			continue
		}
		if len(fixes) == MostFixes {
			bad.Add(Problem{line, fmt.Sprintf("more than %d positions; the rest is left out", MostFixes)})
			return fixes, bad.list()
		}
		fixes = append(fixes, TrackPoint{Lat: *p.Lat, Lon: *p.Lon, Alt: ele, Accuracy: hdop * UserRange, Name: p.Name})
	}
	if !root {
		bad.Add(Problem{1, "the file is empty"})
	}
	return fixes, bad.list()
}
