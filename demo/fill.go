package demo

import (
	_ "embed"
	"math"
	"strconv"
	"strings"
	"time"

	"zestythicket/app"
	"zestythicket/evidence"
	"zestythicket/exchange/track"
	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/kitchen"
	"zestythicket/people"
	"zestythicket/phenology"
	"zestythicket/records"
	"zestythicket/store"
)

//go:embed scenario.json
var demoScenario string

// scenario is the demo: an invented valley and invented finds.
type scenario struct {
	Person string   `json:"person"`
	People []string `json:"people"` // who else is there
	Finds  []struct {
		Begin   finds.Begin    `json:"begin"`
		Answers []finds.Answer `json:"answers"`
	} `json:"finds"`
	Kitchen []kitchen.KitchenAct `json:"kitchen"`
	Places  []ground.Place       `json:"places"`
	// Track says which patch takes its points from the simulated receiver.
	Track struct {
		Place string `json:"place"`
		Patch string `json:"patch"`
		Day   string `json:"day"`
	} `json:"track"`
	Station struct {
		Place string `json:"place"`
		From  string `json:"from"`
		To    string `json:"to"`
	} `json:"station"`
	Signs []ground.Sign `json:"signs"`
	Seen  []ground.Seen `json:"seen"`
	Walks []ground.Walk `json:"walks"`
}

// Fill fills an empty database with a scenario of our own in the invented Quillow
// valley. A database that already knows someone is left alone.
func Fill(c *app.App) error {
	known, err := c.Store.People()
	if err != nil || len(known) > 0 {
		return err
	}
	var s scenario
	if err := records.Decode(demoScenario, &s); err != nil {
		return err
	}
	for _, name := range append([]string{s.Person}, s.People...) {
		if err := c.People.SavePerson(strings.ToLower(name), name, &people.Profile{Facts: []string{}, Answered: evidence.HealthTopics, SignOffs: []people.SignOff{}}, 0); err != nil {
			return err
		}
	}
	for i := range s.Finds {
		f := &s.Finds[i]
		if _, err := c.Finds.Begin(&f.Begin); err != nil {
			return err
		}
		for k := range f.Answers {
			if _, err := c.Finds.Append(f.Begin.ID, &finds.NewLine{Key: "demo-line-" + strconv.Itoa(k), Specimen: finds.FirstSpecimen, Kind: "answered", Body: finds.Body{Answer: &f.Answers[k]}}); err != nil {
				return err
			}
		}
	}
	for i := range s.Kitchen {
		s.Kitchen[i].Key = "demo-act-" + strconv.Itoa(i)
		if _, err := c.Kitchen.RecordAct(&s.Kitchen[i]); err != nil {
			return err
		}
	}
	return demoGround(c, &s)
}

func demoGround(c *app.App, s *scenario) error {
	for i := range s.Places {
		p := &s.Places[i]
		for k := range p.Patches {
			if p.ID == s.Track.Place && p.Patches[k].ID == s.Track.Patch {
				p.Patches[k].Points = walked(s.Track.Day)
			}
		}
		if _, err := c.Ground.SavePlace(p); err != nil {
			return err
		}
	}
	from, err := time.Parse(time.DateOnly, s.Station.From)
	if err != nil {
		return err
	}
	to, err := time.Parse(time.DateOnly, s.Station.To)
	if err != nil {
		return err
	}
	if err := c.Store.SaveWeather(station(s.Station.Place, ground.DayNumber(from), ground.DayNumber(to))); err != nil {
		return err
	}
	for i := range s.Signs {
		g := &s.Signs[i]
		if g.Kind == "rain" && g.Rain == 0 {
			r := phenology.RainRule
			g.From, g.To, g.Sd, g.Rain, g.Within = r.From, r.To, r.Sd, r.Rain, r.Within
		}
		if err := c.Ground.SaveSign(g); err != nil {
			return err
		}
	}
	for i := range s.Seen {
		if err := c.Ground.SaveSeen(&s.Seen[i]); err != nil {
			return err
		}
	}
	for i := range s.Walks {
		// The walk of the demo is still to come, whenever it is looked at.
		if today := c.Now().Format(time.DateOnly); s.Walks[i].Day < today {
			s.Walks[i].Day = today
		}
		if _, err := c.Ground.SaveWalk(&s.Walks[i]); err != nil {
			return err
		}
	}
	return nil
}

// walked takes every fourth point of the simulated receiver's ring.
func walked(day string) []ground.Position {
	var out []ground.Position
	for i, f := range track.Simulated() {
		if i >= 12 && i%4 == 0 {
			out = append(out, ground.Position{Lat: f.Lat, Lon: f.Lon, Accuracy: f.Accuracy, Day: day})
		}
	}
	return out
}

// station is a simulated weather station: a smooth year, with the last one a week
// late, and rain by a fixed pattern. Nothing in it was measured.
func station(place string, from, to int) []store.WeatherDay {
	var out []store.WeatherDay
	last, _, _ := phenology.Civil(to)
	for day := from; day <= to; day++ {
		y, m, d := phenology.Civil(day)
		o := float64(phenology.Ordinal(m, d))
		if y == last {
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
