package evidence

import "zestythicket/guide"

// Soundness says what a reading may do.
type Soundness uint8

// Mute readings rule nothing out by their kind; conflicting ones wait for a new
// look; shaky ones weigh nothing yet; sound ones do.
const (
	Mute Soundness = iota
	Conflicting
	Shaky
	Sound
)

var soundnessNames = []string{"mute", "conflicting", "shaky", "sound"}

// String gives the word.
func (s Soundness) String() string { return wordOf(soundnessNames, int(s)) }

// Confounder is a reason why a reading is shaky.
type Confounder uint8

// The spoilers, each with a fix of its own (package report).
const (
	BaseNotWhole Confounder = iota + 1
	SeenAfterPicking
	SmellContaminated
	ColourNotTrusted
	SmellNotTrusted
	CouldBeLost
	WrongStage
	IsMalformed
	TooFew
	TooEarly
	PaperHides
	ObserverUnsure
)

var spoilerNames = []string{"", "base-not-whole", "seen-after-picking", "smell-contaminated", "colour-not-trusted", "smell-not-trusted", "could-be-lost", "wrong-stage", "malformed", "too-few", "too-early", "paper-hides", "unsure"}

// String gives the word.
func (s Confounder) String() string { return wordOf(spoilerNames, int(s)) }

// Reading is what the log says of one trait on one specimen.
type Reading struct {
	Trait     int32
	Seq       int64
	Kind      AnswerKind
	Mask      uint32 // states; for AnyOf and AllOf several
	Value     float64
	Err       float64
	Soundness Soundness
	Spoilers  []Confounder
	// First is the Seq of an earlier reading that differs, 0 if none. Both are
	// kept; while Conflicting, both count nothing.
	First int64
	// Out: it was read differently once more after a difference had been settled,
	// or three ways; this specimen says nothing of it any more.
	Out bool
	// Taken: read in the field, where it was sound, and taken over for a second
	// look at home, where it can't be seen.
	Taken bool
	// Again is set when a new look with its method settled a difference or
	// confirmed the first reading.
	Again  bool
	Method string
	// Guided: a look that was made as the guide describes gave this very reading.
	Guided bool
	// Loose: read on a part that was picked or found loose.
	Loose bool
	// By is the child trait this reading was derived from: who saw the section
	// of a stalk saw the stalk. -1 if it was given.
	By int32
	// From is the joined specimen that it was read on, "" for this one.
	From string
}

// scene is what is true of the whole specimen, whatever the order in which it
// was said.
type scene struct {
	base, intact, malformed, picked bool
	stages, eff, stated             guide.StageSet // stated: without what a stage check adds
	fixed                           bool
	fixes                           guide.StageSet // what stage checks say
	stageConflict                   bool
	anyStage                        bool
}

// slot collects the answers to one trait.
type slot struct {
	cur      Event
	held     []Event // evidential readings since the last settlement
	first    int64
	conflict bool
	again    bool
	spoilers []Confounder
	changes  int      // evidential readings that differ from the one before
	settled  bool     // a difference was settled: that is done once
	out      bool     // no look settles it any more
	methods  []string // of every evidential look
	guided   uint32   // the states of the last look made as the guide describes
	loose    bool     // the current look was at a loose part
}

// readings resolves the log of one specimen into one reading for each trait,
// with what is carried over from specimens that are physically one with it.
func (e *Engine) readings(f *Find, specimen string) ([]Reading, scene) {
	rs, sc := e.ownReadings(f, specimen)
	for _, other := range joinedTo(f, specimen) {
		theirs, there := e.ownReadings(f, other)
		if sc.anyStage && there.anyStage && sc.stages == there.stages {
			rs = e.carry(rs, theirs, other)
		}
	}
	return e.derive(rs), sc
}

// carry takes over the sound readings of a part that is physically joined, of
// traits that nobody read here. Two joined parts that differ carry nothing of
// that trait. What was prepared, and the state a part is in, stay with it.
func (e *Engine) carry(rs, theirs []Reading, from string) []Reading {
	for i := range theirs {
		r := theirs[i]
		tr := &e.ix.Book.Traits[r.Trait]
		if r.Soundness != Sound || tr.Prepares != "" || tr.Class == guide.Circumstance {
			continue
		}
		at := -1
		for k := range rs {
			if rs[k].Trait == r.Trait {
				at = k
			}
		}
		switch {
		case at < 0:
			r.From = from
			rs = append(rs, r)
		case rs[at].From != "" && rs[at].Mask&r.Mask == 0 && tr.Kind != guide.Measure:
			rs[at].Soundness, rs[at].First = Conflicting, r.Seq
		}
	}
	return rs
}

