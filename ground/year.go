package ground

import (
	"fmt"
	"slices"
	"time"

	"zestythicket/guide"
	"zestythicket/phenology"
	"zestythicket/plan"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/words"
)

// Seen is a first-seen day of a stage at a place.
type Seen struct {
	ID    string `json:"id" pattern:"^[a-z0-9-]{1,40}$"`
	Taxon string `json:"taxon"`
	Stage string `json:"stage"`
	Place string `json:"place,omitempty"`
	Day   string `json:"day" format:"date"`
}

// Fixed is a window that the user set by hand.
type Fixed struct {
	ID    string `json:"id" pattern:"^[a-z0-9-]{1,90}$"`
	Taxon string `json:"taxon"`
	Stage string `json:"stage"`
	Place string `json:"place,omitempty"`
	Open  string `json:"open" pattern:"^[0-1][0-9]-[0-3][0-9]$" doc:"Month and day"`
	Close string `json:"close" pattern:"^[0-1][0-9]-[0-3][0-9]$"`
}

const (
	SeenKind  = "seen"
	FixedKind = "fixed"
	SignKind  = "sign"
)

// SaveSeen checks and stores a first-seen day.
func (c *Service) SaveSeen(s *Seen) error {
	bad := &records.Invalid{}
	c.entryAndStage(s.Taxon, s.Stage, bad)
	if _, err := time.Parse(time.DateOnly, s.Day); err != nil {
		bad.Add("body.day", "no-date", s.Day)
	}
	if err := bad.OrNil(); err != nil {
		return err
	}
	return c.Save(SeenKind, s.ID, s)
}

// SaveFixed checks and stores a window set by hand.
func (c *Service) SaveFixed(f *Fixed) error {
	bad := &records.Invalid{}
	c.entryAndStage(f.Taxon, f.Stage, bad)
	for path, text := range map[string]string{"body.open": f.Open, "body.close": f.Close} {
		if ordinal(text) == 0 {
			bad.Add(path, "no-day-of-year", text)
		}
	}
	if err := bad.OrNil(); err != nil {
		return err
	}
	return c.Save(FixedKind, f.ID, f)
}

func (c *Service) entryAndStage(taxon, stage string, bad *records.Invalid) {
	if _, ok := c.Engine.Index().TaxonAt(taxon); !ok {
		bad.Add("body.taxon", "no-such-entry", taxon)
	}
	c.CheckOneOf(stage, guide.Words("stage"), "body.stage", -1, "stage", bad)
}

// ordinal reads a month and a day; 0 when there is no such day.
func ordinal(text string) int {
	var m, d int
	if n, err := fmt.Sscanf(text, "%2d-%2d", &m, &d); n != 2 || err != nil {
		return 0
	}
	return phenology.Ordinal(m, d)
}

// Forget removes a first-seen day, a window set by hand, or a sign.
func (c *Service) Forget(kind, id string) error { return c.Store.RemoveNote(kind, id) }

// WhereOf is a place as the planner wants it.
func WhereOf(p *Place) *plan.SiteContext {
	w := &plan.SiteContext{}
	if p == nil {
		return w
	}
	w.Region, w.Habitats = p.Region, p.Habitats
	if p.Lat != nil && p.Lon != nil {
		w.HasSite, w.Site = true, phenology.Site{Lat: *p.Lat, Lon: *p.Lon, Alt: p.Alt}
	}
	return w
}

// almanac is what was stored of seasons, read once for all places.
type almanac struct {
	c     *Service
	seen  map[string][]Seen  // by place
	fixed map[string][]Fixed // by place
	signs []Sign
	days  map[string][]phenology.Weather // by place, as they are asked for
	with  map[string]bool                // places of which any weather is stored; nil: not known
}

func (c *Service) almanac() (*almanac, error) {
	a := &almanac{c: c, seen: map[string][]Seen{}, fixed: map[string][]Fixed{}, days: map[string][]phenology.Weather{}}
	seen, err := records.Notes[Seen](c.Base, SeenKind)
	if err != nil {
		return nil, err
	}
	for _, s := range seen {
		a.seen[s.Place] = append(a.seen[s.Place], s)
	}
	fixed, err := records.Notes[Fixed](c.Base, FixedKind)
	if err != nil {
		return nil, err
	}
	for _, f := range fixed {
		a.fixed[f.Place] = append(a.fixed[f.Place], f)
	}
	if a.signs, err = records.Notes[Sign](c.Base, SignKind); err != nil {
		return nil, err
	}
	if a.with, err = c.Store.WeatherPlaces(); err != nil {
		a.with = nil // each place is asked: what can be read of its days is used
	}
	return a, nil
}

