package httpapi

import (
	"fmt"
	"runtime"
	"slices"
	"syscall"
	"testing"
	"time"

	"zestythicket/app"
	"zestythicket/internal/testkit"
	"zestythicket/store"
)

// cpu is the time that this process has spent on its processors, in user space and in
// the kernel. Wall time on a shared machine says little.
func cpu() time.Duration {
	var u syscall.Rusage
	if err := syscall.Getrusage(syscall.RUSAGE_SELF, &u); err != nil {
		return 0
	}
	return time.Duration(u.Utime.Nano() + u.Stime.Nano())
}

// spent is the least CPU time of several runs: what else the machine does meanwhile only
// adds to it.
func spent(runs int, f func()) time.Duration {
	var all []time.Duration
	for range runs {
		runtime.GC() // what earlier runs left behind is not counted
		began := cpu()
		f()
		all = append(all, cpu()-began)
	}
	return slices.Min(all)
}

// scaled is the program over a database of some size, all of it judged.
func scaled(t *testing.T, size testkit.Size) *rig {
	t.Helper()
	s, err := store.Open(testkit.Big(t, size))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	book := app.New(s, testkit.Engine(t))
	now := size.Ends()
	book.Now = func() time.Time { now = now.Add(time.Second); return now }
	r := &rig{t: t, h: New(book, nil), book: book}
	book.Finds.JudgeAll()
	return r
}

// slack is how many times its aim a request may take before the test fails: machines
// differ, and the aims (see docs/benchmarks.md) are for the one on which they were set.
const slack = 3

// With what ten years of one household come to, each list, a tap and an incident take
// about what they take with next to nothing.
func TestScale(t *testing.T) {
	if testing.Short() {
		t.Skip("it takes ten seconds")
	}
	small, large := scaled(t, testkit.Size{Finds: 4, Lines: 20, Places: 2}), scaled(t, testkit.Decade)
	last := map[*rig]string{small: "N1", large: fmt.Sprintf("N%d", testkit.Decade.Lines/10-1)}
	key := 0
	for _, c := range []struct {
		name string
		aim  time.Duration
		most int // bytes of the answer; 0: whatever
		ask  func(r *rig) int
	}{
		{"finds", 100 * time.Millisecond, 0, asks("/api/finds")},
		{"finds, searched", 100 * time.Millisecond, 0, asks("/api/finds?q=sloe+2026")},
		{"today", 100 * time.Millisecond, 0, asks("/api/today")},
		{"kitchen", 100 * time.Millisecond, 0, asks("/api/kitchen")},
		{"journal", 100 * time.Millisecond, 0, asks("/api/journal")},
		{"journal, searched", 100 * time.Millisecond, 0, asks("/api/journal?q=sloe")},
		{"places", 100 * time.Millisecond, 0, asks("/api/places")},
		{"a lot", 100 * time.Millisecond, 0, asks("/api/lots/D1")},
		{"a tap", 30 * time.Millisecond, 40_000, func(r *rig) int {
			key++
			return len(r.must("POST", "/api/finds/big-00003/log", map[string]any{"key": fmt.Sprintf("scale-tap-%d", key), "specimen": "s1", "kind": "answered",
				"body": map[string]any{"answer": map[string]any{"trait": "leaf-length", "kind": "measured", "value": 10 + key%5, "error": 1}}}))
		}},
		{"a line of the kitchen", 50 * time.Millisecond, 0, func(r *rig) int {
			key++
			return len(r.must("POST", "/api/kitchen", map[string]any{"key": fmt.Sprintf("scale-line-%d", key), "kind": "threw", "lot": last[r], "amount": "0.1", "why": "stalks"}))
		}},
		{"an incident", 30 * time.Millisecond, 0, func(r *rig) int {
			key++
			id := fmt.Sprintf("scale-incident-%d", key)
			return len(r.must("PUT", "/api/incidents/"+id, meal(id, "e1", last[r], r.book.Now(), 0)))
		}},
	} {
		bytes := 0
		c.ask(large) // what is kept between requests is made once
		base := spent(3, func() { c.ask(small) })
		took := spent(3, func() { bytes = c.ask(large) })
		t.Logf("%-22s %7.1f ms, aim %3d; %5.1f times that of a small database; %d bytes", c.name, float64(took.Microseconds())/1000, c.aim.Milliseconds(), float64(took)/float64(max(base, time.Microsecond)), bytes)
		if took > slack*c.aim {
			t.Errorf("%s took %v; the aim is %v", c.name, took, c.aim)
		}
		if c.most > 0 && bytes > c.most {
			t.Errorf("%s is answered with %d bytes; the aim is %d", c.name, bytes, c.most)
		}
	}
	var m runtime.MemStats
	runtime.GC()
	runtime.ReadMemStats(&m)
	t.Logf("%d MB in use", m.HeapInuse>>20)
}

func asks(path string) func(r *rig) int {
	return func(r *rig) int {
		w := r.do("GET", path, "")
		if w.Code != 200 {
			r.t.Fatalf("%s: %d %s", path, w.Code, w.Body)
		}
		return w.Body.Len()
	}
}

// The answer to a tap carries what the screen shows, with twenty specimens too.
func TestTapWithTwentySpecimens(t *testing.T) {
	r := newRig(t)
	for i := 2; i <= 20; i++ {
		id := fmt.Sprintf("s%d", i)
		r.must("POST", "/api/finds/demo-chestnut/specimens", map[string]any{"id": id})
		for k, a := range []string{`{"trait":"nut-tip","kind":"seen","states":["pointed"]}`, `{"trait":"leaf-margin","kind":"seen","states":["toothed"]}`, `{"trait":"husk-spines","kind":"seen","states":["dense-needles"]}`} {
			r.do("POST", "/api/finds/demo-chestnut/log", fmt.Sprintf(`{"key":"twenty-%s-%d","specimen":%q,"kind":"answered","body":{"answer":%s}}`, id, k, id, a))
		}
	}
	w := r.do("POST", "/api/finds/demo-chestnut/log", r.line("answered", `{"answer":{"trait":"leaf-length","kind":"measured","value":12,"error":1}}`))
	v := view(t, w)
	if len(v.Specimens) != 20 || len(v.Patch.Briefs) != 20 || len(v.Patch.Judgements) != 1 {
		t.Errorf("%d specimens, %d in short, %d in full", len(v.Specimens), len(v.Patch.Briefs), len(v.Patch.Judgements))
	}
	if n := w.Body.Len(); n > 40_000 {
		t.Errorf("%d bytes", n)
	} else {
		t.Logf("%d bytes", n)
	}
}
