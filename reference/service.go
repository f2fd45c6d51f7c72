// Package reference is the guide as it is read: its vocabulary, search by name and by
// text, the page of an entry, entries side by side, and the audit of what can be told
// apart.
package reference

import (
	"sync"

	"zestythicket/records"
	"zestythicket/report"
)

// Service reads the guide.
type Service struct {
	*records.Base
	*worked
}

// worked is the audit, worked out once: the guide does not change while the program
// runs.
type worked struct {
	once  sync.Once
	lines []report.AuditLine
}

// New makes the service.
func New(b *records.Base) *Service { return &Service{b, &worked{}} }

// On is the same service over another base.
func (s *Service) On(b *records.Base) *Service { return &Service{b, s.worked} }
