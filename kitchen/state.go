package kitchen

import (
	"cmp"
	"errors"
	"slices"
	"strconv"
	"strings"
	"time"

	"zestythicket/evidence"
	"zestythicket/finds"
	"zestythicket/guide"
	"zestythicket/lot"
	"zestythicket/people"
	"zestythicket/quantity"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
	"zestythicket/words"
)

// KitchenPart is an amount of a lot, in the unit of the act.
type KitchenPart struct {
	Lot    string `json:"lot" pattern:"^[A-Z0-9-]{1,20}$"`
	Amount string `json:"amount"`
	Form   string `json:"form,omitempty" doc:"Of what is made"`
	Pieces int    `json:"pieces,omitempty" minimum:"0" maximum:"100000"`
}

// KitchenAct is one line for the book of the kitchen. Which fields count depends on
// its kind. Amounts are decimal numbers in the unit, or in grams with " g" behind
// them. What is taken of a lot may be "all" of it; what was lost may be the "rest",
// so that what adds up on the scale adds up in the book.
type KitchenAct struct {
	Key  string           `json:"key" minLength:"8" maxLength:"64" doc:"Given by the client; a line with a key already there is stored once"`
	Kind string           `json:"kind" enum:"bagged,made,threw,looked,held,freed,began,did,sampled,ate,felt,corrected,rechecked"`
	Lot  string           `json:"lot,omitempty" pattern:"^[A-Z0-9-]{0,20}$"`
	AtMS int64            `json:"atMs,omitempty" doc:"When it happened; 0: now"`
	Unit string           `json:"unit,omitempty" enum:"g,kg,mg,oz,lb," doc:"Of all amounts here; empty: g"`
	Seen map[string]int64 `json:"seen,omitempty" doc:"By lot: the revision that the screen knew; a lot changed since is refused"`

	Find    string `json:"find,omitempty"`
	Gross   string `json:"gross,omitempty"`
	Tare    string `json:"tare,omitempty"`
	Pieces  int    `json:"pieces,omitempty" minimum:"0" maximum:"100000"`
	Checked int    `json:"checked,omitempty" minimum:"0" maximum:"100000"`
	Each    bool   `json:"each,omitempty" doc:"Of bagged and rechecked: every piece was looked at one by one, without a count"`
	Basket  string `json:"basket,omitempty" maxLength:"40" doc:"Bags of one basket touch each other"`

	From    []KitchenPart `json:"from,omitempty" maxItems:"50"`
	To      []KitchenPart `json:"to,omitempty" maxItems:"50"`
	Added   string        `json:"added,omitempty"`
	Loss    string        `json:"loss,omitempty"`
	Discard string        `json:"discard,omitempty"`

	Amount    string `json:"amount,omitempty"`
	Step      string `json:"step,omitempty" maxLength:"40"`
	Person    string `json:"person,omitempty" maxLength:"40" doc:"Who ate or felt"`
	By        string `json:"by,omitempty" maxLength:"80" doc:"Who looked, freed"`
	Why       string `json:"why,omitempty" maxLength:"500"`
	Meal      string `json:"meal,omitempty" maxLength:"60"`
	First     bool   `json:"first,omitempty"`
	NoAlcohol bool   `json:"noAlcohol,omitempty"`
	Outcome   string `json:"outcome,omitempty" enum:"nothing,dislike,reaction,"`
}

// State is the book of the kitchen with what is needed to judge it: each find is read
// once, as its summary, and judged in full only where its answers are asked for.
type State struct {
	Kitchen *Service
	Book    *lot.Ledger
	Events  []lot.Event
	yields  lot.YieldTable
	Last    int64           // number of the last line of the book, read or set aside
	Aside   []records.Aside // lines that can't be read, or contradict the others
	views   map[string]*finds.View
	finds   map[string]*finds.Summary // nil: it can't be read
	people  map[string]string         // names, by id
	bagged  map[string]bool           // by find: anything of its bags is left
	unit    string                    // in which weights are said
}

// Open reads the book and lays the holds that follow from finds.
func (c *Service) Open() *State {
	k := c.Ledger()
	k.layHolds()
	return k
}

