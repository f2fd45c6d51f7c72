package casebook

import (
	"errors"
	"slices"
	"strings"

	"zestythicket/guide"
	"zestythicket/incident"
	"zestythicket/lot"
	"zestythicket/store"
)

// Exposure is one meal, touch, splash or smoke.
type Exposure struct {
	ID      string   `json:"id" pattern:"^[a-z0-9-]{1,60}$"`
	Route   string   `json:"route" enum:"eaten,skin,eye,smoke"`
	AtMS    int64    `json:"atMs"`
	Lot     string   `json:"lot,omitempty" maxLength:"20" doc:"The bag or batch, when it is in the book"`
	What    string   `json:"what,omitempty" maxLength:"200" doc:"What it was taken for, in words"`
	Kingdom string   `json:"kingdom,omitempty" enum:"plant,fungus,unclear,"`
	Part    string   `json:"part,omitempty" maxLength:"80"`
	Stage   string   `json:"stage,omitempty" maxLength:"80"`
	Prep    string   `json:"prep,omitempty" maxLength:"200" doc:"How it was prepared, and for how long"`
	Amount  string   `json:"amount,omitempty" maxLength:"120" doc:"How much, in words"`
	People  []string `json:"people,omitempty" maxItems:"50" doc:"Names of all who were exposed, with age where it matters"`
}

// Symptom is what somebody felt or showed.
type Symptom struct {
	AtMS   int64  `json:"atMs"`
	Person string `json:"person" maxLength:"80"`
	What   string `json:"what" maxLength:"300"`
}

// Call is a call and what was said.
type Call struct {
	AtMS int64  `json:"atMs"`
	Whom string `json:"whom" maxLength:"120"`
	Said string `json:"said" maxLength:"1000"`
}

// Closing ends a warning of late signs: who closes it, and on whose advice.
type Closing struct {
	Exposure string `json:"exposure" maxLength:"60"`
	By       string `json:"by" maxLength:"80"`
	Advice   string `json:"advice" maxLength:"500"`
	AtMS     int64  `json:"atMs"`
}

// Incident is what went wrong, as it was taken down. Nothing in it is ever taken
// out by the program.
type Incident struct {
	ID        string     `json:"id" pattern:"^[a-z0-9-]{6,60}$"`
	BeganMS   int64      `json:"beganMs"`
	Exposures []Exposure `json:"exposures" maxItems:"40"`
	Symptoms  []Symptom  `json:"symptoms" maxItems:"200"`
	Calls     []Call     `json:"calls" maxItems:"100"`
	Closings  []Closing  `json:"closings" maxItems:"100"`
	Sample    string     `json:"sample,omitempty" maxLength:"300" doc:"What is kept, and where"`
	Photos    string     `json:"photos,omitempty" maxLength:"300"`
	Note      string     `json:"note,omitempty" maxLength:"4000"`
	Missing   string     `json:"missing,omitempty" maxLength:"2000" doc:"Afterwards: which check was missing"`
	Rev       int64      `json:"rev" doc:"The revision that the screen knew"`
}

const incidentKind = "incident"

// ReachDays is how far back meals of the people concerned are looked at: as far as
// the longest window that is days and not months.
const ReachDays = 21

// SyndromeLine is one way of poisoning beside an exposure.
type SyndromeLine struct {
	ID        string  `json:"id"`
	Name      string  `json:"name"`
	Why       string  `json:"why"`
	Onset     string  `json:"onset"`
	Help      string  `json:"help"`
	Source    string  `json:"source"`
	From      float64 `json:"from" doc:"Hours"`
	To        float64 `json:"to"`
	Grade     int     `json:"grade"`
	GradeWord string  `json:"gradeWord"`
	Suspected bool    `json:"suspected" doc:"The records lead to it"`
	Fit       string  `json:"fit" enum:"no-sign,inside,earlier,later"`
	Late      bool    `json:"late"`
	Deaths    string  `json:"deaths,omitempty" doc:"Why it stands in front of others of its grade"`
}

