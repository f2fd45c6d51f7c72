package evidence

import "zestythicket/guide"

// refusals lists what the tool says no to, given the find, each with its code.
func (t *assessment) refusals() []Refusal {
	var out []Refusal
	add := func(when bool, c RefusalCode, taxon, trait int32, word string) {
		if when {
			out = append(out, Refusal{c, taxon, trait, word})
		}
	}
	t.refuseEvidence(add)
	add(t.contact, RefuseBareHands, -1, -1, "")
	add(t.contact && t.f.Intent == Clear, RefuseBurn, -1, -1, "")
	add(t.f.Intent == Remedy, RefuseDose, -1, -1, "")
	if !t.f.Intent.harvest() {
		if t.f.Intent == Clear && t.target >= 0 {
			who := t.personal(t.taxon(t.target))
			add(who != "", RefusePerson, t.target, -1, who)
		}
		return out
	}
	switch t.f.Place.Ground {
	case "", "clean":
	default:
		add(true, RefuseGround, -1, -1, string(t.f.Place.Ground))
	}
	add(t.f.Place.Permission == No || t.f.Place.Protected == Yes, RefusePlace, -1, -1, "")
	add(t.kingdom == guide.Fungus && t.f.Prep == "raw", RefuseRaw, t.target, -1, "")
	if t.target < 0 {
		return out
	}
	tx := t.taxon(t.target)
	add(tx.HazardFor(t.f.Part, "raw", 0, false) > 0 && !(t.kingdom == guide.Fungus && t.f.Prep == "raw"), RefuseRaw, t.target, -1, "")
	who := t.personal(tx)
	add(who != "", RefusePerson, t.target, -1, who)
	for _, g := range t.e.ix.Book.HardGroups {
		add(g.Asked && !t.signed(g.ID) && t.gate(tx, g.ID), RefuseUnsigned, t.target, -1, g.ID)
	}
	return out
}

// refuseEvidence names what was offered as evidence and is none.
func (t *assessment) refuseEvidence(add func(bool, RefusalCode, int32, int32, string)) {
	for i := range t.f.Log {
		ev := &t.f.Log[i]
		if ev.Kind == Noted {
			add(ev.Note == "hearsay", RefuseHearsay, -1, -1, "")
			add(ev.Note == "folk-rule", RefuseFolkRule, -1, -1, ev.Saying)
		}
		if ev.Kind == Answered && ev.Specimen == t.specimen && ev.Answer.Kind == Reported {
			at, _ := t.e.ix.TraitAt(ev.Answer.Trait)
			if ev.Answer.From == "custom" || ev.Answer.From == "web" || ev.Answer.From == "person" {
				add(true, RefuseHearsay, -1, at, ev.Answer.From)
			} else {
				add(true, RefuseNeighbour, -1, at, "")
			}
		}
	}
	circumstance, other := false, false
	for i := range t.rs {
		if t.rs[i].Soundness != Sound {
			continue
		}
		if tr := t.trait(t.rs[i].Trait); tr.Class == guide.Circumstance && tr.Prepares == "" {
			circumstance = true
		} else if tr.Class != guide.Circumstance {
			other = true
		}
	}
	add(circumstance && !other, RefuseCircumstance, -1, -1, "")
}