// load reads the summaries of finds that will be asked for, all at once.
func (k *State) load(ids []string) {
	var want []string
	for _, id := range ids {
		if _, ok := k.finds[id]; !ok && !slices.Contains(want, id) {
			want = append(want, id)
			k.finds[id] = nil
		}
	}
	for part := range slices.Chunk(want, 500) {
		list, _, waiting := k.Kitchen.Finds.Summaries(store.FindQuery{IDs: part})
		for i := range list {
			k.finds[list[i].ID] = &list[i]
		}
		if waiting == 0 {
			continue
		}
		// What the kitchen rests on is judged now, however long it takes.
		for _, id := range part {
			if k.finds[id] == nil {
				k.finds[id], _ = k.Kitchen.Finds.SummaryOf(id)
			}
		}
	}
}

// Find is the summary of a find.
func (k *State) Find(id string) (*finds.Summary, bool) {
	k.load([]string{id})
	s := k.finds[id]
	return s, s != nil
}

// NameOf is a person's name.
func (k *State) NameOf(id string) string {
	if k.people == nil {
		k.people = map[string]string{}
		list, _ := k.Kitchen.Store.PeopleLost()
		for i := range list {
			k.people[list[i].ID] = list[i].Name
		}
	}
	return cmp.Or(k.people[id], id)
}

const kitchenLine = "kitchen line"

// layHolds: a bag with pieces that nobody looked at is held, and a mixed or refused find holds its bags until every item was looked at
// again.
func (k *State) layHolds() {
	var bags []*lot.Lot
	var finds []string
	for _, l := range k.Book.Lots() {
		if len(l.Parents) == 0 && !k.gone(l.ID) {
			bags, finds = append(bags, l), append(finds, l.Find)
		}
	}
	k.load(finds)
	for _, l := range bags {
		s := k.finds[l.Find]
		switch {
		case s == nil:
			k.Book.AddHold(l.ID, lot.Reason{Code: "unreadable"}, l.AtMS)
		case s.Held && !l.FullyReinspectedSince(s.LastMS):
			k.Book.AddHold(l.ID, lot.Reason{Code: "mixed", Args: []string{s.Words}}, s.LastMS)
		case leftAlone(s):
			k.Book.AddHold(l.ID, lot.Reason{Code: "left", Args: []string{s.Word}}, s.LastMS)
		}
	}
	k.Book.AddUnlookedHolds()
}

// leftAlone: nothing of the find passed, and the first specimen is to be left.
func leftAlone(s *finds.Summary) bool {
	return s.Verdict == evidence.LeaveIt.String() && !s.Held
}

// gone: nothing is left of a bag, nor of anything made from it.
func (k *State) gone(id string) bool {
	for _, x := range k.Book.TraceForward(id) {
		if l, ok := k.Book.Lot(x); ok && !l.Empty() {
			return false
		}
	}
	return true
}

// FindView is a find judged in full, once.
func (k *State) FindView(find string) (*finds.View, error) {
	if v, ok := k.views[find]; ok {
		return v, nil
	}
	v, err := k.Kitchen.Finds.View(find)
	if err != nil {
		return nil, err
	}
	k.views[find] = v
	return v, nil
}

// steps are what must be done first to a lot, by id.
func (k *State) StepIDs(l *lot.Lot) []string {
	var out []string
	for _, s := range k.FirstSteps(l) {
		out = append(out, s.ID)
	}
	return out
}

// FirstSteps are what must be done first to a lot.
func (k *State) FirstSteps(l *lot.Lot) []guide.FirstStep {
	ix := k.Kitchen.Engine.Index()
	at, ok := ix.TaxonAt(l.Taxon)
	if !ok {
		return nil
	}
	return ix.Book.Kitchen.StepsFor(&ix.Book.Taxa[at], l.Part)
}

