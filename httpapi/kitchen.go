package httpapi

import (
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/agenda"
	"zestythicket/finds"
	"zestythicket/incidents"
	"zestythicket/kitchen"
	"zestythicket/people"
)

// LotID names a bag or batch in a path.
type LotID struct {
	ID string `path:"id" pattern:"^[A-Z0-9-]{1,20}$"`
}

// ArithmeticIn asks for plain arithmetic of a recipe or formula.
type ArithmeticIn struct {
	Kind string `query:"kind" enum:"scale,share,ratio" required:"true" doc:"scale: amount × to ÷ from; share: so many per cent of an amount; ratio: weight to volume, 1 to n"`
	A    string `query:"a" required:"true"`
	B    string `query:"b" required:"true"`
	C    string `query:"c"`
}

func (s *Server) kitchenRoutes(api huma.API) {
	ok := func(o *huma.Operation) { o.MaxBodyBytes, o.DefaultStatus = maxBody, http.StatusOK }
	huma.Get(api, "/api/kitchen", answer(s, func(a *app.App, in *struct {
		Q    string `query:"q" maxLength:"200" doc:"Every word stands in the line"`
		Most int    `query:"most" default:"30" minimum:"1" maximum:"20000" doc:"Of the lots of which nothing is left"`
	}) (*kitchen.Kitchen, error) {
		return a.Kitchen.Kitchen(in.Q, in.Most)
	}))
	huma.Post(api, "/api/kitchen", answer(s, func(a *app.App, in *struct{ Body kitchen.KitchenAct }) (*kitchen.Cooked, error) {
		return a.Kitchen.RecordAct(&in.Body)
	}), ok)
	huma.Get(api, "/api/lots/{id}", answer(s, func(a *app.App, in *LotID) (*kitchen.TraceView, error) { return a.Kitchen.Trace(in.ID) }))
	huma.Get(api, "/api/arithmetic", answer(s, func(a *app.App, in *ArithmeticIn) (*kitchen.Sum, error) {
		return kitchen.Arithmetic(in.Kind, in.A, in.B, in.C)
	}))
	huma.Get(api, "/api/finds/{id}/second", answer(s, func(a *app.App, in *FindID) (*finds.Second, error) { return a.Finds.Second(in.ID) }))
	huma.Post(api, "/api/finds/{id}/second", answer(s, func(a *app.App, in *struct {
		FindID
		Body struct {
			ID     string `json:"id" pattern:"^[a-z0-9-]{6,40}$" doc:"Of the second look; given by the client"`
			Person string `json:"person,omitempty"`
		}
	}) (*finds.View, error) {
		return a.Finds.BeginSecond(in.FindID.ID, in.Body.ID, in.Body.Person)
	}), ok)
	huma.Get(api, "/api/finds/{id}/amount", answer(s, func(a *app.App, in *FindID) (*kitchen.HowMuch, error) { return a.Kitchen.HowMuch(in.ID) }))
	huma.Put(api, "/api/finds/{id}/amount", answer(s, func(a *app.App, in *struct {
		FindID
		Body kitchen.HereNow
	}) (*kitchen.HowMuch, error) {
		return a.Kitchen.SaveStand(in.ID, &in.Body)
	}))
	huma.Put(api, "/api/finds/{id}/sorted", answer(s, func(a *app.App, in *struct {
		FindID
		Body struct {
			Counts map[string]int `json:"counts" doc:"Pieces by band of quality; those left are counted too"`
			Rev    int64          `json:"rev,omitempty" doc:"The revision of the counts that the screen knew"`
		}
	}) (*kitchen.HowMuch, error) {
		return a.Kitchen.SortInto(in.ID, in.Body.Counts, in.Body.Rev)
	}))
	huma.Get(api, "/api/settings", answer(s, func(a *app.App, _ *struct{}) (*people.Settings, error) { return a.People.Settings() }))
	huma.Put(api, "/api/settings", answer(s, func(a *app.App, in *struct{ Body people.Settings }) (*people.Settings, error) {
		return a.People.SaveSettings(&in.Body)
	}))
	huma.Delete(api, "/api/people/{id}", answer(s, func(a *app.App, in *struct {
		ID string `path:"id" pattern:"^[a-z0-9-]{1,40}$"`
	}) (*Stored, error) {
		return &Stored{in.ID}, a.Kitchen.RemovePerson(in.ID)
	}), ok)
	huma.Get(api, "/api/journal", answer(s, func(a *app.App, in *struct {
		Q    string `query:"q" maxLength:"200"`
		Most int    `query:"most" default:"200" minimum:"1" maximum:"2000"`
	}) (*agenda.Journal, error) {
		return a.Agenda.Journal(in.Q, in.Most)
	}))
	s.incidentRoutes(api, ok)
}

func (s *Server) incidentRoutes(api huma.API, ok func(*huma.Operation)) {
	huma.Get(api, "/api/incidents", answer(s, func(a *app.App, _ *struct{}) ([]incidents.Incident, error) { return a.Incidents.Incidents() }))
	huma.Get(api, "/api/incidents/{id}", answer(s, func(a *app.App, in *NoteID) (*incidents.IncidentView, error) { return a.Incidents.Incident(in.ID) }))
	huma.Put(api, "/api/incidents/{id}", answer(s, func(a *app.App, in *struct {
		NoteID
		Body incidents.Incident
	}) (*incidents.IncidentView, error) {
		in.Body.ID = in.ID
		return a.Incidents.SaveIncident(&in.Body)
	}), ok)
	huma.Get(api, "/api/aid", answer(s, func(a *app.App, _ *struct{}) (*incidents.FirstAid, error) { return a.Incidents.FirstAid() }))
}
