package store

import "gorm.io/gorm/clause"

// Wait is a test that takes time, running since StartedMS (milliseconds of the
// Unix epoch).
type Wait struct {
	FindID    string `gorm:"primaryKey"`
	Specimen  string `gorm:"primaryKey"`
	Trait     string `gorm:"primaryKey"`
	StartedMS int64  `gorm:"column:started_ms"`
}

// StartWait begins a wait. One that runs already goes on from its own start.
func (s *Store) StartWait(w *Wait) error {
	return s.failed("start wait", w.FindID, s.db.Clauses(clause.OnConflict{DoNothing: true}).Create(w).Error)
}

// EndWait ends a wait, if it runs.
func (s *Store) EndWait(find, specimen, trait string) error {
	return s.failed("end wait", find, s.db.Delete(&Wait{FindID: find, Specimen: specimen, Trait: trait}).Error)
}

// Waits lists the running waits of a find, the oldest first.
func (s *Store) Waits(find string) ([]Wait, error) {
	var out []Wait
	err := s.read().Where("find_id = ?", find).Order("started_ms, specimen, trait").Find(&out).Error
	return out, s.failed("read waits", find, err)
}

// AllWaits lists every running wait, the oldest first.
func (s *Store) AllWaits() ([]Wait, error) {
	var out []Wait
	err := s.read().Order("started_ms, specimen, trait").Find(&out).Error
	return out, s.failed("read waits", "", err)
}
