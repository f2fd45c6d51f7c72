package ground

import (
	"fmt"
	"strings"
	"time"

	"zestythicket/daylight"
	"zestythicket/guide"
	"zestythicket/phenology"
	"zestythicket/plan"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/words"
)

// Walk is a walk as it was planned.
type Walk struct {
	ID     string   `json:"id" pattern:"^[a-z0-9-]{1,40}$"`
	Title  string   `json:"title,omitempty" maxLength:"120"`
	Place  string   `json:"place,omitempty" doc:"Id of a place"`
	Day    string   `json:"day" format:"date"`
	From   string   `json:"from,omitempty" pattern:"^([0-2][0-9]:[0-5][0-9])?$"`
	To     string   `json:"to,omitempty" pattern:"^([0-2][0-9]:[0-5][0-9])?$"`
	Offset int      `json:"offset,omitempty" minimum:"-840" maximum:"840" doc:"Minutes of the clock ahead of UTC"`
	People []string `json:"people,omitempty"`
	Hopes  []string `json:"hopes,omitempty" doc:"Ids of entries"`
	Packed []string `json:"packed,omitempty" doc:"What is in the bag"`
	Left   []string `json:"left,omitempty" doc:"What the list asks for and is left at home on purpose"`
	Extra  []string `json:"extra,omitempty" doc:"What was added to the list"`
	Note   string   `json:"note,omitempty" maxLength:"1000"`
	records.Revision
}

const WalkKind = "walk"

// KitLine is one thing to carry, and why.
type KitLine struct {
	ID   string `json:"id"`
	What string `json:"what"`
	Why  string `json:"why"`
}

// LikelyLine is an entry that may be met.
type LikelyLine struct {
	Taxon  report.TaxonRef `json:"taxon"`
	Stages []string        `json:"stages"`
	P      float64         `json:"p" doc:"How likely its best stage is up; -1 when the guide gives no window"`
	Fits   bool            `json:"fits" doc:"Its habitat is here"`
}

// DangerLine is a dangerous neighbour.
type DangerLine struct {
	LikelyLine
	Grade     int               `json:"grade"`
	GradeWord string            `json:"gradeWord"`
	Contact   bool              `json:"contact"`
	Named     []report.TaxonRef `json:"named" doc:"What is hoped for that names it as a lookalike"`
	Cues      []string          `json:"cues" doc:"What leads to it; never evidence"`
}

// Pair is two to brush up on.
type Pair struct {
	Hope   report.TaxonRef `json:"hope"`
	Danger report.TaxonRef `json:"danger"`
	Stage  string          `json:"stage"`
}

// Outlook is what comes back for a walk.
type Outlook struct {
	Walk    Walk         `json:"walk"`
	Place   *Place       `json:"placeDetails,omitempty"`
	Dangers []DangerLine `json:"dangers"`
	Hopes   []LikelyLine `json:"hopes"`
	Others  []LikelyLine `json:"others"`
	Pairs   []Pair       `json:"pairs"`
	Kit     []KitLine    `json:"kit"`
	Rules   []string     `json:"rules" doc:"Permission, protection and limits, and what of them is open"`
	Scene   []string     `json:"scene"`
	Sunrise string       `json:"sunrise,omitempty" doc:"By the walk's clock"`
	Sunset  string       `json:"sunset,omitempty"`
	Light   string       `json:"light" doc:"Daylight left at the end of the walk, in words"`
	Guide   string       `json:"guide"`
}

// Walks lists all walks.
func (c *Service) Walks() ([]Walk, error) { return records.Notes[Walk](c.Base, WalkKind) }

