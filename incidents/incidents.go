package incidents

import (
	"crypto/sha256"
	"encoding/hex"
	"slices"
	"strconv"
	"strings"

	"zestythicket/guide"
	"zestythicket/incident"
	"zestythicket/kitchen"
	"zestythicket/lot"
	"zestythicket/people"
	"zestythicket/records"
	"zestythicket/store"
	"zestythicket/words"
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
	// UntilSeq is set here and nowhere else: the last line of the kitchen that was
	// there when the incident was first stored.
	UntilSeq int64 `json:"untilSeq,omitempty" doc:"Set by the program"`
}

// RevisionOf is where the revision stands.
func (in *Incident) RevisionOf() *int64 { return &in.Rev }

const IncidentKind = "incident"

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
	OddTime   bool           `json:"oddTime,omitempty" doc:"Its time does not agree with the order in which things were entered: a clock was wrong"`
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
	Numbers  []people.Number      `json:"numbers"`
	Aid      map[string][]AidView `json:"aid" doc:"First steps, by route"`
	Clocks   []ClockView          `json:"clocks"`
	Shared   []kitchen.EaterView  `json:"shared" doc:"Everyone who ate of anything concerned"`
	Held     []string             `json:"held" doc:"Bags and batches that are held"`
	Finds    []kitchen.FindTrace  `json:"finds"`
	Review   []string             `json:"review" doc:"What was not looked at, by the records"`
}

// Incidents lists all, the newest first.
func (c *Service) Incidents() ([]Incident, error) {
	all, err := records.Notes[Incident](c.Base, IncidentKind)
	slices.SortStableFunc(all, func(a, b Incident) int { return int(b.BeganMS/1000 - a.BeganMS/1000) })
	return all, err
}

// SaveIncident stores an incident as it was taken down and holds every bag and
// batch that it names, in every form. A screen that did not know the latest loses
// nothing and overwrites nothing: what only grows is joined, and where both changed
// the same words it is a *Conflict with what is stored. Closings that were given
// stay.
func (c *Service) SaveIncident(in *Incident) (*IncidentView, error) {
	k := c.Kitchen.Ledger()
	if err := c.checkIncident(in, k); err != nil {
		return nil, err
	}
	err := c.Store.ChangeNote(IncidentKind, in.ID, func(row *store.Note) (*store.Note, error) {
		now := *in
		now.UntilSeq = k.Last
		if row != nil {
			old := &Incident{}
			if err := records.Decode(row.Doc, old); err != nil {
				return nil, err // what can't be read is not written over
			}
			old.Rev = row.Rev
			switch {
			case sameAs(old, in):
				return nil, nil // sent again, since the answer was lost
			case in.Rev != old.Rev: // older, or newer: a backup was restored meanwhile
				joined, ok := joinIncidents(old, in)
				if !ok {
					return nil, &records.Conflict{Code: "incident-changed", Now: old}
				}
				now = *joined
			case len(in.Closings) < len(old.Closings) || !slices.Equal(in.Closings[:len(old.Closings)], old.Closings):
				return nil, records.Refuse("body.closings", "closing-stays")
			}
			now.UntilSeq = old.UntilSeq
			if now.BeganMS == 0 {
				now.BeganMS = old.BeganMS
			}
		}
		if now.BeganMS == 0 {
			now.BeganMS = c.Now().UnixMilli()
		}
		ownIDs(&now)
		now.Rev = 0
		*in = now
		return &store.Note{Kind: IncidentKind, ID: in.ID, Doc: store.JSON(now), AtMS: c.Now().UnixMilli()}, nil
	})
	if err != nil {
		return nil, err
	}
	if err := c.holdFor(in); err != nil {
		return nil, err
	}
	return c.Incident(in.ID)
}

// checkIncident refuses what can't be stored. Times are not compared with those of
// bags: a clock may be wrong, and an incident is stored all the same.
func (c *Service) checkIncident(in *Incident, k *kitchen.State) error {
	bad := &records.Invalid{}
	for i, x := range in.Closings {
		if strings.TrimSpace(x.By) == "" || strings.TrimSpace(x.Advice) == "" {
			bad.Add("body.closings["+strconv.Itoa(i)+"]", "closed-by-whom")
		}
	}
	for i, x := range in.Exposures {
		path := "body.exposures[" + strconv.Itoa(i) + "]"
		if _, ok := k.Book.Lot(x.Lot); x.Lot != "" && !ok && len(k.Aside) == 0 {
			bad.Add(path+".lot", "no-such-bag", x.Lot)
		}
		if x.AtMS <= 0 {
			bad.Add(path+".atMs", "when")
		}
	}
	return bad.OrNil()
}

// ownIDs gives exposures that share an id one of their own, rather than refusing
// what somebody took down in a hurry.
func ownIDs(in *Incident) {
	seen := map[string]bool{}
	for i := range in.Exposures {
		id := in.Exposures[i].ID
		for n := 2; seen[id]; n++ {
			id = in.Exposures[i].ID + "-" + strconv.Itoa(n)
		}
		in.Exposures[i].ID, seen[id] = id, true
	}
}