// eventOfAct reads the amounts of an act. The error is an *Invalid.
func eventOfAct(a *kitchenDoc) (*lot.Event, error) {
	bad := &records.Invalid{}
	unit := a.Unit
	if unit == "" {
		unit = "g"
	}
	read := func(path, text string) quantity.Amount {
		if text == "" {
			return quantity.Zero
		}
		if grams, ok := strings.CutSuffix(text, " g"); ok {
			if v, err := quantity.Exact(grams); err == nil {
				return v
			}
		}
		v, kind, err := quantity.In(text, unit)
		if err != nil || kind != quantity.Mass {
			bad.Add(path, "no-weight", text)
		}
		return v
	}
	e := &lot.Event{AtMS: a.AtMS, Kind: lot.Kind(a.Kind), Lot: a.Lot, Find: a.Find, Pieces: a.Pieces, Checked: a.Checked, Each: a.Each, Basket: a.Basket, Step: a.Step, Person: a.Person, By: a.By,
		Why: a.Why, Meal: a.Meal, First: a.First, NoAlcohol: a.NoAlcohol, Outcome: a.Outcome}
	e.Gross, e.Tare, e.Amount = read("body.gross", a.Gross), read("body.tare", a.Tare), read("body.amount", a.Amount)
	e.Added, e.Loss, e.Discard = read("body.added", a.Added), read("body.loss", a.Loss), read("body.discard", a.Discard)
	for i, p := range a.From {
		e.From = append(e.From, lot.Portion{Lot: p.Lot, Amount: read("body.from["+strconv.Itoa(i)+"].amount", p.Amount)})
	}
	for i, p := range a.To {
		e.To = append(e.To, lot.Portion{Lot: p.Lot, Amount: read("body.to["+strconv.Itoa(i)+"].amount", p.Amount), Form: p.Form, Pieces: p.Pieces})
	}
	if a.Bag != nil {
		e.Taxon, e.Part, e.PickedMS = a.Bag.Taxon, a.Bag.Piece, a.Bag.PickedMS
	}
	return e, bad.OrNil()
}

// kitchenDoc is an act as it is stored. What a bag takes from its find is written
// along, so that the book can be read without the finds.
type kitchenDoc struct {
	KitchenAct
	Bag *bagNote `json:"bag,omitempty"`
}

type bagNote struct {
	Taxon    string `json:"taxon"`
	Piece    string `json:"piece"`
	PickedMS int64  `json:"pickedMs"`
}

// Cook adds a line to the book of the kitchen, if nothing speaks against it, and gives
// the lots that it names as they then stand.
func (c *Service) RecordAct(a *KitchenAct) (*Cooked, error) {
	defer c.Exclusively()()
	if a.AtMS == 0 {
		a.AtMS = c.Now().UnixMilli()
	}
	if a.AtMS > c.Now().Add(10*time.Minute).UnixMilli() {
		return nil, records.Refuse("body.atMs", "still-to-come")
	}
	k := c.Open()
	if sent, err := c.Store.KitchenHas(a.Key); err != nil {
		return nil, err
	} else if !sent {
		if err := c.Record(k, a); err != nil {
			return nil, err
		}
		k = c.Open() // a line may lay holds, and end some
	}
	return k.changed(a)
}

// add checks an act against an open book and stores it.
func (c *Service) Record(k *State, a *KitchenAct) error {
	d := &kitchenDoc{KitchenAct: *a}
	if err := c.checkAct(k, d); err != nil {
		return err
	}
	e, err := k.written(d)
	if err != nil {
		return err
	}
	e.Seq = k.Last + 1
	if err := k.Book.Add(e, a.Seen, k.StepIDs, k.cleared); err != nil {
		return k.refused(err)
	}
	d.Seen = nil
	// What can't be read back would be set aside: it is read before it is kept.
	var back kitchenDoc
	if err := records.Decode(store.JSON(d), &back); err != nil {
		return err
	}
	if _, err := eventOfAct(&back); err != nil {
		return err
	}
	_, err = c.Store.AppendKitchen(&store.KitchenLine{Key: a.Key, Kind: a.Kind, Doc: store.JSON(d), AtMS: a.AtMS})
	return err
}

// written puts amounts for "all" and "rest", and reads the act. The error is an
// *Invalid.
func (k *State) written(d *kitchenDoc) (*lot.Event, error) {
	left := func(id, text string) string {
		if l, ok := k.Book.Lot(id); ok && text == "all" {
			return l.Left.String() + " g"
		}
		return text
	}
	d.Amount = left(d.Lot, d.Amount)
	for i := range d.From {
		d.From[i].Amount = left(d.From[i].Lot, d.From[i].Amount)
	}
	rest := d.Loss == "rest"
	if rest {
		d.Loss = ""
	}
	e, err := eventOfAct(d)
	if err != nil || !rest {
		return e, err
	}
	lost := e.Added.Sub(e.Discard)
	for _, p := range e.From {
		lost = lost.Add(p.Amount)
	}
	for _, p := range e.To {
		lost = lost.Sub(p.Amount)
	}
	if lost.IsNegative() {
		return nil, records.Refuse("body.to", "more-out-than-in", k.Weigh(lost.Neg()))
	}
	d.Loss, e.Loss = lost.String()+" g", lost
	return e, nil
}

