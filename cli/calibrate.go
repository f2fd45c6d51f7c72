package cli

import (
	"flag"
	"fmt"
	"io"
	"math/rand/v2"
	"slices"

	"zestythicket/calibrate"
	"zestythicket/evidence"
	"zestythicket/guide"
)

// calibrateCommand writes docs/calibration.md or, with --answers, the table of what each
// answer does alone.
func calibrateCommand(args []string, stdout, stderr io.Writer) error {
	fs := flag.NewFlagSet("calibrate", flag.ContinueOnError)
	answers := fs.Bool("answers", false, "write what each answer does alone")
	draws := fs.Int("draws", 1000, "specimens of every pair, for each rate of mistakes")
	dir := fs.String("guide", "", "directory of a guide")
	if rest, err := parse(fs, args, stderr); err != nil || len(rest) > 0 || *draws < 1 {
		return errUsage
	}
	e, _, err := newEngine(*dir, "", stderr)
	if err != nil {
		return err
	}
	p := func(format string, args ...any) { _, _ = fmt.Fprintf(stdout, format+"\n", args...) }
	if *answers {
		writeAnswers(e, p)
		return nil
	}
	plan := calibrate.Plan{PerPair: *draws, Nearest: 4, PerUse: max(1, *draws/20), Times: []float64{1, 2, 4}}
	writeCalibration(e, plan, p)
	return nil
}

