package httpapi

import (
	"bytes"
	"math/rand/v2"
	"net/http/httptest"
	"net/url"
	"strings"
	"testing"

	"zestythicket/app"
	"zestythicket/internal/testkit"
	"zestythicket/store"
)

// bodies are addresses that take a body, and what stands in one.
var bodies = []struct{ method, path, body string }{
	{"POST", "/api/finds", `{"id":"fuzz-find","day":"2026-10-16","facts":{"intent":"eat","target":"castanea-sativa","part":"seed","preparation":"cooked"},"stages":["fruit"]}`},
	{"POST", "/api/finds/demo-chestnut/log", `{"key":"fuzz-0001","specimen":"s1","kind":"answered","body":{"answer":{"trait":"leaf-length","kind":"measured","value":12,"error":1}}}`},
	{"PUT", "/api/finds/demo-chestnut/facts", `{"intent":"clear","kingdom":"plant","disposal":{"cut":"2026-10-20","weeks":6},"rev":1}`},
	{"POST", "/api/finds/demo-chestnut/specimens", `{"id":"s2","joinedTo":"s1","count":3}`},
	{"PUT", "/api/finds/demo-chestnut/specimens/s1/count", `{"was":0,"count":3,"picked":9}`},
	{"PUT", "/api/finds/demo-chestnut/amount", `{"here":100,"each":"2.5","unit":"oz","share":"0.2","people":2}`},
	{"PUT", "/api/finds/demo-chestnut/sorted", `{"counts":{"ripe":4,"holed":1}}`},
	{"POST", "/api/kitchen", `{"key":"fuzz-kitchen-1","kind":"made","from":[{"lot":"S3","amount":"all"}],"to":[{"lot":"F1","amount":"100","form":"cooked"}],"loss":"rest","unit":"g"}`},
	{"PUT", "/api/incidents/fuzz-incident", `{"id":"fuzz-incident","beganMs":0,"exposures":[{"id":"e1","route":"eaten","atMs":1792000000000,"lot":"S3"}],"symptoms":[{"atMs":1,"person":"A","what":"b"}],"calls":[],"closings":[],"rev":0}`},
	{"PUT", "/api/places/fuzz-place", `{"id":"fuzz-place","name":"Moss","lat":54.4,"lon":-2.9,"limits":[{"kind":"","amount":"1","unit":"kg","per":"day","source":"x"}],"patches":[{"id":"p","name":"P","points":[{"lat":54,"lon":-2,"accuracy":3}]}],"map":"{\"type\":\"Point\",\"coordinates\":[-2.9,54.4]}"}`},
	{"PUT", "/api/walks/fuzz-walk", `{"id":"fuzz-walk","day":"2026-11-01","from":"09:00","to":"12:00","place":"tarn-wood","hopes":["castanea-sativa"]}`},
	{"PUT", "/api/people/fuzz", `{"name":"F","profile":{"colourDiffers":true,"smellWeak":false,"facts":["allergy:x"],"answered":["diet"],"signOffs":[],"hand":{"palm":8}}}`},
	{"PUT", "/api/settings", `{"numbers":[{"label":"A","number":"1 2"}],"waitHours":48,"tasteMost":"5","unit":"oz","trimmed":"0.1"}`},
	{"POST", "/api/ring", `{"points":[{"lat":54,"lon":-2,"accuracy":4},{"lat":54.0001,"lon":-2},{"lat":54,"lon":-2.0001}]}`},
	{"POST", "/api/patterns", `{"points":[{"lat":54,"lon":-2},{"lat":54,"lon":-2}],"accuracy":3}`},
	{"PUT", "/api/signs/fuzz", `{"id":"fuzz","taxon":"calocybe-gambosa","kind":"feast","from":-7,"to":7,"sd":3,"feast":"02-29"}`},
}

// fuzzed is a demo that a fuzzer sends to.
func fuzzed(f *testing.F) *rig {
	s, err := store.Open(testkit.Demo(f))
	if err != nil {
		f.Fatal(err)
	}
	f.Cleanup(func() { _ = s.Close() })
	book := app.New(s, testkit.Engine(f))
	return &rig{h: New(book, nil), book: book}
}

