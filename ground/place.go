package ground

import (
	"bytes"
	"fmt"
	"strings"
	"time"

	"zestythicket/exchange/geo"
	"zestythicket/exchange/track"
	"zestythicket/exchange/weather"
	"zestythicket/guide"
	"zestythicket/phenology"
	"zestythicket/records"
	"zestythicket/store"
)

// Place is ground that is gone back to, with its rules as the user knows them.
type Place struct {
	ID       string   `json:"id" pattern:"^[a-z0-9-]{1,40}$"`
	Name     string   `json:"name" minLength:"1" maxLength:"120"`
	Lat      *float64 `json:"lat,omitempty" minimum:"-90" maximum:"90" doc:"Degrees north"`
	Lon      *float64 `json:"lon,omitempty" minimum:"-180" maximum:"180" doc:"Degrees east"`
	Alt      float64  `json:"alt,omitempty" minimum:"-430" maximum:"6000" doc:"Metres"`
	Region   string   `json:"region,omitempty" enum:"EU,ENA,WNA,"`
	Habitats []string `json:"habitats,omitempty"`
	Hosts    []string `json:"hosts,omitempty" doc:"Trees that stand there"`
	Exposure string   `json:"exposure,omitempty" enum:"north,east,south,west,level,"`
	Burnt    string   `json:"burnt,omitempty" doc:"When it burnt last, if it did"`
	Ground   string   `json:"ground,omitempty" enum:"clean,sprayed,roadside,fouled,industrial,"`
	Hazards  []string `json:"hazards,omitempty" doc:"Of the scene: wet ground, rocks, traffic, ticks, thorns, stock"`

	Owner      string          `json:"owner,omitempty" maxLength:"120"`
	Permission string          `json:"permission,omitempty" enum:"yes,no,unanswered,"`
	Until      string          `json:"until,omitempty" doc:"When the permission ends"`
	Protected  string          `json:"protected,omitempty" enum:"yes,no,unanswered,"`
	Limits     []Limit         `json:"limits,omitempty"`
	Zones      []Zone          `json:"zones,omitempty"`
	Patches    []PatchOfGround `json:"patches,omitempty"`
	records.Revision
	Map string `json:"map,omitempty" doc:"GeoJSON of the ground, as drawn or brought"`
}

// Limit is how much may be taken, as the user has it.
type Limit struct {
	Kind   string `json:"kind" maxLength:"80" doc:"What it is for; empty: everything"`
	Amount string `json:"amount" pattern:"^[0-9]{1,6}([.][0-9]{1,3})?$" doc:"A decimal number"`
	Unit   string `json:"unit" enum:"kg,g,l,pieces,"`
	Per    string `json:"per" enum:"person-day,day,person-year,year"`
	Source string `json:"source" maxLength:"160" doc:"Where the user has it from"`
}

// Zone decides whether a hazard or weed is cleared or kept.
type Zone struct {
	Name string `json:"name" maxLength:"80"`
	Rule string `json:"rule" enum:"clear,keep"`
}

// PatchOfGround is one spot of a place.
type PatchOfGround struct {
	ID     string     `json:"id" pattern:"^[a-z0-9-]{1,40}$"`
	Name   string     `json:"name" maxLength:"120"`
	Points []Position `json:"points"`
	Taxon  string     `json:"taxon,omitempty"`
	Stage  string     `json:"stage,omitempty" doc:"What it is gone back for; empty: any"`
	Every  int        `json:"every,omitempty" minimum:"0" maximum:"730" doc:"Days to regrow before the next visit"`
	Note   string     `json:"note,omitempty" maxLength:"300"`
}

// Position is a place on the globe and how sure it is, in metres.
type Position struct {
	Lat      float64 `json:"lat" minimum:"-90" maximum:"90"`
	Lon      float64 `json:"lon" minimum:"-180" maximum:"180"`
	Accuracy float64 `json:"accuracy,omitempty" minimum:"0" maximum:"100000"`
	Day      string  `json:"day,omitempty"`
}

const PlaceKind = "place"

// Places lists all places.
func (c *Service) Places() ([]Place, error) { return records.Notes[Place](c.Base, PlaceKind) }

// Place reads one place.
func (c *Service) Place(id string) (*Place, error) { return records.Note[Place](c.Base, PlaceKind, id) }