func (a *almanac) weather(place string) ([]phenology.Weather, error) {
	if a.with != nil && !a.with[place] {
		return nil, nil
	}
	if days, ok := a.days[place]; ok {
		return days, nil
	}
	days, err := a.c.weatherOf(place)
	if err == nil {
		a.days[place] = days
	}
	return days, err
}

// known gathers what the user adds to the reckoning at a place.
func (c *Service) known(place string) (*plan.Observations, error) {
	a, err := c.almanac()
	if err != nil {
		return nil, err
	}
	return a.known(place)
}

func (a *almanac) known(place string) (*plan.Observations, error) {
	k := &plan.Observations{Seen: map[string][]plan.Sighting{}, Corrected: map[string][]plan.Correction{}}
	for _, s := range a.seen[place] {
		at, err := time.Parse(time.DateOnly, s.Day)
		st, ok := guide.ParseStage(s.Stage)
		if err == nil && ok {
			k.Seen[s.Taxon] = append(k.Seen[s.Taxon], plan.Sighting{Stage: st, Ordinal: phenology.Ordinal(int(at.Month()), at.Day())})
		}
	}
	for _, f := range a.fixed[place] {
		if st, ok := guide.ParseStage(f.Stage); ok {
			k.Corrected[f.Taxon] = append(k.Corrected[f.Taxon], plan.Correction{Stage: st, Open: ordinal(f.Open), Close: ordinal(f.Close)})
		}
	}
	days, err := a.weather(place)
	if err != nil {
		return nil, err
	}
	k.Late, k.Years = phenology.Offset(byYear(days), phenology.BaseTemperature)
	return k, nil
}

// byYear parts a record into years; a year with a gap ends there.
func byYear(days []phenology.Weather) []phenology.YearDays {
	var out []phenology.YearDays
	for i := range days {
		y, m, d := phenology.Civil(days[i].Day)
		n := len(out) - 1
		if n >= 0 && out[n].Year == y {
			if last := out[n].Days[len(out[n].Days)-1].Day; last+1 == days[i].Day {
				out[n].Days = append(out[n].Days, days[i])
			}
			continue
		}
		out = append(out, phenology.YearDays{Year: y, From: phenology.Ordinal(m, d), Days: []phenology.Weather{days[i]}})
	}
	return out
}

// YearStep is one thing that moved a window.
type YearStep struct {
	What   string  `json:"what"`
	Open   float64 `json:"open" doc:"Days by which it moved the opening"`
	Close  float64 `json:"close"`
	Source string  `json:"source"`
}

// YearWindow is a reckoned window with soft edges, as ordinals.
type YearWindow struct {
	Stages  []string   `json:"stages"`
	AllYear bool       `json:"allYear"`
	Open    float64    `json:"open"`
	OpenSd  float64    `json:"openSd" doc:"Days, one standard deviation"`
	Close   float64    `json:"close"`
	CloseSd float64    `json:"closeSd"`
	Now     float64    `json:"now" doc:"How likely it is up on the day, 0 to 1"`
	Steps   []YearStep `json:"steps"`
}

// YearRow is one entry of the chart.
type YearRow struct {
	Taxon   report.TaxonRef `json:"taxon"`
	Kingdom string          `json:"kingdom"`
	Grade   int             `json:"grade"`
	From    string          `json:"from" doc:"The reference place of the guide's months"`
	Windows []YearWindow    `json:"windows"`
}

// Year is the chart of a place.
type Year struct {
	Place    string    `json:"place"`
	Day      string    `json:"day"`
	Today    int       `json:"today" doc:"As an ordinal"`
	Late     float64   `json:"late" doc:"By how many days this year runs late in degree days"`
	Years    int       `json:"years" doc:"Years of weather to compare with"`
	Rows     []YearRow `json:"rows"`
	Signs    []Stretch `json:"signs"`
	Seen     []Seen    `json:"seen"`
	Reckoned string    `json:"reckoned" doc:"How, in words"`
}

