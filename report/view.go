// Package report turns a judgement into what people and programs read: the same
// conclusions as plain data with ids, each with its words. It is the only place
// that puts conclusions into words, so that the command line, the API and the
// screens say the same thing.
package report

import (
	"zestythicket/evidence"
	"zestythicket/guide"
)

// TaxonRef names an entry.
type TaxonRef struct {
	ID         string `json:"id"`
	Common     string `json:"common"`
	Scientific string `json:"scientific"`
	Origin     string `json:"origin,omitempty" enum:"yours,corrected," doc:"Whose entry it is; empty for what ships"`
}

// TraitRef names a trait.
type TraitRef struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Part string `json:"part"`
}

// Fix is a spoiler with what makes the reading good.
type Fix struct {
	Spoiler string `json:"spoiler"`
	Why     string `json:"why"`
	Do      string `json:"do"`
}

// Reading is one trait as it was read.
type Reading struct {
	Trait     TraitRef `json:"trait"`
	Seq       int64    `json:"seq" doc:"Number of the answer in the log"`
	Kind      string   `json:"kind"`
	States    []string `json:"states"`
	Words     string   `json:"words" doc:"The reading in words"`
	Value     float64  `json:"value,omitempty"`
	Error     float64  `json:"error,omitempty"`
	Unit      string   `json:"unit,omitempty"`
	Soundness string   `json:"soundness" enum:"mute,conflicting,shaky,sound"`
	Fixes     []Fix    `json:"fixes"`
	First     int64    `json:"first,omitempty" doc:"An earlier reading that differs"`
	Again     bool     `json:"again,omitempty"`
	From      string   `json:"from,omitempty" doc:"The specimen, physically joined to this one, on which it was read"`
	Taken     bool     `json:"taken,omitempty" doc:"Seen in the field, and taken over for the second look at home, where it can't be seen"`
	Out       bool     `json:"out,omitempty" doc:"Read differently once too often: this specimen says nothing of it any more"`
	Derived   bool     `json:"derived,omitempty" doc:"Follows from another reading: who saw the part saw that it is there"`
}

// Step is what one answer weighs in the ledger.
type Step struct {
	Trait      TraitRef `json:"trait"`
	Seq        int64    `json:"seq"`
	Words      string   `json:"words"`
	Weight     float64  `json:"weight" doc:"Decibans against the entry; below 0 it speaks for it"`
	Strength   string   `json:"strength" enum:"strong,fair,slight,tells-nothing,speaks-for-it"`
	Fact       int32    `json:"fact" doc:"Answers with the same number say one thing"`
	Structural bool     `json:"structural"`
	Counted    bool     `json:"counted"`
	Note       string   `json:"note,omitempty" doc:"Why it adds nothing"`
}

// Entry is one dangerous entry in the ledger.
type Entry struct {
	Taxon     TaxonRef `json:"taxon"`
	Grade     int      `json:"grade"`
	GradeWord string   `json:"gradeWord,omitempty" doc:"The fixed word of the grade; left out where steps are"`
	Weight    float64  `json:"weight" doc:"Evidence against it, in decibans"`
	Need      float64  `json:"need" doc:"What rules it out"`
	Left      float64  `json:"left,omitempty" doc:"What is still needed; left out once ruled out, and where steps are"`
	Thorns    int      `json:"thorns" doc:"Thorns left, of three; the last goes only when the whole rule is met"`
	Nick      float64  `json:"nick" doc:"How far the next thorn is cut, 0 to 1"`
	RuledOut  bool     `json:"ruledOut,omitempty"`
	Form      string   `json:"form,omitempty" doc:"The form of it that stands least against, in words; empty for the entry as described, and where steps are left out"`
	Named     bool     `json:"named,omitempty"`
	Contact   bool     `json:"contact,omitempty"`
	Share     float64  `json:"share,omitempty"`
	Words     string   `json:"words,omitempty" doc:"Weight of need, in words; left out where steps are"`
	Missing   string   `json:"missing,omitempty" doc:"What is missing, in words; left out where it is what need and weight say"`
	Steps     []Step   `json:"steps" doc:"When one specimen is asked for, those that weigh something against the entries at the head of the ledger; ask for the exclusion for all"`
}

// Share is one entry's part of the standing.
type Share struct {
	Taxon TaxonRef `json:"taxon"`
	P     float64  `json:"p"`
}

// Mover is a reading that raised or lowered an entry most.
type Mover struct {
	Taxon  TaxonRef `json:"taxon"`
	Trait  TraitRef `json:"trait"`
	Factor float64  `json:"factor"`
	Words  string   `json:"words"`
}

// Standing says how likely the entries are.
type Standing struct {
	Top         []Share `json:"top"`
	NotInGuide  float64 `json:"notInGuide"`
	TargetShare float64 `json:"targetShare"`
	TargetLeads bool    `json:"targetLeads"`
	Words       string  `json:"words"`
	Movers      []Mover `json:"movers"`
}

// Obligation is something open, with its next action.
type Obligation struct {
	Code  string    `json:"code"`
	Leg   string    `json:"leg"`
	Words string    `json:"words"`
	Do    string    `json:"do"`
	Trait *TraitRef `json:"trait,omitempty"`
	Taxon *TaxonRef `json:"taxon,omitempty"`
	Word  string    `json:"word,omitempty"`
}

// Refusal is something the tool says no to.
type Refusal struct {
	Code  string    `json:"code"`
	Words string    `json:"words"`
	Do    string    `json:"do"`
	Taxon *TaxonRef `json:"taxon,omitempty"`
	Trait *TraitRef `json:"trait,omitempty"`
	Word  string    `json:"word,omitempty"`
}

