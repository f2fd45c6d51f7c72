package report

import (
	"slices"
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// PersonFact is something of a person that may speak against a use.
type PersonFact struct {
	ID      string `json:"id"`
	Topic   string `json:"topic" doc:"The health topic it belongs to"`
	Label   string `json:"label"`
	InGuide bool   `json:"inGuide" doc:"An entry of the guide has a caution about it"`
}

// medicinePrefix begins the facts that name what a person takes.
const medicinePrefix = "medicine:"

// personFacts are facts of a person with their words, by topic. What the guide's
// cautions ask about beside them is put under its topic by its first word, else
// under illnesses.
var personFacts = []PersonFact{
	{ID: "kidney-stones", Topic: "illnesses", Label: "kidney stones"},
	{ID: "gallstones", Topic: "illnesses", Label: "gallstones"},
	{ID: "gout", Topic: "illnesses", Label: "gout"},
	{ID: "stomach-ulcer", Topic: "illnesses", Label: "stomach ulcer"},
	{ID: "liver-illness", Topic: "illnesses", Label: "illness of the liver"},
	{ID: "kidney-illness", Topic: "illnesses", Label: "weak or ill kidneys"},
	{ID: "nerve-illness", Topic: "illnesses", Label: "illness of the nerves"},
	{ID: "child", Topic: "illnesses", Label: "a child, or frail with age"},
	{ID: "pregnant", Topic: "pregnancy", Label: "pregnant"},
	{ID: "breastfeeding", Topic: "pregnancy", Label: "breastfeeding"},
	{ID: "alcohol", Topic: "diet", Label: "alcohol within five days of the meal"},
}

// PersonFacts lists what can be said of a person for this guide.
func PersonFacts(b *guide.Guide) []PersonFact {
	out := slices.Clone(personFacts)
	for i := range b.Taxa {
		for _, c := range b.Taxa[i].Cautions {
			at := slices.IndexFunc(out, func(f PersonFact) bool { return f.ID == c.Who })
			if at < 0 {
				at = len(out)
				topic := "illnesses"
				if strings.HasPrefix(c.Who, evidence.AllergyPrefix) {
					topic = "allergies"
				} else if strings.HasPrefix(c.Who, medicinePrefix) {
					topic = "medicines"
				}
				out = append(out, PersonFact{ID: c.Who, Topic: topic, Label: factLabel(c.Who)})
			}
			out[at].InGuide = true
		}
	}
	return out
}

// PersonWord says a fact of a person.
func PersonWord(id string) string {
	if strings.HasPrefix(id, evidence.AllergyPrefix) {
		return "allergy to " + factLabel(id)
	}
	for _, f := range personFacts {
		if f.ID == id {
			return f.Label
		}
	}
	return factLabel(id)
}

func factLabel(id string) string {
	if _, about, ok := strings.Cut(id, ":"); ok {
		id = about
	}
	return strings.ReplaceAll(id, "-", " ")
}
