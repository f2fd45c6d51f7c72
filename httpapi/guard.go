package httpapi

import (
	"net"
	"net/http"
	"net/url"
	"strings"

	"zestythicket/exchange/photo"
)

// onlyLoopback refuses requests that a web page elsewhere could have made a
// browser send: the Host must be a loopback name, and an Origin must be ours.
func onlyLoopback(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if !loopback(r.Host) {
			refuse(w, "This address answers only to its own machine.")
			return
		}
		if o := r.Header.Get("Origin"); o != "" {
			u, err := url.Parse(o)
			if err != nil || u.Host != r.Host {
				refuse(w, "Requests from other pages are refused.")
				return
			}
		} else if site := r.Header.Get("Sec-Fetch-Site"); r.Method != http.MethodGet && r.Method != http.MethodHead && site != "" && site != "same-origin" {
			refuse(w, "Requests from other pages are refused.")
			return
		}
		h := w.Header()
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Referrer-Policy", "no-referrer")
		h.Set("Cross-Origin-Resource-Policy", "same-origin")
		next.ServeHTTP(w, r)
	})
}

func loopback(host string) bool {
	name, _, err := net.SplitHostPort(host)
	if err != nil {
		name = host
	}
	if name == "localhost" {
		return true
	}
	ip := net.ParseIP(name)
	return ip != nil && ip.IsLoopback()
}

func refuse(w http.ResponseWriter, why string) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(http.StatusForbidden)
	_, _ = w.Write([]byte(`{"title":"Forbidden","status":403,"detail":"` + why + `"}`))
}

func limitBody(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		limit := int64(maxBody)
		switch path := r.URL.Path; {
		case strings.Contains(path, "/photos/"):
			limit = photo.MaxBytes + 1
		case strings.HasPrefix(path, "/api/places/"), path == "/api/tracks":
			limit = fileBytes
		}
		r.Body = http.MaxBytesReader(w, r.Body, limit)
		next.ServeHTTP(w, r)
	})
}
