package httpapi

import (
	"fmt"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/internal/bounded"
	"zestythicket/reference"
	"zestythicket/report"
)

func (s *Server) guideRoutes(api huma.API) {
	huma.Get(api, "/api/guide", answer(s, func(a *app.App, _ *struct{}) (*reference.GuideInfo, error) {
		info := a.Reference.Guide()
		info.Overlay.Dir = a.Overlay.Dir
		for i, p := range a.Overlay.Problems {
			if i == bounded.Most {
				info.Overlay.Problems = append(info.Overlay.Problems, reference.OverlayProblem{What: fmt.Sprintf("and %d more", len(a.Overlay.Problems)-i)})
				break
			}
			info.Overlay.Problems = append(info.Overlay.Problems, reference.OverlayProblem(p))
		}
		return info, nil
	}))
	huma.Get(api, "/api/audit", answer(s, func(a *app.App, _ *struct{}) ([]report.AuditLine, error) { return a.Reference.AuditHeads(), nil }))
	huma.Get(api, "/api/audit/{id}", answer(s, func(a *app.App, in *struct {
		ID string `path:"id" maxLength:"80"`
	}) ([]report.AuditLine, error) {
		return a.Reference.AuditOf(in.ID)
	}))
	huma.Get(api, "/api/taxa", answer(s, func(a *app.App, in *reference.SearchIn) ([]reference.Hit, error) { return a.Reference.Search(in) }))
	huma.Get(api, "/api/beside", answer(s, func(a *app.App, in *reference.CompareIn) (*reference.Beside, error) { return a.Reference.Beside(in) }))
	huma.Get(api, "/api/taxa/{id}", answer(s, func(a *app.App, in *struct {
		ID string `path:"id" maxLength:"80"`
	}) (*reference.TaxonPage, error) {
		return a.Reference.Entry(in.ID)
	}))
}
