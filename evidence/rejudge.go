package evidence

// Rejudged compares a stored verdict with the one that today's guide gives.
type Rejudged struct {
	Was, Now     Verdict
	WasVersion   string
	NowVersion   string
	GuideChanged bool
	// NoLongerPasses: it was cleared then and would not be now. The user's
	// attention is called to it.
	NoLongerPasses bool
	// Reopened are the dangerous entries that are open now.
	Reopened []int32
}

// Rejudge evaluates a find again. was and version are what was stored.
func (e *Engine) Rejudge(f *Find, specimen string, was Verdict, version string) Rejudged {
	j := e.Judge(f, specimen)
	r := Rejudged{Was: was, Now: j.Verdict, WasVersion: version, NowVersion: e.ix.Book.Version}
	r.GuideChanged = r.WasVersion != r.NowVersion
	r.NoLongerPasses = was.Passes() && j.Verdict != was
	for i := range j.Exclusions {
		if !j.Exclusions[i].RuledOut {
			r.Reopened = append(r.Reopened, j.Exclusions[i].Taxon)
		}
	}
	return r
}

// Passes reports whether a verdict lets somebody go on with what they meant to do.
func (v Verdict) Passes() bool {
	return v == ChecksComplete || v == NoContactHazard || v == NotOneOfThose || v == Named
}
