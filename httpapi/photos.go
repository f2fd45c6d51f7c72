package httpapi

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/exchange/photo"
	"zestythicket/finds"
)

// PhotoID names a picture of a find in a path.
type PhotoID struct {
	FindID
	Photo string `path:"photo" pattern:"^[a-z0-9-]{6,40}$"`
}

type photoFile struct {
	ContentType  string `header:"Content-Type"`
	CacheControl string `header:"Cache-Control"`
	Disposition  string `header:"Content-Disposition"`
	Body         []byte
}

func (s *Server) photoRoutes(api huma.API) {
	huma.Put(api, "/api/finds/{id}/photos/{photo}", answer(s, func(a *app.App, in *struct {
		PhotoID
		Specimen string `query:"specimen" maxLength:"20" required:"true"`
		Part     string `query:"part" maxLength:"20"`
		RawBody  []byte `contentType:"application/octet-stream"`
	}) (*finds.View, error) {
		return a.Finds.AddPhoto(in.ID, in.Photo, in.Specimen, in.Part, in.RawBody)
	}), func(o *huma.Operation) { o.MaxBodyBytes, o.DefaultStatus = photo.MaxBytes+1, http.StatusOK })
	huma.Delete(api, "/api/finds/{id}/photos/{photo}", answer(s, func(a *app.App, in *PhotoID) (*finds.View, error) {
		return a.Finds.RemovePhoto(in.ID, in.Photo)
	}), func(o *huma.Operation) { o.DefaultStatus = http.StatusOK })
	huma.Get(api, "/api/finds/{id}/photos/{photo}", func(ctx context.Context, in *PhotoID) (*photoFile, error) {
		mime, file, err := s.book.With(ctx).Finds.Photo(in.ID, in.Photo)
		if err != nil {
			return nil, problem(err)
		}
		return &photoFile{mime, "private, no-store", `inline; filename="find-photo"`, file}, nil
	})
}
