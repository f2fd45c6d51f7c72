package cli

import (
	"flag"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"time"

	"zestythicket/app"
	"zestythicket/store"
)

// dbFlag reads --db and what stands beside it.
func dbFlag(name string, args []string, want int, stderr io.Writer) (db string, rest []string, err error) {
	fs := flag.NewFlagSet(name, flag.ContinueOnError)
	path := fs.String("db", "data/zesty-thicket.db", "the database")
	rest, err = parse(fs, args, stderr)
	if err != nil || len(rest) != want {
		return "", nil, errUsage
	}
	return *path, rest, nil
}

// backup writes a whole copy of the database, also while it is being served.
func backup(args []string, stdout, stderr io.Writer) error {
	db, rest, err := dbFlag("backup", args, 1, stderr)
	if err != nil {
		return err
	}
	if err := store.Backup(db, rest[0]); err != nil {
		return explain(err)
	}
	if err := store.NoteBackup(db, rest[0], time.Now()); err != nil {
		fmt.Fprintln(stderr, "the backup is made; when, could not be written down:", explain(err))
	}
	fmt.Fprintf(stdout, "backed up to %s; it holds together\n", rest[0])
	return nil
}

// restore puts a backup in the place of a database that no program has open.
func restore(args []string, stdout, stderr io.Writer) error {
	db, rest, err := dbFlag("restore", args, 1, stderr)
	if err != nil {
		return err
	}
	kept, err := store.Restore(db, rest[0], time.Now())
	if err != nil {
		return explain(err)
	}
	fmt.Fprintf(stdout, "%s now holds what %s holds\n", db, rest[0])
	if kept != "" {
		fmt.Fprintf(stdout, "what was there before is kept at %s\n", kept)
	}
	return nil
}

// check looks through a database, which may be in use, and changes nothing.
func check(args []string, stdout, stderr io.Writer) error {
	db, _, err := dbFlag("check", args, 0, stderr)
	if err != nil {
		return err
	}
	faults, err := store.CheckFile(db)
	if err != nil {
		return explain(err)
	}
	for _, f := range faults {
		fmt.Fprintln(stdout, "the file:", f)
	}
	e, _, err := newEngine("", "", stderr)
	if err != nil {
		return err
	}
	// A copy is read, so that nothing is changed, and so that it may be in use.
	dir, err := os.MkdirTemp("", "zesty-thicket-check-")
	if err != nil {
		return err
	}
	defer func() { _ = os.RemoveAll(dir) }()
	s, err := store.OpenCopy(db, filepath.Join(dir, "copy.db"))
	if err != nil {
		return explain(err)
	}
	defer func() { _ = s.Close() }()
	found := app.New(s, e).Upkeep.Check(1_000_000)
	found.Whole = found.Whole && len(faults) == 0
	for _, line := range found.Report() {
		fmt.Fprintln(stdout, line)
	}
	if !found.Whole {
		return fmt.Errorf("%s: not all of it can be read; what can be is in use as before", db)
	}
	return nil
}
