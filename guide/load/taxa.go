package load

import (
	"strconv"
	"strings"

	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/spell"
	"zestythicket/internal/yamlpos"
)

var taxonFields = []string{"id", "kingdom", "rank", "parent", "scientific", "common", "names", "synonyms", "family", "summary",
	"equivalents", "profiles", "hazards", "protection", "hard-groups", "regions", "habitats", "hosts", "companions", "cues", "stages", "windows", "place",
	"before-pick", "uses", "not-gathered", "key", "lookalikes", "cautions", "before-eating", "remedy", "disputed", "cells", "sources", "confidence"}

var (
	ranks        = []string{"species", "group", "genus"}
	regions      = []string{"EU", "ENA", "WNA"}
	preparations = []string{"raw", "cooked", "dried"}
	gathered     = []string{"leaf", "flower", "fruit", "seed", "shoot", "stem", "root", "bark", "cap", "whole"}
	confidences  = []string{"good", "fair", "poor"}
)

func (l *loader) readTaxon(r yamlpos.Reader, data []byte) {
	n := r.Parse(data)
	if n == nil {
		return
	}
	m := r.Map(n, taxonFields...)
	r.Need(n, m, "id", "kingdom", "rank", "scientific", "common", "family", "summary", "hazards", "regions", "stages", "cells", "sources", "confidence")
	t := guide.Taxon{
		ID: r.Str(m["id"]), Parent: r.Str(m["parent"]), Scientific: r.Str(m["scientific"]), Family: r.Str(m["family"]),
		Summary: r.Str(m["summary"]), Equivalents: r.Strs(m["equivalents"]), Protection: r.Str(m["protection"]),
		Habitats: r.Strs(m["habitats"]), Hosts: r.Strs(m["hosts"]), Companions: r.Strs(m["companions"]), Cues: r.Strs(m["cues"]),
		Place: r.Str(m["place"]), BeforePick: r.Strs(m["before-pick"]), Before: r.Strs(m["before-eating"]), Remedy: r.Strs(m["remedy"]), File: r.File,
	}
	if was, ok := l.at["taxon "+t.ID]; ok {
		r.Fail(m["id"], "", "the taxon %q is already described in %s", t.ID, was.File)
		return
	}
	l.at["taxon "+t.ID] = yamlpos.Problem{File: r.File, Line: n.Line, Col: n.Column}
	if i := r.Word(m["kingdom"], "kingdom", guide.Words("kingdom")); i >= 0 {
		t.Kingdom = guide.Kingdom(i + 1)
	}
	t.Rank = pick(r, m["rank"], "rank", ranks)
	t.Confidence = pick(r, m["confidence"], "confidence", confidences)
	t.Stages = guide.StagesOf(t.Kingdom)
	if m["stages"] != nil {
		t.Stages = readStageSet(r, m["stages"])
	}
	t.Regions = words(r, m["regions"], "region", regions)
	t.HardGroups = words(r, m["hard-groups"], "hard group", l.groups)
	t.Sources = words(r, m["sources"], "source", l.sources)
	l.readNames(r, m, &t)
	l.readHazards(r, m["hazards"], &t)
	readWindows(r, m["windows"], &t)
	l.placeOf(r, &t, m["place"])
	readUses(r, m["uses"], &t)
	readWarnings(r, m, &t)
	for _, k := range r.Items(m["key"]) {
		km := r.Map(k, "stages", "traits")
		r.Need(k, km, "stages", "traits")
		t.Key = append(t.Key, guide.KeyTraits{Stages: readStageSet(r, km["stages"]), Traits: words(r, km["traits"], "trait", l.traitIDs)})
	}
	for _, k := range r.Items(m["not-gathered"]) {
		nm := r.Map(k, "stages", "regions", "why")
		r.Need(k, nm, "stages", "why")
		t.NotGathered = append(t.NotGathered, guide.NotGathered{Stages: readStageSet(r, nm["stages"]), Regions: words(r, nm["regions"], "region", regions), Why: r.Str(nm["why"])})
	}
	for _, k := range r.Items(m["disputed"]) {
		dm := r.Map(k, "question", "schools", "here")
		r.Need(k, dm, "question", "schools", "here")
		t.Disputed = append(t.Disputed, guide.Dispute{Question: r.Str(dm["question"]), Schools: r.Strs(dm["schools"]), Here: r.Str(dm["here"])})
	}
	t.Cells = l.readCells(r, m["cells"], t.Kingdom)
	l.inherit(r, m["profiles"], &t)
	l.nodes = append(l.nodes, taxonNodes{r, n, m})
	l.taxonAt[t.ID] = len(l.book.Taxa)
	l.taxonIDs = append(l.taxonIDs, t.ID)
	l.book.Taxa = append(l.book.Taxa, t)
}

