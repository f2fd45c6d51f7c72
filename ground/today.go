package ground

import (
	"zestythicket/plan"
)

// groundNow is what is stored of places and walks, read once.
type GroundNow struct {
	Places []Place
	Walks  []Walk
	By     *almanac
	known  map[string]*plan.Known
}

func (c *Service) ReadGround() (*GroundNow, error) {
	places, err := c.Places()
	if err != nil {
		return nil, err
	}
	walks, err := c.Walks()
	if err != nil {
		return nil, err
	}
	by, err := c.almanac()
	return &GroundNow{places, walks, by, map[string]*plan.Known{}}, err
}

func (g *GroundNow) Of(place string) (*plan.Known, error) {
	if k, ok := g.known[place]; ok {
		return k, nil
	}
	k, err := g.By.known(place)
	if err == nil {
		g.known[place] = k
	}
	return k, err
}
