package httpapi

import (
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"testing"

	"zestythicket/app"
	"zestythicket/internal/testkit"
	"zestythicket/store"
)

// soaking is how often the long runs are made: few times in every test, many in make
// soak.
func soaking(few, many int) int {
	if os.Getenv("ZT_SOAK") != "" {
		return many
	}
	return few
}

// Bytes of the file are flipped at random. Either the program says that it can't open
// it, or it starts, and then no page fails and an incident is stored: what can't be
// read is set aside. Nothing ever panics.
func TestFlippedBytes(t *testing.T) {
	engine := testkit.Engine(t)
	dir, whole := t.TempDir(), testkit.Demo(t)
	clean, err := os.ReadFile(whole)
	if err != nil {
		t.Fatal(err)
	}
	chance := rand.New(rand.NewPCG(7, 11))
	refused, aside, same := 0, 0, 0
	for n := range soaking(8, 140) {
		path := filepath.Join(dir, fmt.Sprintf("flipped-%d.db", n))
		b := append([]byte{}, clean...)
		for range 8 {
			b[100+chance.IntN(len(b)-100)] ^= byte(1 + chance.IntN(255))
		}
		if err := os.WriteFile(path, b, 0o600); err != nil {
			t.Fatal(err)
		}
		s, err := store.Open(path)
		if err != nil {
			refused++
			continue
		}
		book := app.New(s, engine)
		r := &rig{t: t, h: New(book, nil), book: book}
		for _, page := range []string{"/api/finds", "/api/today", "/api/kitchen", "/api/journal", "/api/incidents", "/api/places", "/api/walks", "/api/people", "/api/settings", "/api/aid", "/api/rejudged", "/api/reminders", "/api/data"} {
			if w := r.do("GET", page, ""); w.Code != 200 {
				t.Errorf("file %d: %s: %d %.300s", n, page, w.Code, w.Body)
			}
		}
		if w := r.do("PUT", "/api/incidents/after-damage", `{"id":"after-damage","beganMs":0,"exposures":[{"id":"e1","route":"eaten","atMs":1792000000000,"what":"caps"}],"symptoms":[],"calls":[],"closings":[],"rev":0}`); w.Code != 200 && w.Code != 507 {
			t.Errorf("file %d: an incident: %d %.300s", n, w.Code, w.Body)
		}
		if book.Upkeep.Check(50).Whole {
			same++
		} else {
			aside++
		}
		_ = s.Close()
		_ = os.Remove(path)
	}
	t.Logf("%d refused, %d with something set aside, %d in which nothing that is read was hit", refused, aside, same)
}
