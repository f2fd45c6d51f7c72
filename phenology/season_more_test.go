package phenology

import (
	"math"
	"testing"
	"time"
)

var std = StandardDefaults()

func near(t *testing.T, what string, got, want, tol float64) {
	t.Helper()
	if math.Abs(got-want) > tol || math.IsNaN(got) {
		t.Errorf("%s: %.3f, want %.3f ± %g", what, got, want, tol)
	}
}

// Days and ordinals against the calendar of package time, 1583 to 2400.
func TestCalendar(t *testing.T) {
	for d := time.Date(1583, 1, 1, 0, 0, 0, 0, time.UTC); d.Year() <= 2400; d = d.AddDate(0, 0, 13) {
		day := int(d.Unix() / 86400)
		if d.Unix() < 0 && d.Unix()%86400 != 0 {
			day--
		}
		if got := DayOf(d.Year(), int(d.Month()), d.Day()); got != day {
			t.Fatalf("%s is day %d, not %d", d.Format(time.DateOnly), day, got)
		}
		if y, m, dd := Civil(day); y != d.Year() || m != int(d.Month()) || dd != d.Day() {
			t.Fatalf("day %d is %s, not %d-%d-%d", day, d.Format(time.DateOnly), y, m, dd)
		}
	}
	for d := time.Date(2025, 1, 1, 0, 0, 0, 0, time.UTC); d.Year() == 2025; d = d.AddDate(0, 0, 1) {
		o := Ordinal(int(d.Month()), d.Day())
		if o != d.YearDay() {
			t.Errorf("%s: ordinal %d", d.Format(time.DateOnly), o)
		}
		if m, dd := MonthDay(o); m != int(d.Month()) || dd != d.Day() {
			t.Errorf("ordinal %d: %d-%d", o, m, dd)
		}
	}
	if Ordinal(2, 29) != Ordinal(3, 1) || Ordinal(2, 30) != 0 || Ordinal(13, 1) != 0 || Ordinal(4, 31) != 0 {
		t.Error("29 February, or a day that is none")
	}
	if m, d := MonthDay(Year + 1); m != 1 || d != 1 {
		t.Errorf("the ring does not close: %d-%d", m, d)
	}
}

func TestFromMonths(t *testing.T) {
	months := func(list ...int) (m uint16) {
		for _, i := range list {
			m |= 1 << (i - 1)
		}
		return m
	}
	for _, c := range []struct {
		months uint16
		want   [][2]int // ordinals
		all    bool
	}{
		{months(4, 5), [][2]int{{91, 151}}, false},
		{months(12, 1, 2), [][2]int{{335, 59}}, false}, // over New Year
		{months(3, 4, 9), [][2]int{{60, 120}, {244, 273}}, false},
		{1<<12 - 1, nil, true},
		{0, nil, false},
	} {
		got := FromMonths(c.months, std)
		if c.all {
			if len(got) != 1 || !got[0].AllYear || got[0].Up(200) != 1 {
				t.Errorf("all year: %+v", got)
			}
			continue
		}
		if len(got) != len(c.want) {
			t.Errorf("%b: %+v", c.months, got)
			continue
		}
		for i, w := range c.want {
			if got[i].Open.At != float64(w[0]) || got[i].Close.At != float64(w[1]) || got[i].Open.Sd < std.MonthSd {
				t.Errorf("%b: %+v, want %v", c.months, got[i], w)
			}
		}
	}
}

// Soft edges: half likely on an edge, likely inside, unlikely a quarter of a year
// off, and never nothing: a date rules nothing out. Also over New Year.
func TestUp(t *testing.T) {
	for _, s := range []Span{FromMonths(0b000000111000, std)[0], FromMonths(0b100000000011, std)[0]} {
		length := ring(s.Close.At - s.Open.At)
		near(t, "opening", s.Up(int(s.Open.At)), 0.5, 0.02)
		near(t, "middle", s.Up(int(ring(s.Open.At+length/2))), 1, 0.03)
		off := s.Up(int(ring(s.Close.At + 90)))
		if off <= 0 || off > 0.01 {
			t.Errorf("three months after its end: %g", off)
		}
		for o := 1; o < Year; o++ {
			if p := s.Up(o); math.Abs(p-s.Up(o+1)) > 0.05 || p < 0 || p > 1 {
				t.Fatalf("a jump at day %d: %g, %g", o, p, s.Up(o+1))
			}
		}
	}
}

