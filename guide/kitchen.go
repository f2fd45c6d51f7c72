package guide

import "slices"

// Kitchen is what the guide knows of the way from harvest to table, and of what to
// do first when something went wrong.
type Kitchen struct {
	Steps   []FirstStep
	Shares  []LeaveShare
	Methods []Method
	Bands   []Band
	Aid     []Aid
	Second  []SecondAsk
	Carried []Carried
}

// Carried says which parts come home when one is gathered, and can be looked at
// there again.
type Carried struct {
	Part    string  // what is gathered: leaf, cap …
	Kingdom Kingdom // 0: both
	Parts   []Part
	Source  string
}

// SecondAsk is what a second look at home has to add to the checks of the field, by
// one of its traits.
type SecondAsk struct {
	ID, Do, Source string
	Kingdom        Kingdom
	Traits         []string
}

// FirstStep is something that must be done before anybody eats of it.
type FirstStep struct {
	ID, Do  string
	Taxa    []string // empty: every taxon of the kingdom
	Kingdom Kingdom  // 0: both
	Parts   []string // empty: every part
	Minutes float64  // by the clock; 0: no time belongs to it
	Source  string
}

// LeaveShare is how much of a part may be taken at most, 0 to 1.
type LeaveShare struct {
	Part, Why, Source string
	Take              float64
}

// Method is a way to gather; damage 0 to 4, the least first.
type Method struct {
	ID, Do string
	Parts  []string
	Damage int
}

// Band is a band of quality: what is kept, trimmed or left.
type Band struct {
	ID, Key, Label, What string // What: keep, trim, leave
	Parts                []string
	Tunnelled            float64 // share of the section tunnelled, up to which it counts; 0: not judged by it
}

// Aid is a first step when something went wrong.
type Aid struct {
	ID, Do, Source string
	Routes         []string // eaten, skin, eye, smoke
	Minutes        float64
}

// Routes are the ways in which somebody comes to harm.
var Routes = []string{"eaten", "skin", "eye", "smoke"}

// StepsFor lists what must be done first to a part of a taxon, in order.
func (k *Kitchen) StepsFor(t *Taxon, part string) []FirstStep {
	var out []FirstStep
	for _, s := range k.Steps {
		if len(s.Taxa) > 0 && !slices.Contains(s.Taxa, t.ID) || len(s.Parts) > 0 && !slices.Contains(s.Parts, part) || s.Kingdom != 0 && s.Kingdom != t.Kingdom {
			continue
		}
		out = append(out, s)
	}
	return out
}

// AsksFor lists what a second look at a taxon has to add, with those of its traits
// that the entry describes in the stages; where it describes none nothing is asked.
func (k *Kitchen) AsksFor(t *Taxon, stages StageSet) []SecondAsk {
	var out []SecondAsk
	for _, a := range k.Second {
		if a.Kingdom != t.Kingdom {
			continue
		}
		var known []string
		for _, c := range t.Cells {
			if slices.Contains(a.Traits, c.Trait) && slices.ContainsFunc(c.Variants, func(v Variant) bool { return v.Kind == Described && v.Stages&stages != 0 }) {
				known = append(known, c.Trait)
			}
		}
		if len(known) > 0 {
			a.Traits = known
			out = append(out, a)
		}
	}
	return out
}

// CarriedWith lists the parts that come home with what is gathered. A part that
// the guide does not list brings nothing home but itself, if there is a part of
// that name.
func (k *Kitchen) CarriedWith(part string, kingdom Kingdom) []Part {
	for _, c := range k.Carried {
		if c.Part == part && (c.Kingdom == 0 || c.Kingdom == kingdom) {
			return c.Parts
		}
	}
	if p, ok := ParsePart(part); ok {
		return []Part{p}
	}
	return []Part{}
}

// ShareFor is the share of a part that may be taken at most; a part that is not
// listed is treated as the whole plant.
func (k *Kitchen) ShareFor(part string) LeaveShare {
	var whole LeaveShare
	for _, s := range k.Shares {
		if s.Part == part {
			return s
		}
		if s.Part == "whole" {
			whole = s
		}
	}
	return whole
}

// MethodsFor lists the ways to gather a part, least damage first.
func (k *Kitchen) MethodsFor(part string) []Method {
	var out []Method
	for _, m := range k.Methods {
		if slices.Contains(m.Parts, part) {
			out = append(out, m)
		}
	}
	slices.SortStableFunc(out, func(a, b Method) int { return a.Damage - b.Damage })
	return out
}

// BandsFor lists the bands of quality of a part.
func (k *Kitchen) BandsFor(part string) []Band {
	var out []Band
	for _, b := range k.Bands {
		if slices.Contains(b.Parts, part) {
			out = append(out, b)
		}
	}
	return out
}

// AidFor lists the first steps for a route.
func (k *Kitchen) AidFor(route string) []Aid {
	var out []Aid
	for _, a := range k.Aid {
		if slices.Contains(a.Routes, route) {
			out = append(out, a)
		}
	}
	return out
}
