// Package cli is the command line of Zesty Thicket: one file a subcommand.
package cli

import (
	"errors"
	"fmt"
	"io"
	"os"

	"zestythicket/evidence"
	"zestythicket/guide"
	"zestythicket/guide/data"
	"zestythicket/guidefile"
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
		{"serve", "serve [--db FILE] [--port N] [--demo]  serve the bench on this machine", serve},
		{"judge", "judge FILE [--json] [--guide DIR]     judge a find written as YAML", judge},
		{"guide", "guide check [DIR]                     check the guide's files", guideCommand},
		{"audit", "audit [--json] [--guide DIR]          can every danger be told apart, stage by stage", audit},
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
			if c.name == args[0] {
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

// loadGuide reads the shipped guide, or one from a directory.
func loadGuide(dir string) (*guide.Index, error) {
	if dir == "" {
		return guidefile.LoadIndex(data.FS)
	}
	return guidefile.LoadIndex(os.DirFS(dir))
}

func newEngine(dir string) (*evidence.Engine, error) {
	ix, err := loadGuide(dir)
	if err != nil {
		return nil, err
	}
	return evidence.New(ix, evidence.StandardDefaults()), nil
}
