package people

import (
	"slices"
	"strconv"
	"strings"

	"zestythicket/evidence"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
)

// olderFacts are words that an earlier form stored and that no caution of the
// guide ever met.
var olderFacts = map[string]string{
	"carrot-family-allergy": evidence.AllergyPrefix + "carrot-family", "latex-fruit-allergy": evidence.AllergyPrefix + "latex", "blood-thinner": "medicine:blood-thinners",
}

// SavePerson checks and stores a person of whom the asking screen knew a revision;
// 0 is for somebody new.
func (c *Service) SavePerson(id, name string, p *Profile, rev int64) error {
	bad := &records.Invalid{}
	if strings.TrimSpace(name) == "" {
		bad.Add("body.name", "no-name")
	}
	for i, t := range p.Answered {
		c.CheckOneOf(t, evidence.HealthTopics, "body.profile.answered", i, "health topic", bad)
	}
	var groups []string
	for _, g := range c.Engine.Index().Book.HardGroups {
		groups = append(groups, g.ID)
	}
	for i, s := range p.SignOffs {
		if !c.CheckOneOf(s.Group, groups, "body.profile.signOffs", i, "hard group", bad) {
			continue
		}
		g := c.Engine.Index().Book.HardGroups[slices.Index(groups, s.Group)]
		for _, what := range s.Covered {
			c.CheckOneOf(what, g.Covers, "body.profile.signOffs["+strconv.Itoa(i)+"].covered", -1, "part of "+g.ID, bad)
		}
		for _, d := range s.Dangers {
			c.CheckOneOf(d, c.Engine.Index().Book.DangersOf(g.ID), "body.profile.signOffs["+strconv.Itoa(i)+"].dangers", -1, "dangerous entry of "+g.ID, bad)
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
				bad.Add("body.profile.facts["+strconv.Itoa(i)+"]", "allergy-to-nothing")
			}
			continue
		}
		c.CheckOneOf(f, facts, "body.profile.facts", i, "fact", bad)
	}
	if err := bad.OrNil(); err != nil {
		return err
	}
	return c.Store.ChangePerson(id, func(was *store.Person) (*store.Person, error) {
		now := &store.Person{ID: id, Name: strings.TrimSpace(name), Profile: store.JSON(p), CreatedMS: c.Now().UnixMilli()}
		if was == nil {
			return now, nil
		}
		now.CreatedMS = was.CreatedMS
		if was.Name == now.Name && was.Profile == now.Profile {
			return nil, nil // sent again
		}
		if was.Rev != rev {
			stored := &Profile{}
			if err := records.Decode(was.Profile, stored); err != nil {
				return nil, err
			}
			return nil, &records.Conflict{Code: "person-changed", Now: PersonNow{was.Name, *stored, was.Rev}}
		}
		return now, nil
	})
}

// PersonNow is a person as they are stored.
type PersonNow struct {
	Name    string  `json:"name"`
	Profile Profile `json:"profile"`
	Rev     int64   `json:"rev"`
}

// Person is someone who uses this database.
type Person struct {
	ID      string  `json:"id"`
	Name    string  `json:"name"`
	Profile Profile `json:"profile"`
	Rev     int64   `json:"rev"`
}

// People lists everyone whose profile can be read, the first in front.
func (c *Service) People() ([]Person, error) {
	rows, err := c.Store.People()
	if err != nil {
		return nil, err
	}
	out := []Person{}
	for i := range rows {
		if p, err := personOf(&rows[i]); err == nil {
			out = append(out, *p) // others are set aside; the page of the data lists them
		}
	}
	return out, nil
}

// Person is one person.
func (c *Service) Person(id string) (*Person, error) {
	row, err := c.Store.Person(id)
	if err != nil {
		return nil, err
	}
	return personOf(row)
}

func personOf(row *store.Person) (*Person, error) {
	p := &Person{ID: row.ID, Name: row.Name, Rev: row.Rev}
	return p, records.Decode(row.Profile, &p.Profile)
}
