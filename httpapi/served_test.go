package httpapi

import (
	"net/http/httptest"
	"testing"
	"testing/fstest"
)

// A built file is sent in the smallest copy that the browser takes, and as it is to one
// that takes none. Where the coding is refused by name it is not sent.
func TestCompressedCopies(t *testing.T) {
	h := New(newRig(t).book, fstest.MapFS{"index.html": {Data: []byte("page")}, "assets/a.js": {Data: []byte("as it is")}, "assets/a.js.br": {Data: []byte("br")}, "assets/a.js.gz": {Data: []byte("gz")}, "assets/b.woff2": {Data: []byte("font")}})
	for _, c := range []struct{ path, accept, coding, body string }{
		{"/assets/a.js", "gzip, deflate, br", "br", "br"},
		{"/assets/a.js", "gzip;q=1.0, br;q=0", "gzip", "gz"},
		{"/assets/a.js", "gzip; q=0.5", "gzip", "gz"},
		{"/assets/a.js", "identity", "", "as it is"},
		{"/assets/a.js", "gzip;q=0, br;q=0.0", "", "as it is"},
		{"/assets/a.js", "", "", "as it is"},
		{"/assets/b.woff2", "br", "", "font"},
	} {
		req := httptest.NewRequest("GET", "http://127.0.0.1:7878"+c.path, nil)
		req.Header.Set("Accept-Encoding", c.accept)
		w := httptest.NewRecorder()
		h.ServeHTTP(w, req)
		if w.Code != 200 || w.Body.String() != c.body || w.Header().Get("Content-Encoding") != c.coding {
			t.Errorf("%s for %q: %d %q in %q", c.path, c.accept, w.Code, w.Body, w.Header().Get("Content-Encoding"))
		}
		if kind := w.Header().Get("Content-Type"); c.path == "/assets/a.js" && kind != "text/javascript; charset=utf-8" {
			t.Errorf("%s for %q is called %q", c.path, c.accept, kind)
		}
	}
}
