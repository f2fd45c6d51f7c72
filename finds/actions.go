package finds

import (
	"errors"
	"log/slog"
	"strings"
	"time"

	"zestythicket/guide"
	"zestythicket/records"
	"zestythicket/store"
)

// Begin is what a find is begun with.
type Begin struct {
	ID      string   `json:"id" pattern:"^[a-z0-9-]{6,40}$" doc:"Given by the client, so that a retried request makes one find"`
	Title   string   `json:"title,omitempty" maxLength:"120"`
	Place   string   `json:"place,omitempty" maxLength:"120" doc:"Its name, where it is no stored place"`
	PlaceID string   `json:"placeId,omitempty" maxLength:"40" doc:"Of a stored place"`
	Day     string   `json:"day" format:"date"`
	Person  string   `json:"person,omitempty"`
	Facts   Facts    `json:"facts"`
	Stages  []string `json:"stages,omitempty"`
}

// NewLine is a line to add to a log.
type NewLine struct {
	Key      string `json:"key" minLength:"8" maxLength:"64" doc:"Given by the client; a line with a key already there is stored once"`
	Specimen string `json:"specimen" maxLength:"20"`
	Kind     string `json:"kind" enum:"staged,answered,clean-hands,handled,picked,undone,noted"`
	Body     Body   `json:"body"`
}

// FirstSpecimen is the id of the specimen that a find begins with.
const FirstSpecimen = "s1"

// AsideSpecimen is the heap of items that were looked at and differ, without
// anybody saying how: they fail.
const AsideSpecimen = "aside"

