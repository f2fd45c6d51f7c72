package incidents

// OpenWarnings lists incidents with an exposure that nobody has closed, and those
// with signs of which nobody knows what they are from.
func (c *Service) OpenWarnings() ([]Incident, error) {
	all, err := c.Incidents()
	if err != nil {
		return nil, err
	}
	var out []Incident
	for _, in := range all {
		closed := map[string]bool{}
		for _, x := range in.Closings {
			closed[x.Exposure] = true
		}
		open := len(in.Exposures) == 0 && len(in.Symptoms) > 0 // of nothing at all nothing is due
		for _, x := range in.Exposures {
			open = open || !closed[x.ID]
		}
		if open {
			out = append(out, in)
		}
	}
	return out, nil
}
