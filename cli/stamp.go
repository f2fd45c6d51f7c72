package cli

import (
	"runtime"
	"runtime/debug"
	"strings"

	"zestythicket/httpapi"
)

// stamp says which build this is: the version, the commit and its day, whether files
// were changed since, the Go that built it and the machine it is for. Go writes the
// commit into a program that is built in a checkout.
func stamp() string {
	said := []string{httpapi.Version}
	if info, ok := debug.ReadBuildInfo(); ok {
		set := map[string]string{}
		for _, s := range info.Settings {
			set[s.Key] = s.Value
		}
		if c := set["vcs.revision"]; len(c) >= 12 {
			said = append(said, "commit "+c[:12]+" of "+set["vcs.time"])
		}
		if set["vcs.modified"] == "true" {
			said = append(said, "changed since")
		}
	}
	return strings.Join(append(said, runtime.Version(), runtime.GOOS+"/"+runtime.GOARCH), ", ")
}
