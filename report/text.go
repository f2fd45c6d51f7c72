package report

import (
	"fmt"
	"io"
	"strings"

	"zestythicket/evidence"
)

// Text writes a patch for reading in a terminal.
func Text(out io.Writer, p *Patch) {
	for i := range p.Judgements {
		if i > 0 {
			fmt.Fprintln(out)
		}
		p.Judgements[i].text(out)
	}
	fmt.Fprintf(out, "\n%s\n%s\n", p.Words, p.FastPass.Words)
	if p.Spot != nil {
		fmt.Fprintln(out, p.Spot.Words)
	}
}

func (j *Judgement) text(out io.Writer) {
	fmt.Fprintf(out, "Specimen %s (stage: %s), guide %s\n\n", j.Specimen, orNone(strings.Join(j.Stages, ", ")), j.Guide)
	fmt.Fprintf(out, "VERDICT  %s\n         %s\n", j.Word, j.Says)
	for _, l := range j.LeaveWords {
		fmt.Fprintf(out, "       - %s\n", l)
	}
	if j.Named != nil {
		fmt.Fprintf(out, "         %s (%.0f %% of the standing)\n", j.Named.Name, 100*j.Named.Share)
	}
	section(out, "OPEN", len(j.Obligations))
	for i, o := range j.Obligations {
		fmt.Fprintf(out, "  %2d. %s\n      → %s\n", i+1, o.Words, o.Do)
	}
	section(out, "REFUSED", len(j.Refusals))
	for _, r := range j.Refusals {
		fmt.Fprintf(out, "  %-22s %s %s\n", r.Code, r.Words, r.Do)
	}
	section(out, "DANGERS", len(j.Ledger))
	for _, e := range j.Ledger {
		state := "open"
		if e.RuledOut {
			state = "cut back"
		}
		fmt.Fprintf(out, "  %-9s %-10s %s (%s), %s  %s\n", state, e.GradeWord, e.Taxon.Common, e.Taxon.Scientific, e.Words, e.Missing)
		for _, s := range e.Steps {
			if !s.Counted || s.Strength == evidence.TellsNothing.String() {
				continue
			}
			fmt.Fprintf(out, "            %+5.0f %-13s %s: %s\n", s.Weight, s.Strength, s.Trait.Name, s.Words)
		}
	}
	fmt.Fprintf(out, "\nSTANDING  %s\n", j.Standing.Words)
	for _, s := range j.Standing.Top {
		if s.P >= 0.001 {
			fmt.Fprintf(out, "  %5.1f %%  %s (%s)\n", 100*s.P, s.Taxon.Common, s.Taxon.Scientific)
		}
	}
	fmt.Fprintf(out, "  %5.1f %%  something that is not in this guide\n", 100*j.Standing.NotInGuide)
	section(out, "READINGS", len(j.Readings))
	for _, r := range j.Readings {
		fmt.Fprintf(out, "  %-11s %s: %s\n", r.Soundness, r.Trait.Name, r.Words)
		for _, f := range r.Fixes {
			fmt.Fprintf(out, "              %s → %s\n", f.Why, f.Do)
		}
	}
	if j.Next == nil {
		fmt.Fprintln(out, "\nNEXT CHECK  none that would change anything")
		return
	}
	fmt.Fprintf(out, "\nNEXT CHECK  %s\n  %s %s\n", j.Next.Ask, j.Next.How, bracket(j.Next.Words))
	for _, o := range j.Next.Outcomes {
		fmt.Fprintf(out, "    %-32s %s\n", o.Label, o.Words)
	}
}

func section(out io.Writer, name string, n int) {
	if n > 0 {
		fmt.Fprintf(out, "\n%s\n", name)
	}
}

func orNone(s string) string {
	if s == "" {
		return "not stated"
	}
	return s
}

func bracket(s string) string {
	if s == "" {
		return ""
	}
	return "(" + s + ")"
}
