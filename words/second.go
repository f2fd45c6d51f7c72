package words

import "strings"

// secondLook is how a second look at home stands beside the first, by code.
var secondLook = map[string]string{
	"none":         "No second look was begun.",
	"unreadable":   "The second look can’t be read.",
	"other-target": "At home it was taken for something else.",
	"disagree":     "Field and table disagree: look again, at both.",
	"field-open":   "The find itself is not complete, as it is judged today.",
	"home-open":    "The second look is not complete yet.",
	"too-few":      "At home at least two features of form are looked at again, on what was carried.",
	"asked":        "A second look adds what the field could not give: see what is still asked.",
	"agree":        "Field and table agree. The decision stays with whoever eats; when in doubt, leave it.",
}

// SecondLook says how a second look stands.
func SecondLook(code string, args []string) string {
	if s, ok := secondLook[code]; ok {
		return s
	}
	return strings.TrimSpace(code + " " + strings.Join(args, " "))
}
