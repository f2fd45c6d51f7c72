package calibrate

import (
	"zestythicket/evidence"
	"zestythicket/guide"
)

// Answer is what one answer alone does, over all uses that the guide describes.
type Answer struct {
	Trait, State       int32
	Strong, Fair       int // pairs against which it is strong, or fair
	Slight, Nothing    int
	For                int     // pairs in which it speaks for the danger
	Most               float64 // the greatest weight
	Target, Other      int32   // and where
	RulesOutUnpleasant int     // pairs that it settles by itself
	RulesOutDanger     int     // of poisonous or deadly entries: none
}

// Answers works the table out, in the order of the guide.
func Answers(e *evidence.Engine) []Answer {
	type key struct{ trait, state int32 }
	by := map[key]*Answer{}
	lines := e.Audit()
	seen := map[[2]int32]bool{}
	for i := range lines {
		l := &lines[i]
		if k := [2]int32{l.Taxon, int32(l.Stage)}; l.Refused || seen[k] {
			continue
		} else {
			seen[k] = true
		}
		e.Singles(l, func(s evidence.Single) {
			a := by[key{s.Trait, s.State}]
			if a == nil {
				a = &Answer{Trait: s.Trait, State: s.State}
				by[key{s.Trait, s.State}] = a
			}
			switch s.Strength {
			case evidence.Strong:
				a.Strong++
			case evidence.Fair:
				a.Fair++
			case evidence.Slight:
				a.Slight++
			case evidence.TellsNothing:
				a.Nothing++
			case evidence.SpeaksFor:
				a.For++
			}
			if s.Weight > a.Most {
				a.Most, a.Target, a.Other = s.Weight, l.Taxon, s.Other
			}
			if s.RulesOut && s.Grade == guide.Unpleasant {
				a.RulesOutUnpleasant++
			} else if s.RulesOut {
				a.RulesOutDanger++
			}
		})
	}
	var out []Answer
	for at := range e.Index().Book.Traits {
		for s := range e.Index().Book.Traits[at].States {
			if a := by[key{int32(at), int32(s)}]; a != nil {
				out = append(out, *a)
			}
		}
	}
	return out
}
