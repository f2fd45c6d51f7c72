package evidence_test

import (
	"os"
	"sync/atomic"
	"testing"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// misleading answers truly about an entry, and of what the entry may show picks what the
// target shows: a specimen that happens to look as much like the target as its own kind
// allows. Nothing is misread.
type misleading struct {
	*observer
	target *guide.Taxon
}

func (m *misleading) answer(trait int32) evidence.Answer {
	a := m.observer.answer(trait)
	tr := &m.e.Index().Book.Traits[trait]
	if a.Kind != evidence.Seen || tr.Prepares != "" {
		return a
	}
	best := guide.Sometimes
	for s := range tr.States {
		mine, theirs := shown(m.truth, tr.ID, s, m.stages), shown(m.target, tr.ID, s, m.stages)
		if mine >= guide.Sometimes && theirs >= best {
			best, a.States = theirs, []string{tr.States[s].ID}
		}
	}
	return a
}

// shown is how often an entry shows a state in some stages, as the guide describes it.
func shown(t *guide.Taxon, trait string, state int, stages guide.StageSet) guide.Frequency {
	for c := range t.Cells {
		if t.Cells[c].Trait != trait {
			continue
		}
		for _, v := range t.Cells[c].Variants {
			if v.Stages&stages != 0 && v.Kind == guide.Described && state < len(v.Freq) {
				return v.Freq[state]
			}
		}
	}
	return guide.Never
}

// The most misleading specimen that the guide's own description of a dangerous entry
// allows is not taken for the target, by somebody who misreads nothing.
func TestMisleadingSpecimens(t *testing.T) {
	e := engineOf(t, "")
	b := e.Index().Book
	lines := e.Audit()
	most := 1
	if os.Getenv("ZT_ALL_PAIRS") != "" {
		most = len(b.Taxa)
	}
	var tried atomic.Int64
	t.Run("targets", func(t *testing.T) {
		for ti := range b.Taxa {
			target := &b.Taxa[ti]
			if len(target.Uses) == 0 {
				continue
			}
			t.Run(target.ID, func(t *testing.T) {
				t.Parallel()
				for u := range target.Uses {
					use := &target.Uses[u]
					use.Stages.Each(func(st guide.Stage) {
						for _, d := range weakest(e, lines, int32(ti), use.Part, st, most) {
							danger := &b.Taxa[d]
							if !danger.OnContinentOf(regionOf(target, use)) {
								continue
							}
							tried.Add(1)
							m := &misleading{&observer{e, danger, guide.NewStageSet(st)}, target}
							if j := followed(e, m.answer, ready(e, target, use, st)); j.Verdict == evidence.ChecksComplete {
								t.Errorf("%s taken for %s (%s, %s): checks complete, and nothing was misread", danger.ID, target.ID, use.Part, st)
							}
						}
					})
				}
			})
		}
	})
	t.Logf("%d specimens", tried.Load())
	if tried.Load() < 200 {
		t.Errorf("only %d were tried", tried.Load())
	}
}

// followed answers what is offered until nothing is, or the verdict is not open.
func followed(e *evidence.Engine, answer func(int32) evidence.Answer, f *evidence.Find) evidence.Judgement {
	m := &mistaken{truth: &observer{e: e}}
	return m.by(answer, f)
}
