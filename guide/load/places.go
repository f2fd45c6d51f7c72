package load

import (
	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
)

// readPlaces reads the reference places of the windows.
func (l *loader) readPlaces(r yamlpos.Reader, data []byte) {
	n := r.Parse(data)
	if n == nil {
		return
	}
	m := r.Map(n, "places")
	for _, it := range r.Items(m["places"]) {
		f := r.Map(it, "name", "lat", "lon", "alt")
		r.Need(it, f, "name", "lat", "lon", "alt")
		p := guide.Place{Name: r.Str(f["name"]), Lat: r.Num(f["lat"]), Lon: r.Num(f["lon"]), Alt: r.Num(f["alt"])}
		if p.Lat < -90 || p.Lat > 90 || p.Lon < -180 || p.Lon > 180 {
			r.Fail(it, "degrees, north and east positive", "%q can't lie at %g, %g", p.Name, p.Lat, p.Lon)
		}
		if _, twice := l.book.PlaceNamed(p.Name); twice {
			r.Fail(it, "", "the place %q is there already", p.Name)
		}
		l.book.Places = append(l.book.Places, p)
	}
}

// placeOf checks that a reference place is one of those that are described.
func (l *loader) placeOf(r yamlpos.Reader, t *guide.Taxon, n *yaml.Node) {
	if len(l.book.Places) == 0 || t.Place == "" {
		return
	}
	var names []string
	for _, p := range l.book.Places {
		names = append(names, p.Name)
	}
	r.Word(n, "reference place", names)
}
