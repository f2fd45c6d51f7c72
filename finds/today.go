package finds

func titleOf(v *View) string {
	switch {
	case v.Title != "":
		return v.Title
	case v.Target != nil:
		return v.Target.Common
	}
	return "A find"
}
