package casebook

import (
	"cmp"
	"errors"
	"slices"
	"strings"
	"time"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/lot"
	"zestythicket/quantity"
	"zestythicket/report"
	"zestythicket/store"
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

// pot is the book of the kitchen with what is needed to judge it: each find is read
// once, as its summary, and judged in full only where its answers are asked for.
type pot struct {
	c      *Casebook
	book   *lot.Book
	events []lot.Event
	yields lot.YieldTable
	last   int64   // number of the last line of the book, read or set aside
	aside  []Aside // lines that can't be read, or contradict the others
	views  map[string]*View
	finds  map[string]*Summary // nil: it can't be read
	people map[string]string   // names, by id
	bagged map[string]bool     // by find: anything of its bags is left
	unit   string              // in which weights are said
}

// openKitchen reads the book and lays the holds that follow from finds.
func (c *Casebook) openKitchen() *pot {
	k := c.ledger()
	k.layHolds()
	return k
}

// load reads the summaries of finds that will be asked for, all at once.
func (k *pot) load(ids []string) {
	var want []string
	for _, id := range ids {
		if _, ok := k.finds[id]; !ok && !slices.Contains(want, id) {
			want = append(want, id)
			k.finds[id] = nil
		}
	}
	for part := range slices.Chunk(want, 500) {
		list, _, waiting := k.c.Summaries(store.FindQuery{IDs: part})
		for i := range list {
			k.finds[list[i].ID] = &list[i]
		}
		if waiting == 0 {
			continue
		}
		// What the kitchen rests on is judged now, however long it takes.
		for _, id := range part {
			if k.finds[id] == nil {
				k.finds[id], _ = k.c.summaryOf(id)
			}
		}
	}
}

// find is the summary of a find.
func (k *pot) find(id string) (*Summary, bool) {
	k.load([]string{id})
	s := k.finds[id]
	return s, s != nil
}

// nameOf is a person's name.
func (k *pot) nameOf(id string) string {
	if k.people == nil {
		k.people = map[string]string{}
		list, _ := k.c.Store.PeopleLost()
		for i := range list {
			k.people[list[i].ID] = list[i].Name
		}
	}
	return cmp.Or(k.people[id], id)
}

const kitchenLine = "kitchen line"

// layHolds: a bag with pieces that nobody looked at is held, and a mixed or refused find holds its bags until every item was looked at
// again.
func (k *pot) layHolds() {
	var bags []*lot.Lot
	var finds []string
	for _, l := range k.book.Lots() {
		if len(l.Parents) == 0 && !k.gone(l.ID) {
			bags, finds = append(bags, l), append(finds, l.Find)
		}
	}
	k.load(finds)
	for _, l := range bags {
		s := k.finds[l.Find]
		switch {
		case s == nil:
			k.book.Lay(l.ID, "its find can’t be read: nothing is eaten of it", l.AtMS)
		case s.Held && !l.WholeAgain(s.LastMS):
			k.book.Lay(l.ID, "its patch is mixed: "+s.Words, s.LastMS)
		case leftAlone(s):
			k.book.Lay(l.ID, "its find is to be left: "+s.Word, s.LastMS)
		}
	}
	k.book.LayUnlooked()
}

// leftAlone: nothing of the find passed, and the first specimen is to be left.
func leftAlone(s *Summary) bool {
	return s.Verdict == evidence.LeaveIt.String() && !s.Held
}

// gone: nothing is left of a bag, nor of anything made from it.
func (k *pot) gone(id string) bool {
	for _, x := range k.book.Forward(id) {
		if l, ok := k.book.Lot(x); ok && !l.Empty() {
			return false
		}
	}
	return true
}

func (k *pot) view(find string) (*View, error) {
	if v, ok := k.views[find]; ok {
		return v, nil
	}
	v, err := k.c.View(find)
	if err != nil {
		return nil, err
	}
	k.views[find] = v
	return v, nil
}

// steps are what must be done first to a lot, by id.
func (k *pot) steps(l *lot.Lot) []string {
	var out []string
	for _, s := range k.firstSteps(l) {
		out = append(out, s.ID)
	}
	return out
}

func (k *pot) firstSteps(l *lot.Lot) []guide.FirstStep {
	ix := k.c.Engine.Index()
	at, ok := ix.TaxonAt(l.Taxon)
	if !ok {
		return nil
	}
	return ix.Book.Kitchen.StepsFor(&ix.Book.Taxa[at], l.Piece)
}

// eventOfAct reads the amounts of an act. The error is an *Invalid.
func eventOfAct(a *kitchenDoc) (*lot.Event, error) {
	bad := &Invalid{}
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
			bad.add(path, "a decimal number, for example 250 or 0.4", "%q is no weight", text)
		}
		return v
	}
	e := &lot.Event{AtMS: a.AtMS, Kind: lot.Kind(a.Kind), Lot: a.Lot, Find: a.Find, Pieces: a.Pieces, Checked: a.Checked, Each: a.Each, Basket: a.Basket, Step: a.Step, Person: a.Person, By: a.By,
		Why: a.Why, Meal: a.Meal, First: a.First, NoAlcohol: a.NoAlcohol, Outcome: a.Outcome}
	e.Gross, e.Tare, e.Amount = read("body.gross", a.Gross), read("body.tare", a.Tare), read("body.amount", a.Amount)
	e.Added, e.Loss, e.Discard = read("body.added", a.Added), read("body.loss", a.Loss), read("body.discard", a.Discard)
	for i, p := range a.From {
		e.From = append(e.From, lot.Part{Lot: p.Lot, Amount: read("body.from["+itoa(i)+"].amount", p.Amount)})
	}
	for i, p := range a.To {
		e.To = append(e.To, lot.Part{Lot: p.Lot, Amount: read("body.to["+itoa(i)+"].amount", p.Amount), Form: p.Form, Pieces: p.Pieces})
	}
	if a.Bag != nil {
		e.Taxon, e.Piece, e.PickedMS = a.Bag.Taxon, a.Bag.Piece, a.Bag.PickedMS
	}
	return e, bad.orNil()
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
func (c *Casebook) Cook(a *KitchenAct) (*Cooked, error) {
	c.kitchen.Lock()
	defer c.kitchen.Unlock()
	if a.AtMS == 0 {
		a.AtMS = c.Now().UnixMilli()
	}
	if a.AtMS > c.Now().Add(10*time.Minute).UnixMilli() {
		return nil, &Invalid{Fields: []Field{{"body.atMs", "that time is still to come", "give the time when it happened"}}}
	}
	k := c.openKitchen()
	if sent, err := c.Store.KitchenHas(a.Key); err != nil {
		return nil, err
	} else if !sent {
		if err := c.add(k, a); err != nil {
			return nil, err
		}
		k = c.openKitchen() // a line may lay holds, and end some
	}
	return k.changed(a)
}