func send(r *rig, method, path, body string) *httptest.ResponseRecorder {
	req := httptest.NewRequest(method, "http://127.0.0.1:7878"+path, strings.NewReader(body))
	req.Header.Set("Content-Type", "application/json")
	w := httptest.NewRecorder()
	r.h.ServeHTTP(w, req)
	return w
}

// Whatever is sent is answered, with words where it is refused, and no page is taken
// by what was stored.
func FuzzBodies(f *testing.F) {
	r := fuzzed(f)
	for i, b := range bodies {
		f.Add(byte(i), b.body)
	}
	f.Fuzz(func(t *testing.T, which byte, body string) {
		b := bodies[int(which)%len(bodies)]
		if w := send(r, b.method, b.path, body); w.Code >= 500 {
			t.Fatalf("%s %s: %d %s\n%s", b.method, b.path, w.Code, w.Body, body)
		}
		for _, page := range []string{"/api/kitchen", "/api/places", "/api/incidents"} {
			if w := send(r, "GET", page, ""); w.Code != 200 {
				t.Fatalf("%s after %s %s: %d %s\n%s", page, b.method, b.path, w.Code, w.Body, body)
			}
		}
	})
}

// Whatever is searched for is answered.
func FuzzSearch(f *testing.F) {
	r := fuzzed(f)
	for _, q := range []string{"moss", `"; DROP TABLE finds; --`, "gills OR (leaves NEAR", "*", "nöt ä wörd", "a\x00b", "wild onion"} {
		f.Add(q, "2026-10-16")
	}
	f.Fuzz(func(t *testing.T, q, day string) {
		for _, path := range []string{"/api/taxa?q=" + url.QueryEscape(q), "/api/journal?q=" + url.QueryEscape(q), "/api/arithmetic?kind=scale&a=" + url.QueryEscape(q) + "&b=2&c=3", "/api/places/tarn-wood/cues?day=" + url.QueryEscape(day), "/api/year?place=tarn-wood&day=" + url.QueryEscape(day)} {
			if w := send(r, "GET", path, ""); w.Code >= 500 {
				t.Fatalf("%s: %d %s", path, w.Code, w.Body)
			}
		}
	})
}

// The fuzzer is slow where each body judges a find: this one only changes bodies at
// random, some hundreds of times in every test and many in make soak.
func TestMutatedBodies(t *testing.T) {
	r := newRig(t)
	chance := rand.New(rand.NewPCG(5, 8))
	pieces := []string{"null", "-1", "1e308", "\"\"", "[]", "{}", "true", "99999999999999999999", "\"\\u0000\"", "\"2026-02-30\"", "\"" + strings.Repeat("x", 300) + "\"", "NaN", ",", "}", "\"all\"", "\"rest\""}
	stored, refused := 0, 0
	for n := range soaking(400, 20_000) {
		b := bodies[chance.IntN(len(bodies))]
		body := []byte(b.body)
		for range 1 + chance.IntN(3) {
			at := chance.IntN(len(body))
			switch chance.IntN(4) {
			case 0:
				body[at] = byte(chance.IntN(256))
			case 1:
				body = append(body[:at:at], body[min(len(body), at+1+chance.IntN(12)):]...)
			default: // a value in the place of another
				if colon := bytes.IndexByte(body[at:], ':'); colon >= 0 {
					from := at + colon + 1
					to := from
					for to < len(body) && !strings.ContainsRune(",}]", rune(body[to])) {
						to++
					}
					body = append(append(append([]byte{}, body[:from]...), pieces[chance.IntN(len(pieces))]...), body[to:]...)
				}
			}
			if len(body) == 0 {
				body = []byte("{}")
			}
		}
		w := send(r, b.method, b.path, string(body))
		switch {
		case w.Code >= 500:
			t.Fatalf("%s %s: %d %s\n%s", b.method, b.path, w.Code, w.Body, body)
		case w.Code == 200:
			stored++
		default:
			refused++
		}
		if n%50 == 0 {
			for _, page := range []string{"/api/finds", "/api/today", "/api/kitchen", "/api/journal", "/api/places", "/api/walks", "/api/people", "/api/incidents"} {
				if w := send(r, "GET", page, ""); w.Code != 200 {
					t.Fatalf("%s after %s %s: %d %s\n%s", page, b.method, b.path, w.Code, w.Body, body)
				}
			}
		}
	}
	t.Logf("%d stored, %d refused", stored, refused)
}