// joinIncidents joins what is stored with what a screen sends that did not know it;
// ok is false when both changed the same words.
func joinIncidents(old, in *Incident) (*Incident, bool) {
	out := *in
	out.Symptoms = incident.Merge(old.Symptoms, in.Symptoms, func(a, b *Symptom) bool { return *a == *b })
	out.Calls = incident.Merge(old.Calls, in.Calls, func(a, b *Call) bool { return *a == *b })
	out.Closings = incident.Merge(old.Closings, in.Closings, func(a, b *Closing) bool { return *a == *b })
	out.Exposures = incident.Merge(old.Exposures, in.Exposures, func(a, b *Exposure) bool { return store.JSON(a) == store.JSON(b) })
	ok := true
	seen := map[string]bool{}
	for _, x := range out.Exposures {
		ok = ok && !seen[x.ID] // one exposure, described in two ways
		seen[x.ID] = true
	}
	for _, t := range []struct{ old, mine, to *string }{{&old.Sample, &in.Sample, &out.Sample}, {&old.Photos, &in.Photos, &out.Photos}, {&old.Note, &in.Note, &out.Note}, {&old.Missing, &in.Missing, &out.Missing}} {
		text, fine := incident.MergeText(*t.old, *t.mine)
		*t.to, ok = text, ok && fine
	}
	if old.BeganMS > 0 && (out.BeganMS == 0 || old.BeganMS < out.BeganMS) {
		out.BeganMS = old.BeganMS
	}
	return &out, ok
}

// holdFor holds every bag and batch that an incident names, once for each exposure:
// a second meal of a lot that was freed meanwhile is held again. No find is judged
// for it.
func (c *Service) holdFor(in *Incident) error {
	defer c.Kitchen.Exclusively()()
	k := c.Kitchen.Ledger()
	first := map[string]bool{}
	sent := func(key string) bool { // where that can't be read it is laid again
		has, err := c.Store.KitchenHas(key)
		return err == nil && has
	}
	for _, x := range in.Exposures {
		if _, ok := k.Book.Lot(x.Lot); !ok {
			continue
		}
		// An earlier form held once for each lot.
		older := !first[x.Lot] && sent("incident-"+in.ID[:min(20, len(in.ID))]+"-"+x.Lot)
		first[x.Lot] = true
		sum := sha256.Sum256([]byte(in.ID + "\x00" + x.ID + "\x00" + x.Lot))
		key := "incident-" + hex.EncodeToString(sum[:20])
		if older || sent(key) {
			continue
		}
		if err := c.Kitchen.Record(k, &kitchen.KitchenAct{Key: key, Kind: "held", Lot: x.Lot, Why: "an incident was taken down", AtMS: c.Now().UnixMilli()}); err != nil {
			return err
		}
		k.Last++
	}
	return nil
}

// sameAs: what was taken down is the same, whatever the revision says.
func sameAs(a, b *Incident) bool {
	x, y := *a, *b
	x.Rev, y.Rev, x.UntilSeq, y.UntilSeq = 0, 0, 0, 0
	if y.BeganMS == 0 {
		y.BeganMS = x.BeganMS
	}
	return store.JSON(x) == store.JSON(y)
}

// Incident reads one with its clocks.
func (c *Service) Incident(id string) (*IncidentView, error) {
	in, err := records.Note[Incident](c.Base, IncidentKind, id)
	if err != nil {
		return nil, err
	}
	set, err := c.People.Settings()
	if err != nil {
		set = people.StandardSettings()
	}
	k := inquiry{c.Kitchen.Ledger()} // no find is judged but those behind what is named
	v := &IncidentView{Incident: *in, NowMS: c.Now().UnixMilli(), Numbers: set.Numbers, Aid: c.Aid(), Clocks: []ClockView{}, Shared: []kitchen.EaterView{}, Held: []string{}, Finds: []kitchen.FindTrace{}, Review: []string{}}
	if v.Numbers == nil {
		v.Numbers = []people.Number{}
	}
	table := incident.NewTable(c.Engine.Index().Book)
	var closings []incident.Closing
	first := firstSign(in)
	odd := map[string]bool{}
	meals := k.inReach(in, odd)
	for _, x := range in.Closings {
		closings = append(closings, incident.Closing{Exposure: x.Exposure, By: x.By, Advice: x.Advice, AtMS: x.AtMS})
		for _, m := range meals {
			// An earlier form knew all meals of a lot by one name: what was closed then
			// was closed of those that were eaten by then.
			if x.Exposure == bookMeal+strings.ToLower(m.Lot) && m.AtMS <= x.AtMS {
				closings = append(closings, incident.Closing{Exposure: m.ID, By: x.By, Advice: x.Advice, AtMS: x.AtMS})
			}
		}
	}
	for _, x := range append(slices.Clone(in.Exposures), meals...) {
		e := incident.Exposure{ID: x.ID, Route: x.Route, AtMS: x.AtMS}
		e.Kingdom, _ = guide.ParseKingdom(x.Kingdom)
		if l, ok := k.Book.Lot(x.Lot); ok {
			e.Kingdom, e.Suspects = k.suspects(l)
		}
		sign := first
		if sign != 0 && sign < x.AtMS {
			sign = 0 // what was felt before a meal is not of it
		}
		clock := table.Of(e, sign, v.NowMS, closings)
		cv := ClockView{Exposure: x, FromBook: strings.HasPrefix(x.ID, bookMeal), OddTime: odd[x.ID], SinceMS: clock.SinceMS, DelayMS: clock.DelayMS, Warning: clock.Warning, LateWords: lateWords(&clock), Lines: []SyndromeLine{}}
		for i := range clock.Lines {
			cv.Lines = append(cv.Lines, lineOf(&clock.Lines[i]))
		}
		v.Clocks = append(v.Clocks, cv)
	}
	k.concerned(in, v)
	return v, nil
}

