package httpapi

import (
	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/people"
)

func (s *Server) peopleRoutes(api huma.API) {
	huma.Get(api, "/api/people", answer(s, func(a *app.App, _ *struct{}) ([]people.Person, error) { return a.People.People() }))
	huma.Put(api, "/api/people/{id}", answer(s, func(a *app.App, in *struct {
		ID   string `path:"id" pattern:"^[a-z0-9-]{1,40}$"`
		Body struct {
			Name    string         `json:"name" maxLength:"80"`
			Profile people.Profile `json:"profile"`
			Rev     int64          `json:"rev,omitempty" doc:"The revision that the screen knew; 0 for somebody new"`
		}
	}) (*people.Person, error) {
		if err := a.People.SavePerson(in.ID, in.Body.Name, &in.Body.Profile, in.Body.Rev); err != nil {
			return nil, err
		}
		return a.People.Person(in.ID)
	}))
}
