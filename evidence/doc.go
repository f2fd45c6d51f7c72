// Package evidence is the heart of Zesty Thicket: it turns what one observer
// says of one specimen into a standing, a ledger, a verdict and the next check.
// It is pure: no input or output, no clock, no chance. Times come with the
// events, the guide comes as an index.
//
// # Three questions, kept apart
//
// Standing asks which entries what was seen still allows, and how likely each
// is. The ledger asks which dangerous entries sound evidence has excluded. The
// verdict asks whether this may go ahead for this intent and, if not, what is
// missing. Likelihood never decides safety: an entry of one in a thousand that
// nobody has ruled out keeps the verdict open.
//
// # From answer to step
//
//	log of events ──▶ readings ──▶ contradictions ──▶ steps ──▶ ruled out
//	                   sound?        cell says never     group, act
//
// An answer becomes a [Reading]. It is sound, or shaky because a spoiler
// applies, or mute because its kind can't rule anything out, or in conflict
// with another reading of the same trait. Only sound readings contradict.
// Contradictions of one evidence group are one step, and so are those that rest
// on one act, such as one crushed leaf. Structural steps count in full, all
// sensory steps together count once, circumstance never counts.
//
// # Five legs
//
// To eat or to use as a remedy takes a positive match, every dangerous entry
// ruled out, an observer who may judge it, a sound specimen on clean ground,
// and the rules of the place. Rule-outs alone are not enough: something that no
// entry describes passes every one of them.
//
// Every conclusion carries its reasons as codes and references to readings;
// package report turns them into words.
package evidence
