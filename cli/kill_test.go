package cli

import (
	"bufio"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"zestythicket/finds"
)

// TestKilledBetweenAnswers kills the running program with SIGKILL again and
// again, and finds every acknowledged answer, and the same verdict.
func TestKilledBetweenAnswers(t *testing.T) {
	bin := buildProgram(t)
	db := filepath.Join(t.TempDir(), "t.db")
	traits := [][2]string{{"leaf-veins", "net"}, {"leaf-arrangement", "alternate"}, {"stem-kind", "woody"}, {"fruit-kind", "spiny-husk"}, {"husk-spines", "dense-needles"}, {"nut-tip", "pointed-tuft"}, {"leaf-shape", "lance"}, {"sap-colour", "clear"}}
	var acknowledged []string
	word, lines := "", 0
	for n, tr := range traits {
		cmd, address := startProgram(t, bin, db)
		if n > 0 {
			v := get(t, address)
			for i, id := range acknowledged {
				if l := v.Log[len(v.Log)-len(acknowledged)+i]; l.Body.Answer == nil || l.Body.Answer.Trait != id {
					t.Fatalf("after %d kills, %s is not where it was: %+v", n, id, l)
				}
			}
			if got := summary(v); got != word || len(v.Log) != lines {
				t.Fatalf("after a kill: %s, was %s", got, word)
			}
		}
		body := fmt.Sprintf(`{"key":"kill-%04d","specimen":"s1","kind":"answered","body":{"answer":{"trait":%q,"kind":"seen","states":[%q],"count":3}}}`, n, tr[0], tr[1])
		resp, err := http.Post(address+"/api/finds/demo-chestnut/log", "application/json", strings.NewReader(body))
		if err != nil || resp.StatusCode != 200 {
			t.Fatal(resp, err)
		}
		v := decode(t, resp.Body)
		acknowledged = append(acknowledged, tr[0])
		word, lines = summary(v), len(v.Log)
		if err := cmd.Process.Kill(); err != nil {
			t.Fatal(err)
		}
		_ = cmd.Wait()
	}
}

func summary(v finds.View) string {
	j := v.Patch.Judgements[0]
	s := fmt.Sprintf("%s, %d open, %d readings", j.Verdict, len(j.Obligations), len(j.Readings))
	for _, e := range j.Ledger {
		s += fmt.Sprintf(" %s=%g of %g", e.Taxon.ID, e.Weight, e.Need)
	}
	return s
}

func get(t *testing.T, address string) finds.View {
	t.Helper()
	resp, err := http.Get(address + "/api/finds/demo-chestnut")
	if err != nil {
		t.Fatal(err)
	}
	return decode(t, resp.Body)
}

func decode(t *testing.T, r io.ReadCloser) finds.View {
	t.Helper()
	defer func() { _ = r.Close() }()
	var v finds.View
	if err := json.NewDecoder(r).Decode(&v); err != nil {
		t.Fatal(err)
	}
	return v
}

// buildProgram builds the program and gives its path.
func buildProgram(t *testing.T) string {
	t.Helper()
	bin := filepath.Join(t.TempDir(), "zesty-thicket")
	if out, err := exec.Command("go", "build", "-o", bin, "zestythicket/cmd/zesty-thicket").CombinedOutput(); err != nil {
		t.Fatalf("%v\n%s", err, out)
	}
	return bin
}

// startProgram starts the demo on a database and gives the address it prints.
func startProgram(t *testing.T, bin, db string) (*exec.Cmd, string) {
	t.Helper()
	cmd := exec.Command(bin, "serve", "--demo", "--port", "0", "--db", db)
	out, err := cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Start(); err != nil {
		t.Fatal(err)
	}
	line, err := bufio.NewReader(out).ReadString('\n')
	if err != nil {
		t.Fatal(err)
	}
	return cmd, strings.TrimSpace(line[strings.Index(line, "http"):])
}