// Hopkins 1918: 4 days later for one degree north, for five degrees east, for 400
// feet up. Worked by the letter of the law.
func TestHopkins(t *testing.T) {
	base := Site{39, -81, 200}
	up := func(lat, lon, feet float64) float64 {
		return Hopkins.Later(base, Site{base.Lat + lat, base.Lon + lon, base.Alt + feet*metresPerFoot})
	}
	near(t, "one degree north", up(1, 0, 0), 4, 1e-9)
	near(t, "five degrees east", up(0, 5, 0), 4, 1e-9)
	near(t, "400 feet up", up(0, 0, 400), 4, 1e-9)
	near(t, "two degrees north, ten east, 1,200 feet up", up(2, 10, 1200), 8+8+12, 1e-9)
	near(t, "south, west and down", up(-1, -5, -400), -12, 1e-9)
	near(t, "22 days for 1000 m in the Alps (Vitasse 2018)", Europe.Later(Site{46, 8, 500}, Site{46, 8, 1500}), 22, 1e-9)
	spring := Span{Open: Edge{100, 10}, Close: Edge{130, 10}}
	spring.Translate(&Hopkins, base, Site{41, -81, 200}, true, std)
	near(t, "spring opens later in the north", spring.Open.At, 108, 1e-9)
	autumn := Span{Open: Edge{270, 10}, Close: Edge{300, 10}}
	autumn.Translate(&Hopkins, base, Site{41, -81, 200}, true, std)
	near(t, "autumn comes earlier there", autumn.Open.At, 262, 1e-9)
	if autumn.Open.Sd <= 10 || len(autumn.Steps) != 1 || autumn.Steps[0].Law != "hopkins" {
		t.Errorf("no spread, or no word of how it was reckoned: %+v", autumn)
	}
	far := Span{Open: Edge{100, 10}, Close: Edge{130, 10}}
	far.Translate(&Hopkins, base, Site{41, -122, 200}, true, std)
	if far.Open.Sd < std.OutsideLaw {
		t.Errorf("on the Pacific coast, where the law does not hold, it is as sure as elsewhere: %+v", far.Open)
	}
}

// Seasons of our own: a southern garden of the north that opens in January what
// the guide gives for mid March; the other half of the globe; a span that runs
// over New Year and is moved across it.
func TestSeasonCases(t *testing.T) {
	oxford, algarve, cape, hobart := Site{51.7, -1.2, 60}, Site{37.1, -8.2, 20}, Site{-34, 18.5, 50}, Site{-42.9, 147.3, 30}
	march := Span{Open: Edge{75, 10}, Close: Edge{290, 10}}
	before := march.Up(Ordinal(1, 28))
	march.Translate(&Europe, oxford, algarve, true, std)
	if after := march.Up(Ordinal(1, 28)); before > 0.001 || after < 0.1 {
		t.Errorf("late January: %.4f at the reference, %.4f in the south", before, after)
	}
	st := FromMonths(1<<3|1<<4, std)[0] // April and May
	st.Translate(&Europe, oxford, cape, false, std)
	if p, q := st.Up(Ordinal(10, 10)), st.Up(Ordinal(4, 30)); p < 0.5 || q > 0.05 {
		t.Errorf("an April flower at the Cape: October %.2f, April %.2f", p, q)
	}
	later := FromMonths(1<<3|1<<4, std)[0]
	later.Translate(&Europe, oxford, hobart, false, std)
	if d := apart(st.Open.At, later.Open.At); d < 10 {
		t.Errorf("Hobart, nine degrees nearer its pole, opens %.0f days after the Cape", d)
	}
	winter := FromMonths(1<<11|1<<0|1<<1, std)[0] // December to February
	winter.Translate(&Europe, oxford, Site{56, -3, 250}, true, std)
	if p, q := winter.Up(Ordinal(1, 15)), winter.Up(Ordinal(7, 1)); p < 0.85 || q > 0.01 {
		t.Errorf("over New Year: mid January %.2f, July %.2f", p, q)
	}
	south := FromMonths(1<<11|1<<0|1<<1, std)[0]
	south.Translate(&Europe, oxford, cape, false, std)
	if p := south.Up(Ordinal(7, 10)); p < 0.4 || p < 5*south.Up(Ordinal(1, 10)) {
		t.Errorf("a winter span at the Cape in July: %.2f", p)
	}
}

// The normal–normal update against its closed form.
func TestLearn(t *testing.T) {
	s := Span{Open: Edge{100, 12}, Close: Edge{140, 12}}
	s.UpdateOpening([]int{90, 94}, std)
	each := std.SeenSd*std.SeenSd + std.YearSd*std.YearSd
	post := 1 / (1.0/144 + 2/each)
	near(t, "mean", s.Open.At, post*(100.0/144+2*92/each), 1e-9)
	near(t, "spread", s.Open.Sd, math.Sqrt(post), 1e-9)
	near(t, "the end goes along", s.Close.At-140, s.Open.At-100, 1e-9)
	over := Span{Open: Edge{3, 12}, Close: Edge{40, 12}}
	over.UpdateOpening([]int{360}, std) // a few days before New Year
	if d := apart(3, over.Open.At); d >= 0 || d < -8 {
		t.Errorf("pulled %.1f days", d)
	}
	same := Span{Open: Edge{100, 12}}
	same.UpdateOpening(nil, std)
	if same.Open.At != 100 || len(same.Steps) != 0 {
		t.Error("nothing seen and yet moved")
	}
}

