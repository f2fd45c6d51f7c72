package load

import (
	"path"
	"strings"

	"zestythicket/guide"
	"zestythicket/internal/spell"
	"zestythicket/internal/yamlpos"
)

// readForms reads the forms of one entry. The file is named after it.
func (l *loader) readForms(r yamlpos.Reader, data []byte) {
	n := r.Parse(data)
	id := strings.TrimSuffix(path.Base(r.File), ".yaml")
	at, ok := l.taxonAt[id]
	if !ok {
		if n != nil {
			r.Fail(n, spell.Nearest(id, l.taxonIDs), "forms of the unknown entry %q; the file is named after the entry", id)
		}
		return
	}
	t := &l.book.Taxa[at]
	for _, it := range r.Items(n) {
		m := r.Map(it, "id", "stages", "when", "unless", "cells")
		r.Need(it, m, "id", "stages", "when", "cells")
		f := guide.Form{ID: r.Str(m["id"]), When: r.Str(m["when"]), Stages: readStageSet(r, m["stages"]), Unless: l.traitStates(r, m["unless"])}
		once(r, it, f.ID, len(t.Forms), func(i int) string { return t.Forms[i].ID })
		if f.Stages&^guide.StagesOf(t.Kingdom) != 0 {
			r.Fail(m["stages"], "", "%s has no such stage", t.ID)
		}
		for _, c := range r.Each(m["cells"]) {
			tr := l.trait(r, c.Key)
			if tr == nil {
				continue
			}
			cell := guide.Cell{Trait: tr.ID}
			for _, vn := range r.Items(c.Value) {
				v := l.readVariant(r, vn, tr)
				v.Stages &= f.Stages
				cell.Variants = append(cell.Variants, v)
			}
			f.Cells = append(f.Cells, cell)
		}
		t.Forms = append(t.Forms, f)
	}
}