// joinedTo lists the specimens that are physically one with a specimen, through
// others too.
func joinedTo(f *Find, specimen string) []string {
	var out []string
	seen := map[string]bool{specimen: true}
	for grown := true; grown; {
		grown = false
		for i := range f.Specimens {
			s := &f.Specimens[i]
			if s.JoinedTo == "" || seen[s.ID] == seen[s.JoinedTo] {
				continue
			}
			next := s.ID
			if seen[s.ID] {
				next = s.JoinedTo
			}
			seen[next], grown = true, true
			out = append(out, next)
		}
	}
	return out
}

// ownReadings resolves what was said of this specimen itself.
func (e *Engine) ownReadings(f *Find, specimen string) ([]Reading, scene) {
	undone := map[int64]int64{} // seq -> when
	for i := range f.Log {
		if f.Log[i].Kind == Undone {
			undone[f.Log[i].Undoes] = f.Log[i].AtMS
		}
	}
	sc := e.scene(f, specimen, undone)
	hands := begun(f.Hands)
	slots := map[int32]*slot{}
	var order []int32
	pickedYet := false
	for i := range f.Log {
		ev := &f.Log[i]
		undoneAt, isUndone := undone[ev.Seq]
		switch ev.Kind {
		case Picked:
			pickedYet = pickedYet || ev.Specimen == specimen
		case Answered:
			at, ok := e.ix.TraitAt(ev.Answer.Trait)
			if !ok {
				continue
			}
			tr := &e.ix.Book.Traits[at]
			if ev.Specimen == specimen {
				s := slots[at]
				if s == nil {
					s = &slot{}
					slots[at] = s
					order = append(order, at)
				}
				if isUndone {
					// A reading taken back at once was a slip; one taken back
					// later is still the first reading.
					if ev.Answer.Kind.evidential() && undoneAt-ev.AtMS > e.def.MomentMS {
						s.held = append(s.held, *ev)
					}
				} else {
					var spoilers []Confounder
					if !ev.Taken {
						spoilers = e.spoilers(tr, &ev.Answer, f, &sc, hands.near(ev.Answer.With), pickedYet)
					}
					s.take(e, tr, *ev, spoilers)
					s.loose = s.cur.Answer.Detached || pickedYet && !s.cur.Taken
				}
			}
		}
		if !ev.Taken {
			e.wear(&hands, ev, isUndone)
		}
	}
	var out []Reading
	for _, at := range order {
		if s := slots[at]; s.cur.Seq != 0 {
			out = append(out, e.settle(at, s))
		}
	}
	return out, sc
}

// take adds an answer to its slot.
func (s *slot) take(e *Engine, tr *guide.Trait, ev Event, spoilers []Confounder) {
	now := ev.Answer.Kind.evidential()
	if s.cur.Taken && !now {
		return // what can't be seen at home was seen in the field
	}
	if s.cur.Seq != 0 && s.cur.Answer.Kind.evidential() && now && ev.AtMS-s.cur.AtMS <= e.def.MomentMS && len(s.held) > 0 {
		s.held = s.held[:len(s.held)-1] // a slip: the later tap replaces it
		if s.conflict && !s.differs(tr, &ev) {
			s.conflict, s.first = false, 0
		}
		s.guided = 0
		s.put(ev, spoilers, now)
		s.guide(tr, &ev.Answer)
		s.conflict = s.conflict || s.clash(tr, &ev)
		return
	}
	if !now {
		if s.cur.Seq != 0 && s.cur.Answer.Kind.evidential() {
			s.conflict, s.first = true, s.cur.Seq
		}
		s.put(ev, spoilers, false)
		return
	}
	s.look(tr, &ev, len(spoilers) == 0)
	s.put(ev, spoilers, true)
	s.guide(tr, &ev.Answer)
	if ev.Answer.Method != "" {
		s.methods = append(s.methods, ev.Answer.Method)
	}
}

// guide notes a look that was made as the guide describes.
func (s *slot) guide(tr *guide.Trait, a *Answer) {
	if a.Method == ByTheGuide {
		s.guided = maskOf(tr, a)
	}
}