// checkAct fills in what a bag takes from its find, and refuses names that nobody
// knows and people for whom the kind is refused.
func (c *Service) checkAct(k *State, a *kitchenDoc) error {
	bad := &records.Invalid{}
	if a.Person != "" {
		if _, err := c.Store.Person(a.Person); err != nil {
			bad.Add("body.person", "no-such-person", a.Person)
		}
	}
	switch a.Kind {
	case "bagged":
		v, ok := k.Find(a.Find)
		if !ok {
			bad.Add("body.find", "no-such-find", a.Find)
			break
		}
		if v.Target == nil || v.Facts.Part == "" {
			bad.Add("body.find", "no-target")
			break
		}
		picked := v.CreatedMS
		if day, err := time.ParseInLocation(time.DateOnly, v.Day, c.Now().Location()); err == nil {
			picked = min(picked, day.UnixMilli())
		}
		a.Bag = &bagNote{v.Facts.Target, v.Facts.Part, picked}
	case "ate":
		if l, ok := k.Book.Lot(a.Lot); ok && bad.OrNil() == nil {
			why, err := c.refusedTo(a.Person, l)
			if err != nil {
				return err
			}
			if why != "" {
				bad.Add("body.person", "not-for", why)
			}
		}
	}
	return bad.OrNil()
}

// refusedTo says why a kind is not for a person, whatever others may have.
func (c *Service) refusedTo(person string, l *lot.Lot) (string, error) {
	row, err := c.Store.Find(l.Find)
	if err != nil {
		return "", err
	}
	p, err := c.Store.Person(person)
	if err != nil {
		return "", err
	}
	var facts finds.Facts
	var prof people.Profile
	if err := errors.Join(records.Decode(row.Facts, &facts), records.Decode(p.Profile, &prof)); err != nil {
		return "", err
	}
	ix := c.Engine.Index()
	if who := c.Engine.NotFor(finds.FindOf(&facts, &prof)); who != "" {
		at, _ := ix.TaxonAt(l.Taxon)
		return report.Taxon(ix, at).Common + " is not for " + p.Name + ": " + report.PersonWord(who) + ".", nil
	}
	return "", nil
}

// refused turns a refusal of the ledger into fields.
func (k *State) refused(err error) error {
	var e *lot.Error
	if !errors.As(err, &e) {
		return err
	}
	what, do := words.LotRefusal(e, k.NameOf)
	if errors.Is(err, lot.ErrChanged) {
		return &records.Conflict{Code: "said", Args: []string{what, do}}
	}
	return records.Refuse("body."+e.Op, "said", what, do)
}

// cleared says whether the second look of a bag stands today.
func (k *State) cleared(bag *lot.Lot) (bool, lot.Reason) {
	f, ok := k.Find(bag.Find)
	if !ok {
		return false, lot.Reason{Code: "unreadable"}
	}
	s := f.Both()
	return s.Ready, lot.Reason{Code: s.Code}
}

// UsedUp: a find was bagged, and nothing is left of any of it.
func (k *State) UsedUp(find string) bool {
	if k.bagged == nil {
		k.bagged = map[string]bool{}
		for _, l := range k.Book.Lots() {
			if len(l.Parents) == 0 {
				left, was := k.bagged[l.Find]
				k.bagged[l.Find] = was && left || !k.gone(l.ID)
			}
		}
	}
	left, was := k.bagged[find]
	return was && !left
}

// Named is a lot with the name of its kind: nettle, B3.
func (k *State) Named(l *lot.Lot) string {
	ix := k.Kitchen.Engine.Index()
	if at, ok := ix.TaxonAt(l.Taxon); ok {
		return report.Taxon(ix, at).Common + ", " + l.ID
	}
	return l.ID
}
