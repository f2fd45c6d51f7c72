package httpapi

import (
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
	"time"
	"zestythicket/reference"

	"go.yaml.in/yaml/v3"

	"zestythicket/evidence"
	"zestythicket/exchange/casefile"
	"zestythicket/finds"
	"zestythicket/guide"
	"zestythicket/internal/testkit/observer"
	"zestythicket/people"
	"zestythicket/report"
)

// A day is a script over the interface: a worked case, then what was done with it.
type day struct {
	Title string `yaml:"title"`
	Case  string `yaml:"case"` // of evidence/testdata/cases, entered line by line
	Truth *struct {
		Find   beginning `yaml:"find"`
		Second bool      `yaml:"second"`
	} `yaml:"truth"` // a find that is looked at truly until its checks are complete
	People []string `yaml:"people"`
	Steps  []struct {
		Put    string         `yaml:"put"`
		Post   string         `yaml:"post"`
		Get    string         `yaml:"get"`
		Delete string         `yaml:"delete"`
		Later  string         `yaml:"later"` // the clock goes on
		Body   map[string]any `yaml:"body"`
		Status int            `yaml:"status"` // 200 when it is not said
		Says   []string       `yaml:"says"`
		Not    []string       `yaml:"not"`
		Is     map[string]any `yaml:"is"` // by path: lots.0.state
		Why    string         `yaml:"why"`
	} `yaml:"steps"`
}

type beginning struct {
	Target string `yaml:"target"`
	Part   string `yaml:"part"`
	Prep   string `yaml:"preparation"`
	Region string `yaml:"region"`
	Stage  string `yaml:"stage"`
	Day    string `yaml:"day"`
	Place  string `yaml:"place"`
}

// Each day is done through the interface, and must come out as written.
func TestDays(t *testing.T) {
	files, err := filepath.Glob("testdata/days/*.yaml")
	if err != nil || len(files) == 0 {
		t.Fatal("no days were found", err)
	}
	for _, file := range files {
		t.Run(strings.TrimSuffix(filepath.Base(file), ".yaml"), func(t *testing.T) {
			text, err := os.ReadFile(file)
			if err != nil {
				t.Fatal(err)
			}
			var d day
			dec := yaml.NewDecoder(strings.NewReader(string(text)))
			dec.KnownFields(true)
			if err := dec.Decode(&d); err != nil {
				t.Fatal(err)
			}
			newDay(t).run(&d)
		})
	}
}

type dayRig struct {
	*rig
	now time.Time
}

func newDay(t *testing.T) *dayRig {
	d := &dayRig{rig: newRig(t), now: time.Date(2026, 10, 16, 9, 0, 0, 0, time.UTC)}
	d.book.Now = func() time.Time { d.now = d.now.Add(time.Second); return d.now }
	return d
}

const dayFind = "day-find"

func (r *dayRig) run(d *day) {
	if d.Case != "" {
		r.enterCase(d.Case)
	}
	for _, p := range d.People {
		r.must("PUT", "/api/people/"+p, map[string]any{"name": p, "profile": map[string]any{"colourDiffers": false, "smellWeak": false, "facts": []string{}, "answered": []string{}, "signOffs": []any{}}})
	}
	if d.Truth != nil {
		id := dayFind
		if d.Case != "" {
			id = "day-other"
		}
		r.truth(id, &d.Truth.Find)
		if d.Truth.Second {
			r.secondLook(id, "day-home")
		}
	}
	for i, s := range d.Steps {
		if s.Later != "" {
			more, err := time.ParseDuration(s.Later)
			if err != nil {
				r.t.Fatal(err)
			}
			r.now = r.now.Add(more)
			continue
		}
		method, path := "GET", s.Get
		for m, p := range map[string]string{"PUT": s.Put, "POST": s.Post, "DELETE": s.Delete} {
			if p != "" {
				method, path = m, p
			}
		}
		body := ""
		if s.Body != nil {
			if _, ok := s.Body["key"]; !ok && path == "/api/kitchen" {
				s.Body["key"] = fmt.Sprintf("day-key-%03d", i)
			}
			b, _ := json.Marshal(r.times(s.Body))
			body = string(b)
		}
		w := r.do(method, path, body)
		want := s.Status
		if want == 0 {
			want = 200
		}
		at := fmt.Sprintf("step %d, %s %s (%s)", i+1, method, path, s.Why)
		if w.Code != want {
			r.t.Fatalf("%s: %d %s", at, w.Code, w.Body)
		}
		for _, x := range s.Says {
			if !strings.Contains(w.Body.String(), x) {
				r.t.Errorf("%s: it does not say %q: %.1500s", at, x, w.Body)
			}
		}
		for _, x := range s.Not {
			if strings.Contains(w.Body.String(), x) {
				r.t.Errorf("%s: it says %q", at, x)
			}
		}
		var doc any
		_ = json.Unmarshal(w.Body.Bytes(), &doc)
		for path, want := range s.Is {
			if got, _ := json.Marshal(walkTo(doc, path)); string(got) != mustJSON(want) {
				r.t.Errorf("%s: %s is %s, want %s", at, path, got, mustJSON(want))
			}
		}
	}
}

func mustJSON(v any) string { b, _ := json.Marshal(v); return string(b) }

