package finds

import (
	"zestythicket/records"
	"zestythicket/store"
)

// Wait is a test that takes time and is running: a bruise, a cut, a spore print.
type Wait struct {
	Specimen  string  `json:"specimen"`
	Trait     string  `json:"trait"`
	StartedMS int64   `json:"startedMs" doc:"Milliseconds of the Unix epoch"`
	Minutes   float64 `json:"minutes" doc:"How long the guide asks to wait; a reading before that is shaky"`
}

// StartWait begins the wait of a timed trait. It runs on through a restart; one
// that runs already goes on.
func (c *Service) StartWait(id, specimen, trait string) (*View, error) {
	if _, err := c.Store.Find(id); err != nil {
		return nil, err
	}
	ix := c.Engine.Index()
	bad := &records.Invalid{}
	if at, ok := ix.TraitAt(trait); !ok {
		bad.Add("path.trait", "no-such-trait", trait)
	} else if ix.Book.Traits[at].WaitMin == 0 {
		bad.Add("path.trait", "no-waiting", trait)
	}
	specimens, err := c.Store.Specimens(id)
	if err != nil {
		return nil, err
	}
	known := false
	for i := range specimens {
		known = known || specimens[i].ID == specimen
	}
	if !known {
		bad.Add("path.specimen", "no-such-specimen", specimen)
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	if err := c.Store.StartWait(&store.Wait{FindID: id, Specimen: specimen, Trait: trait, StartedMS: c.Now().UnixMilli()}); err != nil {
		return nil, err
	}
	return c.View(id)
}

// EndWait gives a wait up.
func (c *Service) EndWait(id, specimen, trait string) (*View, error) {
	if _, err := c.Store.Find(id); err != nil {
		return nil, err
	}
	if err := c.Store.EndWait(id, specimen, trait); err != nil {
		return nil, err
	}
	return c.View(id)
}

func (c *Service) waits(id string) ([]Wait, error) {
	rows, err := c.Store.Waits(id)
	if err != nil {
		return nil, err
	}
	out := []Wait{}
	ix := c.Engine.Index()
	for _, r := range rows {
		if at, ok := ix.TraitAt(r.Trait); ok { // a guide may drop a trait
			out = append(out, Wait{r.Specimen, r.Trait, r.StartedMS, ix.Book.Traits[at].WaitMin})
		}
	}
	return out, nil
}
