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
	// SurpriseAt: an answer that the target gives less often than this counts
	// against it, and is looked at again.
	SurpriseAt float64
	// NeedUnpleasant, NeedPoisonous and NeedDeadly are the decibans that rule an
	// entry out; FactAt is what one structural fact weighs at least to count as one.
	NeedUnpleasant, NeedPoisonous, NeedDeadly, FactAt float64
	// FactMost is the most that one fact may weigh, FactFirm the most where nobody
	// could take one state for the other; SensoryMost is the most of all sensory facts
	// together, SensoryTaught for who was taught this danger in person.
	FactMost, FactFirm, SensoryMost, SensoryTaught float64
	// GateSpare is what a deadly entry of a hard group must have to spare beyond its
	// need before the group asks for no sign-off.
	GateSpare float64
	// Strong and Fair tell answers apart on the screen.
	Strong, Fair float64
	// FitsAt is how often the target must show a state for a key trait to fit.
	FitsAt float64
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
	// StakesMost is how many open entries at most the next check is chosen by, those with
	// most at stake first.
	StakesMost int
	// FastPassMost is the greatest number of checks in a fast pass.
	FastPassMost int
}

// StandardDefaults are the product's own.
func StandardDefaults() Defaults {
	return Defaults{
		MomentMS: 8000, NotInGuide: 0.05, SeasonNext: 0.6, SeasonOut: 0.3, HabitatOff: 0.5,
		SurpriseAt: 0.02, NeedUnpleasant: 18, NeedPoisonous: 38, NeedDeadly: 55, FactAt: 8,
		FactMost: 24, FactFirm: 35, SensoryMost: 24, SensoryTaught: 36, GateSpare: 20, Strong: 20, Fair: 10, FitsAt: 0.1,
		NameAt: 0.8, Leading: 32, LeadingAt: 1e-4,
		KeyBonus: 0.2, IdentityBonus: 0.05, IdentityNaming: 0.5,
		CostTouch: 0.02, CostCut: 0.06, CostWait: 0.3, CostDestroys: 0.05, CostTool: 0.01, CostContact: 0.2,
		BeforePickAt: 0.15, StakesMost: 48, FastPassMost: 12,
	}
}
