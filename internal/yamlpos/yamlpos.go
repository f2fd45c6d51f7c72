// Package yamlpos reads YAML written by people. It keeps the line and column of
// everything, collects every problem instead of stopping at the first, and
// names the nearest known word when one is misspelt.
package yamlpos

import (
	"errors"
	"fmt"
	"strconv"
	"strings"

	"go.yaml.in/yaml/v3"

	"zestythicket/internal/bounded"
	"zestythicket/internal/spell"
)

// Problem is one thing wrong with a file, where it is, and what to do.
type Problem struct {
	File      string `json:"file"`
	Line, Col int
	What      string `json:"what"`
	Hint      string `json:"hint,omitempty"`
}

// Error gives the problem in the form file:line:col: what (hint).
func (p Problem) Error() string {
	s := fmt.Sprintf("%s:%d:%d: %s", p.File, p.Line, p.Col, p.What)
	if p.Hint != "" {
		s += " (" + p.Hint + ")"
	}
	return s
}

// ErrContent is matched by every Problems value.
var ErrContent = errors.New("the content does not hold together")

// Problems are all the problems of one reading, in the order of the files.
type Problems []Problem

// Error lists the problems, one a line, up to a hundred; the rest is counted.
func (ps Problems) Error() string {
	listed := ps[:min(len(ps), bounded.Most)]
	lines := make([]string, len(listed))
	for i, p := range listed {
		lines[i] = p.Error()
	}
	if more := len(ps) - len(listed); more > 0 {
		lines = append(lines, fmt.Sprintf("and %d more", more))
	}
	return strings.Join(lines, "\n")
}

// Is makes errors.Is(err, ErrContent) hold.
func (ps Problems) Is(target error) bool { return target == ErrContent }

// Reader reads nodes of one file.
type Reader struct {
	File     string
	Problems *Problems
}

// Parse reads a document and returns its root node, or nil after noting why.
func (r Reader) Parse(data []byte) *yaml.Node {
	var doc yaml.Node
	if err := yaml.Unmarshal(data, &doc); err != nil {
		line, what := 1, strings.TrimPrefix(err.Error(), "yaml: ")
		if rest, ok := strings.CutPrefix(what, "line "); ok {
			if n, msg, ok := strings.Cut(rest, ": "); ok {
				line, _ = strconv.Atoi(n)
				what = msg
			}
		}
		*r.Problems = append(*r.Problems, Problem{r.File, line, 1, "not readable as YAML: " + what, "look at the indentation and the quotes of this line and the one above"})
		return nil
	}
	if len(doc.Content) == 0 {
		*r.Problems = append(*r.Problems, Problem{r.File, 1, 1, "the file is empty", ""})
		return nil
	}
	return doc.Content[0]
}

// Fail notes a problem at a node.
func (r Reader) Fail(n *yaml.Node, hint, format string, args ...any) {
	p := Problem{File: r.File, Line: 1, Col: 1, What: fmt.Sprintf(format, args...), Hint: hint}
	if n != nil {
		p.Line, p.Col = n.Line, n.Column
	}
	*r.Problems = append(*r.Problems, p)
}

// Field is one entry of a mapping.
type Field struct {
	Name       string
	Key, Value *yaml.Node
}

// Each lists the entries of a mapping in their order; a key that stands twice
// is a problem.
func (r Reader) Each(n *yaml.Node) []Field {
	if n == nil {
		return nil
	}
	if n.Kind == yaml.AliasNode {
		n = n.Alias
	}
	if n.Kind != yaml.MappingNode {
		r.Fail(n, "write it as name: value lines", "a mapping is wanted here")
		return nil
	}
	seen := map[string]bool{}
	var out []Field
	for i := 0; i+1 < len(n.Content); i += 2 {
		k, v := n.Content[i], n.Content[i+1]
		if seen[k.Value] {
			r.Fail(k, "", "%q stands twice", k.Value)
			continue
		}
		seen[k.Value] = true
		out = append(out, Field{k.Value, k, v})
	}
	return out
}

// Map reads a mapping whose keys must be among those allowed.
func (r Reader) Map(n *yaml.Node, allowed ...string) map[string]*yaml.Node {
	out := map[string]*yaml.Node{}
	for _, f := range r.Each(n) {
		if !contains(allowed, f.Name) {
			r.Fail(f.Key, r.Nearest(f.Name, allowed), "unknown field %q", f.Name)
			continue
		}
		out[f.Name] = f.Value
	}
	return out
}

// Items lists the nodes of a sequence; a lone scalar or mapping is a list of one.
func (r Reader) Items(n *yaml.Node) []*yaml.Node {
	switch {
	case n == nil || n.Tag == "!!null":
		return nil
	case n.Kind == yaml.SequenceNode:
		return n.Content
	}
	return []*yaml.Node{n}
}

// Str reads a text; nil gives "".
func (r Reader) Str(n *yaml.Node) string {
	if n == nil {
		return ""
	}
	if n.Kind != yaml.ScalarNode || n.Tag == "!!null" {
		r.Fail(n, "", "a text is wanted here")
		return ""
	}
	return strings.TrimSpace(n.Value)
}

// Strs reads a list of texts.
func (r Reader) Strs(n *yaml.Node) []string {
	var out []string
	for _, it := range r.Items(n) {
		out = append(out, r.Str(it))
	}
	return out
}

// Bool reads true or false; nil gives the default.
func (r Reader) Bool(n *yaml.Node, otherwise bool) bool {
	if n == nil {
		return otherwise
	}
	var v bool
	if err := n.Decode(&v); err != nil {
		r.Fail(n, "write true or false", "%q is neither true nor false", n.Value)
		return otherwise
	}
	return v
}

// Num reads a number; nil gives 0.
func (r Reader) Num(n *yaml.Node) float64 {
	if n == nil {
		return 0
	}
	v, err := strconv.ParseFloat(n.Value, 64)
	if err != nil || n.Kind != yaml.ScalarNode {
		r.Fail(n, "", "%q is not a number", n.Value)
	}
	return v
}

// Int reads a whole number; nil gives 0.
func (r Reader) Int(n *yaml.Node) int {
	if n == nil {
		return 0
	}
	v, err := strconv.Atoi(n.Value)
	if err != nil {
		r.Fail(n, "", "%q is not a whole number", n.Value)
	}
	return v
}

// Word reads one of a list of known words and returns its place in it, or -1.
func (r Reader) Word(n *yaml.Node, what string, known []string) int {
	if n == nil {
		return -1
	}
	w := r.Str(n)
	for i, k := range known {
		if k == w {
			return i
		}
	}
	r.Fail(n, r.Nearest(w, known), "unknown %s %q", what, w)
	return -1
}

// Need notes the fields that are missing.
func (r Reader) Need(n *yaml.Node, m map[string]*yaml.Node, names ...string) {
	for _, name := range names {
		if m[name] == nil {
			r.Fail(n, "add "+name+": …", "the field %q is missing", name)
		}
	}
}

// Nearest gives the hint as long as the problem is going to be listed.
func (r Reader) Nearest(w string, known []string) string {
	if len(*r.Problems) >= bounded.Most {
		return ""
	}
	return spell.Nearest(w, known)
}

func contains(list []string, s string) bool {
	for _, v := range list {
		if v == s {
			return true
		}
	}
	return false
}
