package load

import (
	"errors"
	"io/fs"
	"slices"

	"go.yaml.in/yaml/v3"

	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
)

// correctable are the fields by which an overlay may correct a shipped entry.
// Uses and key traits are left alone: what may be eaten is the guide's to say.
var correctable = []string{"id", "common", "synonyms", "regions", "habitats", "hosts", "companions", "cues", "windows", "place",
	"lookalikes", "hazards", "cautions", "before-pick", "before-eating", "not-gathered", "cells"}

// LoadOverlay reads a guide and lays a user's own files over it: whole entries
// under new ids, and corrections of shipped ones, which name the id and only
// what is to be changed. A file that does not hold together is left out, told in
// the problems, and the rest still loads. name stands before the file names of
// the overlay. An overlay may never lower a hazard or change a trait.
//
// The error is that of [Load]: the shipped guide itself is broken.
func LoadOverlay(shipped, overlay fs.FS, name string) (*guide.Guide, yamlpos.Problems, error) {
	l, err := read(shipped)
	if err != nil {
		return nil, nil, err
	}
	o := &loader{fsys: overlay, hash: map[string][]byte{}}
	files, err := o.files()
	if err != nil {
		if errors.Is(err, fs.ErrNotExist) || len(o.hash) == 0 {
			return l.book, nil, nil // no files of their own
		}
		return nil, nil, err
	}
	own := &overlaid{loader: l, problems: map[string]*yamlpos.Problems{}, files: map[string]string{}, ship: len(l.book.Taxa)}
	for _, f := range files {
		own.read(f, name, o.hash[f])
	}
	own.settle()
	var all yamlpos.Problems
	for _, f := range files {
		l.hash["overlay/"+f] = o.hash[f]
		all = append(all, *own.problems[f]...)
	}
	var hashed []string
	for f := range l.hash {
		hashed = append(hashed, f)
	}
	slices.Sort(hashed)
	l.book.Version = l.version(hashed)
	return l.book, all, nil
}

// overlaid is a loaded guide while an overlay joins it.
type overlaid struct {
	*loader
	problems map[string]*yamlpos.Problems // by file
	files    map[string]string            // by taxon: the overlay file it came from
	ship     int                          // how many entries ship
}

func (o *overlaid) read(file, name string, data []byte) {
	ps := &yamlpos.Problems{}
	o.problems[file] = ps
	r := yamlpos.Reader{File: name + "/" + file, Problems: ps}
	root := r.Parse(data)
	if root == nil {
		return
	}
	if root.Kind != yaml.MappingNode {
		o.refuseTraits(r, root)
		return
	}
	id := ""
	for i := 0; i+1 < len(root.Content); i += 2 {
		if root.Content[i].Value == "id" {
			id = root.Content[i+1].Value
		}
	}
	if at, ok := o.taxonAt[id]; ok && at < o.ship && o.files[id] == "" {
		o.correct(r, root, at)
		return
	}
	before := len(o.book.Taxa)
	o.readTaxon(r, data)
	if len(o.book.Taxa) == before {
		return
	}
	t := &o.book.Taxa[before]
	t.Origin = "yours"
	o.files[t.ID] = file
}

// refuseTraits: a list is a file of traits, which an overlay can't hold.
func (o *overlaid) refuseTraits(r yamlpos.Reader, root *yaml.Node) {
	for _, n := range root.Content {
		m := r.Map(n, traitFields...)
		id := r.Str(m["id"])
		if was, ok := o.at["trait "+id]; ok {
			r.Fail(n, "answers already stored depend on it; describe your entry with the trait as it is", "the trait %q is shipped (%s:%d) and can't be redefined", id, was.File, was.Line)
			continue
		}
		r.Fail(n, "write one entry a file, beginning with id: …", "a file of your own holds entries, not traits")
	}
	if root.Kind != yaml.SequenceNode {
		r.Fail(root, "begin with id: …", "an entry is wanted here")
	}
}