// ClockView is an exposure with its clock.
type ClockView struct {
	Exposure  Exposure       `json:"exposure"`
	FromBook  bool           `json:"fromBook" doc:"A meal in reach, found in the book of the kitchen"`
	SinceMS   int64          `json:"sinceMs"`
	DelayMS   int64          `json:"delayMs" doc:"To the first sign; -1: none felt"`
	Warning   bool           `json:"warning"`
	LateWords string         `json:"lateWords"`
	Lines     []SyndromeLine `json:"lines"`
}

// AidView is a first step.
type AidView struct {
	Do      string  `json:"do"`
	Minutes float64 `json:"minutes,omitempty"`
	Source  string  `json:"source"`
}

// IncidentView is an incident with everything that follows.
type IncidentView struct {
	Incident Incident             `json:"incident"`
	NowMS    int64                `json:"nowMs"`
	Numbers  []Number             `json:"numbers"`
	Aid      map[string][]AidView `json:"aid" doc:"First steps, by route"`
	Clocks   []ClockView          `json:"clocks"`
	Shared   []EaterView          `json:"shared" doc:"Everyone who ate of anything concerned"`
	Held     []string             `json:"held" doc:"Bags and batches that are held"`
	Finds    []FindTrace          `json:"finds"`
	Review   []string             `json:"review" doc:"What was not looked at, by the records"`
}

// Incidents lists all, the newest first.
func (c *Casebook) Incidents() ([]Incident, error) {
	all, err := notes[Incident](c, incidentKind)
	slices.SortStableFunc(all, func(a, b Incident) int { return int(b.BeganMS/1000 - a.BeganMS/1000) })
	return all, err
}

// SaveIncident stores an incident as it was taken down and holds every bag and
// batch that it names, in every form. Closings that were given stay.
func (c *Casebook) SaveIncident(in *Incident) (*IncidentView, error) {
	bad := &Invalid{}
	old, err := note[Incident](c, incidentKind, in.ID)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return nil, err
	}
	if err == nil {
		if old.Rev > in.Rev && !sameAs(old, in) {
			return nil, &Conflict{"This incident was changed on another screen.", "Look at it as it is now; what you typed is still here."}
		}
		if len(in.Closings) < len(old.Closings) || !slices.Equal(in.Closings[:len(old.Closings)], old.Closings) {
			bad.add("body.closings", "add another one", "a closing that was given stays as it is")
		}
	}
	if in.BeganMS == 0 {
		in.BeganMS = c.Now().UnixMilli()
	}
	for i, x := range in.Closings {
		if strings.TrimSpace(x.By) == "" || strings.TrimSpace(x.Advice) == "" {
			bad.add("body.closings["+itoa(i)+"]", "who closes it, and on whose advice", "a warning is closed by a person, on somebody’s advice")
		}
	}
	k, err := c.openKitchen()
	if err != nil {
		return nil, err
	}
	ids := map[string]bool{}
	for i, x := range in.Exposures {
		path := "body.exposures[" + itoa(i) + "]"
		if ids[x.ID] {
			bad.add(path+".id", "", "%s stands twice", x.ID)
		}
		ids[x.ID] = true
		l, ok := k.book.Lot(x.Lot)
		if x.Lot != "" && !ok {
			bad.add(path+".lot", "leave it empty and say in words what it was", "there is no bag or batch %s", x.Lot)
		}
		if ok && x.AtMS < l.PickedMS {
			bad.add(path+".atMs", "", "that is before %s was picked", x.Lot)
		}
		if x.AtMS <= 0 {
			bad.add(path+".atMs", "about when; nearly right is better than nothing", "when was it?")
		}
	}
	if err := bad.orNil(); err != nil {
		return nil, err
	}
	if old != nil && sameAs(old, in) {
		in.Rev = old.Rev // sent again, since the answer was lost
	} else {
		in.Rev++
	}
	if err := c.save(incidentKind, in.ID, in); err != nil {
		return nil, err
	}
	for _, x := range in.Exposures {
		if x.Lot != "" {
			if _, err := c.Cook(&KitchenAct{Key: "incident-" + in.ID[:min(20, len(in.ID))] + "-" + x.Lot, Kind: "held", Lot: x.Lot, Why: "an incident was taken down"}); err != nil {
				return nil, err
			}
		}
	}
	return c.Incident(in.ID)
}

