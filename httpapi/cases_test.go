package httpapi

import (
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"zestythicket/evidence"
	"zestythicket/exchange/casefile"
	"zestythicket/finds"
	"zestythicket/internal/testkit/casecheck"
	"zestythicket/people"
	"zestythicket/report"
)

// Every worked case, entered line by line through the interface, is judged as
// the engine judges it alone: to the last word, and as the case expects.
func TestCasesThroughTheAPI(t *testing.T) {
	files, err := filepath.Glob("../evidence/testdata/cases/*.yaml")
	if err != nil || len(files) == 0 {
		t.Fatal("no cases were found", err)
	}
	r := newRig(t)
	ix := r.book.Engine.Index()
	for i, file := range files {
		name := strings.TrimSuffix(filepath.Base(file), ".yaml")
		if strings.HasPrefix(name, "fixture-") {
			continue // about another guide
		}
		t.Run(name, func(t *testing.T) {
			text, err := os.ReadFile(file)
			if err != nil {
				t.Fatal(err)
			}
			c, err := casefile.Read(file, text, ix)
			if err != nil {
				t.Fatal(err)
			}
			f := &c.Find
			if f.Month == 0 {
				f.Month = 10 // a find has a day
			}
			names := rename(f)
			r.t = t
			v, seqs := r.enter(fmt.Sprintf("case-%03d", i), f)
			// The log of the database counts on from the finds before; whoever
			// begins with a smell on the hands was handled first.
			f.Log = append(handledFirst(f), f.Log...)
			f.Hands = nil
			if len(v.Log) != len(f.Log) {
				t.Fatalf("%d lines were stored of %d", len(v.Log), len(f.Log))
			}
			for k := range f.Log {
				f.Log[k].Seq, f.Log[k].AtMS = v.Log[k].Seq, v.Log[k].AtMS
				f.Log[k].Undoes = seqs[f.Log[k].Undoes]
			}
			p := r.book.Engine.JudgePatch(f)
			alone, _ := json.MarshalIndent(report.OfPatch(ix, f, &p), "", " ")
			through, _ := json.MarshalIndent(v.Patch, "", " ")
			if string(alone) != string(through) {
				t.Errorf("the interface judges otherwise: %s", firstDifference(string(alone), string(through)))
			}
			if s, ok := names[c.Expect.Specimen]; ok {
				c.Expect.Specimen = s
			}
			for _, miss := range casecheck.Misses(&c.Expect, &v.Patch) {
				t.Error(miss)
			}
		})
	}
}

// rename gives the specimens the names that the program gives them.
func rename(f *evidence.Find) map[string]string {
	names := map[string]string{}
	for i := range f.Specimens {
		names[f.Specimens[i].ID] = fmt.Sprintf("s%d", i+1)
	}
	for i := range f.Specimens {
		f.Specimens[i].ID = names[f.Specimens[i].ID]
		f.Specimens[i].JoinedTo = names[f.Specimens[i].JoinedTo]
	}
	for i := range f.Log {
		f.Log[i].Specimen = names[f.Log[i].Specimen]
	}
	return names
}

func handledFirst(f *evidence.Find) []evidence.Event {
	var out []evidence.Event
	for _, smell := range f.Hands {
		out = append(out, evidence.Event{Kind: evidence.Handled, Specimen: "s1", Smell: smell})
	}
	return out
}

// enter keys a find in, request by request, and tells which number each line got.
func (r *rig) enter(id string, f *evidence.Find) (finds.View, map[int64]int64) {
	send := func(method, path string, body any) finds.View {
		text, err := json.Marshal(body)
		if err != nil {
			r.t.Fatal(err)
		}
		return view(r.t, r.do(method, path, string(text)))
	}
	p := people.Profile{ColourDiffers: f.Profile.ColourDiffers, SmellWeak: f.Profile.SmellWeak, Facts: orEmpty(f.Profile.Facts), Answered: orEmpty(f.Profile.Answered), SignOffs: []people.SignOff{}}
	for _, s := range f.Profile.SignOffs {
		p.SignOffs = append(p.SignOffs, people.SignOff{Group: s.Group, By: s.By, When: s.When})
	}
	person, _ := json.Marshal(map[string]any{"name": id, "profile": p})
	if w := r.do("PUT", "/api/people/"+id, string(person)); w.Code != 200 {
		r.t.Fatalf("%d %s", w.Code, w.Body)
	}
	send("POST", "/api/finds", finds.Begin{ID: id, Person: id, Day: fmt.Sprintf("2026-%02d-15", f.Month), Facts: finds.Facts{
		Intent: f.Intent.String(), Kingdom: f.Kingdom.String(), Target: f.Target, Part: f.Part, Prep: f.Prep,
		Region: f.Place.Region, Habitats: f.Place.Habitats, Ground: string(f.Place.Ground), Permission: f.Place.Permission.String(), Protected: f.Place.Protected.String(), Limit: f.Place.Limit,
		Tools: f.Tools, Recalled: f.Recalled, Picked: f.Picked,
	}})
	if n := f.Specimens[0].Count; n > 0 {
		send("PUT", "/api/finds/"+id+"/specimens/s1/count", map[string]int{"count": n})
	}
	for _, s := range f.Specimens[1:] {
		send("POST", "/api/finds/"+id+"/specimens", finds.Specimen{ID: s.ID, JoinedTo: s.JoinedTo, Count: s.Count})
	}
	seqs := map[int64]int64{}
	for _, ev := range append(handledFirst(f), f.Log...) {
		r.keys++
		v := send("POST", "/api/finds/"+id+"/log", finds.NewLine{Key: fmt.Sprintf("case-key-%05d", r.keys), Specimen: ev.Specimen, Kind: ev.Kind.String(), Body: bodyOf(&ev, seqs)})
		seqs[ev.Seq] = v.Log[len(v.Log)-1].Seq
	}
	return fetch[finds.View](r, "/api/finds/"+id), seqs
}

func bodyOf(ev *evidence.Event, seqs map[int64]int64) finds.Body {
	b := finds.Body{Smell: ev.Smell, Undoes: seqs[ev.Undoes], Note: ev.Note, Saying: ev.Saying}
	if ev.Kind == evidence.Staged {
		b.Stages = ev.Stages.Strings()
	}
	if a := &ev.Answer; ev.Kind == evidence.Answered {
		b.Answer = &finds.Answer{Trait: a.Trait, Kind: a.Kind.String(), States: a.States, Value: a.Value, Error: a.Error, Unsure: a.Unsure, Light: a.Light, Surface: a.Surface,
			Count: a.Count, Minutes: a.Minutes, Paper: a.Paper, Detached: a.Detached, Malformed: a.Malformed, Method: a.Method, From: a.From}
	}
	return b
}

func orEmpty(list []string) []string {
	if list == nil {
		return []string{}
	}
	return list
}

func firstDifference(a, b string) string {
	x, y := strings.Split(a, "\n"), strings.Split(b, "\n")
	for i := range min(len(x), len(y)) {
		if x[i] != y[i] {
			return fmt.Sprintf("line %d: %q alone, %q through it", i+1, x[i], y[i])
		}
	}
	return fmt.Sprintf("%d lines alone, %d through it", len(x), len(y))
}
