package evidence

import "zestythicket/guide"

// TakeOver lists the answers of the field that a second look at home takes over:
// those that count on the specimen that was carried, of traits that can't be seen
// on the parts that came home. They are marked as taken and put down for the
// specimen at home; what was prepared in the field (a base dug out whole) goes
// along with what rests on it.
func (e *Engine) TakeOver(field *Find, specimen, at string, carried []guide.Part) []Event {
	rs, _ := e.readings(field, specimen)
	counts := map[int64]bool{}
	for i := range rs {
		r := &rs[i]
		if r.By < 0 && r.Soundness == Sound && !AtHome(e.ix.Book, r.Trait, carried) {
			counts[r.Seq] = true
		}
	}
	var out []Event
	for _, ev := range field.Log {
		if ev.Kind == Answered && counts[ev.Seq] {
			ev.Specimen, ev.Taken = at, true
			out = append(out, ev)
		}
	}
	return out
}