func lateWords(c *incident.Clock) string {
	if !c.Warning {
		return ""
	}
	return words.LateWarning(c.LateHours, c.Longer)
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

// inquiry looks into the book of the kitchen for an incident.
type inquiry struct{ *kitchen.State }

const bookMeal = "book-"

// inReach finds the meals of the book that lie within reach and that nobody named:
// of everyone, since whom it concerns is not known at first. odd marks, by
// id, the meals whose times do not agree with the order of entry.
func (k inquiry) inReach(in *Incident, odd map[string]bool) []Exposure {
	const reach = int64(ReachDays) * 24 * incident.HourMS
	since := int64(0)
	for i := range k.Events {
		if e := &k.Events[i]; e.AtMS >= in.BeganMS-reach && (since == 0 || e.Seq < since) {
			since = e.Seq
		}
	}
	out := []Exposure{}
	for _, s := range k.Book.Servings {
		if !incident.InReach(s.AtMS, s.Seq, in.BeganMS, in.UntilSeq, since, reach) {
			continue
		}
		if slices.ContainsFunc(in.Exposures, func(x Exposure) bool { return x.Lot == s.Lot && x.Route == "eaten" }) {
			continue
		}
		isOdd := s.AtMS > in.BeganMS || s.AtMS < in.BeganMS-reach
		if i := slices.IndexFunc(out, func(x Exposure) bool { return x.Lot == s.Lot && x.AtMS == s.AtMS && odd[x.ID] == isOdd }); i >= 0 {
			out[i].People = append(out[i].People, k.NameOf(s.Person))
			continue
		}
		id := bookMeal + strings.ToLower(s.Lot) + "-" + strconv.Itoa(int(s.Seq))
		odd[id] = isOdd
		out = append(out, Exposure{ID: id, Route: "eaten", AtMS: s.AtMS, Lot: s.Lot, People: []string{k.NameOf(s.Person)}})
	}
	return out
}

// suspects are the ways of poisoning to which the records of a lot lead: those of
// what it was taken for, of its named lookalikes, and of every danger that its
// finds had not ruled out.
func (k inquiry) suspects(l *lot.Lot) (guide.Kingdom, []string) {
	ix := k.Kitchen.Engine.Index()
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
	for _, bag := range k.Book.Bags(l.ID) {
		b, _ := k.Book.Lot(bag)
		f, ok := k.Find(b.Find)
		if !ok {
			continue // what is not known of the find takes nothing off the list
		}
		for _, id := range f.Possible {
			take(id)
		}
	}
	return kingdom, out
}

// concerned lists who shared, what is held, and what was not looked at.
func (k inquiry) concerned(in *Incident, v *IncidentView) {
	var lots []string
	for _, x := range in.Exposures {
		if x.Lot == "" {
			continue
		}
		for _, id := range k.Book.Affected(x.Lot) {
			if !slices.Contains(lots, id) {
				lots = append(lots, id)
			}
		}
	}
	v.Shared = k.Eaters(lots)
	for _, id := range lots {
		if len(k.Book.HoldsOn(id)) > 0 {
			v.Held = append(v.Held, id)
		}
	}
	seen := map[string]bool{}
	for _, x := range in.Exposures {
		if _, ok := k.Book.Lot(x.Lot); !ok {
			continue
		}
		t := &kitchen.TraceView{}
		k.FindsBehind(x.Lot, t)
		for _, f := range t.Finds {
			if !seen[f.ID] {
				seen[f.ID] = true
				v.Finds = append(v.Finds, f)
				k.review(f, v)
			}
		}
		l, _ := k.Book.Lot(x.Lot)
		for _, s := range k.FirstSteps(l) {
			if !slices.Contains(l.Done, s.ID) {
				v.Review = append(v.Review, x.Lot+": not done first: "+s.Do)
			}
		}
	}
}

// review lists what the records of a find lack, as today's guide asks it.
func (k inquiry) review(f kitchen.FindTrace, v *IncidentView) {
	add := func(s string) { v.Review = append(v.Review, f.Title+": "+s) }
	fv, err := k.FindView(f.ID)
	if err != nil {
		add("it can’t be read: " + err.Error())
		return
	}
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
		add(strconv.Itoa(fv.Patch.Unchecked) + " items were never looked at")
	}
}
