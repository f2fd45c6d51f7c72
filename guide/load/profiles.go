package load

import (
	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
)

// profile is what all members of a family, genus or growth form share. It is
// written once, and every entry that names it takes over the cells that it does
// not describe itself.
type profile struct {
	name    string
	kingdom guide.Kingdom
	cells   []guide.Cell
}

func (l *loader) readProfile(r yamlpos.Reader, data []byte) {
	n := r.Parse(data)
	if n == nil {
		return
	}
	m := r.Map(n, "id", "name", "kingdom", "note", "cells")
	r.Need(n, m, "id", "name", "kingdom", "cells")
	id := r.Str(m["id"])
	if _, ok := l.profiles[id]; ok {
		r.Fail(m["id"], "", "the profile %q is declared twice", id)
		return
	}
	p := profile{name: r.Str(m["name"])}
	if i := r.Word(m["kingdom"], "kingdom", guide.Words("kingdom")); i >= 0 {
		p.kingdom = guide.Kingdom(i + 1)
	}
	p.cells = l.readCells(r, m["cells"], p.kingdom)
	l.profiles[id] = p
	l.profileIDs = append(l.profileIDs, id)
}

// inherit adds the cells of the entry's profiles. The entry's own cells come
// first, then the profiles in the order in which they are named; whoever spoke
// of a trait first is heard.
func (l *loader) inherit(r yamlpos.Reader, n *yaml.Node, t *guide.Taxon) {
	have := map[string]bool{}
	for _, c := range t.Cells {
		have[c.Trait] = true
	}
	for _, it := range r.Items(n) {
		id := pick(r, it, "profile", l.profileIDs)
		if id == "" {
			continue
		}
		p := l.profiles[id]
		if p.kingdom != t.Kingdom {
			r.Fail(it, "", "the profile %q is one of a %s", id, p.kingdom)
			continue
		}
		for _, c := range p.cells {
			if !have[c.Trait] {
				have[c.Trait] = true
				c.From = p.name
				t.Cells = append(t.Cells, c)
			}
		}
	}
	// The growth form speaks in general; an entry that lacks a part altogether
	// lacks all that its profile says of it.
	for i := range t.Cells {
		c := &t.Cells[i]
		if tr := l.traits[c.Trait]; c.From != "" && tr != nil && l.lacksPart(t, tr) {
			c.Variants = []guide.Variant{{Stages: guide.StagesOf(t.Kingdom), Kind: guide.Inapplicable}}
		}
	}
}

func (l *loader) readSyndromes(r yamlpos.Reader, data []byte) {
	for _, f := range r.Each(r.Parse(data)) {
		m := r.Map(f.Value, "name", "why", "onset", "hours", "help", "source", "deaths")
		r.Need(f.Key, m, "name", "why", "onset", "hours", "help", "source")
		from, to := hoursOf(r, m["hours"])
		l.book.Syndromes = append(l.book.Syndromes, guide.Syndrome{ID: f.Name, Name: r.Str(m["name"]), Why: r.Str(m["why"]),
			Onset: r.Str(m["onset"]), Help: r.Str(m["help"]), Source: pick(r, m["source"], "source", l.sources), From: from, To: to, Deaths: r.Str(m["deaths"])})
		l.syndromes = append(l.syndromes, f.Name)
	}
}

// hoursOf reads a window of two numbers of hours.
func hoursOf(r yamlpos.Reader, n *yaml.Node) (from, to float64) {
	if n == nil {
		return 0, 0
	}
	var h []float64
	for _, x := range r.Items(n) {
		h = append(h, r.Num(x))
	}
	if len(h) != 2 || h[0] < 0 || h[1] <= h[0] {
		r.Fail(n, "write it as [6, 24]", "a window of two numbers of hours is wanted, the first below the second")
		return 0, 0
	}
	return h[0], h[1]
}

// fromSyndrome fills what a hazard line leaves to the way the poison works.
func (l *loader) fromSyndrome(r yamlpos.Reader, n *yaml.Node, h *guide.Hazard) {
	i := r.Word(n, "syndrome", l.syndromes)
	if i < 0 {
		return
	}
	s := &l.book.Syndromes[i]
	h.Syndrome, h.Help = s.ID, s.Help
	if h.Why == "" {
		h.Why = s.Why
	}
	if h.Onset == "" {
		h.Onset = s.Onset
	}
}
