package finds

import (
	"slices"

	"zestythicket/guide"
	"zestythicket/report"
	"zestythicket/words"
)

// Differs is a trait that was read one way in the field and another at the table.
type Differs struct {
	Trait report.TraitRef `json:"trait"`
	Field string          `json:"field"`
	Home  string          `json:"home"`
	Sound bool            `json:"sound" doc:"Both were sound: it holds the bag until it is settled"`
}

// Second is the second look at home beside the first.
type Second struct {
	Field   string    `json:"field" doc:"Id of the find"`
	Home    string    `json:"home,omitempty" doc:"Id of the second look; empty when none was begun"`
	Person  string    `json:"person,omitempty" doc:"Who makes it"`
	Same    bool      `json:"same" doc:"The same person made both"`
	Verdict string    `json:"verdict,omitempty"`
	Differs []Differs `json:"differs"`
	Added   []string  `json:"added" doc:"What was looked at only at home"`
	Missing []string  `json:"missing" doc:"What was seen soundly in the field and not looked at again"`
	Asked   []Asked   `json:"asked" doc:"What a second look has to add"`
	Ready   bool      `json:"ready" doc:"It stands: the bag can be marked"`
	Code    string    `json:"code" enum:"none,unreadable,other-target,disagree,field-open,home-open,too-few,asked,agree" doc:"How it stands"`
	Words   string    `json:"words"`
}

// Asked is something that a second look has to add.
type Asked struct {
	Do     string   `json:"do"`
	Traits []string `json:"traits" doc:"By id: one of these, read soundly"`
	Done   bool     `json:"done"`
}

// asked lists what a second look has to add, and whether it was.
func (c *Service) asked(home *View) []Asked {
	out := []Asked{}
	ix := c.Engine.Index()
	at, ok := ix.TaxonAt(home.Facts.Target)
	if !ok || len(home.Patch.Judgements) == 0 {
		return out
	}
	j := &home.Patch.Judgements[0]
	var stages guide.StageSet
	for _, s := range j.Stages {
		if st, ok := guide.ParseStage(s); ok {
			stages |= guide.NewStageSet(st)
		}
	}
	for _, a := range ix.Book.Kitchen.AsksFor(&ix.Book.Taxa[at], stages) {
		done := slices.ContainsFunc(j.Readings, func(r report.Reading) bool { return r.Soundness == "sound" && slices.Contains(a.Traits, r.Trait.ID) })
		out = append(out, Asked{a.Do, a.Traits, done})
	}
	return out
}

// Second compares the second look at a find with the first.
func (c *Service) Second(find string) (*Second, error) {
	s, err := c.SummaryOf(find)
	if err != nil {
		return nil, err
	}
	return s.Both(), nil
}

// Both is the second look at a find beside the first, or that none was begun.
func (s *Summary) Both() *Second {
	if s.Second != nil {
		return s.Second
	}
	return noSecond(s.ID, "", "none")
}

// secondOf sets the second look at home beside the find.
func (c *Service) secondOf(field, home *View) *Second {
	s := &Second{Field: field.ID, Differs: []Differs{}, Added: []string{}, Missing: []string{}, Asked: []Asked{}}
	s.Home, s.Person, s.Same = home.ID, home.Person, home.Person == field.Person
	compare(s, field, home)
	s.Asked = c.asked(home)
	fieldOK, homeOK := Complete(field), Complete(home)
	if len(home.Patch.Judgements) > 0 {
		s.Verdict = home.Patch.Judgements[0].Verdict
	}
	sound := slices.ContainsFunc(s.Differs, func(d Differs) bool { return d.Sound })
	switch {
	case home.Facts.Target != field.Facts.Target:
		s.Code = "other-target"
	case sound:
		s.Code = "disagree"
	case !fieldOK:
		s.Code = "field-open"
	case !homeOK:
		s.Code = "home-open"
	case c.looksAgain(field, home) < looksAtHome:
		s.Code = "too-few"
	case slices.ContainsFunc(s.Asked, func(a Asked) bool { return !a.Done }):
		s.Code = "asked"
	default:
		s.Ready, s.Code = true, "agree"
	}
	s.Words = words.SecondLook(s.Code, nil)
	return s
}

