package cli

import (
	"encoding/json"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/incidents"
	"zestythicket/kitchen"
	"zestythicket/store"
)

// writer sends one kind of thing after another and notes what was acknowledged.
type writer struct {
	name string
	send func(n int) (method, path, body string)
}

// TestKilledUnderLoad kills the program at random moments while several writers send
// answers, lines of the kitchen, incidents and places, and finds every acknowledged
// one afterwards, each once and in its order. A second program on the same file is
// refused all the while.
func TestKilledUnderLoad(t *testing.T) {
	kills := 4
	if os.Getenv("ZT_SOAK") != "" {
		kills = 300
	}
	bin := buildProgram(t)
	db := filepath.Join(t.TempDir(), "t.db")
	writers := []writer{
		{"answer", func(n int) (string, string, string) {
			return "POST", "/api/finds/demo-chestnut/log", fmt.Sprintf(`{"key":"load-%06d","specimen":"s1","kind":"answered","body":{"answer":{"trait":"leaf-veins","kind":"seen","states":["net"],"count":3,"method":"%06d"}}}`, n, n)
		}},
		{"kitchen", func(n int) (string, string, string) {
			return "POST", "/api/kitchen", fmt.Sprintf(`{"key":"load-kitchen-%06d","kind":"corrected","lot":"S3","amount":"128","why":"%06d"}`, n, n)
		}},
		{"incident", func(n int) (string, string, string) {
			return "PUT", fmt.Sprintf("/api/incidents/load-%06d", n), fmt.Sprintf(`{"id":"load-%06d","beganMs":1792000000000,"exposures":[],"symptoms":[],"calls":[{"atMs":1,"whom":"x","said":"%06d"}],"closings":[],"rev":0}`, n, n)
		}},
		{"place", func(n int) (string, string, string) {
			return "PUT", fmt.Sprintf("/api/places/load-%06d", n), fmt.Sprintf(`{"id":"load-%06d","name":"%06d"}`, n, n)
		}},
	}
	done := make([]int, len(writers)) // the first number that was not acknowledged
	chance := rand.New(rand.NewPCG(3, 5))
	for kill := range kills {
		cmd, address := startProgram(t, bin, db)
		if out, err := exec.Command(bin, "serve", "--port", "0", "--db", db).CombinedOutput(); err == nil || !strings.Contains(string(out), "another") && !strings.Contains(string(out), "Another") {
			t.Fatalf("a second program: %v %s", err, out)
		}
		if kill > 0 && kill%20 == 0 {
			held(t, address, done)
		}
		var wg sync.WaitGroup
		for w := range writers {
			wg.Add(1)
			go func() {
				defer wg.Done()
				for n := done[w]; ; n++ {
					method, path, body := writers[w].send(n)
					req, _ := http.NewRequest(method, address+path, strings.NewReader(body))
					req.Header.Set("Content-Type", "application/json")
					resp, err := http.DefaultClient.Do(req)
					if err != nil {
						return // killed: the same is sent again afterwards
					}
					text, err := io.ReadAll(resp.Body)
					_ = resp.Body.Close()
					if err != nil {
						return
					}
					if resp.StatusCode != 200 {
						t.Errorf("%s %d: %d %.200s", writers[w].name, n, resp.StatusCode, text)
						return
					}
					done[w] = n + 1
				}
			}()
		}
		time.Sleep(time.Duration(20+chance.IntN(300)) * time.Millisecond)
		if err := cmd.Process.Kill(); err != nil {
			t.Fatal(err)
		}
		_ = cmd.Wait()
		wg.Wait()
	}
	cmd, address := startProgram(t, bin, db)
	held(t, address, done)
	_ = cmd.Process.Kill()
	_ = cmd.Wait()
	if faults, err := store.CheckFile(db); err != nil || len(faults) > 0 {
		t.Errorf("the file after %d kills: %v %v", kills, faults, err)
	}
	t.Logf("%d kills, acknowledged: %v", kills, done)
}

// held asks for everything that was acknowledged: each there once, in its order.
func held(t *testing.T, address string, done []int) {
	t.Helper()
	ask := func(path string, into any) {
		resp, err := http.Get(address + path)
		if err != nil {
			t.Fatal(err)
		}
		defer func() { _ = resp.Body.Close() }()
		if err := json.NewDecoder(resp.Body).Decode(into); err != nil {
			t.Fatal(err)
		}
	}
	inOrder := func(what string, have []string, n int) {
		next := 0
		for _, h := range have {
			switch {
			case h == fmt.Sprintf("%06d", next):
				next++
			default:
				t.Errorf("%s: %s where %d belongs", what, h, next)
				return
			}
		}
		if next < n || next > n+1 { // what was on its way when it was killed may be there
			t.Errorf("%s: %d there, %d acknowledged", what, next, n)
		}
	}
	var v finds.View
	ask("/api/finds/demo-chestnut", &v)
	var answers []string
	for _, l := range v.Log {
		if l.Body.Answer != nil && len(l.Body.Answer.Method) == 6 {
			answers = append(answers, l.Body.Answer.Method)
		}
	}
	inOrder("answers", answers, done[0])
	var trace kitchen.TraceView
	ask("/api/lots/S3", &trace)
	var lines []string
	for _, l := range trace.Lines {
		if l.Kind == "corrected" {
			lines = append(lines, l.What[strings.LastIndex(l.What, " ")+1:])
		}
	}
	inOrder("lines of the kitchen", lines, done[1])
	var incidents []incidents.Incident
	ask("/api/incidents", &incidents)
	if n := len(incidents); n < done[2] || n > done[2]+1 {
		t.Errorf("incidents: %d there, %d acknowledged", n, done[2])
	}
	var places []ground.Place
	ask("/api/places", &places)
	loaded := 0
	for i := range places {
		if strings.HasPrefix(places[i].ID, "load-") {
			loaded++
		}
	}
	if loaded < done[3] || loaded > done[3]+1 {
		t.Errorf("places: %d there, %d acknowledged", loaded, done[3])
	}
}
