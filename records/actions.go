package records

import (
	"zestythicket/internal/bounded"
	"zestythicket/internal/yamlpos"
)

func (c *Base) CheckOneOf(w string, known []string, path string, i int, what string, bad *Invalid) bool {
	for _, k := range known {
		if k == w {
			return true
		}
	}
	hint := ""
	if len(bad.Fields) < bounded.Most {
		hint = yamlpos.Nearest(w, known)
	}
	bad.Add(path+Index(i), hint, "unknown %s %.80q", what, w)
	return false
}

func Index(i int) string {
	if i < 0 {
		return ""
	}
	return "[" + Itoa(i) + "]"
}
