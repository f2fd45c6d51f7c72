package httpapi

import (
	"fmt"
	"os"
	"syscall"
	"testing"
	"time"

	"zestythicket/casebook"
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

func TestScaleBefore(t *testing.T) {
	repeat := 2
	size := testkit.Size{Finds: 300, Lines: 1000, Places: 50}
	if os.Getenv("ZT_BIG") != "" {
		size, repeat = testkit.Decade, 40
	}
	began := cpu()
	path := testkit.Big(t, size)
	t.Logf("built in %v", cpu()-began)
	began = cpu()
	s, err := store.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	book := casebook.New(s, testkit.Engine(t))
	book.Now = func() time.Time { return size.Ends() }
	h := New(book, nil)
	t.Logf("opened in %v", cpu()-began)
	r := &rig{t: t, h: h, book: book}
	began = cpu()
	book.JudgeAll()
	t.Logf("all judged in %v", cpu()-began)
	for _, p := range []string{"/api/finds", "/api/today", "/api/kitchen", "/api/journal", "/api/journal?q=sloe", "/api/places", "/api/finds/big-00010", "/api/lots/N1"} {
		for n := range repeat {
			began := cpu()
			w := r.do("GET", p, "")
			if n > 0 && n < repeat-1 {
				continue
			}
			t.Logf("%d %-24s %8v %8d bytes %d", n, p, (cpu() - began).Round(time.Millisecond/10), w.Body.Len(), w.Code)
		}
	}
	for n := range 3 {
		began := cpu()
		w := r.do("POST", "/api/finds/big-00010/log", fmt.Sprintf(`{"key":"scale-%04d","specimen":"s1","kind":"answered","body":{"answer":{"trait":"leaf-length","kind":"measured","value":%d,"error":1}}}`, n, 12+n))
		t.Logf("tap %8v %8d bytes %d", (cpu() - began).Round(time.Millisecond/10), w.Body.Len(), w.Code)
	}
	began = cpu()
	w := r.do("PUT", "/api/incidents/scale-incident", mustJSON(meal("scale-incident", "e1", "D1", book.Now(), 0)))
	t.Logf("incident %8v %8d bytes %d", (cpu() - began).Round(time.Millisecond/10), w.Body.Len(), w.Code)
}