// Begin stores a new find, wholly or not at all. Begun again with the same id,
// it returns the find that is there.
func (c *Service) Begin(b *Begin) (*View, error) {
	if v, err := c.View(b.ID); err == nil {
		return v, nil
	} else if !errors.Is(err, store.ErrNotFound) {
		return nil, err
	}
	bad := &records.Invalid{}
	if _, err := time.Parse("2006-01-02", b.Day); err != nil {
		bad.Add("body.day", "no-date", b.Day)
	}
	c.checkFacts(&b.Facts, bad)
	c.checkStages(b.Stages, "body.stages", bad)
	person := b.Person
	if person == "" {
		people, err := c.Store.People()
		if err != nil {
			return nil, err
		}
		if len(people) == 0 {
			bad.Add("body.person", "nobody-known")
		} else {
			person = people[0].ID
		}
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	if _, err := c.Store.Person(person); err != nil {
		return nil, err
	}
	placeID, place, err := c.placeOf(b)
	if err != nil {
		return nil, err
	}
	b.Facts.Rev = 0
	now := c.Now().UnixMilli()
	row := &store.Find{ID: b.ID, PersonID: person, Title: strings.TrimSpace(b.Title), PlaceName: place, PlaceID: placeID, Day: b.Day, Facts: store.JSON(b.Facts), CreatedMS: now}
	var events []*store.Event
	if len(b.Stages) > 0 {
		events = append(events, &store.Event{FindID: b.ID, Specimen: FirstSpecimen, Key: "begin-stage", Kind: "staged", Body: store.JSON(Body{Stages: b.Stages}), AtMS: now})
	}
	if err := c.Store.AddFind(row, &store.Specimen{FindID: b.ID, ID: FirstSpecimen, Number: 1}, events...); err != nil {
		return nil, err
	}
	return c.viewAndKeep(row, false)
}

// placeOf is the stored place that a find is begun at, by id or by its whole name.
func (c *Service) placeOf(b *Begin) (id, name string, err error) {
	places, err := c.Ground.Places()
	if err != nil {
		return "", "", err
	}
	name = strings.TrimSpace(b.Place)
	for i := range places {
		if p := &places[i]; p.ID == b.PlaceID || b.PlaceID == "" && name != "" && p.Name == name {
			return p.ID, p.Name, nil
		}
	}
	if b.PlaceID != "" {
		return "", "", records.Refuse("body.placeId", "no-such-place-here", b.PlaceID)
	}
	return "", name, nil
}

// viewAndKeep judges a find after something of it was stored. The verdict is a copy
// of what follows from the log: where it alone can't be stored, what was stored
// before it stands, and is not called lost.
func (c *Service) viewAndKeep(row *store.Find, tap bool) (*View, error) {
	inputs, err := c.Store.Inputs(row.ID)
	if err != nil {
		inputs = -1
	}
	v, err := c.Judge(row)
	if err != nil {
		return nil, err
	}
	if err := c.Store.Atomically("keep verdict", row.ID, func(tx *store.Store) error { return c.on(tx).keep(v, tap) }); err != nil {
		slog.Warn("a verdict was not kept; it follows from the log", "find", row.ID, "err", err)
	}
	if !c.Store.Derived() || inputs < 0 {
		return v, nil
	}
	if err := c.Store.Atomically("keep summary", row.ID, func(tx *store.Store) error {
		c := c.on(tx)
		return c.keepSummary(c.summaryFor(v), inputs)
	}); err != nil {
		slog.Warn("a summary was not kept; it follows from the log", "find", row.ID, "err", err)
	}
	return v, nil
}

// Append adds a line to a find's log and judges it anew.
func (c *Service) Append(id string, e *NewLine) (*View, error) {
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	bad := &records.Invalid{}
	if err := c.checkEntry(row, e, bad); err != nil {
		return nil, err
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	ev := &store.Event{FindID: id, Specimen: e.Specimen, Key: e.Key, Kind: e.Kind, Body: store.JSON(e.Body), AtMS: c.Now().UnixMilli()}
	var v *View
	var unjudged error // what was seen is kept, whether or not it can be judged
	err = c.Store.Atomically("store answer", id, func(tx *store.Store) error {
		c := c.on(tx)
		stored, err := tx.Append(ev, c.carries(e))
		if err != nil {
			return err
		}
		if a := e.Body.Answer; stored && a != nil { // what was waited for has been read
			if err := tx.EndWait(id, e.Specimen, a.Trait); err != nil {
				return err
			}
		}
		v, unjudged = c.viewAndKeep(row, true)
		return nil
	})
	if err != nil {
		return nil, err
	}
	return v, unjudged
}

// carries reports whether a line may change what hands, gloves or blade carry on to the
// other finds of the outing.
func (c *Service) carries(e *NewLine) bool {
	switch a := e.Body.Answer; {
	case a != nil:
		ix := c.Engine.Index()
		at, ok := ix.TraitAt(a.Trait)
		return ok && ix.Book.Traits[at].Smell
	default:
		return e.Kind != "staged" && e.Kind != "picked" && e.Kind != "noted"
	}
}

// SetFacts replaces what is known of a find; changing the intent reopens the
// verdict, since everything is judged anew.
func (c *Service) SetFacts(id string, f *Facts) (*View, error) {
	bad := &records.Invalid{}
	c.checkFacts(f, bad)
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	known := f.Rev
	f.Rev = 0
	if err := c.Store.ChangeFind(id, func(row *store.Find) error {
		text := store.JSON(f)
		if row.Facts != text && row.Rev != known {
			now := new(Facts)
			if err := records.Decode(row.Facts, now); err != nil {
				return err
			}
			now.Rev = row.Rev
			return &records.Conflict{Code: "find-changed", Now: now}
		}
		row.Facts = text
		return nil
	}); err != nil {
		return nil, err
	}
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	return c.viewAndKeep(row, false)
}

// AddSpecimen adds an individual.
func (c *Service) AddSpecimen(id string, sp *Specimen) (*View, error) {
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	have, err := c.Store.Specimens(id)
	if err != nil {
		return nil, err
	}
	known := sp.JoinedTo == ""
	for _, s := range have {
		if s.ID == sp.ID {
			return c.viewAndKeep(row, false) // the same request sent again
		}
		known = known || s.ID == sp.JoinedTo
	}
	if !known {
		return nil, records.Refuse("body.joinedTo", "no-such-specimen", sp.JoinedTo)
	}
	if err := c.Store.AddSpecimen(&store.Specimen{FindID: id, ID: sp.ID, Number: len(have) + 1, JoinedTo: sp.JoinedTo, Count: sp.Count}); err != nil {
		return nil, err
	}
	return c.viewAndKeep(row, false)
}

// CountSpecimen says on how many items, each looked at by itself, the answers of
// a specimen were seen. The heap set aside is begun by counting into it. picked,
// if it is not negative, is how many items the basket holds now.
//
// was is how many the asking screen knew; others that were counted meanwhile are a
// *Conflict. Nothing else of the find is touched.
func (c *Service) CountSpecimen(id, specimen string, was, count, picked int) (*View, error) {
	err := c.Store.CountSpecimen(id, specimen, was, count, specimen == AsideSpecimen, func(row *store.Find) error {
		if picked < 0 {
			return nil
		}
		var f Facts
		if err := records.Decode(row.Facts, &f); err != nil {
			return err
		}
		f.Picked = picked
		row.Facts = store.JSON(f)
		return nil
	})
	var e *store.Error
	if errors.As(err, &e) && errors.Is(e.Err, store.ErrChanged) {
		return nil, &records.Conflict{Code: "counted-elsewhere", Args: []string{e.Hint}}
	}
	if err != nil {
		return nil, err
	}
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	return c.viewAndKeep(row, false)
}

// Rejudged is a find whose stored verdict today's guide would not give.
type Rejudged struct {
	Find           string `json:"find"`
	Title          string `json:"title"`
	Specimen       string `json:"specimen"`
	Was            string `json:"was"`
	Now            string `json:"now"`
	GuideChanged   bool   `json:"guideChanged"`
	NoLongerPasses bool   `json:"noLongerPasses"`
}

// Rejudge lists the finds whose verdict was stored under another guide and is not
// what today's would give.
func (c *Service) Rejudge() ([]Rejudged, error) {
	c.Freshen()
	out := []Rejudged{}
	list, _, _ := c.Summaries(store.FindQuery{Only: "moved"}) // what is lost stands in the check of the database
	for i := range list {
		for _, r := range list[i].Moved {
			r.Title = list[i].Title
			out = append(out, r)
		}
	}
	return out, nil
}

func (c *Service) checkFacts(f *Facts, bad *records.Invalid) {
	if d := f.Disposal; d != nil {
		if _, err := time.Parse(time.DateOnly, d.Cut); err != nil {
			bad.Add("body.facts.disposal.cut", "no-date", d.Cut)
		}
	}
	ix := c.Engine.Index()
	if f.Part != "" {
		c.CheckOneOf(f.Part, ix.Book.PartWords(), "body.facts.part", -1, "part", bad)
	}
	if f.Prep != "" {
		c.CheckOneOf(f.Prep, ix.Book.PreparationWords(), "body.facts.preparation", -1, "preparation", bad)
	}
	for i, h := range f.Habitats {
		c.CheckOneOf(h, ix.Book.HabitatWords(), "body.facts.habitats", i, "habitat", bad)
	}
	for i, tool := range f.Tools {
		c.CheckOneOf(tool, ix.Book.ToolWords(), "body.facts.tools", i, "tool", bad)
	}
	for i, id := range f.Recalled {
		if _, ok := ix.TaxonAt(id); !ok {
			bad.Add("body.facts.recalled"+records.Index(i), "no-such-entry", id)
		}
	}
	if f.Target == "" {
		return
	}
	t, ok := ix.TaxonAt(f.Target)
	if !ok {
		var known []string
		for i := range ix.Book.Taxa {
			known = append(known, ix.Book.Taxa[i].ID)
		}
		c.CheckOneOf(f.Target, known, "body.facts.target", -1, "taxon", bad)
		return
	}
	f.Kingdom = ix.Book.Taxa[t].Kingdom.String()
}

func (c *Service) checkStages(stages []string, path string, bad *records.Invalid) {
	for i, s := range stages {
		c.CheckOneOf(s, guide.Words("stage"), path, i, "stage", bad)
	}
}
