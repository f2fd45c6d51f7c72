package records

import (
	"time"

	"zestythicket/store"
)

func (c *Base) NameOf(person string) string {
	if p, err := c.Store.Person(person); err == nil {
		return p.Name
	}
	return person
}

func NotThere(what, id string) error {
	return &store.Error{Op: "read", Path: what + " " + id, Err: store.ErrNotFound, Hint: "There is no " + what + " " + id + "."}
}

// dayOf is a moment as a day of the program's clock.
func (c *Base) DayOf(ms int64) string {
	return time.UnixMilli(ms).In(c.Now().Location()).Format(time.DateOnly)
}
