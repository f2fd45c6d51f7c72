package finds

import (
	"time"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/people"
	"zestythicket/records"
	"zestythicket/store"
)

// Facts is what is known of a find beside its log.
type Facts struct {
	Intent     string   `json:"intent" enum:"eat,remedy,clear,keep,record"`
	Kingdom    string   `json:"kingdom,omitempty" enum:"plant,fungus,unclear," doc:"When there is no target"`
	Target     string   `json:"target,omitempty" doc:"What it is believed to be"`
	Part       string   `json:"part,omitempty" doc:"Of the use: leaf, fruit, cap …"`
	Prep       string   `json:"preparation,omitempty" doc:"Of the use: raw, cooked, dried"`
	Region     string   `json:"region,omitempty" enum:"EU,ENA,WNA,"`
	Habitats   []string `json:"habitats,omitempty"`
	Ground     string   `json:"ground,omitempty" enum:"clean,sprayed,roadside,fouled,industrial,"`
	Permission string   `json:"permission,omitempty" enum:"yes,no,unanswered,"`
	Protected  string   `json:"protected,omitempty" enum:"yes,no,unanswered,"`
	Limit      string   `json:"limit,omitempty" maxLength:"200"`
	Tools      []string `json:"tools,omitempty"`
	Recalled   []string `json:"recalled,omitempty" doc:"Entries of other continents brought back"`
	Picked     int      `json:"picked,omitempty" minimum:"0" maximum:"100000"`

	SecondOf string    `json:"secondOf,omitempty" maxLength:"40" doc:"The find that this is the second look at"`
	Disposal *Disposal `json:"disposal,omitempty" doc:"Of a find to be cleared"`
	records.Revision
}

// Body is what one line of the log says; which fields count depends on its kind.
type Body struct {
	Stages []string `json:"stages,omitempty"`
	Answer *Answer  `json:"answer,omitempty"`
	Smell  string   `json:"smell,omitempty"`
	On     string   `json:"on,omitempty" enum:"hands,gloves,blade," doc:"Of handling and cleaning; empty for the hands"`
	Undoes int64    `json:"undoes,omitempty"`
	Note   string   `json:"note,omitempty"`
	Saying string   `json:"saying,omitempty"`
}

// Answer is what was said of one trait.
type Answer struct {
	Trait     string   `json:"trait"`
	Kind      string   `json:"kind" enum:"not-inspected,seen,any-of,all-of,measured,absent,not-now,not-here,damaged,spoilt,cant-tell,reported,not-safe-to-test"`
	States    []string `json:"states,omitempty"`
	Value     float64  `json:"value,omitempty" doc:"In the trait's unit"`
	Error     float64  `json:"error,omitempty" minimum:"0"`
	Unsure    bool     `json:"unsure,omitempty"`
	Light     string   `json:"light,omitempty" enum:"poor,coloured,"`
	Surface   string   `json:"surface,omitempty" enum:"soil,rain,frost,"`
	Count     int      `json:"count,omitempty" minimum:"0" maximum:"1000"`
	Minutes   float64  `json:"minutes,omitempty" minimum:"0"`
	Paper     string   `json:"paper,omitempty" enum:"white,dark,half,"`
	Detached  bool     `json:"detached,omitempty"`
	Malformed bool     `json:"malformed,omitempty"`
	Method    string   `json:"method,omitempty" maxLength:"200" doc:"How it was looked at: by the way that the guide describes, or how a second look was made"`
	From      string   `json:"from,omitempty" enum:"neighbour,person,custom,web,"`
	With      string   `json:"with,omitempty" enum:"hands,gloves,blade," doc:"What a smell was tested with; empty for the hands"`
}

// Assemble builds what the engine is told from what is stored. A second look at
// home takes over what only the field could see.
func (c *Service) Assemble(row *store.Find) (*evidence.Find, []Line, error) {
	f, lines, err := c.assembleOwn(row)
	if err != nil {
		return nil, nil, err
	}
	var facts Facts
	if err := records.Decode(row.Facts, &facts); err != nil {
		return nil, nil, err
	}
	if facts.SecondOf != "" && facts.SecondOf != row.ID {
		c.takeOver(f, facts.SecondOf)
	}
	return f, lines, nil
}

func (c *Service) assembleOwn(row *store.Find) (*evidence.Find, []Line, error) {
	var facts Facts
	if err := records.Decode(row.Facts, &facts); err != nil {
		return nil, nil, err
	}
	person, err := c.Store.Person(row.PersonID)
	if err != nil {
		return nil, nil, err
	}
	var prof people.Profile
	if err := records.Decode(person.Profile, &prof); err != nil {
		return nil, nil, err
	}
	f := FindOf(&facts, &prof)
	if t, err := time.Parse("2006-01-02", row.Day); err == nil {
		f.Month = int(t.Month())
	}
	specimens, err := c.Store.Specimens(row.ID)
	if err != nil {
		return nil, nil, err
	}
	for _, s := range specimens {
		f.Specimens = append(f.Specimens, evidence.Specimen{ID: s.ID, JoinedTo: s.JoinedTo, Count: s.Count, Aside: s.ID == AsideSpecimen})
	}
	events, err := c.Store.Log(row)
	if err != nil {
		return nil, nil, err
	}
	lines, err := c.logOf(row.ID, events, f)
	return f, lines, err
}