// readCells reads what an entry or a profile says, trait by trait.
func (l *loader) readCells(r yamlpos.Reader, n *yaml.Node, kingdom guide.Kingdom) []guide.Cell {
	var out []guide.Cell
	for _, f := range r.Each(n) {
		tr := l.traits[f.Name]
		if tr == nil {
			r.Fail(f.Key, spell.Nearest(f.Name, l.traitIDs), "unknown trait %q", f.Name)
			continue
		}
		if tr.Kingdom != guide.KingdomUnclear && tr.Kingdom != kingdom {
			r.Fail(f.Key, "", "the trait %q is not one of a %s", tr.ID, kingdom)
			continue
		}
		c := guide.Cell{Trait: tr.ID}
		var covered guide.StageSet
		for _, vn := range r.Items(f.Value) {
			v := l.readVariant(r, vn, tr)
			if v.Stages&covered != 0 {
				r.Fail(vn, "give each stage to one line only", "%s is described twice for %s", tr.ID, strings.Join((v.Stages&covered).Strings(), ", "))
			}
			covered |= v.Stages
			v.Stages &= guide.StagesOf(kingdom)
			c.Variants = append(c.Variants, v)
		}
		out = append(out, c)
	}
	return out
}

type taxonNodes struct {
	r yamlpos.Reader
	n *yaml.Node
	m map[string]*yaml.Node
}

func pick(r yamlpos.Reader, n *yaml.Node, what string, known []string) string {
	if i := r.Word(n, what, known); i >= 0 {
		return known[i]
	}
	return ""
}

func words(r yamlpos.Reader, n *yaml.Node, what string, known []string) []string {
	var out []string
	for _, it := range r.Items(n) {
		if w := pick(r, it, what, known); w != "" {
			out = append(out, w)
		}
	}
	return out
}

// readNames puts the scientific and the first common name in front.
func (l *loader) readNames(r yamlpos.Reader, m map[string]*yaml.Node, t *guide.Taxon) {
	t.Names = []guide.Name{{Text: t.Scientific, Kind: "scientific"}}
	for i, c := range r.Strs(m["common"]) {
		if i == 0 {
			t.Common = c
		}
		t.Names = append(t.Names, guide.Name{Text: c, Kind: "common"})
	}
	for _, c := range r.Strs(m["synonyms"]) {
		t.Names = append(t.Names, guide.Name{Text: c, Kind: "synonym"})
	}
}

func (l *loader) readHazards(r yamlpos.Reader, n *yaml.Node, t *guide.Taxon) {
	for _, k := range r.Items(n) {
		hm := r.Map(k, "grade", "part", "stages", "preparation", "contact", "syndrome", "why", "onset", "source")
		r.Need(k, hm, "grade", "source")
		g := r.Int(hm["grade"])
		if g < 0 || g > 3 {
			r.Fail(hm["grade"], "0 no hazard noted, 1 unpleasant, 2 poisonous or harmful on contact, 3 deadly", "a hazard grade lies between 0 and 3")
		}
		h := guide.Hazard{Grade: guide.Grade(g), Contact: r.Bool(hm["contact"], false), Why: r.Str(hm["why"]), Onset: r.Str(hm["onset"]), Source: pick(r, hm["source"], "source", l.sources)}
		if hm["syndrome"] != nil {
			l.fromSyndrome(r, hm["syndrome"], &h)
		} else {
			r.Need(k, hm, "why")
		}
		if hm["part"] != nil {
			h.Part = pick(r, hm["part"], "part", gathered)
		}
		if hm["preparation"] != nil {
			h.Preparation = pick(r, hm["preparation"], "preparation", preparations)
		}
		if hm["stages"] != nil {
			h.Stages = readStageSet(r, hm["stages"])
		}
		t.Hazards = append(t.Hazards, h)
	}
}

func readUses(r yamlpos.Reader, n *yaml.Node, t *guide.Taxon) {
	for _, k := range r.Items(n) {
		um := r.Map(k, "part", "preparation", "stages", "rank", "regions", "quality", "harvest", "note")
		r.Need(k, um, "part", "preparation", "stages", "rank")
		u := guide.Use{Part: pick(r, um["part"], "part", gathered), Preparation: pick(r, um["preparation"], "preparation", preparations),
			Stages: readStageSet(r, um["stages"]), Rank: pick(r, um["rank"], "rank", ranks), Regions: words(r, um["regions"], "region", regions), Quality: r.Strs(um["quality"]), Harvest: r.Strs(um["harvest"]), Note: r.Str(um["note"])}
		if g := t.HazardFor(u.Part, u.Preparation, u.Stages, false); g > 0 {
			r.Fail(k, "correct the use or the hazard; in doubt, the higher grade", "the entry's own hazards grade this use as %s", g)
		}
		t.Uses = append(t.Uses, u)
	}
}

// readWarnings reads what a taxon is taken for and whom it harms; both only ever
// add to what is there.
func readWarnings(r yamlpos.Reader, m map[string]*yaml.Node, t *guide.Taxon) {
	for _, k := range r.Items(m["lookalikes"]) {
		lm := r.Map(k, "taxon", "why")
		r.Need(k, lm, "taxon", "why")
		t.Lookalikes = append(t.Lookalikes, guide.Lookalike{Taxon: r.Str(lm["taxon"]), Why: r.Str(lm["why"])})
	}
	for _, k := range r.Items(m["cautions"]) {
		cm := r.Map(k, "who", "refuse", "why", "source")
		r.Need(k, cm, "who", "why")
		t.Cautions = append(t.Cautions, guide.Caution{Who: r.Str(cm["who"]), Refuse: r.Bool(cm["refuse"], true), Why: r.Str(cm["why"]), Source: r.Str(cm["source"])})
	}
}

