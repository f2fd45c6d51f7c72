package guide

import "math/bits"

// Kingdom says whether an entry is a plant or a fungus.
type Kingdom uint8

// The kingdoms. KingdomUnclear is what an observer may say, never an entry.
const (
	KingdomUnclear Kingdom = iota
	Plant
	Fungus
)

// Class says how much a contradiction on a trait is worth.
type Class uint8

// The classes of a trait, see the package comment.
const (
	Structural Class = iota + 1
	Sensory
	Circumstance
)

// Kind says how a trait is answered.
type Kind uint8

// States are picked from a list; Measure is a number with its unit; Timed is a
// list of states read at a set time after a cut, a rub or the laying of a print.
const (
	States Kind = iota + 1
	Measure
	Timed
)

// Frequency is how often a taxon shows a state. The zero value means that the
// guide does not list the state.
type Frequency uint8

// Frequencies from worst to best; Unlisted stands apart.
const (
	Unlisted Frequency = iota
	Never
	Rarely
	Sometimes
	Usually
	Always
)

// Part is where on the specimen a trait is looked for. Structural steps against
// a deadly entry must lie in different parts.
type Part uint8

// The parts, in the order in which the plate lists them.
const (
	NoPart Part = iota
	Habit
	Habitat
	Stem
	Leaf
	Flower
	Fruit
	Seed
	RootBase
	Sap
	Cap
	Underside
	Ring
	Volva
	Flesh
	SporePrint
	partCount
)

// PartCount is one more than the greatest Part.
const PartCount = int(partCount)

// Handling is how far a check intrudes. The order is the order in which checks
// are offered: looking before touching, touching before cutting, cutting before
// waiting.
type Handling uint8

// The degrees of handling.
const (
	Look Handling = iota + 1
	Touch
	Cut
	Wait
)

// Stage is one point in the life of a specimen.
type Stage uint8

// Stages of plants, then of fungi.
const (
	Seedling Stage = iota
	WinterTwig
	Shoot
	LeafStage
	FlowerStage
	FruitStage
	DryStalk
	Egg
	Young
	Mature
	Old
	stageCount
)

// StageCount is the number of stages.
const StageCount = int(stageCount)

// StageSet is a set of stages: a plant may flower and fruit at once.
type StageSet uint16

// AllPlantStages and AllFungusStages are every stage of a kingdom.
const (
	AllPlantStages  StageSet = 1<<Egg - 1
	AllFungusStages StageSet = 1<<stageCount - 1 - (1<<Egg - 1)
)

// StagesOf returns every stage of a kingdom.
func StagesOf(k Kingdom) StageSet {
	switch k {
	case Plant:
		return AllPlantStages
	case Fungus:
		return AllFungusStages
	}
	return AllPlantStages | AllFungusStages
}

// NewStageSet makes a set.
func NewStageSet(stages ...Stage) StageSet {
	var s StageSet
	for _, st := range stages {
		s |= 1 << st
	}
	return s
}

// Has reports whether the stage is in the set.
func (s StageSet) Has(st Stage) bool { return s&(1<<st) != 0 }

// Len is the number of stages in the set.
func (s StageSet) Len() int { return bits.OnesCount16(uint16(s)) }

// Each calls f for every stage of the set, in order.
func (s StageSet) Each(f func(Stage)) {
	for r := uint16(s); r != 0; r &= r - 1 {
		f(Stage(bits.TrailingZeros16(r)))
	}
}

// neighbours lists the stages that are taken for one another by eye: the one
// before and the one after. A bare twig in bud break passes for a shoot, and a
// winter twig for a dry stalk.
var neighbours = [StageCount]StageSet{
	Seedling:    NewStageSet(Shoot, LeafStage),
	WinterTwig:  NewStageSet(Shoot, DryStalk),
	Shoot:       NewStageSet(Seedling, LeafStage, WinterTwig),
	LeafStage:   NewStageSet(Shoot, FlowerStage, Seedling),
	FlowerStage: NewStageSet(LeafStage, FruitStage),
	FruitStage:  NewStageSet(FlowerStage, DryStalk),
	DryStalk:    NewStageSet(FruitStage, WinterTwig),
	Egg:         NewStageSet(Young),
	Young:       NewStageSet(Egg, Mature),
	Mature:      NewStageSet(Young, Old),
	Old:         NewStageSet(Mature),
}

