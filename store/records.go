package store

import (
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"slices"

	"gorm.io/gorm"
)

// Person is someone who uses this database. Profile is JSON.
type Person struct {
	ID        string `gorm:"primaryKey"`
	Name      string
	Profile   string
	CreatedMS int64 `gorm:"column:created_ms"`
	Rev       int64 // goes up by one with each change
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
	CreatedMS int64  `gorm:"column:created_ms"`
	PlaceID   string // of a stored place; PlaceName is what was typed
	Rev       int64  // of the facts; goes up by one with each change
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

// ChangePerson replaces a person by what change makes of them, as replaceRow does.
func (s *Store) ChangePerson(id string, change func(was *Person) (*Person, error)) error {
	return replaceRow(s, "save person", id, func(p *Person) *int64 { return &p.Rev }, change, "id = ?", id)
}

// SavePerson adds or replaces a person, whatever was there.
func (s *Store) SavePerson(p *Person) error {
	return s.ChangePerson(p.ID, func(*Person) (*Person, error) { return p, nil })
}

// People lists everyone, the first in front.
func (s *Store) People() ([]Person, error) {
	out, lost := s.PeopleLost()
	if len(out) == 0 && len(lost) > 0 {
		return nil, s.failed("list people", "", errors.New(lost[0].Why))
	}
	return out, nil
}

// PeopleLost lists everyone, and those who can't be read.
func (s *Store) PeopleLost() ([]Person, []Lost) {
	return rowsOf(s, "people", func(db *gorm.DB) *gorm.DB { return db.Order("created_ms, id") }, func(*Person) bool { return true })
}

// Person finds one person.
func (s *Store) Person(id string) (*Person, error) {
	var p Person
	err := s.read().Where("id = ?", id).Take(&p).Error
	return &p, s.failed("read person", id, err)
}

// AddFind stores a find with its first specimen and first events, wholly or not
// at all. The outing of that day is made if there is none.
func (s *Store) AddFind(f *Find, sp *Specimen, events ...*Event) error {
	err := s.tx(func(tx *gorm.DB) error {
		var o Outing
		err := tx.Where("day = ?", f.Day).Limit(1).Find(&o).Error
		if err == nil && o.ID == "" {
			o = Outing{ID: "o-" + f.ID, Day: f.Day, CreatedMS: f.CreatedMS}
			err = tx.Create(&o).Error
		}
		if err != nil {
			return err
		}
		f.OutingID, f.Rev = o.ID, 1
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

// ChangeFind changes a find beside its log, in one transaction: change gets the
// find as it stands. An error of change is handed on, and nothing is stored.
func (s *Store) ChangeFind(id string, change func(f *Find) error) error {
	return s.changeFind(id, func(_ *gorm.DB, f *Find) error { return change(f) })
}

func (s *Store) changeFind(id string, change func(tx *gorm.DB, f *Find) error) error {
	var refused error
	err := s.tx(func(tx *gorm.DB) error {
		var f Find
		if err := tx.Where("id = ?", id).Take(&f).Error; err != nil {
			return err
		}
		before := f
		if err := change(tx, &f); err != nil {
			refused = err
			return err
		}
		if f == before {
			return nil
		}
		f.Rev = before.Rev + 1
		return tx.Save(&f).Error
	})
	if refused != nil {
		return refused
	}
	return s.failed("save find", id, err)
}

// Finds lists all finds, newest first, and those that can't be read.
func (s *Store) Finds() ([]Find, []Lost) {
	out, lost := rowsOf(s, "finds", func(db *gorm.DB) *gorm.DB { return db.Order("created_ms DESC, id") }, func(*Find) bool { return true })
	if len(lost) > 0 {
		slices.SortStableFunc(out, func(a, b Find) int { return cmp.Compare(b.CreatedMS, a.CreatedMS) })
	}
	return out, lost
}

// FindsAt are the days of the finds of a year at a place, by find: of a stored place by
// its id, of any other by the name that was typed.
func (s *Store) FindsAt(placeID, name string, year int) (map[string]string, error) {
	var rows []struct{ ID, Day string }
	db := s.read().Model(&Find{}).Select("id, day").Where("place_id = ? AND day BETWEEN ? AND ?", placeID, fmt.Sprintf("%04d-01-01", year), fmt.Sprintf("%04d-12-31", year))
	if placeID == "" {
		db = db.Where("place_name = ?", name)
	}
	err := db.Scan(&rows).Error
	out := make(map[string]string, len(rows))
	for _, r := range rows {
		out[r.ID] = r.Day
	}
	return out, s.failed("list finds", name, err)
}

// FindsOf counts the finds of a person.
func (s *Store) FindsOf(person string) (int, error) {
	var n int64
	err := s.read().Model(&Find{}).Where("person_id = ?", person).Count(&n).Error
	return int(n), s.failed("list finds", person, err)
}

// Find reads one find.
func (s *Store) Find(id string) (*Find, error) {
	var f Find
	err := s.read().Where("id = ?", id).Take(&f).Error
	return &f, s.failed("read find", id, err)
}

// Specimens lists the specimens of a find in their order.
func (s *Store) Specimens(find string) ([]Specimen, error) {
	var out []Specimen
	err := s.read().Where("find_id = ?", find).Order("number").Find(&out).Error
	return out, s.failed("read specimens", find, err)
}

// AddSpecimen adds an individual to a find, with the next number; one that is there
// under this id stays as it is.
func (s *Store) AddSpecimen(sp *Specimen) error {
	err := s.tx(func(tx *gorm.DB) error {
		var have []Specimen
		if err := tx.Where("find_id = ?", sp.FindID).Find(&have).Error; err != nil {
			return err
		}
		for i := range have {
			if have[i].ID == sp.ID {
				return nil
			}
			sp.Number = max(sp.Number, have[i].Number+1)
		}
		return tx.Create(sp).Error
	})
	return s.failed("add specimen", sp.FindID, err)
}

// CountSpecimen says how many items a specimen's answers were seen on, and changes
// the find along with it, in one transaction. was is how many the asking screen
// knew; when others are stored, and not the new number already, it is ErrChanged.
// A specimen that is not there is added when add says so.
func (s *Store) CountSpecimen(find, id string, was, count int, add bool, change func(f *Find) error) error {
	at := find + "/" + id
	return s.changeFind(find, func(tx *gorm.DB, f *Find) error {
		var have []Specimen
		if err := tx.Where("find_id = ?", find).Order("number").Find(&have).Error; err != nil {
			return s.failed("count specimen", at, err)
		}
		for i := range have {
			if have[i].ID != id {
				continue
			}
			if have[i].Count != was && have[i].Count != count {
				return &Error{"count specimen", at, ErrChanged, nil, fmt.Sprintf("%d were counted on another screen.", have[i].Count)}
			}
			if err := tx.Model(&Specimen{}).Where("find_id = ? AND id = ?", find, id).Update("count", count).Error; err != nil {
				return s.failed("count specimen", at, err)
			}
			return change(f)
		}
		if !add {
			return s.failed("count specimen", at, gorm.ErrRecordNotFound)
		}
		if err := tx.Create(&Specimen{FindID: find, ID: id, Number: len(have) + 1, Count: count}).Error; err != nil {
			return s.failed("count specimen", at, err)
		}
		return change(f)
	})
}

// Append adds a line to the log. A line with a key that is already there is the
// same tap sent again: the stored line is returned, and stored is false. carries says
// that the line changes what hands or blade carry to the other finds of the outing.
func (s *Store) Append(e *Event, carries bool) (stored bool, err error) {
	err = s.tx(func(tx *gorm.DB) error {
		var was Event
		if err := tx.Where("find_id = ? AND key = ?", e.FindID, e.Key).Limit(1).Find(&was).Error; err != nil {
			return err
		}
		if was.Seq != 0 {
			*e = was
			return nil
		}
		stored = true
		if err := tx.Create(e).Error; err != nil || !carries {
			return err
		}
		return touchOuting(tx, e.FindID)
	})
	return stored, s.failed("store answer", e.FindID, err)
}

// Log reads the log of a find in order, and the handling lines of the other
// finds of the same outing: hands go along from one find to the next.
func (s *Store) Log(f *Find) ([]Event, error) {
	var out []Event
	err := s.read().Raw(`SELECT * FROM events WHERE find_id IN (SELECT id FROM finds WHERE outing_id = ? AND person_id = ? UNION SELECT ?)
		ORDER BY seq`, f.OutingID, f.PersonID, f.ID).Scan(&out).Error
	return out, s.failed("read log", f.ID, err)
}

// KeepVerdict stores a verdict unless it says what the last one said: the same verdict
// by the same guide and, unless only that is asked for, for the same reasons.
func (s *Store) KeepVerdict(onlyChanged bool, v *Verdict) error {
	err := s.tx(func(tx *gorm.DB) error {
		var last Verdict
		if err := tx.Where("find_id = ? AND specimen = ?", v.FindID, v.Specimen).Order("id DESC").Limit(1).Find(&last).Error; err != nil {
			return err
		}
		same := last.ID != 0 && last.GuideVersion == v.GuideVersion && last.Verdict == v.Verdict
		if same && (onlyChanged || last.Reasons == v.Reasons) {
			return nil
		}
		return tx.Create(v).Error
	})
	return s.failed("store verdict", v.FindID, err)
}

// Verdicts lists the stored verdicts of a find, oldest first, and those that can't
// be read.
func (s *Store) Verdicts(find string) ([]Verdict, []Lost) {
	return rowsOf(s, "verdicts", func(db *gorm.DB) *gorm.DB { return db.Where("find_id = ?", find).Order("id") }, func(v *Verdict) bool { return v.FindID == find })
}

// LastVerdicts lists, for every specimen of every find, its newest verdict that can
// be read.
func (s *Store) LastVerdicts() ([]Verdict, []Lost) {
	rows, lost := rowsOf(s, "verdicts", func(db *gorm.DB) *gorm.DB {
		return db.Where("id IN (SELECT max(id) FROM verdicts GROUP BY find_id, specimen)").Order("id")
	}, func(*Verdict) bool { return true })
	if len(lost) == 0 {
		return rows, nil
	}
	at := map[[2]string]int{} // all of them were read, in their order
	var out []Verdict
	for _, v := range rows {
		of := [2]string{v.FindID, v.Specimen}
		if i, ok := at[of]; ok {
			out[i] = v
			continue
		}
		at[of] = len(out)
		out = append(out, v)
	}
	return out, lost
}
