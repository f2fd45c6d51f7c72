package store

import (
	"encoding/json"

	"gorm.io/gorm"
)

// Person is someone who uses this database. Profile is JSON.
type Person struct {
	ID        string `gorm:"primaryKey"`
	Name      string
	Profile   string
	CreatedMS int64 `gorm:"column:created_ms"`
}

// TableName is people.
func (Person) TableName() string { return "people" }

// Outing groups the finds of one day and one pair of hands.
type Outing struct {
	ID        string `gorm:"primaryKey"`
	Day       string
	CreatedMS int64 `gorm:"column:created_ms"`
}

// Find is one find; Facts is JSON: intent, target, use, place. Facts may change
// (the intent is reconsidered); the log never does.
type Find struct {
	ID        string `gorm:"primaryKey"`
	OutingID  string
	PersonID  string
	Title     string
	PlaceName string
	Day       string
	Facts     string
	CreatedMS int64 `gorm:"column:created_ms"`
}

// Specimen is one individual of a find.
type Specimen struct {
	FindID   string `gorm:"primaryKey"`
	ID       string `gorm:"primaryKey"`
	Number   int
	JoinedTo string
	// Count of the items looked at one by one with these same answers; 0 is not said.
	Count int
}

// Event is one line of the log. Key is given by the client, so that a retried
// tap is stored once.
type Event struct {
	Seq      int64 `gorm:"primaryKey"`
	FindID   string
	Specimen string
	Key      string
	Kind     string
	Body     string
	AtMS     int64 `gorm:"column:at_ms"`
}

// Verdict is a stored verdict with the guide's version and every reason.
type Verdict struct {
	ID           int64 `gorm:"primaryKey"`
	FindID       string
	Specimen     string
	UptoSeq      int64
	GuideVersion string
	Verdict      string
	Reasons      string
	AtMS         int64 `gorm:"column:at_ms"`
}

// JSON encodes a value for one of the text columns.
func JSON(v any) string {
	b, err := json.Marshal(v)
	if err != nil {
		panic(err) // the callers pass plain structs
	}
	return string(b)
}

// SavePerson adds or replaces a person.
func (s *Store) SavePerson(p *Person) error {
	return s.failed("save person", p.ID, s.db.Save(p).Error)
}

// People lists everyone, the first in front.
func (s *Store) People() ([]Person, error) {
	var out []Person
	err := s.db.Order("created_ms, id").Find(&out).Error
	return out, s.failed("list people", "", err)
}

// Person finds one person.
func (s *Store) Person(id string) (*Person, error) {
	var p Person
	err := s.db.Where("id = ?", id).Take(&p).Error
	return &p, s.failed("read person", id, err)
}

// AddFind stores a find with its first specimen and first events, wholly or not
// at all. The outing of that day is made if there is none.
func (s *Store) AddFind(f *Find, sp *Specimen, events ...*Event) error {
	err := s.db.Transaction(func(tx *gorm.DB) error {
		var o Outing
		err := tx.Where("day = ?", f.Day).Limit(1).Find(&o).Error
		if err == nil && o.ID == "" {
			o = Outing{ID: "o-" + f.ID, Day: f.Day, CreatedMS: f.CreatedMS}
			err = tx.Create(&o).Error
		}
		if err != nil {
			return err
		}
		f.OutingID = o.ID
		if err := tx.Create(f).Error; err != nil {
			return err
		}
		if err := tx.Create(sp).Error; err != nil {
			return err
		}
		for _, e := range events {
			if err := tx.Create(e).Error; err != nil {
				return err
			}
		}
		return nil
	})
	return s.failed("add find", f.ID, err)
}

// SaveFacts replaces what is known of a find beside its log.
func (s *Store) SaveFacts(id, facts string) error {
	r := s.db.Model(&Find{}).Where("id = ?", id).Update("facts", facts)
	if r.Error == nil && r.RowsAffected == 0 {
		return s.failed("save find", id, gorm.ErrRecordNotFound)
	}
	return s.failed("save find", id, r.Error)
}