// readWindows reads spans of months such as 3-5 or 11-2 (over New Year).
func readWindows(r yamlpos.Reader, n *yaml.Node, t *guide.Taxon) {
	for _, k := range r.Items(n) {
		wm := r.Map(k, "stages", "months")
		r.Need(k, wm, "stages", "months")
		w := guide.Window{Stages: readStageSet(r, wm["stages"])}
		from, to, ok := strings.Cut(r.Str(wm["months"]), "-")
		if !ok {
			to = from
		}
		a, err1 := strconv.Atoi(from)
		b, err2 := strconv.Atoi(to)
		if err1 != nil || err2 != nil || a < 1 || a > 12 || b < 1 || b > 12 {
			r.Fail(wm["months"], "for example 3-5, or 11-2 over New Year", "a span of months is wanted here")
			continue
		}
		for i := a; ; i = i%12 + 1 {
			w.Months |= 1 << (i - 1)
			if i == b {
				break
			}
		}
		t.Windows = append(t.Windows, w)
	}
}

func (l *loader) readVariant(r yamlpos.Reader, n *yaml.Node, tr *guide.Trait) guide.Variant {
	v := guide.Variant{Stages: guide.StagesOf(tr.Kingdom), Kind: guide.Described}
	if n.Kind == yaml.ScalarNode {
		if n.Value == "inapplicable" {
			v.Kind = guide.Inapplicable
		} else {
			r.Fail(n, "write inapplicable, unknown: why, or always/usually/sometimes/rarely/never: states", "%q says nothing of %s", n.Value, tr.ID)
		}
		return v
	}
	m := r.Map(n, "stages", "always", "usually", "sometimes", "rarely", "never", "decisive", "source", "unknown", "inapplicable", "typical", "extreme", "unit")
	if m["stages"] != nil {
		v.Stages = readStageSet(r, m["stages"])
	}
	if m["source"] != nil {
		v.Source = pick(r, m["source"], "source", l.sources)
	}
	switch {
	case m["unknown"] != nil:
		v.Kind, v.Why = guide.Unknown, r.Str(m["unknown"])
		return v
	case m["inapplicable"] != nil:
		v.Kind = guide.Inapplicable
		return v
	case tr.Kind == guide.Measure:
		readRange(r, n, m, tr, &v)
		return v
	}
	v.Freq = make([]guide.Frequency, len(tr.States))
	for i, word := range guide.Words("frequency") {
		for _, it := range r.Items(m[word]) {
			s := r.Word(it, "state of "+tr.ID, stateIDs(tr))
			if s < 0 {
				continue
			}
			if v.Freq[s] != guide.Unlisted {
				r.Fail(it, "", "the state %q stands under two frequencies", it.Value)
			}
			v.Freq[s] = guide.Frequency(i + 1)
		}
	}
	if d := m["decisive"]; d != nil {
		if d.Value == "true" {
			v.Decisive = guide.NeverMask(tr, &v)
		} else {
			v.Decisive = stateMask(r, d, tr)
		}
		if tr.Class != guide.Structural && tr.Kind != guide.Timed {
			r.Fail(d, "", "only structural traits and timed reactions can be decisive, %s is %s", tr.ID, tr.Class)
		}
		if v.Decisive&^guide.NeverMask(tr, &v) != 0 {
			r.Fail(d, "list the state under never first", "a decisive state must be a never")
		}
		if v.Source == "" {
			r.Fail(d, "add source: …", "a decisive cell needs its source")
		}
	}
	return v
}

func readRange(r yamlpos.Reader, n *yaml.Node, m map[string]*yaml.Node, tr *guide.Trait, v *guide.Variant) {
	r.Need(n, m, "typical", "extreme", "unit")
	if u := r.Str(m["unit"]); m["unit"] != nil && u != tr.Unit {
		r.Fail(m["unit"], "write it in "+tr.Unit, "%s is measured in %s, not in %q", tr.ID, tr.Unit, u)
	}
	ty, ex := r.Items(m["typical"]), r.Items(m["extreme"])
	if len(ty) != 2 || len(ex) != 2 {
		r.Fail(n, "typical: [low, high] and extreme: [low, high]", "two ranges are wanted here")
		return
	}
	v.Range = [4]float64{r.Num(ex[0]), r.Num(ty[0]), r.Num(ty[1]), r.Num(ex[1])}
	for i := 1; i < 4; i++ {
		if v.Range[i] < v.Range[i-1] {
			r.Fail(n, "extreme low ≤ typical low ≤ typical high ≤ extreme high", "the ranges of %s are not in order", tr.ID)
			return
		}
	}
	if v.Range[0] < tr.Min || v.Range[3] > tr.Max {
		r.Fail(n, "", "a range of %s lies outside %g–%g %s", tr.ID, tr.Min, tr.Max, tr.Unit)
	}
}