// SaveWalk checks and stores a walk, and looks ahead for it.
func (c *Service) SaveWalk(w *Walk) (*Outlook, error) {
	bad := &records.Invalid{}
	if _, err := time.Parse(time.DateOnly, w.Day); err != nil {
		bad.Add("body.day", "no-date", w.Day)
	}
	ix := c.Engine.Index()
	for i, h := range w.Hopes {
		if _, ok := ix.TaxonAt(h); !ok {
			bad.Add(fmt.Sprintf("body.hopes[%d]", i), "no-such-entry", h)
		}
	}
	for path, text := range map[string]string{"body.from": w.From, "body.to": w.To} {
		if _, err := time.Parse("15:04", text); text != "" && err != nil {
			bad.Add(path, "no-time", text)
		}
	}
	if w.From != "" && w.To != "" && w.To <= w.From {
		bad.Add("body.to", "ends-before-it-begins")
	}
	if w.Place != "" {
		if _, err := c.Place(w.Place); err != nil {
			bad.Add("body.place", "no-such-place", w.Place)
		}
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	if err := records.Replace(c.Base, WalkKind, w.ID, w); err != nil {
		return nil, err
	}
	return c.outlook(w)
}

// Outlook looks ahead for a stored walk.
func (c *Service) Outlook(id string) (*Outlook, error) {
	w, err := records.Note[Walk](c.Base, WalkKind, id)
	if err != nil {
		return nil, err
	}
	return c.outlook(w)
}

func (c *Service) outlook(w *Walk) (*Outlook, error) {
	var p *Place
	if w.Place != "" {
		var err error
		if p, err = c.Place(w.Place); err != nil {
			return nil, err
		}
	}
	day, err := time.Parse(time.DateOnly, w.Day)
	if err != nil {
		return nil, err
	}
	k, err := c.known(w.Place)
	if err != nil {
		return nil, err
	}
	ix := c.Engine.Index()
	pl := plan.Build(c.Engine, WhereOf(p), w.Hopes, phenology.Ordinal(int(day.Month()), day.Day()), k, phenology.StandardDefaults())
	o := &Outlook{Walk: *w, Place: p, Dangers: []DangerLine{}, Hopes: []LikelyLine{}, Others: []LikelyLine{}, Pairs: []Pair{}, Scene: []string{}, Guide: ix.Book.Version}
	line := func(l *plan.Likely) LikelyLine {
		return LikelyLine{report.Taxon(ix, l.Taxon), l.Stages.Strings(), l.P, l.Fits}
	}
	hoped := map[int32]guide.StageSet{}
	for i := range pl.Hopes {
		hoped[pl.Hopes[i].Taxon] = pl.Hopes[i].Stages
		o.Hopes = append(o.Hopes, line(&pl.Hopes[i]))
	}
	for i := range pl.Others {
		o.Others = append(o.Others, line(&pl.Others[i]))
	}
	for i := range pl.Dangers {
		d := &pl.Dangers[i]
		dl := DangerLine{LikelyLine: line(&d.Likely), Grade: int(d.Grade), GradeWord: d.Grade.String(), Contact: d.Contact, Named: []report.TaxonRef{}, Cues: append([]string{}, ix.Book.Taxa[d.Taxon].Cues...)}
		for _, h := range d.Named {
			dl.Named = append(dl.Named, report.Taxon(ix, h))
			both := hoped[h] & d.Stages
			if both == 0 {
				both = hoped[h]
			}
			stage := ""
			if words := both.Strings(); len(words) > 0 {
				stage = words[0]
			}
			o.Pairs = append(o.Pairs, Pair{report.Taxon(ix, h), dl.Taxon, stage})
		}
		o.Dangers = append(o.Dangers, dl)
	}
	o.Kit = c.kit(&pl, w)
	o.Rules = c.rulesOf(p, day)
	if p != nil {
		o.Scene = append(o.Scene, p.Hazards...)
	}
	o.light(p, w, day)
	return o, nil
}

func (c *Service) kit(pl *plan.Plan, w *Walk) []KitLine {
	ix := c.Engine.Index()
	out := []KitLine{}
	for _, t := range pl.Tools {
		what, ok := words.Kit(t.ID)
		if !ok {
			what = strings.ToUpper(t.ID[:1]) + t.ID[1:]
		}
		var names []string
		for _, tr := range t.Traits[:min(3, len(t.Traits))] {
			names = append(names, strings.ToLower(ix.Book.Traits[tr].Name))
		}
		why := "for " + strings.Join(names, ", ")
		if more := len(t.Traits) - len(names); more > 0 {
			why += fmt.Sprintf(" and %d more", more)
		}
		out = append(out, KitLine{t.ID, what, why})
	}
	if pl.Contact {
		out = append(out, KitLine{"gloves", words.Ground("gloves"), words.Ground("gloves-why")})
	}
	out = append(out, KitLine{"bags", words.Ground("bags", pl.Bags), words.Ground("bags-why")},
		KitLine{"phone", words.Ground("phone"), words.Ground("phone-why")})
	for i, x := range w.Extra {
		out = append(out, KitLine{fmt.Sprintf("extra-%d", i), x, words.Ground("added")})
	}
	return out
}

func (c *Service) rulesOf(p *Place, day time.Time) []string {
	out := []string{words.Ground("codes-first")}
	if p == nil {
		return append(out, words.Ground("no-place"))
	}
	switch p.Permission {
	case "yes":
		out = append(out, words.Ground("may-pick", records.WrapIf(p.Owner, " (owner: ", ")")))
		if end, err := time.Parse(time.DateOnly, p.Until); err == nil && day.After(end) {
			out = append(out, words.Ground("permission-ended", p.Until))
		}
	case "no":
		out = append(out, words.Ground("may-not-pick"))
	default:
		out = append(out, words.Ground("permission-open", records.WrapIf(p.Owner, ": ask ", "")))
	}
	switch p.Protected {
	case "yes":
		out = append(out, words.Ground("protected"))
	case "no":
	default:
		out = append(out, words.Ground("protection-open"))
	}
	for _, l := range p.Limits {
		out = append(out, words.LimitOf(l.Amount, l.Unit, l.Kind, l.Per, l.Source))
	}
	if len(p.Limits) == 0 {
		out = append(out, words.Ground("no-limit"))
	}
	for _, z := range p.Zones {
		out = append(out, z.Name+": "+z.Rule+".")
	}
	switch p.Ground {
	case "", "clean":
	default:
		out = append(out, words.Ground("bad-ground", p.Ground))
	}
	return out
}

func (o *Outlook) light(p *Place, w *Walk, day time.Time) {
	if p == nil || p.Lat == nil || p.Lon == nil {
		o.Light = words.Ground("no-daylight")
		return
	}
	l := daylight.Of(*p.Lat, *p.Lon, day.Year(), day.Month(), day.Day())
	switch {
	case l.PolarDay:
		o.Light = words.Ground("polar-day")
		return
	case l.PolarNight:
		o.Light = words.Ground("polar-night")
		return
	}
	zone := time.FixedZone("", w.Offset*60)
	o.Sunrise, o.Sunset = l.Rise.In(zone).Format("15:04"), l.Set.In(zone).Format("15:04")
	if w.To == "" {
		o.Light = words.Ground("sun", o.Sunrise, o.Sunset)
		return
	}
	end, _ := time.ParseInLocation("2006-01-02 15:04", w.Day+" "+w.To, zone)
	if left := l.Left(end); left > 0 {
		o.Light = words.Ground("sun-left", o.Sunrise, o.Sunset, span(left))
	} else {
		o.Light = words.Ground("sun-gone", o.Sunset)
	}
}

// span says a length of time: 24 min, 2 h 5 min.
func span(d time.Duration) string {
	m := int(d.Minutes())
	if m < 60 {
		return fmt.Sprintf("%d min", m)
	}
	return fmt.Sprintf("%d h %d min", m/60, m%60)
}
