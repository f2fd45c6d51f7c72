package casebook

import "zestythicket/evidence"

// Demo fills an empty database with a scenario of our own: two finds, two places, a
// walk and a weather station in the invented Quillow valley. A database that already knows someone is left alone.
func (c *Casebook) Demo() error {
	people, err := c.Store.People()
	if err != nil || len(people) > 0 {
		return err
	}
	err = c.SavePerson("rowan", "Rowan", &Profile{Facts: []string{}, Answered: evidence.HealthTopics, SignOffs: []SignOff{}})
	if err != nil {
		return err
	}
	if _, err := c.Begin(&Begin{ID: "demo-girolle", Title: "Yellow funnels below the spring", Place: "Tarn Wood, Quillow valley", Day: "2026-10-03", Stages: []string{"mature"},
		Facts: Facts{Intent: "eat", Target: "cantharellus-cibarius", Part: "cap", Prep: "cooked", Region: "EU", Habitats: []string{"damp-wood"}, Ground: "clean", Permission: "yes", Protected: "no", Limit: "500 g a person and day, forest office"}}); err != nil {
		return err
	}
	if err := c.demoAnswers("demo-girolle", []Answer{
		{Trait: "fungus-form", Kind: "seen", States: []string{"cap-stem"}},
		{Trait: "underside", Kind: "seen", States: []string{"folds"}},
		{Trait: "smell-flesh", Kind: "seen", States: []string{"apricot"}},
	}); err != nil {
		return err
	}
	if _, err := c.Begin(&Begin{ID: "demo-chestnut", Title: "Brown nuts under the old row", Place: "Hollin Bank, Quillow valley", Day: "2026-10-11", Stages: []string{"fruit"},
		Facts: Facts{Intent: "eat", Target: "castanea-sativa", Part: "seed", Prep: "cooked", Region: "EU", Habitats: []string{"garden"}}}); err != nil {
		return err
	}
	if err := c.demoGround(); err != nil {
		return err
	}
	return c.demoAnswers("demo-chestnut", []Answer{
		{Trait: "plant-habit", Kind: "seen", States: []string{"tree"}},
		{Trait: "leaf-division", Kind: "seen", States: []string{"simple"}},
		{Trait: "leaf-margin", Kind: "seen", States: []string{"bristle-toothed"}, Count: 1},
	})
}

func (c *Casebook) demoAnswers(find string, answers []Answer) error {
	for i := range answers {
		if _, err := c.Append(find, &NewLine{Key: "demo-line-" + itoa(i), Specimen: FirstSpecimen, Kind: "answered", Body: Body{Answer: &answers[i]}}); err != nil {
			return err
		}
	}
	return nil
}
