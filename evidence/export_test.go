package evidence

import "fmt"

// PlainDiffers holds the weights of one judgement to the plain reference, entry by
// entry, and says where they differ.
func PlainDiffers(e *Engine, f *Find, specimen string) []string {
	p := newPlain(e.ix.Book, e.def)
	t := e.trial(f, specimen)
	sheet := p.sheet(f, t.rs, &t.sc, p.taxonAt(t.ref))
	var out []string
	for _, d := range t.danger {
		_, sum, left := sheet.against(p.taxonAt(d), t.grade[d])
		if tl := &t.tallies[d]; !near(sum, tl.sum) || !near(left, tl.left) {
			out = append(out, fmt.Sprintf("%s: plain %.3f, still needed %.3f; engine %.3f, %.3f", t.taxon(d).ID, sum, left, tl.sum, tl.left))
		}
	}
	return out
}
