// Package finds begins finds, adds to their logs and judges them. The log is the truth;
// a summary of each find is kept beside it for lists, and says by a number which state
// of the log it rests on.
package finds

import (
	"zestythicket/ground"
	"zestythicket/people"
	"zestythicket/records"
	"zestythicket/store"
)

// Service reads, judges and changes finds.
type Service struct {
	*records.Base
	*judging
	People *people.Service
	Ground *ground.Service
}

// New makes the service.
func New(b *records.Base, p *people.Service, g *ground.Service) *Service {
	s := &Service{b, &judging{}, p, g}
	s.root = s
	return s
}

// On is the same service over another base.
func (c *Service) On(b *records.Base, p *people.Service, g *ground.Service) *Service {
	return &Service{b, c.judging, p, g}
}

// on is the same service inside a transaction.
func (c *Service) on(tx *store.Store) *Service {
	out := *c
	out.Base = c.Base.On(tx)
	return &out
}
