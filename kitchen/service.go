// Package kitchen follows what was bagged: lots and what was made of them, holds, second
// looks, first tastes, and who ate. Its book is one append-only list of lines, read once
// and played on with each line; see the package lot for its rules.
package kitchen

import (
	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/people"
	"zestythicket/records"
)

// Service reads and writes the book of the kitchen.
type Service struct {
	*records.Base
	*shelves
	People *people.Service
	Ground *ground.Service
	Finds  *finds.Service
}

// New makes the service.
func New(b *records.Base, p *people.Service, g *ground.Service, f *finds.Service) *Service {
	return &Service{b, &shelves{}, p, g, f}
}

// On is the same service over another base.
func (c *Service) On(b *records.Base, p *people.Service, g *ground.Service, f *finds.Service) *Service {
	return &Service{b, c.shelves, p, g, f}
}
