// Package reminder writes days to remember as an iCalendar file.
package reminder

import (
	"io"
	"time"

	ics "github.com/arran4/golang-ical"
)

// Entry is one day to remember.
type Entry struct {
	ID, Title, Text string
	Day             time.Time // its date counts
}

// Write writes the entries as events of a whole day. stamp is when the file is
// made.
func Write(out io.Writer, entries []Entry, stamp time.Time) error {
	cal := ics.NewCalendarFor("Zesty Thicket")
	cal.SetMethod(ics.MethodPublish)
	for _, e := range entries {
		ev := cal.AddEvent(e.ID + "@zesty-thicket")
		ev.SetDtStampTime(stamp)
		ev.SetAllDayStartAt(e.Day)
		ev.SetAllDayEndAt(e.Day.AddDate(0, 0, 1))
		ev.SetSummary(e.Title)
		if e.Text != "" {
			ev.SetDescription(e.Text)
		}
	}
	_, err := io.WriteString(out, cal.Serialize())
	return err
}
