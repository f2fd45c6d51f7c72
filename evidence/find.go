package evidence

import "zestythicket/guide"

// AnswerKind says how a trait was answered. Only the first five may rule
// anything out.
type AnswerKind uint8

// The kinds of answer. NotInspected is the default of every trait.
const (
	NotInspected AnswerKind = iota
	Seen                    // one state
	AnyOf                   // one of several, unsure which
	AllOf                   // it shows all of several
	Measured                // a number with its reading error
	Absent                  // inspected and absent
	NotNow                  // season or stage hides it
	NotHere                 // buried, hidden, out of reach
	Damaged                 // damaged or lost
	Spoilt                  // a contaminated or worn-out test
	CantTell                // looked, can't tell
	Reported                // by someone, or read off a neighbour
	Unsafe                  // not to be tested
)

var answerKindNames = []string{"not-inspected", "seen", "any-of", "all-of", "measured", "absent", "not-now", "not-here", "damaged", "spoilt", "cant-tell", "reported", "not-safe-to-test"}

// String gives the word used in files and in the API.
func (k AnswerKind) String() string { return wordOf(answerKindNames, int(k)) }

// ParseAnswerKind reads a kind of answer.
func ParseAnswerKind(w string) (AnswerKind, bool) {
	i, ok := indexOf(answerKindNames, w)
	return AnswerKind(i), ok
}

// AnswerKinds lists the words.
func AnswerKinds() []string { return answerKindNames }

// evidential reports whether the kind may rule anything out.
func (k AnswerKind) evidential() bool { return k >= Seen && k <= Absent }

// Intent is what the find is for.
type Intent uint8

// The intents.
const (
	Eat Intent = iota + 1
	Remedy
	Clear
	Keep
	Record
)

var intentNames = []string{"", "eat", "remedy", "clear", "keep", "record"}

// String gives the word used in files and in the API.
func (i Intent) String() string { return wordOf(intentNames, int(i)) }

// ParseIntent reads an intent.
func ParseIntent(w string) (Intent, bool) { i, ok := indexOf(intentNames, w); return Intent(i), ok }

// Intents lists the words.
func Intents() []string { return intentNames[1:] }

// harvest reports whether something is to go into a person.
func (i Intent) harvest() bool { return i == Eat || i == Remedy }

// ByTheGuide is the method of an answer whose look was made as the guide describes it.
// It alone settles what such a look settles; other methods tell second looks apart.
const ByTheGuide = "by-the-guide"

// Answer is what the observer said of one trait.
type Answer struct {
	Trait  string
	Kind   AnswerKind
	States []string
	// Value and Error are in the trait's own unit.
	Value, Error float64
	Unsure       bool
	Light        string  // "", poor, coloured
	Surface      string  // "", soil, rain, frost
	Count        int     // how many were looked at; 0 is not said
	Minutes      float64 // waited before a timed reading; 0 is not said
	Paper        string  // white, dark, half: under a spore print
	Detached     bool    // judged on a part already picked
	Malformed    bool
	Method       string // how it was looked at: ByTheGuide, or how a second look was made
	From         string // of a report: neighbour, person, custom, web
	With         string // what a smell was tested with: one of Carriers, empty for the hands
}

// EventKind is what happened.
type EventKind uint8

// The kinds of event. Handling and picking can't be undone.
const (
	Staged EventKind = iota + 1
	Answered
	CleanHands
	Handled
	Picked
	Undone
	Noted
)

var eventNames = []string{"", "staged", "answered", "clean-hands", "handled", "picked", "undone", "noted"}

// String gives the word used in the log.
func (k EventKind) String() string { return wordOf(eventNames, int(k)) }

// ParseEventKind reads a kind of event.
func ParseEventKind(w string) (EventKind, bool) {
	i, ok := indexOf(eventNames, w)
	return EventKind(i), ok
}

// Event is one line of the append-only log of a find.
type Event struct {
	Seq      int64
	AtMS     int64
	Kind     EventKind
	Specimen string
	Stages   guide.StageSet // of Staged
	Answer   Answer         // of Answered
	Smell    string         // of Handled: the smell that was taken on
	On       string         // of Handled and CleanHands: one of Carriers, empty for the hands
	Undoes   int64          // of Undone: the Seq it takes back
	Note     string         // of Noted: hearsay, folk-rule, search-cue
	Saying   string         // of a folk rule: its id
	// Taken: an answer of the field, taken over for a second look at home. It was
	// sound there, and the hands at home are others.
	Taken bool
}

// Specimen is one individual. Count says how many were looked at one by one
// with these same answers.
type Specimen struct {
	ID       string
	Count    int
	JoinedTo string // physically one with another specimen
	// Aside: items that were looked at one by one and differ, without anybody
	// saying how. They fail, as many as Count says.
	Aside bool
}

// YesNo is a fact that may still be unanswered.
type YesNo uint8

// The values; Unanswered is the default.
const (
	Unanswered YesNo = iota
	Yes
	No
)

var yesNoNames = []string{"unanswered", "yes", "no"}

// String gives the word.
func (y YesNo) String() string { return wordOf(yesNoNames, int(y)) }

// ParseYesNo reads "yes", "no" or "unanswered"; empty is unanswered.
func ParseYesNo(w string) (YesNo, bool) {
	if w == "" {
		return Unanswered, true
	}
	i, ok := indexOf(yesNoNames, w)
	return YesNo(i), ok
}

// SignOff records that someone was taught a hard group in person.
// Dangers are the entries that the teaching was about, by id: for those the
// observer's looks count as a taught person's.
type SignOff struct {
	Group, By, When string
	Dangers         []string
}

// Profile is what the tool knows of the observer. Facts holds what is true of
// the person ("kidney-stones", "pregnant", "allergy:…"); Answered holds the
// health topics that were asked and answered.
type Profile struct {
	ColourDiffers, SmellWeak bool
	Facts                    []string
	Answered                 []string
	SignOffs                 []SignOff
}

// HealthTopics are the questions that must be answered before anything is eaten.
var HealthTopics = []string{"allergies", "illnesses", "medicines", "pregnancy", "diet"}

// Ground is the state of the ground: clean, sprayed, roadside, fouled,
// industrial; empty is not answered.
type Ground string

// Place is what the user entered of the place and its rules.
type Place struct {
	Region     string
	Habitats   []string
	Ground     Ground
	Permission YesNo
	Protected  YesNo
	Limit      string // as entered; "none known" is an answer
}

// Find is everything the engine is told about one find.
type Find struct {
	Intent   Intent
	Kingdom  guide.Kingdom
	Target   string
	Part     string // the use
	Prep     string
	Month    int // 1–12, 0 unknown
	Place    Place
	Profile  Profile
	Tools    []string // nil: everything is in the bag
	Hands    []string // smells on the hands when the find began
	Recalled []string // entries of other continents brought back
	// Carried are the parts that were carried home, of a second look; nil: the
	// specimen is looked at where it grows.
	Carried   []guide.Part
	Picked    int // items in the basket
	Specimens []Specimen
	Log       []Event
}

func wordOf(list []string, i int) string {
	if i < len(list) {
		return list[i]
	}
	return "?"
}

func indexOf(list []string, w string) (int, bool) {
	for i, v := range list {
		if v != "" && v == w {
			return i, true
		}
	}
	return 0, false
}

func has(list []string, w string) bool { _, ok := indexOf(list, w); return ok }
