// Package records is what every domain of the program stands on: the store, the engine
// and the clock; documents that are kept whole and carry a revision; refusals that say
// where and what to do; records that can't be read and are set aside.
package records

import (
	"time"

	"zestythicket/evidence"
	"zestythicket/store"
)

// Base joins a store and an engine. Now gives the time; it is a field so that tests can
// set it.
type Base struct {
	Store  *store.Store
	Engine *evidence.Engine
	Now    func() time.Time
}

// On is the same over another view of the store: a transaction, or one request.
func (c *Base) On(s *store.Store) *Base {
	out := *c
	out.Store = s
	return &out
}
