package words

import (
	"fmt"
	"strings"
)

// Day is what is done on a day of a plan, and why.
type Day struct{ What, Why string }

// Disposal says the three days of clearing what harms on contact: cutting, coming back,
// looking for regrowth.
func Disposal(where string, weeks int) [3]Day {
	if where == "" {
		where = "where nobody and no animal comes by"
	}
	return [3]Day{
		{"Cut it. Gloves, long sleeves, eyes covered; leave it " + where + ", with a sign.", "Sap and hairs harm when fresh. Afterwards wash skin at once with soap, then tools and clothes apart from others."},
		{fmt.Sprintf("Come back after %d weeks, in gloves again. Bag what is dry, without breaking it up.", weeks), "It harms as much when dry or dead. Never burn it: the smoke carries it. Not to the compost, not through a shredder; ask the local tip how it takes it."},
		{"Look for regrowth at the stumps and runners, in gloves.", "What comes again is as harmful as what was cut."},
	}
}

// DisposalHazard says that the hazard stays on through the plan.
func DisposalHazard(found bool) string {
	if !found {
		return "No contact hazard was found among the entries checked; the plan is kept all the same. The guide does not know every plant."
	}
	return "The hazard is still on when it is dry. It can still hurt whoever touches it on every day of this plan, and it is never burnt."
}

// FindLine says in a line how a find was judged.
func FindLine(verdict string, ruled, dangers int, leave []string) string {
	what := fmt.Sprintf("%s; %d of %d dangers ruled out", verdict, ruled, dangers)
	if len(leave) > 0 {
		what += "; left alone: " + strings.Join(leave, "; ")
	}
	return what
}
