package daylight

import (
	"math"
	"testing"
	"time"
)

// Against published times of sunrise and sunset (tables of the U.S. Naval
// Observatory and H.M. Nautical Almanac Office, values from memory), to two
// minutes, in UTC.
func TestPublished(t *testing.T) {
	for _, c := range []struct {
		place    string
		lat, lon float64
		date     string
		up, down string
	}{
		{"London", 51.51, -0.13, "2024-06-20", "03:43", "20:21"},
		{"London", 51.51, -0.13, "2024-12-21", "08:03", "15:53"},
		{"New York", 40.71, -74.01, "2024-06-20", "09:25", "00:31"},
		{"New York", 40.71, -74.01, "2024-12-21", "12:17", "21:32"},
		{"Sydney", -33.87, 151.21, "2024-12-21", "18:41", "09:05"},
	} {
		d, _ := time.Parse(time.DateOnly, c.date)
		l := Of(c.lat, c.lon, d.Year(), d.Month(), d.Day())
		for what, x := range map[string][2]any{"sunrise": {l.Rise, c.up}, "sunset": {l.Set, c.down}} {
			want, _ := time.Parse("15:04", x[1].(string))
			got := x[0].(time.Time)
			diff := math.Abs(float64(got.Hour()*60+got.Minute()) + float64(got.Second())/60 - float64(want.Hour()*60+want.Minute()))
			if diff = math.Min(diff, 1440-diff); diff > 2 {
				t.Errorf("%s %s: %s at %s, published %s", c.place, c.date, what, got.Format("15:04:05"), x[1])
			}
		}
	}
}

func TestPolar(t *testing.T) {
	if l := Of(78, 15, 2026, time.June, 20); !l.PolarDay || l.Left(time.Now()) == 0 {
		t.Errorf("midnight sun: %+v", l)
	}
	if l := Of(78, 15, 2026, time.December, 20); !l.PolarNight || l.Left(time.Now()) != 0 {
		t.Errorf("polar night: %+v", l)
	}
	l := Of(51.5, 0, 2026, time.March, 20)
	if left := l.Left(l.Set.Add(-90 * time.Minute)); left != 90*time.Minute {
		t.Errorf("%s left", left)
	}
}