// WithNeighbours adds the stages next to those of the set: what counts while no
// stage check has fixed the stage.
func (s StageSet) WithNeighbours() StageSet {
	out := s
	s.Each(func(st Stage) { out |= neighbours[st] })
	return out
}

var (
	kingdomNames   = []string{"unclear", "plant", "fungus"}
	classNames     = []string{"", "structural", "sensory", "circumstance"}
	kindNames      = []string{"", "states", "measure", "timed"}
	frequencyNames = []string{"unlisted", "never", "rarely", "sometimes", "usually", "always"}
	partNames      = []string{"", "habit", "habitat", "stem", "leaf", "flower", "fruit", "seed", "root-or-base", "sap", "cap", "underside", "ring", "volva", "flesh", "spore-print"}
	handlingNames  = []string{"", "look", "touch", "cut", "wait"}
	stageNames     = []string{"seedling", "winter-twig", "shoot", "leaf", "flower", "fruit", "dry-stalk", "egg", "young", "mature", "old"}
)

func name(list []string, i int) string {
	if i < len(list) {
		return list[i]
	}
	return "?"
}

// The String methods give the words used in files and in the API.

func (k Kingdom) String() string   { return name(kingdomNames, int(k)) }
func (c Class) String() string     { return name(classNames, int(c)) }
func (k Kind) String() string      { return name(kindNames, int(k)) }
func (f Frequency) String() string { return name(frequencyNames, int(f)) }
func (p Part) String() string      { return name(partNames, int(p)) }
func (h Handling) String() string  { return name(handlingNames, int(h)) }
func (s Stage) String() string     { return name(stageNames, int(s)) }

// Strings lists the stages of the set by name.
func (s StageSet) Strings() []string {
	out := make([]string, 0, s.Len())
	s.Each(func(st Stage) { out = append(out, st.String()) })
	return out
}

func find(list []string, word string) (int, bool) {
	for i, w := range list {
		if w != "" && w == word {
			return i, true
		}
	}
	return 0, false
}

// The Parse functions read the words that the String methods write.

// ParseKingdom reads "plant", "fungus" or "unclear".
func ParseKingdom(w string) (Kingdom, bool) { i, ok := find(kingdomNames, w); return Kingdom(i), ok }

// ParseClass reads a class of traits.
func ParseClass(w string) (Class, bool) { i, ok := find(classNames, w); return Class(i), ok }

// ParseKind reads a kind of trait.
func ParseKind(w string) (Kind, bool) { i, ok := find(kindNames, w); return Kind(i), ok }

// ParseFrequency reads a frequency.
func ParseFrequency(w string) (Frequency, bool) {
	i, ok := find(frequencyNames, w)
	return Frequency(i), ok
}

// ParsePart reads a part.
func ParsePart(w string) (Part, bool) { i, ok := find(partNames, w); return Part(i), ok }

// ParseHandling reads a degree of handling.
func ParseHandling(w string) (Handling, bool) {
	i, ok := find(handlingNames, w)
	return Handling(i), ok
}

// ParseStage reads a stage.
func ParseStage(w string) (Stage, bool) { i, ok := find(stageNames, w); return Stage(i), ok }

// Words lists the words of an enumeration, for schemas and hints.
func Words(of string) []string {
	switch of {
	case "kingdom":
		return kingdomNames[1:]
	case "class":
		return classNames[1:]
	case "kind":
		return kindNames[1:]
	case "frequency":
		return frequencyNames[1:]
	case "part":
		return partNames[1:]
	case "handling":
		return handlingNames[1:]
	case "stage":
		return stageNames
	}
	return nil
}
