package evidence

import (
	"fmt"
	"math/rand/v2"

	"zestythicket/guide"
)

// synthBook makes a random guide: 30 % of the taxa dangerous, 30 % of the cells
// documented, some of them by stage, some inapplicable, some decisive.
func synthBook(r *rand.Rand, taxa, traits int) *guide.Guide { return synthDecisive(r, taxa, traits, 8) }

// synthDecisive marks one never in so many as decisive; a real guide marks few.
func synthDecisive(r *rand.Rand, taxa, traits, one int) *guide.Guide {
	b := &guide.Guide{Version: "synthetic"}
	for i := 0; i < traits; i++ {
		t := guide.Trait{ID: fmt.Sprintf("t%d", i), Kingdom: guide.Plant, Kind: guide.States, Class: guide.Structural, Exclusive: true, Absent: -1,
			Part: guide.Part(1 + r.IntN(guide.PartCount-1)), Handling: guide.Handling(1 + r.IntN(4)), Stages: guide.AllPlantStages, BeforePick: r.IntN(8) == 0}
		switch r.IntN(10) {
		case 0, 1:
			t.Class = guide.Sensory
		case 2:
			t.Class = guide.Circumstance
		}
		if i > 0 && r.IntN(5) == 0 {
			t.Group = fmt.Sprintf("t%d", r.IntN(i))
		}
		if r.IntN(5) == 0 {
			t.Act = fmt.Sprintf("act%d", r.IntN(traits/8+1))
		}
		if r.IntN(12) == 0 {
			t.Kind, t.Unit, t.Max = guide.Measure, "cm", 100
		} else {
			for s := 0; s < 2+r.IntN(5); s++ {
				t.States = append(t.States, guide.State{ID: fmt.Sprintf("s%d", s)})
			}
			if t.Class == guide.Sensory && r.IntN(3) == 0 {
				t.Kind = guide.Timed
			}
		}
		if i > 0 && r.IntN(10) == 0 {
			if p := &b.Traits[r.IntN(i)]; p.Kind != guide.Measure {
				t.Parent, t.ParentStates = p.ID, 1
			}
		}
		b.Traits = append(b.Traits, t)
	}
	for i := 0; i < taxa; i++ {
		t := guide.Taxon{ID: fmt.Sprintf("x%d", i), Kingdom: guide.Plant, Rank: "species", Scientific: fmt.Sprintf("Genus%d species%d", i%97, i), Stages: guide.AllPlantStages, Regions: []string{"EU"}, Habitats: []string{[]string{"wood", "field"}[r.IntN(2)]}}
		if r.IntN(10) < 3 {
			t.Hazards = []guide.Hazard{{Grade: guide.Grade(1 + r.IntN(3)), Contact: r.IntN(40) == 0}}
		} else {
			t.Hazards = []guide.Hazard{{Grade: 0}}
		}
		t.Windows = []guide.Window{{Stages: guide.AllPlantStages, Months: uint16(r.IntN(4096))}}
		for k := range b.Traits {
			if r.IntN(10) < 3 {
				t.Cells = append(t.Cells, synthCell(r, &b.Traits[k], one))
			}
		}
		t.Uses = []guide.Use{{Part: "leaf", Preparation: "cooked", Stages: guide.AllPlantStages, Rank: "species"}}
		for k := 0; k < 3 && k < len(t.Cells); k++ {
			if len(t.Key) == 0 {
				t.Key = []guide.KeyTraits{{Stages: guide.AllPlantStages}}
			}
			t.Key[0].Traits = append(t.Key[0].Traits, t.Cells[r.IntN(len(t.Cells))].Trait)
		}
		b.Taxa = append(b.Taxa, t)
	}
	return b
}

func synthCell(r *rand.Rand, tr *guide.Trait, one int) guide.Cell {
	c := guide.Cell{Trait: tr.ID}
	if tr.Parent != "" && r.IntN(4) == 0 {
		c.Variants = []guide.Variant{{Stages: guide.AllPlantStages, Kind: guide.Inapplicable}}
		return c
	}
	if r.IntN(10) == 0 {
		half := guide.NewStageSet(guide.LeafStage, guide.Shoot, guide.Seedling)
		c.Variants = []guide.Variant{synthVariant(r, tr, half, one), synthVariant(r, tr, guide.AllPlantStages&^half, one)}
		return c
	}
	c.Variants = []guide.Variant{synthVariant(r, tr, guide.AllPlantStages, one)}
	return c
}

func synthVariant(r *rand.Rand, tr *guide.Trait, stages guide.StageSet, one int) guide.Variant {
	v := guide.Variant{Stages: stages, Kind: guide.Described}
	if tr.Kind == guide.Measure {
		lo := r.Float64() * 40
		v.Range = [4]float64{lo, lo + 5, lo + 20, lo + 30}
		return v
	}
	v.Freq = make([]guide.Frequency, len(tr.States))
	for s := range v.Freq {
		v.Freq[s] = guide.Frequency(r.IntN(6))
		if v.Freq[s] == guide.Never && r.IntN(one) == 0 && tr.Class != guide.Circumstance {
			v.Decisive |= 1 << s
		}
	}
	return v
}