// Degree days by the simple average method; the first two are the usual textbook
// days, 70/50 °F and 90/60 °F over 50 °F, which give 10 and 25.
func TestDegreeDays(t *testing.T) {
	near(t, "70/50 over 50", DegreeDays(50, 70, 50), 10, 1e-9)
	near(t, "90/60 over 50", DegreeDays(60, 90, 50), 25, 1e-9)
	near(t, "below the base", DegreeDays(-4, 8, 5), 0, 1e-9)
	near(t, "in °C", DegreeDays(4, 16, 5), 5, 1e-9)
}

func year(y, from int, temp func(day int) float64) YearDays {
	out := YearDays{Year: y, From: from}
	for d := from; d <= 200; d++ {
		out.Days = append(out.Days, Weather{Day: DayOf(y, 1, 1) + d - 1, Min: temp(d) - 4, Max: temp(d) + 4})
	}
	return out
}

func TestOffset(t *testing.T) {
	usual := func(d int) float64 { return float64(d) / 10 }
	early := func(d int) float64 { return float64(d+10) / 10 }
	late := func(d int) float64 { return float64(d-14) / 10 }
	o, n := Offset([]YearDays{year(2023, 1, usual), year(2024, 1, usual), year(2025, 1, late)}, 5)
	if n != 2 {
		t.Fatalf("%d years", n)
	}
	near(t, "two weeks late", o, 14, 1.5)
	o, _ = Offset([]YearDays{year(2023, 1, usual), year(2025, 1, early)}, 5)
	// The others had not gathered as much by midsummer; what is known is that it runs early.
	if o > 0 {
		t.Errorf("an early year runs %.1f days late", o)
	}
	if _, n := Offset([]YearDays{year(2025, 1, usual)}, 5); n != 0 {
		t.Error("one year has nothing to compare with")
	}
	if _, n := Offset([]YearDays{year(2024, 1, usual), year(2025, 90, usual)}, 5); n != 0 {
		t.Error("a year that begins in April can't be compared")
	}
}

func days(from int, rain ...float64) []Weather {
	var out []Weather
	for i, r := range rain {
		out = append(out, Weather{Day: from + i, Min: 6, Max: 14, Rain: r})
	}
	return out
}

func TestRain(t *testing.T) {
	from := DayOf(2026, 9, 1)
	r := RainRule
	if got := r.Follow(days(from, 0, 8, 0, 8, 0, 5, 0), false); len(got) != 1 || got[0].Sign != from+5 || got[0].From != from+12 || got[0].To != from+26 {
		t.Errorf("21 mm within five days: %+v", got)
	}
	if got := r.Follow(days(from, 8, 0, 0, 0, 0, 0, 0, 0, 13), false); len(got) != 0 {
		t.Errorf("21 mm spread over nine days: %+v", got)
	}
	gap := append(days(from, 12), days(from+3, 12)...)
	if got := r.Follow(gap, false); len(got) != 0 {
		t.Errorf("days are missing between: %+v", got)
	}
	if got := r.Follow(days(from, 25, 25, 25), false); len(got) != 1 || got[0].To != from+2+21 {
		t.Errorf("three wet days are one spell: %+v", got)
	}
}

func TestFrostFeastFire(t *testing.T) {
	var w []Weather
	for d := DayOf(2026, 1, 1); d <= DayOf(2026, 12, 31); d++ {
		_, m, dd := Civil(d)
		low := 5.0
		if m == 2 && dd == 3 || m == 10 && dd >= 19 || m == 5 && dd == 12 {
			low = -1
		}
		w = append(w, Weather{Day: d, Min: low, Max: 12})
	}
	r := FrostRule
	if got := r.Follow(w, false); len(got) != 1 || got[0].Sign != DayOf(2026, 10, 19) {
		t.Errorf("first frost of autumn: %+v", got)
	}
	if got := r.Follow(w, true); len(got) != 1 || got[0].Sign != DayOf(2026, 2, 3) {
		t.Errorf("first frost of a southern autumn: %+v", got)
	}
	feast := Rule{Kind: Feast, From: -10, To: 10, Sd: 7, Month: 4, Day: 23}
	if s := feast.On(2027, 0); s.From != DayOf(2027, 4, 13) || s.To != DayOf(2027, 5, 3) {
		t.Errorf("%+v", s)
	}
	fire := Rule{Kind: AfterFire, From: 240, To: 300, Sd: 20}
	if s := fire.On(0, DayOf(2026, 8, 2)); s.From != DayOf(2026, 8, 2)+240 {
		t.Errorf("%+v", s)
	}
}
