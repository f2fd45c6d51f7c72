package cli

import (
	"strings"
	"testing"
)

// The version is told as a command and as a flag, with the guide it carries.
func TestVersion(t *testing.T) {
	for _, arg := range []string{"version", "--version"} {
		code, out, _ := run(arg)
		if code != 0 || !strings.Contains(out, stamp()) || !strings.Contains(out, "taxa") {
			t.Errorf("%s: %d %q", arg, code, out)
		}
	}
	if code, _, _ := run("--serve"); code != 2 {
		t.Errorf("--serve: %d", code)
	}
}
