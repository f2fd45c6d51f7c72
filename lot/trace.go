package lot

import "slices"

// TraceBack lists a lot and everything it was made from, itself first.
func (b *Ledger) TraceBack(id string) []string {
	return b.reach([]string{id}, func(l *Lot) []string { return l.Parents })
}

// TraceForward lists a lot and everything made from it, itself first.
func (b *Ledger) TraceForward(id string) []string {
	return b.reach([]string{id}, func(l *Lot) []string { return l.Children })
}

func (b *Ledger) reach(from []string, next func(*Lot) []string) []string {
	out := slices.Clone(from)
	for i := 0; i < len(out); i++ {
		l, ok := b.lots[out[i]]
		if !ok {
			continue
		}
		for _, n := range next(l) {
			if !slices.Contains(out, n) {
				out = append(out, n)
			}
		}
	}
	return out
}

// Bags lists the bags that a lot goes back to.
func (b *Ledger) Bags(id string) []string {
	var out []string
	for _, l := range b.TraceBack(id) {
		if lot, ok := b.lots[l]; ok && len(lot.Parents) == 0 {
			out = append(out, l)
		}
	}
	return out
}

// Affected lists every lot that a failure of one concerns: all it was made from,
// the bags that lay in one basket with those, and everything made from any of
// them, in every form.
func (b *Ledger) Affected(id string) []string {
	back := b.TraceBack(id)
	for _, bag := range b.Bags(id) {
		for _, other := range b.indexed().baskets[b.lots[bag].Basket] {
			if !slices.Contains(back, other) {
				back = append(back, other)
			}
		}
	}
	return b.reach(back, func(l *Lot) []string { return l.Children })
}

// OfFind lists the bags of a find and everything made from them.
func (b *Ledger) OfFind(find string) []string {
	var bags []string
	for _, l := range b.Lots() {
		if l.Find == find && len(l.Parents) == 0 {
			bags = append(bags, l.ID)
		}
	}
	return b.reach(bags, func(l *Lot) []string { return l.Children })
}

// Eaters lists who ate of any of the lots, in the order in which they did.
func (b *Ledger) Eaters(lots []string) []Serving {
	var at []int
	seen := map[string]bool{}
	for _, id := range lots {
		if !seen[id] {
			seen[id] = true
			at = append(at, b.indexed().servings[id]...)
		}
	}
	slices.Sort(at)
	var out []Serving
	for _, i := range at {
		out = append(out, b.Servings[i])
	}
	return out
}

// HoldsOn lists every hold that stops a lot: its own and those on any lot that
// concerns it. What was not looked at in a bag reaches what was made of that bag.
func (b *Ledger) HoldsOn(id string) []Hold { return b.indexed().holds[id] }

// Ate reports whether a person ate of anything: such a person can't be removed.
func (b *Ledger) Ate(person string) bool {
	return slices.ContainsFunc(b.Servings, func(s Serving) bool { return s.Person == person })
}
