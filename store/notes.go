package store

import (
	"errors"
	"slices"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Note is one record of a kind: a place, a walk, a first-seen day, a sign. Doc is
// JSON; the domain that keeps it says what is in it. Rev goes up by one with each change.
type Note struct {
	Kind string `gorm:"primaryKey"`
	ID   string `gorm:"primaryKey"`
	Doc  string
	AtMS int64 `gorm:"column:at_ms"`
	Rev  int64
}

// SaveNote adds or replaces a record, whatever was there.
func (s *Store) SaveNote(n *Note) error {
	return s.ChangeNote(n.Kind, n.ID, func(*Note) (*Note, error) { return n, nil })
}

// ChangeNote replaces a record by what change makes of it, as replaceRow does.
func (s *Store) ChangeNote(kind, id string, change func(was *Note) (*Note, error)) error {
	return replaceRow(s, "save "+kind, id, func(n *Note) *int64 { return &n.Rev }, change, "kind = ? AND id = ?", kind, id)
}

// replaceRow replaces the row that where finds by what change makes of it, in one
// transaction, one revision up: was is the row as it stands, nil where there is none.
// Nothing is written when change gives an error, which is handed on, or nil.
func replaceRow[T any](s *Store, op, id string, rev func(*T) *int64, change func(was *T) (*T, error), where string, args ...any) error {
	var refused error
	err := s.tx(func(tx *gorm.DB) error {
		var was []T
		if err := tx.Where(where, args...).Limit(1).Find(&was).Error; err != nil {
			return err
		}
		var before *T
		up := int64(1)
		if len(was) > 0 {
			before = &was[0]
			up += *rev(before)
		}
		now, err := change(before)
		if err != nil {
			refused = err
			return err
		}
		if now == nil {
			return nil
		}
		*rev(now) = up
		return tx.Clauses(clause.OnConflict{UpdateAll: true}).Create(now).Error
	})
	if refused != nil {
		return refused
	}
	return s.failed(op, id, err)
}

// Notes lists the records of a kind, oldest first, and those that can't be read.
func (s *Store) Notes(kind string) ([]Note, []Lost) {
	return rowsOf(s, "notes", func(db *gorm.DB) *gorm.DB { return db.Where("kind = ?", kind).Order("at_ms, id") }, func(n *Note) bool { return n.Kind == kind })
}

// Note reads one record.
func (s *Store) Note(kind, id string) (*Note, error) {
	var n Note
	err := s.read().Where("kind = ? AND id = ?", kind, id).Take(&n).Error
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
	err := s.tx(func(tx *gorm.DB) error {
		return tx.Clauses(clause.OnConflict{UpdateAll: true}).CreateInBatches(days, 200).Error
	})
	return s.failed("store weather", "", err)
}

// WeatherPlaces are the places of which any weather is stored.
func (s *Store) WeatherPlaces() (map[string]bool, error) {
	var ids []string
	// One step a place along the key, and not one a day.
	err := s.read().Raw(`WITH RECURSIVE p(id) AS (SELECT min(place_id) FROM weather
		UNION ALL SELECT (SELECT min(place_id) FROM weather WHERE place_id > p.id) FROM p WHERE p.id IS NOT NULL) SELECT id FROM p WHERE id IS NOT NULL`).Scan(&ids).Error
	out := map[string]bool{}
	for _, id := range ids {
		out[id] = true
	}
	return out, s.failed("list weather", "", err)
}

// Weather lists the days of a place in order.
func (s *Store) Weather(place string) ([]WeatherDay, error) {
	out, lost := s.WeatherLost(place)
	if len(out) == 0 && len(lost) > 0 {
		return nil, s.failed("read weather", place, errors.New(lost[0].Why))
	}
	return out, nil
}

// WeatherLost lists the days of a place, and those that can't be read.
func (s *Store) WeatherLost(place string) ([]WeatherDay, []Lost) {
	out, lost := rowsOf(s, "weather", func(db *gorm.DB) *gorm.DB { return db.Where("place_id = ?", place).Order("day") }, func(d *WeatherDay) bool { return d.PlaceID == place })
	if len(lost) > 0 {
		slices.SortFunc(out, func(a, b WeatherDay) int { return a.Day - b.Day })
	}
	return out, lost
}
