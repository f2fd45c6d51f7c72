package reference

import (
	"slices"

	"zestythicket/guide"
)

// better lists the ways of looking at a trait that settle what people confuse in it.
func better(ix *guide.Index, trait string) []string {
	out := []string{}
	for i := range ix.Book.Misnamings {
		m := &ix.Book.Misnamings[i]
		if m.Trait != trait {
			continue
		}
		for _, c := range m.Confused {
			if c.By != "" && !slices.Contains(out, c.By) {
				out = append(out, c.By)
			}
		}
		for _, u := range m.Unmistakable {
			if u.When != "" && !slices.Contains(out, u.When) {
				out = append(out, u.When)
			}
		}
	}
	return out
}
