package evidence

import (
	"cmp"
	"slices"

	"zestythicket/guide"
)

// Apart says how a target can be told from one dangerous entry at one stage,
// while it looks as it usually does.
type Apart struct {
	Taxon    int32
	Grade    guide.Grade
	Depth    int
	Need     int
	RuledOut bool
	Decisive bool // by two decisive cells
	Named    bool
	By       []int32 // the checks that separate, structural ones first
	Margin   int     // contradicted groups more than the two that are asked
}

// AuditLine is one edible use at one stage on one continent: can every dangerous
// entry be ruled out by what is observable then, and how?
type AuditLine struct {
	Taxon     int32
	Use       guide.Use
	Stage     guide.Stage
	Continent string
	Refused   bool // the guide does not let this stage be gathered
	Entries   []Apart
	Holds     bool // every entry is ruled out, with the margin
}

// Audit uses the verdict's own scope and rules over every use, stage and
// continent of the guide. Stages that no use allows are listed as refused.
func (e *Engine) Audit() []AuditLine {
	var out []AuditLine
	for i := range e.ix.Book.Taxa {
		tx := &e.ix.Book.Taxa[i]
		for u := range tx.Uses {
			for _, continent := range continents(tx) {
				tx.Stages.Each(func(st guide.Stage) {
					out = append(out, e.auditLine(int32(i), &tx.Uses[u], st, continent))
				})
			}
		}
	}
	return out
}

func continents(tx *guide.Taxon) []string {
	var out []string
	for _, r := range tx.Regions {
		if c := guide.Continent(r); !has(out, c) {
			out = append(out, c)
		}
	}
	return out
}

func (e *Engine) auditLine(taxon int32, u *guide.Use, st guide.Stage, continent string) AuditLine {
	line := AuditLine{Taxon: taxon, Use: *u, Stage: st, Continent: continent, Refused: !u.Stages.Has(st) || !u.GatheredIn(continent), Holds: true}
	region := continent
	if continent == "NA" {
		region = "ENA"
	}
	tx := &e.ix.Book.Taxa[taxon]
	f := &Find{Intent: Eat, Target: tx.ID, Part: u.Part, Prep: u.Preparation, Place: Place{Region: region}}
	t := e.trial(f, "")
	for _, d := range t.danger {
		a := Apart{Taxon: d, Grade: t.grade[d], Need: needed(uint8(t.grade[d]))}
		for _, l := range tx.Lookalikes {
			a.Named = a.Named || l.Taxon == e.ix.Book.Taxa[d].ID
		}
		var es []edge
		groups := map[int32]bool{}
		e.separating(taxon, d, guide.NewStageSet(st), guide.Usually, func(trait int32, ed edge) {
			es = append(es, ed)
			groups[ed.group] = true
			a.By = append(a.By, trait)
		})
		tl := t.need(d).count(es)
		a.Depth, a.RuledOut, a.Decisive, a.Margin = int(tl.depth), tl.ruledOut, tl.decisivePair, len(groups)-e.def.Margin
		slices.SortStableFunc(a.By, func(x, y int32) int { return cmp.Compare(t.trait(x).Class, t.trait(y).Class) })
		line.Holds = line.Holds && a.RuledOut && a.Margin >= 0
		line.Entries = append(line.Entries, a)
	}
	// The weakest pairs first.
	slices.SortStableFunc(line.Entries, func(a, b Apart) int {
		return cmp.Or(cmp.Compare(boolInt(a.RuledOut), boolInt(b.RuledOut)), cmp.Compare(a.Depth-a.Need, b.Depth-b.Need), cmp.Compare(b.Grade, a.Grade), cmp.Compare(a.Taxon, b.Taxon))
	})
	return line
}
