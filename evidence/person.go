package evidence

import (
	"strings"
	"unicode"

	"zestythicket/guide"
)

// AllergyPrefix begins the facts of a profile that name what a person reacts
// to: an entry, a genus or a family, as in "allergy:anacardiaceae".
const AllergyPrefix = "allergy:"

// personal says why a target is not for this person, whatever others may have:
// the fact of the profile that speaks against it, "" if none does. Allergy goes
// by name of the entry, of any group above it, of its genus or its family; in
// doubt it is refused.
func (t *assessment) personal(tx *guide.Taxon) string {
	for i := range tx.Cautions {
		if c := &tx.Cautions[i]; c.Refuse && has(t.f.Profile.Facts, c.Who) {
			return c.Who
		}
	}
	for _, fact := range t.f.Profile.Facts {
		if to, ok := strings.CutPrefix(fact, AllergyPrefix); ok && t.isOrBelongsTo(tx, to) {
			return fact
		}
	}
	return ""
}

// isOrBelongsTo compares without regard to case, also with the common and the
// older names.
func (t *assessment) isOrBelongsTo(tx *guide.Taxon, name string) bool {
	genus, _, _ := strings.Cut(tx.Scientific, " ")
	for _, n := range []string{tx.ID, tx.Scientific, tx.Common, genus} {
		if n != "" && strings.EqualFold(n, name) {
			return true
		}
	}
	// "Amaryllidaceae (earlier Liliaceae)": the older family counts too.
	for _, n := range strings.FieldsFunc(tx.Family, func(r rune) bool { return !unicode.IsLetter(r) }) {
		if unicode.IsUpper(rune(n[0])) && strings.EqualFold(n, name) {
			return true
		}
	}
	for i := range tx.Names {
		if strings.EqualFold(tx.Names[i].Text, name) {
			return true
		}
	}
	if at, ok := t.e.ix.TaxonAt(tx.Parent); ok && tx.Parent != tx.ID {
		return t.isOrBelongsTo(t.taxon(at), name)
	}
	return false
}

// NotFor says why the target of a find is not for its person: the fact of the
// profile that speaks against it, "" when none does.
func (e *Engine) NotFor(f *Find) string {
	at, ok := e.ix.TaxonAt(f.Target)
	if !ok {
		return ""
	}
	t := &assessment{e: e, f: f, target: at}
	return t.personal(t.taxon(at))
}
