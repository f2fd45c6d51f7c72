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
	Holds       bool         `json:"holds" doc:"Every dangerous entry can be told apart then"`
	Words       string       `json:"words"`
	Entries     []AuditEntry `json:"entries"`
}

// AuditEntry is one dangerous entry in an audit line.
type AuditEntry struct {
	Taxon     TaxonRef   `json:"taxon"`
	GradeWord string     `json:"gradeWord"`
	Grade     int        `json:"grade"`
	Depth     int        `json:"depth"`
	Need      int        `json:"need"`
	RuledOut  bool       `json:"ruledOut"`
	Decisive  bool       `json:"decisive"`
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
		a := AuditLine{Taxon: w.taxon(l.Taxon), Part: l.Use.Part, Preparation: l.Use.Preparation, Stage: l.Stage.String(), Continent: l.Continent, Refused: l.Refused, Holds: l.Holds, Entries: []AuditEntry{}}
		open := 0
		for k := range l.Entries {
			e := &l.Entries[k]
			x := AuditEntry{Taxon: w.taxon(e.Taxon), GradeWord: e.Grade.String(), Grade: int(e.Grade), Depth: e.Depth, Need: e.Need, RuledOut: e.RuledOut, Decisive: e.Decisive, Named: e.Named, By: []TraitRef{}}
			for _, b := range e.By {
				x.By = append(x.By, w.trait(b))
			}
			if !e.RuledOut || e.Margin < 0 {
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
		case open > 0:
			a.Words = fmt.Sprintf("FAILS: %d of %d dangerous entries can't be told apart", open, len(l.Entries))
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
			fmt.Fprintf(out, "    %-9s %-10s %s, %d of %d by %s\n", state, e.GradeWord, e.Taxon.Common, e.Depth, e.Need, strings.Join(by, ", "))
		}
	}
}
