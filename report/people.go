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

// personFacts are the facts that can be chosen, by topic. The words of the
// guide's cautions are among them; one that is not is put under illnesses.
var personFacts = []PersonFact{
	{ID: "latex-fruit-allergy", Topic: "allergies", Label: "nuts, latex or fruit"},
	{ID: "kidney-stones", Topic: "illnesses", Label: "kidney stones"},
	{ID: "gallstones", Topic: "illnesses", Label: "gallstones"},
	{ID: "gout", Topic: "illnesses", Label: "gout"},
	{ID: "stomach-ulcer", Topic: "illnesses", Label: "stomach ulcer"},
	{ID: "liver-illness", Topic: "illnesses", Label: "illness of the liver"},
	{ID: "blood-thinner", Topic: "medicines", Label: "blood-thinning medicine"},
	{ID: "pregnant", Topic: "pregnancy", Label: "pregnant"},
	{ID: "breastfeeding", Topic: "pregnancy", Label: "breastfeeding"},
	{ID: "alcohol", Topic: "diet", Label: "alcohol within two days of the meal"},
}

// PersonFacts lists what can be said of a person for this guide.
func PersonFacts(b *guide.Book) []PersonFact {
	out := slices.Clone(personFacts)
	for i := range b.Taxa {
		for _, c := range b.Taxa[i].Cautions {
			at := slices.IndexFunc(out, func(f PersonFact) bool { return f.ID == c.Who })
			if at < 0 {
				at = len(out)
				out = append(out, PersonFact{ID: c.Who, Topic: "illnesses", Label: strings.ReplaceAll(c.Who, "-", " ")})
			}
			out[at].InGuide = true
		}
	}
	return out
}

// personWord says a fact of a person.
func personWord(id string) string {
	if to, ok := strings.CutPrefix(id, evidence.AllergyPrefix); ok {
		return "allergy to " + to
	}
	for _, f := range personFacts {
		if f.ID == id {
			return f.Label
		}
	}
	return strings.ReplaceAll(id, "-", " ")
}
