package guide

// What weighs an answer, beside the entries themselves: what several readers say
// of an entry, the forms in which it is met, which states people confuse, which
// states say one and the same thing, and what goes wrong with several at once.

// TraitState names a state of a trait. State is -1 for every state of it, or for
// the reading of a measure.
type TraitState struct {
	Trait string
	State int
}

// Fact is one thing about a specimen that several states, across traits, say: the
// pits, the honeycomb and the pitted surface of a morel. It is weighed once.
type Fact struct {
	ID, Means, Why string
	Kingdom        Kingdom
	States         []TraitState
}

// Confusion is a pair of states of a trait that honest observers take for each
// other, both ways.
type Confusion struct {
	A, B int
	// Rate is the share of looks at a true A that are called B.
	Rate float64
	// SettledBy are looks at other traits after which the pair is an ordinary one;
	// By is the act that does the same on this trait, recorded as the method of the answer.
	SettledBy []TraitState
	By        string
}

// Unmistakable is a pair of states that nobody who followed the method confuses.
// When says what must be true of the look; it then needs a recorded method.
type Unmistakable struct {
	A, B int
	When string
}

// Misnaming is how people misname the states of one trait.
type Misnaming struct {
	Trait        string
	Confused     []Confusion
	Unmistakable []Unmistakable
	Error        string // of a measure: the reading error, in words
}

// Tie says when a mishap joins what it misleads into one fact.
type Tie uint8

// The ties: never, unless a guard was answered, always.
const (
	TiesNothing Tie = iota
	TiesUnguarded
	TiesAlways
)

// Misread is one state that a mishap makes people answer, and what it truly was.
type Misread struct {
	Reads TraitState
	For   []TraitState // empty: anything
}

// Mishap is one thing that goes wrong and misleads several traits the same way: a
// base left in the ground, a cap washed by rain.
type Mishap struct {
	ID, What, When, Note string
	Kingdom              Kingdom
	Misled               []Misread
	Guard                []TraitState
	// Without and With are the shares of looks it happens in without and with the guard.
	Without, With float64
	Ties          Tie
	// Growing: it happens to parts that were found or carried loose. What was read on
	// the growing plant is not tied.
	Growing bool
}

// Form is a way in which several states of an entry change together: a juvenile, a
// weathered one. Its cells stand in place of the entry's.
type Form struct {
	ID     string
	When   string
	Stages StageSet
	// Unless are answers that exclude the form: a base that came out whole excludes a
	// torn one.
	Unless []TraitState
	Cells  []Cell
}

// Reader is somebody who read entries beside the entry itself.
type Reader struct {
	ID, Date, What string
	// Blind: without having seen the entry or another reading. It counts double.
	Blind bool
}

// Reading is what one reader says of one trait of an entry.
type Reading struct {
	Reader int // index into Guide.Readers
	Cell   Cell
}

// DangersOf are the poisonous and deadly entries of a hard group, by id.
func (g *Guide) DangersOf(group string) []string {
	var out []string
	for i := range g.Taxa {
		t := &g.Taxa[i]
		if t.WorstHazard() < Poisonous {
			continue
		}
		for _, h := range t.HardGroups {
			if h == group {
				out = append(out, t.ID)
			}
		}
	}
	return out
}
