package httpapi

import (
	"bytes"
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/agenda"
	"zestythicket/exchange/track"
	"zestythicket/ground"
)

// NoteID names a record in a path.
type NoteID struct {
	ID string `path:"id" pattern:"^[a-z0-9-]{1,90}$"`
}

// Stored says that something was stored or removed.
type Stored struct {
	ID string `json:"id"`
}

const fileBytes = track.MostBytes + 1

func (s *Server) groundRoutes(api huma.API) {
	ok := func(o *huma.Operation) { o.DefaultStatus = http.StatusOK }
	big := func(o *huma.Operation) { o.DefaultStatus, o.MaxBodyBytes = http.StatusOK, fileBytes }
	huma.Get(api, "/api/places", answer(s, func(a *app.App, _ *struct{}) ([]ground.Place, error) { return a.Ground.Places() }))
	huma.Get(api, "/api/places/{id}", answer(s, func(a *app.App, in *NoteID) (*ground.Place, error) { return a.Ground.Place(in.ID) }))
	huma.Put(api, "/api/places/{id}", answer(s, func(a *app.App, in *struct {
		NoteID
		Body ground.Place
	}) (*ground.Place, error) {
		in.Body.ID = in.ID
		return a.Ground.SavePlace(&in.Body)
	}), big)
	huma.Put(api, "/api/places/{id}/weather", answer(s, func(a *app.App, in *struct {
		NoteID
		Partly  bool   `query:"partly" doc:"Store the good part of a file with problems"`
		RawBody []byte `contentType:"application/octet-stream"`
	}) (*ground.Imported, error) {
		return a.Ground.ImportWeather(in.ID, in.RawBody, in.Partly)
	}), big)
	huma.Post(api, "/api/tracks", answer(s, func(a *app.App, in *struct {
		RawBody []byte `contentType:"application/octet-stream"`
	}) (*ground.Imported, error) {
		return a.Ground.ReadTrack(in.RawBody)
	}), big)
	huma.Get(api, "/api/receiver", answer(s, func(a *app.App, _ *struct{}) ([]track.TrackPoint, error) { return track.Simulated(), nil }))
	huma.Post(api, "/api/ring", answer(s, func(a *app.App, in *struct{ Body ground.Marked }) (*ground.RingOut, error) {
		return ground.RingThrough(&in.Body)
	}), ok)
	huma.Post(api, "/api/patterns", answer(s, func(a *app.App, in *struct{ Body ground.Marked }) (*ground.PatternsOut, error) {
		return ground.PatternsOf(&in.Body), nil
	}), ok)
	huma.Get(api, "/api/places/{id}/cues", answer(s, func(a *app.App, in *struct {
		NoteID
		Day string `query:"day" maxLength:"10"`
	}) ([]ground.Cue, error) {
		return a.Ground.Cues(in.ID, in.Day)
	}))
	huma.Get(api, "/api/year", answer(s, func(a *app.App, in *struct {
		Place string   `query:"place" maxLength:"40"`
		Taxa  []string `query:"taxon,explode" maxItems:"200"`
		Day   string   `query:"day" maxLength:"10"`
	}) (*ground.Year, error) {
		return a.Ground.YearAt(in.Place, in.Taxa, in.Day)
	}))
	keep := func(id string, err error) (*Stored, error) { return &Stored{id}, err }
	huma.Put(api, "/api/seen/{id}", answer(s, func(a *app.App, in *struct {
		NoteID
		Body ground.Seen
	}) (*Stored, error) {
		in.Body.ID = in.ID
		return keep(in.ID, a.Ground.SaveSeen(&in.Body))
	}))
	huma.Put(api, "/api/fixed/{id}", answer(s, func(a *app.App, in *struct {
		NoteID
		Body ground.Fixed
	}) (*Stored, error) {
		in.Body.ID = in.ID
		return keep(in.ID, a.Ground.SaveFixed(&in.Body))
	}))
	huma.Put(api, "/api/signs/{id}", answer(s, func(a *app.App, in *struct {
		NoteID
		Body ground.Sign
	}) (*Stored, error) {
		in.Body.ID = in.ID
		return keep(in.ID, a.Ground.SaveSign(&in.Body))
	}))
	for path, kind := range map[string]string{"seen": "seen", "fixed": "fixed", "signs": "sign"} {
		huma.Delete(api, "/api/"+path+"/{id}", answer(s, func(a *app.App, in *NoteID) (*Stored, error) { return keep(in.ID, a.Ground.Forget(kind, in.ID)) }), ok)
	}
	huma.Get(api, "/api/walks", answer(s, func(a *app.App, _ *struct{}) ([]ground.Walk, error) { return a.Ground.Walks() }))
	huma.Get(api, "/api/walks/{id}", answer(s, func(a *app.App, in *NoteID) (*ground.Outlook, error) { return a.Ground.Outlook(in.ID) }))
	huma.Put(api, "/api/walks/{id}", answer(s, func(a *app.App, in *struct {
		NoteID
		Body ground.Walk
	}) (*ground.Outlook, error) {
		in.Body.ID = in.ID
		return a.Ground.SaveWalk(&in.Body)
	}))
	huma.Get(api, "/api/today", answer(s, func(a *app.App, _ *struct{}) (*agenda.Today, error) { return a.Agenda.Today() }))
	huma.Get(api, "/api/reminders", func(ctx context.Context, _ *struct{}) (*photoFile, error) {
		var b bytes.Buffer
		if err := s.book.With(ctx).Agenda.Reminders(&b); err != nil {
			return nil, problem(err)
		}
		return &photoFile{"text/calendar; charset=utf-8", "no-store", `attachment; filename="zesty-thicket.ics"`, b.Bytes()}, nil
	})
}
