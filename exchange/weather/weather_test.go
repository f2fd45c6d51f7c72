package weather

import (
	"bytes"
	"math"
	"strings"
	"testing"

	"zestythicket/phenology"
)

func TestRead(t *testing.T) {
	r, err := Read(strings.NewReader("rain_in,date,TMAX_F,tmin_f,station\n0.5,2026-03-02,50,32,x\n0,2026-03-01,41,23,x\n0,2026-03-05,59,41,x\n"))
	if err != nil {
		t.Fatal(err)
	}
	if len(r.Days) != 3 || len(r.Problems) != 0 || r.Days[0].Day != phenology.DayOf(2026, 3, 1) {
		t.Fatalf("%+v", r)
	}
	// 0.5 in = 12.7 mm, 32 °F = 0 °C, 50 °F = 10 °C (NIST SP 811, appendix B).
	if d := r.Days[1]; math.Abs(d.Rain-12.7) > 1e-9 || math.Abs(d.Min) > 1e-9 || math.Abs(d.Max-10) > 1e-9 {
		t.Errorf("%+v", d)
	}
	if len(r.Gaps) != 1 || r.Gaps[0] != "2026-03-03 to 2026-03-04" {
		t.Errorf("%v", r.Gaps)
	}
}

func TestProblems(t *testing.T) {
	const head = "date,tmin_c,tmax_c,rain_mm\n"
	for name, c := range map[string]struct {
		line, field, what string
	}{
		"no date":         {"03/01/2026,1,2,3", "date", "no date"},
		"no such day":     {"2026-02-30,1,2,3", "date", "no date"},
		"twice":           {"2026-01-01,1,2,3", "date", "line 2"},
		"nothing given":   {"2026-01-02,1,,3", "tmax", "nothing"},
		"no number":       {"2026-01-02,1,2,trace", "rain", "no number"},
		"swapped":         {"2026-01-02,9,2,0", "tmin", "above the highest"},
		"wrong unit":      {"2026-01-02,50,86,0", "tmin, tmax", "can't be"},
		"less than no":    {"2026-01-02,1,2,-4", "rain", "can't be"},
		"too short":       {"2026-01-02,1", "", "nothing"},
		"not a number":    {"2026-01-02,NaN,2,0", "tmin", "no number"},
		"an open quote":   {`2026-01-02,"1,2,3`, "", "CSV"},
		"an infinite day": {"2026-01-02,-Inf,2,0", "tmin, tmax", "can't be"},
	} {
		r, err := Read(strings.NewReader(head + "2026-01-01,0,4,0\n" + c.line + "\n"))
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		if len(r.Days) != 1 || len(r.Problems) != 1 || r.Problems[0].Line != 3 || !strings.Contains(r.Problems[0].Field, c.field) || !strings.Contains(r.Problems[0].What, c.what) {
			t.Errorf("%s: %+v", name, r)
		}
	}
	for head, want := range map[string]string{"": "empty", "date,tmin,tmax_c,rain_mm": "no unit", "date,tmin_c,tmax_c,rain": "no unit", "date,tmin_c,tmax_c": `no column "rain"`, "date,tmin_c,tmin_f,tmax_c,rain_mm": "two columns"} {
		if _, err := Read(strings.NewReader(head)); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%q: %v", head, err)
		}
	}
}

func FuzzRoundTrip(f *testing.F) {
	f.Add("date,tmin_c,tmax_c,rain_mm\n2026-01-01,0,4,0\n2026-01-02,-3.25,4,12.7\n")
	f.Add("rain_in,date,tmax_f,tmin_f\n0.1,2024-02-29,40,30\n")
	f.Fuzz(func(t *testing.T, text string) {
		r, err := Read(strings.NewReader(text))
		if err != nil {
			return
		}
		var b bytes.Buffer
		if err := Write(&b, r.Days); err != nil {
			t.Fatal(err)
		}
		again, err := Read(&b)
		if err != nil || len(again.Problems) > 0 || len(again.Days) != len(r.Days) {
			t.Fatalf("%v %+v", err, again)
		}
		for i := range r.Days {
			if again.Days[i] != r.Days[i] {
				t.Fatalf("%+v became %+v", r.Days[i], again.Days[i])
			}
		}
	})
}