// correct applies a correction to a copy and takes it over when it holds
// together.
func (o *overlaid) correct(r yamlpos.Reader, root *yaml.Node, at int) {
	m := r.Map(root, correctable...)
	was := o.book.Taxa[at]
	t := was
	t.Names, t.Hazards, t.Lookalikes, t.Cautions, t.NotGathered = slices.Clone(was.Names), slices.Clone(was.Hazards), slices.Clone(was.Lookalikes), slices.Clone(was.Cautions), slices.Clone(was.NotGathered)
	if m["regions"] != nil {
		t.Regions = words(r, m["regions"], "region", regions)
	}
	for field, list := range map[string]*[]string{"habitats": &t.Habitats, "hosts": &t.Hosts, "companions": &t.Companions, "cues": &t.Cues, "before-pick": &t.BeforePick, "before-eating": &t.Before} {
		if m[field] != nil {
			*list = r.Strs(m[field])
		}
	}
	for _, c := range r.Strs(m["common"]) {
		t.Names = append(t.Names, guide.Name{Text: c, Kind: "common"})
	}
	for _, c := range r.Strs(m["synonyms"]) {
		t.Names = append(t.Names, guide.Name{Text: c, Kind: "synonym"})
	}
	if m["place"] != nil {
		t.Place = r.Str(m["place"])
	}
	if m["windows"] != nil {
		t.Windows = nil
		readWindows(r, m["windows"], &t)
	}
	readWarnings(r, m, &t)
	for _, k := range r.Items(m["not-gathered"]) {
		nm := r.Map(k, "stages", "regions", "why")
		r.Need(k, nm, "stages", "why")
		t.NotGathered = append(t.NotGathered, guide.NotGathered{Stages: readStageSet(r, nm["stages"]), Regions: words(r, nm["regions"], "region", regions), Why: r.Str(nm["why"])})
	}
	o.addHazards(r, m["hazards"], &was, &t)
	t.Cells = o.corrected(was.Cells, o.readCells(r, m["cells"], t.Kingdom))
	t.Origin = "corrected"
	if len(*r.Problems) > 0 {
		return
	}
	o.book.Taxa[at] = t
	keep := o.nodes[at]
	o.nodes[at] = taxonNodes{r, root, m}
	o.checkTaxon(at)
	if len(*r.Problems) > 0 {
		o.book.Taxa[at], o.nodes[at] = was, keep
	}
}

// addHazards adds lines of hazard; one that grades anything lower than the
// shipped entry does is refused.
func (o *overlaid) addHazards(r yamlpos.Reader, n *yaml.Node, was, t *guide.Taxon) {
	for _, k := range r.Items(n) {
		from := len(t.Hazards)
		one := &yaml.Node{Kind: yaml.SequenceNode, Tag: "!!seq", Line: k.Line, Column: k.Column, Content: []*yaml.Node{k}}
		o.readHazards(r, one, t)
		for _, h := range t.Hazards[from:] {
			if shipped := was.HazardFor(h.Part, h.Preparation, h.Stages, h.Contact); h.Grade < shipped && !h.Contact || h.Contact && h.Grade < was.ContactHazard() {
				r.Fail(k, "an overlay may only raise a hazard; leave this line out", "this line would grade %s lower than the shipped guide does (%s)", was.Common, shipped)
			}
		}
	}
}

func (o *overlaid) corrected(was, now []guide.Cell) []guide.Cell {
	out := slices.Clone(was)
	for _, c := range now {
		c.From = "yours"
		if i := slices.IndexFunc(out, func(x guide.Cell) bool { return x.Trait == c.Trait }); i >= 0 {
			out[i] = c
		} else {
			out = append(out, c)
		}
	}
	return out
}

// settle checks the new entries once all are read, since they may name each
// other, and drops those that do not hold together until nothing changes.
func (o *overlaid) settle() {
	for changed := true; changed; {
		changed = false
		for i := o.ship; i < len(o.book.Taxa); i++ {
			file := o.files[o.book.Taxa[i].ID]
			if len(*o.problems[file]) == 0 {
				o.checkTaxon(i)
			}
			if len(*o.problems[file]) > 0 {
				o.drop(i)
				changed = true
				break
			}
		}
	}
}

func (o *overlaid) drop(i int) {
	id := o.book.Taxa[i].ID
	o.book.Taxa = slices.Delete(o.book.Taxa, i, i+1)
	o.nodes = slices.Delete(o.nodes, i, i+1)
	delete(o.taxonAt, id)
	delete(o.at, "taxon "+id)
	o.taxonIDs = slices.DeleteFunc(o.taxonIDs, func(s string) bool { return s == id })
	for k := i; k < len(o.book.Taxa); k++ {
		o.taxonAt[o.book.Taxa[k].ID] = k
	}
}
