package finds

import (
	"slices"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/records"
	"zestythicket/report"
	"zestythicket/store"
)

// Line is one line of the log as it is shown.
type Line struct {
	Seq      int64  `json:"seq"`
	Kind     string `json:"kind"`
	Specimen string `json:"specimen"`
	AtMS     int64  `json:"atMs"`
	Undone   bool   `json:"undone" doc:"It was taken back by a later line"`
	Undoable bool   `json:"undoable" doc:"Handling and picking can't be taken back"`
	Body     Body   `json:"body"`
}

// Specimen is one individual of a find.
type Specimen struct {
	ID       string `json:"id"`
	JoinedTo string `json:"joinedTo,omitempty"`
	Count    int    `json:"count,omitempty" minimum:"0" maximum:"100000" doc:"Items looked at one by one with these same answers; 0 when that was not said"`
}

// View is a find with its log and everything that follows from it.
type View struct {
	ID        string           `json:"id"`
	Title     string           `json:"title"`
	Place     string           `json:"place"`
	PlaceID   string           `json:"placeId,omitempty" doc:"Of a stored place; its name may change"`
	Day       string           `json:"day"`
	Person    string           `json:"person"`
	CreatedMS int64            `json:"createdMs"`
	Facts     Facts            `json:"facts"`
	Target    *report.TaxonRef `json:"target,omitempty"`
	Specimens []Specimen       `json:"specimens"`
	Log       []Line           `json:"log" doc:"With a specimen in the hand: its lines, and what was handled and picked"`
	Lines     int              `json:"lines" doc:"How many the log has in all"`
	Waits     []Wait           `json:"waits" doc:"Tests that take time, running"`
	Patch     report.Patch     `json:"patch"`
	Wear      report.Wear      `json:"wear" doc:"What hands, gloves and blade carry, and the smell tests it spoils"`
	Plan      *Plan            `json:"plan,omitempty" doc:"Where something cut that harms on contact goes, and when"`
	Photos    []Photo          `json:"photos"`

	ix     *guide.Index
	find   *evidence.Find
	judged *evidence.Patch
}

// View reads a find and judges it, with everything about each of its specimens.
func (c *Service) View(id string) (*View, error) {
	f, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	return c.Judge(f)
}

// Bench reads a find as the bench shows it, with one specimen in the hand.
func (c *Service) Bench(id, specimen string) (*View, error) {
	f, err := c.Store.Find(id)
	if err != nil {
		return nil, err
	}
	v, err := c.Judge(f)
	if err == nil {
		v.Hold(specimen)
	}
	return v, err
}

// Hold leaves of a view what the bench shows with one specimen in the hand.
func (v *View) Hold(specimen string) *View {
	v.Patch = report.OfPatchFor(v.ix, v.find, v.judged, specimen)
	if len(v.Patch.Judgements) > 0 {
		specimen = v.Patch.Judgements[0].Specimen
	}
	v.Log = slices.DeleteFunc(v.Log, func(l Line) bool {
		return l.Specimen != specimen && l.Kind != evidence.Handled.String() && l.Kind != evidence.CleanHands.String() && l.Kind != evidence.Picked.String()
	})
	return v
}

// Judge reads what is stored of a find and judges it, each specimen in full.
func (c *Service) Judge(row *store.Find) (*View, error) {
	f, log, err := c.Assemble(row)
	if err != nil {
		return nil, err
	}
	v := &View{ID: row.ID, Title: row.Title, Place: row.PlaceName, Day: row.Day, Person: row.PersonID, CreatedMS: row.CreatedMS, Log: log, Specimens: []Specimen{}}
	if err := records.Decode(row.Facts, &v.Facts); err != nil {
		return nil, err
	}
	v.Facts.Rev, v.Lines = row.Rev, len(log)
	v.PlaceID, v.Place = row.PlaceID, c.placeName(row)
	for _, s := range f.Specimens {
		v.Specimens = append(v.Specimens, Specimen{s.ID, s.JoinedTo, s.Count})
	}
	if v.Waits, err = c.waits(row.ID); err != nil {
		return nil, err
	}
	ix := c.Engine.Index()
	if at, ok := ix.TaxonAt(f.Target); ok {
		t := report.Taxon(ix, at)
		v.Target = &t
	}
	p := c.Engine.JudgePatch(f)
	v.ix, v.find, v.judged = ix, f, &p
	v.Patch = report.OfPatch(ix, f, &p)
	wear := c.Engine.Wear(f)
	v.Wear = report.OfWear(ix, f, &wear)
	v.Plan = planOf(&v.Facts, &v.Patch)
	v.Photos, err = c.photos(row.ID)
	return v, err
}

