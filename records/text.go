package records

import (
	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"
	"strings"
	"unicode"
)

// Fold drops case and accents.
func Fold(s string) string {
	if isASCII(s) {
		return strings.ToLower(s)
	}
	out, _, err := transform.String(transform.Chain(norm.NFD, runes.Remove(runes.In(unicode.Mn)), norm.NFC), strings.ToLower(s))
	if err != nil {
		return strings.ToLower(s)
	}
	return out
}

func isASCII(s string) bool {
	for i := range len(s) {
		if s[i] >= 0x80 {
			return false
		}
	}
	return true
}

// WrapIf puts something before and after a text that is not empty.
func WrapIf(s, before, after string) string {
	if s == "" {
		return ""
	}
	return before + s + after
}
