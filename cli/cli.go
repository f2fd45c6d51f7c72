// Package cli is the command line of Zesty Thicket: one file a subcommand.
package cli

import (
	"errors"
	"fmt"
	"io"
	"io/fs"
	"os"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guide/load"
	"zestythicket/internal/yamlpos"
)

// Exit codes: 0 done, 1 it could not be done, 2 what was given does not hold
// together; nothing is stored then.
const (
	exitDone = iota
	exitFailed
	exitInput
)

// command is one subcommand.
type command struct {
	name, line string
	run        func(args []string, stdout, stderr io.Writer) error
}

func commands() []command {
	return []command{
		{"serve", "serve [--db FILE] [--port N] [--demo] [--overlay DIR]  serve the bench on this machine", serve},
		{"judge", "judge FILE [--json] [--guide DIR]     judge a find written as YAML", judge},
		{"guide", "guide check [DIR]                     check the guide's files, or a folder of your own entries", guideCommand},
		{"audit", "audit [--json] [--guide DIR] [--overlay DIR]  can every danger be told apart, stage by stage", audit},
		{"calibrate", "calibrate [--draws N] [--answers]      ask by simulation how often the rules would be wrong", calibrateCommand},
		{"backup", "backup FILE [--db FILE]               write a whole copy of the database, also while it is in use", backup},
		{"restore", "restore FILE [--db FILE]              put a backup in its place; what was there is kept beside it", restore},
		{"check", "check [--db FILE]                     look through the database and say what can't be read", check},
		{"openapi", "openapi                               write the API document", openapi},
		{"version", "version                               say what this is", version},
	}
}

// errUsage is answered with the usage and exit code 2.
var errUsage = errors.New("usage")

// Run runs a subcommand and returns the exit code.
func Run(args []string, stdout, stderr io.Writer) int {
	if len(args) > 0 {
		for _, c := range commands() {
			if c.name == args[0] || args[0] == "--version" && c.name == "version" {
				return code(c.run(args[1:], stdout, stderr), stderr)
			}
		}
		fmt.Fprintf(stderr, "zesty-thicket: unknown command %q\n", args[0])
	}
	return code(errUsage, stderr)
}

func code(err error, stderr io.Writer) int {
	switch {
	case err == nil:
		return exitDone
	case errors.Is(err, errUsage):
		fmt.Fprintln(stderr, "usage: zesty-thicket COMMAND")
		for _, c := range commands() {
			fmt.Fprintln(stderr, "  "+c.line)
		}
		return exitInput
	case errors.Is(err, yamlpos.ErrContent):
		fmt.Fprintln(stderr, err)
		return exitInput
	}
	fmt.Fprintln(stderr, "zesty-thicket:", err)
	return exitFailed
}

// loadGuide reads the shipped guide, or one from a directory, with the user's
// own entries of the overlay directory laid over it; an empty or missing overlay
// is none. The problems are the overlay's.
func loadGuide(dir, overlay string) (*guide.Index, yamlpos.Problems, error) {
	var from fs.FS = data.FS
	if dir != "" {
		from = os.DirFS(dir)
	}
	if _, err := os.Stat(overlay); overlay == "" || err != nil {
		ix, err := load.LoadIndex(from)
		return ix, nil, err
	}
	b, problems, err := load.LoadOverlay(from, os.DirFS(overlay), overlay)
	if err != nil {
		return nil, nil, err
	}
	ix, err := guide.Compile(b, guide.DefaultWeights())
	return ix, problems, err
}

// newEngine tells the overlay's problems on stderr and goes on without the files
// concerned.
func newEngine(dir, overlay string, stderr io.Writer) (*evidence.Engine, yamlpos.Problems, error) {
	ix, problems, err := loadGuide(dir, overlay)
	if err != nil {
		return nil, nil, err
	}
	if len(problems) > 0 {
		fmt.Fprintf(stderr, "left out of your own entries in %s:\n%v\n", overlay, problems)
	}
	return evidence.New(ix, evidence.StandardDefaults()), problems, nil
}