// noSecond is a second look that is none.
func noSecond(find, home, code string) *Second {
	return &Second{Field: find, Home: home, Differs: []Differs{}, Added: []string{}, Missing: []string{}, Asked: []Asked{}, Code: code, Words: words.SecondLook(code, nil)}
}

// looksAtHome is how many structural looks of the field a second look repeats at
// least (our own cautious default).
const looksAtHome = 2

// looksAgain counts the structural traits that were read soundly in the field and
// again at home.
func (c *Service) looksAgain(field, home *View) int {
	ix := c.Engine.Index()
	sound := map[string]bool{}
	for i := range field.Patch.Judgements[0].Readings {
		if r := &field.Patch.Judgements[0].Readings[i]; r.Soundness == "sound" && !r.Derived {
			sound[r.Trait.ID] = true
		}
	}
	n := 0
	for i := range home.Patch.Judgements[0].Readings {
		r := &home.Patch.Judgements[0].Readings[i]
		at, ok := ix.TraitAt(r.Trait.ID)
		if ok && sound[r.Trait.ID] && r.Soundness == "sound" && !r.Taken && !r.Derived && ix.Book.Traits[at].Class == guide.Structural {
			n++
		}
	}
	return n
}

// Complete: every check is complete on the first specimen, and no other one is to
// be left.
func Complete(v *View) bool {
	ok := false
	for i := range v.Patch.Judgements {
		j := &v.Patch.Judgements[i]
		if j.Verdict == "leave-it" && j.Specimen != AsideSpecimen && !v.Patch.Held {
			return false
		}
		ok = ok || j.Verdict == "checks-complete"
	}
	return ok
}

// compare sets the readings of the first specimen of both side by side.
func compare(s *Second, field, home *View) {
	if len(field.Patch.Judgements) == 0 || len(home.Patch.Judgements) == 0 {
		return
	}
	at := map[string]*report.Reading{}
	for i := range field.Patch.Judgements[0].Readings {
		r := &field.Patch.Judgements[0].Readings[i]
		at[r.Trait.ID] = r
	}
	seen := map[string]bool{}
	for i := range home.Patch.Judgements[0].Readings {
		h := &home.Patch.Judgements[0].Readings[i]
		seen[h.Trait.ID] = true
		f := at[h.Trait.ID]
		switch {
		case h.Derived || h.Taken || h.Soundness == "mute":
		case f == nil || f.Soundness == "mute":
			s.Added = append(s.Added, h.Trait.Name)
		case disagree(f, h):
			s.Differs = append(s.Differs, Differs{h.Trait, f.Words, h.Words, f.Soundness == "sound" && h.Soundness == "sound"})
		}
	}
	for i := range field.Patch.Judgements[0].Readings {
		if r := &field.Patch.Judgements[0].Readings[i]; r.Soundness == "sound" && !r.Derived && !seen[r.Trait.ID] {
			s.Missing = append(s.Missing, r.Trait.Name)
		}
	}
}

// disagree: no state was read both times; measures differ by more than both errors.
func disagree(a, b *report.Reading) bool {
	if a.Unit != "" && b.Unit != "" && (a.Value != 0 || b.Value != 0) {
		return max(a.Value, b.Value)-min(a.Value, b.Value) > a.Error+b.Error && (a.Value-a.Error > b.Value+b.Error || b.Value-b.Error > a.Value+a.Error)
	}
	if len(a.States) == 0 || len(b.States) == 0 {
		return a.Kind != b.Kind
	}
	return !slices.ContainsFunc(a.States, func(s string) bool { return slices.Contains(b.States, s) })
}

// BeginSecond begins a second look at home: the same target and use, nothing
// answered, by whoever makes it.
func (c *Service) BeginSecond(find, id, person string) (*View, error) {
	field, err := c.View(find)
	if err != nil {
		return nil, err
	}
	facts := field.Facts
	facts.SecondOf, facts.Picked, facts.Disposal, facts.Rev = find, 0, nil, 0
	stages := []string{}
	if len(field.Patch.Judgements) > 0 {
		stages = field.Patch.Judgements[0].Stages
	}
	return c.Begin(&Begin{ID: id, Title: "Second look: " + titleOf(field), Place: field.Place, PlaceID: field.PlaceID, Day: c.Now().Format("2006-01-02"), Person: person, Facts: facts, Stages: stages})
}
