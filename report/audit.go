package report

import (
	"fmt"
	"io"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// AuditLine is one use, stage and continent, with what tells each danger apart.
type AuditLine struct {
	Taxon       TaxonRef     `json:"taxon"`
	Part        string       `json:"part"`
	Preparation string       `json:"preparation"`
	Stage       string       `json:"stage"`
	Continent   string       `json:"continent"`
	Refused     bool         `json:"refused" doc:"The guide does not let this stage be gathered"`
	Holds       bool         `json:"holds" doc:"Anyone can tell every dangerous entry apart then"`
	Taught      bool         `json:"taught" doc:"Who was taught the dangers that stand can"`
	Words       string       `json:"words"`
	Entries     []AuditEntry `json:"entries"`
}

// AuditEntry is one dangerous entry in an audit line.
type AuditEntry struct {
	Taxon     TaxonRef   `json:"taxon"`
	GradeWord string     `json:"gradeWord"`
	Grade     int        `json:"grade"`
	Weight    float64    `json:"weight" doc:"Decibans against it when the target looks as it usually does and is looked at by the method"`
	Need      float64    `json:"need"`
	Words     string     `json:"words"`
	Thorns    int        `json:"thorns" doc:"Thorns left, of three"`
	Form      string     `json:"form,omitempty" doc:"The form of it that is hardest to tell apart"`
	RuledOut  bool       `json:"ruledOut" doc:"By anyone"`
	Taught    bool       `json:"taught" doc:"By who was taught this danger in person"`
	Named     bool       `json:"named"`
	By        []TraitRef `json:"by"`
}

// Audit writes the audit as data, and counts the stages that are not refused
// though something can't be told apart.
func Audit(ix *guide.Index, lines []evidence.AuditLine) (out []AuditLine, failing int) {
	w := writer{ix: ix}
	out = []AuditLine{}
	for i := range lines {
		l := &lines[i]
		a := AuditLine{Taxon: w.taxon(l.Taxon), Part: l.Use.Part, Preparation: l.Use.Preparation, Stage: l.Stage.String(), Continent: l.Continent, Refused: l.Refused, Holds: l.Holds, Taught: l.Taught, Entries: []AuditEntry{}}
		open := 0
		for k := range l.Entries {
			e := &l.Entries[k]
			x := AuditEntry{Taxon: w.taxon(e.Taxon), GradeWord: e.Grade.String(), Grade: int(e.Grade), Weight: tenth(e.Weight), Need: e.Need, Words: weightWords(e.Weight, e.Need), Thorns: e.Thorns, RuledOut: e.RuledOut, Taught: e.RuledOut || e.Taught, Named: e.Named, By: []TraitRef{}}
			if e.Form >= 0 {
				x.Form = ix.Book.Taxa[e.Taxon].Forms[e.Form].When
			}
			for _, b := range e.By {
				x.By = append(x.By, w.trait(b))
			}
			if !e.RuledOut {
				open++
			}
			a.Entries = append(a.Entries, x)
		}
		switch {
		case l.Refused:
			a.Words = "not gathered at this stage"
			if open > 0 {
				a.Words += fmt.Sprintf("; %d of %d could not be told apart", open, len(l.Entries))
			}
		case open > 0 && l.Taught:
			a.Words = fmt.Sprintf("taught in person only: %d of %d dangerous entries ask for a teacher", open, len(l.Entries))
		case open > 0:
			a.Words = fmt.Sprintf("left by the rules: %d of %d dangerous entries can't be told apart", open, len(l.Entries))
			failing++
		default:
			a.Words = fmt.Sprintf("all %d dangerous entries can be told apart", len(l.Entries))
		}
		out = append(out, a)
	}
	return out, failing
}

// AuditText writes the audit for reading in a terminal: a line for each use,
// stage and continent, and beneath it the weakest pairs.
func AuditText(out io.Writer, lines []AuditLine) {
	for i := range lines {
		l := &lines[i]
		fmt.Fprintf(out, "%s (%s), %s %s, stage %s, %s: %s\n", l.Taxon.Common, l.Taxon.Scientific, l.Part, l.Preparation, l.Stage, l.Continent, l.Words)
		for k, e := range l.Entries {
			if k >= 3 && e.RuledOut {
				break
			}
			var by []string
			for _, b := range e.By {
				by = append(by, b.ID)
			}
			if len(by) == 0 {
				by = []string{"nothing"}
			}
			state := "apart"
			if !e.RuledOut {
				state = "NOT apart"
			}
			fmt.Fprintf(out, "    %-9s %-10s %s, %s by %s\n", state, e.GradeWord, e.Taxon.Common, e.Words, strings.Join(by, ", "))
		}
	}
}
