package ground

// placeNames are the names of stored places, by id.
func (c *Service) PlaceNames() map[string]string {
	out := map[string]string{}
	places, err := c.Places()
	if err != nil {
		return out
	}
	for i := range places {
		out[places[i].ID] = places[i].Name
	}
	return out
}
