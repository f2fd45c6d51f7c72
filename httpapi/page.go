package httpapi

import (
	"bytes"
	"crypto/rand"
	"encoding/base64"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"
)

// page serves the front end: files as they are, everything else the page itself
// with a fresh nonce, since styles are written at run time.
func (s *Server) page(w http.ResponseWriter, r *http.Request) {
	if strings.HasPrefix(r.URL.Path, "/api/") {
		w.Header().Set("Content-Type", "application/problem+json")
		w.WriteHeader(http.StatusNotFound)
		_, _ = w.Write([]byte(`{"title":"Not Found","status":404,"detail":"There is nothing at this address."}`))
		return
	}
	if r.Method != http.MethodGet && r.Method != http.MethodHead {
		http.Error(w, "method not allowed", http.StatusMethodNotAllowed)
		return
	}
	if s.web == nil {
		http.Error(w, "The front end was not built into this program. Run: make build", http.StatusServiceUnavailable)
		return
	}
	name := strings.TrimPrefix(path.Clean(r.URL.Path), "/")
	if info, err := fs.Stat(s.web, name); name != "" && name != "index.html" && err == nil && !info.IsDir() {
		if strings.HasPrefix(name, "assets/") {
			w.Header().Set("Cache-Control", "public, max-age=31536000, immutable")
		}
		s.file(w, r, name)
		return
	}
	if strings.HasPrefix(name, "assets/") {
		http.NotFound(w, r)
		return
	}
	index, err := fs.ReadFile(s.web, "index.html")
	if err != nil {
		http.Error(w, "The front end was not built into this program. Run: make build", http.StatusServiceUnavailable)
		return
	}
	var raw [18]byte
	_, _ = rand.Read(raw[:])
	nonce := base64.RawURLEncoding.EncodeToString(raw[:])
	w.Header().Set("Content-Type", "text/html; charset=utf-8")
	w.Header().Set("Cache-Control", "no-store")
	w.Header().Set("Content-Security-Policy", "default-src 'self'; script-src 'self' 'nonce-"+nonce+"'; style-src 'self' 'nonce-"+nonce+"'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'")
	_, _ = w.Write(bytes.ReplaceAll(index, []byte("__NONCE__"), []byte(nonce)))
}

// copies are the compressed copies that the build puts beside a file, the smallest
// first.
var copies = []struct{ coding, end string }{{"br", ".br"}, {"gzip", ".gz"}}

// file serves a built file, or the copy of it that the browser takes.
func (s *Server) file(w http.ResponseWriter, r *http.Request, name string) {
	for _, c := range copies {
		if _, err := fs.Stat(s.web, name+c.end); err != nil {
			continue
		}
		w.Header().Set("Vary", "Accept-Encoding")
		if kind := mime.TypeByExtension(path.Ext(name)); kind != "" && takes(r, c.coding) {
			w.Header().Set("Content-Encoding", c.coding)
			w.Header().Set("Content-Type", kind)
			http.ServeFileFS(w, r, s.web, name+c.end)
			return
		}
	}
	http.ServeFileFS(w, r, s.web, name)
}

// takes reports whether a coding stands in Accept-Encoding without being refused
// (RFC 9110, 12.5.3).
func takes(r *http.Request, coding string) bool {
	for _, part := range strings.Split(r.Header.Get("Accept-Encoding"), ",") {
		name, q, _ := strings.Cut(strings.TrimSpace(part), ";")
		if strings.TrimSpace(name) == coding {
			return !strings.HasPrefix(strings.ReplaceAll(q, " ", ""), "q=0") || strings.Trim(strings.ReplaceAll(q, " ", ""), "q=0.") != ""
		}
	}
	return false
}
