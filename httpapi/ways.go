package httpapi

import (
	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/finds"
	"zestythicket/report"
)

// SpecimenID names a specimen of a find in a path.
type SpecimenID struct {
	FindID
	Specimen string `path:"specimen" maxLength:"20"`
}

// wayRoutes are the other ways of looking at one store of evidence.
func (s *Server) wayRoutes(api huma.API) {
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/key", answer(s, func(a *app.App, in *SpecimenID) (report.Key, error) {
		return a.Finds.Key(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/checklist", answer(s, func(a *app.App, in *SpecimenID) (report.Checklist, error) {
		return a.Finds.Checklist(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/likenesses", answer(s, func(a *app.App, in *SpecimenID) ([]report.Likeness, error) {
		return a.Finds.Likenesses(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/exclusions/{taxon}", answer(s, func(a *app.App, in *struct {
		SpecimenID
		Taxon string `path:"taxon" maxLength:"80"`
	}) (*report.Entry, error) {
		return a.Finds.Exclusion(in.ID, in.Specimen, in.Taxon)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/history", answer(s, func(a *app.App, in *SpecimenID) ([]finds.Turn, error) {
		return a.Finds.History(in.ID, in.Specimen)
	}))
}
