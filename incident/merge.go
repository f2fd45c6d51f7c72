package incident

// Merge joins two states of one list of an incident: what is stored, and what a
// screen that did not know the latest sends. Such lists only grow, so nothing of
// either is dropped: everything stored stays in its order, and what is new of the
// other comes behind it. same says whether two items are one.
func Merge[T any](stored, mine []T, same func(a, b *T) bool) []T {
	out := append([]T{}, stored...)
	for i := range mine {
		there := false
		for k := range out {
			there = there || same(&out[k], &mine[i])
		}
		if !there {
			out = append(out, mine[i])
		}
	}
	return out
}

// MergeText joins two states of one text: the one that is not empty. ok is false
// when they differ and neither is.
func MergeText(stored, mine string) (text string, ok bool) {
	switch {
	case stored == mine || mine == "":
		return stored, true
	case stored == "":
		return mine, true
	}
	return mine, false
}

// InReach says whether a meal of the book may have to do with something that was
// taken down: by its own time, or by the order in which things were entered. Clocks
// may have been wrong when either was put down, so either is enough, and a meal is
// left out only when both say that it is not in reach.
//
// seq numbers the lines of the book; untilSeq is the last line that was there when
// the incident was first stored, 0 where that is not known. sinceSeq is the first
// line that lies within reach by its own time, 0 when there is none.
func InReach(atMS, seq, beganMS, untilSeq, sinceSeq int64, reachMS int64) bool {
	before := atMS <= beganMS || seq <= untilSeq
	recent := atMS >= beganMS-reachMS || sinceSeq > 0 && seq > sinceSeq
	return before && recent
}
