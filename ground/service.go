// Package ground knows the places that are gone back to: their rules and limits, their
// patches, walks to them, their weather, and when something is up there.
package ground

import "zestythicket/records"

// Service reads and changes places, walks and what was noted of the year.
type Service struct{ *records.Base }

// New makes the service.
func New(b *records.Base) *Service { return &Service{b} }
