package store

import "gorm.io/gorm"

// Photo is a picture of a specimen, without its bytes when it is listed.
type Photo struct {
	ID       string `gorm:"primaryKey"`
	FindID   string
	Specimen string
	Part     string
	MIME     string `gorm:"column:mime"`
	Width    int
	Height   int
	Bytes    []byte
	AtMS     int64 `gorm:"column:at_ms"`
}

// AddPhoto stores a picture; one that is there under this id stays as it is.
func (s *Store) AddPhoto(p *Photo) error {
	err := s.tx(func(tx *gorm.DB) error {
		var n int64
		if err := tx.Model(&Photo{}).Where("id = ?", p.ID).Count(&n).Error; err != nil || n > 0 {
			return err
		}
		return tx.Create(p).Error
	})
	return s.failed("store photo", p.ID, err)
}

// Photos lists the pictures of a find, oldest first, without their bytes.
func (s *Store) Photos(find string) ([]Photo, error) {
	var out []Photo
	err := s.read().Omit("bytes").Where("find_id = ?", find).Order("at_ms, id").Find(&out).Error
	return out, s.failed("list photos", find, err)
}

// Photo reads one picture of a find.
func (s *Store) Photo(find, id string) (*Photo, error) {
	var p Photo
	err := s.read().Where("find_id = ? AND id = ?", find, id).Take(&p).Error
	return &p, s.failed("read photo", id, err)
}

// RemovePhoto removes a picture.
func (s *Store) RemovePhoto(find, id string) error {
	err := s.db.Where("find_id = ? AND id = ?", find, id).Delete(&Photo{}).Error
	if err == nil {
		// What is removed leaves the second file as well, at once.
		_ = s.db.Exec("PRAGMA wal_checkpoint(TRUNCATE)").Error
	}
	return s.failed("remove photo", id, err)
}
