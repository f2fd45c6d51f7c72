package records

// sourceTitle names a source in words.
func (c *Base) SourceTitle(id string) string {
	for _, s := range c.Engine.Index().Book.Sources {
		if s.ID == id {
			return s.Title
		}
	}
	return id
}
