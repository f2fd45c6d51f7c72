package records

import (
	"errors"
	"fmt"
	"strconv"
	"strings"
	"zestythicket/internal/bounded"
	"zestythicket/internal/spell"
	"zestythicket/store"
)

// ErrRefused is matched by every *Invalid.
var ErrRefused = errors.New("refused")

// Field is one thing wrong with what was sent: where, and what as a code with what it
// is about. The package words says it, and what to do.
type Field struct {
	Path, Code string
	Args       []string
}

// Invalid lists everything that is wrong with what was sent. Nothing of it is
// stored.
type Invalid struct {
	Fields []Field
	More   int // problems beyond those that are listed
}

// Error lists the fields.
func (e *Invalid) Error() string {
	var parts []string
	for _, f := range e.Fields {
		parts = append(parts, strings.TrimSpace(f.Path+": "+f.Code+" "+strings.Join(f.Args, " ")))
	}
	return strings.Join(parts, "; ")
}

// Is makes errors.Is(err, ErrRefused) hold.
func (e *Invalid) Is(target error) bool { return target == ErrRefused }

// Add notes one thing that is wrong, up to a limit; what is beyond it is counted.
func (e *Invalid) Add(path, code string, args ...any) {
	if len(e.Fields) >= bounded.Most {
		e.More++
		return
	}
	e.Fields = append(e.Fields, field(path, code, args))
}

// OrNil is the list as an error, or nil when nothing is wrong.
func (e *Invalid) OrNil() error {
	if len(e.Fields) == 0 {
		return nil
	}
	return e
}

// Refuse is an *Invalid of one field.
func Refuse(path, code string, args ...any) *Invalid {
	return &Invalid{Fields: []Field{field(path, code, args)}}
}

// mostArg is how much of a parameter is repeated to whoever sent it, in runes.
const mostArg = 300

func field(path, code string, args []any) Field {
	f := Field{Path: path, Code: code}
	for _, a := range args {
		s := fmt.Sprint(a)
		if r := []rune(s); len(r) > mostArg {
			s = string(r[:mostArg]) + "…"
		}
		f.Args = append(f.Args, s)
	}
	return f
}

// ErrConflict is matched by every *Conflict.
var ErrConflict = errors.New("changed meanwhile")

// Conflict says that something was changed on another screen. Now is what is stored.
type Conflict struct {
	Code string
	Args []string
	Now  any
}

// Error gives the code, for a log.
func (e *Conflict) Error() string { return "changed meanwhile: " + e.Code }

// Is makes errors.Is(err, ErrConflict) hold.
func (e *Conflict) Is(target error) bool { return target == ErrConflict }

// CheckOneOf notes a word that is none of those known, with the nearest ones. i is its place in a list; -1 where it stands alone.
func (c *Base) CheckOneOf(w string, known []string, path string, i int, what string, bad *Invalid) bool {
	for _, k := range known {
		if k == w {
			return true
		}
	}
	hint := ""
	if len(bad.Fields) < bounded.Most {
		hint = spell.Nearest(w, known)
	}
	if r := []rune(w); len(r) > 80 {
		w = string(r[:80])
	}
	bad.Add(path+Index(i), "unknown-word", what, w, hint)
	return false
}

// Index is a place in a list as a part of a path.
func Index(i int) string {
	if i < 0 {
		return ""
	}
	return "[" + strconv.Itoa(i) + "]"
}

// NotThere says that nothing has this id.
func NotThere(what, id string) error {
	return &store.Error{Op: "read", Path: what + " " + id, Err: store.ErrNotFound, Hint: "There is no " + what + " " + id + "."}
}