// YearAt reckons the year at a place ("" for the guide's own reference places) for
// some entries, or for all. day is a date; empty is today.
func (c *Service) YearAt(place string, taxa []string, day string) (*Year, error) {
	var p *Place
	if place != "" {
		var err error
		if p, err = c.Place(place); err != nil {
			return nil, err
		}
	}
	at, err := c.dayOr(day)
	if err != nil {
		return nil, err
	}
	k, err := c.known(place)
	if err != nil {
		return nil, err
	}
	ix := c.Engine.Index()
	b := ix.Book
	w := WhereOf(p)
	today := phenology.Ordinal(int(at.Month()), at.Day())
	y := &Year{Place: place, Day: at.Format(time.DateOnly), Today: today, Late: k.Late, Years: k.Years, Rows: []YearRow{}, Signs: []Stretch{}, Seen: []Seen{}}
	here := ix.ContinentMask(w.Region)
	for i := range b.Taxa {
		t := &b.Taxa[i]
		if len(taxa) > 0 && !slices.Contains(taxa, t.ID) {
			continue
		}
		if len(taxa) == 0 && w.Region != "" && ix.Continents[i]&here == 0 {
			continue
		}
		row := YearRow{Taxon: report.Taxon(ix, int32(i)), Kingdom: t.Kingdom.String(), Grade: int(ix.Worst[i]), From: t.Place, Windows: []YearWindow{}}
		for _, win := range plan.Windows(b, int32(i), w, k, phenology.StandardDefaults()) {
			s := &win.Span
			yw := YearWindow{Stages: win.Stages.Strings(), AllYear: s.AllYear, Open: s.Open.At, OpenSd: s.Open.Sd, Close: s.Close.At, CloseSd: s.Close.Sd, Now: s.Up(today), Steps: []YearStep{}}
			for _, st := range s.Steps {
				what, source := words.SeasonStep(&st)
				yw.Steps = append(yw.Steps, YearStep{what, st.Open, st.Close, source})
			}
			row.Windows = append(row.Windows, yw)
		}
		y.Rows = append(y.Rows, row)
	}
	if y.Signs, err = c.signsAt(place, p, at); err != nil {
		return nil, err
	}
	all, err := records.Notes[Seen](c.Base, SeenKind)
	if err != nil {
		return nil, err
	}
	for _, s := range all {
		if s.Place == place {
			y.Seen = append(y.Seen, s)
		}
	}
	switch {
	case p == nil:
		y.Reckoned = words.Ground("months-own")
	case !w.HasSite:
		y.Reckoned = words.Ground("months-as-they-are")
	default:
		y.Reckoned = words.Ground("months-carried")
	}
	if k.Years > 0 {
		y.Reckoned += fmt.Sprintf(" By degree days this year runs %.0f days %s, against %d other years.", abs(k.Late), word(k.Late < 0, "early", "late"), k.Years)
	}
	return y, nil
}

func abs(x float64) float64 { return max(x, -x) }

func word(yes bool, a, b string) string {
	if yes {
		return a
	}
	return b
}

func (c *Service) dayOr(day string) (time.Time, error) {
	if day == "" {
		return c.Now(), nil
	}
	at, err := time.Parse(time.DateOnly, day)
	if err != nil {
		return at, records.Refuse("query.day", "no-date", day)
	}
	return at, nil
}

// GroundNow is what is stored of places and walks, read once.
type GroundNow struct {
	Places []Place
	Walks  []Walk
	By     *almanac
	known  map[string]*plan.Observations
}

// ReadGround reads what is stored of places, walks and seasons.
func (c *Service) ReadGround() (*GroundNow, error) {
	places, err := c.Places()
	if err != nil {
		return nil, err
	}
	walks, err := c.Walks()
	if err != nil {
		return nil, err
	}
	by, err := c.almanac()
	return &GroundNow{places, walks, by, map[string]*plan.Observations{}}, err
}

// Of is what the user adds to the reckoning at a place.
func (g *GroundNow) Of(place string) (*plan.Observations, error) {
	if k, ok := g.known[place]; ok {
		return k, nil
	}
	k, err := g.By.known(place)
	if err == nil {
		g.known[place] = k
	}
	return k, err
}
