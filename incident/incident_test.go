package incident_test

import (
	"encoding/csv"
	"math/rand/v2"
	"os"
	"slices"
	"strconv"
	"testing"

	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/incident"
)

func book(t *testing.T) *guide.Guide {
	t.Helper()
	b, err := load.Load(data.FS)
	if err != nil {
		t.Fatal(err)
	}
	return b
}

// Each window of the guide holds the one that a named paper gives: it may be wider,
// never narrower, to a tenth of an hour.
func TestWindowsAgainstPapers(t *testing.T) {
	f, err := os.Open("testdata/onset-windows.csv")
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = f.Close() }()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil || len(rows) < 12 {
		t.Fatal(len(rows), err)
	}
	b := book(t)
	for _, r := range rows[1:] {
		from, _ := strconv.ParseFloat(r[1], 64)
		to, _ := strconv.ParseFloat(r[2], 64)
		i := slices.IndexFunc(b.Syndromes, func(s guide.Syndrome) bool { return s.ID == r[0] })
		if i < 0 {
			t.Errorf("%s is not in the guide", r[0])
			continue
		}
		if s := b.Syndromes[i]; s.From > from+0.1 || s.To < to-0.1 {
			t.Errorf("%s is %g to %g hours here and %g to %g in %s", r[0], s.From, s.To, from, to, r[3])
		}
	}
}

func ids(c incident.Clock) []string {
	var out []string
	for _, l := range c.Lines {
		out = append(out, l.Syndrome.ID)
	}
	return out
}

// A start after three and a half hours fits the harmless end of the list well, and
// the deadly late ones stay above it all the same.
func TestNoneIsDropped(t *testing.T) {
	tab := incident.NewTable(book(t))
	e := incident.Exposure{ID: "m1", Route: "eaten", AtMS: 1_000, Kingdom: guide.Fungus, Suspects: []string{"gut-mushroom", "amatoxin"}}
	early := tab.Of(e, 1_000+35*incident.HourMS/10, 1_000+4*incident.HourMS, nil)
	if early.DelayMS != 35*incident.HourMS/10 || !early.Warning {
		t.Errorf("%+v", early)
	}
	first := early.Lines[0]
	if first.Syndrome.ID != "amatoxin" || first.Fit != incident.Inside && first.Fit != incident.Earlier {
		t.Errorf("first comes %s (%s)", first.Syndrome.ID, first.Fit)
	}
	for i := 1; i < len(early.Lines); i++ {
		if early.Lines[i].Grade > early.Lines[i-1].Grade {
			t.Errorf("%s comes below %s", early.Lines[i].Syndrome.ID, early.Lines[i-1].Syndrome.ID)
		}
	}
	// With nothing known, what kills most often stands in front.
	for _, kingdom := range []guide.Kingdom{guide.Fungus, guide.Plant, guide.KingdomUnclear} {
		if l := tab.Of(incident.Exposure{ID: "m", Route: "eaten", AtMS: 1, Kingdom: kingdom}, 0, 2, nil).Lines[0]; l.Grade != guide.Deadly || l.Syndrome.Deaths == "" {
			t.Errorf("kingdom %v: %s comes first", kingdom, l.Syndrome.ID)
		}
	}
	// The same list, whatever the delay and whatever the time.
	r := rand.New(rand.NewPCG(1, 1))
	want := ids(early)
	for range 200 {
		now := r.Int64N(1 << 45)
		c := tab.Of(e, r.Int64N(1<<40), now, nil)
		if !slices.Equal(ids(c), want) {
			t.Fatalf("the list depends on time: %v", ids(c))
		}
	}
	// What was never thought of is there too, and another kingdom's only if suspected.
	if !slices.Contains(want, "orellanine") || slices.Contains(want, "cicutoxin") {
		t.Errorf("%v", want)
	}
	both := tab.Of(incident.Exposure{ID: "m", Route: "eaten", AtMS: 1}, 0, 2, nil)
	if !slices.Contains(ids(both), "cicutoxin") || !slices.Contains(ids(both), "amatoxin") {
		t.Error("with no kingdom known both are listed")
	}
	skin := ids(tab.Of(incident.Exposure{ID: "m", Route: "skin", AtMS: 1, Kingdom: guide.Plant}, 0, 2, nil))
	if !slices.Contains(skin, "urushiol") || slices.Contains(skin, "cicutoxin") {
		t.Errorf("on the skin: %v", skin)
	}
}

// No clock ever closes a warning of late signs; a closing without a person or
// without advice closes nothing; a good one closes its own exposure alone.
func TestNoClockClosesAWarning(t *testing.T) {
	tab := incident.NewTable(book(t))
	r := rand.New(rand.NewPCG(2, 2))
	for range 2000 {
		e := incident.Exposure{ID: "m1", Route: guide.Routes[r.IntN(4)], AtMS: r.Int64N(1 << 40), Kingdom: guide.Kingdom(r.IntN(3))}
		now := e.AtMS + r.Int64N(1<<50)
		sign := int64(0)
		if r.IntN(2) == 0 {
			sign = e.AtMS + r.Int64N(1<<40)
		}
		bad := []incident.Closing{{Exposure: "m1", By: "Rue", AtMS: now}, {Exposure: "m1", Advice: "the service", AtMS: now}, {Exposure: "m2", By: "Rue", Advice: "the service"}}
		c := tab.Of(e, sign, now, bad)
		lateOne := slices.ContainsFunc(c.Lines, func(l incident.Line) bool { return l.Late && l.Grade >= guide.Poisonous })
		if c.Warning != lateOne {
			t.Fatalf("%+v after %d hours: warning %v", e, c.SinceMS/incident.HourMS, c.Warning)
		}
		if c.Warning != (c.LateHours > 0 || c.Longer) {
			t.Fatalf("a warning %v with a window of %g hours, longer %v", c.Warning, c.LateHours, c.Longer)
		}
		if good := tab.Of(e, sign, now, append(bad, incident.Closing{Exposure: "m1", By: "Rue", Advice: "the service: seen to"})); good.Warning || len(good.Lines) != len(c.Lines) {
			t.Fatalf("a closing by a person on advice: %+v", good)
		}
	}
}

// A way of poisoning that no entry names is kept everywhere, and counts as deadly.
func TestUnknownIsWorst(t *testing.T) {
	b := &guide.Guide{Syndromes: []guide.Syndrome{{ID: "new", Name: "New", From: 1, To: 30}}}
	c := incident.NewTable(b).Of(incident.Exposure{ID: "m", Route: "smoke", Kingdom: guide.Plant, AtMS: 1}, 0, 2, nil)
	if len(c.Lines) != 1 || c.Lines[0].Grade != guide.Deadly || !c.Warning {
		t.Errorf("%+v", c)
	}
}
