package people

// Profile is what is known of a person.
type Profile struct {
	ColourDiffers bool      `json:"colourDiffers"`
	SmellWeak     bool      `json:"smellWeak"`
	Facts         []string  `json:"facts" doc:"What is true of the person: a word of the guide's list, or allergy: and the name of an entry, genus or family"`
	Answered      []string  `json:"answered" doc:"Health topics that were asked and answered"`
	SignOffs      []SignOff `json:"signOffs"`
	Experience    string    `json:"experience,omitempty" maxLength:"300" doc:"In their own words; it weighs nothing"`
	Hand          *Hand     `json:"hand,omitempty" doc:"Their own hand as a ruler"`
}

// Hand is a person's own hand, measured once, in centimetres; 0 where it was not
// measured.
type Hand struct {
	Palm   float64 `json:"palm,omitempty" minimum:"0" maximum:"20" doc:"Breadth over the knuckles"`
	Finger float64 `json:"finger,omitempty" minimum:"0" maximum:"15" doc:"Length of the forefinger"`
	Span   float64 `json:"span,omitempty" minimum:"0" maximum:"35" doc:"Thumb to little finger, spread"`
}

// SignOff records that a hard group was taught in person.
type SignOff struct {
	Group string `json:"group"`
	By    string `json:"by" minLength:"1" maxLength:"120"`
	When  string `json:"when,omitempty" maxLength:"40"`
	// Covered is what was covered, of what the group says it should.
	Covered []string `json:"covered,omitempty"`
	// Dangers are the entries of the group that were shown, by id: their looks are
	// weighed as a taught person's.
	Dangers []string `json:"dangers,omitempty"`
}
