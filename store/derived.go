package store

import (
	"strings"

	"gorm.io/gorm"
)

// What is derived (summaries, and the numbers that say what they rest on) must never
// stand in the way of what is entered. Where its part of the file is damaged it is given
// up: lists judge each find they show, and everything that is entered is stored.

// derivedTriggers is how many triggers keep the numbers.
const derivedTriggers = 7

// tx runs f in a transaction, and once more without what is derived when that turns out
// to be damaged.
func (s *Store) tx(f func(tx *gorm.DB) error) error {
	if s.writes != nil {
		defer s.writes.Add(1)
	}
	err := s.db.Transaction(f)
	if err == nil || !strings.Contains(err.Error(), "malformed") || s.bare == nil || s.bare.Load() {
		return err
	}
	if _, in := s.db.Statement.ConnPool.(gorm.TxCommitter); in {
		return err // the outer one is run again
	}
	s.giveUpDerived()
	return s.db.Transaction(f)
}

func (s *Store) giveUpDerived() {
	s.bare.Store(true)
	var names []string
	if s.db.Raw("SELECT name FROM sqlite_master WHERE type = 'trigger' AND name LIKE 'inputs!_%' ESCAPE '!'").Scan(&names).Error != nil {
		return
	}
	for _, n := range names {
		_ = s.db.Exec("DROP TRIGGER " + n).Error
	}
}

// checkDerived finds out whether the triggers are there; where they were given up, the
// summaries are not used.
func (s *Store) checkDerived() {
	var n int
	err := s.db.Raw("SELECT count(*) FROM sqlite_master WHERE type = 'trigger' AND name LIKE 'inputs!_%' ESCAPE '!'").Scan(&n).Error
	s.bare.Store(err != nil || n != derivedTriggers)
}

// Derived reports whether summaries are kept.
func (s *Store) Derived() bool { return !s.bare.Load() }
