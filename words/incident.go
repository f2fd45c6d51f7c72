package words

import (
	"fmt"
	"math"
)

// LateWarning says that grave signs may still come: the longest window of days ends so
// many hours after the exposure, and longer tells that some windows are longer still.
func LateWarning(hours float64, longer bool) string {
	const never = " No number of hours clears anybody."
	switch {
	case hours == 0:
		return "Grave signs may still come, months or years later too." + never
	case longer:
		return "Grave signs may still come, also after feeling better: of the windows that are days, the longest ends after " + span(hours) + "; some take longer still." + never
	}
	return "Grave signs may still come, also after feeling better: of the windows that are days, the longest ends after " + span(hours) + "." + never
}

func span(hours float64) string {
	switch {
	case hours < 48:
		return fmt.Sprintf("%.0f hours", hours)
	case hours < 24*60:
		return fmt.Sprintf("%.0f days", math.Ceil(hours/24))
	case hours < 24*365*2:
		return fmt.Sprintf("%.0f months", math.Ceil(hours/24/30))
	}
	return fmt.Sprintf("%.0f years", math.Ceil(hours/24/365))
}
