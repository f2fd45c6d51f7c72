package words

import (
	"fmt"
	"strings"
)

// refusals are the refusals of the domains, by code: what is wrong, and what to do.
var refusals = map[string]said{
	"allergy-to-nothing":    {"an allergy to nothing", "name an entry, a genus or a family"},
	"ate-here":              {"%s ate of something here; the trace would lose a person", "change the name instead"},
	"backup-damaged":        {"this backup is damaged: %s", "take another"},
	"bad-map":               {"%s", ""},
	"begins-after-it-ends":  {"it begins after it ends", ""},
	"closed-by-whom":        {"a warning is closed by a person, on somebody’s advice", "who closes it, and on whose advice"},
	"closing-stays":         {"a closing that was given stays as it is", "add another one"},
	"ends-before-it-begins": {"it ends before it begins", ""},
	"file-refused":          {"%s", ""},
	"finds-unread":          {"some finds can’t be read; they may be this person’s", "change the name instead"},
	"flower-of-what":        {"after the flower of what?", "name an entry of the guide"},
	"half-a-position":       {"half a position", "give both or neither"},
	"has-finds":             {"%s has finds here", "change the name instead"},
	"impossible-value":      {"%s %s is impossible for %s", "between %s and %s %s"},
	"measured":              {"%s is measured", "answer with a number"},
	"more-out-than-in":      {"more came out than went in, by %s", "weigh again, or say what was added: water, salt, fat"},
	"never-absent":          {"%s can't be absent", "answer with one of its states"},
	"no-answer":             {"an answer is wanted", ""},
	"no-date":               {"“%s” is not a date", "write it as 2026-04-12"},
	"no-day-of-year":        {"“%s” is no day of the year", "write it as 04-12"},
	"no-first-taste":        {"“%s” is no first taste", "a smaller amount than the default is fine, a larger one is not"},
	"no-name":               {"a name is wanted", "any name will do"},
	"no-number":             {"“%s” is no number", "a decimal number"},
	"no-rain":               {"how much rain, within how many days?", "for example 20 mm within 7 days"},
	"no-ring":               {"%s", "mark more places, well apart"},
	"no-share":              {"“%s” is no share", "a share of one, for example 0.2"},
	"no-share-of-counts":    {"%s", "count again"},
	"no-stage":              {"no stage is given", "name at least one"},
	"no-such-bag":           {"there is no bag or batch %s", "leave it empty and say in words what it was"},
	"no-such-entry":         {"there is no entry “%s”", ""},
	"no-such-find":          {"there is no find “%s”", ""},
	"no-such-line":          {"line %s is not in this find's log", ""},
	"no-such-person":        {"nobody is known as “%s”", "add the person first"},
	"no-such-place":         {"there is no place “%s”", ""},
	"no-such-place-here":    {"there is no place %s", "choose one of yours, or type a name"},
	"no-such-specimen":      {"there is no specimen “%s”", "name one of this find"},
	"no-such-trait":         {"there is no trait “%s”", ""},
	"no-target":             {"a find without a target fills no bag", "say in the find what you believe it is, and which part"},
	"no-telephone":          {"“%s” is no telephone number", "who it is, and digits"},
	"no-time":               {"“%s” is no time of day", "write it as 14:30"},
	"no-unit":               {"%s of what?", "kg, g, l or pieces"},
	"no-waiting":            {"“%s” needs no waiting", "answer it at once"},
	"no-weight":             {"“%s” is no weight", "a decimal number, for example 250 or 0.4"},
	"nobody-known":          {"nobody is known to this database yet", "add a person first"},
	"not-counts":            {"%s", ""},
	"not-for":               {"%s", "others may have it"},
	"not-measured":          {"%s is not measured", "answer with a state"},
	"one-state":             {"one state is wanted, %s were given", "any-of when unsure between several, all-of when it shows several"},
	"recipe-of-nothing":     {"a recipe made of nothing can’t be scaled", ""},
	"said":                  {"%s", "%s"},
	"stays":                 {"a line of the kind %s can't be taken back", "what was handled stays handled; clean your hands, or take another specimen"},
	"still-to-come":         {"that time is still to come", "give the time when it happened"},
	"too-many-pictures":     {"this find has %s pictures already", "remove one that is no longer wanted"},
	"track-too-large":       {"%s MB, at most %s MB", "cut the track"},
	"two-states":            {"at least two states are wanted", ""},
	"unknown-answer":        {"unknown kind of answer “%s”", ""},
	"unknown-kind":          {"unknown kind “%s”", ""},
	"unknown-word":          {"unknown %s “%s”", "%s"},
	"weight-of-what":        {"%s of what?", "g, kg, oz or lb"},
	"when":                  {"when was it?", "about when; nearly right is better than nothing"},
}

// conflicts say that something was changed on another screen.
var conflicts = map[string]said{
	"said":              {"%s", "%s"},
	"find-changed":      {"This find was changed on another screen.", "Look at it as it is now, then do it again."},
	"counted-elsewhere": {"%s", "Look at the count as it is now, then count on."},
	"person-changed":    {"This person was changed on another screen.", "Look at what changed; what you typed is still here."},
	"incident-changed":  {"This incident was changed on another screen.", "Nothing is lost: both are here. Put them together."},
	"removed-elsewhere": {"It was removed on another screen.", "Save it as a new one, or leave it."},
	"changed-elsewhere": {"It was changed on another screen.", "Look at what changed; what you typed is still here."},
}

// Refusal says what is wrong with something that was sent, and what to do.
func Refusal(code string, args []string) (what, do string) { return saying(refusals, code, args) }

// Conflict says what was changed meanwhile, and what to do.
func Conflict(code string, args []string) (what, do string) { return saying(conflicts, code, args) }

func saying(all map[string]said, code string, args []string) (what, do string) {
	s, ok := all[code]
	if !ok {
		return fmt.Sprint(code, " ", strings.Join(args, " ")), ""
	}
	return s.with(args)
}
