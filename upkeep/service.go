// Package upkeep looks after the database as a file: backups, restoring, and a look
// through every record that changes nothing.
package upkeep

import (
	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/kitchen"
	"zestythicket/records"
)

// Service makes backups and checks.
type Service struct {
	*records.Base
	*checks
	Ground  *ground.Service
	Finds   *finds.Service
	Kitchen *kitchen.Service
}

// New makes the service.
func New(b *records.Base, g *ground.Service, f *finds.Service, k *kitchen.Service) *Service {
	return &Service{b, &checks{}, g, f, k}
}

// On is the same service over another base.
func (c *Service) On(b *records.Base, g *ground.Service, f *finds.Service, k *kitchen.Service) *Service {
	return &Service{b, c.checks, g, f, k}
}
