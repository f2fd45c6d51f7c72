package cli

import (
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"
	"os"
	"path/filepath"

	"zestythicket/exchange/casefile"
	"zestythicket/internal/testkit/casecheck"
	"zestythicket/report"
)

// parse reads flags that may stand before or after the arguments.
func parse(fs *flag.FlagSet, args []string, stderr io.Writer) ([]string, error) {
	fs.SetOutput(stderr)
	var rest []string
	for {
		if err := fs.Parse(args); err != nil {
			return nil, errUsage
		}
		if fs.NArg() == 0 {
			return rest, nil
		}
		rest = append(rest, fs.Arg(0))
		args = fs.Args()[1:]
	}
}

func judge(args []string, stdout, stderr io.Writer) error {
	fs := flag.NewFlagSet("judge", flag.ContinueOnError)
	asJSON := fs.Bool("json", false, "write JSON")
	dir := fs.String("guide", "", "directory of a guide")
	files, err := parse(fs, args, stderr)
	if err != nil || len(files) != 1 {
		return errUsage
	}
	e, _, err := newEngine(*dir, "", stderr)
	if err != nil {
		return err
	}
	text, err := os.ReadFile(files[0])
	if err != nil {
		return err
	}
	c, err := casefile.Read(files[0], text, e.Index())
	if err != nil {
		return err
	}
	p := e.JudgePatch(&c.Find)
	view := report.OfPatch(e.Index(), &c.Find, &p)
	if *asJSON {
		enc := json.NewEncoder(stdout)
		enc.SetIndent("", "  ")
		if err := enc.Encode(view); err != nil {
			return err
		}
	} else {
		report.Text(stdout, &view)
	}
	if !c.Expects {
		return nil
	}
	// What the file expects goes to stderr, so that JSON stays JSON.
	misses := append(casecheck.Misses(&c.Expect, &view), casecheck.Against(e, c)...)
	if len(misses) == 0 {
		fmt.Fprintln(stderr, "expect: all of it holds")
		return nil
	}
	for _, m := range misses {
		fmt.Fprintln(stderr, "expect:", m)
	}
	return fmt.Errorf("%s: %d of what the file expects does not hold", files[0], len(misses))
}

func guideCommand(args []string, stdout, stderr io.Writer) error {
	if len(args) == 0 || args[0] != "check" || len(args) > 2 {
		return errUsage
	}
	dir := ""
	if len(args) == 2 {
		dir = args[1]
		if _, err := os.Stat(dir); errors.Is(err, os.ErrNotExist) {
			return fmt.Errorf("there is no directory %s", dir)
		}
	}
	overlay := ""
	if _, err := os.Stat(filepath.Join(dir, "traits")); dir != "" && errors.Is(err, os.ErrNotExist) {
		dir, overlay = "", dir // a folder of one's own entries, laid over the shipped guide
	}
	ix, problems, err := loadGuide(dir, overlay)
	if err != nil {
		return err
	}
	if len(problems) > 0 {
		return problems
	}
	own := 0
	for i := range ix.Book.Taxa {
		if ix.Book.Taxa[i].Origin != "" {
			own++
		}
	}
	if overlay != "" && own == 0 {
		return fmt.Errorf("guide files: no .yaml file was found in %s", overlay)
	}
	if own > 0 {
		fmt.Fprintf(stdout, "%d entries are yours or corrected by you\n", own)
	}
	fmt.Fprintf(stdout, "guide %s: %d taxa, %d traits, %d sayings, nothing wrong\n", ix.Book.Version, len(ix.Book.Taxa), len(ix.Book.Traits), len(ix.Book.Sayings))
	writeGaps(stdout, ix)
	return nil
}
