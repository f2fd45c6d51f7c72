package evidence

// Defaults are the numbers of the rules that have no published source. They
// are kept here and nowhere else.
type Defaults struct {
	// MomentMS: an answer corrected within this time was a slip of the finger.
	MomentMS int64
	// NotInGuide is the prior share of "something that is not in this guide".
	NotInGuide float64
	// SeasonNext and SeasonOut weigh the month against the entry's windows;
	// HabitatOff weighs a habitat that does not fit.
	SeasonNext, SeasonOut, HabitatOff float64
	// MatchTolerance is how many contradictions a target may have and still
	// match. The product asks to look again: 0.
	MatchTolerance int
	// Margin is how many more contradictions each dangerous entry needs than
	// the target has.
	Margin int
	// NameAt is the standing from which a find is named when recording.
	NameAt float64
	// Leading is how many leading entries at most, and LeadingAt from which
	// share on, are used in full to predict what a check will show; the rest are
	// taken by the trait's mean.
	Leading   int
	LeadingAt float64
	// KeyBonus, IdentityBonus and the costs weigh checks against each other, in
	// shares of all the open danger.
	KeyBonus                            float64
	IdentityBonus, IdentityNaming       float64
	CostTouch, CostCut, CostWait        float64
	CostDestroys, CostTool, CostContact float64
	// BeforePickAt is the progress from which a check that can't be repeated
	// after picking goes in front of all others.
	BeforePickAt float64
	// FastPassMost is the greatest number of checks in a fast pass.
	FastPassMost int
}

// StandardDefaults are the product's own.
func StandardDefaults() Defaults {
	return Defaults{
		MomentMS: 8000, NotInGuide: 0.05, SeasonNext: 0.6, SeasonOut: 0.3, HabitatOff: 0.5,
		MatchTolerance: 0, Margin: 2, NameAt: 0.8, Leading: 32, LeadingAt: 1e-4,
		KeyBonus: 0.2, IdentityBonus: 0.05, IdentityNaming: 0.5,
		CostTouch: 0.02, CostCut: 0.06, CostWait: 0.3, CostDestroys: 0.05, CostTool: 0.01, CostContact: 0.2,
		BeforePickAt: 0.01, FastPassMost: 5,
	}
}

// Needed depth by grade: unpleasant 1, poisonous 2, deadly 3.
func needed(g uint8) int { return int(g) }
