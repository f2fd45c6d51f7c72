package httpapi

import (
	"sync"
	"testing"

	"zestythicket/app"
	"zestythicket/internal/testkit"
	"zestythicket/store"
)

// The program may be ended, or a backup restored, while finds are being judged anew.
func TestClosedWhileJudging(t *testing.T) {
	path := testkit.Big(t, testkit.Size{Finds: 30, Lines: 10, Places: 1})
	backup := t.TempDir() + "/b.db"
	if err := store.Backup(path, backup); err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	a := app.New(s, testkit.Engine(t))
	var wg sync.WaitGroup
	for range 3 {
		wg.Add(1)
		go func() { defer wg.Done(); a.Finds.JudgeAll() }()
	}
	if _, err := s.Restore(backup, testkit.DemoBegan); err != nil {
		t.Error(err)
	}
	wg.Wait()
	wg.Add(1)
	go func() { defer wg.Done(); a.Finds.JudgeAll() }()
	if err := s.Close(); err != nil {
		t.Error(err)
	}
	wg.Wait()
	a.Finds.JudgeAll() // after the end there is nothing to do
}