// times turns "-3h30m" under a key that ends in Ms into a moment before now.
func (r *dayRig) times(v any) any {
	switch x := v.(type) {
	case map[string]any:
		for k, y := range x {
			if s, ok := y.(string); ok && strings.HasSuffix(k, "Ms") {
				back, err := time.ParseDuration(s)
				if err != nil {
					r.t.Fatal(err)
				}
				x[k] = r.now.Add(back).UnixMilli()
				continue
			}
			x[k] = r.times(y)
		}
	case []any:
		for i := range x {
			x[i] = r.times(x[i])
		}
	}
	return v
}

// walkTo goes down a JSON value; "lots.A1.state" finds the item with that id, and
// "lots.#" counts.
func walkTo(doc any, path string) any {
	for _, step := range strings.Split(path, ".") {
		switch x := doc.(type) {
		case map[string]any:
			doc = x[step]
		case []any:
			if step == "#" {
				doc = len(x)
				continue
			}
			if n, err := strconv.Atoi(step); err == nil && n < len(x) {
				doc = x[n]
				continue
			}
			doc = nil
			for _, it := range x {
				if m, ok := it.(map[string]any); ok && (m["id"] == step || m["person"] == step || m["name"] == step) {
					doc = it
				}
			}
		default:
			return nil
		}
	}
	return doc
}

func (r *rig) must(method, path string, body any) []byte {
	b, _ := json.Marshal(body)
	w := r.do(method, path, string(b))
	if w.Code != 200 {
		r.t.Fatalf("%s %s: %d %s", method, path, w.Code, w.Body)
	}
	return w.Body.Bytes()
}

func (r *dayRig) enterCase(name string) {
	file := "../evidence/testdata/cases/" + name + ".yaml"
	text, err := os.ReadFile(file)
	if err != nil {
		r.t.Fatal(err)
	}
	c, err := casefile.Read(file, text, r.book.Engine.Index())
	if err != nil {
		r.t.Fatal(err)
	}
	if c.Find.Month == 0 {
		c.Find.Month = 10
	}
	rename(&c.Find)
	r.enter(dayFind, &c.Find)
}

// truth begins a find and answers what is offered as the entry shows it.
func (r *dayRig) truth(id string, b *beginning) {
	signs := []people.SignOff{}
	for _, g := range r.book.Engine.Index().Book.HardGroups {
		signs = append(signs, people.SignOff{Group: g.ID, By: "a teacher"})
	}
	answered := fetch[reference.GuideInfo](r.rig, "/api/guide").Health
	r.must("PUT", "/api/people/sorrel", map[string]any{"name": "Sorrel", "profile": people.Profile{Facts: []string{}, Answered: answered, SignOffs: signs}})
	r.must("POST", "/api/finds", finds.Begin{ID: id, Title: "A day’s find", Place: b.Place, Day: b.Day, Person: "sorrel", Stages: []string{b.Stage},
		Facts: finds.Facts{Intent: "eat", Target: b.Target, Part: b.Part, Prep: b.Prep, Region: b.Region, Ground: "clean", Permission: "yes", Protected: "no", Limit: "none known"}})
	r.observe(id)
}

// secondLook makes the second look, just as truly.
func (r *dayRig) secondLook(find, id string) {
	r.must("POST", "/api/finds/"+find+"/second", map[string]string{"id": id, "person": "sorrel"})
	r.observe(id)
	// What only the table can give: until each is read, the look does not stand.
	for _, a := range fetch[finds.Second](r.rig, "/api/finds/"+find+"/second").Asked {
		if a.Done {
			continue
		}
		if s := fetch[finds.Second](r.rig, "/api/finds/"+find+"/second"); s.Ready {
			r.t.Errorf("%s stands without: %s", id, a.Do)
		}
		r.look(id, a.Traits[0])
	}
}

// look answers one trait truly.
func (r *dayRig) look(id, trait string) {
	ix := r.book.Engine.Index()
	at, ok := ix.TraitAt(trait)
	if !ok {
		r.t.Fatalf("%s: nothing is offered", id)
	}
	v := fetch[finds.View](r.rig, "/api/finds/"+id)
	target, _ := ix.TaxonAt(v.Facts.Target)
	var stages guide.StageSet
	for _, s := range v.Patch.Judgements[0].Stages {
		if st, ok := guide.ParseStage(s); ok {
			stages |= guide.NewStageSet(st)
		}
	}
	ev := evidence.Event{Kind: evidence.Answered, Answer: observer.Answer(ix, at, target, stages)}
	r.keys++
	r.must("POST", "/api/finds/"+id+"/log", finds.NewLine{Key: fmt.Sprintf("truth-key-%05d", r.keys), Specimen: "s1", Kind: "answered", Body: bodyOf(&ev, nil)})
}

// observe follows the offered checks to a verdict.
func (r *dayRig) observe(id string) {
	for n := 0; n < 40; n++ {
		v := fetch[finds.View](r.rig, "/api/finds/"+id)
		j := v.Patch.Judgements[0]
		if j.Verdict == "checks-complete" || j.Verdict == "leave-it" {
			return
		}
		next := ""
		if j.Next != nil {
			next = j.Next.Trait.ID
		}
		if next == "" || j.Obligations[0].Code == "answer-condition" {
			next = firstTrait(j.Obligations)
		}
		r.look(id, next)
	}
	r.t.Fatalf("%s has no verdict after forty answers", id)
}

func firstTrait(list []report.Obligation) string {
	for _, o := range list {
		if o.Trait != nil {
			return o.Trait.ID
		}
	}
	return ""
}
