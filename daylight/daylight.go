// Package daylight says when the sun is up at a place, for planning a walk. The
// reckoning is that of the library go-sunrise (the sunrise equation).
package daylight

import (
	"time"

	"github.com/nathan-osman/go-sunrise"
)

// Sun is the daylight of one day at one place. Up and Down are zero where the
// sun does not rise or does not set that day.
type Sun struct {
	Rise, Set time.Time // UTC
	// PolarDay is set when the sun does not set, None when it does not rise.
	PolarDay, PolarNight bool
}

// Of is the daylight of a date at a place, in degrees, north and east positive.
func Of(lat, lon float64, year int, month time.Month, day int) Sun {
	up, down := sunrise.SunriseSunset(lat, lon, year, month, day)
	if up.IsZero() || down.IsZero() {
		noon := time.Date(year, month, day, 12, 0, 0, 0, time.UTC).Add(-time.Duration(lon / 15 * float64(time.Hour)))
		high := sunrise.Elevation(lat, lon, noon) > 0
		return Sun{PolarDay: high, PolarNight: !high}
	}
	return Sun{Rise: up, Set: down}
}

// Left is how much daylight is left after a moment; 0 before sunrise or after
// sunset is 0 as well.
func (l Sun) Left(at time.Time) time.Duration {
	switch {
	case l.PolarDay:
		return 24 * time.Hour
	case l.PolarNight, at.After(l.Set):
		return 0
	}
	return l.Set.Sub(at)
}
