package words

import "zestythicket/phenology"

// laws are the gradients by which months are carried, with where each is from and where
// it holds.
var laws = map[string]struct{ name, source, holds string }{
	"hopkins": {"Hopkins’ bioclimatic law", "Hopkins 1918, Monthly Weather Review Supplement 9", "temperate North America, away from the Pacific coast"},
	"europe":  {"gradients for Europe", "Vitasse and others 2018; Rötzer and Chmielewski 2001, from memory", "Europe between the Mediterranean and the Arctic"},
}

// SeasonStep says what moved a window, and where that is from.
func SeasonStep(s *phenology.Step) (what, source string) {
	switch s.Code {
	case "other-half":
		return "the other half of the globe", "half a year"
	case "first-seen":
		return "your own first-seen days", "normal–normal update"
	case "degree-days":
		return "this year’s degree days", "simple average method, base 5 °C"
	case "by-hand":
		return "set by you for this place", "your own word"
	case "law":
		l := laws[s.Law]
		if s.Stretched {
			return l.name + ", stretched beyond " + l.holds, l.source
		}
		return l.name, l.source
	}
	return s.Code, ""
}
