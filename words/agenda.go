package words

import "strconv"

// GoBack says to which patch to go back; why is the stage that is hoped for, in brackets.
func GoBack(patch, place, why string) string { return "Go back to " + patch + ", " + place + why }

// AskAgain says that a permission ends.
func AskAgain(place, until string) string {
	return "Ask again: the permission for " + place + " ends on " + until
}

// WaitDue says when a test that takes time can be read.
func WaitDue(trait, clock string) string { return trait + ", due at " + clock }

// StepDue says until when something is done to a lot.
func StepDue(lot, do, clock string) string { return lot + ": " + do + ", to " + clock }

// KeepDue says that a lot's time to keep ends.
func KeepDue(lot, form string) string { return lot + " (" + form + "): its time to keep ends" }

// TasteDue says from when it can be said how a first taste was.
func TasteDue(lot, clock string) string {
	return "Say how the first taste of " + lot + " was, from " + clock
}

// WarningDue says that the warnings of an incident stand.
func WarningDue(day string) string {
	return "An incident of " + day + ": its warnings of late signs stand until a person closes them"
}

// LeftStanding says how many pieces were left; it follows what was said before.
func LeftStanding(n int) string { return "; " + strconv.Itoa(n) + " left where they stood" }

// FirstSeen says that a stage was seen for the first time in a year.
func FirstSeen(stage string) string { return "first seen in the stage " + stage }

// Marked says how many places were marked on a map.
func Marked(n int) string { return strconv.Itoa(n) + " marked on the map" }