// sameAs: what was taken down is the same, whatever the revision says.
func sameAs(a, b *Incident) bool {
	x, y := *a, *b
	x.Rev, y.Rev = 0, 0
	if y.BeganMS == 0 {
		y.BeganMS = x.BeganMS
	}
	return store.JSON(x) == store.JSON(y)
}

// Incident reads one with its clocks.
func (c *Casebook) Incident(id string) (*IncidentView, error) {
	in, err := note[Incident](c, incidentKind, id)
	if err != nil {
		return nil, err
	}
	set, err := c.Settings()
	if err != nil {
		return nil, err
	}
	k, err := c.openKitchen()
	if err != nil {
		return nil, err
	}
	v := &IncidentView{Incident: *in, NowMS: c.Now().UnixMilli(), Numbers: set.Numbers, Aid: c.Aid(), Clocks: []ClockView{}, Shared: []EaterView{}, Held: []string{}, Finds: []FindTrace{}, Review: []string{}}
	if v.Numbers == nil {
		v.Numbers = []Number{}
	}
	table := incident.NewTable(c.Engine.Index().Book)
	var closings []incident.Closing
	for _, x := range in.Closings {
		closings = append(closings, incident.Closing{Exposure: x.Exposure, By: x.By, Advice: x.Advice, AtMS: x.AtMS})
	}
	first := firstSign(in)
	for _, x := range append(slices.Clone(in.Exposures), k.inReach(in, v.NowMS)...) {
		e := incident.Exposure{ID: x.ID, Route: x.Route, AtMS: x.AtMS}
		e.Kingdom, _ = guide.ParseKingdom(x.Kingdom)
		if l, ok := k.book.Lot(x.Lot); ok {
			if e.Kingdom, e.Suspects, err = k.suspects(l); err != nil {
				return nil, err
			}
		}
		sign := first
		if sign != 0 && sign < x.AtMS {
			sign = 0 // what was felt before a meal is not of it
		}
		clock := table.Of(e, sign, v.NowMS, closings)
		cv := ClockView{Exposure: x, FromBook: strings.HasPrefix(x.ID, bookMeal), SinceMS: clock.SinceMS, DelayMS: clock.DelayMS, Warning: clock.Warning, LateWords: clock.LateWords, Lines: []SyndromeLine{}}
		for i := range clock.Lines {
			cv.Lines = append(cv.Lines, lineOf(&clock.Lines[i]))
		}
		v.Clocks = append(v.Clocks, cv)
	}
	return v, k.concerned(in, v)
}

func firstSign(in *Incident) int64 {
	first := int64(0)
	for _, s := range in.Symptoms {
		if s.AtMS > 0 && (first == 0 || s.AtMS < first) {
			first = s.AtMS
		}
	}
	return first
}

const bookMeal = "book-"

// inReach finds the meals of the book that lie within reach and that nobody named:
// of everyone, since whom it concerns is not known at first.
func (k *pot) inReach(in *Incident, nowMS int64) []Exposure {
	upto := in.BeganMS
	out := []Exposure{}
	for _, s := range k.book.Servings {
		if s.AtMS > upto || s.AtMS < upto-int64(ReachDays)*24*incident.HourMS {
			continue
		}
		if slices.ContainsFunc(in.Exposures, func(x Exposure) bool { return x.Lot == s.Lot && x.Route == "eaten" }) {
			continue
		}
		id := bookMeal + strings.ToLower(s.Lot)
		if i := slices.IndexFunc(out, func(x Exposure) bool { return x.ID == id && x.AtMS == s.AtMS }); i >= 0 {
			out[i].People = append(out[i].People, k.c.nameOf(s.Person))
			continue
		}
		out = append(out, Exposure{ID: id, Route: "eaten", AtMS: s.AtMS, Lot: s.Lot, People: []string{k.c.nameOf(s.Person)}})
	}
	return out
}

