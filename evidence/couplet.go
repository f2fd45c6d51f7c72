package evidence

import (
	"math/bits"

	"zestythicket/guide"
)

// Lead is one of the two ways of a couplet.
type Lead struct {
	States uint32
	Keeps  int // entries still allowed that this way keeps
}

// Couplet is one question of a key with two ways to go. Every couplet asks one
// thing; who can't tell keeps both ways.
type Couplet struct {
	Trait int32 // -1 when nothing more parts what is left
	Leads [2]Lead
}

// KeyStep is one couplet, or any other look, that was walked.
type KeyStep struct {
	Reading int32
	Left    int     // entries allowed after it
	Fell    []int32 // entries that it was the first to contradict
	Both    bool    // it kept both ways: it can't rule anything out
}

// Key is a key walked couplet by couplet over what was seen of one specimen.
type Key struct {
	Steps []KeyStep
	Left  []int32 // entries that no sound reading contradicts
	Next  Couplet
}

// Key walks the readings of a specimen as a key: all entries in scope stand at
// first, dangerous or not, and each sound reading lets fall what it contradicts.
// The next couplet is the single trait by which most entries are expected to
// fall, its states in two ways. A key ends in a
// name, never in a verdict: it rests on single contradictions.
func (e *Engine) Key(f *Find, specimen string) Key {
	t := e.trial(f, specimen)
	sheet := e.contradictions(t.rs, t.sc.eff, t.in)
	n := len(t.in)
	first := make([]int32, n) // the reading that let an entry fall
	k := Key{Next: Couplet{Trait: -1}}
	standing := 0
	for taxon := 0; taxon < n; taxon++ {
		first[taxon] = -1
		if !t.in[taxon] {
			continue
		}
		standing++
		for i := sheet.head[taxon]; i >= 0; i = sheet.edges[i].next {
			r := sheet.edges[i].reading
			r = t.given(r)
			if first[taxon] < 0 || t.rs[r].Seq < t.rs[first[taxon]].Seq {
				first[taxon] = r
			}
		}
		if first[taxon] < 0 {
			k.Left = append(k.Left, int32(taxon))
		}
	}
	for _, i := range t.inOrder() {
		s := KeyStep{Reading: i, Both: !telling(&t.rs[i], t.trait(t.rs[i].Trait))}
		for taxon := 0; taxon < n; taxon++ {
			if t.in[taxon] && first[taxon] == i {
				s.Fell = append(s.Fell, int32(taxon))
			}
		}
		standing -= len(s.Fell)
		s.Left = standing
		k.Steps = append(k.Steps, s)
	}
	if len(k.Left) > 1 {
		k.Next = t.couplet(k.Left)
	}
	return k
}

// given is the reading that was given and that a derived one goes back to: a part
// read off its child stands or falls with the child, over several steps if need be.
func (t *assessment) given(r int32) int32 {
	for t.rs[r].By >= 0 {
		child := t.rs[r].By
		for i := range t.rs {
			if t.rs[i].Trait == child {
				r = int32(i)
				break
			}
		}
	}
	return r
}

// inOrder lists the readings that were given, in the order of the log, without
// preparations.
func (t *assessment) inOrder() []int32 {
	var out []int32
	for i := range t.rs {
		if t.rs[i].By >= 0 || t.trait(t.rs[i].Trait).Prepares != "" {
			continue
		}
		at := len(out)
		for at > 0 && t.rs[out[at-1]].Seq > t.rs[i].Seq {
			at--
		}
		out = append(out, 0)
		copy(out[at+1:], out[at:])
		out[at] = int32(i)
	}
	return out
}

// couplet chooses the trait and the two ways by how many entries are expected to
// fall; looking comes before touching, touching before cutting, and the part
// itself before its traits.
func (t *assessment) couplet(left []int32) Couplet {
	best, bestScore := Couplet{Trait: -1}, 0.0
	denied := make([]uint32, len(left))
	for at := range t.byTrait {
		tr := t.trait(int32(at))
		if !t.askable(int32(at)) {
			continue
		}
		col := &t.e.ix.Columns[at]
		any := uint32(0)
		for i, taxon := range left {
			denied[i] = 0
			if row, ok := rowOf(col, taxon); ok {
				denied[i] = masks(col, row, t.e.stagesFor(taxon, t.sc.eff, tr))
			}
			any |= denied[i]
		}
		if any == 0 {
			continue
		}
		c := part(denied, len(tr.States))
		score := falls(len(left), len(left)-c.Leads[0].Keeps, len(left)-c.Leads[1].Keeps)
		if p := t.e.ix.ParentOf[at]; p >= 0 && t.sound(p) == nil {
			score /= 2
		}
		score -= float64(tr.Handling) / 4
		if score > bestScore {
			c.Trait = int32(at)
			best, bestScore = c, score
		}
	}
	return best
}

// falls is how many of n entries are expected to fall, when one way loses a and
// the other b: each entry goes the way that it alone allows, those that allow
// both go either way.
func falls(n, a, b int) float64 {
	both := float64(n-a-b) / 2
	return ((float64(b)+both)*float64(a) + (float64(a)+both)*float64(b)) / float64(n)
}

// askable: a single question of form or of the senses that can be put now.
func (t *assessment) askable(at int32) bool {
	tr := t.trait(at)
	if tr.Class == guide.Circumstance || len(tr.States) < 2 || tr.Kind == guide.Measure || t.byTrait[at] >= 0 || !t.available(at) {
		return false
	}
	if t.contact && tr.Handling > guide.Look {
		return false
	}
	return true
}

// part divides the states of a trait in two ways: from each single state
// against the rest, it goes on adding the state that helps most.
func part(denied []uint32, states int) Couplet {
	all := uint32(1)<<states - 1
	keeps := func(ways uint32) int {
		k := 0
		for _, d := range denied {
			if d&ways != ways {
				k++
			}
		}
		return k
	}
	n := len(denied)
	worth := func(ways uint32) float64 { return falls(n, n-keeps(ways), n-keeps(all&^ways)) }
	best, bestWorth := uint32(1), -1.0
	for s := 0; s < states; s++ {
		if w := worth(1 << s); w > bestWorth {
			best, bestWorth = 1<<s, w
		}
	}
	for grown := true; grown && bits.OnesCount32(best) < states/2; {
		grown = false
		from := best
		for s := 0; s < states; s++ {
			if with := from | 1<<s; with != from && with != all {
				if w := worth(with); w > bestWorth {
					best, bestWorth, grown = with, w, true
				}
			}
		}
	}
	return Couplet{Leads: [2]Lead{{best, keeps(best)}, {all &^ best, keeps(all &^ best)}}}
}
