package casebook

import (
	"errors"
	"slices"
	"strings"
	"time"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
	"zestythicket/report"
	"zestythicket/store"
)

// Begin is what a find is begun with.
type Begin struct {
	ID     string   `json:"id" pattern:"^[a-z0-9-]{6,40}$" doc:"Given by the client, so that a retried request makes one find"`
	Title  string   `json:"title,omitempty" maxLength:"120"`
	Place  string   `json:"place,omitempty" maxLength:"120"`
	Day    string   `json:"day" format:"date"`
	Person string   `json:"person,omitempty"`
	Facts  Facts    `json:"facts"`
	Stages []string `json:"stages,omitempty"`
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
func (c *Casebook) Begin(b *Begin) (*View, error) {
	if v, err := c.View(b.ID); err == nil {
		return v, nil
	} else if !errors.Is(err, store.ErrNotFound) {
		return nil, err
	}
	bad := &Invalid{}
	if _, err := time.Parse("2006-01-02", b.Day); err != nil {
		bad.add("body.day", "write it as 2026-04-12", "%q is not a date", b.Day)
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
			bad.add("body.person", "add a person first", "nobody is known to this database yet")
		} else {
			person = people[0].ID
		}
	}
	if err := bad.orNil(); err != nil {
		return nil, err
	}
	if _, err := c.Store.Person(person); err != nil {
		return nil, err
	}
	now := c.Now().UnixMilli()
	row := &store.Find{ID: b.ID, PersonID: person, Title: strings.TrimSpace(b.Title), PlaceName: strings.TrimSpace(b.Place), Day: b.Day, Facts: store.JSON(b.Facts), CreatedMS: now}
	var events []*store.Event
	if len(b.Stages) > 0 {
		events = append(events, &store.Event{FindID: b.ID, Specimen: FirstSpecimen, Key: "begin-stage", Kind: "staged", Body: store.JSON(Body{Stages: b.Stages}), AtMS: now})
	}
	if err := c.Store.AddFind(row, &store.Specimen{FindID: b.ID, ID: FirstSpecimen, Number: 1}, events...); err != nil {
		return nil, err
	}
	return c.viewAndKeep(row)
}

func (c *Casebook) viewAndKeep(row *store.Find) (*View, error) {
	v, err := c.view(row)
	if err != nil {
		return nil, err
	}
	return v, c.keep(v)
}

// Append adds a line to a find's log and judges it anew.
func (c *Casebook) Append(id string, e *NewLine) (*View, error) {
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	bad := &Invalid{}
	if err := c.checkEntry(row, e, bad); err != nil {
		return nil, err
	}
	if err := bad.orNil(); err != nil {
		return nil, err
	}
	ev := &store.Event{FindID: id, Specimen: e.Specimen, Key: e.Key, Kind: e.Kind, Body: store.JSON(e.Body), AtMS: c.Now().UnixMilli()}
	stored, err := c.Store.Append(ev)
	if err != nil {
		return nil, err
	}
	if a := e.Body.Answer; stored && a != nil { // what was waited for has been read
		if err := c.Store.EndWait(id, e.Specimen, a.Trait); err != nil {
			return nil, err
		}
	}
	return c.viewAndKeep(row)
}

// SetFacts replaces what is known of a find; changing the intent reopens the
// verdict, since everything is judged anew.
func (c *Casebook) SetFacts(id string, f *Facts) (*View, error) {
	bad := &Invalid{}
	c.checkFacts(f, bad)
	if err := bad.orNil(); err != nil {
		return nil, err
	}
	if err := c.Store.SaveFacts(id, store.JSON(f)); err != nil {
		return nil, err
	}
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	return c.viewAndKeep(row)
}

// AddSpecimen adds an individual.
func (c *Casebook) AddSpecimen(id string, sp *Specimen) (*View, error) {
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
			return c.viewAndKeep(row) // the same request sent again
		}
		known = known || s.ID == sp.JoinedTo
	}
	if !known {
		return nil, &Invalid{[]Field{{"body.joinedTo", "there is no specimen " + sp.JoinedTo, "name one of this find"}}}
	}
	if err := c.Store.AddSpecimen(&store.Specimen{FindID: id, ID: sp.ID, Number: len(have) + 1, JoinedTo: sp.JoinedTo, Count: sp.Count}); err != nil {
		return nil, err
	}
	return c.viewAndKeep(row)
}

// CountSpecimen says on how many items, each looked at by itself, the answers of
// a specimen were seen. The heap set aside is begun by counting into it. picked,
// if it is not negative, is how many items the basket holds now.
func (c *Casebook) CountSpecimen(id, specimen string, count, picked int) (*View, error) {
	row, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	err = c.Store.CountSpecimen(id, specimen, count)
	if specimen == AsideSpecimen && errors.Is(err, store.ErrNotFound) {
		var have []store.Specimen
		if have, err = c.Store.Specimens(id); err == nil {
			err = c.Store.AddSpecimen(&store.Specimen{FindID: id, ID: AsideSpecimen, Number: len(have) + 1, Count: count})
		}
	}
	if err != nil {
		return nil, err
	}
	if picked >= 0 {
		var f Facts
		if err := unJSON(row.Facts, &f); err != nil {
			return nil, err
		}
		f.Picked = picked
		row.Facts = store.JSON(f)
		if err := c.Store.SaveFacts(id, row.Facts); err != nil {
			return nil, err
		}
	}
	return c.viewAndKeep(row)
}

