// Package incidents takes down what went wrong, holds every lot that is named, and works
// out the clocks of an incident from the guide's windows. An incident is one document
// that screens send whole; what two of them put in is joined.
package incidents

import (
	"zestythicket/kitchen"
	"zestythicket/people"
	"zestythicket/records"
)

// Service reads and stores incidents.
type Service struct {
	*records.Base
	People  *people.Service
	Kitchen *kitchen.Service
}

// New makes the service.
func New(b *records.Base, p *people.Service, k *kitchen.Service) *Service {
	return &Service{b, p, k}
}
