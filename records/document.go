package records

import (
	"encoding/json"
	"fmt"
	"zestythicket/store"
)

// Revision is what a record that is replaced as a whole carries: the number of its
// last change. Whoever replaces it says which one they saw; an older one is told
// what has changed since, and nothing is overwritten.
type Revision struct {
	Rev int64 `json:"rev,omitempty" doc:"The revision that the screen knew; 0 for something new"`
}

// RevisionOf is where the revision stands.
func (r *Revision) RevisionOf() *int64 { return &r.Rev }

type revisioned interface{ RevisionOf() *int64 }

// Save adds or replaces a document, whatever was there.
func (c *Base) Save(kind, id string, doc any) error {
	return c.Store.SaveNote(&store.Note{Kind: kind, ID: id, Doc: store.JSON(doc), AtMS: c.Now().UnixMilli()})
}

// Replace stores a record of which the asking screen knew a revision. The same
// content sent again is stored once; anything else over a newer revision is a
// *Conflict that carries what is stored. doc gets its new revision.
func Replace[T any, P interface {
	*T
	revisioned
}](c *Base, kind, id string, doc P) error {
	known := *doc.RevisionOf()
	err := c.Store.ChangeNote(kind, id, func(was *store.Note) (*store.Note, error) {
		*doc.RevisionOf() = 0
		text := store.JSON(doc)
		*doc.RevisionOf() = known
		switch {
		case was == nil && known > 0:
			return nil, &Conflict{Code: "removed-elsewhere"}
		case was != nil && was.Doc == text:
			*doc.RevisionOf() = was.Rev
			return nil, nil
		case was != nil && was.Rev != known:
			now := P(new(T))
			if err := Decode(was.Doc, now); err != nil {
				return nil, err
			}
			*now.RevisionOf() = was.Rev
			return nil, &Conflict{Code: "changed-elsewhere", Now: now}
		}
		*doc.RevisionOf() = 1
		if was != nil {
			*doc.RevisionOf() = was.Rev + 1
		}
		return &store.Note{Kind: kind, ID: id, Doc: text, AtMS: c.Now().UnixMilli()}, nil
	})
	return err
}

// Notes lists the records of a kind that can be read; the check of the database lists the
// others.
func Notes[T any](c *Base, kind string) ([]T, error) {
	rows, _ := c.Store.Notes(kind)
	out := []T{}
	for _, r := range rows {
		var v T
		if err := Decode(r.Doc, &v); err != nil {
			continue
		}
		if x, ok := any(&v).(revisioned); ok {
			*x.RevisionOf() = r.Rev
		}
		out = append(out, v)
	}
	return out, nil
}

// NotesByID are the records of a kind that can be read, by id.
func NotesByID[T any](c *Base, kind string) map[string]T {
	rows, _ := c.Store.Notes(kind)
	out := make(map[string]T, len(rows))
	for _, r := range rows {
		var v T
		if Decode(r.Doc, &v) == nil {
			out[r.ID] = v
		}
	}
	return out
}

// Note reads one document with its revision.
func Note[T any](c *Base, kind, id string) (*T, error) {
	row, err := c.Store.Note(kind, id)
	if err != nil {
		return nil, err
	}
	v := new(T)
	if err := Decode(row.Doc, v); err != nil {
		return nil, err
	}
	if x, ok := any(v).(revisioned); ok {
		*x.RevisionOf() = row.Rev
	}
	return v, nil
}

// Decode reads a stored document.
func Decode(text string, v any) error {
	if err := json.Unmarshal([]byte(text), v); err != nil {
		return fmt.Errorf("a stored record can't be read: %w", err)
	}
	return nil
}
