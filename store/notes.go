package store

import (
	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Note is one record of a kind: a place, a walk, a first-seen day, a sign. Doc is
// JSON; package casebook says what is in it.
type Note struct {
	Kind string `gorm:"primaryKey"`
	ID   string `gorm:"primaryKey"`
	Doc  string
	AtMS int64 `gorm:"column:at_ms"`
}

// SaveNote adds or replaces a record.
func (s *Store) SaveNote(n *Note) error {
	return s.failed("save "+n.Kind, n.ID, s.db.Clauses(clause.OnConflict{UpdateAll: true}).Create(n).Error)
}

// Notes lists the records of a kind, oldest first.
func (s *Store) Notes(kind string) ([]Note, error) {
	var out []Note
	err := s.db.Where("kind = ?", kind).Order("at_ms, id").Find(&out).Error
	return out, s.failed("list "+kind, "", err)
}

// Note reads one record.
func (s *Store) Note(kind, id string) (*Note, error) {
	var n Note
	err := s.db.Where("kind = ? AND id = ?", kind, id).Take(&n).Error
	return &n, s.failed("read "+kind, id, err)
}

// RemoveNote removes a record.
func (s *Store) RemoveNote(kind, id string) error {
	return s.failed("remove "+kind, id, s.db.Where("kind = ? AND id = ?", kind, id).Delete(&Note{}).Error)
}

// WeatherDay is one day of weather at a place, in °C and mm.
type WeatherDay struct {
	PlaceID string  `gorm:"primaryKey"`
	Day     int     `gorm:"primaryKey"` // from 1 January 1970
	TMin    float64 `gorm:"column:tmin"`
	TMax    float64 `gorm:"column:tmax"`
	Rain    float64
}

// TableName is weather.
func (WeatherDay) TableName() string { return "weather" }

// SaveWeather stores days, each over what was there for it, wholly or not at all.
func (s *Store) SaveWeather(days []WeatherDay) error {
	err := s.db.Transaction(func(tx *gorm.DB) error {
		return tx.Clauses(clause.OnConflict{UpdateAll: true}).CreateInBatches(days, 200).Error
	})
	return s.failed("store weather", "", err)
}

// Weather lists the days of a place in order.
func (s *Store) Weather(place string) ([]WeatherDay, error) {
	var out []WeatherDay
	err := s.db.Where("place_id = ?", place).Order("day").Find(&out).Error
	return out, s.failed("read weather", place, err)
}
