package httpapi

import (
	"log/slog"
	"net"
	"net/http"
	"net/url"
	"runtime/debug"
	"strings"
	"time"

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
		h.Set("Cross-Origin-Opener-Policy", "same-origin")
		if strings.HasPrefix(r.URL.Path, "/api/") {
			// What is removed is removed from the browser's store too.
			h.Set("Cache-Control", "no-store")
			h.Set("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'")
		}
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

// uploadTime is how long a request may take to arrive.
var uploadTime = 2 * time.Minute

// calmly turns a panic of a handler into an answer: nothing that somebody sends
// ends a connection without one.
func calmly(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		defer func() {
			if e := recover(); e != nil {
				slog.Error("a handler panicked", "path", r.URL.Path, "err", e, "stack", string(debug.Stack()))
				w.Header().Set("Content-Type", "application/problem+json")
				w.WriteHeader(http.StatusInternalServerError)
				_, _ = w.Write([]byte(`{"title":"Internal Server Error","status":500,"detail":"Something went wrong here. What was stored before is untouched."}`))
			}
		}()
		next.ServeHTTP(w, r)
	})
}

func limitBody(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		limit := int64(maxBody)
		switch path := r.URL.Path; {
		case strings.Contains(path, "/photos/"):
			limit = photo.MaxBytes + 1
		case strings.HasPrefix(path, "/api/places/"), path == "/api/tracks":
			limit = fileBytes
		case path == "/api/data/backup":
			limit = maxBackup
		}
		r.Body = http.MaxBytesReader(w, r.Body, limit)
		// Whoever sends a byte a second does not hold a connection for hours.
		_ = http.NewResponseController(w).SetReadDeadline(time.Now().Add(uploadTime))
		next.ServeHTTP(w, r)
	})
}
