package casefile

import (
	"errors"
	"strings"
	"testing"

	"zestythicket/internal/yamlpos"
)

// Words that nothing in the guide meets are refused with their place, and so is what
// says nothing.
func TestStrictCases(t *testing.T) {
	ix := index(t)
	for name, c := range map[string]struct{ head, line, want string }{
		"a fact of the person": {"profile: {facts: [kidney stones]}", "", "kidney-stones"},
		"hands":                {"hands: [garlick]", "", "garlic"},
		"a habitat":            {"place: {habitats: [damp-wod]}", "", "damp-wood"},
		"a tool":               {"tools: [lense]", "", "lens"},
		"a part":               {"use: {part: sead, preparation: cooked}", "", "seed"},
		"a preparation":        {"use: {part: seed, preparation: raww}", "", "raw"},
		"light":                {"", "{trait: leaf-veins, seen: net, light: dim}", "known: poor, coloured"},
		"a surface":            {"", "{trait: leaf-veins, seen: net, surface: mud}", "known: soil, rain, frost"},
		"paper":                {"", "{trait: leaf-veins, seen: net, paper: grey}", "known: white, dark, half"},
		"a source":             {"", "{trait: leaf-veins, reported: net, from: nephew}", "source of a report"},
		"a smell":              {"", "{handled: garlick}", "garlic"},
		"absent: false":        {"", "{trait: thorns, absent: false}", "absent: false says nothing"},
		"not-inspected: true":  {"", "{trait: leaf-veins, not-inspected: true}", "write it as not-inspected: and the name of the trait"},
		"damaged: true":        {"", "{trait: leaf-veins, damaged: true}", "write it as damaged: and the name of the trait"},
		"minutes below none":   {"", "{trait: leaf-veins, seen: net, minutes: -5}", "can't be that"},
	} {
		text := good
		if strings.HasPrefix(c.head, "use:") {
			text = strings.Replace(text, "use: {part: seed, preparation: cooked}", c.head, 1)
		} else if c.head != "" {
			text = c.head + "\n" + text
		}
		if c.line != "" {
			text += "      - " + c.line + "\n"
		}
		_, err := Read("a.yaml", []byte(text), ix)
		if !errors.Is(err, yamlpos.ErrContent) || !strings.Contains(err.Error(), c.want) || !strings.Contains(err.Error(), "a.yaml:") {
			t.Errorf("%s: %v", name, err)
		}
	}
	two := strings.Replace(good, "  - id: s1\n", "  - id: s1\n    joined-to: s9\n", 1)
	if _, err := Read("a.yaml", []byte(two), ix); err == nil || !strings.Contains(err.Error(), "s9") {
		t.Errorf("joined to nothing: %v", err)
	}
}

// A file that is wrong throughout is answered soon and shortly.
func TestWrongThroughout(t *testing.T) {
	ix := index(t)
	var b strings.Builder
	b.WriteString(good)
	for range 8000 {
		b.WriteString("      - {trait: no-such-trait-at-all, seen: nothing}\n")
	}
	_, err := Read("a.yaml", []byte(b.String()), ix)
	if lines := strings.Count(err.Error(), "\n"); lines > 101 || !strings.Contains(err.Error(), "7900 more") {
		t.Errorf("%d lines", lines)
	}
	if _, err := Read("a.yaml", []byte(strings.Replace(good, "castanea-sativa", strings.Repeat("x", 200_000), 1)), ix); err == nil {
		t.Error("a taxon of two hundred thousand letters was taken")
	}
	if _, err := Read("a.yaml", make([]byte, MostBytes+1), ix); !errors.Is(err, yamlpos.ErrContent) {
		t.Errorf("a file of more than a megabyte: %v", err)
	}
}
