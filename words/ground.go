package words

import (
	"fmt"
	"strings"
)

// ground are sentences about places and walks, by code.
var ground = map[string]string{
	"added":              "added by you",
	"bad-ground":         "The ground is %s: nothing is eaten from it.",
	"bags":               "Paper bags: %s",
	"bags-why":           "one kind and one find to a bag, labelled",
	"codes-first":        "Local codes and the owner come first, whatever stands here.",
	"gloves":             "Gloves and soap",
	"gloves-why":         "something that harms on contact may grow there",
	"may-not-pick":       "You may not pick here, as you entered it.",
	"may-pick":           "You may pick here, as you entered it%s.",
	"months-as-they-are": "The place has no position: the guide's months stand as they are.",
	"months-carried":     "Carried from the guide's reference places to this latitude, longitude and height.",
	"months-own":         "The guide's months at its own reference places. Choose a place to have them carried there.",
	"no-daylight":        "Daylight is reckoned for a place with a position.",
	"no-limit":           "No limit is entered; ask whether there is one.",
	"no-place":           "No place was chosen: permission, protection and limits are open.",
	"permission-ended":   "That permission ended on %s. Ask again.",
	"permission-open":    "Whether you may pick here is not answered%s.",
	"phone":              "A charged telephone, and the number of the poison service",
	"phone-why":          "set it before you go; nothing here invents one",
	"polar-day":          "The sun does not set that day.",
	"polar-night":        "The sun does not rise that day.",
	"protected":          "The place is protected, as you entered it: nothing is taken.",
	"protection-open":    "Whether the place is protected is not answered.",
	"sun":                "Sun from %s to %s.",
	"sun-gone":           "The sun sets at %s, before the walk ends: take a lamp, and trust no colour after it.",
	"sun-left":           "Sun from %s to %s: %s of it left when the walk ends.",
}

// Ground says something of a place or a walk.
func Ground(code string, args ...any) string {
	var list []string
	for _, a := range args {
		list = append(list, fmt.Sprint(a))
	}
	text, ok := ground[code]
	if !ok {
		return strings.TrimSpace(code + " " + strings.Join(list, " "))
	}
	text, _ = filled(text, list)
	return text
}

// LimitOf says how much may be taken, of what, as the user has it.
func LimitOf(amount, unit, kind, each, source string) string {
	return "At most " + amount + " " + unit + " " + wrapIf(kind, "of ", "") + " " + per[each] + " (" + source + ")."
}

var kit = map[string]string{"trowel": "A trowel", "knife": "A knife", "lens": "A lens", "paper": "Paper, half dark and half light", "cloth": "A clean cloth, and soap or sand and water for the hands", "ruler": "A ruler, or your measured hand"}

// Kit says what a tool is, as it is packed.
func Kit(tool string) (what string, ok bool) {
	what, ok = kit[tool]
	return what, ok
}

// Ring says what ring was laid through places, in metres and degrees.
func Ring(radius, sd, gap, from, to, more, least, most float64) string {
	return fmt.Sprintf("A ring with a radius of %.1f m, give or take %.1f m. Not walked yet: %.0f m of it, from %.0f° to %.0f°; if it is as thick there, some %.0f more (%.0f to %.0f). A guess from places; each cap is checked by itself.",
		radius, sd, gap, from, to, more, least, most)
}

var spreads = map[string]string{
	"random":  "about as if strewn at random",
	"too-few": "too few places to say how they stand",
	"clumps":  "in clumps: look close to those you have",
	"even":    "evenly apart: go on a step of that length, in every direction",
}

// Colony says how places are spread, in square metres and metres.
func Colony(places int, area, half, nearest float64, how string) string {
	return fmt.Sprintf("%d places over %.0f m²; half of such a spread lies within %.1f m of its middle. Nearest neighbours %.1f m apart: %s.", places, area, half, nearest, spreads[how])
}

// NoLine says that places lie along no line; share is in per cent.
func NoLine(share float64) string {
	return fmt.Sprintf("No line: only %.0f %% of the spread lies along one.", share)
}

// Line says along which line places lie, in metres and degrees.
func Line(length, bearing, back, sd, off float64) string {
	return fmt.Sprintf("A line of %.0f m on a bearing of %.0f° (or %.0f°), give or take %.0f°; the places lie %.1f m off it. It may follow a root, a hummock or a hedge: look on beyond both ends. Each find is checked by itself.",
		length, bearing, back, sd, off)
}
