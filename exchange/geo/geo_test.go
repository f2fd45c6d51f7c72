package geo

import (
	"strings"
	"testing"
)

func TestRead(t *testing.T) {
	for name, text := range map[string]string{
		"a collection": `{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"name":"beck"},"geometry":{"type":"LineString","coordinates":[[-2.91,54.41],[-2.905,54.412]]}}]}`,
		"a feature":    `{"type":"Feature","properties":{},"geometry":{"type":"Polygon","coordinates":[[[0,51],[0.01,51],[0.01,51.01],[0,51]]]}}`,
		"a geometry":   `{"type":"Point","coordinates":[147.3,-42.9]}`,
	} {
		if fc, err := Read([]byte(text)); err != nil || len(fc.Features) != 1 {
			t.Errorf("%s: %v", name, err)
		}
	}
	long := strings.Repeat("[0,51],", 60_000)
	for name, c := range map[string][2]string{
		"nothing":            {``, "no JSON"},
		"half a file":        {`{"type":"Feature","geometry":{"type":"Po`, "at byte"},
		"another JSON":       {`{"a":1}`, "no type"},
		"an unknown kind":    {`{"type":"Blob"}`, "Blob"},
		"empty":              {`{"type":"FeatureCollection","features":[]}`, "nothing in it"},
		"no geometry":        {`{"type":"Feature","properties":{},"geometry":null}`, "no geometry"},
		"swapped":            {`{"type":"Feature","properties":{},"geometry":{"type":"Point","coordinates":[54.4,-120.9]}}`, "swapped"},
		"over the date line": {`{"type":"LineString","coordinates":[[179.9,-17],[-179.9,-17]]}`, "date line"},
		"past 180":           {`{"type":"LineString","coordinates":[[179.9,-17],[180.1,-17]]}`, "cut in two"},
		"a country":          {`{"type":"LineString","coordinates":[[0,50],[5,58]]}`, "map of a walk"},
		"too many points":    {`{"type":"LineString","coordinates":[` + long + `[0,51]]}`, "simplify"},
		"one number":         {`{"type":"Feature","properties":{},"geometry":{"type":"Point","coordinates":[3]}}`, ""},
	} {
		if _, err := Read([]byte(c[0])); err == nil || !strings.Contains(err.Error(), c[1]) {
			t.Errorf("%s: %v, want %q", name, err, c[1])
		}
	}
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(`{"type":"Point","coordinates":[147.3,-42.9]}`))
	f.Add([]byte(`{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"GeometryCollection","geometries":[{"type":"MultiPolygon","coordinates":[[[[0,1],[0,2]]]]}]}}]}`))
	f.Fuzz(func(t *testing.T, b []byte) {
		fc, err := Read(b)
		if err != nil {
			return
		}
		out, err := fc.MarshalJSON()
		if err != nil {
			t.Fatal(err)
		}
		if _, err := Read(out); err != nil {
			t.Fatalf("written again it is refused: %v\n%s", err, out)
		}
	})
}
