package report

import (
	"strings"

	"zestythicket/evidence"
	"zestythicket/guide"
)

// VerdictWord is the short word of a verdict.
func VerdictWord(v evidence.Verdict) string { return verdictWords[v][0] }

// openWords name what is open, for a look back; the trait, entry, group or topic
// follows.
var openWords = map[string]string{
	"choose-target": "a target to choose", "state-stage": "the stage to state", "stage-conflict": "a stage that does not agree with what was seen",
	"two-individuals": "two looks that no one entry shows together", "look-again": "a contradiction of the target to look at again", "second-look": "a second look", "trait-out": "another specimen, for what was read differently too often", "doubt-against": "a reading against the target that doesn't count yet",
	"check-key": "a key trait to see", "mend-reading": "a shaky reading to mend", "rare-state": "a rare state to look at again", "widen-margin": "a wider margin",
	"target-must-lead": "the target is to lead the standing", "sign-off": "a group to have been taught", "answer-health": "health to answer",
	"answer-condition": "the state of the specimen", "answer-ground": "the ground to answer", "ask-permission": "permission to ask for", "ask-protection": "protection to ask about", "ask-limit": "a limit to ask about",
}

// CodeWords says a stored code of something open, such as check-key:leaf-margin.
func CodeWords(ix *guide.Index, code string) string {
	head, about, _ := strings.Cut(code, ":")
	out, ok := openWords[head]
	if !ok {
		out = strings.ReplaceAll(head, "-", " ")
	}
	if about == "" {
		return out
	}
	if at, ok := ix.TraitAt(about); ok {
		about = ix.Book.Traits[at].Name
	} else if at, ok := ix.TaxonAt(about); ok {
		about = ix.Book.Taxa[at].Common
	} else if w, ok := healthWords[about]; ok {
		about = w
	} else {
		for _, g := range ix.Book.HardGroups {
			if g.ID == about {
				about = g.Name
			}
		}
	}
	return out + ": " + about
}
