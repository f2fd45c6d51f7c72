package httpapi

import (
	"github.com/danielgtaylor/huma/v2"

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
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/key", answer(func(in *SpecimenID) (report.Key, error) {
		return s.book.Finds.Key(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/checklist", answer(func(in *SpecimenID) (report.Checklist, error) {
		return s.book.Finds.Checklist(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/likenesses", answer(func(in *SpecimenID) ([]report.Likeness, error) {
		return s.book.Finds.Likenesses(in.ID, in.Specimen)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/exclusions/{taxon}", answer(func(in *struct {
		SpecimenID
		Taxon string `path:"taxon" maxLength:"80"`
	}) (*report.Entry, error) {
		return s.book.Finds.Exclusion(in.ID, in.Specimen, in.Taxon)
	}))
	huma.Get(api, "/api/finds/{id}/specimens/{specimen}/history", answer(func(in *SpecimenID) ([]finds.Turn, error) {
		return s.book.Finds.History(in.ID, in.Specimen)
	}))
}
