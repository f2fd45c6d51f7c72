package httpapi

import (
	"bytes"
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/agenda"
	"zestythicket/ground"
	"zestythicket/exchange/track"
)

// NoteID names a record in a path.
type NoteID struct {
	ID string `path:"id" pattern:"^[a-z0-9-]{1,90}$"`
}

// Stored says that something was stored or removed.
type Stored struct {
	ID string `json:"id"`
}

// RingIn are places in which caps or plants were found.
type RingIn struct {
	Points   []ground.Position `json:"points" minItems:"1" maxItems:"500"`
	Accuracy float64             `json:"accuracy,omitempty" minimum:"0" maximum:"1000" doc:"Metres; of a point that says none itself"`
}

const fileBytes = track.MostBytes + 1

func (s *Server) groundRoutes(api huma.API) {
	ok := func(o *huma.Operation) { o.DefaultStatus = http.StatusOK }
	big := func(o *huma.Operation) { o.DefaultStatus, o.MaxBodyBytes = http.StatusOK, fileBytes }
	huma.Get(api, "/api/places", answer(func(*struct{}) ([]ground.Place, error) { return s.book.Ground.Places() }))
	huma.Get(api, "/api/places/{id}", answer(func(in *NoteID) (*ground.Place, error) { return s.book.Ground.Place(in.ID) }))
	huma.Put(api, "/api/places/{id}", answer(func(in *struct {
		NoteID
		Body ground.Place
	}) (*ground.Place, error) {
		in.Body.ID = in.ID
		return s.book.Ground.SavePlace(&in.Body)
	}), big)
	huma.Put(api, "/api/places/{id}/weather", answer(func(in *struct {
		NoteID
		Partly  bool   `query:"partly" doc:"Store the good part of a file with problems"`
		RawBody []byte `contentType:"application/octet-stream"`
	}) (*ground.Imported, error) {
		return s.book.Ground.ImportWeather(in.ID, in.RawBody, in.Partly)
	}), big)
	huma.Post(api, "/api/tracks", answer(func(in *struct {
		RawBody []byte `contentType:"application/octet-stream"`
	}) (*ground.Imported, error) {
		return s.book.Ground.ReadTrack(in.RawBody)
	}), big)
	huma.Get(api, "/api/receiver", answer(func(*struct{}) ([]track.TrackPoint, error) { return track.Simulated(), nil }))
	huma.Post(api, "/api/ring", answer(func(in *struct{ Body RingIn }) (*RingOut, error) { return ringOf(&in.Body) }), ok)
	huma.Post(api, "/api/patterns", answer(func(in *struct{ Body RingIn }) (*PatternsOut, error) { return patternsOf(&in.Body), nil }), ok)
	huma.Get(api, "/api/places/{id}/cues", answer(func(in *struct {
		NoteID
		Day string `query:"day" maxLength:"10"`
	}) ([]ground.Cue, error) {
		return s.book.Ground.Cues(in.ID, in.Day)
	}))
	huma.Get(api, "/api/year", answer(func(in *struct {
		Place string   `query:"place" maxLength:"40"`
		Taxa  []string `query:"taxon,explode" maxItems:"200"`
		Day   string   `query:"day" maxLength:"10"`
	}) (*ground.Year, error) {
		return s.book.Ground.YearAt(in.Place, in.Taxa, in.Day)
	}))
	keep := func(id string, err error) (*Stored, error) { return &Stored{id}, err }
	huma.Put(api, "/api/seen/{id}", answer(func(in *struct {
		NoteID
		Body ground.Seen
	}) (*Stored, error) {
		in.Body.ID = in.ID
		return keep(in.ID, s.book.Ground.SaveSeen(&in.Body))
	}))
	huma.Put(api, "/api/fixed/{id}", answer(func(in *struct {
		NoteID
		Body ground.Fixed
	}) (*Stored, error) {
		in.Body.ID = in.ID
		return keep(in.ID, s.book.Ground.SaveFixed(&in.Body))
	}))
	huma.Put(api, "/api/signs/{id}", answer(func(in *struct {
		NoteID
		Body ground.Sign
	}) (*Stored, error) {
		in.Body.ID = in.ID
		return keep(in.ID, s.book.Ground.SaveSign(&in.Body))
	}))
	for path, kind := range map[string]string{"seen": "seen", "fixed": "fixed", "signs": "sign"} {
		huma.Delete(api, "/api/"+path+"/{id}", answer(func(in *NoteID) (*Stored, error) { return keep(in.ID, s.book.Ground.Forget(kind, in.ID)) }), ok)
	}
	huma.Get(api, "/api/walks", answer(func(*struct{}) ([]ground.Walk, error) { return s.book.Ground.Walks() }))
	huma.Get(api, "/api/walks/{id}", answer(func(in *NoteID) (*ground.Outlook, error) { return s.book.Ground.Outlook(in.ID) }))
	huma.Put(api, "/api/walks/{id}", answer(func(in *struct {
		NoteID
		Body ground.Walk
	}) (*ground.Outlook, error) {
		in.Body.ID = in.ID
		return s.book.Ground.SaveWalk(&in.Body)
	}))
	huma.Get(api, "/api/today", answer(func(*struct{}) (*agenda.Today, error) { return s.book.Agenda.Today() }))
	huma.Get(api, "/api/reminders", func(context.Context, *struct{}) (*photoFile, error) {
		var b bytes.Buffer
		if err := s.book.Agenda.Reminders(&b); err != nil {
			return nil, problem(err)
		}
		return &photoFile{"text/calendar; charset=utf-8", "no-store", `attachment; filename="zesty-thicket.ics"`, b.Bytes()}, nil
	})
}
