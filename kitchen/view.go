package kitchen

import (
	"errors"
	"slices"
	"strings"

	"zestythicket/finds"
	"zestythicket/lot"
	"zestythicket/quantity"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/words"
)

// StepView is something that must be done first to a lot.
type StepView struct {
	ID      string  `json:"id"`
	Do      string  `json:"do"`
	Minutes float64 `json:"minutes" doc:"0: no time belongs to it"`
	Done    bool    `json:"done"`
	BeganMS int64   `json:"beganMs,omitempty" doc:"It is running"`
	Source  string  `json:"source"`
}

// EaterView is one eating.
type EaterView struct {
	Seq    int64  `json:"seq"`
	AtMS   int64  `json:"atMs"`
	Lot    string `json:"lot"`
	Person string `json:"person"`
	Name   string `json:"name"`
	Amount string `json:"amount"`
	Grams  string `json:"grams" doc:"In grams, as a number"`
	Meal   string `json:"meal,omitempty" doc:"Servings of one meal carry the same word"`
	First  bool   `json:"first"`
	Felt   string `json:"felt,omitempty" doc:"What was felt of this kind since: nothing, dislike, reaction"`
	DueMS  int64  `json:"dueMs,omitempty" doc:"From when it can be said how a first taste was"`
}

// LotView is a bag or batch.
type LotView struct {
	ID        string           `json:"id"`
	Find      string           `json:"find"`
	FindTitle string           `json:"findTitle"`
	Taxon     *report.TaxonRef `json:"taxon,omitempty"`
	Part      string           `json:"part"`
	Form      string           `json:"form"`
	Bag       bool             `json:"bag"`
	Place     string           `json:"place"`
	PickedMS  int64            `json:"pickedMs"`
	AtMS      int64            `json:"atMs"`
	Made      string           `json:"made" doc:"Net weight at first"`
	Left      string           `json:"left"`
	Grams     string           `json:"grams" doc:"What is left, in grams, as a number"`
	Gross     string           `json:"gross,omitempty"`
	Tare      string           `json:"tare,omitempty"`
	Pieces    int              `json:"pieces"`
	Each      bool             `json:"each,omitempty" doc:"Every item was looked at one by one, without a count"`
	Checked   int              `json:"checked" doc:"Items that were looked at one by one"`
	Basket    string           `json:"basket,omitempty"`
	State     string           `json:"state" enum:"held,empty,second-look,first-steps,first-taste,open"`
	What      string           `json:"what"`
	Hint      string           `json:"hint,omitempty"`
	Holds     []HoldView       `json:"holds"`
	Steps     []StepView       `json:"steps"`
	Sampled   bool             `json:"sampled"`
	KeepByMS  int64            `json:"keepByMs,omitempty"`
	Late      bool             `json:"late" doc:"Its time to keep is over"`
	Parents   []string         `json:"parents"`
	Children  []string         `json:"children"`
	Rev       int64            `json:"rev"`
	Eaten     []EaterView      `json:"eaten"`
	LookedBy  string           `json:"lookedBy,omitempty"`
	Yields    []YieldView      `json:"yields" doc:"What became of a gram, from the record"`
}

// YieldView is a yield from the user's own record.
type YieldView struct {
	Form    string `json:"form"`
	Ratio   string `json:"ratio"`
	Makings int    `json:"makings"`
}

// PersonMay says whether somebody may eat of a lot.
type PersonMay struct {
	Person string `json:"person"`
	Name   string `json:"name"`
	May    bool   `json:"may"`
	First  bool   `json:"first" doc:"It has to be a first taste"`
	Why    string `json:"why,omitempty"`
}

// Kitchen is all that is in it.
type Kitchen struct {
	Lots    []LotView       `json:"lots" doc:"All of which something is left, and the last that were used up; the newest first"`
	Codes   []string        `json:"codes" doc:"Of every lot there ever was: none is used twice"`
	Emptied int             `json:"emptied" doc:"How many there are of which nothing is left"`
	Judging finds.Progress  `json:"judging" doc:"Finds being judged anew, after the guide has changed"`
	Balance string          `json:"balance" doc:"What does not add up, in grams: 0"`
	Wait    int             `json:"wait" doc:"Hours after a first taste"`
	Most    string          `json:"most" doc:"Grams of a first taste, at most"`
	Unit    string          `json:"unit" doc:"In which weights are shown and typed"`
	NowMS   int64           `json:"nowMs"`
	Aside   []records.Aside `json:"aside" doc:"Lines of the book that can't be read or contradict the others; everything else counts"`
	Recalls []Recall        `json:"recalls" doc:"Finds that today's guide judges otherwise, with what became of them"`
}