// placeName is the name of a find's place as it is today.
func (c *Service) placeName(row *store.Find) string {
	if row.PlaceID != "" {
		if p, err := c.Ground.Place(row.PlaceID); err == nil {
			return p.Name
		}
	}
	return row.PlaceName
}

// keep stores the verdicts of a view: what was decided, by which guide, on which
// answers, for which reasons.
//
// A tap is kept only when it changed a verdict: what else it did follows from the log
// (see [Service.History]). What changes beside the log is kept when any reason changed.
func (c *Service) keep(v *View, tap bool) error {
	var upto int64
	if n := len(v.Log); n > 0 {
		upto = v.Log[n-1].Seq
	}
	for i := range v.Patch.Judgements {
		j := &v.Patch.Judgements[i]
		r := reasonsOf(j)
		if r.Beside = !tap; r.Beside {
			r.Facts = &v.Facts
		}
		err := c.Store.KeepVerdict(tap, &store.Verdict{FindID: v.ID, Specimen: j.Specimen, UptoSeq: upto, GuideVersion: j.Guide,
			Verdict: j.Verdict, Reasons: store.JSON(r), AtMS: c.Now().UnixMilli()})
		if err != nil {
			return err
		}
	}
	return nil
}

// Reasons is a verdict in codes, as it is stored.
type Reasons struct {
	Leave       []string           `json:"leave,omitempty"`
	Obligations []string           `json:"obligations,omitempty"`
	Refusals    []string           `json:"refusals,omitempty"`
	Readings    map[string]string  `json:"readings,omitempty"`
	Ledger      map[string]string  `json:"ledger,omitempty"`
	Steps       map[string][]int64 `json:"steps,omitempty"`
	// Beside: what changed was beside the log: facts, specimens, counts.
	Beside bool `json:"beside,omitempty"`
	// Facts are those from then on, where Beside holds.
	Facts *Facts `json:"facts,omitempty"`
}

func reasonsOf(j *report.Judgement) Reasons {
	r := Reasons{Leave: j.Leave, Readings: map[string]string{}, Ledger: map[string]string{}, Steps: map[string][]int64{}}
	for _, o := range j.Obligations {
		s := o.Code
		switch {
		case o.Taxon != nil:
			s += ":" + o.Taxon.ID
		case o.Trait != nil:
			s += ":" + o.Trait.ID
		case o.Word != "":
			s += ":" + o.Word
		}
		r.Obligations = append(r.Obligations, s)
	}
	for _, x := range j.Refusals {
		r.Refusals = append(r.Refusals, x.Code)
	}
	for _, x := range j.Readings {
		r.Readings[x.Trait.ID] = x.Soundness + " " + x.Kind + " " + strings.Join(x.States, "+")
	}
	for _, e := range j.Ledger {
		state := "open"
		if e.RuledOut {
			state = "out"
		}
		r.Ledger[e.Taxon.ID] = state + " " + e.Words
		for _, s := range e.Steps {
			if s.Counted {
				r.Steps[e.Taxon.ID] = append(r.Steps[e.Taxon.ID], s.Seq)
			}
		}
	}
	return r
}

func titleOf(v *View) string {
	switch {
	case v.Title != "":
		return v.Title
	case v.Target != nil:
		return v.Target.Common
	}
	return "A find"
}
