// Package words says in English what the program has concluded, from codes and their
// parameters. The pure packages and the domains give codes; the sentences are here, so
// that they can be read, judged and changed in one place.
//
// Not all have come here yet: conclusions about a find are said by package report, and
// the domains still say some things themselves.
package words