// takeOver gives a second look at home what the field saw soundly of the first
// specimen and what can't be seen on the parts that were carried: how it stood,
// what it grew on, how its base came out, the parts that were left there.
func (c *Service) takeOver(f *evidence.Find, field string) {
	ix := c.Engine.Index()
	kingdom := f.Kingdom
	if at, ok := ix.TaxonAt(f.Target); ok {
		kingdom = ix.Book.Taxa[at].Kingdom
	}
	f.Carried = ix.Book.Kitchen.CarriedWith(f.Part, kingdom)
	// Where the field can't be read there is nothing to take over: what only the ground
	// shows stays open, and the second look does not stand.
	row, err := c.Store.Find(field)
	if err != nil {
		return
	}
	there, _, err := c.assembleOwn(row)
	if err != nil || len(f.Specimens) == 0 || len(there.Specimens) == 0 {
		return
	}
	f.Log = append(c.Engine.TakeOver(there, there.Specimens[0].ID, f.Specimens[0].ID, f.Carried), f.Log...)
}

// FindOf is what is known beside the log, as the engine wants it.
func FindOf(facts *Facts, prof *people.Profile) *evidence.Find {
	intent, _ := evidence.ParseIntent(facts.Intent)
	kingdom, _ := guide.ParseKingdom(facts.Kingdom)
	perm, _ := evidence.ParseYesNo(facts.Permission)
	prot, _ := evidence.ParseYesNo(facts.Protected)
	f := &evidence.Find{Intent: intent, Kingdom: kingdom, Target: facts.Target, Part: facts.Part, Prep: facts.Prep, Tools: facts.Tools, Recalled: facts.Recalled, Picked: facts.Picked,
		Place:   evidence.Place{Region: facts.Region, Habitats: facts.Habitats, Ground: evidence.Ground(facts.Ground), Permission: perm, Protected: prot, Limit: facts.Limit},
		Profile: evidence.Profile{ColourDiffers: prof.ColourDiffers, SmellWeak: prof.SmellWeak, Facts: prof.Facts, Answered: prof.Answered}}
	for _, s := range prof.SignOffs {
		f.Profile.SignOffs = append(f.Profile.SignOffs, evidence.SignOff{Group: s.Group, By: s.By, When: s.When, Dangers: s.Dangers})
	}
	return f
}

// logOf turns stored lines into events. Of the other finds of the outing only
// the handling counts: their specimens are named apart.
func (c *Service) logOf(id string, rows []store.Event, f *evidence.Find) ([]Line, error) {
	lines := []Line{}
	undone := map[int64]bool{}
	for i := range rows {
		var b Body
		if err := records.Decode(rows[i].Body, &b); err != nil {
			return nil, err
		}
		ev := eventOf(&rows[i], &b)
		if rows[i].FindID != id {
			ev.Specimen = rows[i].FindID + "/" + ev.Specimen
			if ev.Kind == evidence.Noted || ev.Kind == evidence.Picked || ev.Kind == evidence.Staged {
				continue
			}
		} else {
			lines = append(lines, Line{Seq: ev.Seq, Kind: ev.Kind.String(), Specimen: ev.Specimen, AtMS: ev.AtMS, Body: b, Undoable: undoable(ev.Kind)})
			if ev.Kind == evidence.Undone {
				undone[ev.Undoes] = true
			}
		}
		f.Log = append(f.Log, ev)
	}
	for i := range lines {
		lines[i].Undone = undone[lines[i].Seq]
		lines[i].Undoable = lines[i].Undoable && !lines[i].Undone
	}
	return lines, nil
}

func undoable(k evidence.EventKind) bool {
	return k == evidence.Staged || k == evidence.Answered || k == evidence.CleanHands || k == evidence.Noted
}

func eventOf(row *store.Event, b *Body) evidence.Event {
	kind, _ := evidence.ParseEventKind(row.Kind)
	ev := evidence.Event{Seq: row.Seq, AtMS: row.AtMS, Kind: kind, Specimen: row.Specimen, Smell: b.Smell, On: b.On, Undoes: b.Undoes, Note: b.Note, Saying: b.Saying}
	for _, s := range b.Stages {
		if st, ok := guide.ParseStage(s); ok {
			ev.Stages |= guide.NewStageSet(st)
		}
	}
	if a := b.Answer; a != nil {
		k, _ := evidence.ParseAnswerKind(a.Kind)
		ev.Answer = evidence.Answer{Trait: a.Trait, Kind: k, States: a.States, Value: a.Value, Error: a.Error, Unsure: a.Unsure, Light: a.Light, Surface: a.Surface,
			Count: a.Count, Minutes: a.Minutes, Paper: a.Paper, Detached: a.Detached, Malformed: a.Malformed, Method: a.Method, From: a.From, With: a.With}
	}
	return ev
}
