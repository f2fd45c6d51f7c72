// Package agenda says what the day asks for and what has happened: dues, reminders and
// the journal. It reads what the other domains keep and stores nothing.
package agenda

import (
	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/incidents"
	"zestythicket/kitchen"
	"zestythicket/records"
)

// Service reads the other domains.
type Service struct {
	*records.Base
	Ground    *ground.Service
	Finds     *finds.Service
	Kitchen   *kitchen.Service
	Incidents *incidents.Service
}

// New makes the service.
func New(b *records.Base, g *ground.Service, f *finds.Service, k *kitchen.Service, i *incidents.Service) *Service {
	return &Service{b, g, f, k, i}
}
