// Command zesty-thicket identifies wild plants and mushrooms step by step and
// keeps what was seen.
package main

import (
	"os"

	"zestythicket/cli"
)

func main() { os.Exit(cli.Run(os.Args[1:], os.Stdout, os.Stderr)) }
