// Package quantity holds masses and volumes as exact decimals. Weights that must
// add up are never binary fractions: 0.1 kg and 0.2 kg make 0.3 kg to the last
// digit. Inside, masses are grams and volumes are millilitres; the user's own
// units stand at the edge, and the factors between them are exact by definition.
package quantity

import (
	"errors"
	"fmt"
	"strings"

	"github.com/shopspring/decimal"
)

// Amount is an exact decimal: grams, millilitres or pieces, as its field says.
type Amount = decimal.Decimal

// Zero is nothing.
var Zero = decimal.Zero

// ErrAmount is returned for what is no amount, or one out of bounds.
var ErrAmount = errors.New("no amount")

// Most is the greatest amount that is taken, in grams, millilitres or pieces, and
// Digits the most decimals.
const (
	Most   = 100_000_000
	Digits = 6
)

// Kind says what a unit measures.
type Kind uint8

// The kinds of unit.
const (
	Mass Kind = iota + 1
	Volume
	Count
)

// Unit is a unit with its exact factor to grams, millilitres or pieces.
type Unit struct {
	Word   string
	Kind   Kind
	Factor Amount
}

// Units are those that are known. The factors of the pound, the ounce, the US
// fluid ounce and the US cup are those of NIST Special Publication 811 (2008),
// appendix B, and NIST Handbook 44, appendix C: exact for the pound (0.45359237
// kg) and for volumes by the inch of 2.54 cm.
var Units = []Unit{
	{"g", Mass, dec("1")}, {"kg", Mass, dec("1000")}, {"mg", Mass, dec("0.001")},
	{"oz", Mass, dec("28.349523125")}, {"lb", Mass, dec("453.59237")},
	{"ml", Volume, dec("1")}, {"l", Volume, dec("1000")},
	{"fl oz", Volume, dec("29.5735295625")}, {"cup", Volume, dec("236.5882365")},
	{"pieces", Count, dec("1")},
}

func dec(s string) Amount { return decimal.RequireFromString(s) }

// UnitOf finds a unit by its word.
func UnitOf(word string) (Unit, bool) {
	for _, u := range Units {
		if u.Word == word {
			return u, true
		}
	}
	return Unit{}, false
}

// Parse reads a decimal number that is not negative, with a point or a comma and
// at most [Digits] decimals. The error matches [ErrAmount].
func Parse(text string) (Amount, error) {
	t := strings.Replace(strings.TrimSpace(text), ",", ".", 1)
	if t == "" || strings.Trim(t, "0123456789.") != "" || len(t) > 20 {
		return Zero, fmt.Errorf("%w: %q is no decimal number", ErrAmount, text)
	}
	a, err := decimal.NewFromString(t)
	switch {
	case err != nil:
		return Zero, fmt.Errorf("%w: %q is no decimal number", ErrAmount, text)
	case a.Exponent() < -Digits:
		return Zero, fmt.Errorf("%w: %q has more than %d decimals", ErrAmount, text, Digits)
	case a.GreaterThan(decimal.NewFromInt(Most)):
		return Zero, fmt.Errorf("%w: %q is more than %d", ErrAmount, text, Most)
	}
	return a, nil
}

// Exact reads an amount of grams as [Amount.String] wrote it: what was reckoned from
// ounces has more decimals than anybody types. The error matches [ErrAmount].
func Exact(text string) (Amount, error) {
	if text == "" || strings.Trim(text, "0123456789.") != "" || len(text) > 40 {
		return Zero, fmt.Errorf("%w: %q is no decimal number", ErrAmount, text)
	}
	a, err := decimal.NewFromString(text)
	if err != nil || a.GreaterThan(decimal.NewFromInt(Most)) {
		return Zero, fmt.Errorf("%w: %q", ErrAmount, text)
	}
	return a, nil
}

// In reads an amount in a unit and gives it in grams, millilitres or pieces.
func In(text, unit string) (Amount, Kind, error) {
	u, ok := UnitOf(unit)
	if !ok {
		return Zero, 0, fmt.Errorf("%w: %q is no unit; %s of what?", ErrAmount, unit, text)
	}
	a, err := Parse(text)
	if err != nil {
		return Zero, 0, err
	}
	if u.Kind == Count && !a.IsInteger() {
		return Zero, 0, fmt.Errorf("%w: %s pieces are no whole number", ErrAmount, text)
	}
	return a.Mul(u.Factor), u.Kind, nil
}

// To gives grams or millilitres in a unit, rounded half up to so many decimals.
func To(a Amount, unit string, places int32) (string, error) {
	u, ok := UnitOf(unit)
	if !ok {
		return "", fmt.Errorf("%w: %q is no unit", ErrAmount, unit)
	}
	return a.DivRound(u.Factor, places).String(), nil
}

// Grams says a mass in words that are read at a glance: 850 g, 1.25 kg.
func Grams(a Amount) string {
	if a.GreaterThanOrEqual(dec("1000")) {
		return a.DivRound(dec("1000"), 3).String() + " kg"
	}
	return a.Round(1).String() + " g"
}

// Words says a mass in the unit of a user: grams and kilograms as [Grams] does,
// ounces and pounds to two decimals. The error matches [ErrAmount] when there is no
// such unit.
func Words(a Amount, unit string) (string, error) {
	if unit == "" || unit == "g" {
		return Grams(a), nil
	}
	s, err := To(a, unit, 2)
	return s + " " + unit, err
}

// Scale multiplies an amount so that a recipe for `from` becomes one for `to`.
// The error matches [ErrAmount] when from is nothing.
func Scale(a, from, to Amount) (Amount, error) {
	if from.IsZero() {
		return Zero, fmt.Errorf("%w: a recipe made of nothing can't be scaled", ErrAmount)
	}
	return a.Mul(to).DivRound(from, Digits), nil
}

// ShareOf is so many per cent of a whole: 10 % of 100 ml is 10 ml. It is plain
// arithmetic of a formula; it says nothing of how much anyone should take.
func ShareOf(whole, percent Amount) Amount { return whole.Mul(percent).Div(dec("100")) }

// Ratio gives the volume in millilitres for a mass in grams at 1 : n, weight to
// volume.
func Ratio(mass, n Amount) Amount { return mass.Mul(n) }

// Dried is what a mass weighs when its water has gone from one share to another,
// the dry matter staying the same: m (1 - from) / (1 - to). Shares are parts of
// one, to below 1.
func Dried(mass, from, to Amount) (Amount, error) {
	one := dec("1")
	if from.IsNegative() || to.IsNegative() || from.GreaterThan(one) || to.GreaterThanOrEqual(one) {
		return Zero, fmt.Errorf("%w: water is a share of one", ErrAmount)
	}
	return mass.Mul(one.Sub(from)).DivRound(one.Sub(to), Digits), nil
}
