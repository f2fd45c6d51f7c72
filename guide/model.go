package guide

// State is one value of a trait.
type State struct {
	ID    string
	Label string
	// Hint says, in one line, how to tell the state from its neighbours.
	Hint string
}

// Trait is one thing that can be inspected. See the package comment.
type Trait struct {
	ID      string
	Name    string // short, for headings
	Ask     string // the question put to the observer
	Terms   string // a plain explanation of the terms used
	How     string // how to look: the method
	Part    Part
	Class   Class
	Kind    Kind
	Kingdom Kingdom // KingdomUnclear: both kingdoms
	// Group is the evidence group; traits that share it are counted once.
	Group string
	// Act is the one act or preparation the reading rests on; readings that
	// share an act are one step. Empty: the reading is an act of its own.
	Act      string
	Handling Handling
	Stages   StageSet // where it can be judged; a reading elsewhere is shaky
	States   []State
	// Exclusive: no specimen shows two states at once, so that "always" one
	// state means "never" the others.
	Exclusive bool
	Unit      string  // of a Measure: cm, mm, count
	Min, Max  float64 // of a Measure: anything outside is impossible
	// Absent is the state that "inspected and absent" stands for, -1 if the
	// trait has none.
	Absent int
	// Parent is the trait that says whether the part exists at all, with the
	// states under which it does.
	Parent       string
	ParentStates uint32

	Baseline   bool
	BeforePick bool    // can't be had once the specimen is picked
	Destroys   bool    // the check uses the specimen up
	Tool       string  // needed to look: lens, knife, trowel, paper
	MinCount   int     // how many must be looked at (nodes, leaves)
	WaitMin    float64 // minutes before a reading counts
	// Prompt are the states that count whenever they are seen: a positive reaction
	// is never too early.
	Prompt     uint32
	After      string // the trait that prepares this one (dig before looking at the base)
	Substitute string // another trait to use when season or stage hides this one
	Colour     bool   // a colour reading
	// Smell: a smell reading. Hands that carry the smell spoil it.
	Smell bool
	// Leaves says, state by state, what smell the check leaves on the hands.
	Leaves []string
	// NeedsWhole are the states that count only when the base came out whole.
	NeedsWhole uint32
	// Losable are the states (mostly absences) that rain, age or damage feign.
	Losable uint32
	// HiddenOnWhite and HiddenOnDark are the deposits that paper of that tone
	// hides.
	HiddenOnWhite, HiddenOnDark uint32
	// Prepares marks the traits whose answers are preparations: "base" for the
	// base as it came out, "condition" for the state the specimen is in. The
	// first state of such a trait is the good one.
	Prepares string
}

// StateIndex finds a state by its id.
func (t *Trait) StateIndex(id string) (int, bool) {
	for i := range t.States {
		if t.States[i].ID == id {
			return i, true
		}
	}
	return -1, false
}

// CellKind says what a variant of a cell holds.
type CellKind uint8

// A cell describes, or the part is lacking, or nobody should guess.
const (
	Described CellKind = iota + 1
	Inapplicable
	Unknown
)

// Variant is what a cell says for some stages.
type Variant struct {
	Stages StageSet
	Kind   CellKind
	Freq   []Frequency // by state; nil for a Measure
	// Decisive are the states whose never is decisive.
	Decisive uint32
	Source   string
	Why      string // of an unknown: the reason
	// Range of a Measure, in the trait's unit: extreme low, typical low,
	// typical high, extreme high.
	Range [4]float64
}

// Cell is all the guide says of one taxon and one trait.
type Cell struct {
	Trait    string
	From     string // the profile it was taken over from; empty: the entry's own
	Variants []Variant
}

// Grade is a hazard grade, 0 to 3.
type Grade uint8

// The grades. In doubt, the higher.
const (
	NoHazard Grade = iota // no hazard is noted; never a promise
	Unpleasant
	Poisonous
	Deadly
)

// String gives the fixed word of the grade.
func (g Grade) String() string {
	return name([]string{"no hazard noted", "unpleasant", "poisonous", "deadly"}, int(g))
}

