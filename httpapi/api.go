// Package httpapi serves the program and the guide over HTTP on loopback, and
// the built front end with it. Handlers return errors; problem.go turns them into
// problem+json.
package httpapi

import (
	"bytes"
	"encoding/json"
	"io/fs"
	"net/http"
	"sync"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"

	"zestythicket/app"
)

// Version of the API document.
const Version = "0.1.0"

// maxBody is the greatest body accepted, in bytes.
const maxBody = 64 << 10

// Server is everything behind the address.
type Server struct {
	book *app.App
	web  fs.FS

	// restoring is held while the database is replaced; every other request shares it.
	restoring sync.RWMutex
	data      dataState
}

// New makes the handler. web holds the built front end; it may be nil.
func New(book *app.App, web fs.FS) http.Handler {
	s := &Server{book: book, web: web}
	r := chi.NewRouter()
	r.Use(onlyLoopback, calmly, limitBody, toTheEnd, s.turn)
	s.routes(register(r))
	r.Put("/api/data/backup", s.putBackup)
	r.NotFound(s.page)
	return r
}

func register(r chi.Router) huma.API {
	// Lists are always sent, empty if need be.
	huma.DefaultArrayNullable = false
	cfg := huma.DefaultConfig("Zesty Thicket", Version)
	cfg.OpenAPIPath, cfg.DocsPath, cfg.SchemasPath = "/api/openapi", "", ""
	cfg.CreateHooks = nil // no $schema links in answers
	return humachi.New(r, cfg)
}

// OpenAPI gives the API document as JSON without a running server.
func OpenAPI() ([]byte, error) {
	api := register(chi.NewRouter())
	(&Server{}).routes(api)
	doc, err := api.OpenAPI().MarshalJSON()
	if err != nil {
		return nil, err
	}
	var out bytes.Buffer
	err = json.Indent(&out, doc, "", " ")
	return out.Bytes(), err
}

func (s *Server) routes(api huma.API) {
	s.guideRoutes(api)
	s.peopleRoutes(api)
	s.findRoutes(api)
	s.wayRoutes(api)
	s.photoRoutes(api)
	s.groundRoutes(api)
	s.kitchenRoutes(api)
	s.dataRoutes(api)
}