// suspects are the ways of poisoning to which the records of a lot lead: those of
// what it was taken for, of its named lookalikes, and of every danger that its
// finds had not ruled out.
func (k *pot) suspects(l *lot.Lot) (guide.Kingdom, []string, error) {
	ix := k.c.Engine.Index()
	kingdom := guide.KingdomUnclear
	var out []string
	take := func(taxon string) {
		at, ok := ix.TaxonAt(taxon)
		if !ok {
			return
		}
		for _, h := range ix.Book.Taxa[at].Hazards {
			if h.Syndrome != "" && !slices.Contains(out, h.Syndrome) {
				out = append(out, h.Syndrome)
			}
		}
	}
	if at, ok := ix.TaxonAt(l.Taxon); ok {
		kingdom = ix.Book.Taxa[at].Kingdom
		take(l.Taxon)
		for _, n := range ix.Book.Taxa[at].Lookalikes {
			take(n.Taxon)
		}
	}
	for _, bag := range k.book.Bags(l.ID) {
		b, _ := k.book.Lot(bag)
		v, err := k.view(b.Find)
		if err != nil {
			return kingdom, nil, err
		}
		for i := range v.Patch.Judgements {
			for _, e := range v.Patch.Judgements[i].Ledger {
				if !e.RuledOut && e.Grade >= int(guide.Poisonous) {
					take(e.Taxon.ID)
				}
			}
		}
	}
	return kingdom, out, nil
}

// concerned lists who shared, what is held, and what was not looked at.
func (k *pot) concerned(in *Incident, v *IncidentView) error {
	var lots []string
	for _, x := range in.Exposures {
		if x.Lot == "" {
			continue
		}
		for _, id := range k.book.Concerned(x.Lot) {
			if !slices.Contains(lots, id) {
				lots = append(lots, id)
			}
		}
	}
	v.Shared = k.eaters(lots)
	for _, id := range lots {
		if len(k.book.HoldsOn(id)) > 0 {
			v.Held = append(v.Held, id)
		}
	}
	seen := map[string]bool{}
	for _, x := range in.Exposures {
		if _, ok := k.book.Lot(x.Lot); !ok {
			continue
		}
		t := &TraceView{}
		if err := k.findsBehind(x.Lot, t); err != nil {
			return err
		}
		for _, f := range t.Finds {
			if !seen[f.ID] {
				seen[f.ID] = true
				v.Finds = append(v.Finds, f)
				if err := k.review(f, v); err != nil {
					return err
				}
			}
		}
		l, _ := k.book.Lot(x.Lot)
		for _, s := range k.firstSteps(l) {
			if !slices.Contains(l.Done, s.ID) {
				v.Review = append(v.Review, x.Lot+": not done first: "+s.Do)
			}
		}
	}
	return nil
}

// review lists what the records of a find lack, as today's guide asks it.
func (k *pot) review(f FindTrace, v *IncidentView) error {
	fv, err := k.view(f.ID)
	if err != nil {
		return err
	}
	add := func(s string) { v.Review = append(v.Review, f.Title+": "+s) }
	if !f.Second.Ready {
		add("no second look stands: " + f.Second.Words)
	}
	for _, d := range f.Second.Differs {
		add(d.Trait.Name + " was " + d.Field + " in the field and " + d.Home + " at home")
	}
	for i := range fv.Patch.Judgements {
		j := &fv.Patch.Judgements[i]
		for _, o := range j.Obligations {
			if o.Trait != nil {
				add("not looked at: " + o.Trait.Name)
			}
		}
		for _, e := range j.Ledger {
			if !e.RuledOut && e.Named && e.Grade >= int(guide.Poisonous) {
				add("not ruled out: " + e.Taxon.Common)
			}
		}
	}
	if fv.Patch.Unchecked > 0 {
		add(itoa(fv.Patch.Unchecked) + " items were never looked at")
	}
	return nil
}