// Hazard is one line of an entry's hazards. Empty fields match everything.
type Hazard struct {
	Grade       Grade
	Part        string // gathered part: leaf, fruit, cap, root …
	Stages      StageSet
	Preparation string // raw, cooked, dried
	Contact     bool   // harmful to skin, eye or lung
	Why         string // mechanism, in plain words
	Onset       string // window from meal or touch to first sign
	Syndrome    string // the way the poison works, by id; may be empty
	Help        string // what is known to help in time: whom to call, what to keep
	Source      string
}

// Syndrome is a way in which poisons work. Several entries share one.
type Syndrome struct {
	ID, Name, Why, Onset, Help, Source string
	// From and To are hours from the meal or the touch to the first sign, the widest
	// window that is reported. An earlier or a later start excludes nothing.
	From, To float64
	// Deaths says in words why it stands in front of others of its grade: it accounts
	// for most deaths. Empty for most.
	Deaths string
}

// NotGathered says why a stage is not to be gathered.
type NotGathered struct {
	Stages  StageSet
	Regions []string // empty: everywhere
	Why     string
}

// Dispute is a point on which practitioners or books differ.
type Dispute struct {
	Question string
	Schools  []string
	Here     string // what this guide does, the stricter way
}

// Use is what a target is wanted for.
type Use struct {
	Part        string
	Preparation string
	Stages      StageSet
	// Rank is how far the name must go for this use: species, group or genus.
	Rank string
	// Regions where the guide lets it be gathered; empty: wherever it grows.
	Regions []string
	Quality []string // marks of what is worth taking: crisp, rolled, palm-sized
	Harvest []string // how, least damage first
	Note    string
}

// GatheredIn reports whether the guide lets the use go ahead on the region's
// continent. What a continent's own dangers make impossible to tell apart is
// not gathered there, and may be elsewhere. An unknown region is everywhere.
func (u *Use) GatheredIn(region string) bool {
	if region == "" || len(u.Regions) == 0 {
		return true
	}
	for _, r := range u.Regions {
		if Continent(r) == Continent(region) {
			return true
		}
	}
	return false
}

// Lookalike names an entry that this one is taken for, and why people do.
type Lookalike struct {
	Taxon string
	Why   string
}

// Caution is a reason why some people must not have what others may.
type Caution struct {
	Who    string // a profile fact: kidney-stones, pregnant, allergy:carrot-family …
	Refuse bool
	Why    string
	Source string
}

// Name is one of an entry's names.
type Name struct {
	Text string
	Kind string // scientific, common, synonym
}

// Window is a span of months at the reference place, for some stages.
type Window struct {
	Stages StageSet
	Months uint16 // bit 0 is January
}

// Taxon is an entry: species, species group or genus.
type Taxon struct {
	ID          string
	Kingdom     Kingdom
	Rank        string
	Parent      string
	Scientific  string
	Common      string
	Names       []Name
	Family      string
	Summary     string
	Equivalents []string
	Hazards     []Hazard
	Protection  string // "", or why one asks locally first
	HardGroups  []string
	Regions     []string
	Habitats    []string
	Hosts       []string // trees or plants it lives with or on
	Companions  []string // what often grows beside it
	Cues        []string // what leads to it from afar; never evidence
	BeforePick  []string // what can't be looked at any more once it is picked
	NotGathered []NotGathered
	Remedy      []string // traditional uses, never a dose
	Disputed    []Dispute
	Stages      StageSet // the stages it has at all
	Windows     []Window
	Place       string // the reference place of the windows
	Uses        []Use
	Key         []KeyTraits
	Lookalikes  []Lookalike
	Cautions    []Caution
	Before      []string // what must be done before eating
	Cells       []Cell
	Forms       []Form
	Readings    []Reading // of others, see [Reader]
	Sources     []string
	Confidence  string
	File        string // where it was read from
	// Origin tells ours and theirs apart: empty for what ships, "yours" for an
	// entry of an overlay, "corrected" for a shipped one that an overlay changed.
	Origin string
}

// KeyTraits are the traits that must fit, at some stages, before a name counts
// as matched.
type KeyTraits struct {
	Stages StageSet
	Traits []string
}

// HardGroup is a group in which a sign-off is asked for.
type HardGroup struct {
	ID, Name, Why string
	Covers        []string // what a sign-off should have covered
	// Asked: the bench asks for a sign-off. Of the other groups one only opens the
	// second door: who was taught them in person may judge what others leave.
	Asked bool
}

// Saying is a folk rule that is refused by name.
type Saying struct {
	ID, Saying, Why, Instead string
}

