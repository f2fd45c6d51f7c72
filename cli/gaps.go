package cli

import (
	"fmt"
	"io"

	"zestythicket/guide"
)

// gapsShown keeps the list readable; the count says how many there are.
const gapsShown = 20

// writeGaps says where another reader is wanted most.
func writeGaps(out io.Writer, ix *guide.Index) {
	single, apart := ix.Gaps(guide.DefaultRates())
	if len(single)+len(apart) == 0 {
		return
	}
	fmt.Fprintf(out, "\n%d cells of poisonous or deadly entries were read once:\n", len(single))
	for i, g := range single[:min(len(single), gapsShown)] {
		if i == 0 || single[i-1].Taxon != g.Taxon {
			fmt.Fprintf(out, "  %s:", g.Taxon)
		}
		fmt.Fprintf(out, " %s", g.Trait)
		if i+1 == min(len(single), gapsShown) || single[i+1].Taxon != g.Taxon {
			fmt.Fprintln(out)
		}
	}
	fmt.Fprintf(out, "\nReaders are furthest apart on:\n")
	for _, g := range apart[:min(len(apart), gapsShown)] {
		fmt.Fprintf(out, "  %s, %s: %s (%d readers, %.2f apart)\n", g.Taxon, g.Trait, g.State, g.Readers, g.Apart)
	}
}