// add checks an act against an open book and stores it.
func (c *Casebook) add(k *pot, a *KitchenAct) error {
	d := &kitchenDoc{KitchenAct: *a}
	if err := c.checkAct(k, d); err != nil {
		return err
	}
	e, err := k.written(d)
	if err != nil {
		return err
	}
	e.Seq = k.last + 1
	if err := k.book.Add(e, a.Seen, k.steps, k.cleared); err != nil {
		return refusedAct(err)
	}
	d.Seen = nil
	// What can't be read back would be set aside: it is read before it is kept.
	var back kitchenDoc
	if err := unJSON(store.JSON(d), &back); err != nil {
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
func (k *pot) written(d *kitchenDoc) (*lot.Event, error) {
	left := func(id, text string) string {
		if l, ok := k.book.Lot(id); ok && text == "all" {
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
		return nil, &Invalid{Fields: []Field{{"body.to", "more came out than went in, by " + k.weigh(lost.Neg()), "weigh again, or say what was added: water, salt, fat"}}}
	}
	d.Loss, e.Loss = lost.String()+" g", lost
	return e, nil
}

// checkAct fills in what a bag takes from its find, and refuses names that nobody
// knows and people for whom the kind is refused.
func (c *Casebook) checkAct(k *pot, a *kitchenDoc) error {
	bad := &Invalid{}
	if a.Person != "" {
		if _, err := c.Store.Person(a.Person); err != nil {
			bad.add("body.person", "add the person first", "nobody is known as %q", a.Person)
		}
	}
	switch a.Kind {
	case "bagged":
		v, ok := k.find(a.Find)
		if !ok {
			bad.add("body.find", "", "there is no find %q", a.Find)
			break
		}
		if v.Target == nil || v.Facts.Part == "" {
			bad.add("body.find", "say in the find what you believe it is, and which part", "a find without a target fills no bag")
			break
		}
		picked := v.CreatedMS
		if day, err := time.ParseInLocation(time.DateOnly, v.Day, c.Now().Location()); err == nil {
			picked = min(picked, day.UnixMilli())
		}
		a.Bag = &bagNote{v.Facts.Target, v.Facts.Part, picked}
	case "ate":
		if l, ok := k.book.Lot(a.Lot); ok && bad.orNil() == nil {
			why, err := c.refusedTo(a.Person, l)
			if err != nil {
				return err
			}
			if why != "" {
				bad.add("body.person", "others may have it", "%s", why)
			}
		}
	}
	return bad.orNil()
}

// refusedTo says why a kind is not for a person, whatever others may have.
func (c *Casebook) refusedTo(person string, l *lot.Lot) (string, error) {
	row, err := c.Store.Find(l.Find)
	if err != nil {
		return "", err
	}
	p, err := c.Store.Person(person)
	if err != nil {
		return "", err
	}
	var facts Facts
	var prof Profile
	if err := errors.Join(unJSON(row.Facts, &facts), unJSON(p.Profile, &prof)); err != nil {
		return "", err
	}
	ix := c.Engine.Index()
	if who := c.Engine.NotFor(findOf(&facts, &prof)); who != "" {
		at, _ := ix.TaxonAt(l.Taxon)
		return report.Taxon(ix, at).Common + " is not for " + p.Name + ": " + report.PersonWord(who) + ".", nil
	}
	return "", nil
}

// refusedAct turns a refusal of the book into fields.
func refusedAct(err error) error {
	var e *lot.Error
	if !errors.As(err, &e) {
		return err
	}
	if errors.Is(err, lot.ErrChanged) {
		return &Conflict{What: e.What, Hint: e.Hint}
	}
	return &Invalid{Fields: []Field{{"body." + e.Op, e.What, e.Hint}}}
}

// ErrConflict is matched by every *Conflict.
var ErrConflict = errors.New("changed meanwhile")

// Conflict says that something was changed on another screen. Now is what is stored.
type Conflict struct {
	What, Hint string
	Now        any
}

// Error gives the words.
func (e *Conflict) Error() string { return e.What }

// Is makes errors.Is(err, ErrConflict) hold.
func (e *Conflict) Is(target error) bool { return target == ErrConflict }
