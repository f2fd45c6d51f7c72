package httpapi

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/httptest"
	"os"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"zestythicket/app"
	"zestythicket/finds"
	"zestythicket/internal/testkit"
	"zestythicket/store"
)

type rig struct {
	t    *testing.T
	h    http.Handler
	book *app.App
	keys int
}

func newRig(t *testing.T) *rig {
	t.Helper()
	path, now := testkit.DemoAt(t)
	s, err := store.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	book := app.New(s, testkit.Engine(t))
	book.Now = func() time.Time { now = now.Add(time.Minute); return now }
	web := fstest.MapFS{"index.html": {Data: []byte(`<meta property="csp-nonce" nonce="__NONCE__">`)}, "assets/a.js": {Data: []byte("1")}}
	return &rig{t: t, h: New(book, web), book: book}
}

func (r *rig) do(method, path, body string, more ...string) *httptest.ResponseRecorder {
	r.t.Helper()
	req := httptest.NewRequest(method, "http://127.0.0.1:7878"+path, strings.NewReader(body))
	if body != "" {
		req.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(more); i += 2 {
		if more[i] == "Host" {
			req.Host = more[i+1]
		} else {
			req.Header.Set(more[i], more[i+1])
		}
	}
	w := httptest.NewRecorder()
	r.h.ServeHTTP(w, req)
	return w
}

func (r *rig) line(kind, body string) string {
	r.keys++
	return fmt.Sprintf(`{"key":"key-%05d","specimen":"s1","kind":%q,"body":%s}`, r.keys, kind, body)
}

func view(t *testing.T, w *httptest.ResponseRecorder) finds.View {
	t.Helper()
	var v finds.View
	if w.Code != 200 {
		t.Fatalf("%d %s", w.Code, w.Body)
	}
	if err := json.Unmarshal(w.Body.Bytes(), &v); err != nil {
		t.Fatal(err)
	}
	return v
}

// Bad input gets a problem that says where; nothing is stored and nothing is a 500.
func TestBadInput(t *testing.T) {
	r := newRig(t)
	before := view(t, r.do("GET", "/api/finds/demo-chestnut", ""))
	for name, c := range map[string]struct {
		method, path, body string
		code               int
		want               string
	}{
		"unknown find":            {"GET", "/api/finds/nothing", "", 404, "nothing with this id"},
		"unknown taxon":           {"GET", "/api/taxa/nothing", "", 404, "no entry"},
		"unknown address":         {"GET", "/api/nothing", "", 404, "nothing at this address"},
		"log of unknown":          {"POST", "/api/finds/nothing/log", r.line("clean-hands", "{}"), 404, "nothing with this id"},
		"unknown trait":           {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-viens","kind":"seen","states":["net"]}}`), 422, "body.body.answer.trait"},
		"unknown state":           {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-veins","kind":"seen","states":["nets"]}}`), 422, "nearest: net"},
		"no state":                {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-veins","kind":"seen"}}`), 422, "one state is wanted"},
		"unknown kind":            {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-veins","kind":"guessed"}}`), 422, "kind"},
		"can't be absent":         {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-veins","kind":"absent"}}`), 422, "can't be absent"},
		"impossible length":       {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-length","kind":"measured","value":9999}}`), 422, "impossible"},
		"negative error":          {"POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-length","kind":"measured","value":9,"error":-1}}`), 422, "error"},
		"unknown specimen":        {"POST", "/api/finds/demo-chestnut/log", strings.Replace(r.line("clean-hands", "{}"), `"s1"`, `"s9"`, 1), 422, "unknown specimen"},
		"unknown stage":           {"POST", "/api/finds/demo-chestnut/log", r.line("staged", `{"stages":["fruits"]}`), 422, "nearest: fruit"},
		"no stage":                {"POST", "/api/finds/demo-chestnut/log", r.line("staged", `{}`), 422, "no stage"},
		"undo of nothing":         {"POST", "/api/finds/demo-chestnut/log", r.line("undone", `{"undoes":99999}`), 422, "not in this find's log"},
		"another's line":          {"POST", "/api/finds/demo-chestnut/log", r.line("undone", `{"undoes":1}`), 422, "not in this find's log"},
		"wrong type":              {"POST", "/api/finds/demo-chestnut/log", `{"key":5}`, 422, "body.key"},
		"no JSON":                 {"POST", "/api/finds/demo-chestnut/log", `{"key":`, 400, "unexpected end"},
		"not an object":           {"POST", "/api/finds/demo-chestnut/log", `[1,2]`, 422, "object"},
		"extra field":             {"POST", "/api/finds/demo-chestnut/log", `{"key":"12345678","specimen":"s1","kind":"picked","body":{},"extra":1}`, 422, "extra"},
		"too large":               {"POST", "/api/finds/demo-chestnut/log", r.line("noted", `{"note":"`+strings.Repeat("x", 100_000)+`"}`), 413, ""},
		"bad day":                 {"POST", "/api/finds", `{"id":"find-001","day":"soon","facts":{"intent":"eat"}}`, 422, "day"},
		"bad target":              {"POST", "/api/finds", `{"id":"find-001","day":"2026-10-10","facts":{"intent":"eat","target":"castanea"}}`, 422, "castanea-sativa"},
		"bad intent":              {"PUT", "/api/finds/demo-chestnut/facts", `{"intent":"taste"}`, 422, "intent"},
		"unknown hard group":      {"PUT", "/api/people/rowan", `{"name":"R","profile":{"colourDiffers":false,"smellWeak":false,"facts":[],"answered":[],"signOffs":[{"group":"carrot-famly","by":"x"}]}}`, 422, "carrot-family"},
		"danger of another group": {"PUT", "/api/people/rowan", `{"name":"R","profile":{"colourDiffers":false,"smellWeak":false,"facts":[],"answered":[],"signOffs":[{"group":"bulbs-lily-leaves","by":"x","dangers":["conium-maculatum"]}]}}`, 422, "dangers"},
		"joined to nothing":       {"POST", "/api/finds/demo-chestnut/specimens", `{"id":"s2","joinedTo":"s7"}`, 422, "no specimen"},
	} {
		w := r.do(c.method, c.path, c.body)
		if w.Code != c.code || !strings.Contains(w.Body.String(), c.want) {
			t.Errorf("%s: %d %s, want %d and %q", name, w.Code, w.Body, c.code, c.want)
		}
		if ct := w.Header().Get("Content-Type"); ct != "application/problem+json" {
			t.Errorf("%s: content type %q", name, ct)
		}
	}
	after := view(t, r.do("GET", "/api/finds/demo-chestnut", ""))
	if len(after.Log) != len(before.Log) || len(after.Specimens) != len(before.Specimens) {
		t.Error("bad input was stored")
	}
}

// Only this machine's own pages are answered.
func TestHostAndOrigin(t *testing.T) {
	r := newRig(t)
	for _, c := range []struct {
		name   string
		code   int
		header []string
	}{
		{"localhost", 200, []string{"Host", "localhost:7878"}},
		{"IPv6 loopback", 200, []string{"Host", "[::1]:7878"}},
		{"own origin", 200, []string{"Origin", "http://127.0.0.1:7878"}},
		{"another host", 403, []string{"Host", "example.org"}},
		{"another machine", 403, []string{"Host", "192.168.1.4:7878"}},
		{"a name that begins like loopback", 403, []string{"Host", "127.0.0.1.example.org"}},
		{"another origin", 403, []string{"Origin", "http://example.org"}},
		{"another port", 403, []string{"Origin", "http://127.0.0.1:9999"}},
		{"no origin", 403, []string{"Origin", "null"}},
	} {
		if w := r.do("GET", "/api/finds", "", c.header...); w.Code != c.code {
			t.Errorf("%s: %d, want %d", c.name, w.Code, c.code)
		}
	}
	if w := r.do("POST", "/api/finds/demo-chestnut/log", r.line("picked", "{}"), "Sec-Fetch-Site", "cross-site"); w.Code != 403 {
		t.Errorf("a request sent by another site: %d", w.Code)
	}
}

// A retried tap and a retried find are stored once.
func TestIdempotence(t *testing.T) {
	r := newRig(t)
	tap := r.line("answered", `{"answer":{"trait":"nut-tip","kind":"seen","states":["pointed-tuft"]}}`)
	one := view(t, r.do("POST", "/api/finds/demo-chestnut/log", tap))
	two := view(t, r.do("POST", "/api/finds/demo-chestnut/log", tap))
	if len(one.Log) != len(two.Log) {
		t.Errorf("a retried tap: %d then %d lines", len(one.Log), len(two.Log))
	}
	before, _ := r.book.Store.Finds()
	find := `{"id":"find-abc","day":"2026-10-10","facts":{"intent":"record"}}`
	view(t, r.do("POST", "/api/finds", find))
	view(t, r.do("POST", "/api/finds", find))
	finds, _ := r.book.Store.Finds()
	if len(finds) != len(before)+1 {
		t.Errorf("%d finds, want one more than %d", len(finds), len(before))
	}
}

// Undo restores the verdict exactly, and handling stays.
func TestUndoThroughTheAPI(t *testing.T) {
	r := newRig(t)
	before := view(t, r.do("GET", "/api/finds/demo-chestnut", ""))
	v := view(t, r.do("POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"nut-tip","kind":"seen","states":["rounded"]}}`)))
	if v.Patch.Judgements[0].Obligations[0].Code == before.Patch.Judgements[0].Obligations[0].Code && len(v.Patch.Judgements[0].Readings) == len(before.Patch.Judgements[0].Readings) {
		t.Fatal("the answer changed nothing")
	}
	seq := v.Log[len(v.Log)-1].Seq
	v = view(t, r.do("POST", "/api/finds/demo-chestnut/log", r.line("undone", fmt.Sprintf(`{"undoes":%d}`, seq))))
	a, _ := json.Marshal(before.Patch)
	b, _ := json.Marshal(view(t, r.do("GET", "/api/finds/demo-chestnut", "")).Patch)
	if !bytes.Equal(a, b) {
		t.Error("undo did not restore the judgement")
	}
	v = view(t, r.do("POST", "/api/finds/demo-chestnut/log", r.line("picked", "{}")))
	seq = v.Log[len(v.Log)-1].Seq
	if w := r.do("POST", "/api/finds/demo-chestnut/log", r.line("undone", fmt.Sprintf(`{"undoes":%d}`, seq))); w.Code != 422 {
		t.Errorf("picking was taken back: %d", w.Code)
	}
}

// Hands that crushed garlic in one find spoil the smell in the next of the outing.
func TestHandsGoAlong(t *testing.T) {
	r := newRig(t)
	for _, id := range []string{"find-one", "find-two"} {
		view(t, r.do("POST", "/api/finds", `{"id":"`+id+`","day":"2026-04-10","stages":["leaf"],"facts":{"intent":"eat","target":"allium-ursinum","part":"leaf","preparation":"cooked","region":"EU"}}`))
	}
	smell := `{"answer":{"trait":"smell-crushed","kind":"seen","states":["garlic"]}}`
	sound := func(v finds.View) string {
		for _, x := range v.Patch.Judgements[0].Readings {
			if x.Trait.ID == "smell-crushed" {
				return x.Soundness
			}
		}
		return ""
	}
	if s := sound(view(t, r.do("POST", "/api/finds/find-one/log", r.line("answered", smell)))); s != "sound" {
		t.Errorf("the first leaf: %s", s)
	}
	if s := sound(view(t, r.do("POST", "/api/finds/find-two/log", r.line("answered", smell)))); s != "shaky" {
		t.Errorf("the next find: %s", s)
	}
}

// Every change of a verdict is stored with the guide's version and its reasons, and no
// line that changes none.
func TestVerdictsAreStored(t *testing.T) {
	r := newRig(t)
	vs, lost := r.book.Store.Verdicts("demo-sloes")
	if len(lost) > 0 || len(vs) < 2 {
		t.Fatal(vs, lost)
	}
	for i := 1; i < len(vs); i++ {
		if vs[i].Verdict == vs[i-1].Verdict {
			t.Errorf("%s was stored twice in a row", vs[i].Verdict)
		}
	}
	last := vs[len(vs)-1]
	var reasons finds.Reasons
	if err := json.Unmarshal([]byte(last.Reasons), &reasons); err != nil {
		t.Fatal(err)
	}
	if last.GuideVersion != r.book.Engine.Index().Book.Version || reasons.Ledger["atropa-belladonna"] == "" || len(reasons.Steps["atropa-belladonna"]) == 0 {
		t.Errorf("%+v %+v", last, reasons)
	}
}

// The page carries a fresh nonce, and its policy allows no inline style without it.
func TestPage(t *testing.T) {
	r := newRig(t)
	a, b := r.do("GET", "/find/demo-chestnut", ""), r.do("GET", "/", "")
	csp := a.Header().Get("Content-Security-Policy")
	nonce := a.Body.String()[strings.Index(a.Body.String(), `nonce="`)+7:]
	nonce = nonce[:strings.Index(nonce, `"`)]
	if a.Code != 200 || len(nonce) < 16 || !strings.Contains(csp, "'nonce-"+nonce+"'") || strings.Contains(csp, "unsafe-inline") {
		t.Errorf("%d %q %q", a.Code, nonce, csp)
	}
	if a.Body.String() == b.Body.String() {
		t.Error("the nonce was used twice")
	}
	if w := r.do("GET", "/assets/a.js", ""); w.Code != 200 {
		t.Errorf("asset: %d", w.Code)
	}
	if w := r.do("GET", "/assets/none.js", ""); w.Code != 404 {
		t.Errorf("missing asset: %d", w.Code)
	}
	if w := r.do("POST", "/find/x", ""); w.Code != 405 {
		t.Errorf("post to a page: %d", w.Code)
	}
}

// The document kept in the repository is the one that is served.
func TestOpenAPIIsKept(t *testing.T) {
	want, err := OpenAPI()
	if err != nil {
		t.Fatal(err)
	}
	kept, err := os.ReadFile("../docs/openapi.json")
	if err != nil {
		t.Fatal(err)
	}
	if strings.TrimSpace(string(kept)) != strings.TrimSpace(string(want)) {
		t.Error("docs/openapi.json is out of date; run make types")
	}
	if w := newRig(t).do("GET", "/api/openapi.json", ""); w.Code != 200 || !strings.Contains(w.Body.String(), "/api/finds/{id}/log") {
		t.Errorf("served document: %d", w.Code)
	}
}
