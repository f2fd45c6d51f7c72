// Package guide is the vocabulary in which everything else in Zesty Thicket
// speaks: traits that can be inspected, taxa that are described by them, and
// the cells where the two meet.
//
// # The model
//
// A [Trait] is one thing that can be inspected on one specimen: the section of
// a leaf stalk, the ring on a stem, the colour of a spore print. It belongs to
// a [Part] and to a [Class]. Structural traits (form, number, attachment) weigh
// most; sensory traits (colour, smell, feel) count once between them;
// circumstance (habitat, host, date) never counts. Traits that are not
// independent share an evidence group and are counted once.
//
// A [Taxon] is an entry of the guide: a species, a group or a genus. What the
// guide says of one taxon, one trait and one stage is a cell:
//
//   - a [Frequency] for each state (always, usually, sometimes, rarely, never),
//   - or, for a measured trait, a typical and an extreme range,
//   - or inapplicable: the taxon lacks that part,
//   - or unknown, with the reason why nobody should guess.
//
// Never has to be said outright. A state that is not listed is undocumented and
// contradicts nothing, unless another state of an exclusive trait is always
// there. A never that is firm enough to decide by itself, with its source, is
// marked decisive.
//
// # Hazard
//
// A [Hazard] is graded by part, stage and preparation: 0 no hazard noted, 1
// unpleasant, 2 poisonous or harmful on contact, 3 deadly. Every grade is a
// safety claim. Where no line of an entry's hazards speaks of a use, the
// gravest of its lines is taken.
//
// # Book and index
//
// A [Book] is the guide as read from its files. An [Index] is the same content
// laid out in columns, one a trait, so that an engine can sweep ten thousand
// taxa in a few milliseconds. Both are plain values: this package reads no
// file, no clock and no chance.
package guide
