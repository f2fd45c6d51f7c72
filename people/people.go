// Package people knows who uses the program: their profiles, what was taught them in
// person, and what the household has set.
package people

import "zestythicket/records"

// Service reads and changes people and settings.
type Service struct{ *records.Base }

// New makes the service.
func New(b *records.Base) *Service { return &Service{b} }
