package finds

import (
	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/records"
	"zestythicket/store"
)

// checkEntry notes everything wrong with a line before it is stored.
func (c *Service) checkEntry(row *store.Find, e *NewLine, bad *records.Invalid) error {
	specimens, err := c.Store.Specimens(row.ID)
	if err != nil {
		return err
	}
	var ids []string
	for _, s := range specimens {
		ids = append(ids, s.ID)
	}
	c.CheckOneOf(e.Specimen, ids, "body.specimen", -1, "specimen", bad)
	kind, ok := evidence.ParseEventKind(e.Kind)
	if !ok {
		bad.Add("body.kind", "unknown-kind", e.Kind)
		return nil
	}
	switch kind {
	case evidence.Staged:
		if len(e.Body.Stages) == 0 {
			bad.Add("body.body.stages", "no-stage")
		}
		c.checkStages(e.Body.Stages, "body.body.stages", bad)
	case evidence.Answered:
		if e.Body.Answer == nil {
			bad.Add("body.body.answer", "no-answer")
			return nil
		}
		c.checkAnswer(e.Body.Answer, bad)
	case evidence.Handled:
		c.CheckOneOf(e.Body.Smell, c.Engine.Index().Book.SmellWords(), "body.body.smell", -1, "smell", bad)
	case evidence.Noted:
		c.CheckOneOf(e.Body.Note, []string{"hearsay", "folk-rule", "search-cue"}, "body.body.note", -1, "note", bad)
	case evidence.Undone:
		return c.checkUndo(row, e, bad)
	}
	return nil
}

// checkUndo: only a line of this find that can be taken back and still stands.
func (c *Service) checkUndo(row *store.Find, e *NewLine, bad *records.Invalid) error {
	_, lines, err := c.Assemble(row)
	if err != nil {
		return err
	}
	for i := range lines {
		l := &lines[i]
		if l.Seq != e.Body.Undoes {
			continue
		}
		if l.Undone {
			return nil // taken back twice is taken back
		}
		if !l.Undoable {
			bad.Add("body.body.undoes", "stays", l.Kind)
		}
		return nil
	}
	bad.Add("body.body.undoes", "no-such-line", e.Body.Undoes)
	return nil
}

func (c *Service) checkAnswer(a *Answer, bad *records.Invalid) {
	const path = "body.body.answer"
	ix := c.Engine.Index()
	t, ok := ix.TraitAt(a.Trait)
	if !ok {
		var known []string
		for i := range ix.Book.Traits {
			known = append(known, ix.Book.Traits[i].ID)
		}
		c.CheckOneOf(a.Trait, known, path+".trait", -1, "trait", bad)
		return
	}
	tr := &ix.Book.Traits[t]
	kind, ok := evidence.ParseAnswerKind(a.Kind)
	if !ok {
		bad.Add(path+".kind", "unknown-answer", a.Kind)
		return
	}
	var states []string
	for i := range tr.States {
		states = append(states, tr.States[i].ID)
	}
	for i, s := range a.States {
		c.CheckOneOf(s, states, path+".states", i, "state of "+tr.ID, bad)
	}
	switch kind {
	case evidence.Seen:
		if len(a.States) != 1 && tr.Kind != guide.Measure {
			bad.Add(path+".states", "one-state", len(a.States))
		}
	case evidence.AnyOf, evidence.AllOf:
		if len(a.States) < 2 {
			bad.Add(path+".states", "two-states")
		}
	case evidence.Absent:
		if tr.Absent < 0 {
			bad.Add(path+".kind", "never-absent", tr.ID)
		}
	}
	switch {
	case kind == evidence.Measured && tr.Kind != guide.Measure:
		bad.Add(path+".kind", "not-measured", tr.ID)
	case kind == evidence.Measured && (a.Value < tr.Min || a.Value > tr.Max):
		bad.Add(path+".value", "impossible-value", a.Value, tr.Unit, tr.ID, tr.Min, tr.Max, tr.Unit)
	case tr.Kind == guide.Measure && (kind == evidence.Seen || kind == evidence.AnyOf || kind == evidence.AllOf):
		bad.Add(path+".kind", "measured", tr.ID)
	}
}