// SavePlace checks and stores a place.
func (c *Service) SavePlace(p *Place) (*Place, error) {
	bad := &records.Invalid{}
	if strings.TrimSpace(p.Name) == "" {
		bad.Add("body.name", "no-name")
	}
	if (p.Lat == nil) != (p.Lon == nil) {
		bad.Add("body.lat", "half-a-position")
	}
	c.dates(bad, "body.until", p.Until)
	c.dates(bad, "body.burnt", p.Burnt)
	for i, l := range p.Limits {
		// A limit with no unit is asked about, never assumed.
		if l.Unit == "" {
			bad.Add(fmt.Sprintf("body.limits[%d].unit", i), "no-unit", l.Amount)
		}
	}
	habitats := c.Engine.Index().Book.HabitatWords()
	for i, h := range p.Habitats {
		c.CheckOneOf(h, habitats, "body.habitats", i, "habitat", bad)
	}
	for i := range p.Patches {
		if t := p.Patches[i].Taxon; t != "" {
			if _, ok := c.Engine.Index().TaxonAt(t); !ok {
				bad.Add(fmt.Sprintf("body.patches[%d].taxon", i), "no-such-entry", t)
			}
		}
		if st := p.Patches[i].Stage; st != "" {
			c.CheckOneOf(st, guide.Words("stage"), fmt.Sprintf("body.patches[%d].stage", i), -1, "stage", bad)
		}
	}
	if p.Map != "" {
		if _, err := geo.Read([]byte(p.Map)); err != nil {
			bad.Add("body.map", "bad-map", err)
		}
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	return p, records.Replace(c.Base, PlaceKind, p.ID, p)
}

func (c *Service) dates(bad *records.Invalid, path, text string) {
	if text == "" {
		return
	}
	if _, err := time.Parse(time.DateOnly, text); err != nil {
		bad.Add(path, "no-date", text)
	}
}

// Imported says what came of a file.
type Imported struct {
	Read     int                `json:"read" doc:"How many lines or positions could be read"`
	Stored   bool               `json:"stored"`
	Problems []weather.Problem  `json:"problems"`
	Gaps     []string           `json:"gaps"`
	Fixes    []track.TrackPoint `json:"fixes"`
}

// ImportWeather reads a weather file for a place. With problems in it, the good
// part is stored only when the user says so.
func (c *Service) ImportWeather(place string, file []byte, partly bool) (*Imported, error) {
	if _, err := c.Place(place); err != nil {
		return nil, err
	}
	r, err := weather.Read(bytes.NewReader(file))
	if err != nil {
		return nil, records.Refuse("body", "file-refused", err)
	}
	out := &Imported{Read: len(r.Days), Problems: append([]weather.Problem{}, r.Problems...), Gaps: append([]string{}, r.Gaps...), Fixes: []track.TrackPoint{}}
	if len(r.Days) == 0 || len(r.Problems) > 0 && !partly {
		return out, nil
	}
	rows := make([]store.WeatherDay, len(r.Days))
	for i, d := range r.Days {
		rows[i] = store.WeatherDay{PlaceID: place, Day: d.Day, TMin: d.Min, TMax: d.Max, Rain: d.Rain}
	}
	out.Stored = true
	return out, c.Store.SaveWeather(rows)
}

// ReadTrack reads positions from NMEA or GPX, told by content; it stores nothing.
func (c *Service) ReadTrack(file []byte) (*Imported, error) {
	if len(file) > track.MostBytes {
		return nil, records.Refuse("body", "track-too-large", fmt.Sprintf("%.1f", float64(len(file))/(1<<20)), track.MostBytes>>20)
	}
	var fixes []track.TrackPoint
	var bad []track.Problem
	if head := bytes.TrimSpace(file); bytes.HasPrefix(head, []byte("<")) {
		fixes, bad = track.GPX(bytes.NewReader(file))
	} else {
		fixes, bad = track.NMEA(bytes.NewReader(file))
	}
	out := &Imported{Read: len(fixes), Problems: []weather.Problem{}, Gaps: []string{}, Fixes: append([]track.TrackPoint{}, fixes...)}
	for _, p := range bad {
		out.Problems = append(out.Problems, weather.Problem{Line: p.Line, What: p.What})
	}
	return out, nil
}

// weatherOf is the weather of a place as the core wants it.
func (c *Service) weatherOf(place string) ([]phenology.Weather, error) {
	rows, _ := c.Store.WeatherLost(place) // what can't be read is set aside
	out := make([]phenology.Weather, len(rows))
	for i, r := range rows {
		out[i] = phenology.Weather{Day: r.Day, Min: r.TMin, Max: r.TMax, Rain: r.Rain}
	}
	return out, nil
}

// PlaceNames are the names of stored places, by id.
func (c *Service) PlaceNames() map[string]string {
	out := map[string]string{}
	places, err := c.Places()
	if err != nil {
		return out
	}
	for i := range places {
		out[places[i].ID] = places[i].Name
	}
	return out
}