// Finds lists all finds, newest first, each as it is judged by today's guide.
func (c *Casebook) Finds() ([]View, error) {
	rows, err := c.Store.Finds()
	if err != nil {
		return nil, err
	}
	out := []View{}
	for i := range rows {
		v, err := c.view(&rows[i])
		if err != nil {
			return nil, err
		}
		out = append(out, *v)
	}
	return out, nil
}

// olderFacts are words that an earlier form stored and that no caution of the
// guide ever met.
var olderFacts = map[string]string{
	"carrot-family-allergy": evidence.AllergyPrefix + "carrot-family", "latex-fruit-allergy": evidence.AllergyPrefix + "latex", "blood-thinner": "medicine:blood-thinners",
}

// SavePerson checks and stores a person.
func (c *Casebook) SavePerson(id, name string, p *Profile) error {
	bad := &Invalid{}
	if strings.TrimSpace(name) == "" {
		bad.add("body.name", "any name will do", "a name is wanted")
	}
	for i, t := range p.Answered {
		c.word(t, evidence.HealthTopics, "body.profile.answered", i, "health topic", bad)
	}
	var groups []string
	for _, g := range c.Engine.Index().Book.HardGroups {
		groups = append(groups, g.ID)
	}
	for i, s := range p.SignOffs {
		if !c.word(s.Group, groups, "body.profile.signOffs", i, "hard group", bad) {
			continue
		}
		g := c.Engine.Index().Book.HardGroups[slices.Index(groups, s.Group)]
		for _, what := range s.Covered {
			c.word(what, g.Covers, "body.profile.signOffs["+itoa(i)+"].covered", -1, "part of "+g.ID, bad)
		}
	}
	var facts []string
	for _, f := range report.PersonFacts(c.Engine.Index().Book) {
		facts = append(facts, f.ID)
	}
	for i, f := range p.Facts {
		if now, ok := olderFacts[f]; ok {
			p.Facts[i], f = now, now
		}
		if to, ok := strings.CutPrefix(f, evidence.AllergyPrefix); ok {
			if strings.TrimSpace(to) == "" || len(to) > 80 {
				bad.add("body.profile.facts["+itoa(i)+"]", "name an entry, a genus or a family", "an allergy to nothing")
			}
			continue
		}
		c.word(f, facts, "body.profile.facts", i, "fact", bad)
	}
	if err := bad.orNil(); err != nil {
		return err
	}
	created := c.Now().UnixMilli()
	if was, err := c.Store.Person(id); err == nil {
		created = was.CreatedMS
	}
	return c.Store.SavePerson(&store.Person{ID: id, Name: strings.TrimSpace(name), Profile: store.JSON(p), CreatedMS: created})
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

// Rejudge judges every find again and lists those whose verdict was stored under
// another guide and has changed.
func (c *Casebook) Rejudge() ([]Rejudged, error) {
	last, err := c.Store.LastVerdicts()
	if err != nil {
		return nil, err
	}
	out := []Rejudged{}
	for _, l := range last {
		row, err := c.Store.Find(l.FindID)
		if err != nil {
			return nil, err
		}
		f, _, err := c.assemble(row)
		if err != nil {
			return nil, err
		}
		was, _ := evidence.ParseVerdict(l.Verdict)
		r := c.Engine.Rejudge(f, l.Specimen, was, l.GuideVersion)
		if r.GuideChanged && r.Was != r.Now {
			out = append(out, Rejudged{l.FindID, row.Title, l.Specimen, r.Was.String(), r.Now.String(), r.GuideChanged, r.NoLongerPasses})
		}
	}
	return out, nil
}

func (c *Casebook) word(w string, known []string, path string, i int, what string, bad *Invalid) bool {
	for _, k := range known {
		if k == w {
			return true
		}
	}
	bad.add(path+at(i), yamlpos.Nearest(w, known), "unknown %s %q", what, w)
	return false
}

func at(i int) string {
	if i < 0 {
		return ""
	}
	return "[" + itoa(i) + "]"
}

func (c *Casebook) checkFacts(f *Facts, bad *Invalid) {
	if d := f.Disposal; d != nil {
		if _, err := time.Parse(time.DateOnly, d.Cut); err != nil {
			bad.add("body.facts.disposal.cut", "write it as 2026-04-12", "%q is not a date", d.Cut)
		}
	}
	ix := c.Engine.Index()
	if f.Target == "" {
		return
	}
	t, ok := ix.TaxonAt(f.Target)
	if !ok {
		var known []string
		for i := range ix.Book.Taxa {
			known = append(known, ix.Book.Taxa[i].ID)
		}
		c.word(f.Target, known, "body.facts.target", -1, "taxon", bad)
		return
	}
	f.Kingdom = ix.Book.Taxa[t].Kingdom.String()
}

func (c *Casebook) checkStages(stages []string, path string, bad *Invalid) {
	for i, s := range stages {
		c.word(s, guide.Words("stage"), path, i, "stage", bad)
	}
}
