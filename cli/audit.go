package cli

import (
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"

	"zestythicket/report"
)

// errAudit ends with exit code 1: an unrefused stage can't be told apart.
var errAudit = errors.New("the audit fails")

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
		return fmt.Errorf("%w: %d stages that may be gathered can't be told from something dangerous", errAudit, failing)
	}
	return nil
}
