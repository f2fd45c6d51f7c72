package ground

import (
	"fmt"
	"time"

	"zestythicket/phenology"
	"zestythicket/records"
	"zestythicket/report"
)

// Sign is a sign other than a date, for one entry.
type Sign struct {
	ID     string  `json:"id" pattern:"^[a-z0-9-]{1,40}$"`
	Taxon  string  `json:"taxon"`
	Place  string  `json:"place,omitempty"`
	Kind   string  `json:"kind" enum:"rain,frost,fire,flower,feast"`
	From   int     `json:"from" minimum:"-60" maximum:"400" doc:"Days after the sign"`
	To     int     `json:"to" minimum:"-60" maximum:"400"`
	Sd     float64 `json:"sd" minimum:"0" maximum:"90"`
	Rain   float64 `json:"rain,omitempty" minimum:"0" maximum:"500" doc:"mm, after rain"`
	Within int     `json:"within,omitempty" minimum:"0" maximum:"60" doc:"days, after rain"`
	Below  float64 `json:"below,omitempty" minimum:"-40" maximum:"10" doc:"°C, after frost"`
	Of     string  `json:"of,omitempty" doc:"The other plant, after its flower"`
	Feast  string  `json:"feast,omitempty" doc:"Month and day"`
}

// Stretch is a run of days that follows a sign.
type Stretch struct {
	Sign  Sign            `json:"sign"`
	Taxon report.TaxonRef `json:"taxon"`
	From  string          `json:"from"`
	To    string          `json:"to"`
	Of    string          `json:"of" doc:"The day of the sign"`
}

// SaveSign checks and stores a sign.
func (c *Service) SaveSign(s *Sign) error {
	bad := &records.Invalid{}
	ix := c.Engine.Index()
	if _, ok := ix.TaxonAt(s.Taxon); !ok {
		bad.Add("body.taxon", "no-such-entry", s.Taxon)
	}
	if s.From > s.To {
		bad.Add("body.from", "begins-after-it-ends")
	}
	switch s.Kind {
	case "rain":
		if s.Rain <= 0 || s.Within <= 0 {
			bad.Add("body.rain", "no-rain")
		}
	case "flower":
		if _, ok := ix.TaxonAt(s.Of); !ok {
			bad.Add("body.of", "flower-of-what")
		}
	case "feast":
		if ordinal(s.Feast) == 0 {
			bad.Add("body.feast", "no-day-of-year", s.Feast)
		}
	}
	if err := bad.OrNil(); err != nil {
		return err
	}
	return c.Save(SignKind, s.ID, s)
}

// signsAt works the signs of a place out for the year about a day.
func (c *Service) signsAt(place string, p *Place, at time.Time) ([]Stretch, error) {
	a, err := c.almanac()
	if err != nil {
		return nil, err
	}
	return a.SignsAt(place, p, at)
}

// SignsAt works the signs of a place out for the year about a day.
func (a *almanac) SignsAt(place string, p *Place, at time.Time) ([]Stretch, error) {
	out := []Stretch{}
	ix := a.c.Engine.Index()
	for _, s := range a.signs {
		i, ok := ix.TaxonAt(s.Taxon)
		kind, known := phenology.ParseSign(s.Kind)
		if !ok || !known || s.Place != "" && s.Place != place {
			continue
		}
		r := phenology.Rule{Kind: kind, From: s.From, To: s.To, Sd: s.Sd, Rain: s.Rain, Within: s.Within, Below: s.Below}
		if kind == phenology.Feast {
			r.Month, r.Day = phenology.MonthDay(ordinal(s.Feast))
		}
		var runs []phenology.Stretch
		switch kind {
		case phenology.Feast:
			runs = append(runs, r.On(at.Year(), 0))
		case phenology.AfterFire:
			if day, err := time.Parse(time.DateOnly, orEmpty(p).Burnt); err == nil {
				runs = append(runs, r.On(0, DayNumber(day)))
			}
		case phenology.AfterFlower:
			for _, x := range a.seen[place] {
				if day, err := time.Parse(time.DateOnly, x.Day); err == nil && x.Taxon == s.Of && x.Stage == "flower" && day.Year() == at.Year() {
					runs = append(runs, r.On(0, DayNumber(day)))
				}
			}
		default:
			days, err := a.weather(place)
			if err != nil {
				return nil, err
			}
			south := p != nil && p.Lat != nil && *p.Lat < 0
			for _, run := range r.Follow(days, south) {
				if y, _, _ := phenology.Civil(run.Sign); y == at.Year() {
					runs = append(runs, run)
				}
			}
		}
		for _, run := range runs {
			out = append(out, Stretch{Sign: s, Taxon: report.Taxon(ix, i), From: dateOf(run.From), To: dateOf(run.To), Of: dateOf(run.Sign)})
		}
	}
	return out, nil
}

func orEmpty(p *Place) *Place {
	if p == nil {
		return &Place{}
	}
	return p
}

// DayNumber counts a day from 1 January 1970.
func DayNumber(t time.Time) int { return phenology.DayOf(t.Year(), int(t.Month()), t.Day()) }

func dateOf(day int) string {
	y, m, d := phenology.Civil(day)
	return fmt.Sprintf("%04d-%02d-%02d", y, m, d)
}
