// Package bounded keeps lists of what is wrong short: a hundred problems tell as
// much as a million, and a million make an answer of a hundred megabytes.
package bounded

// Most is how many are listed; the rest is counted.
const Most = 100

// List takes in up to [Most] items and counts those beyond. The zero value is
// ready.
type List[T any] struct {
	Items []T
	More  int
}

// Full reports that further items are only counted.
func (l *List[T]) Full() bool { return len(l.Items) >= Most }

// Add takes an item in, or counts it.
func (l *List[T]) Add(item T) {
	if l.Full() {
		l.More++
		return
	}
	l.Items = append(l.Items, item)
}

// All gives the items and, where some were only counted, what rest makes of how
// many they were.
func (l *List[T]) All(rest func(more int) T) []T {
	if l.More == 0 {
		return l.Items
	}
	return append(l.Items[:len(l.Items):len(l.Items)], rest(l.More))
}
