package testkit

import (
	"database/sql"
	"encoding/json"
	"fmt"
	"testing"
	"time"

	"zestythicket/store"
)

// Size says how large a database is to be.
type Size struct{ Finds, Lines, Places int }

// Decade is about what ten years of one household come to.
var Decade = Size{Finds: 3_000, Lines: 10_000, Places: 500}

// Big is the path of a database of this size: the finds of the demo again and again on
// other days, each day's on an outing of its own; bags of them that were cooked, tasted,
// eaten and thrown away, the last hundred still there; and places with patches. What is
// written is what the program itself would have written, line for line.
func Big(t testing.TB, size Size) string {
	t.Helper()
	path := Demo(t)
	// Migrated first: the rows that follow are to meet every trigger.
	s, err := store.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	db, err := sql.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = db.Close() }()
	tx, err := db.Begin()
	if err != nil {
		t.Fatal(err)
	}
	b := &builder{t: t, tx: tx}
	if err := tx.QueryRow("SELECT json_extract(facts, '$.target'), json_extract(facts, '$.part') FROM finds WHERE json_extract(facts, '$.target') <> '' ORDER BY created_ms LIMIT 1").Scan(&b.target, &b.part); err != nil {
		t.Fatal(err)
	}
	b.finds(size.Finds)
	b.kitchen(size.Lines)
	b.places(size.Places)
	if err := tx.Commit(); err != nil {
		t.Fatal(err)
	}
	return path
}

type builder struct {
	t  testing.TB
	tx *sql.Tx
	// What bags and patches are of.
	target, part string
}

func (b *builder) exec(query string, args ...any) {
	b.t.Helper()
	if _, err := b.tx.Exec(query, args...); err != nil {
		b.t.Fatal(err)
	}
}

// perDay and every: so many finds on a day out, which is every so many days.
const perDay, every = 2, 2

// each is how many lines a bag has.
const each = 10

// dayOf is the day of the i-th find; they follow the demo.
func dayOf(i int) time.Time { return DemoBegan.AddDate(0, 0, 2+i/perDay*every) }

// Ends is the moment after everything in a database of this size.
func (s Size) Ends() time.Time { return dayOf(max(s.Finds, 2*s.Lines/each)).AddDate(0, 0, 2) }

func (b *builder) finds(n int) {
	rows, err := b.tx.Query("SELECT id FROM finds WHERE json_extract(facts, '$.secondOf') IS NULL ORDER BY created_ms")
	if err != nil {
		b.t.Fatal(err)
	}
	var of []string
	for rows.Next() {
		var id string
		if err := rows.Scan(&id); err != nil {
			b.t.Fatal(err)
		}
		of = append(of, id)
	}
	_ = rows.Close()
	for i := range n {
		from, id, at := of[i%len(of)], fmt.Sprintf("big-%05d", i), dayOf(i)
		day, outing := at.Format(time.DateOnly), "o-big-"+at.Format("20060102")
		b.exec("INSERT OR IGNORE INTO outings (id, day, created_ms) VALUES (?, ?, ?)", outing, day, at.UnixMilli())
		b.exec(`INSERT INTO finds (id, outing_id, person_id, title, place_name, day, facts, created_ms, rev, place_id)
			SELECT ?, ?, person_id, title || ' ' || ?, place_name, ?, facts, ?, 1, place_id FROM finds WHERE id = ?`, id, outing, i, day, at.UnixMilli()+int64(i%perDay), from)
		b.exec("INSERT INTO specimens (find_id, id, number, joined_to, count) SELECT ?, id, number, joined_to, count FROM specimens WHERE find_id = ?", id, from)
		b.exec("INSERT INTO events (find_id, specimen, key, kind, body, at_ms) SELECT ?, specimen, key, kind, body, ? FROM events WHERE find_id = ? ORDER BY seq", id, at.UnixMilli(), from)
	}
}

// kitchen writes ten lines for a bag: bagged, looked over, cooked with a sample put by,
// tasted, felt, eaten twice, and the rest thrown away.
func (b *builder) kitchen(n int) {
	line := func(key, kind string, at time.Time, doc map[string]any) {
		doc["key"], doc["kind"], doc["atMs"] = key, kind, at.UnixMilli()
		text, err := json.Marshal(doc)
		if err != nil {
			b.t.Fatal(err)
		}
		b.exec("INSERT INTO kitchen (key, kind, doc, at_ms) VALUES (?, ?, ?, ?)", key, kind, string(text), at.UnixMilli())
	}
	bags := n / each
	for i := range bags {
		find, bag, dish := fmt.Sprintf("big-%05d", i*2), fmt.Sprintf("N%d", i), fmt.Sprintf("D%d", i)
		at := dayOf(i * 2)
		key := func(k int) string { return fmt.Sprintf("big-line-%05d-%d", i, k) }
		hour := func(h int) time.Time { return at.Add(time.Duration(h) * time.Hour) }
		who := map[string]any{"person": "rowan"}
		line(key(0), "bagged", hour(1), map[string]any{"lot": bag, "find": find, "gross": "260", "tare": "10", "pieces": 50, "checked": 50,
			"bag": map[string]any{"taxon": b.target, "piece": b.part, "pickedMs": at.UnixMilli()}})
		line(key(1), "looked", hour(2), map[string]any{"lot": bag, "by": "Rowan"})
		line(key(2), "sampled", hour(2), map[string]any{"lot": bag})
		line(key(3), "made", hour(3), map[string]any{"from": []any{map[string]any{"lot": bag, "amount": "200"}}, "to": []any{map[string]any{"lot": dish, "amount": "180", "form": "cooked"}}, "loss": "20"})
		line(key(4), "ate", hour(4), map[string]any{"lot": dish, "amount": "10", "person": "rowan", "noAlcohol": true, "first": i == 0})
		line(key(5), "felt", hour(30), map[string]any{"lot": dish, "person": "rowan", "outcome": "nothing"})
		line(key(6), "ate", hour(31), map[string]any{"lot": dish, "amount": "60", "person": who["person"], "meal": "supper"})
		line(key(7), "ate", hour(32), map[string]any{"lot": dish, "amount": "60", "person": who["person"]})
		if i < bags-100 {
			line(key(8), "threw", hour(33), map[string]any{"lot": dish, "amount": "50", "why": "old"})
			line(key(9), "threw", hour(34), map[string]any{"lot": bag, "amount": "50", "why": "stalks"})
			continue
		}
		line(key(8), "threw", hour(33), map[string]any{"lot": dish, "amount": "5", "why": "burnt"})
		line(key(9), "threw", hour(34), map[string]any{"lot": bag, "amount": "5", "why": "stalks"})
	}
}

func (b *builder) places(n int) {
	for i := range n {
		id := fmt.Sprintf("big-place-%03d", i)
		doc := map[string]any{"id": id, "name": fmt.Sprintf("Quillow field %d", i), "lat": 52.1 + float64(i)/1000, "lon": -2.5, "region": "EU", "habitats": []string{"hedge"}}
		if i%10 == 0 { // one in ten is gone back to
			doc["patches"] = []any{map[string]any{"id": "p1", "name": "The corner", "taxon": b.target, "stage": "fruit", "every": 340, "points": []any{map[string]any{"lat": 52.1, "lon": -2.5, "day": "2026-09-20"}}}}
		}
		text, err := json.Marshal(doc)
		if err != nil {
			b.t.Fatal(err)
		}
		b.exec("INSERT INTO notes (kind, id, doc, at_ms, rev) VALUES ('place', ?, ?, ?, 1)", id, string(text), DemoBegan.UnixMilli()+int64(i))
	}
}
