package httpapi

import (
	"bytes"
	"encoding/json"
	"image"
	"image/png"
	"net/http"
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/finds"
	"zestythicket/guide"
	"zestythicket/report"
)

func fetch[T any](r *rig, path string) T {
	r.t.Helper()
	out, code := get[T](r, path)
	if code != 200 {
		r.t.Fatalf("%s: %d", path, code)
	}
	return out
}

const girolle = "/api/finds/demo-girolle"

// A couplet answered with one of its ways is a line of the log like any other:
// key, checklist and offered check stand on one store.
func TestKeyAndChecklistShareTheLog(t *testing.T) {
	r := newRig(t)
	k := fetch[report.Key](r, girolle+"/specimens/s1/key")
	if len(k.Steps) != 3 || k.Next == nil || len(k.Next.Leads) != 2 || len(k.Left) == 0 {
		t.Fatalf("%+v", k)
	}
	for i := 1; i < len(k.Steps); i++ {
		if k.Steps[i].Left+len(k.Steps[i].Fell) != k.Steps[i-1].Left {
			t.Errorf("step %d: %d fell and %d are left of %d", i, len(k.Steps[i].Fell), k.Steps[i].Left, k.Steps[i-1].Left)
		}
	}
	body, _ := json.Marshal(map[string]any{"answer": map[string]any{"trait": k.Next.Trait.ID, "kind": "cant-tell"}})
	view(t, r.do("POST", girolle+"/log", r.line("answered", string(body))))
	both := fetch[report.Key](r, girolle+"/specimens/s1/key")
	if len(both.Left) != len(k.Left) || !both.Steps[3].Both || both.Next == nil || both.Next.Trait.ID == k.Next.Trait.ID {
		t.Errorf("can't tell: %d became %d, next %+v", len(k.Left), len(both.Left), both.Next)
	}
	list := fetch[report.Checklist](r, girolle+"/specimens/s1/checklist")
	fits := 0
	for _, x := range list.Ticks {
		if x.State == "fits" {
			fits++
		}
	}
	if list.Target == nil || fits == 0 || !strings.Contains(list.Words, "key traits") {
		t.Errorf("%+v", list)
	}
	if w := r.do("GET", girolle+"/specimens/s9/key", ""); w.Code != 422 {
		t.Errorf("a specimen that is not there: %d", w.Code)
	}
}

// Looking back: what each line changed, in order, and how today's guide would
// judge it.
func TestHistory(t *testing.T) {
	r := newRig(t)
	turns := fetch[[]finds.Turn](r, girolle+"/specimens/s1/history")
	if len(turns) < 3 || turns[0].By != "begin" {
		t.Fatalf("%+v", turns)
	}
	for i := 1; i < len(turns); i++ {
		if turns[i].Was != turns[i-1].Now || turns[i].Seq < turns[i-1].Seq {
			t.Errorf("turn %d does not follow: %+v after %+v", i, turns[i], turns[i-1])
		}
	}
	v := view(t, r.do("POST", girolle+"/log", r.line("answered", `{"answer":{"trait":"underside","kind":"seen","states":["gills"]}}`)))
	seq := v.Log[len(v.Log)-1].Seq
	turns = fetch[[]finds.Turn](r, girolle+"/specimens/s1/history")
	if last := turns[len(turns)-1]; last.Seq != seq || len(last.Again) == 0 {
		t.Errorf("two readings that differ put entries up again; the last turn is %+v", last)
	}
	view(t, r.do("PUT", girolle+"/facts", `{"intent":"record","kingdom":"fungus","rev":1}`))
	turns = fetch[[]finds.Turn](r, girolle+"/specimens/s1/history")
	if last := turns[len(turns)-1]; last.By != "facts" || last.Was == last.Now {
		t.Errorf("a changed intent: %+v", last)
	}
	// Another guide.
	was := turns[len(turns)-1]
	ix := *r.book.Engine.Index()
	book := *ix.Book
	book.Version, book.Taxa = "another", book.Taxa[:len(book.Taxa)-1]
	other, err := guide.Compile(&book, *ix.Weights())
	if err != nil {
		t.Fatal(err)
	}
	r.book.Engine = evidence.New(other, evidence.StandardDefaults())
	turns = fetch[[]finds.Turn](r, girolle+"/specimens/s1/history")
	if last := turns[len(turns)-1]; last.By != "today" || last.Guide != "another" || last.Was != was.Now {
		t.Errorf("under today's guide: %+v after %+v", last, was)
	}
}

func pngOf(t *testing.T, side int) string {
	t.Helper()
	var b bytes.Buffer
	if err := png.Encode(&b, image.NewGray(image.Rect(0, 0, side, side))); err != nil {
		t.Fatal(err)
	}
	return b.String()
}

