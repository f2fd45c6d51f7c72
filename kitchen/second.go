package kitchen

import (
	"zestythicket/lot"
)

// cleared says whether the second look of a bag stands today.
func (k *State) cleared(bag *lot.Lot) (bool, string) {
	f, ok := k.Find(bag.Find)
	if !ok {
		return false, "The second look can't be read."
	}
	if s := f.Both(); !s.Ready {
		return false, s.Words
	}
	return true, ""
}
