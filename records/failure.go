package records

import (
	"errors"

	"zestythicket/store"
)

// Kind says what became of a request that failed in the store.
type Kind int

// The kinds of failure.
const (
	NotFound Kind = iota + 1
	Refused
	Changed
	Unreadable
	NotStored
)

// Failed says of which kind an error of the store is, with what may be shown; ok is
// false for any other error.
func Failed(err error) (kind Kind, hint string, ok bool) {
	var e *store.Error
	if !errors.As(err, &e) {
		return 0, "", false
	}
	for _, k := range []struct {
		err  error
		kind Kind
	}{{store.ErrNotFound, NotFound}, {store.ErrInvalid, Refused}, {store.ErrChanged, Changed}, {store.ErrUnreadable, Unreadable}, {store.ErrNotStored, NotStored}, {store.ErrReadOnly, NotStored}, {store.ErrInUse, NotStored}} {
		if errors.Is(e.Err, k.err) {
			return k.kind, e.Hint, true
		}
	}
	return 0, "", false
}
