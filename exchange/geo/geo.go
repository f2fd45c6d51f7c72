// Package geo reads GeoJSON that a user draws or brings as the ground of a local
// map, and refuses what can't be drawn on it.
package geo

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"

	geojson "github.com/paulmach/go.geojson"
)

// Limits of what is read.
const (
	MostBytes  = 4 << 20
	MostPoints = 50_000
	MostSpan   = 2 // degrees: a local map, not a country
)

// Read reads a feature collection, a feature or a bare geometry. The error says
// where: which feature, and which of its points.
func Read(b []byte) (*geojson.FeatureCollection, error) {
	if len(b) > MostBytes {
		return nil, fmt.Errorf("%.1f MB of GeoJSON; at most %d MB are taken", float64(len(b))/(1<<20), MostBytes>>20)
	}
	var head struct {
		Type string `json:"type"`
	}
	if err := json.Unmarshal(b, &head); err != nil {
		var at *json.SyntaxError
		if errors.As(err, &at) {
			return nil, fmt.Errorf("it is no JSON: %v at byte %d", err, at.Offset)
		}
		return nil, fmt.Errorf("it is no GeoJSON: %w", err)
	}
	fc := geojson.NewFeatureCollection()
	switch head.Type {
	case "FeatureCollection":
		got, err := geojson.UnmarshalFeatureCollection(b)
		if err != nil {
			return nil, fmt.Errorf("a feature can't be read: %w", err)
		}
		fc = got
	case "Feature":
		f, err := geojson.UnmarshalFeature(b)
		if err != nil {
			return nil, fmt.Errorf("the feature can't be read: %w", err)
		}
		fc.AddFeature(f)
	case "":
		return nil, errors.New("it is JSON, but no GeoJSON: it has no type")
	default:
		if !strings.Contains(" Point MultiPoint LineString MultiLineString Polygon MultiPolygon GeometryCollection ", " "+head.Type+" ") {
			return nil, fmt.Errorf("%q is no kind of GeoJSON", head.Type)
		}
		g, err := geojson.UnmarshalGeometry(b)
		if err != nil {
			return nil, fmt.Errorf("the %s can't be read: %w", head.Type, err)
		}
		fc.AddFeature(geojson.NewFeature(g))
	}
	return fc, check(fc)
}

func check(fc *geojson.FeatureCollection) error {
	if len(fc.Features) == 0 {
		return errors.New("there is nothing in it to draw")
	}
	points := 0
	west, east, south, north := 180.0, -180.0, 90.0, -90.0
	for i, f := range fc.Features {
		if f.Geometry == nil {
			return fmt.Errorf("feature %d has no geometry", i+1)
		}
		if err := words(f.Properties); err != nil {
			return fmt.Errorf("feature %d: %w", i+1, err)
		}
		var wrong error
		each(f.Geometry, func(p []float64) {
			points++
			switch {
			case wrong != nil:
			case len(p) < 2:
				wrong = fmt.Errorf("feature %d, point %d: two numbers are wanted", i+1, points)
			case !(p[1] >= -90 && p[1] <= 90):
				wrong = fmt.Errorf("feature %d, point %d: a latitude of %g can't be. GeoJSON puts longitude first; are they swapped?", i+1, points, p[1])
			case !(p[0] >= -180 && p[0] <= 180):
				wrong = fmt.Errorf("feature %d, point %d: a longitude of %g can't be. A shape over the date line has to be cut in two there", i+1, points, p[0])
			default:
				west, east, south, north = min(west, p[0]), max(east, p[0]), min(south, p[1]), max(north, p[1])
			}
		})
		if wrong != nil {
			return wrong
		}
		if points > MostPoints {
			return fmt.Errorf("more than %d points; simplify it", MostPoints)
		}
	}
	switch w, h := east-west, north-south; {
	case points == 0:
		return errors.New("there is nothing in it to draw")
	case w > 350:
		return errors.New("it crosses the date line; cut it there and bring one side")
	case w > MostSpan || h > MostSpan:
		return fmt.Errorf("it spans %.1f by %.1f degrees; this is a map of a walk, at most %d degrees", w, h, MostSpan)
	}
	return nil
}

// words: what a map shows beside a shape are words, or nothing.
func words(properties map[string]any) error {
	for _, key := range []string{"name", "kind", "title", "description", "note"} {
		switch v := properties[key].(type) {
		case nil, string:
		case float64, bool:
			properties[key] = fmt.Sprint(v)
		default:
			return fmt.Errorf("its %q is not a text; write it as \"%s\": \"beck\"", key, key)
		}
	}
	return nil
}

func each(g *geojson.Geometry, f func([]float64)) {
	line := func(l [][]float64) {
		for _, p := range l {
			f(p)
		}
	}
	switch {
	case g.IsPoint():
		f(g.Point)
	case g.IsMultiPoint():
		line(g.MultiPoint)
	case g.IsLineString():
		line(g.LineString)
	case g.IsMultiLineString():
		for _, l := range g.MultiLineString {
			line(l)
		}
	case g.IsPolygon():
		for _, l := range g.Polygon {
			line(l)
		}
	case g.IsMultiPolygon():
		for _, p := range g.MultiPolygon {
			for _, l := range p {
				line(l)
			}
		}
	case g.IsCollection():
		for _, c := range g.Geometries {
			each(c, f)
		}
	}
}
