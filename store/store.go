// Package store keeps finds in one SQLite file. It is the only importer of gorm.
//
// The log of a find is append-only: answers are added, never changed, and undo
// is one more line. What is true of a find follows from its log, so the file can
// be read again by a later guide and judged anew.
package store

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"

	"github.com/glebarez/sqlite"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

// The sentinel errors. They are matched with errors.Is through [Error].
var (
	ErrNotFound  = errors.New("not found")
	ErrNewer     = errors.New("the database was written by a newer version")
	ErrNotStored = errors.New("not stored")
	ErrInvalid   = errors.New("refused")
)

// Error says what failed. Hint may be shown to the user; Cause is for the log.
type Error struct {
	Op    string // what was being done
	Path  string // the database, or the id concerned
	Err   error  // one of the sentinels
	Cause error
	Hint  string
}

// Error gives everything, for the log.
func (e *Error) Error() string {
	s := e.Op + " " + e.Path + ": " + e.Err.Error()
	if e.Cause != nil {
		s += ": " + e.Cause.Error()
	}
	return s
}

// Unwrap makes errors.Is find the sentinel and the cause.
func (e *Error) Unwrap() []error { return []error{e.Err, e.Cause} }

// Store is an open database.
type Store struct {
	db   *gorm.DB
	path string
}

// Open opens or makes the database at path and migrates it. A database of a
// newer version is refused and not touched.
func Open(path string) (*Store, error) {
	if dir := filepath.Dir(path); dir != "." {
		if err := os.MkdirAll(dir, 0o755); err != nil {
			return nil, &Error{"open", path, ErrNotStored, err, "The folder can't be made: " + dir}
		}
	}
	s := &Store{path: path}
	if _, err := os.Stat(path); err == nil {
		if err := s.refuseNewer(); err != nil {
			return nil, err
		}
	}
	db, err := connect(path, "rwc")
	if err != nil {
		return nil, &Error{"open", path, ErrNotStored, err, "The database can't be opened for writing."}
	}
	s.db = db
	if err := s.migrate(); err != nil {
		_ = s.Close()
		return nil, err
	}
	return s, nil
}

func connect(path, mode string) (*gorm.DB, error) {
	dsn := "file:" + path + "?mode=" + mode + "&_pragma=busy_timeout(5000)&_pragma=foreign_keys(1)&_pragma=synchronous(FULL)&_time_format=sqlite"
	if mode != "ro" {
		dsn += "&_pragma=journal_mode(WAL)"
	}
	db, err := gorm.Open(sqlite.Open(dsn), &gorm.Config{Logger: logger.Discard, TranslateError: true})
	if err != nil {
		return nil, err
	}
	raw, err := db.DB()
	if err != nil {
		return nil, err
	}
	// One connection: writes queue here instead of failing as busy.
	raw.SetMaxOpenConns(1)
	return db, nil
}

// Close closes the database.
func (s *Store) Close() error {
	raw, err := s.db.DB()
	if err != nil {
		return err
	}
	return raw.Close()
}

// failed turns a database error into one that can be shown.
func (s *Store) failed(op, id string, err error) error {
	var e *Error
	switch {
	case err == nil || errors.As(err, &e):
		return err
	case errors.Is(err, gorm.ErrRecordNotFound):
		return &Error{op, id, ErrNotFound, err, "There is nothing with this id."}
	}
	hint := "The last entry was not stored. Try again."
	switch text := err.Error(); {
	case strings.Contains(text, "full"):
		hint = "The disk is full: the last entry was not stored. Free some space, then enter it again."
	case strings.Contains(text, "readonly"), strings.Contains(text, "read-only"), strings.Contains(text, "SQLITE_READONLY"):
		hint = "The database can't be written to: the last entry was not stored. Make the file and its folder writable, then enter it again."
	}
	return &Error{op, id, ErrNotStored, err, hint}
}

var errNewerHint = "It was last used by version %d of the format; this program knows up to %d. Use the newer program; nothing was changed."

func (s *Store) refuseNewer() error {
	db, err := connect(s.path, "ro")
	if err != nil {
		return &Error{"open", s.path, ErrNotStored, err, "This is not a database of Zesty Thicket, or it is damaged."}
	}
	defer func() {
		if raw, err := db.DB(); err == nil {
			_ = raw.Close()
		}
	}()
	var v int
	if err := db.Raw("PRAGMA user_version").Scan(&v).Error; err != nil {
		return &Error{"open", s.path, ErrNotStored, err, "This is not a database of Zesty Thicket, or it is damaged."}
	}
	if v > len(migrations) {
		return &Error{"open", s.path, ErrNewer, nil, fmt.Sprintf(errNewerHint, v, len(migrations))}
	}
	return nil
}
