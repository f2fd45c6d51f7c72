package store

import (
	"errors"
	"slices"
	"strings"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Summary is what was concluded of a find when it was judged last, for lists. It is
// derived: Inputs is the number of what it rests on as it was then, Version the guide
// and rules by which it was judged. Where either differs from what holds now the row is
// old, and the find is judged anew.
type Summary struct {
	FindID   string `gorm:"primaryKey"`
	Inputs   int64
	Version  string
	Doc      string // JSON; the domain that keeps it says what is in it
	Title    string // as the list names it, folded for sorting and searching
	Text     string // folded: everything that a search looks at
	Complete bool   // its checks are complete
	Planned  bool   // it has a plan with days
	Moved    bool   // its stored verdict is another guide's, and differs
}

// TableName is find_summaries.
func (Summary) TableName() string { return "find_summaries" }

// Row is a find with its summary, as far as there is one.
type Row struct {
	Find
	Now     int64  // the number of what the find rests on now
	Inputs  int64  `gorm:"column:s_inputs"`
	Version string `gorm:"column:s_version"`
	Doc     string `gorm:"column:s_doc"`
	Place   string // the name of its place as it is today
}

// Fresh reports whether the summary is of what holds now, by this version.
func (r *Row) Fresh(version string) bool {
	return r.Doc != "" && r.Inputs == r.Now && r.Version == version
}

// FindQuery says which finds are listed. What is not set selects nothing out.
type FindQuery struct {
	IDs    []string
	Words  []string   // each stands in the text, folded
	Places [][]string // beside each word: the stored places whose name holds it
	Only   string     // complete, planned, moved
	Old    string     // a version: only those whose summary is not fresh by it
	ByDay  bool       // the newest day first, then by title; otherwise the newest entered first
	Limit  int        // 0: all
	Offset int
}

const rowColumns = `finds.*, coalesce(i.rev, 0) AS now, coalesce(s.inputs, -1) AS s_inputs, coalesce(s.version, '') AS s_version, coalesce(s.doc, '') AS s_doc,
	CASE WHEN finds.place_id = '' THEN finds.place_name ELSE coalesce((SELECT CASE WHEN json_valid(n.doc) THEN json_extract(n.doc, '$.name') END FROM notes n WHERE n.kind = 'place' AND n.id = finds.place_id), finds.place_name) END AS place`

func (q *FindQuery) on(db *gorm.DB) *gorm.DB {
	db = db.Table("finds").Joins("LEFT JOIN find_inputs i ON i.find_id = finds.id").Joins("LEFT JOIN find_summaries s ON s.find_id = finds.id")
	if q.IDs != nil {
		db = db.Where("finds.id IN ?", q.IDs)
	}
	for i, w := range q.Words {
		like := "%" + likeEscaper.Replace(w) + "%"
		text := `coalesce(s.text, lower(finds.title || ' ' || finds.day)) LIKE ? ESCAPE '\'`
		switch {
		case i < len(q.Places) && len(q.Places[i]) > 0:
			db = db.Where("("+text+" OR lower(finds.place_name) LIKE ? ESCAPE '\\' OR finds.place_id IN ?)", like, like, q.Places[i])
		default:
			db = db.Where("("+text+` OR finds.place_id = '' AND lower(finds.place_name) LIKE ? ESCAPE '\')`, like, like)
		}
	}
	switch q.Only {
	case "complete":
		db = db.Where("s.complete")
	case "planned":
		db = db.Where("s.planned")
	case "moved":
		db = db.Where("s.moved")
	}
	if q.Old != "" {
		db = db.Where("s.find_id IS NULL OR s.inputs <> coalesce(i.rev, 0) OR s.version <> ?", q.Old)
	}
	return db
}

var likeEscaper = strings.NewReplacer(`\`, `\\`, "%", `\%`, "_", `\_`)

// Rows lists finds with their summaries, and those that can't be read. Where the
// summaries are damaged the finds come without: they are only derived.
func (s *Store) Rows(q FindQuery) ([]Row, []Lost) {
	var out []Row
	if !s.Derived() {
		return s.bareRows(q)
	}
	if q.Limit > 0 { // chosen first, so that only their columns are read
		var ids []string
		if err := q.order(q.on(s.read()).Select("finds.id")).Limit(q.Limit).Offset(q.Offset).Scan(&ids).Error; err != nil {
			return s.bareRows(q)
		}
		if len(ids) == 0 {
			return nil, nil
		}
		q = FindQuery{IDs: ids, ByDay: q.ByDay}
	}
	if err := q.order(q.on(s.read()).Select(rowColumns)).Scan(&out).Error; err != nil {
		return s.bareRows(q)
	}
	return out, nil
}

func (q *FindQuery) order(db *gorm.DB) *gorm.DB {
	if q.ByDay {
		return db.Order("finds.day DESC, coalesce(s.title, finds.title), finds.id")
	}
	return db.Order("finds.created_ms DESC, finds.id")
}

// Waiting is a find whose checks are complete, and at which no second look was begun.
type Waiting struct{ ID, Title, Target string }

// WaitingForSecond lists finds whose checks are complete by this version and at which no
// second look was begun, the newest first.
func (s *Store) WaitingForSecond(version string) ([]Waiting, error) {
	var out []Waiting
	err := s.read().Raw(`SELECT finds.id, finds.title, CASE WHEN json_valid(finds.facts) THEN coalesce(json_extract(finds.facts, '$.target'), '') ELSE '' END AS target
		FROM find_summaries s JOIN finds ON finds.id = s.find_id JOIN find_inputs i ON i.find_id = finds.id
		WHERE s.complete AND s.inputs = i.rev AND s.version = ? AND finds.second_of = '' AND NOT EXISTS (SELECT 1 FROM finds h WHERE h.second_of = finds.id)
		ORDER BY finds.created_ms DESC, finds.id`, version).Scan(&out).Error
	return out, s.failed("list finds", "", err)
}

// bareRows lists finds without summaries. What only those know selects nothing out.
func (s *Store) bareRows(q FindQuery) ([]Row, []Lost) {
	finds, lost := s.Finds()
	var out []Row
	for i := range finds {
		if q.IDs == nil || slices.Contains(q.IDs, finds[i].ID) {
			out = append(out, Row{Find: finds[i], Inputs: -1, Place: finds[i].PlaceName})
		}
	}
	if q.Limit > 0 {
		out = out[min(q.Offset, len(out)):min(q.Offset+q.Limit, len(out))]
	}
	return out, lost
}

// CountRows counts what Rows would list without a limit.
func (s *Store) CountRows(q FindQuery) (int, error) {
	var n int64
	db := s.read().Table("finds")
	if s.Derived() {
		db = q.on(s.read())
	}
	err := db.Count(&n).Error
	return int(n), s.failed("count finds", "", err)
}

// Row reads one find with its summary.
func (s *Store) Row(id string) (*Row, error) {
	rows, lost := s.Rows(FindQuery{IDs: []string{id}})
	switch {
	case len(rows) > 0:
		return &rows[0], nil
	case len(lost) > 0:
		return nil, s.failed("read find", id, errors.New(lost[0].Why))
	}
	return nil, s.failed("read find", id, gorm.ErrRecordNotFound)
}

// Inputs is the number of what a find rests on now: its log, its facts, its specimens,
// whoever looked, and the find that it is the second look at.
func (s *Store) Inputs(find string) (int64, error) {
	var n int64
	err := s.read().Raw("SELECT coalesce((SELECT rev FROM find_inputs WHERE find_id = ?), 0)", find).Scan(&n).Error
	return n, s.failed("read inputs", find, err)
}

// KeepSummary puts a summary in the place of an older one.
func (s *Store) KeepSummary(sum *Summary) error {
	return s.failed("keep summary", sum.FindID, s.db.Clauses(clause.OnConflict{UpdateAll: true}).Create(sum).Error)
}

// DropSummaries forgets every summary: each find is judged anew.
func (s *Store) DropSummaries() error {
	return s.failed("drop summaries", s.path, s.db.Exec("DELETE FROM find_summaries").Error)
}

// HomeOf is the second look at a find that was begun last; empty where there is none.
func (s *Store) HomeOf(find string) (string, error) {
	var id string
	err := s.read().Raw("SELECT id FROM finds WHERE second_of = ? ORDER BY created_ms DESC, id LIMIT 1", find).Scan(&id).Error
	return id, s.failed("read second look", find, err)
}

// touchOuting marks every other find of the same outing and hands as resting on
// something new: what hands and blade carry goes along from one to the next.
func touchOuting(tx *gorm.DB, find string) error {
	return tx.Exec(`UPDATE find_inputs SET rev = rev + 1 WHERE find_id IN (
		SELECT o.id FROM finds f JOIN finds o ON o.outing_id = f.outing_id AND o.person_id = f.person_id WHERE f.id = ? AND o.id <> f.id)`, find).Error
}
