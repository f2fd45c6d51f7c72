// Package casecheck holds a judgement to what a worked case expects of it. The
// same expectations are asked of the engine alone and of the engine behind the
// HTTP interface.
package casecheck

import (
	"fmt"
	"maps"
	"slices"

	"zestythicket/evidence"
	"zestythicket/exchange/casefile"
	"zestythicket/report"
)

// Against lists what a case expects of contradictions, entry by entry, and does not
// hold.
func Against(e *evidence.Engine, c *casefile.Case) []string {
	var out []string
	specimen := c.Expect.Specimen
	if specimen == "" && len(c.Find.Specimens) > 0 {
		specimen = c.Find.Specimens[0].ID
	}
	for _, taxon := range slices.Sorted(maps.Keys(c.Expect.Against)) {
		want, have := c.Expect.Against[taxon], e.Against(&c.Find, specimen, taxon)
		for _, w := range want {
			if !slices.Contains(have, w) {
				out = append(out, fmt.Sprintf("%s is not contradicted by %s, only by %v", taxon, w, have))
			}
		}
		if len(want) == 0 && len(have) > 0 {
			out = append(out, fmt.Sprintf("%s is contradicted by %v, want by nothing", taxon, have))
		}
	}
	return out
}

// Misses lists what a judgement does not hold of what a case expects, in words;
// none when it holds all of it.
func Misses(x *casefile.Expect, p *report.Patch) []string {
	var out []string
	miss := func(format string, args ...any) { out = append(out, fmt.Sprintf(format, args...)) }
	j := &p.Judgements[0]
	for i := range p.Judgements {
		if p.Judgements[i].Specimen == x.Specimen {
			j = &p.Judgements[i]
		}
	}
	entries := map[string]report.Entry{}
	for _, e := range j.Ledger {
		entries[e.Taxon.ID] = e
	}
	var obligations, refusals, shaky []string
	for _, o := range j.Obligations {
		obligations = append(obligations, o.Code)
		if o.Trait != nil {
			obligations = append(obligations, o.Code+":"+o.Trait.ID)
		}
		if o.Taxon != nil {
			obligations = append(obligations, o.Code+":"+o.Taxon.ID)
		}
		if o.Word != "" {
			obligations = append(obligations, o.Code+":"+o.Word)
		}
	}
	for _, r := range j.Refusals {
		refusals = append(refusals, r.Code)
	}
	for _, r := range j.Readings {
		if r.Soundness == "shaky" {
			shaky = append(shaky, r.Trait.ID)
		}
	}
	if x.Verdict != "" && j.Verdict != x.Verdict {
		miss("verdict %s, want %s (leave %v)", j.Verdict, x.Verdict, j.Leave)
	}
	for id, n := range x.Thorns {
		if e, ok := entries[id]; !ok || e.Thorns != n {
			miss("%s has %d thorns left (in the ledger: %v; %s), want %d", id, e.Thorns, ok, e.Words, n)
		}
	}
	for id := range x.Depths {
		miss("%s: steps are no longer counted; write how many thorns are left", id)
	}
	for _, id := range x.Out {
		if e, ok := entries[id]; !ok || !e.RuledOut {
			miss("%s is open, want it ruled out: %s", id, e.Words)
		}
	}
	for _, id := range x.Open {
		if e, ok := entries[id]; !ok || e.RuledOut {
			miss("%s is ruled out or not in the ledger, want it open", id)
		}
	}
	for _, l := range []struct {
		what       string
		want, have []string
	}{{"obligation", x.Obligations, obligations}, {"refusal", x.Refusals, refusals}, {"reason to leave it", x.Leave, j.Leave}, {"shaky reading", x.Shaky, shaky}} {
		for _, w := range l.want {
			if !slices.Contains(l.have, w) {
				miss("no %s %q among %v", l.what, w, l.have)
			}
		}
	}
	if x.Next != "" && (j.Next == nil || j.Next.Trait.ID != x.Next) {
		miss("next check %+v, want %s", j.Next, x.Next)
	}
	if x.Leader != "" && (len(j.Standing.Top) == 0 || j.Standing.Top[0].Taxon.ID != x.Leader) {
		miss("leader %v, want %s", j.Standing.Top, x.Leader)
	}
	if x.Held != nil && p.Held != *x.Held {
		miss("held %v, want %v", p.Held, *x.Held)
	}
	if x.FastPass != nil && p.FastPass.Exists != *x.FastPass {
		miss("fast pass %+v, want %v", p.FastPass, *x.FastPass)
	}
	if x.Counts != nil && !slices.Equal(x.Counts, []int{p.Passed, p.Failed, p.Unchecked}) {
		miss("passed, failed, unchecked: %d %d %d, want %v", p.Passed, p.Failed, p.Unchecked, x.Counts)
	}
	return out
}
