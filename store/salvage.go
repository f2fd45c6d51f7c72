package store

import (
	"fmt"
	"strings"

	"gorm.io/gorm"
)

// Lost is a row that can't be read, because its part of the file is damaged. It is
// set aside; everything else works.
type Lost struct {
	Table string `json:"table"`
	Row   int64  `json:"row" doc:"Its number, or the first of a run; 0: the whole table"`
	To    int64  `json:"to,omitempty" doc:"The last of a run; -1: to the end, as far as is known"`
	Why   string `json:"why"`
}

// Limits of what is tried in a damaged table.
const (
	lostMost = 100   // rows that are listed
	gapMost  = 3_000 // numbers in a row that hold nothing, after which the table is taken to end
)

// rowsOf reads a whole query, and row by row when that fails: what can be had of a
// damaged table is had. It never fails; what it could not read is listed.
func rowsOf[T any](s *Store, table string, whole func(*gorm.DB) *gorm.DB, keep func(*T) bool) ([]T, []Lost) {
	var out []T
	err := whole(s.read()).Find(&out).Error
	if err == nil {
		return out, nil
	}
	out = nil
	lost := []Lost{{Table: table, Why: err.Error()}}
	gap := 0
	for row := int64(1); gap < gapMost; row++ {
		var one []T
		if err := s.read().Table(table).Where("rowid = ?", row).Limit(1).Find(&one).Error; err != nil {
			gap++
			// A damaged page takes a run of rows, and numbers that no row has had.
			if last := &lost[len(lost)-1]; last.Row > 0 && max(last.Row, last.To) == row-1 {
				last.To = row
			} else if len(lost) < lostMost {
				lost = append(lost, Lost{table, row, row, err.Error()})
			}
			continue
		}
		if gap++; len(one) > 0 {
			gap = 0
			if keep(&one[0]) {
				out = append(out, one[0])
			}
		}
	}
	if last := &lost[len(lost)-1]; last.Row > 0 && last.To >= last.Row+gapMost-2 {
		last.To = -1
	}
	if len(out) > 0 || len(lost) > 1 {
		lost[0].Why = fmt.Sprintf("read row by row: %d were found (%s)", len(out), lost[0].Why)
	}
	return out, lost
}

// QuickCheck asks the database whether its file holds together; nothing is listed
// when it does.
func (s *Store) QuickCheck() ([]string, error) {
	var out []string
	if err := s.read().Raw("PRAGMA quick_check(50)").Scan(&out).Error; err != nil {
		if strings.Contains(err.Error(), "malformed") {
			return append(out, err.Error()), nil // that is what was asked
		}
		return nil, s.failed("read check", s.path, err)
	}
	if len(out) == 1 && out[0] == "ok" {
		return nil, nil
	}
	return out, nil
}

// Counts says how many rows each table has that holds what users entered; -1 where
// it can't be counted.
func (s *Store) Counts() map[string]int64 {
	out := map[string]int64{}
	for _, t := range []string{"people", "finds", "specimens", "events", "verdicts", "waits", "photos", "notes", "weather", "kitchen"} {
		var n int64
		if err := s.read().Table(t).Count(&n).Error; err != nil {
			n = -1
		}
		out[t] = n
	}
	return out
}