func writeCalibration(e *evidence.Engine, plan calibrate.Plan, p func(string, ...any)) {
	r := calibrate.Run(e, plan, rand.New(rand.NewPCG(1950, 1961)).Float64)
	d := evidence.StandardDefaults()
	p("# Calibration")
	p("")
	p("Written by `make soak` (`zesty-thicket calibrate`). The simulation draws specimens of dangerous entries from the guide's own pooled frequencies, form by form, and lets an observer name them who hopes for something edible: every mistake goes towards the hope, a second look is right half the time, the looks come in the order that suits the hope, and the find passes the moment everything dangerous in scope is ruled out. It measures the rules, not the guide: where all readers are wrong, it is wrong with them.")
	p("")
	p("%d open uses and stages, %d pairs: every named lookalike and the four entries that stand nearest, poisonous or deadly.", r.Uses, r.Pairs)
	p("")
	p("## What is needed")
	p("")
	p("Ruled out: unpleasant %.0f, poisonous %.0f, deadly %.0f decibans; a structural fact counts from %.0f on. One fact weighs %.0f at most (%.0f where nobody confuses the states), all senses together %.0f.", d.NeedUnpleasant, d.NeedPoisonous, d.NeedDeadly, d.FactAt, d.FactMost, d.FactFirm, d.SensoryMost)
	p("")
	p("## Dangerous specimens that came near")
	p("")
	p("Specimens of which at least so much was missing as the column says (decibans, against the entry that was hardest then) or less; the last column came through. In brackets the 95 %% interval (Wilson) per 100,000 of the last column.")
	p("")
	p("| mistakes | grade | specimens | within 20 | within 15 | within 10 | within 5 | through |")
	p("|---|---|---|---|---|---|---|---|")
	for _, t := range r.Tails {
		low, high := calibrate.Wilson(t.Over[4], t.Draws)
		p("| × %g | %s | %d | %d | %d | %d | %d | %d (%.2g–%.2g) |", t.Times, t.Grade, t.Draws, t.Over[0], t.Over[1], t.Over[2], t.Over[3], t.Over[4], 1e5*low, 1e5*high)
	}
	p("")
	two := 0
	for _, x := range r.Through {
		if x.Mistakes <= 2 {
			two++
		}
	}
	p("Of those that came through, %d needed two mistakes or fewer:", two)
	p("")
	for _, x := range r.Through {
		p("- %s for %s, %s: %d mistakes", x.Other, x.Target, x.Stage, x.Mistakes)
	}
	p("")
	low, high := calibrate.Wilson(r.LeftOut.Of, r.LeftOut.Draws)
	p("## Entries left out of the guide")
	p("")
	p("%d of %d specimens of an entry that the guide does not know came through (95 %% interval %.2g to %.2g in 10,000; aim: 1).", r.LeftOut.Of, r.LeftOut.Draws, 1e4*low, 1e4*high)
	p("")
	p("## True specimens")
	p("")
	p("Drawn with the variation that some reader lists and with honest mistakes, looked at in the same order, until everything documented was looked at.")
	p("")
	p("| kingdom | specimens | complete | spoken against by themselves | median answers | nine of ten |")
	p("|---|---|---|---|---|---|")
	for _, k := range []guide.Kingdom{guide.Plant, guide.Fungus} {
		s := r.True[k]
		n := slices.Sorted(slices.Values(r.Answers[k]))
		if s.Draws == 0 || len(n) == 0 {
			p("| %s | %d | 0 | %d | – | – |", k, s.Draws, r.Refused[k])
			continue
		}
		p("| %s | %d | %.1f %% | %.1f %% | %d | %d |", k, s.Draws, 100*float64(s.Of)/float64(s.Draws), 100*float64(r.Refused[k])/float64(s.Draws), n[len(n)/2], n[len(n)*9/10])
	}
	p("")
	p("## Aims")
	p("")
	p("| what | aim | came out |")
	p("|---|---|---|")
	for _, t := range r.Tails {
		if t.Grade == guide.Deadly && t.Times != 2 {
			_, high := calibrate.Wilson(t.Over[len(t.Over)-1], t.Draws)
			p("| deadly, through, mistakes × %g | at most %d in 100,000 | at most %.2g, at 95 %% |", t.Times, map[float64]int{1: 1, 4: 10}[t.Times], 1e5*high)
		}
	}
	p("| carried by two mistakes | none | %d |", two)
	p("| left out, through | at most 1 in 10,000 | at most %.2g, at 95 %% |", 1e4*high)
	for _, k := range []guide.Kingdom{guide.Plant, guide.Fungus} {
		s := r.True[k]
		p("| true specimens complete, %s | at least 90 %% | %.0f %% |", k, 100*float64(s.Of)/float64(max(s.Draws, 1)))
	}
	p("| answers, offered order, what is usual | median 12, nine of ten 16 | see `guide.md` |")
	p("")
	p("True specimens fall short. Here every look is made, in an order that suits one danger and not the target, and each trait is drawn by itself, so that most specimens show several rare states at once, which real ones, whose states go together, do less often; foods have no forms yet that would say so. None is spoken against by itself, since what nobody lists is not drawn; all that fail are short of what is needed against one or two entries with few cells. Targets with forms, more cells of the entries that stand nearest, and draws in the offered order would tell how much is content and how much is the rules.")
}

func writeAnswers(e *evidence.Engine, p func(string, ...any)) {
	b := e.Index().Book
	rows := calibrate.Answers(e)
	danger := 0
	for _, a := range rows {
		danger += a.RulesOutDanger
	}
	p("# What each answer does alone")
	p("")
	p("Written by `make soak` (`zesty-thicket calibrate --answers`). For every answer that a specimen of some use may well give, looked at as the guide says and with nothing else looked at: against how many of the dangerous entries in scope it is strong (20 decibans and more), fair (10), slight, tells nothing, or speaks for them, over all uses and stages that the guide describes. %d answers, none of which rules out a poisonous or deadly entry by itself (%d do).", len(rows), danger)
	p("")
	p("| trait: state | strong | fair | slight | nothing | for it | most | against, for |")
	p("|---|---|---|---|---|---|---|---|")
	for _, a := range rows {
		tr := &b.Traits[a.Trait]
		at := "–"
		if a.Most > 0 {
			at = b.Taxa[a.Other].Common + ", " + b.Taxa[a.Target].Common
		}
		p("| %s: %s | %d | %d | %d | %d | %d | %.0f | %s |", tr.Name, tr.States[a.State].Label, a.Strong, a.Fair, a.Slight, a.Nothing, a.For, a.Most, at)
	}
}
