// Package harvest says how much may be taken: one recommended amount with its
// reasons. It is pure and exact; whatever is not known makes the amount smaller,
// never larger.
package harvest

import (
	"errors"
	"fmt"
	"slices"

	"zestythicket/quantity"
)

// ErrCount is returned for counts that can't be.
var ErrCount = errors.New("the counts do not hold together")

// Limit is what a place allows, in the unit in which it is told.
type Limit struct {
	Kind   quantity.Kind
	Amount quantity.Amount // grams, millilitres or pieces, for all people together, less nothing
	Words  string
}

// Stand is what is known of what is here.
type Stand struct {
	Here      int  // pieces here, counted or estimated
	Estimated bool // then the lower end counts
	Within    int  // an estimate may be off by so many pieces
	Share     quantity.Amount
	ShareWhy  string
	Others    int             // pieces left for bees, birds, caterpillars on top
	EachGrams quantity.Amount // of one piece; zero is not known
	Taken     int             // pieces taken here today already, by everybody
	TakenG    quantity.Amount
	Limits    []Limit
	Need      int // pieces wanted; 0: as many as may be
}

// Step is one reason, with the number of pieces it leaves. Code is one of counted,
// estimated, share, taken, others, need, limit; Args are its numbers, or the words of a
// policy or a limit as the user has them. The package words says it in words.
type Step struct {
	Pieces int
	Code   string
	Args   []string
}

// Open is something that could not be reckoned: weigh-one or by-volume, with the limit
// that it is about.
type Open struct{ Code, Limit string }

// Advice is how much may be taken.
type Advice struct {
	Pieces int
	Grams  quantity.Amount // zero when a piece was not weighed
	Steps  []Step
	Open   []Open // what could not be reckoned
}

// Recommend reckons the amount: the lower end of what is here, times the share,
// less what others need and what was taken, and never above any limit. A limit by
// weight while no piece was weighed leaves nothing, until one is.
func Recommend(s *Stand) (Advice, error) {
	if s.Here < 0 || s.Within < 0 || s.Others < 0 || s.Taken < 0 || s.Need < 0 || s.Share.IsNegative() || s.Share.GreaterThan(one) || s.EachGrams.IsNegative() {
		return Advice{}, fmt.Errorf("%w: counts can't be below nothing, nor a share above all", ErrCount)
	}
	a := Advice{}
	here := s.Here
	if s.Estimated {
		here = max(0, here-s.Within)
		a.Steps = append(a.Steps, step(here, "estimated", s.Here, here))
	} else {
		a.Steps = append(a.Steps, step(here, "counted", here))
	}
	total := here + s.Taken // what stood here before anybody took any
	n := int(s.Share.Mul(quantity.Amount{}.Add(whole(total))).IntPart())
	a.Steps = append(a.Steps, step(n, "share", s.Share.Mul(whole(100)).Round(1), s.ShareWhy))
	if s.Taken > 0 {
		n = max(0, n-s.Taken)
		a.Steps = append(a.Steps, step(n, "taken", s.Taken))
	}
	if s.Others > 0 {
		if left := here - s.Others; left < n {
			n = max(0, left)
			a.Steps = append(a.Steps, step(n, "others", s.Others))
		}
	}
	for _, l := range s.Limits {
		n = s.within(&a, l, n)
	}
	if s.Need > 0 && s.Need < n {
		n = s.Need
		a.Steps = append(a.Steps, step(n, "need"))
	}
	a.Pieces, a.Grams = n, s.EachGrams.Mul(whole(n))
	return a, nil
}

func (s *Stand) within(a *Advice, l Limit, n int) int {
	most := n
	switch l.Kind {
	case quantity.Count:
		most = int(l.Amount.IntPart()) - s.Taken
	case quantity.Mass:
		if s.EachGrams.IsZero() {
			a.Open = append(a.Open, Open{"weigh-one", l.Words})
			most = 0
		} else {
			most = int(l.Amount.Sub(s.TakenG).Div(s.EachGrams).IntPart())
		}
	default:
		a.Open = append(a.Open, Open{"by-volume", l.Words})
		return n
	}
	if most = max(0, most); most < n {
		a.Steps = append(a.Steps, step(most, "limit", l.Words))
		return most
	}
	return n
}

func step(pieces int, code string, args ...any) Step {
	s := Step{Pieces: pieces, Code: code}
	for _, a := range args {
		s.Args = append(s.Args, fmt.Sprint(a))
	}
	return s
}

var one = whole(1)

func whole(n int) quantity.Amount {
	a, err := quantity.Parse(fmt.Sprint(n))
	if err != nil {
		return quantity.Zero
	}
	return a
}

// Sorted is how many pieces were put in each band; what was left in the wood is
// counted like the rest.
type Sorted struct{ Kept, Trimmed, Left int }

// Sort sums counts by band; what says of each band whether it is kept, trimmed or
// left.
func Sort(counts map[string]int, what map[string]string) (Sorted, error) {
	var out Sorted
	bands := make([]string, 0, len(counts))
	for b := range counts {
		bands = append(bands, b)
	}
	slices.Sort(bands)
	for _, b := range bands {
		if counts[b] < 0 {
			return Sorted{}, fmt.Errorf("%w: %d in %s", ErrCount, counts[b], b)
		}
		switch what[b] {
		case "keep":
			out.Kept += counts[b]
		case "trim":
			out.Trimmed += counts[b]
		case "leave":
			out.Left += counts[b]
		default:
			return Sorted{}, fmt.Errorf("%w: there is no band %q", ErrCount, b)
		}
	}
	return out, nil
}

// Tunnelled judges the share of a section that is tunnelled against the bands that
// the user set: the first band that reaches so far. Shares are parts of one.
func Tunnelled(share float64, bands map[string]float64) string {
	best, at := "", 2.0
	for b, to := range bands {
		if share <= to && (to < at || to == at && b < best) {
			best, at = b, to
		}
	}
	return best
}
