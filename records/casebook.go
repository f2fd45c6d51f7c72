package records

import (
	"errors"
	"fmt"
	"strings"

	"zestythicket/internal/bounded"
)

// ErrRefused is matched by every *Invalid.
var ErrRefused = errors.New("refused")

// Field is one thing wrong with what was sent: where, what, and what to do.
type Field struct{ Path, What, Hint string }

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
		parts = append(parts, f.Path+": "+f.What)
	}
	return strings.Join(parts, "; ")
}

// Is makes errors.Is(err, ErrRefused) hold.
func (e *Invalid) Is(target error) bool { return target == ErrRefused }

func (e *Invalid) Add(path, hint, format string, args ...any) {
	if len(e.Fields) >= bounded.Most {
		e.More++
		return
	}
	e.Fields = append(e.Fields, Field{path, fmt.Sprintf(format, args...), hint})
}

func (e *Invalid) OrNil() error {
	if len(e.Fields) == 0 {
		return nil
	}
	return e
}

// Refuse is an *Invalid of one field.
func Refuse(path, what, hint string) *Invalid {
	return &Invalid{Fields: []Field{{path, what, hint}}}
}
