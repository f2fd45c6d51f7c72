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

// SourceTitle names a source in words.
func (c *Base) SourceTitle(id string) string {
	for _, s := range c.Engine.Index().Book.Sources {
		if s.ID == id {
			return s.Title
		}
	}
	return id
}

// NameOf is a person's name, or the id where nobody is known by it.
func (c *Base) NameOf(person string) string {
	if p, err := c.Store.Person(person); err == nil {
		return p.Name
	}
	return person
}

// DayOf is a moment as a day of the program's clock.
func (c *Base) DayOf(ms int64) string {
	return time.UnixMilli(ms).In(c.Now().Location()).Format(time.DateOnly)
}
