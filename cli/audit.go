package cli

import (
	"encoding/json"
	"flag"
	"fmt"
	"io"

	"zestythicket/report"
)

func audit(args []string, stdout, stderr io.Writer) error {
	fs := flag.NewFlagSet("audit", flag.ContinueOnError)
	asJSON := fs.Bool("json", false, "write JSON")
	dir := fs.String("guide", "", "directory of a guide")
	overlay := fs.String("overlay", "", "directory of your own entries")
	if rest, err := parse(fs, args, stderr); err != nil || len(rest) > 0 {
		return errUsage
	}
	e, _, err := newEngine(*dir, *overlay, stderr)
	if err != nil {
		return err
	}
	lines, failing := report.Audit(e.Index(), e.Audit())
	if *asJSON {
		enc := json.NewEncoder(stdout)
		enc.SetIndent("", "  ")
		if err := enc.Encode(lines); err != nil {
			return err
		}
	} else {
		report.AuditText(stdout, lines)
	}
	if failing > 0 {
		_, _ = fmt.Fprintf(stderr, "%d lines are gathered by people and left by the rules, since something dangerous can't be told apart\n", failing)
	}
	return nil
}