// Source is a published work, or an honest word that there is none.
type Source struct{ ID, Title string }

// StageCheck is an answer that fixes a stage.
type StageCheck struct {
	Trait  string
	State  string
	Stages StageSet
}

// Guide is the guide as read from its files.
type Guide struct {
	Version     string // content hash
	Traits      []Trait
	Taxa        []Taxon
	HardGroups  []HardGroup
	Sayings     []Saying
	Sources     []Source
	StageChecks []StageCheck
	Syndromes   []Syndrome
	Places      []Place
	Kitchen     Kitchen
	Facts       []Fact
	Misnamings  []Misnaming
	Mishaps     []Mishap
	Readers     []Reader
}

// Place is where months of entries hold: degrees, north and east positive, and
// metres.
type Place struct {
	Name          string
	Lat, Lon, Alt float64
}

// PlaceNamed finds a reference place.
func (b *Guide) PlaceNamed(name string) (Place, bool) {
	for _, p := range b.Places {
		if p.Name == name {
			return p, true
		}
	}
	return Place{}, false
}

// HazardFor is the grade of the entry as a use would have it: the gravest line
// that matches part, preparation and stages; empty fields of the use match
// every line. When no line speaks of the use, the gravest line of all is taken.
// Lines about contact count only when asked for: a plant that burns the skin
// can still be food, but as a neighbour of the plant that is wanted it is a
// danger.
func (t *Taxon) HazardFor(part, preparation string, stages StageSet, contact bool) Grade {
	var matched Grade
	found := false
	for i := range t.Hazards {
		h := &t.Hazards[i]
		if h.Contact && !contact ||
			h.Part != "" && part != "" && h.Part != part ||
			h.Preparation != "" && preparation != "" && h.Preparation != preparation ||
			h.Stages != 0 && stages != 0 && h.Stages&stages == 0 {
			continue
		}
		matched = max(matched, h.Grade)
		found = found || !h.Contact
	}
	if !found {
		return t.WorstHazard()
	}
	return matched
}

// ContactHazard is the gravest grade of harm by touch, eye or smoke.
func (t *Taxon) ContactHazard() Grade {
	var g Grade
	for i := range t.Hazards {
		if t.Hazards[i].Contact {
			g = max(g, t.Hazards[i].Grade)
		}
	}
	return g
}

// StagesIn are the stages that are up in a month (1–12) at the reference place;
// all of them where the entry names no months.
func (t *Taxon) StagesIn(month int) StageSet {
	if len(t.Windows) == 0 {
		return t.Stages
	}
	var up StageSet
	for _, w := range t.Windows {
		if w.Months&(1<<(month-1)) != 0 {
			up |= w.Stages
		}
	}
	return up
}

// WorstHazard is the gravest grade of any line.
func (t *Taxon) WorstHazard() Grade {
	var g Grade
	for i := range t.Hazards {
		g = max(g, t.Hazards[i].Grade)
	}
	return g
}

// KeyFor lists the key traits for a stage set, without repeats.
func (t *Taxon) KeyFor(stages StageSet) []string {
	var out []string
	for i := range t.Key {
		if t.Key[i].Stages&stages == 0 {
			continue
		}
		for _, k := range t.Key[i].Traits {
			if !contains(out, k) {
				out = append(out, k)
			}
		}
	}
	return out
}

// UseFor finds the use with a part and preparation.
func (t *Taxon) UseFor(part, preparation string) (*Use, bool) {
	for i := range t.Uses {
		u := &t.Uses[i]
		if u.Part == part && u.Preparation == preparation {
			return u, true
		}
	}
	return nil, false
}

// Continent folds a region into its continent: species cross from one coast of
// a continent to the other, and are planted.
func Continent(region string) string {
	switch region {
	case "ENA", "WNA":
		return "NA"
	}
	return region
}

// OnContinentOf reports whether the entry occurs on the region's continent. An
// empty region matches everything.
func (t *Taxon) OnContinentOf(region string) bool {
	if region == "" || len(t.Regions) == 0 {
		return true
	}
	c := Continent(region)
	for _, r := range t.Regions {
		if Continent(r) == c {
			return true
		}
	}
	return false
}

func contains(list []string, s string) bool {
	for _, v := range list {
		if v == s {
			return true
		}
	}
	return false
}