// Recall is a find that passed once and no longer does, with all that was made of
// it and everyone who ate of that.
type Recall struct {
	Find   string      `json:"find"`
	Title  string      `json:"title"`
	Was    string      `json:"was"`
	Now    string      `json:"now"`
	Lots   []string    `json:"lots"`
	Eaters []EaterView `json:"eaters"`
}

// TraceView is where a lot comes from and where it went.
type TraceView struct {
	Lot       LotView     `json:"lot"`
	Back      []LotView   `json:"back" doc:"What it was made from, down to the bags"`
	Forward   []LotView   `json:"forward" doc:"What was made from it"`
	Concerned []LotView   `json:"concerned" doc:"What a failure of it would hold"`
	Eaters    []EaterView `json:"eaters" doc:"Who ate of anything concerned"`
	Finds     []FindTrace `json:"finds"`
	People    []PersonMay `json:"people"`
	Lines     []ActLine   `json:"lines" doc:"The lines of the book that touched it"`
}

// FindTrace is a find behind a lot.
type FindTrace struct {
	ID      string       `json:"id"`
	Title   string       `json:"title"`
	Day     string       `json:"day"`
	Word    string       `json:"word" doc:"As it is judged today"`
	Checked int          `json:"checked" doc:"Items looked at one by one"`
	Failed  int          `json:"failed"`
	Second  finds.Second `json:"second"`
}

// ActLine is one line of the book, to be read.
type ActLine struct {
	Seq  int64  `json:"seq"`
	AtMS int64  `json:"atMs"`
	Kind string `json:"kind"`
	What string `json:"what"`
}

// recentDays: what was eaten of within so many days is always shown, since an incident
// may be of it.
const recentDays = 60

func (k *State) eatenSince(ms int64) map[string]bool {
	out := map[string]bool{}
	for i := range k.Book.Servings {
		if s := &k.Book.Servings[i]; s.AtMS >= ms {
			out[s.Lot] = true
		}
	}
	return out
}

// emptied is how many lots of which nothing is left are shown unless more are asked for.
const emptied = 30

// Kitchen shows what is there, and the last of what was used up: so many of it, of those
// in which every word of a search stands.
func (c *Service) Kitchen(query string, most int) (*Kitchen, error) {
	k := c.Open()
	out := &Kitchen{Lots: []LotView{}, Codes: []string{}, Aside: append([]records.Aside{}, k.Aside...), Balance: k.Book.Balance().String(), Wait: int(k.Book.Rules.WaitMS / lot.HourMS), Most: k.Book.Rules.TasteMost.String(), Unit: k.unit, NowMS: c.Now().UnixMilli(), Judging: c.Finds.Judging()}
	words := strings.Fields(records.Fold(query))
	if most == 0 {
		most = emptied
	}
	var show []*lot.Lot
	var finds []string
	recent := k.eatenSince(c.Now().AddDate(0, 0, -recentDays).UnixMilli())
	for _, l := range slices.Backward(k.Book.Lots()) {
		out.Codes = append(out.Codes, l.ID)
		if !k.holds(l, words) {
			continue
		}
		if l.Empty() {
			if out.Emptied++; out.Emptied > most && !recent[l.ID] {
				continue
			}
		}
		show = append(show, l)
		for _, bag := range k.Book.Bags(l.ID) {
			if b, ok := k.Book.Lot(bag); ok {
				finds = append(finds, b.Find)
			}
		}
	}
	k.load(finds)
	for _, l := range show {
		v, err := k.lot(l)
		if err != nil {
			return nil, err
		}
		out.Lots = append(out.Lots, *v)
	}
	return out, k.recalls(out)
}

// holds: every word stands in what a list says of a lot.
func (k *State) holds(l *lot.Lot, words []string) bool {
	if len(words) == 0 {
		return true
	}
	text := records.Fold(k.Named(l) + " " + l.Form + " " + l.Part + " " + k.Kitchen.DayOf(l.AtMS))
	return !slices.ContainsFunc(words, func(w string) bool { return !strings.Contains(text, w) })
}

// Cooked is what a line of the kitchen changed.
type Cooked struct {
	Lots    []LotView `json:"lots" doc:"Those that the line names"`
	Balance string    `json:"balance" doc:"What does not add up, in grams: 0"`
	NowMS   int64     `json:"nowMs"`
}

