package finds

import (
	"fmt"
	"slices"
	"strings"

	"zestythicket/records"
	"zestythicket/store"
)

// findQuery asks for finds in whose summaries, or the names of whose places, every word
// stands.
func (c *Service) FindQuery(words []string) store.FindQuery {
	q := store.FindQuery{Words: words}
	if len(words) == 0 {
		return q
	}
	names := c.Ground.PlaceNames()
	for _, w := range words {
		var ids []string
		for id, name := range names {
			if strings.Contains(records.Fold(name), w) {
				ids = append(ids, id)
			}
		}
		slices.Sort(ids)
		q.Places = append(q.Places, ids)
	}
	return q
}

// inWords is what the journal says of a find.
func (s *Summary) InWords() string {
	if s.Specimens == 0 {
		return ""
	}
	what := fmt.Sprintf("%s; %d of %d dangers ruled out", s.Word, len(s.Ruled), s.Dangers)
	if len(s.LeaveWords) > 0 {
		what += "; left alone: " + strings.Join(s.LeaveWords, "; ")
	}
	return what
}
