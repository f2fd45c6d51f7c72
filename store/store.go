// Package store keeps finds in one SQLite file. It is the only importer of gorm.
//
// The log of a find is append-only: answers are added, never changed, and undo
// is one more line. What is true of a find follows from its log, so the file can
// be read again by a later guide and judged anew.
package store

import (
	"context"
	"errors"
	"fmt"
	"net/url"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"sync/atomic"

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

	ErrUnreadable = errors.New("can't be read")
	ErrReadOnly   = errors.New("can't be written to")
	ErrInUse      = errors.New("another program has it open")
	// ErrChanged: what was to be replaced has been changed since it was read.
	ErrChanged = errors.New("changed meanwhile")
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

// Store is an open database: one connection that writes, so that writes queue instead
// of failing as busy, and several beside it that only read.
type Store struct {
	db     *gorm.DB
	reads  *gorm.DB // nil: the one that writes reads too
	path   string
	lock   *os.File
	swaps  *sync.RWMutex // held while the file is replaced
	opens  *atomic.Int64 // how often a file was opened: a restored one is another
	bare   *atomic.Bool  // what is derived was given up; see derived.go
	writes *atomic.Int64 // transactions so far
}

// readers is how many connections read at a time.
const readers = 4

func (s *Store) read() *gorm.DB {
	if s.reads != nil {
		return s.reads
	}
	return s.db
}

// With is the store for one request: when that is gone, what it asked for stops.
func (s *Store) With(ctx context.Context) *Store {
	c := *s
	c.db = s.db.WithContext(ctx)
	if s.reads != nil {
		c.reads = s.reads.WithContext(ctx)
	}
	return &c
}

// Atomically runs f in one transaction: everything that f stores through tx is stored,
// or nothing. An error of f is handed on.
func (s *Store) Atomically(op, id string, f func(tx *Store) error) error {
	var refused error
	err := s.tx(func(db *gorm.DB) error {
		tx := *s
		tx.db, tx.reads = db, nil
		refused = f(&tx)
		return refused
	})
	if refused != nil {
		return refused
	}
	return s.failed(op, id, err)
}

// Steadily runs f while the file is neither replaced nor closed: what works in the
// background holds on to it so. It reports false, and runs nothing, once it is closed.
func (s *Store) Steadily(f func()) bool {
	s.swaps.RLock()
	defer s.swaps.RUnlock()
	if s.db == nil {
		return false
	}
	f()
	return true
}

// Writes counts the transactions so far: while it stays, nothing that was entered has
// changed.
func (s *Store) Writes() int64 { return s.writes.Load() + s.opens.Load()<<40 }

// Opening is a number that changes when another file is opened in place of this one.
func (s *Store) Opening() int64 { return s.opens.Load() }

// Open opens or makes the database at path and migrates it. A database of a newer
// version is refused and not touched; one that another program has open is
// refused too, since two programs would write past each other.
func Open(path string) (*Store, error) {
	if dir := filepath.Dir(path); dir != "." {
		if err := os.MkdirAll(dir, 0o700); err != nil {
			return nil, &Error{"open", path, ErrNotStored, err, "The folder can't be made: " + dir}
		}
	}
	s := &Store{path: path, swaps: &sync.RWMutex{}, opens: &atomic.Int64{}, bare: &atomic.Bool{}, writes: &atomic.Int64{}}
	var err error
	if s.lock, err = lockFile(path + ".lock"); err != nil {
		return nil, lockError(path, err)
	}
	if err := s.open(); err != nil {
		_ = s.Close()
		return nil, err
	}
	return s, nil
}

func (s *Store) open() error {
	// The file is for its owner alone: illnesses, medicines and places stand in it.
	f, err := os.OpenFile(s.path, os.O_RDWR|os.O_CREATE, 0o600)
	if err != nil {
		return &Error{"open", s.path, ErrReadOnly, err, "The file can't be written to, and nothing was changed. Make it and its folder writable, or copy it to a place that is."}
	}
	if err := errors.Join(f.Chmod(0o600), f.Close()); err != nil {
		return &Error{"open", s.path, ErrReadOnly, err, "Its permissions can't be set."}
	}
	if err := s.refuseNewer(); err != nil {
		return err
	}
	if s.db, err = connect(s.path, "rw"); err != nil {
		return &Error{"open", s.path, ErrNotStored, err, "The database can't be opened for writing."}
	}
	if err := s.migrate(); err != nil {
		return err
	}
	s.checkDerived()
	s.opens.Add(1)
	if s.reads, err = connect(s.path, "query"); err != nil {
		return &Error{"open", s.path, ErrUnreadable, err, "The database can't be opened for reading."}
	}
	raw, err := s.reads.DB()
	if err != nil {
		return &Error{"open", s.path, ErrUnreadable, err, "The database can't be opened for reading."}
	}
	raw.SetMaxOpenConns(readers)
	raw.SetMaxIdleConns(readers)
	return nil
}

// connect opens a database in a mode: ro, rw, or query, which opens for writing and
// refuses to. Deleted content is overwritten (secure_delete).
func connect(path, mode string) (*gorm.DB, error) {
	pragmas := ""
	switch mode {
	case "query":
		mode, pragmas = "rw", "&_pragma=query_only(1)"
	case "rw":
		pragmas = "&_pragma=journal_mode(WAL)"
	}
	// The path is part of an address: what would end it is escaped.
	at := url.URL{Scheme: "file", OmitHost: true, Path: path, RawQuery: "mode=" + mode + "&_pragma=busy_timeout(5000)&_pragma=foreign_keys(1)&_pragma=synchronous(FULL)&_pragma=secure_delete(1)&_time_format=sqlite" + pragmas}
	if !filepath.IsAbs(path) {
		at.Opaque, at.Path = (&url.URL{Path: path}).EscapedPath(), ""
	}
	db, err := gorm.Open(sqlite.Open(at.String()), &gorm.Config{Logger: logger.Discard, TranslateError: true, PrepareStmt: true, PrepareStmtMaxSize: 200})
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

// Path is where the database lies.
func (s *Store) Path() string { return s.path }

// Close closes the database and lets another program open it.
func (s *Store) Close() error {
	if s.swaps != nil {
		s.swaps.Lock()
		defer s.swaps.Unlock()
	}
	err := s.closeDB()
	if s.lock != nil {
		err = errors.Join(err, s.lock.Close())
		s.lock = nil
	}
	return err
}

func (s *Store) closeDB() error {
	var all []error
	for _, db := range []*gorm.DB{s.reads, s.db} {
		if db == nil {
			continue
		}
		raw, err := db.DB()
		if err == nil {
			err = raw.Close()
		}
		all = append(all, err)
	}
	s.db, s.reads = nil, nil
	return errors.Join(all...)
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
	kind, hint := ErrNotStored, "The last entry was not stored. Try again."
	if reads(op) {
		kind, hint = ErrUnreadable, "This can't be read just now. Nothing that is stored was changed; the page of your data says what is wrong."
	}
	switch text := err.Error(); {
	case strings.Contains(text, "malformed"), strings.Contains(text, "not a database"):
		hint = "A part of the file is damaged. Nothing was changed; what can still be read is shown. Make a backup now, and look at the page of your data."
	case reads(op): // nothing was to be stored
	case strings.Contains(text, "locked"), strings.Contains(text, "SQLITE_BUSY"):
		hint = "Another program holds the database: the last entry was not stored. Try again in a moment."
	case strings.Contains(text, "full"):
		hint = "The disk is full: the last entry was not stored. Free some space, then enter it again."
	case strings.Contains(text, "readonly"), strings.Contains(text, "read-only"), strings.Contains(text, "SQLITE_READONLY"):
		hint = "The database can't be written to: the last entry was not stored. Make the file and its folder writable, then enter it again."
	}
	return &Error{op, id, kind, err, hint}
}

// reads reports operations that store nothing.
func reads(op string) bool {
	return strings.HasPrefix(op, "read") || strings.HasPrefix(op, "list") || strings.HasPrefix(op, "search")
}

var errNewerHint = "It was last used by version %d of the format; this program knows up to %d. Use the newer program; nothing was changed."

// refuseNewer reads the version of a file without changing it.
func (s *Store) refuseNewer() error {
	const other = "This is not a database of Zesty Thicket, or it is damaged. Nothing was changed."
	if info, err := os.Stat(s.path); err == nil && info.Size() == 0 {
		return nil // a new one
	}
	db, err := connect(s.path, "ro")
	if err != nil {
		return &Error{"open", s.path, ErrNotStored, err, openHint(err, other)}
	}
	defer func() {
		if raw, err := db.DB(); err == nil {
			_ = raw.Close()
		}
	}()
	var v, tables int
	if err := db.Raw("PRAGMA user_version").Scan(&v).Error; err != nil {
		return &Error{"open", s.path, ErrNotStored, err, openHint(err, other)}
	}
	if v > len(migrations) {
		return &Error{"open", s.path, ErrNewer, nil, fmt.Sprintf(errNewerHint, v, len(migrations))}
	}
	if err := db.Raw("SELECT count(*) FROM sqlite_master").Scan(&tables).Error; err != nil || v == 0 && tables > 0 {
		return &Error{"open", s.path, ErrNotStored, err, openHint(err, other)}
	}
	return nil
}

// openHint keeps a file that can't be opened apart from one that is no database.
func openHint(err error, other string) string {
	if err != nil && (strings.Contains(err.Error(), "unable to open") || strings.Contains(err.Error(), "readonly")) {
		return "The file can't be opened here: its folder can't be written to. Nothing was changed, and nothing says that it is damaged. Copy it to a folder that can be written to."
	}
	return other
}