// synthFind answers n random traits at random.
func synthFind(r *rand.Rand, b *guide.Guide, n int) *Find {
	f := &Find{Intent: Eat, Kingdom: guide.Plant, Month: 1 + r.IntN(12), Place: Place{Region: "EU", Habitats: []string{"wood"}}, Specimens: []Specimen{{ID: "s1"}}}
	if r.IntN(2) == 0 {
		f.Target = b.Taxa[r.IntN(len(b.Taxa))].ID
		f.Part, f.Prep = "leaf", "cooked"
	}
	stages := []guide.StageSet{guide.NewStageSet(guide.LeafStage), guide.NewStageSet(guide.FlowerStage), guide.NewStageSet(guide.FlowerStage, guide.FruitStage)}
	f.Log = append(f.Log, Event{Seq: 1, AtMS: 0, Kind: Staged, Specimen: "s1", Stages: stages[r.IntN(3)]})
	for _, k := range r.Perm(len(b.Traits))[:n] {
		tr := &b.Traits[k]
		a := Answer{Trait: tr.ID, Kind: Seen, Unsure: r.IntN(5) == 0, Minutes: 1e6, Count: 9, Method: []string{"", "", ByTheGuide, "lens"}[r.IntN(4)]}
		switch {
		case tr.Kind == guide.Measure:
			a.Kind, a.Value, a.Error = Measured, r.Float64()*80, r.Float64()*4
		case r.IntN(5) == 0 && len(tr.States) > 2:
			a.Kind = []AnswerKind{AnyOf, AllOf}[r.IntN(2)]
			p := r.Perm(len(tr.States))
			a.States = []string{tr.States[p[0]].ID, tr.States[p[1]].ID}
		case r.IntN(12) == 0:
			a.Kind = CantTell
		default:
			a.States = []string{tr.States[r.IntN(len(tr.States))].ID}
		}
		f.Log = append(f.Log, Event{Seq: int64(len(f.Log) + 1), AtMS: int64(len(f.Log)) * 60000, Kind: Answered, Specimen: "s1", Answer: a})
	}
	return f
}

// synthWeights adds to a random guide what weighs an answer: facts, confused and
// unmistakable pairs, mishaps, readers and forms.
func synthWeights(r *rand.Rand, b *guide.Guide) {
	some := func(n int) []guide.TraitState {
		var out []guide.TraitState
		for i := 0; i < n; i++ {
			t := &b.Traits[r.IntN(len(b.Traits))]
			if t.Class == guide.Circumstance {
				continue
			}
			ts := guide.TraitState{Trait: t.ID, State: -1}
			if len(t.States) > 0 && r.IntN(3) > 0 {
				ts.State = r.IntN(len(t.States))
			}
			out = append(out, ts)
		}
		return out
	}
	taken := map[string]bool{}
	for i := 0; i < 1+len(b.Traits)/8; i++ {
		f := guide.Fact{ID: fmt.Sprintf("f%d", i)}
		for _, ts := range some(4) {
			if !taken[ts.Trait] {
				taken[ts.Trait] = true
				f.States = append(f.States, ts)
			}
		}
		b.Facts = append(b.Facts, f)
	}
	for i := range b.Traits {
		t := &b.Traits[i]
		if len(t.States) < 3 || r.IntN(2) == 0 {
			continue
		}
		m := guide.Misnaming{Trait: t.ID, Confused: []guide.Confusion{{A: 0, B: 1, Rate: []float64{.25, .1, .03}[r.IntN(3)], SettledBy: some(r.IntN(2))}}}
		if r.IntN(2) == 0 {
			m.Confused[0].By = "look again"
		}
		if r.IntN(2) == 0 {
			m.Unmistakable = []guide.Unmistakable{{A: 1, B: 2, When: []string{"", "by the method"}[r.IntN(2)]}}
		}
		b.Misnamings = append(b.Misnamings, m)
	}
	for i := 0; i < 3; i++ {
		m := guide.Mishap{ID: fmt.Sprintf("m%d", i), Ties: guide.Tie(r.IntN(3)), Guard: some(1), Growing: r.IntN(3) == 0}
		for _, ts := range some(5) {
			m.Misled = append(m.Misled, guide.Misread{Reads: ts})
		}
		b.Mishaps = append(b.Mishaps, m)
	}
	b.Readers = []guide.Reader{{ID: "blind", Blind: true}, {ID: "open"}}
	for i := range b.Taxa {
		t := &b.Taxa[i]
		if r.IntN(3) == 0 {
			t.HardGroups = []string{"g"}
		}
		for k := range b.Traits {
			if r.IntN(5) == 0 {
				c := synthCell(r, &b.Traits[k], 1<<30)
				t.Readings = append(t.Readings, guide.Reading{Reader: r.IntN(2), Cell: c})
			}
		}
		for n := r.IntN(3); n > 0; n-- {
			f := guide.Form{ID: fmt.Sprintf("form%d", n), Stages: []guide.StageSet{guide.NewStageSet(guide.LeafStage), guide.NewStageSet(guide.LeafStage, guide.FlowerStage), guide.NewStageSet(guide.FruitStage)}[r.IntN(3)]}
			if r.IntN(3) == 0 {
				f.Unless = some(1)
			}
			for k := range b.Traits {
				if r.IntN(4) == 0 {
					c := synthCell(r, &b.Traits[k], 1<<30)
					for v := range c.Variants {
						c.Variants[v].Stages &= f.Stages
					}
					f.Cells = append(f.Cells, c)
				}
			}
			t.Forms = append(t.Forms, f)
		}
	}
}
