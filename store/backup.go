package store

import (
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"
	"time"

	"gorm.io/gorm"
)

// BackupKind is the kind of the note that says when the last backup was made.
const BackupKind = "backup"

// Backup writes a whole copy of a database to a file that is not there yet, while
// programs go on using it: everything that is stored when it begins is in it. (A
// copy of the file alone is none: what was entered last lies in a second file
// beside it.) The copy is read once before it counts.
func Backup(path, to string) error {
	db, err := existing(path)
	if err != nil {
		return err
	}
	defer func() { _ = closeOf(db) }()
	return backup(db, path, to)
}

// Backup writes a whole copy of the open database; see the function [Backup].
func (s *Store) Backup(to string) error {
	// A connection of its own, so that nobody waits for the copy.
	db, err := existing(s.path)
	if err != nil {
		return err
	}
	defer func() { _ = closeOf(db) }()
	return backup(db, s.path, to)
}

func existing(path string) (*gorm.DB, error) {
	if _, err := os.Stat(path); err != nil {
		return nil, &Error{"back up", path, ErrNotFound, err, "There is no database here."}
	}
	if err := (&Store{path: path}).refuseNewer(); err != nil {
		return nil, err
	}
	db, err := connect(path, "rw")
	if err != nil {
		return nil, &Error{"back up", path, ErrUnreadable, err, "The database can't be opened."}
	}
	return db, nil
}

func closeOf(db *gorm.DB) error {
	raw, err := db.DB()
	if err != nil {
		return err
	}
	return raw.Close()
}

func backup(db *gorm.DB, path, to string) error {
	if _, err := os.Stat(to); err == nil {
		return &Error{"back up", to, ErrInvalid, nil, "There is a file of this name already; choose another. Nothing was changed."}
	}
	if err := os.MkdirAll(filepath.Dir(to), 0o700); err != nil {
		return &Error{"back up", to, ErrNotStored, err, "The folder can't be made."}
	}
	// It gets its name only when it is whole.
	part := to + ".part"
	_ = os.Remove(part)
	f, err := os.OpenFile(part, os.O_CREATE|os.O_EXCL|os.O_WRONLY, 0o600)
	if err != nil {
		return &Error{"back up", to, ErrNotStored, err, "The file can't be made here."}
	}
	_ = f.Close()
	if err := db.Exec("VACUUM INTO ?", part).Error; err != nil {
		_ = os.Remove(part)
		return &Error{"back up", to, ErrNotStored, err, "The copy could not be written; is there space? The database itself was not changed."}
	}
	if bad, err := CheckFile(part); err != nil || len(bad) > 0 {
		_ = os.Remove(part)
		return &Error{"back up", to, ErrNotStored, errors.Join(err, errors.New(strings.Join(bad, "; "))), "The copy does not hold together: the database may be damaged. It was not changed; run check."}
	}
	if err := os.Rename(part, to); err != nil {
		return &Error{"back up", to, ErrNotStored, err, "The copy can't be given its name."}
	}
	return nil
}

// CheckFile reads a database file without changing it, and lists what does not hold
// together.
func CheckFile(path string) ([]string, error) {
	s := &Store{path: path}
	if _, err := os.Stat(path); err != nil {
		return nil, &Error{"check", path, ErrNotFound, err, "There is no such file."}
	}
	if err := s.refuseNewer(); err != nil {
		return nil, err
	}
	db, err := connect(path, "ro")
	if err != nil {
		return nil, &Error{"check", path, ErrUnreadable, err, "It can't be opened."}
	}
	s.db = db
	defer func() { _ = s.closeDB() }()
	var n int64
	if err := db.Raw("SELECT count(*) FROM sqlite_master WHERE name IN ('people', 'finds', 'events')").Scan(&n).Error; err != nil || n != 3 {
		return nil, &Error{"check", path, ErrInvalid, err, "This is no database or backup of Zesty Thicket."}
	}
	return s.QuickCheck()
}

// Restore puts a backup in the place of a database that no program has open. What
// was there is kept beside it, with the moment in its name; kept is where, empty
// when there was nothing. The backup itself stays as it is.
func Restore(path, from string, now time.Time) (kept string, err error) {
	lock, err := lockFile(path + ".lock")
	if err != nil {
		return "", lockError(path, err)
	}
	defer func() { _ = lock.Close() }()
	if kept, err = swap(path, from, now); err == nil {
		if db, err := existing(path); err == nil {
			s := &Store{db: db, path: path}
			s.raiseRevisions()
			_ = s.closeDB()
		}
	}
	return kept, err
}

