// Package lot follows what was picked from the bag to the plate and back. It is
// pure: time is passed in, amounts are exact decimals of a gram, and nothing is
// ever forgotten, only added.
//
// A [Guide] is what a list of [Event]s comes to. Bags come from finds; batches are
// made from bags and batches, split, mixed, dried, frozen, cooked; people eat from
// them. Lots form a directed acyclic graph: a lot is made only from lots that were
// there before it, and its parts are known to the gram. What went in equals what
// came out, with what was added, lost and thrown away; what does not add up is
// refused.
//
// What nobody looked at is held: a bag of forty pieces of which one was looked at
// is held for thirty-nine, with everything made from it, until each was looked at
// or thrown away. No person's word takes that hold off.
//
// A hold stops everything made from a lot, everything it was made from, and every
// bag that lay in the same basket, until a person takes it off and says why. Time
// takes nothing off.
//
// Eating is the last of several locks: the second look at home, what must be done
// first, one new kind at a time, one person first, a small cooked portion, no
// alcohol, a wait. See [Guide.Serving].
package lot

import (
	"errors"
	"fmt"
	"strings"

	"zestythicket/quantity"
)

// Sentinel errors: what kind of refusal an [Error] is.
var (
	ErrBalance  = errors.New("it does not add up")
	ErrUnknown  = errors.New("nothing of that name")
	ErrHeld     = errors.New("it is held")
	ErrOrder    = errors.New("the order in time is wrong")
	ErrNotYet   = errors.New("not yet")
	ErrChanged  = errors.New("it was changed meanwhile")
	ErrRepeated = errors.New("it is there already")
	ErrMissing  = errors.New("something is missing")
)

// Reason is why, as a code with what it is about. The package words says it in words.
type Reason struct {
	Code string
	Args []string
}

func reason(code string, args ...any) Reason {
	r := Reason{Code: code}
	for _, a := range args {
		r.Args = append(r.Args, fmt.Sprint(a))
	}
	return r
}

// String gives the code and its parameters, for a log.
func (r Reason) String() string { return strings.TrimSpace(r.Code + " " + strings.Join(r.Args, " ")) }

// Error says what was refused, where and why.
type Error struct {
	Op, Lot string
	Err     error // one of the sentinels
	Reason  Reason
	// State and Hold are what stands in the way, where it is one of those.
	State *State
	Hold  *Hold
}

// Error gives everything, for the log.
func (e *Error) Error() string {
	return e.Op + " " + e.Lot + ": " + e.Err.Error() + ": " + e.Reason.String()
}

// Unwrap gives the sentinel.
func (e *Error) Unwrap() error { return e.Err }

func refuse(op, lot string, err error, code string, args ...any) error {
	return &Error{Op: op, Lot: lot, Err: err, Reason: reason(code, args...)}
}

// Kind is what happened.
type Kind string

// The kinds of event.
const (
	Bagged    Kind = "bagged"    // a bag was filled from a find
	Made      Kind = "made"      // lots were made from lots
	Threw     Kind = "threw"     // some of a lot was thrown away
	Looked    Kind = "looked"    // the second look at home was made
	Held      Kind = "held"      // a lot was held
	Freed     Kind = "freed"     // a person took a hold off
	Began     Kind = "began"     // a step that must be done first was begun
	Did       Kind = "did"       // and done
	Sampled   Kind = "sampled"   // a raw reference sample was put by
	Ate       Kind = "ate"       // somebody ate of a lot
	Felt      Kind = "felt"      // how it was after a first taste, or any time
	Corrected Kind = "corrected" // a weighing is set right, with the reason
	Rechecked Kind = "rechecked" // the items of a bag were looked at one by one again
)

// Kinds lists the words.
var Kinds = []Kind{Bagged, Made, Threw, Looked, Held, Freed, Began, Did, Sampled, Ate, Felt, Corrected, Rechecked}

// Portion is an amount of one lot.
type Portion struct {
	Lot    string
	Amount quantity.Amount // grams
	Pieces int             // 0 when they were not counted
	Form   string          // of what is made: fresh, cooked, dried, frozen, ground, pickled, extract
}

// Event is one line of the book. Which fields count depends on its kind.
type Event struct {
	Seq  int64
	AtMS int64 // when it happened, as the user says
	Kind Kind
	Lot  string

	// Of a bag.
	Find        string
	Taxon       string // what it is, by id
	Part        string // leaf, fruit, cap …
	Gross, Tare quantity.Amount
	Pieces      int
	Checked     int    // items that were looked at one by one
	Each        bool   // every item was looked at one by one, without a count
	Basket      string // bags of one basket touched each other
	PickedMS    int64

	// Of making.
	From, To             []Portion
	Added, Loss, Discard quantity.Amount

	Amount quantity.Amount // thrown away, eaten, or set right to
	Step   string          // of what must be done first
	Person string
	By     string // who looked, freed
	Why    string
	Meal   string

	First     bool // it was a first taste
	NoAlcohol bool
	Outcome   string // of Felt: nothing, dislike, reaction
}

// Forms are the forms a lot may have.
var Forms = []string{"fresh", "cooked", "dried", "frozen", "ground", "pickled", "extract"}

// Outcomes are what may be felt.
var Outcomes = []string{"nothing", "dislike", "reaction"}
