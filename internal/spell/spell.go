// Package spell compares words written by people.
package spell

import (
	"sort"
	"strings"
)

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

// longestWord is as long a word as spelling help is given for; what is longer is
// no word that was misspelt.
const longestWord = 60

// Nearest is a hint that names up to three known words close to w.
func Nearest(w string, known []string) string {
	if len(w) > longestWord {
		return "that is too long to be one of them"
	}
	type near struct {
		word string
		d    int
	}
	var list []near
	for _, k := range known {
		d := Distance(strings.ToLower(w), strings.ToLower(k))
		if d <= 2+len(w)/4 || strings.Contains(k, w) && len(w) > 2 {
			list = append(list, near{k, d})
		}
	}
	sort.SliceStable(list, func(i, j int) bool { return list[i].d < list[j].d })
	if len(list) > 3 {
		list = list[:3]
	}
	if len(list) == 0 {
		if len(known) > 0 && len(known) <= 14 {
			return "known: " + strings.Join(known, ", ")
		}
		return ""
	}
	words := make([]string, len(list))
	for i := range list {
		words[i] = list[i].word
	}
	return "nearest: " + strings.Join(words, ", ")
}
