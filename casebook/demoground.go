package casebook

import (
	"math"

	"zestythicket/exchange/track"
	"zestythicket/season"
	"zestythicket/store"
)

// demoGround is the ground of the demo: all of it is invented.
func (c *Casebook) demoGround() error {
	lat, lon := 54.412, -2.906
	var caps []Position
	for i, f := range track.Simulated() {
		if i >= 12 && i%4 == 0 {
			caps = append(caps, Position{Lat: f.Lat, Lon: f.Lon, Accuracy: f.Accuracy, Day: "2026-10-03"})
		}
	}
	wood := &Place{ID: "tarn-wood", Name: "Tarn Wood, Quillow valley", Lat: &lat, Lon: &lon, Alt: 120, Region: "EU", Habitats: []string{"damp-wood", "wood-edge", "water"}, Hosts: []string{"Birch", "Oak"}, Exposure: "north",
		Ground: "clean", Hazards: []string{"wet ground", "ticks"}, Owner: "the forest office", Permission: "yes", Until: "2027-03-31", Protected: "no",
		Limits:  []Limit{{Kind: "mushrooms", Amount: "0.5", Unit: "kg", Per: "person-day", Source: "forest office, by telephone"}},
		Zones:   []Zone{{Name: "by the hut", Rule: "clear"}, {Name: "in the wood", Rule: "keep"}},
		Patches: []PatchOfGround{{ID: "spring", Name: "Yellow funnels below the spring", Points: caps, Taxon: "cantharellus-cibarius", Every: 21}},
		Map:     `{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"name":"beck"},"geometry":{"type":"LineString","coordinates":[[-2.9078,54.4128],[-2.9069,54.4123],[-2.9063,54.4117],[-2.9054,54.4112]]}},{"type":"Feature","properties":{"name":"path"},"geometry":{"type":"LineString","coordinates":[[-2.9074,54.4110],[-2.9066,54.4114],[-2.9058,54.4119],[-2.9046,54.4124]]}},{"type":"Feature","properties":{"name":"old oaks"},"geometry":{"type":"Polygon","coordinates":[[[-2.9062,54.4126],[-2.9050,54.4127],[-2.9049,54.4120],[-2.9060,54.4121],[-2.9062,54.4126]]]}}]}`}
	bankLat, bankLon := 54.405, -2.93
	bank := &Place{ID: "hollin-bank", Name: "Hollin Bank, Quillow valley", Lat: &bankLat, Lon: &bankLon, Alt: 60, Region: "EU", Habitats: []string{"wood-edge", "meadow", "garden"}, Hosts: []string{"Sweet chestnut"}, Exposure: "south", Permission: "unanswered"}
	for _, p := range []*Place{wood, bank} {
		if _, err := c.SavePlace(p); err != nil {
			return err
		}
	}
	if err := c.Store.SaveWeather(station("tarn-wood")); err != nil {
		return err
	}
	if err := c.SaveSign(&Sign{ID: "funnels-after-rain", Taxon: "cantharellus-cibarius", Place: "tarn-wood", Kind: "rain", From: season.RainRule.From, To: season.RainRule.To, Sd: season.RainRule.Sd, Rain: season.RainRule.Rain, Within: season.RainRule.Within}); err != nil {
		return err
	}
	if err := c.SaveSeen(&Seen{ID: "elder-2026", Taxon: "sambucus-nigra", Stage: "flower", Place: "tarn-wood", Day: "2026-06-19"}); err != nil {
		return err
	}
	_, err := c.SaveWalk(&Walk{ID: "oyster-walk", Title: "Late shelves in Tarn Wood", Place: "tarn-wood", Day: "2026-11-28", From: "13:00", To: "15:30", People: []string{"Rowan"}, Hopes: []string{"pleurotus-ostreatus", "sambucus-nigra"}})
	return err
}

// station is a simulated weather station: a smooth year, three years long, with
// this one a week late, and rain by a fixed pattern. Nothing in it was measured.
func station(place string) []store.WeatherDay {
	var out []store.WeatherDay
	for day := season.DayOf(2024, 1, 1); day <= season.DayOf(2026, 11, 24); day++ {
		y, m, d := season.Civil(day)
		o := float64(season.Ordinal(m, d))
		if y == 2026 {
			o -= 7
		}
		mean := 8.5 - 7*math.Cos(2*math.Pi*(o-25)/365)
		wobble := 2.5 * math.Sin(float64(day)*1.7)
		rain := 0.0
		if day%47 < 4 || day%11 == 0 {
			rain = 3 + 6*math.Abs(math.Sin(float64(day)*0.7))
		}
		out = append(out, store.WeatherDay{PlaceID: place, Day: day, TMin: round1(mean + wobble - 3.5), TMax: round1(mean + wobble + 3.5), Rain: round1(rain)})
	}
	return out
}

func round1(x float64) float64 { return math.Round(x*10) / 10 }
