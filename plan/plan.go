// Package plan works out, before anybody goes out, what is likely to be up at a
// place on a day, which dangers share that ground and week, which pairs to brush
// up on, and what to carry. It is pure.
//
// Dangers come before what is wanted. What a window says never leaves a danger
// out: one whose season is not known, or out by the reckoning, is listed behind
// the others and marked, not dropped.
package plan

import (
	"cmp"
	"slices"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/phenology"
)

// SiteContext is what is known of the ground.
type SiteContext struct {
	Site     phenology.Site
	HasSite  bool
	Region   string // EU, ENA, WNA; empty: everywhere
	Habitats []string
}

// Window is the reckoned time of one stage set of one entry.
type Window struct {
	Taxon  int32
	Stages guide.StageSet
	Span   phenology.Span
}

// Observations is what the user adds to the reckoning.
type Observations struct {
	// Seen are first-seen days by taxon id, as ordinals, for one stage set each.
	Seen map[string][]Sighting
	// Late is by how many days this year runs late, over Years years.
	Late  float64
	Years int
	// Corrected are windows that the user set by hand, by taxon id.
	Corrected map[string][]Correction
}

// Sighting is a first-seen day.
type Sighting struct {
	Stage   guide.Stage
	Ordinal int
}

// Correction replaces the window of a stage at this place.
type Correction struct {
	Stage       guide.Stage
	Open, Close int // ordinals
}

// Windows reckons the windows of one entry at a place.
func Windows(b *guide.Guide, taxon int32, w *SiteContext, k *Observations, d phenology.Defaults) []Window {
	t := &b.Taxa[taxon]
	ref, hasRef := b.PlaceNamed(t.Place)
	continent := "EU"
	if len(t.Regions) > 0 {
		continent = guide.Continent(t.Regions[0])
	}
	var out []Window
	for _, win := range t.Windows {
		for _, span := range phenology.FromMonths(win.Months, d) {
			if hasRef && w.HasSite {
				there := phenology.Site{Lat: ref.Lat, Lon: ref.Lon, Alt: ref.Alt}
				span.Translate(phenology.GradientFor(continent), there, w.Site, w.Region == "" || guide.Continent(w.Region) == continent, d)
			}
			if k != nil {
				span.ShiftByYear(k.Late, k.Years, d)
				var seen []int
				for _, s := range k.Seen[t.ID] {
					if win.Stages.Has(s.Stage) && nearest(&span, s.Ordinal) {
						seen = append(seen, s.Ordinal)
					}
				}
				span.UpdateOpening(seen, d)
			}
			out = append(out, Window{taxon, win.Stages, span})
		}
	}
	if k != nil {
		out = correct(out, taxon, k.Corrected[t.ID], d)
	}
	return out
}

// nearest: a day belongs to the span whose opening it is less than a third of a
// year away from; a plant that flowers twice is not pulled from spring to autumn.
func nearest(s *phenology.Span, ordinal int) bool {
	return !s.AllYear && phenology.Apart(s.Open.At, float64(ordinal)) < phenology.Year/3
}

// correct puts what the user set in the place of what was reckoned for a stage.
func correct(list []Window, taxon int32, fixed []Correction, d phenology.Defaults) []Window {
	for _, c := range fixed {
		kept := list[:0:0]
		for _, w := range list {
			if w.Stages &^= guide.NewStageSet(c.Stage); w.Stages != 0 {
				kept = append(kept, w)
			}
		}
		span := phenology.Span{Open: phenology.Edge{At: float64(c.Open), Sd: d.YearSd}, Close: phenology.Edge{At: float64(c.Close), Sd: d.YearSd},
			Steps: []phenology.Step{{Code: "by-hand"}}}
		list = append(kept, Window{taxon, guide.NewStageSet(c.Stage), span})
	}
	return list
}

// Rise is how likely each stage of an entry is up on a day, the best of its windows;
// -1 where the guide gives no window for it.
func Up(windows []Window, stages guide.StageSet, ordinal int) map[guide.Stage]float64 {
	out := map[guide.Stage]float64{}
	stages.Each(func(s guide.Stage) { out[s] = -1 })
	for i := range windows {
		p := windows[i].Span.Up(ordinal)
		windows[i].Stages.Each(func(s guide.Stage) {
			if was, ok := out[s]; ok && p > was {
				out[s] = p
			}
		})
	}
	return out
}

// Likely is an entry that may be met.
type Likely struct {
	Taxon  int32
	Stages guide.StageSet // those that are up with at least [Least]
	P      float64        // of its best stage; -1 when no window is given
	Fits   bool           // one of its habitats is here
}

// Danger is a dangerous entry that may share the ground.
type Danger struct {
	Likely
	Grade   guide.Grade
	Contact bool
	Named   []int32 // hopes that name it as a lookalike
}

// Tool is something to carry, and the checks that ask for it.
type Tool struct {
	ID     string
	Traits []int32
}

// Plan is what comes of it.
type Plan struct {
	Dangers []Danger
	Hopes   []Likely
	Others  []Likely // food entries that are likely as well
	Tools   []Tool
	// Bags is how many kinds may come home: a paper bag for each.
	Bags int
	// Contact: a contact hazard may grow there.
	Contact bool
}