// Finds lists all finds, newest first.
func (s *Store) Finds() ([]Find, error) {
	var out []Find
	err := s.db.Order("created_ms DESC, id").Find(&out).Error
	return out, s.failed("list finds", "", err)
}

// Find reads one find.
func (s *Store) Find(id string) (*Find, error) {
	var f Find
	err := s.db.Where("id = ?", id).Take(&f).Error
	return &f, s.failed("read find", id, err)
}

// Specimens lists the specimens of a find in their order.
func (s *Store) Specimens(find string) ([]Specimen, error) {
	var out []Specimen
	err := s.db.Where("find_id = ?", find).Order("number").Find(&out).Error
	return out, s.failed("read specimens", find, err)
}

// AddSpecimen adds an individual to a find.
func (s *Store) AddSpecimen(sp *Specimen) error {
	return s.failed("add specimen", sp.FindID, s.db.Create(sp).Error)
}

// CountSpecimen says how many items a specimen's answers were seen on.
func (s *Store) CountSpecimen(find, id string, count int) error {
	r := s.db.Model(&Specimen{}).Where("find_id = ? AND id = ?", find, id).Update("count", count)
	if r.Error == nil && r.RowsAffected == 0 {
		return s.failed("count specimen", find+"/"+id, gorm.ErrRecordNotFound)
	}
	return s.failed("count specimen", find+"/"+id, r.Error)
}

// Append adds a line to the log. A line with a key that is already there is the
// same tap sent again: the stored line is returned, and stored is false.
func (s *Store) Append(e *Event) (stored bool, err error) {
	err = s.db.Transaction(func(tx *gorm.DB) error {
		var was Event
		if err := tx.Where("find_id = ? AND key = ?", e.FindID, e.Key).Limit(1).Find(&was).Error; err != nil {
			return err
		}
		if was.Seq != 0 {
			*e = was
			return nil
		}
		stored = true
		return tx.Create(e).Error
	})
	return stored, s.failed("store answer", e.FindID, err)
}

// Log reads the log of a find in order, and the handling lines of the other
// finds of the same outing: hands go along from one find to the next.
func (s *Store) Log(f *Find) ([]Event, error) {
	var out []Event
	err := s.db.Raw(`SELECT e.* FROM events e JOIN finds f ON f.id = e.find_id
		WHERE e.find_id = ? OR (f.outing_id = ? AND f.person_id = ?) ORDER BY e.seq`, f.ID, f.OutingID, f.PersonID).Scan(&out).Error
	return out, s.failed("read log", f.ID, err)
}

// KeepVerdict stores a verdict unless it says what the last one said.
func (s *Store) KeepVerdict(v *Verdict) error {
	err := s.db.Transaction(func(tx *gorm.DB) error {
		var last Verdict
		if err := tx.Where("find_id = ? AND specimen = ?", v.FindID, v.Specimen).Order("id DESC").Limit(1).Find(&last).Error; err != nil {
			return err
		}
		if last.UptoSeq == v.UptoSeq && last.GuideVersion == v.GuideVersion && last.Reasons == v.Reasons {
			return nil
		}
		return tx.Create(v).Error
	})
	return s.failed("store verdict", v.FindID, err)
}

// Verdicts lists the stored verdicts of a find, oldest first.
func (s *Store) Verdicts(find string) ([]Verdict, error) {
	var out []Verdict
	err := s.db.Where("find_id = ?", find).Order("id").Find(&out).Error
	return out, s.failed("read verdicts", find, err)
}

// LastVerdicts lists, for every specimen of every find, its newest verdict.
func (s *Store) LastVerdicts() ([]Verdict, error) {
	var out []Verdict
	err := s.db.Raw(`SELECT * FROM verdicts WHERE id IN (SELECT max(id) FROM verdicts GROUP BY find_id, specimen)`).Scan(&out).Error
	return out, s.failed("read verdicts", "", err)
}
