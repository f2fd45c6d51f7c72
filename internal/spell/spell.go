// Package spell compares words written by people.
package spell

import "strings"

// Distance is the number of single-letter changes, swaps of neighbours
// included, that turn one word into another (optimal string alignment).
func Distance(a, b string) int {
	x, y := []rune(a), []rune(b)
	prev2 := make([]int, len(y)+1)
	prev := make([]int, len(y)+1)
	row := make([]int, len(y)+1)
	for j := range prev {
		prev[j] = j
	}
	for i := 1; i <= len(x); i++ {
		row[0] = i
		for j := 1; j <= len(y); j++ {
			cost := 1
			if x[i-1] == y[j-1] {
				cost = 0
			}
			row[j] = min(prev[j]+1, row[j-1]+1, prev[j-1]+cost)
			if i > 1 && j > 1 && x[i-1] == y[j-2] && x[i-2] == y[j-1] {
				row[j] = min(row[j], prev2[j-2]+1)
			}
		}
		prev2, prev, row = prev, row, prev2
	}
	return prev[len(y)]
}

// folds maps letters with marks to their plain forms.
var folds = strings.NewReplacer("ä", "a", "á", "a", "à", "a", "â", "a", "ö", "o", "ó", "o", "ô", "o", "ü", "u", "ú", "u", "é", "e", "è", "e", "ê", "e", "ë", "e",
	"í", "i", "ï", "i", "ñ", "n", "ç", "c", "ß", "ss", "æ", "ae", "œ", "oe", "×", "x", "’", "", "'", "", "-", " ", ".", "")

// Fold brings a name to lower case without marks and doubled spaces.
func Fold(s string) string {
	return strings.Join(strings.Fields(folds.Replace(strings.ToLower(s))), " ")
}
