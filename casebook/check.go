package casebook

import (
	"fmt"
	"strconv"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/store"
)

func itoa(i int) string { return strconv.Itoa(i) }

// checkEntry notes everything wrong with a line before it is stored.
func (c *Casebook) checkEntry(row *store.Find, e *NewLine, bad *Invalid) error {
	specimens, err := c.Store.Specimens(row.ID)
	if err != nil {
		return err
	}
	var ids []string
	for _, s := range specimens {
		ids = append(ids, s.ID)
	}
	c.word(e.Specimen, ids, "body.specimen", -1, "specimen", bad)
	kind, ok := evidence.ParseEventKind(e.Kind)
	if !ok {
		bad.add("body.kind", "", "unknown kind %q", e.Kind)
		return nil
	}
	switch kind {
	case evidence.Staged:
		if len(e.Body.Stages) == 0 {
			bad.add("body.body.stages", "name at least one", "no stage is given")
		}
		c.checkStages(e.Body.Stages, "body.body.stages", bad)
	case evidence.Answered:
		if e.Body.Answer == nil {
			bad.add("body.body.answer", "", "an answer is wanted")
			return nil
		}
		c.checkAnswer(e.Body.Answer, bad)
	case evidence.Handled:
		c.word(e.Body.Smell, c.Engine.Index().Book.SmellWords(), "body.body.smell", -1, "smell", bad)
	case evidence.Noted:
		c.word(e.Body.Note, []string{"hearsay", "folk-rule", "search-cue"}, "body.body.note", -1, "note", bad)
	case evidence.Undone:
		return c.checkUndo(row, e, bad)
	}
	return nil
}

// checkUndo: only a line of this find that can be taken back and still stands.
func (c *Casebook) checkUndo(row *store.Find, e *NewLine, bad *Invalid) error {
	_, lines, err := c.assemble(row)
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
			bad.add("body.body.undoes", "what was handled stays handled; clean your hands, or take another specimen", "a line of the kind %s can't be taken back", l.Kind)
		}
		return nil
	}
	bad.add("body.body.undoes", "", "line %d is not in this find's log", e.Body.Undoes)
	return nil
}

func (c *Casebook) checkAnswer(a *Answer, bad *Invalid) {
	const path = "body.body.answer"
	ix := c.Engine.Index()
	t, ok := ix.TraitAt(a.Trait)
	if !ok {
		var known []string
		for i := range ix.Book.Traits {
			known = append(known, ix.Book.Traits[i].ID)
		}
		c.word(a.Trait, known, path+".trait", -1, "trait", bad)
		return
	}
	tr := &ix.Book.Traits[t]
	kind, ok := evidence.ParseAnswerKind(a.Kind)
	if !ok {
		bad.add(path+".kind", "", "unknown kind of answer %q", a.Kind)
		return
	}
	var states []string
	for i := range tr.States {
		states = append(states, tr.States[i].ID)
	}
	for i, s := range a.States {
		c.word(s, states, path+".states", i, "state of "+tr.ID, bad)
	}
	switch kind {
	case evidence.Seen:
		if len(a.States) != 1 && tr.Kind != guide.Measure {
			bad.add(path+".states", "any-of when unsure between several, all-of when it shows several", "one state is wanted, %d were given", len(a.States))
		}
	case evidence.AnyOf, evidence.AllOf:
		if len(a.States) < 2 {
			bad.add(path+".states", "", "at least two states are wanted")
		}
	case evidence.Absent:
		if tr.Absent < 0 {
			bad.add(path+".kind", "answer with one of its states", "%s can't be absent", tr.ID)
		}
	}
	switch {
	case kind == evidence.Measured && tr.Kind != guide.Measure:
		bad.add(path+".kind", "answer with a state", "%s is not measured", tr.ID)
	case kind == evidence.Measured && (a.Value < tr.Min || a.Value > tr.Max):
		bad.add(path+".value", fmt.Sprintf("between %g and %g %s", tr.Min, tr.Max, tr.Unit), "%g %s is impossible for %s", a.Value, tr.Unit, tr.ID)
	case tr.Kind == guide.Measure && (kind == evidence.Seen || kind == evidence.AnyOf || kind == evidence.AllOf):
		bad.add(path+".kind", "answer with a number", "%s is measured", tr.ID)
	}
}
