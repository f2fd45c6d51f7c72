package guide

import "slices"

// The vocabularies of a guide: the words that it knows of a thing, each once, in the
// order in which they first stand in it. Whoever reads words from outside refuses
// what is not among them, since a word that nothing in the guide meets would be
// taken in and weigh nothing.

// SmellWords are the smells that a test leaves on hands, gloves and blade.
func (b *Guide) SmellWords() []string {
	return b.collect(func(add func(...string)) {
		for i := range b.Traits {
			add(b.Traits[i].Leaves...)
		}
	})
}

// HabitatWords are the habitats of entries.
func (b *Guide) HabitatWords() []string {
	return b.collect(func(add func(...string)) {
		for i := range b.Taxa {
			add(b.Taxa[i].Habitats...)
		}
	})
}

// PartWords are the parts that are gathered, or carry a hazard of their own.
func (b *Guide) PartWords() []string {
	return b.collect(func(add func(...string)) {
		for i := range b.Taxa {
			for k := range b.Taxa[i].Uses {
				add(b.Taxa[i].Uses[k].Part)
			}
			for k := range b.Taxa[i].Hazards {
				add(b.Taxa[i].Hazards[k].Part)
			}
		}
	})
}

// PreparationWords are the preparations of uses and hazards.
func (b *Guide) PreparationWords() []string {
	return b.collect(func(add func(...string)) {
		for i := range b.Taxa {
			for k := range b.Taxa[i].Uses {
				add(b.Taxa[i].Uses[k].Preparation)
			}
			for k := range b.Taxa[i].Hazards {
				add(b.Taxa[i].Hazards[k].Preparation)
			}
		}
	})
}

// ToolWords are the tools that a look may need.
func (b *Guide) ToolWords() []string {
	return b.collect(func(add func(...string)) {
		for i := range b.Traits {
			add(b.Traits[i].Tool)
		}
	})
}

func (b *Guide) collect(from func(add func(...string))) []string {
	var out []string
	from(func(words ...string) {
		for _, w := range words {
			if w != "" && !slices.Contains(out, w) {
				out = append(out, w)
			}
		}
	})
	return out
}
