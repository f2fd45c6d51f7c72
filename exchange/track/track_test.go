package track

import (
	"encoding/json"
	"fmt"
	"math"
	"strings"
	"testing"
)

// sum makes a sentence with the check sum of NMEA 0183: the exclusive or of what
// stands between the dollar and the star.
func sum(body string) string {
	var x byte
	for i := range len(body) {
		x ^= body[i]
	}
	return fmt.Sprintf("$%s*%02X", body, x)
}

func TestNMEA(t *testing.T) {
	good := sum("GPGGA,093012.00,5424.6000,N,00254.0000,W,1,08,1.5,212.0,M,,M,,")
	text := strings.Join([]string{
		"# a walk", good,
		sum("GPGSV,1,1,00"),
		strings.Replace(good, "5424", "5425", 1),
		sum("GPGGA,093013.00,,,,,0,00,99.9,,M,,M,,"),
		"nonsense",
		sum("GPGGA,093014.00,5424.6060,N,00254.0000,W,1,08,2.0,212.0,M,,M,,"),
	}, "\n")
	fixes, bad := NMEA(strings.NewReader(text))
	if len(fixes) != 2 || math.Abs(fixes[0].Lat-54.41) > 1e-9 || math.Abs(fixes[0].Lon+2.9) > 1e-9 || fixes[0].Accuracy != 6 || fixes[1].Accuracy != 8 {
		t.Errorf("%+v", fixes)
	}
	if len(bad) != 3 || bad[0].Line != 4 || !strings.Contains(bad[0].What, "check sum") || bad[1].Line != 5 || bad[2].Line != 6 {
		t.Errorf("%+v", bad)
	}
}

func TestGPX(t *testing.T) {
	fixes, bad := GPX(strings.NewReader(`<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">
<wpt lat="54.41" lon="-2.9"><name>first cap</name><hdop>1.2</hdop></wpt>
<trk><trkseg><trkpt lat="54.42" lon="-2.91"><ele>210</ele></trkpt><trkpt lat="-2.91" lon="254"/><trkpt lon="3"/></trkseg></trk></gpx>`))
	if len(fixes) != 2 || fixes[0].Name != "first cap" || math.Abs(fixes[0].Accuracy-4.8) > 1e-9 || fixes[1].Alt != 210 {
		t.Errorf("%+v", fixes)
	}
	if len(bad) != 2 || bad[0].Line != 3 || !strings.Contains(bad[0].What, "longitude of 254") {
		t.Errorf("%+v", bad)
	}
	for text, want := range map[string]string{"": "empty", "<kml/>": "kml", "<gpx><wpt lat='1' lon='2'/>": "well formed", "<gpx><wpt lat='1' lon='2'>": "can't be read", "<gpx><wpt lat='x' lon='2'/></gpx>": "can't be read", "<gpx><wpt lat='99' lon='2'/></gpx>": "swapped"} {
		if _, bad := GPX(strings.NewReader(text)); len(bad) == 0 || !strings.Contains(bad[0].What, want) {
			t.Errorf("%q: %+v", text, bad)
		}
	}
}

func FuzzTracks(f *testing.F) {
	f.Add(sum("GPGGA,093012.00,5424.6000,N,00254.0000,W,1,08,1.5,212.0,M,,M,,"))
	f.Add(`<gpx><wpt lat="54.41" lon="-2.9"/></gpx>`)
	f.Fuzz(func(t *testing.T, text string) {
		a, _ := NMEA(strings.NewReader(text))
		b, _ := GPX(strings.NewReader(text))
		for _, x := range append(a, b...) {
			if possible(x.Lat, x.Lon) != nil {
				t.Fatalf("%+v", x)
			}
			if _, err := json.Marshal(x); err != nil {
				t.Fatalf("it can't be answered: %+v: %v", x, err)
			}
		}
	})
}

// The simulated receiver sends sentences that all hold.
func TestSimulated(t *testing.T) {
	fixes, bad := NMEA(strings.NewReader(walk))
	if len(bad) > 0 || len(fixes) < 30 || len(Simulated()) != len(fixes) {
		t.Errorf("%d positions, problems %v", len(fixes), bad)
	}
}

// Numbers that are none, and those that can't be, are refused with line and field;
// what is around them is read.
func TestNumbersThatCannotBe(t *testing.T) {
	for name, point := range map[string]string{
		"ele":    `<ele>NaN</ele>`,
		"ele ":   `<ele>Inf</ele>`,
		"hdop":   `<hdop>1e308</hdop>`,
		"hdop ":  `<hdop>-5</hdop>`,
		"ele  ":  `<ele>high</ele>`,
		"hdop  ": `<hdop>1e999</hdop>`,
	} {
		text := "<gpx>\n<wpt lat=\"54.1\" lon=\"-2.9\"></wpt>\n<wpt lat=\"54.2\" lon=\"-2.9\">" + point + "</wpt>\n<wpt lat=\"54.3\" lon=\"-2.9\"><ele>12.5</ele></wpt>\n</gpx>"
		fixes, bad := GPX(strings.NewReader(text))
		if len(fixes) != 2 || len(bad) != 1 || bad[0].Line != 3 || !strings.Contains(bad[0].What, strings.TrimSpace(name)) {
			t.Errorf("%s: %d read, %+v", point, len(fixes), bad)
		}
		if _, err := json.Marshal(fixes); err != nil {
			t.Errorf("%s: the answer can't be written: %v", point, err)
		}
	}
}

// A million things wrong are a hundred, and how many more.
func TestProblemsAreBounded(t *testing.T) {
	_, bad := GPX(strings.NewReader("<gpx>" + strings.Repeat("<wpt/>", 5000) + "</gpx>"))
	if len(bad) != 101 || !strings.Contains(bad[100].What, "4900") {
		t.Errorf("%d listed, the last: %+v", len(bad), bad[len(bad)-1])
	}
	_, bad = NMEA(strings.NewReader(strings.Repeat("no sentence\n", 3000)))
	if len(bad) != 101 {
		t.Errorf("%d listed", len(bad))
	}
}