func (k *State) changed(a *KitchenAct) (*Cooked, error) {
	out := &Cooked{Lots: []LotView{}, Balance: k.Book.Balance().String(), NowMS: k.Kitchen.Now().UnixMilli()}
	ids := []string{a.Lot}
	for _, p := range slices.Concat(a.From, a.To) {
		ids = append(ids, p.Lot)
	}
	for _, id := range ids {
		l, ok := k.Book.Lot(id)
		if !ok {
			continue
		}
		v, err := k.lot(l)
		if err != nil {
			return nil, err
		}
		out.Lots = append(out.Lots, *v)
	}
	return out, nil
}

// recalls sets finds that were judged anew beside their bags and batches. Nothing is
// held by hand here: the second look of such a bag does not stand any more.
func (k *State) recalls(out *Kitchen) error {
	out.Recalls = []Recall{}
	list, err := k.Kitchen.Finds.Rejudge()
	if err != nil {
		return err
	}
	for _, r := range list {
		if lots := k.Book.OfFind(r.Find); r.NoLongerPasses && len(lots) > 0 {
			out.Recalls = append(out.Recalls, Recall{r.Find, r.Title, r.Was, r.Now, lots, k.Eaters(lots)})
		}
	}
	return nil
}

func (k *State) lot(l *lot.Lot) (*LotView, error) {
	ix := k.Kitchen.Engine.Index()
	v := &LotView{ID: l.ID, Find: l.Find, Part: l.Part, Form: l.Form, Bag: len(l.Parents) == 0, PickedMS: l.PickedMS, AtMS: l.AtMS, Made: k.Weigh(l.Made), Left: k.Weigh(l.Left), Grams: l.Left.String(),
		Pieces: l.Pieces, Checked: l.Checked, Each: l.Each, Basket: l.Basket, Sampled: k.Book.Sampled(l), Rev: l.Rev, Parents: append([]string{}, l.Parents...), Children: append([]string{}, l.Children...),
		Holds: holdViews(k.Book.HoldsOn(l.ID)), Steps: []StepView{}, Eaten: k.Eaters([]string{l.ID}), Yields: []YieldView{}}
	if v.Bag {
		v.Gross, v.Tare = k.Weigh(l.Gross), k.Weigh(l.Tare)
	}
	if l.Looked != nil {
		v.LookedBy = l.Looked.By
	}
	if at, ok := ix.TaxonAt(l.Taxon); ok {
		t := report.Taxon(ix, at)
		v.Taxon = &t
	}
	if f, ok := k.Find(l.Find); ok {
		v.FindTitle, v.Place = f.Title, f.Place
	} else {
		v.FindTitle = "a find that can’t be read"
	}
	for _, s := range k.FirstSteps(l) {
		v.Steps = append(v.Steps, StepView{s.ID, s.Do, s.Minutes, slices.Contains(l.Done, s.ID), l.Running[s.ID], k.Kitchen.SourceTitle(s.Source)})
	}
	st := k.Book.Standing(l, k.StepIDs(l), k.cleared)
	v.State = st.Code
	v.What, v.Hint = words.LotState(&st, l.ID)
	if by, ok := k.Book.UseBy(l); ok && !l.Empty() {
		v.KeepByMS, v.Late = by, by <= k.Kitchen.Now().UnixMilli()
	}
	for _, form := range lot.Forms {
		if y := k.yields[lot.YieldKey{Kind: l.Kind(), Form: form}]; y.Makings > 0 && form != l.Form {
			v.Yields = append(v.Yields, YieldView{form, y.Ratio().String(), y.Makings})
		}
	}
	return v, nil
}

// Weigh says a weight in the user's unit.
func (k *State) Weigh(a quantity.Amount) string {
	s, err := quantity.Words(a, k.unit)
	if err != nil {
		return quantity.Grams(a)
	}
	return s
}

// Eaters lists who ate of any of the lots.
func (k *State) Eaters(lots []string) []EaterView {
	out := []EaterView{}
	for _, s := range k.Book.Eaters(lots) {
		e := EaterView{Seq: s.Seq, AtMS: s.AtMS, Lot: s.Lot, Person: s.Person, Name: k.NameOf(s.Person), Amount: k.Weigh(s.Amount), Grams: s.Amount.String(), Meal: s.Meal, First: s.First}
		e.Felt = k.Book.FeltAfter(&s)
		if s.First && e.Felt == "" {
			e.DueMS = s.AtMS + k.Book.Rules.WaitMS
		}
		out = append(out, e)
	}
	return out
}

