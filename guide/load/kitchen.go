package load

import (
	"slices"

	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
)

// readKitchen reads what belongs between harvest and table, and first steps.
func (l *loader) readKitchen(r yamlpos.Reader, data []byte) {
	n := r.Parse(data)
	if n == nil {
		return
	}
	m := r.Map(n, "steps", "shares", "methods", "bands", "aid", "second", "carried")
	k := &l.book.Kitchen
	kingdoms := []string{"", "plant", "fungus"}
	for _, it := range r.Items(m["steps"]) {
		f := r.Map(it, "id", "do", "taxa", "kingdom", "parts", "minutes", "source")
		r.Need(it, f, "id", "do", "minutes", "source")
		s := guide.FirstStep{ID: r.Str(f["id"]), Do: r.Str(f["do"]), Parts: r.Strs(f["parts"]), Minutes: r.Num(f["minutes"]), Source: pick(r, f["source"], "source", l.sources)}
		if f["kingdom"] != nil {
			if i := r.Word(f["kingdom"], "kingdom", kingdoms); i > 0 {
				s.Kingdom = guide.Kingdom(i)
			}
		}
		for _, t := range r.Items(f["taxa"]) {
			if r.Word(t, "taxon", l.taxonIDs) >= 0 {
				s.Taxa = append(s.Taxa, t.Value)
			}
		}
		if len(s.Taxa) == 0 && s.Kingdom == 0 {
			r.Fail(it, "name taxa or a kingdom", "this step belongs to nothing")
		}
		once(r, it, s.ID, len(k.Steps), func(i int) string { return k.Steps[i].ID })
		k.Steps = append(k.Steps, s)
	}
	for _, it := range r.Items(m["shares"]) {
		f := r.Map(it, "part", "take", "why", "source")
		r.Need(it, f, "part", "take", "why", "source")
		s := guide.LeaveShare{Part: r.Str(f["part"]), Take: r.Num(f["take"]), Why: r.Str(f["why"]), Source: pick(r, f["source"], "source", l.sources)}
		if s.Take <= 0 || s.Take > 1 {
			r.Fail(f["take"], "a share of one: 0.25", "%g is no share", s.Take)
		}
		once(r, it, s.Part, len(k.Shares), func(i int) string { return k.Shares[i].Part })
		k.Shares = append(k.Shares, s)
	}
	for _, it := range r.Items(m["second"]) {
		f := r.Map(it, "id", "do", "kingdom", "traits", "source")
		r.Need(it, f, "id", "do", "kingdom", "traits", "source")
		s := guide.SecondAsk{ID: r.Str(f["id"]), Do: r.Str(f["do"]), Traits: r.Strs(f["traits"]), Source: pick(r, f["source"], "source", l.sources)}
		if i := r.Word(f["kingdom"], "kingdom", kingdoms[1:]); i >= 0 {
			s.Kingdom = guide.Kingdom(i + 1)
		}
		for i, t := range s.Traits {
			if l.traits[t] == nil {
				r.Fail(r.Items(f["traits"])[i], "", "unknown trait %q", t)
			}
		}
		once(r, it, s.ID, len(k.Second), func(i int) string { return k.Second[i].ID })
		k.Second = append(k.Second, s)
	}
	for _, it := range r.Items(m["carried"]) {
		f := r.Map(it, "part", "kingdom", "parts", "source")
		r.Need(it, f, "part", "parts", "source")
		c := guide.Carried{Part: r.Str(f["part"]), Source: pick(r, f["source"], "source", l.sources)}
		if f["kingdom"] != nil {
			if i := r.Word(f["kingdom"], "kingdom", kingdoms); i > 0 {
				c.Kingdom = guide.Kingdom(i)
			}
		}
		for _, p := range r.Items(f["parts"]) {
			if r.Word(p, "part", guide.Words("part")) >= 0 {
				part, _ := guide.ParsePart(p.Value)
				c.Parts = append(c.Parts, part)
			}
		}
		once(r, it, c.Part+" "+c.Kingdom.String(), len(k.Carried), func(i int) string { return k.Carried[i].Part + " " + k.Carried[i].Kingdom.String() })
		k.Carried = append(k.Carried, c)
	}
	for _, it := range r.Items(m["methods"]) {
		f := r.Map(it, "id", "do", "parts", "damage")
		r.Need(it, f, "id", "do", "parts", "damage")
		k.Methods = append(k.Methods, guide.Method{ID: r.Str(f["id"]), Do: r.Str(f["do"]), Parts: r.Strs(f["parts"]), Damage: r.Int(f["damage"])})
	}
	for _, it := range r.Items(m["bands"]) {
		l.readBand(r, it)
	}
	for _, it := range r.Items(m["aid"]) {
		f := r.Map(it, "id", "routes", "do", "minutes", "source")
		r.Need(it, f, "id", "routes", "do", "source")
		for _, x := range r.Items(f["routes"]) {
			r.Word(x, "route", guide.Routes)
		}
		a := guide.Aid{ID: r.Str(f["id"]), Do: r.Str(f["do"]), Routes: r.Strs(f["routes"]), Source: pick(r, f["source"], "source", l.sources)}
		if f["minutes"] != nil {
			a.Minutes = r.Num(f["minutes"])
		}
		once(r, it, a.ID, len(k.Aid), func(i int) string { return k.Aid[i].ID })
		k.Aid = append(k.Aid, a)
	}
}

func (l *loader) readBand(r yamlpos.Reader, it *yaml.Node) {
	k := &l.book.Kitchen
	f := r.Map(it, "id", "key", "label", "what", "parts", "tunnelled")
	r.Need(it, f, "id", "key", "label", "what", "parts")
	b := guide.Band{ID: r.Str(f["id"]), Key: r.Str(f["key"]), Label: r.Str(f["label"]), Parts: r.Strs(f["parts"])}
	whats := []string{"keep", "trim", "leave"}
	if i := r.Word(f["what"], "what", whats); i >= 0 {
		b.What = whats[i]
	}
	if f["tunnelled"] != nil {
		b.Tunnelled = r.Num(f["tunnelled"])
	}
	for _, other := range k.Bands {
		if other.Key == b.Key && slices.ContainsFunc(other.Parts, func(p string) bool { return slices.Contains(b.Parts, p) }) {
			r.Fail(f["key"], "", "the key %q is taken by %s", b.Key, other.ID)
		}
	}
	once(r, it, b.ID, len(k.Bands), func(i int) string { return k.Bands[i].ID })
	k.Bands = append(k.Bands, b)
}

// once: an id stands once.
func once(r yamlpos.Reader, n *yaml.Node, id string, have int, idAt func(int) string) {
	for i := range have {
		if idAt(i) == id {
			r.Fail(n, "", "%q stands twice", id)
			return
		}
	}
}