// Least is the chance from which a stage counts as up; our own default.
const Least = 0.1

// Build works a plan out. hopes are ids of entries.
func Build(e *evidence.Engine, w *SiteContext, hopes []string, ordinal int, k *Observations, d phenology.Defaults) Plan {
	ix := e.Index()
	b := ix.Book
	var p Plan
	wanted := map[int32]bool{}
	for _, h := range hopes {
		if at, ok := ix.TaxonAt(h); ok {
			wanted[at] = true
		}
	}
	here := ix.ContinentMask(w.Region)
	ground := ix.HabitatMask(w.Habitats)
	named := map[int32][]int32{}
	for h := range wanted {
		for _, l := range b.Taxa[h].Lookalikes {
			if at, ok := ix.TaxonAt(l.Taxon); ok {
				named[at] = append(named[at], h)
			}
		}
	}
	for i := range b.Taxa {
		at := int32(i)
		if w.Region != "" && ix.Continents[i] != 0 && ix.Continents[i]&here == 0 && !wanted[at] {
			continue
		}
		l := likely(b, at, w, k, ordinal, d)
		l.Fits = ground == 0 || ix.Habitats[i] == 0 || ix.Habitats[i]&ground != 0
		grade := ix.Worst[i]
		switch {
		case wanted[at]:
			p.Hopes = append(p.Hopes, l)
		case grade >= guide.Poisonous && (l.Fits || len(named[at]) > 0):
			slices.Sort(named[at])
			p.Dangers = append(p.Dangers, Danger{Likely: l, Grade: grade, Contact: ix.Contact[i] > 0, Named: named[at]})
			p.Contact = p.Contact || ix.Contact[i] > 0 && l.Fits && l.P != 0
		case l.Fits && l.P >= Least && len(b.Taxa[i].Uses) > 0:
			p.Others = append(p.Others, l)
		}
	}
	slices.SortStableFunc(p.Dangers, func(x, y Danger) int {
		return cmp.Or(-cmp.Compare(b2i(len(x.Named) > 0), b2i(len(y.Named) > 0)), -cmp.Compare(b2i(up(x.P)), b2i(up(y.P))), -cmp.Compare(x.Grade, y.Grade), -cmp.Compare(x.P, y.P))
	})
	byP := func(x, y Likely) int { return -cmp.Compare(x.P, y.P) }
	slices.SortStableFunc(p.Hopes, byP)
	slices.SortStableFunc(p.Others, byP)
	p.Tools = tools(e, w, p.Hopes)
	p.Bags = max(1, len(p.Hopes))
	return p
}

// up: likely enough, or not known.
func up(p float64) bool { return p < 0 || p >= Least }

// likely says which stages of an entry are up on a day.
func likely(b *guide.Guide, taxon int32, w *SiteContext, k *Observations, ordinal int, d phenology.Defaults) Likely {
	l := Likely{Taxon: taxon, P: -1}
	for s, p := range Up(Windows(b, taxon, w, k, d), b.Taxa[taxon].Stages, ordinal) {
		l.P = max(l.P, p)
		if up(p) {
			l.Stages |= guide.NewStageSet(s)
		}
	}
	return l
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// tools lists what the checks of the hoped-for targets need, at the stages that
// are up: the key traits and what tells them from their named dangers, and what
// prepares those.
func tools(e *evidence.Engine, w *SiteContext, hopes []Likely) []Tool {
	ix := e.Index()
	at := map[string]int{}
	var out []Tool
	take := func(id string, trait int32) {
		if id == "" {
			return
		}
		i, ok := at[id]
		if !ok {
			i = len(out)
			at[id] = i
			out = append(out, Tool{ID: id})
		}
		if !slices.Contains(out[i].Traits, trait) {
			out[i].Traits = append(out[i].Traits, trait)
		}
	}
	for _, h := range hopes {
		t := &ix.Book.Taxa[h.Taxon]
		h.Stages.Each(func(st guide.Stage) {
			f := &evidence.Find{Intent: evidence.Eat, Target: t.ID, Place: evidence.Place{Region: w.Region}, Specimens: []evidence.Specimen{{ID: "plan"}},
				Log: []evidence.Event{{Seq: 1, Kind: evidence.Staged, Specimen: "plan", Stages: guide.NewStageSet(st)}}}
			if len(t.Uses) > 0 {
				f.Part, f.Prep = t.Uses[0].Part, t.Uses[0].Preparation
			}
			for _, tick := range e.Checklist(f, "plan") {
				tr := &ix.Book.Traits[tick.Trait]
				take(tr.Tool, tick.Trait)
				if tr.NeedsWhole != 0 {
					take("trowel", tick.Trait)
				}
				if tr.HiddenOnDark|tr.HiddenOnWhite != 0 {
					take("paper", tick.Trait)
				}
				if tr.Smell {
					take("cloth", tick.Trait)
				}
				if after := ix.AfterOf[tick.Trait]; after >= 0 {
					take(ix.Book.Traits[after].Tool, tick.Trait)
				}
			}
		})
	}
	slices.SortStableFunc(out, func(x, y Tool) int { return cmp.Compare(len(y.Traits), len(x.Traits)) })
	return out
}