// look weighs one more evidential look against those before. A difference is
// settled once: by a sound look, made another way (another method, person or
// part), that agrees with one of the readings. Three readings of which no two
// agree, a look that differs after that, or a third change of mind put the
// trait out for this specimen: looking again until it passes is not possible.
func (s *slot) look(tr *guide.Trait, ev *Event, sound bool) {
	differs, agrees := s.differs(tr, ev), s.agrees(tr, ev)
	if len(s.held) > 0 && differ(tr, &s.held[len(s.held)-1].Answer, &ev.Answer) {
		s.changes++
	}
	otherWay := ev.Answer.Method != "" && !has(s.methods, ev.Answer.Method)
	switch {
	case s.out:
	case s.settled && differs, s.conflict && len(s.held) > 1 && !agrees:
		s.out, s.conflict = true, true
	case s.conflict && otherWay && sound && agrees && !s.settled:
		s.conflict, s.again, s.settled, s.held = false, true, true, s.held[:0]
	case s.changes > 2:
		s.out, s.conflict = true, true
	case !s.conflict && differs && len(s.spoilers) > 0 && sound && ev.Answer.Method != "" && s.cur.Answer.Kind.evidential():
		// The first reading was shaky and this is the new look that mends it.
		s.again, s.settled, s.first, s.held = true, true, s.cur.Seq, s.held[:0]
	case differs:
		s.conflict = true
		s.first = s.held[0].Seq
	case len(s.held) > 0 && ev.Answer.Method != "":
		s.again = true
	}
}

func (s *slot) put(ev Event, spoilers []Confounder, hold bool) {
	s.cur, s.spoilers = ev, spoilers
	if hold {
		s.held = append(s.held, ev)
	}
}

func (s *slot) clash(tr *guide.Trait, ev *Event) bool {
	for i := range s.held[:len(s.held)-1] {
		if differ(tr, &s.held[i].Answer, &ev.Answer) {
			s.first = s.held[i].Seq
			return true
		}
	}
	return false
}

func (s *slot) differs(tr *guide.Trait, ev *Event) bool {
	for i := range s.held {
		if differ(tr, &s.held[i].Answer, &ev.Answer) {
			return true
		}
	}
	return false
}

// agrees reports whether some reading that is held may be the same.
func (s *slot) agrees(tr *guide.Trait, ev *Event) bool {
	for i := range s.held {
		if !differ(tr, &s.held[i].Answer, &ev.Answer) {
			return true
		}
	}
	return false
}

// differ reports whether two readings can't both be right.
func differ(tr *guide.Trait, a, b *Answer) bool {
	if tr.Kind == guide.Measure {
		return a.Value+a.Error < b.Value-b.Error || b.Value+b.Error < a.Value-a.Error
	}
	return maskOf(tr, a)&maskOf(tr, b) == 0
}

func maskOf(tr *guide.Trait, a *Answer) uint32 {
	if a.Kind == Absent {
		if tr.Absent < 0 {
			return 0
		}
		return 1 << tr.Absent
	}
	var m uint32
	for _, s := range a.States {
		if i, ok := tr.StateIndex(s); ok {
			m |= 1 << i
		}
	}
	return m
}

func (e *Engine) settle(at int32, s *slot) Reading {
	a := &s.cur.Answer
	r := Reading{Trait: at, Seq: s.cur.Seq, Kind: a.Kind, Mask: maskOf(&e.ix.Book.Traits[at], a), Value: a.Value, Err: a.Error,
		Spoilers: s.spoilers, First: s.first, Again: s.again, Out: s.out, Taken: s.cur.Taken, Loose: s.loose, Method: a.Method, By: -1}
	r.Guided = r.Mask != 0 && r.Mask == s.guided
	switch {
	case s.conflict:
		r.Soundness = Conflicting
	case !a.Kind.evidential():
		r.Soundness = Mute
	case len(s.spoilers) > 0:
		r.Soundness = Shaky
	default:
		r.Soundness = Sound
	}
	return r
}

// derive adds, for every part that was seen through one of its traits, the
// reading that the part exists.
func (e *Engine) derive(rs []Reading) []Reading {
	for i := 0; i < len(rs); i++ {
		r := rs[i]
		p := e.ix.ParentOf[r.Trait]
		if tr := &e.ix.Book.Traits[r.Trait]; p < 0 || r.Soundness != Sound || tr.Class == guide.Circumstance || tr.Absent >= 0 && r.Mask&(1<<tr.Absent) != 0 {
			continue
		}
		states := e.ix.Book.Traits[r.Trait].ParentStates
		covered := false
		for j := range rs {
			// A sound reading of the parent says more, unless it denies the part.
			if rs[j].Trait == p && (rs[j].Soundness == Conflicting || rs[j].Soundness == Sound && rs[j].By < 0 && rs[j].Mask&^states == 0 || rs[j].By == r.Trait) {
				covered = true
			}
		}
		if !covered {
			rs = append(rs, Reading{Trait: p, Seq: r.Seq, Kind: AnyOf, Mask: states, Soundness: Sound, By: r.Trait})
		}
	}
	return rs
}
