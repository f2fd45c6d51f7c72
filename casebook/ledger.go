package casebook

import (
	"maps"
	"slices"
	"sync"

	"zestythicket/lot"
	"zestythicket/store"
)

// shelves is what all requests share: one line is written at a time, and the book is
// read once.
type shelves struct {
	kitchen sync.Mutex
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
	kept    *pot
}

// ledger is the book of the kitchen, without judging any find. It never fails: lines
// that can't be read, and lines that contradict the others, are set aside.
func (c *Casebook) ledger() *pot {
	set, err := c.Settings()
	if err != nil {
		set = standardSettings()
	}
	l := &c.ledgers
	l.mu.Lock()
	defer l.mu.Unlock()
	rules, opening := store.JSON(set.rules()), c.Store.Opening()
	last, err := c.Store.LastKitchen()
	if l.kept == nil || err != nil || opening != l.opening || rules != l.rules || last < l.last {
		lines, lost := c.Store.Kitchen()
		l.kept = &pot{book: lot.New(set.rules()), yields: lot.YieldTable{}, aside: asideOf(lost, kitchenLine)}
		l.opening, l.rules, l.last = opening, rules, 0
		l.play(lines)
	} else if last > l.last {
		lines, lost := c.Store.KitchenSince(l.last)
		l.kept.aside = append(l.kept.aside, asideOf(lost, kitchenLine)...)
		l.play(lines)
	}
	k := &pot{c: c, book: l.kept.book.Clone(), events: slices.Clip(l.kept.events), last: l.kept.last, aside: slices.Clip(l.kept.aside), yields: maps.Clone(l.kept.yields), views: map[string]*View{}, finds: map[string]*Summary{}, unit: set.Unit}
	k.book.Name = k.nameOf
	return k
}

// play adds lines to the book that is kept. A line that does not hold together with
// those before it is set aside with what it says.
func (l *ledgers) play(lines []store.KitchenLine) {
	k := l.kept
	for i := range lines {
		line := &lines[i]
		k.last, l.last = max(k.last, line.Seq), max(l.last, line.Seq)
		e, err := readLine(line)
		if err == nil {
			err = k.book.Play(e)
		}
		if err != nil {
			k.aside = append(k.aside, Aside{kitchenLine, itoa(int(line.Seq)), said(line.Doc), wordsOf(err)})
			continue
		}
		k.events = append(k.events, *e)
		k.yields.Add(e, k.book)
	}
}

func readLine(line *store.KitchenLine) (*lot.Event, error) {
	var d kitchenDoc
	if err := unJSON(line.Doc, &d); err != nil {
		return nil, err
	}
	e, err := eventOfAct(&d)
	if err != nil {
		return nil, err
	}
	e.Seq = line.Seq
	return e, nil
}
