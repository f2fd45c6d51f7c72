package httpapi

import (
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/casebook"
	"zestythicket/report"
)

// FindID names a find in a path.
type FindID struct {
	ID string `path:"id" maxLength:"40"`
}

// FindLine is a find in the list.
type FindLine struct {
	ID     string           `json:"id"`
	Title  string           `json:"title"`
	Place  string           `json:"place"`
	Day    string           `json:"day"`
	Intent string           `json:"intent"`
	Target *report.TaxonRef `json:"target,omitempty"`
	Word   string           `json:"word" doc:"The verdict of the first specimen"`
	Open   int              `json:"open" doc:"Obligations still open"`
	Count  int              `json:"count" doc:"Specimens"`
	Held   bool             `json:"held"`
	Aside  string           `json:"aside,omitempty" doc:"Why it can't be read; Title is what it says"`
}

func (s *Server) findRoutes(api huma.API) {
	huma.Get(api, "/api/finds", answer(func(*struct{}) ([]FindLine, error) { return s.findLines() }))
	huma.Get(api, "/api/finds/{id}", answer(func(in *FindID) (*casebook.View, error) { return s.book.View(in.ID) }))
	huma.Get(api, "/api/rejudged", answer(func(*struct{}) ([]casebook.Rejudged, error) { return s.book.Rejudge() }))
	limit := func(o *huma.Operation) { o.MaxBodyBytes, o.DefaultStatus = maxBody, http.StatusOK }
	huma.Post(api, "/api/finds", answer(func(in *struct{ Body casebook.Begin }) (*casebook.View, error) { return s.book.Begin(&in.Body) }), limit)
	huma.Post(api, "/api/finds/{id}/log", answer(func(in *struct {
		FindID
		Body casebook.NewLine
	}) (*casebook.View, error) {
		return s.book.Append(in.ID, &in.Body)
	}), limit)
	huma.Put(api, "/api/finds/{id}/facts", answer(func(in *struct {
		FindID
		Body casebook.Facts
	}) (*casebook.View, error) {
		return s.book.SetFacts(in.ID, &in.Body)
	}), limit)
	huma.Post(api, "/api/finds/{id}/specimens", answer(func(in *struct {
		FindID
		Body casebook.Specimen
	}) (*casebook.View, error) {
		return s.book.AddSpecimen(in.ID, &in.Body)
	}), limit)
	huma.Put(api, "/api/finds/{id}/specimens/{specimen}/count", answer(func(in *struct {
		FindID
		Specimen string `path:"specimen" maxLength:"20"`
		Body     struct {
			Was    int  `json:"was,omitempty" minimum:"0" maximum:"100000" doc:"How many the screen knew; others counted meanwhile are a conflict"`
			Count  int  `json:"count" minimum:"0" maximum:"100000"`
			Picked *int `json:"picked,omitempty" minimum:"0" maximum:"100000" doc:"Items in the basket now"`
		}
	}) (*casebook.View, error) {
		picked := -1
		if in.Body.Picked != nil {
			picked = *in.Body.Picked
		}
		return s.book.CountSpecimen(in.ID, in.Specimen, in.Body.Was, in.Body.Count, picked)
	}), limit)
	type wait struct {
		FindID
		Specimen string `path:"specimen" maxLength:"20"`
		Trait    string `path:"trait" maxLength:"60"`
	}
	huma.Put(api, "/api/finds/{id}/specimens/{specimen}/waits/{trait}", answer(func(in *wait) (*casebook.View, error) {
		return s.book.StartWait(in.ID, in.Specimen, in.Trait)
	}))
	huma.Delete(api, "/api/finds/{id}/specimens/{specimen}/waits/{trait}", answer(func(in *wait) (*casebook.View, error) {
		return s.book.EndWait(in.ID, in.Specimen, in.Trait)
	}), limit)
}

func (s *Server) findLines() ([]FindLine, error) {
	views, aside := s.book.Finds()
	out := []FindLine{}
	for i := range views {
		v := &views[i]
		l := FindLine{ID: v.ID, Title: v.Title, Place: v.Place, Day: v.Day, Intent: v.Facts.Intent, Target: v.Target, Count: len(v.Specimens), Held: v.Patch.Held}
		if len(v.Patch.Judgements) > 0 {
			l.Word, l.Open = v.Patch.Judgements[0].Word, len(v.Patch.Judgements[0].Obligations)
		}
		out = append(out, l)
	}
	for _, a := range aside {
		out = append(out, FindLine{ID: a.ID, Title: a.Said, Aside: a.Why})
	}
	return out, nil
}
