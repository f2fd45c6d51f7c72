package httpapi

import (
	"encoding/json"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/people"
)

// Person is someone who uses this database.
type Person struct {
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	Profile people.Profile `json:"profile"`
	Rev     int64            `json:"rev"`
}

func (s *Server) peopleRoutes(api huma.API) {
	huma.Get(api, "/api/people", answer(func(*struct{}) ([]Person, error) { return s.people() }))
	huma.Put(api, "/api/people/{id}", answer(func(in *struct {
		ID   string `path:"id" pattern:"^[a-z0-9-]{1,40}$"`
		Body struct {
			Name    string           `json:"name" maxLength:"80"`
			Profile people.Profile `json:"profile"`
			Rev     int64            `json:"rev,omitempty" doc:"The revision that the screen knew; 0 for somebody new"`
		}
	}) (*Person, error) {
		if err := s.book.People.SavePerson(in.ID, in.Body.Name, &in.Body.Profile, in.Body.Rev); err != nil {
			return nil, err
		}
		p, err := s.book.Store.Person(in.ID)
		if err != nil {
			return nil, err
		}
		return &Person{in.ID, in.Body.Name, in.Body.Profile, p.Rev}, nil
	}))
}

func (s *Server) people() ([]Person, error) {
	rows, err := s.book.Store.People()
	if err != nil {
		return nil, err
	}
	out := []Person{}
	for _, r := range rows {
		p := Person{ID: r.ID, Name: r.Name, Rev: r.Rev}
		if err := json.Unmarshal([]byte(r.Profile), &p.Profile); err != nil {
			continue // set aside; the page of the data lists it
		}
		out = append(out, p)
	}
	return out, nil
}