// Leg is one of the five things that must hold before eating.
type Leg struct {
	Name  string `json:"name"`
	Words string `json:"words"`
	Holds bool   `json:"holds"`
}

// Outcome says what one answer would do.
type Outcome struct {
	State    string  `json:"state"`
	Label    string  `json:"label"`
	P        float64 `json:"p"`
	Steps    int     `json:"steps"`
	Finished int     `json:"finished"`
	Target   string  `json:"target"`
	Against  bool    `json:"against"`
	Words    string  `json:"words"`
}

// Check is a check to make.
type Check struct {
	Trait    TraitRef  `json:"trait"`
	Ask      string    `json:"ask"`
	How      string    `json:"how"`
	For      string    `json:"for,omitempty" doc:"The check that this one prepares"`
	Key      bool      `json:"key"`
	First    bool      `json:"first" doc:"It can't be had after picking"`
	Gloves   bool      `json:"gloves"`
	Mends    bool      `json:"mends"`
	Better   bool      `json:"better" doc:"It was read before; looked at again by the method it would weigh more"`
	Score    float64   `json:"score"`
	Words    string    `json:"words"`
	Outcomes []Outcome `json:"outcomes"`
}

// Naming is how far a record is named.
type Naming struct {
	Rank  string  `json:"rank"`
	Name  string  `json:"name"`
	Share float64 `json:"share"`
}

// Judgement is everything about one specimen.
type Judgement struct {
	Specimen    string       `json:"specimen"`
	Guide       string       `json:"guide" doc:"Version of the guide"`
	Stages      []string     `json:"stages"`
	StageFixed  bool         `json:"stageFixed"`
	Verdict     string       `json:"verdict"`
	Word        string       `json:"word"`
	Says        string       `json:"says"`
	Legs        []Leg        `json:"legs"`
	Leave       []string     `json:"leave"`
	LeaveWords  []string     `json:"leaveWords"`
	Obligations []Obligation `json:"obligations"`
	Refusals    []Refusal    `json:"refusals"`
	Readings    []Reading    `json:"readings"`
	Ledger      []Entry      `json:"ledger"`
	Aside       []TaxonRef   `json:"aside" doc:"Entries of other continents, set aside in plain sight"`
	Standing    Standing     `json:"standing"`
	Next        *Check       `json:"next,omitempty"`
	Others      []Check      `json:"others"`
	Named       *Naming      `json:"named,omitempty"`
	Passed      bool         `json:"passed"`
	Failed      bool         `json:"failed"`
	DeadEnds    []DeadEnd    `json:"deadEnds" doc:"What no look that is left on this specimen can rule out"`
	Lost        []TraitRef   `json:"lost" doc:"Key traits that can't be seen on this specimen any more"`
}

// DeadEnd is a dangerous entry that can't be told from the target today.
type DeadEnd struct {
	Taxon    TaxonRef `json:"taxon"`
	Whatever bool     `json:"whatever" doc:"No other specimen at this stage could settle it either"`
	Words    string   `json:"words"`
}

// Brief is what was concluded of one specimen, in short.
type Brief struct {
	Specimen string `json:"specimen"`
	Verdict  string `json:"verdict"`
	Word     string `json:"word"`
	Open     int    `json:"open" doc:"Obligations still open"`
	Passed   bool   `json:"passed"`
	Failed   bool   `json:"failed"`
}

// Patch is what the specimens say together.
type Patch struct {
	Judgements []Judgement `json:"judgements" doc:"Of the specimens that were asked for"`
	Briefs     []Brief     `json:"briefs" doc:"Of every specimen"`
	Mixed      bool        `json:"mixed"`
	Held       bool        `json:"held"`
	Passed     int         `json:"passed"`
	Failed     int         `json:"failed"`
	Unchecked  int         `json:"unchecked"`
	ToRecheck  int         `json:"toRecheck"`
	Words      string      `json:"words"`
	Spot       *Spot       `json:"spot,omitempty" doc:"What a look at some of the basket leaves unseen"`
	FastPass   FastPass    `json:"fastPass"`
}

// Spot says what looking at some items leaves unseen. It frees nothing: what was
// not looked at stays unchecked.
type Spot struct {
	Looked   int     `json:"looked"`
	Of       int     `json:"of"`
	MissOne  float64 `json:"missOne" doc:"Chance that one item of another kind was missed, 0 to 1"`
	StillOdd int     `json:"stillOdd" doc:"Items that may still be another kind, at 95 %"`
	Words    string  `json:"words"`
}

// FastPass is the short set for item-by-item work, or why there is none.
type FastPass struct {
	Exists   bool       `json:"exists"`
	Ready    bool       `json:"ready"`
	Checks   []TraitRef `json:"checks"`
	Blocking []TaxonRef `json:"blocking"`
	Words    string     `json:"words"`
}

// writer builds views against one guide.
type writer struct {
	ix *guide.Index
	f  *evidence.Find
	j  *evidence.Judgement
}

func (w *writer) trait(i int32) TraitRef {
	t := &w.ix.Book.Traits[i]
	return TraitRef{t.ID, t.Name, t.Part.String()}
}

func (w *writer) traitPtr(i int32) *TraitRef {
	if i < 0 {
		return nil
	}
	r := w.trait(i)
	return &r
}

// Taxon names an entry of a guide.
func Taxon(ix *guide.Index, i int32) TaxonRef {
	t := &ix.Book.Taxa[i]
	return TaxonRef{t.ID, t.Common, t.Scientific, t.Origin}
}

func (w *writer) taxon(i int32) TaxonRef { return Taxon(w.ix, i) }

func (w *writer) taxonPtr(i int32) *TaxonRef {
	if i < 0 {
		return nil
	}
	r := w.taxon(i)
	return &r
}
