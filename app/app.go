// Package app puts the domains of the program together over one store, one engine and
// one clock. The API and the command line stand on it.
package app

import (
	"context"
	"time"

	"zestythicket/agenda"
	"zestythicket/evidence"
	"zestythicket/finds"
	"zestythicket/ground"
	"zestythicket/incidents"
	"zestythicket/internal/yamlpos"
	"zestythicket/kitchen"
	"zestythicket/people"
	"zestythicket/records"
	"zestythicket/reference"
	"zestythicket/store"
	"zestythicket/upkeep"
)

// App is every domain.
type App struct {
	*records.Base
	Overlay Overlay

	People    *people.Service
	Ground    *ground.Service
	Finds     *finds.Service
	Kitchen   *kitchen.Service
	Incidents *incidents.Service
	Upkeep    *upkeep.Service
	Agenda    *agenda.Service
	Reference *reference.Service
}

// Overlay is where the user's own entries are read from, and what was left out of them.
type Overlay struct {
	Dir      string
	Problems yamlpos.Problems
}

// New puts the program together on the wall clock.
func New(s *store.Store, e *evidence.Engine) *App {
	a := &App{Base: &records.Base{Store: s, Engine: e, Now: time.Now}}
	a.People, a.Ground = people.New(a.Base), ground.New(a.Base)
	a.Finds = finds.New(a.Base, a.People, a.Ground)
	a.Kitchen = kitchen.New(a.Base, a.People, a.Ground, a.Finds)
	a.Upkeep = upkeep.New(a.Base, a.Ground, a.Finds, a.Kitchen)
	a.Reference = reference.New(a.Base)
	a.rest()
	return a
}

// With is the program for one request: when that is gone, what it asked for stops.
func (a *App) With(ctx context.Context) *App {
	out := &App{Base: a.On(a.Store.With(ctx)), Overlay: a.Overlay}
	out.People, out.Ground = people.New(out.Base), ground.New(out.Base)
	out.Finds = a.Finds.On(out.Base, out.People, out.Ground)
	out.Kitchen = a.Kitchen.On(out.Base, out.People, out.Ground, out.Finds)
	out.Upkeep = a.Upkeep.On(out.Base, out.Ground, out.Finds, out.Kitchen)
	out.Reference = a.Reference.On(out.Base)
	out.rest()
	return out
}

// rest makes the domains that share nothing between requests.
func (a *App) rest() {
	a.Incidents = incidents.New(a.Base, a.People, a.Kitchen)
	a.Agenda = agenda.New(a.Base, a.Ground, a.Finds, a.Kitchen, a.Incidents)
}
