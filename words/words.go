// Package words says in English what the program has concluded, from codes and their
// parameters. The pure packages and the domains give codes; the sentences are here, so
// that they can be read, judged and changed in one place.
//
// Conclusions about one find are said by package report, which makes their views; some
// phrases of the domains have not come here yet (an incident's review, names of what is
// set aside).
package words
