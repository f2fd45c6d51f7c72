package track

import (
	_ "embed" // the track that is played
	"strings"
)

//go:embed quillow.nmea
var walk string

// Simulated plays the track of an invented walk through the same reader that a
// receiver's sentences go through.
func Simulated() []TrackPoint {
	fixes, _ := NMEA(strings.NewReader(walk))
	return fixes
}
