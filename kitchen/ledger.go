package kitchen

import (
	"maps"
	"slices"
	"strconv"
	"sync"

	"zestythicket/finds"
	"zestythicket/lot"
	"zestythicket/people"
	"zestythicket/records"
	"zestythicket/store"
)

// shelves is what all requests share: one line is written at a time, and the book is
// read once.
type shelves struct {
	line    sync.Mutex
	ledgers ledgers
}

// ledgers keeps the book of the kitchen as it was read last. Lines are only ever added,
// and by this program alone, so that what has come since is read and played on. Nobody
// changes the book that is kept: each request gets a copy, and lays its holds there.
type ledgers struct {
	mu      sync.Mutex
	opening int64
	rules   string
	last    int64
	kept    *State
}

// Ledger is the book of the kitchen, without judging any find. It never fails: lines
// that can't be read, and lines that contradict the others, are set aside.
func (c *Service) Ledger() *State {
	set, err := c.People.Settings()
	if err != nil {
		set = people.StandardSettings()
	}
	l := &c.ledgers
	l.mu.Lock()
	defer l.mu.Unlock()
	rules, opening := store.JSON(set.Rules()), c.Store.Opening()
	last, err := c.Store.LastKitchen()
	var lines []store.KitchenLine
	var lost []store.Lost
	if l.kept == nil || err != nil || opening != l.opening || rules != l.rules || last < l.last {
		lines, lost = c.Store.Kitchen()
		l.kept = &State{Book: lot.New(set.Rules()), yields: lot.YieldTable{}, Aside: records.AsideOf(lost, kitchenLine)}
		l.opening, l.rules, l.last = opening, rules, 0
		l.play(lines)
	} else if last > l.last {
		lines, lost = c.Store.KitchenSince(l.last)
		l.kept.Aside = append(l.kept.Aside, records.AsideOf(lost, kitchenLine)...)
		l.play(lines)
	}
	k := &State{Kitchen: c, Book: l.kept.Book.Clone(), Events: slices.Clip(l.kept.Events), Last: l.kept.Last, Aside: slices.Clip(l.kept.Aside), yields: maps.Clone(l.kept.yields), views: map[string]*finds.View{}, finds: map[string]*finds.Summary{}, unit: set.Unit}
	if len(lost) > 0 { // perhaps only to this request, which may have been cancelled
		l.kept = nil
	}
	return k
}

// play adds lines to the book that is kept. A line that does not hold together with
// those before it is set aside with what it says.
func (l *ledgers) play(lines []store.KitchenLine) {
	k := l.kept
	for i := range lines {
		line := &lines[i]
		k.Last, l.last = max(k.Last, line.Seq), max(l.last, line.Seq)
		e, err := readLine(line)
		if err == nil {
			err = k.Book.Play(e)
		}
		if err != nil {
			k.Aside = append(k.Aside, records.SetAside(kitchenLine, strconv.Itoa(int(line.Seq)), records.Said(line.Doc), wordsOf(err, idAsIs)))
			continue
		}
		k.Events = append(k.Events, *e)
		k.yields.Add(e, k.Book)
	}
}

func readLine(line *store.KitchenLine) (*lot.Event, error) {
	var d kitchenDoc
	if err := records.Decode(line.Doc, &d); err != nil {
		return nil, err
	}
	e, err := eventOfAct(&d)
	if err != nil {
		return nil, err
	}
	e.Seq = line.Seq
	return e, nil
}

// Exclusively keeps every other line out of the book until the function it gives is
// called.
func (c *Service) Exclusively() (end func()) {
	c.line.Lock()
	return c.line.Unlock
}

// idAsIs names somebody by id, where names are not at hand.
func idAsIs(id string) string { return id }
