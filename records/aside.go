package records

import (
	"strconv"
	"zestythicket/store"
)

// Aside is a record that can't be read or does not hold together. It is set aside as
// it is, with what it says, and everything else works without it.
type Aside struct {
	What string `json:"what" doc:"find, kitchen line, place, walk, incident, person …"`
	ID   string `json:"id"`
	Said string `json:"said" doc:"What it says, as far as it can be read"`
	Why  string `json:"why"`
}

// AsideOf are the rows of a table that can't be read, as records set aside.
func AsideOf(lost []store.Lost, what string) []Aside {
	var out []Aside
	for _, l := range lost {
		id := strconv.Itoa(int(l.Row))
		switch {
		case l.Row == 0:
			id = "" // the table as a whole
		case l.To < 0:
			id += " and on"
		case l.To > l.Row:
			id += " to " + strconv.Itoa(int(l.To))
		}
		out = append(out, Aside{What: what, ID: id, Why: l.Why})
	}
	return out
}

// Said shortens what a record says.
func Said(text string) string {
	if r := []rune(text); len(r) > 400 {
		return string(r[:400]) + "…"
	}
	return text
}

// SetAside is a record that is set aside: what it is, its id, what it says and why.
func SetAside(what, id, said, why string) Aside {
	return Aside{What: what, ID: id, Said: said, Why: why}
}
