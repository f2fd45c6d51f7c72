package httpapi

import (
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/finds"
	"zestythicket/report"
)

// FindID names a find in a path.
type FindID struct {
	ID string `path:"id" maxLength:"40"`
}

// InHand says which specimen is in the hand: it comes in full, the others in short.
type InHand struct {
	Specimen string `query:"specimen" maxLength:"20" doc:"The specimen in the hand"`
}

// held leaves of a find what the bench shows with one specimen in the hand.
func held(specimen string) func(*finds.View, error) (*finds.View, error) {
	return func(v *finds.View, err error) (*finds.View, error) {
		if err != nil {
			return nil, err
		}
		return v.Hold(specimen), nil
	}
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
	huma.Get(api, "/api/finds", answer(s, findLines))
	huma.Get(api, "/api/finds/{id}", answer(s, func(a *app.App, in *struct {
		FindID
		InHand
	}) (*finds.View, error) {
		if in.Specimen == "" {
			return a.Finds.View(in.ID)
		}
		return a.Finds.Bench(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/rejudged", answer(s, func(a *app.App, _ *struct{}) ([]finds.Rejudged, error) { return a.Finds.Rejudge() }))
	limit := func(o *huma.Operation) { o.MaxBodyBytes, o.DefaultStatus = maxBody, http.StatusOK }
	huma.Post(api, "/api/finds", answer(s, func(a *app.App, in *struct{ Body finds.Begin }) (*finds.View, error) { return a.Finds.Begin(&in.Body) }), limit)
	huma.Post(api, "/api/finds/{id}/log", answer(s, func(a *app.App, in *struct {
		FindID
		Body finds.NewLine
	}) (*finds.View, error) {
		return held(in.Body.Specimen)(a.Finds.Append(in.ID, &in.Body))
	}), limit)
	huma.Put(api, "/api/finds/{id}/facts", answer(s, func(a *app.App, in *struct {
		FindID
		InHand
		Body finds.Facts
	}) (*finds.View, error) {
		return held(in.Specimen)(a.Finds.SetFacts(in.ID, &in.Body))
	}), limit)
	huma.Post(api, "/api/finds/{id}/specimens", answer(s, func(a *app.App, in *struct {
		FindID
		Body finds.Specimen
	}) (*finds.View, error) {
		return held(in.Body.ID)(a.Finds.AddSpecimen(in.ID, &in.Body))
	}), limit)
	huma.Put(api, "/api/finds/{id}/specimens/{specimen}/count", answer(s, func(a *app.App, in *struct {
		FindID
		Specimen string `path:"specimen" maxLength:"20"`
		Hand     string `query:"hand" maxLength:"20" doc:"The specimen in the hand"`
		Body     struct {
			Was    int  `json:"was,omitempty" minimum:"0" maximum:"100000" doc:"How many the screen knew; others counted meanwhile are a conflict"`
			Count  int  `json:"count" minimum:"0" maximum:"100000"`
			Picked *int `json:"picked,omitempty" minimum:"0" maximum:"100000" doc:"Items in the basket now"`
		}
	}) (*finds.View, error) {
		picked := -1
		if in.Body.Picked != nil {
			picked = *in.Body.Picked
		}
		return held(in.Hand)(a.Finds.CountSpecimen(in.ID, in.Specimen, in.Body.Was, in.Body.Count, picked))
	}), limit)
	type wait struct {
		FindID
		Specimen string `path:"specimen" maxLength:"20"`
		Trait    string `path:"trait" maxLength:"60"`
	}
	huma.Put(api, "/api/finds/{id}/specimens/{specimen}/waits/{trait}", answer(s, func(a *app.App, in *wait) (*finds.View, error) {
		return held(in.Specimen)(a.Finds.StartWait(in.ID, in.Specimen, in.Trait))
	}))
	huma.Delete(api, "/api/finds/{id}/specimens/{specimen}/waits/{trait}", answer(s, func(a *app.App, in *wait) (*finds.View, error) {
		return held(in.Specimen)(a.Finds.EndWait(in.ID, in.Specimen, in.Trait))
	}), limit)
}

// FindsIn asks for a part of the list.
type FindsIn struct {
	Q      string `query:"q" maxLength:"200" doc:"Every word stands in the line, with no regard to case and accents"`
	Most   int    `query:"most" default:"100" minimum:"1" maximum:"1000"`
	Offset int    `query:"offset" minimum:"0" maximum:"1000000"`
}

// FindList is a part of the list of finds, the newest first.
type FindList struct {
	Lines   []FindLine     `json:"lines"`
	Of      int            `json:"of" doc:"How many there are that match"`
	Judging finds.Progress `json:"judging" doc:"Finds being judged anew, after the guide has changed; they are not in the list yet"`
}

func findLines(a *app.App, in *FindsIn) (*FindList, error) {
	part := a.Finds.Finds(in.Q, in.Most, in.Offset)
	out := &FindList{Lines: []FindLine{}, Of: part.Of, Judging: part.Judging}
	for i := range part.Finds {
		v := &part.Finds[i]
		out.Lines = append(out.Lines, FindLine{ID: v.ID, Title: v.Title, Place: v.Place, Day: v.Day, Intent: v.Facts.Intent, Target: v.Target, Count: v.Specimens, Held: v.Held, Word: v.Word, Open: v.Open})
	}
	for _, a := range part.Aside {
		out.Lines = append(out.Lines, FindLine{ID: a.ID, Title: a.Said, Aside: a.Why})
	}
	return out, nil
}