// A picture is told by its content, stored once under its id, handed out as what
// it is, and gone when it is removed. Nothing refused is stored.
func TestPhotos(t *testing.T) {
	r := newRig(t)
	put := func(path, body string) (int, string) {
		w := r.do("PUT", path, body, "Content-Type", "application/octet-stream")
		return w.Code, w.Body.String()
	}
	const one = girolle + "/photos/photo-1?specimen=s1&part=cap"
	if code, body := put(one, pngOf(t, 8)); code != 200 {
		t.Fatalf("%d %s", code, body)
	}
	if code, body := put(one, pngOf(t, 9)); code != 200 {
		t.Fatalf("sent again: %d %s", code, body)
	}
	v := view(t, r.do("GET", girolle, ""))
	if len(v.Photos) != 1 || v.Photos[0].Width != 8 || v.Photos[0].Part != "cap" {
		t.Errorf("%+v", v.Photos)
	}
	if w := r.do("GET", girolle+"/photos/photo-1", ""); w.Header().Get("Content-Type") != "image/png" || w.Header().Get("X-Content-Type-Options") != "nosniff" {
		t.Errorf("%v", w.Header())
	}
	for path, c := range map[string][2]string{
		girolle + "/photos/photo-2?specimen=s1":          {"<svg onload=alert(1)>", "not a JPEG, PNG or WebP"},
		girolle + "/photos/photo-3?specimen=s9":          {pngOf(t, 8), "no specimen"},
		girolle + "/photos/photo-4?specimen=s1&part=cup": {pngOf(t, 8), "unknown part"},
	} {
		if code, body := put(path, c[0]); code != 422 || !strings.Contains(body, c[1]) {
			t.Errorf("%s: %d %s", path, code, body)
		}
	}
	if code, _ := put(girolle+"/photos/photo-5?specimen=s1", strings.Repeat("x", 13<<20)); code != http.StatusRequestEntityTooLarge {
		t.Errorf("too large: %d", code)
	}
	if v := view(t, r.do("GET", girolle, "")); len(v.Photos) != 1 {
		t.Errorf("something refused was stored: %+v", v.Photos)
	}
	if w := r.do("GET", "/api/finds/demo-chestnut/photos/photo-1", ""); w.Code != 404 {
		t.Errorf("the picture of another find: %d", w.Code)
	}
	if v := view(t, r.do("DELETE", girolle+"/photos/photo-1", "")); len(v.Photos) != 0 {
		t.Errorf("%+v", v.Photos)
	}
}

// What is to be cleared gets days; the hazard is still on at the last of them.
func TestDisposal(t *testing.T) {
	r := newRig(t)
	plan := `"disposal":{"cut":"2026-10-20","weeks":6,"place":"behind the shed"}`
	v := view(t, r.do("PUT", "/api/finds/demo-chestnut/facts", `{"intent":"clear","kingdom":"plant","rev":1,`+plan+`}`))
	if v.Plan == nil || len(v.Plan.Days) != 3 || v.Plan.Days[1].Day != "2026-12-01" || !strings.Contains(v.Plan.Words, "still on when it is dry") {
		t.Fatalf("%+v", v.Plan)
	}
	all := v.Plan.Words
	for _, d := range v.Plan.Days {
		all += d.What + d.Why
	}
	for _, want := range []string{"loves", "soap", "Never burn", "dry or dead", "behind the shed"} {
		if !strings.Contains(all, want) {
			t.Errorf("the plan does not say %q", want)
		}
	}
	if v := view(t, r.do("PUT", "/api/finds/demo-chestnut/facts", `{"intent":"keep","kingdom":"plant","rev":2,`+plan+`}`)); v.Plan != nil {
		t.Error("a plan for what is to be kept")
	}
	if w := r.do("PUT", "/api/finds/demo-chestnut/facts", `{"intent":"clear","disposal":{"cut":"2026-13-20","weeks":6}}`); w.Code != 422 {
		t.Errorf("a date that is none: %d %s", w.Code, w.Body)
	}
	if w := r.do("PUT", "/api/finds/demo-chestnut/facts", `{"intent":"clear","disposal":{"cut":"2026-10-20","weeks":0}}`); w.Code != 422 {
		t.Errorf("no weeks: %d %s", w.Code, w.Body)
	}
}

// The wear of an outing goes along from one find to the next of the same day and
// person, and says what mends it.
func TestWearIsShown(t *testing.T) {
	r := newRig(t)
	v := view(t, r.do("POST", girolle+"/log", r.line("handled", `{"smell":"ink","on":"gloves"}`)))
	on := map[string]bool{}
	for _, c := range v.Wear.Carried {
		on[c.On+" "+c.Smell] = true
	}
	if !on["gloves ink"] || v.Wear.Do == "" || len(v.Wear.Tests) == 0 {
		t.Errorf("%+v", v.Wear)
	}
	v = view(t, r.do("POST", girolle+"/log", r.line("clean-hands", `{"on":"gloves"}`)))
	for _, c := range v.Wear.Carried {
		if c.On == "gloves" {
			t.Errorf("fresh gloves carry %s", c.Smell)
		}
	}
	if w := r.do("POST", girolle+"/log", r.line("handled", `{"smell":"ink","on":"hat"}`)); w.Code != 422 {
		t.Errorf("a hat: %d", w.Code)
	}
}

// Item by item: what differs is set aside and holds the basket at once, before
// anybody has said how it differs.
func TestSetAside(t *testing.T) {
	r := newRig(t)
	count := func(specimen, body string) finds.View {
		return view(t, r.do("PUT", girolle+"/specimens/"+specimen+"/count", body))
	}
	v := count("s1", `{"count":5,"picked":6}`)
	// A count without the answers behind it passes nothing.
	if p := v.Patch; p.Passed != 0 || p.Failed != 0 || p.Unchecked != 6 || p.Held || v.Facts.Picked != 6 {
		t.Errorf("%+v", p)
	}
	v = count("aside", `{"count":1}`)
	if p := v.Patch; p.Passed != 0 || p.Failed != 1 || p.Unchecked != 5 || !p.Held || p.ToRecheck != 0 || len(v.Specimens) != 2 {
		t.Errorf("%+v", p)
	}
	v = count("aside", `{"was":1,"count":2,"picked":7}`)
	if p := v.Patch; p.Failed != 2 || p.Unchecked != 5 {
		t.Errorf("%+v", p)
	}
	v = count("aside", `{"was":2,"count":0}`)
	if p := v.Patch; p.Failed != 0 || p.Held {
		t.Errorf("counted by mistake and taken back: %+v", p)
	}
	if w := r.do("PUT", girolle+"/specimens/s7/count", `{"count":1}`); w.Code != 404 {
		t.Errorf("a specimen that is not there: %d", w.Code)
	}
}
