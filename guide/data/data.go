// Package data carries the guide's files.
package data

import "embed"

// FS holds the guide as shipped.
//
//go:embed *.yaml traits profiles taxa forms weights readings
var FS embed.FS
