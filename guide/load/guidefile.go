// Package load reads the guide from YAML files: traits, stage checks, hard
// groups, sayings and sources, and one file for each taxon. It checks everything
// it reads and names file, line and column of whatever does not hold together.
//
// The directory looks like this:
//
//	sources.yaml      id: title
//	places.yaml       where the months of the entries hold
//	stages.yaml       which answers fix a stage
//	hard-groups.yaml  groups that ask for a sign-off
//	sayings.yaml      folk rules, refused by name
//	syndromes.yaml    how poisons work, when they are felt, whom to call
//	kitchen.yaml      what to do first, how much to leave, first steps in need
//	traits/*.yaml     lists of traits
//	profiles/*.yaml   what all members of a family or growth form share
//	taxa/**/*.yaml    one taxon a file
//	forms/*.yaml      the forms of an entry: juvenile, weathered …
//	weights/          facts, confusions and mishaps: what weighs an answer
//	readings/         readers.yaml and the tables of those who read entries too
package load

import (
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"io/fs"
	"path"
	"sort"
	"strings"

	"zestythicket/guide"
	"zestythicket/internal/yamlpos"
)

type loader struct {
	fsys     fs.FS
	book     *guide.Guide
	problems yamlpos.Problems
	traits   map[string]*guide.Trait
	traitIDs []string
	at       map[string]yamlpos.Problem // where a thing was declared, by "kind id"
	taxonAt  map[string]int
	sources  []string
	groups   []string
	hash     map[string][]byte
	links    []link
	nodes    []taxonNodes
	taxonIDs []string

	profiles   map[string]profile
	profileIDs []string
	syndromes  []string
}

// Load reads a guide. On problems with the content the error is a
// [yamlpos.Problems]; the book is then nil.
func Load(fsys fs.FS) (*guide.Guide, error) {
	l, err := read(fsys)
	if err != nil {
		return nil, err
	}
	return l.book, nil
}

// read loads and checks everything and keeps what an overlay needs to join it.
func read(fsys fs.FS) (*loader, error) {
	l := &loader{fsys: fsys, book: &guide.Guide{}, traits: map[string]*guide.Trait{}, at: map[string]yamlpos.Problem{}, taxonAt: map[string]int{}, hash: map[string][]byte{}, profiles: map[string]profile{}}
	files, err := l.files()
	if err != nil {
		return nil, err
	}
	for _, step := range []struct {
		match string
		read  func(r yamlpos.Reader, data []byte)
	}{
		{"sources.yaml", l.readSources},
		{"places.yaml", l.readPlaces},
		{"hard-groups.yaml", l.readHardGroups},
		{"syndromes.yaml", l.readSyndromes},
		{"traits/", l.readTraits},
		{"stages.yaml", l.readStages},
		{"sayings.yaml", l.readSayings},
		{"profiles/", l.readProfile},
		{"taxa/", l.readTaxon},
		{"kitchen.yaml", l.readKitchen},
		{"weights/facts.yaml", l.readFacts},
		{"weights/confusions.yaml", l.readMisnamings},
		{"weights/mishaps.yaml", l.readMishaps},
		{"forms/", l.readForms},
		{"readings/readers.yaml", l.readReaders},
	} {
		for _, f := range files {
			if f == step.match || strings.HasSuffix(step.match, "/") && strings.HasPrefix(f, step.match) {
				step.read(yamlpos.Reader{File: f, Problems: &l.problems}, l.hash[f])
			}
		}
		if step.match == "traits/" {
			l.linkTraits()
		}
	}
	l.checkTaxa()
	l.nameBack()

	if len(l.problems) > 0 {
		return nil, l.problems
	}
	all := make([]string, 0, len(l.hash))
	for f := range l.hash {
		all = append(all, f)
	}
	sort.Strings(all)
	l.book.Version = l.version(all)
	return l, nil
}

// LoadIndex reads a guide and lays it out in columns with the default weights.
func LoadIndex(fsys fs.FS) (*guide.Index, error) {
	b, err := Load(fsys)
	if err != nil {
		return nil, err
	}
	return guide.Compile(b, guide.DefaultWeights())
}

func (l *loader) files() ([]string, error) {
	var files []string
	err := fs.WalkDir(l.fsys, ".", func(p string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() || path.Ext(p) != ".yaml" {
			return nil
		}
		data, err := fs.ReadFile(l.fsys, p)
		if err != nil {
			return err
		}
		l.hash[p] = data
		files = append(files, p)
		return nil
	})
	if err != nil {
		return nil, fmt.Errorf("guide files: %w", err)
	}
	if len(files) == 0 {
		return nil, fmt.Errorf("guide files: no .yaml file was found")
	}
	sort.Strings(files)
	return files, nil
}

// version is a hash over names and contents, short enough to print on a card.
func (l *loader) version(files []string) string {
	h := sha256.New()
	for _, f := range files {
		fmt.Fprintf(h, "%s %d\n", f, len(l.hash[f]))
		h.Write(l.hash[f])
	}
	return hex.EncodeToString(h.Sum(nil))[:16]
}

func (l *loader) readSources(r yamlpos.Reader, data []byte) {
	for _, f := range r.Each(r.Parse(data)) {
		l.book.Sources = append(l.book.Sources, guide.Source{ID: f.Name, Title: r.Str(f.Value)})
		l.sources = append(l.sources, f.Name)
	}
}

func (l *loader) readHardGroups(r yamlpos.Reader, data []byte) {
	for _, f := range r.Each(r.Parse(data)) {
		m := r.Map(f.Value, "name", "why", "covers", "asked")
		r.Need(f.Key, m, "name", "why", "covers")
		l.book.HardGroups = append(l.book.HardGroups, guide.HardGroup{ID: f.Name, Name: r.Str(m["name"]), Why: r.Str(m["why"]), Covers: r.Strs(m["covers"]), Asked: r.Bool(m["asked"], true)})
		l.groups = append(l.groups, f.Name)
	}
}

func (l *loader) readSayings(r yamlpos.Reader, data []byte) {
	for _, f := range r.Each(r.Parse(data)) {
		m := r.Map(f.Value, "saying", "why", "instead")
		r.Need(f.Key, m, "saying", "why", "instead")
		l.book.Sayings = append(l.book.Sayings, guide.Saying{ID: f.Name, Saying: r.Str(m["saying"]), Why: r.Str(m["why"]), Instead: r.Str(m["instead"])})
	}
}

func (l *loader) readStages(r yamlpos.Reader, data []byte) {
	m := r.Map(r.Parse(data), "checks")
	for _, n := range r.Items(m["checks"]) {
		c := r.Map(n, "trait", "state", "fixes")
		r.Need(n, c, "trait", "state", "fixes")
		t := l.trait(r, c["trait"])
		if t == nil {
			continue
		}
		if i := r.Word(c["state"], "state of "+t.ID, stateIDs(t)); i >= 0 {
			l.book.StageChecks = append(l.book.StageChecks, guide.StageCheck{Trait: t.ID, State: t.States[i].ID, Stages: readStageSet(r, c["fixes"])})
		}
	}
}
