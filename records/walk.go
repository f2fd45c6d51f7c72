package records

func WrapIf(s, before, after string) string {
	if s == "" {
		return ""
	}
	return before + s + after
}
