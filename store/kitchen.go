package store

import "gorm.io/gorm"

// KitchenLine is one line of the book of the kitchen. Key is given by the client,
// so that a line sent again is stored once. Doc is JSON; the package kitchen says
// what is in it.
type KitchenLine struct {
	Seq  int64 `gorm:"primaryKey"`
	Key  string
	Kind string
	Doc  string
	AtMS int64 `gorm:"column:at_ms"`
}

// TableName is kitchen.
func (KitchenLine) TableName() string { return "kitchen" }

// AppendKitchen adds a line. A line with a key that is already there is the same
// one sent again: stored is false.
func (s *Store) AppendKitchen(l *KitchenLine) (stored bool, err error) {
	err = s.tx(func(tx *gorm.DB) error {
		var n int64
		if err := tx.Model(&KitchenLine{}).Where("key = ?", l.Key).Count(&n).Error; err != nil || n > 0 {
			return err
		}
		stored = true
		return tx.Create(l).Error
	})
	return stored, s.failed("store line", l.Key, err)
}

// LastKitchen is the number of the last line; 0 when there is none.
func (s *Store) LastKitchen() (int64, error) {
	var n int64
	err := s.read().Raw("SELECT coalesce(max(seq), 0) FROM kitchen").Scan(&n).Error
	return n, s.failed("read lines", "", err)
}

// KitchenHas reports whether a line with this key is there.
func (s *Store) KitchenHas(key string) (bool, error) {
	var n int64
	err := s.read().Model(&KitchenLine{}).Where("key = ?", key).Count(&n).Error
	return n > 0, s.failed("read lines", key, err)
}

// KitchenSince lists the lines after a number, in order, and those that can't be read.
func (s *Store) KitchenSince(seq int64) ([]KitchenLine, []Lost) {
	return rowsOf(s, "kitchen", func(db *gorm.DB) *gorm.DB { return db.Where("seq > ?", seq).Order("seq") }, func(l *KitchenLine) bool { return l.Seq > seq })
}

// Kitchen lists all lines in order, and those that can't be read.
func (s *Store) Kitchen() ([]KitchenLine, []Lost) {
	return rowsOf(s, "kitchen", func(db *gorm.DB) *gorm.DB { return db.Order("seq") }, func(*KitchenLine) bool { return true })
}

// RemovePerson removes somebody of whom nothing else tells. Whoever has finds is
// refused by the database; the kitchen is asked before.
func (s *Store) RemovePerson(id string) error {
	r := s.db.Where("id = ?", id).Delete(&Person{})
	if r.Error == nil && r.RowsAffected == 0 {
		return s.failed("remove person", id, gorm.ErrRecordNotFound)
	}
	return s.failed("remove person", id, r.Error)
}
