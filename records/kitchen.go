package records

import (
	"errors"
)

// ErrConflict is matched by every *Conflict.
var ErrConflict = errors.New("changed meanwhile")

// Conflict says that something was changed on another screen. Now is what is stored.
type Conflict struct {
	What, Hint string
	Now        any
}

// Error gives the words.
func (e *Conflict) Error() string { return e.What }

// Is makes errors.Is(err, ErrConflict) hold.
func (e *Conflict) Is(target error) bool { return target == ErrConflict }
