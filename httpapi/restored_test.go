package httpapi

import (
	"path/filepath"
	"testing"

	"zestythicket/incidents"
	"zestythicket/store"
)

// A screen that was opened before an older backup was restored knows a revision that
// the database has yet to reach, or reaches by other changes. What it saves is joined,
// and takes nothing of what was put in meanwhile.
func TestSavedAfterARestore(t *testing.T) {
	r := lots(t)
	const path = "/api/incidents/restored-incident"
	r.must("PUT", path, meal("restored-incident", "e1", "S3", r.now, 0))
	backup := filepath.Join(t.TempDir(), "older.db")
	if err := store.Backup(r.book.Store.Path(), backup); err != nil {
		t.Fatal(err)
	}
	call := func(v incidents.Incident, whom string) incidents.Incident {
		v.Calls = append(append([]incidents.Call{}, v.Calls...), incidents.Call{AtMS: r.now.UnixMilli(), Whom: whom, Said: "call back"})
		return v
	}
	first := fetch[incidents.IncidentView](r.rig, path).Incident
	for _, whom := range []string{"the doctor", "the poison service"} {
		r.must("PUT", path, call(first, whom))
		first = fetch[incidents.IncidentView](r.rig, path).Incident
	}
	if _, err := r.book.Store.Restore(backup, r.now); err != nil {
		t.Fatal(err)
	}
	for _, whom := range []string{"a neighbour", "a friend"} { // the other screen, up to the same number of changes
		r.must("PUT", path, call(fetch[incidents.IncidentView](r.rig, path).Incident, whom))
	}
	r.must("PUT", path, call(first, "the hospital"))
	after := fetch[incidents.IncidentView](r.rig, path).Incident
	whom := map[string]bool{}
	for _, c := range after.Calls {
		whom[c.Whom] = true
	}
	for _, w := range []string{"the doctor", "the poison service", "a neighbour", "a friend", "the hospital"} {
		if !whom[w] {
			t.Errorf("the call to %s is lost: %v", w, after.Calls)
		}
	}
}