// raiseRevisions puts every revision past those that a screen may know which was
// opened before a backup was restored: what it sends is joined or refused, and never
// written over what came after. A backup of an older form has none yet.
func (s *Store) raiseRevisions() {
	if s.db == nil {
		return
	}
	for _, t := range []string{"notes", "people", "finds"} {
		_ = s.db.Exec("UPDATE " + t + " SET rev = rev + 1000000").Error
	}
}

// Restore puts a backup in the place of the open database and opens that. When it
// can't be opened, what was there before is put back.
func (s *Store) Restore(from string, now time.Time) (kept string, err error) {
	if bad, err := CheckFile(from); err != nil || len(bad) > 0 {
		return "", refuseBackup(from, bad, err)
	}
	s.swaps.Lock()
	defer s.swaps.Unlock()
	if err := s.closeDB(); err != nil {
		return "", err
	}
	kept, err = swap(s.path, from, now)
	if err == nil {
		defer func() { s.raiseRevisions() }()
	}
	if again := s.open(); again != nil && err == nil && kept != "" {
		_ = s.closeDB()
		_ = errors.Join(os.Rename(s.path, s.path+".refused"), os.Rename(kept, s.path))
		return "", errors.Join(again, s.open())
	}
	return kept, err
}

func refuseBackup(from string, bad []string, err error) error {
	if err != nil {
		return err
	}
	return &Error{"restore", from, ErrInvalid, errors.New(strings.Join(bad, "; ")), fmt.Sprintf("This backup is damaged (%d faults found); nothing was changed. Take another.", len(bad))}
}

// swap replaces the file; the write-ahead files of the old one go with it.
func swap(path, from string, now time.Time) (kept string, err error) {
	if bad, err := CheckFile(from); err != nil || len(bad) > 0 {
		return "", refuseBackup(from, bad, err)
	}
	fresh := path + ".restoring"
	if err := copyFile(from, fresh); err != nil {
		_ = os.Remove(fresh)
		return "", &Error{"restore", path, ErrNotStored, err, "The backup could not be copied; nothing was changed. Is there space?"}
	}
	if _, err := os.Stat(path); err == nil {
		kept = fmt.Sprintf("%s.before-%s", path, now.Format("20060102-150405"))
		for n := 2; ; n++ {
			if _, err := os.Stat(kept); err != nil {
				break
			}
			kept = fmt.Sprintf("%s.before-%s-%d", path, now.Format("20060102-150405"), n)
		}
		for _, end := range []string{"-wal", "-shm", ""} {
			if _, err := os.Stat(path + end); err != nil {
				continue
			}
			if err := os.Rename(path+end, kept+end); err != nil {
				return "", &Error{"restore", path, ErrNotStored, err, "What is there can't be moved aside; it was not overwritten."}
			}
		}
	}
	if err := os.Rename(fresh, path); err != nil {
		return kept, &Error{"restore", path, ErrNotStored, err, "The backup can't be put in place. What was there is at " + kept + "."}
	}
	return kept, nil
}

func copyFile(from, to string) error {
	in, err := os.Open(from)
	if err != nil {
		return err
	}
	defer func() { _ = in.Close() }()
	out, err := os.OpenFile(to, os.O_CREATE|os.O_TRUNC|os.O_WRONLY, 0o600)
	if err != nil {
		return err
	}
	_, err = io.Copy(out, in)
	return errors.Join(err, out.Sync(), out.Close())
}

// NoteBackup writes down in a database, which may be in use, when a backup of it was
// made and where to.
func NoteBackup(path, to string, now time.Time) error {
	db, err := existing(path)
	if err != nil {
		return err
	}
	s := &Store{db: db, path: path}
	defer func() { _ = s.closeDB() }()
	var v int
	if err := db.Raw("PRAGMA user_version").Scan(&v).Error; err != nil || v < len(migrations) {
		return s.failed("note backup", path, err) // an older form has no place for it
	}
	abs, err := filepath.Abs(to)
	if err != nil {
		abs = to
	}
	return s.SaveNote(&Note{Kind: BackupKind, ID: BackupKind, Doc: JSON(map[string]any{"atMs": now.UnixMilli(), "to": abs}), AtMS: now.UnixMilli()})
}

// OpenCopy opens a copy of a database and leaves the database itself as it is. A
// damaged one, of which no backup can be made, is copied as its files lie there.
func OpenCopy(path, to string) (*Store, error) {
	if err := Backup(path, to); err != nil {
		if err := copyFile(path, to); err != nil {
			return nil, &Error{"copy", path, ErrUnreadable, err, "It can't be copied to be looked at."}
		}
		if _, err := os.Stat(path + "-wal"); err == nil {
			_ = copyFile(path+"-wal", to+"-wal")
		}
	}
	return Open(to)
}
