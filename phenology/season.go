// Package phenology reckons the time of year: when something is likely to be up at
// a place, and how sure that is. It never rules anything out: a month out of
// season only weighs in the standing, and every reckoned day comes with its
// spread.
//
// The year is a ring of 365 days (29 February falls on 1 March). A window of an
// entry is a [Span] on that ring with two soft edges, each a day and a standard
// deviation. A span starts from the months that the guide gives for its
// reference place and is moved, step by step: to the other hemisphere, along
// latitude, longitude and altitude by a bioclimatic law, by how early or late
// this year runs in degree days, and at last by the days on which the user
// first saw it. Each step is kept with its days and its source, so that a
// screen can say how a window was reckoned.
package phenology

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
