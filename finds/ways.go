package finds

import (
	"zestythicket/evidence"
	"zestythicket/records"
	"zestythicket/report"
)

// ask assembles a find, judges one specimen and hands both on.
func (c *Service) ask(id, specimen string, then func(f *evidence.Find, j *evidence.Judgement)) error {
	row, err := c.Store.Find(id)
	if err != nil {
		return err
	}
	f, _, err := c.Assemble(row)
	if err != nil {
		return err
	}
	for i := range f.Specimens {
		if f.Specimens[i].ID == specimen {
			j := c.Engine.Judge(f, specimen)
			then(f, &j)
			return nil
		}
	}
	return records.Refuse("path.specimen", "no-such-specimen", specimen)
}

// Key walks what was seen of a specimen as a key.
func (c *Service) Key(id, specimen string) (out report.Key, err error) {
	err = c.ask(id, specimen, func(f *evidence.Find, j *evidence.Judgement) {
		k := c.Engine.Key(f, specimen)
		out = report.OfKey(c.Engine.Index(), f, j, &k)
	})
	return out, err
}

// Checklist lists what has to fit for the target of a find.
func (c *Service) Checklist(id, specimen string) (out report.Checklist, err error) {
	err = c.ask(id, specimen, func(f *evidence.Find, j *evidence.Judgement) {
		out = report.OfChecklist(c.Engine.Index(), f, j, c.Engine.Checklist(f, specimen))
	})
	return out, err
}

// Likenesses holds a specimen as a whole beside entries of the guide.
func (c *Service) Likenesses(id, specimen string) (out []report.Likeness, err error) {
	err = c.ask(id, specimen, func(f *evidence.Find, j *evidence.Judgement) {
		out = report.OfLikenesses(c.Engine.Index(), f, j, c.Engine.Likenesses(f, specimen))
	})
	return out, err
}

// Exclusion is a dangerous entry with every step that was counted against it.
func (c *Service) Exclusion(id, specimen, taxon string) (out *report.Entry, err error) {
	err = c.ask(id, specimen, func(f *evidence.Find, j *evidence.Judgement) {
		w := report.Of(c.Engine.Index(), f, j)
		for i := range w.Ledger {
			if w.Ledger[i].Taxon.ID == taxon {
				out = &w.Ledger[i]
			}
		}
	})
	if err == nil && out == nil {
		return nil, records.NotThere("danger in scope", taxon)
	}
	return out, err
}
