// Package season holds what can be said about the time of year. It never rules
// anything out: a month out of season only weighs in the standing.
package season

// Fit says how a month meets the months of an entry.
type Fit uint8

// Unknown when no month or no window was given.
const (
	Unknown Fit = iota
	In
	NextTo
	Out
)

// Of compares a month (1–12) with a set of months (bit 0 is January). The year
// is a ring: December is next to January.
func Of(month int, months uint16) Fit {
	if month < 1 || month > 12 || months == 0 {
		return Unknown
	}
	bit := func(m int) bool { return months&(1<<((m+11)%12)) != 0 }
	switch {
	case bit(month):
		return In
	case bit(month - 1 + 12), bit(month + 1):
		return NextTo
	}
	return Out
}