// Trace follows a lot back to the leaf-by-leaf check and forward to everyone who
// ate.
func (c *Service) Trace(id string) (*TraceView, error) {
	k := c.Open()
	l, ok := k.Book.Lot(id)
	if !ok {
		return nil, records.NotThere("lot", id)
	}
	out := &TraceView{Back: []LotView{}, Forward: []LotView{}, Concerned: []LotView{}, Finds: []FindTrace{}, People: []PersonMay{}, Lines: []ActLine{}}
	v, err := k.lot(l)
	if err != nil {
		return nil, err
	}
	out.Lot = *v
	for _, x := range []struct {
		ids []string
		to  *[]LotView
	}{{k.Book.TraceBack(id)[1:], &out.Back}, {k.Book.TraceForward(id)[1:], &out.Forward}, {k.Book.Affected(id), &out.Concerned}} {
		for _, other := range x.ids {
			ol, _ := k.Book.Lot(other)
			if ov, err := k.lot(ol); err != nil {
				return nil, err
			} else if other != id {
				*x.to = append(*x.to, *ov)
			}
		}
	}
	out.Eaters = k.Eaters(k.Book.Affected(id))
	k.FindsBehind(id, out)
	people, err := c.Store.People()
	if err != nil {
		return nil, err
	}
	for _, p := range people {
		m := PersonMay{Person: p.ID, Name: p.Name}
		if why, err := c.refusedTo(p.ID, l); err != nil {
			m.Why = "Its find can’t be read."
		} else if why != "" {
			m.Why = why
		} else if m.First, err = k.Book.Serving(l, p.ID, k.StepIDs(l), k.cleared); err != nil {
			m.Why = wordsOf(err, k.NameOf)
		} else {
			m.May = true
		}
		out.People = append(out.People, m)
	}
	for i := range k.Events {
		if e := &k.Events[i]; touches(e, id) {
			out.Lines = append(out.Lines, ActLine{e.Seq, e.AtMS, string(e.Kind), k.Says(e)})
		}
	}
	return out, nil
}

// FindsBehind adds the finds that a lot goes back to.
func (k *State) FindsBehind(id string, out *TraceView) {
	done := map[string]bool{}
	for _, bag := range k.Book.Bags(id) {
		b, _ := k.Book.Lot(bag)
		if done[b.Find] {
			continue
		}
		done[b.Find] = true
		v, ok := k.Find(b.Find)
		if !ok {
			out.Finds = append(out.Finds, FindTrace{ID: b.Find, Title: "A find that can’t be read", Word: "set aside",
				Second: finds.Second{Field: b.Find, Differs: []finds.Differs{}, Added: []string{}, Missing: []string{}, Asked: []finds.Asked{}, Words: "It can’t be read."}})
			continue
		}
		out.Finds = append(out.Finds, FindTrace{ID: v.ID, Title: finds.TitleIn(v), Day: v.Day, Word: v.Word, Checked: v.Passed + v.Failed, Failed: v.Failed, Second: *v.Both()})
	}
}

func touches(e *lot.Event, id string) bool {
	in := func(p lot.Portion) bool { return p.Lot == id }
	return e.Lot == id || slices.ContainsFunc(e.From, in) || slices.ContainsFunc(e.To, in)
}

// Says puts a line of the book in words.
func (k *State) Says(e *lot.Event) string {
	return words.KitchenLine(e, k.Weigh, k.NameOf(e.Person))
}

// RemovePerson removes a person of whom nothing else tells; whoever ate something stays.
func (c *Service) RemovePerson(id string) error {
	if c.Ledger().Book.Ate(id) {
		return records.Refuse("path.id", "ate-here", c.NameOf(id))
	}
	if n, err := c.Store.FindsOf(id); err != nil {
		return records.Refuse("path.id", "finds-unread")
	} else if n > 0 {
		return records.Refuse("path.id", "has-finds", c.NameOf(id))
	}
	return c.Store.RemovePerson(id)
}

func wordsOf(err error, name func(string) string) string {
	var e *lot.Error
	if errors.As(err, &e) {
		what, _ := words.LotRefusal(e, name)
		return what
	}
	return err.Error()
}

// HoldView is a hold, in words.
type HoldView struct {
	Lot      string `json:"lot" doc:"On which it was laid"`
	Code     string `json:"code" enum:"by-hand,unlooked,uncounted,reaction,unreadable,mixed,left"`
	Why      string `json:"why"`
	AtMS     int64  `json:"atMs"`
	Unlooked bool   `json:"unlooked,omitempty"`
	Do       string `json:"do,omitempty" doc:"What ends it, where that is not a person’s word"`
}

func holdViews(list []lot.Hold) []HoldView {
	out := []HoldView{}
	for i := range list {
		why, do := words.Hold(&list[i])
		out = append(out, HoldView{list[i].Lot, list[i].Reason.Code, why, list[i].AtMS, list[i].Unlooked, do})
	}
	return out
}
