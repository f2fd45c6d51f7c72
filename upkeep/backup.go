package upkeep

import (
	"errors"
	"io"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"sync/atomic"

	"zestythicket/records"
	"zestythicket/store"
)

// BackupInfo is one backup in the folder beside the database.
type BackupInfo struct {
	Name  string `json:"name"`
	Bytes int64  `json:"bytes"`
	AtMS  int64  `json:"atMs"`
}

// DataInfo is what is known of the database.
type DataInfo struct {
	Path    string           `json:"path"`
	Bytes   int64            `json:"bytes"`
	Counts  map[string]int64 `json:"counts" doc:"Rows by table; -1 where it can't be counted"`
	LastMS  int64            `json:"lastMs,omitempty" doc:"When the last backup was made; 0: never, as far as is known"`
	LastTo  string           `json:"lastTo,omitempty"`
	Backups []BackupInfo     `json:"backups" doc:"In the folder beside the database, the newest first"`
	Folder  string           `json:"folder"`
	Check   *Findings        `json:"check,omitempty" doc:"The last look through the database"`
}

// checks keeps what the last look through the database found.
type checks struct{ checked atomic.Pointer[Findings] }

// backupNote says when the last backup was made, and where to.
type backupNote struct {
	AtMS int64  `json:"atMs"`
	To   string `json:"to"`
}

// KeepCheck keeps what a check found, for the page of the data.
func (c *Service) KeepCheck(k *Findings) { c.checked.Store(k) }

func (c *Service) folder() string {
	return filepath.Join(filepath.Dir(c.Store.Path()), "backups")
}

// BackupPath is where a backup of this name lies.
func (c *Service) BackupPath(name string) string {
	return filepath.Join(c.folder(), filepath.Base(name))
}

// NextBackup is a name that is free, and its path.
func (c *Service) NextBackup() (name, path string) {
	base := "zesty-thicket-" + stamp(c.Now())
	for n := 1; ; n++ {
		name = base + ".db"
		if n > 1 {
			name = base + "-" + strconv.Itoa(n) + ".db"
		}
		if _, err := os.Stat(c.BackupPath(name)); err != nil {
			return name, c.BackupPath(name)
		}
	}
}

// Data tells what is known of the database.
func (c *Service) Data() *DataInfo {
	d := &DataInfo{Path: c.Store.Path(), Counts: c.Store.Counts(), Backups: []BackupInfo{}, Folder: c.folder(), Check: c.checked.Load()}
	for _, end := range []string{"", "-wal"} {
		if info, err := os.Stat(d.Path + end); err == nil {
			d.Bytes += info.Size()
		}
	}
	if n, err := records.Note[backupNote](c.Base, store.BackupKind, store.BackupKind); err == nil {
		d.LastMS, d.LastTo = n.AtMS, n.To
	}
	files, _ := os.ReadDir(d.Folder)
	for _, f := range files {
		if info, err := f.Info(); err == nil && strings.HasSuffix(f.Name(), ".db") {
			d.Backups = append(d.Backups, BackupInfo{f.Name(), info.Size(), info.ModTime().UnixMilli()})
		}
	}
	slices.SortFunc(d.Backups, func(a, b BackupInfo) int { return int(b.AtMS/1000 - a.AtMS/1000) })
	// A restored database knows of no backup after itself; the folder does.
	if len(d.Backups) > 0 && d.Backups[0].AtMS > d.LastMS {
		d.LastMS, d.LastTo = d.Backups[0].AtMS, c.BackupPath(d.Backups[0].Name)
	}
	return d
}

// Backup writes a whole copy of the database while it is in use, and notes when.
func (c *Service) Backup(path string) error {
	if err := c.Store.Backup(path); err != nil {
		return err
	}
	return c.Save(store.BackupKind, store.BackupKind, backupNote{c.Now().UnixMilli(), path})
}

// Restore puts a backup of the folder in the place of the database. What was there
// is kept; nobody else may ask anything meanwhile.
func (c *Service) Restore(name string) (kept string, err error) {
	path := c.BackupPath(name)
	if _, err := os.Stat(path); err != nil {
		return "", records.NotThere("backup", name)
	}
	if kept, err = c.Store.Restore(path, c.Now()); err != nil {
		return "", err
	}
	c.KeepCheck(c.Check(50))
	return kept, nil
}

// TakeBackup stores a backup that was sent, once it holds together, in the folder of
// the backups, and gives its name there.
func (c *Service) TakeBackup(from io.Reader) (string, error) {
	name, _ := c.NextBackup()
	name = strings.Replace(name, "zesty-thicket-", "brought-", 1)
	path := c.BackupPath(name)
	if err := os.MkdirAll(c.folder(), 0o700); err != nil {
		return "", err
	}
	f, err := os.OpenFile(path+".part", os.O_CREATE|os.O_TRUNC|os.O_WRONLY, 0o600)
	if err != nil {
		return "", err
	}
	_, err = io.Copy(f, from)
	err = errors.Join(err, f.Close())
	if err == nil {
		var bad []string
		if bad, err = store.CheckFile(path + ".part"); err == nil && len(bad) > 0 {
			err = records.Refuse("body", "backup-damaged", bad[0])
		}
	}
	if err != nil {
		_ = os.Remove(path + ".part")
		return "", err
	}
	return name, os.Rename(path+".part", path)
}
