package kitchen

import (
	"errors"
	"strconv"
	"time"

	"zestythicket/finds"
	"zestythicket/guide"
	"zestythicket/harvest"
	"zestythicket/quantity"
	"zestythicket/records"
	"zestythicket/store"
	"zestythicket/words"
)

// HereNow is what is known of a stand before anything is taken.
type HereNow struct {
	Here      int    `json:"here" minimum:"0" maximum:"1000000" doc:"Pieces here, counted or estimated"`
	Estimated bool   `json:"estimated,omitempty"`
	Within    int    `json:"within,omitempty" minimum:"0" maximum:"1000000" doc:"An estimate may be off by so many"`
	Others    int    `json:"others,omitempty" minimum:"0" maximum:"1000000" doc:"Pieces that stay for bees, birds, caterpillars"`
	Each      string `json:"each,omitempty" doc:"Weight of one piece, in the unit"`
	Unit      string `json:"unit,omitempty" enum:"g,kg,mg,oz,lb,"`
	Share     string `json:"share,omitempty" doc:"Their own policy, 0 to 1; empty: the default of the part"`
	Need      int    `json:"need,omitempty" minimum:"0" maximum:"1000000"`
	People    int    `json:"people,omitempty" minimum:"0" maximum:"50" doc:"Who picks under a limit per person; 0: one"`
	records.Revision
}

// AdviceStep is one reason for an amount.
type AdviceStep struct {
	Pieces int    `json:"pieces"`
	Why    string `json:"why"`
}

// MethodLine is a way to gather, least damage first.
type MethodLine struct {
	Do     string `json:"do"`
	Damage int    `json:"damage" minimum:"0" maximum:"4"`
}

// BandLine is a band of quality.
type BandLine struct {
	ID        string  `json:"id"`
	Key       string  `json:"key"`
	Label     string  `json:"label"`
	What      string  `json:"what" enum:"keep,trim,leave"`
	Tunnelled float64 `json:"tunnelled,omitempty" doc:"Share of the section tunnelled, up to which it counts"`
	Count     int     `json:"count"`
}

// HowMuch is the advice for a find, and how to take it.
type HowMuch struct {
	Stand     *HereNow     `json:"stand,omitempty" doc:"What was entered last"`
	Pieces    int          `json:"pieces"`
	Weight    string       `json:"weight,omitempty"`
	Steps     []AdviceStep `json:"steps"`
	Open      []string     `json:"open"`
	Share     string       `json:"share" doc:"The default of the part"`
	Why       string       `json:"why"`
	Methods   []MethodLine `json:"methods" doc:"Least damage first; what the entry says itself in front"`
	Quality   []string     `json:"quality" doc:"What the entry says is worth taking"`
	Bands     []BandLine   `json:"bands"`
	SortedRev int64        `json:"sortedRev" doc:"The revision of the counts"`
	Words     string       `json:"words" doc:"Kept, trimmed and left, when it was sorted"`
	Takeable  bool         `json:"takeable" doc:"The checks are complete; otherwise nothing is taken at all"`
}

const (
	StandKind = "stand"
	SortKind  = "sorted"
)

// SortedDoc is how many pieces of a find were put in each band.
type SortedDoc struct {
	Counts map[string]int `json:"counts"`
	records.Revision
}

// Stand stores what is known of a stand and gives the advice.
func (c *Service) SaveStand(find string, s *HereNow) (*HowMuch, error) {
	if _, err := c.Store.Find(find); err != nil {
		return nil, err
	}
	bad := &records.Invalid{}
	for path, text := range map[string]string{"body.each": s.Each, "body.share": s.Share} {
		if text != "" {
			if _, err := quantity.Parse(text); err != nil {
				bad.Add(path, "no-number", text)
			}
		}
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	// Reckoned before it is stored: what can't be reckoned leaves what was there.
	if _, err := c.howMuch(find, s); err != nil {
		return nil, err
	}
	if err := records.Replace(c.Base, StandKind, find, s); err != nil {
		return nil, err
	}
	return c.HowMuch(find)
}

// SortInto counts the pieces of a find by band of quality.
func (c *Service) SortInto(find string, counts map[string]int, rev int64) (*HowMuch, error) {
	v, err := c.Finds.View(find)
	if err != nil {
		return nil, err
	}
	what := map[string]string{}
	for _, b := range c.Engine.Index().Book.Kitchen.BandsFor(v.Facts.Part) {
		what[b.ID] = b.What
	}
	if _, err := harvest.Sort(counts, what); err != nil {
		return nil, records.Refuse("body.counts", "not-counts", err)
	}
	if err := records.Replace(c.Base, SortKind, find, &SortedDoc{counts, records.Revision{Rev: rev}}); err != nil {
		return nil, err
	}
	return c.HowMuch(find)
}

// HowMuch reckons the amount for a find from what was entered last.
func (c *Service) HowMuch(find string) (*HowMuch, error) {
	s, err := records.Note[HereNow](c.Base, StandKind, find)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return nil, err
	}
	if err != nil {
		s = nil
	}
	return c.howMuch(find, s)
}

func (c *Service) howMuch(find string, s *HereNow) (*HowMuch, error) {
	v, err := c.Finds.View(find)
	if err != nil {
		return nil, err
	}
	ix := c.Engine.Index()
	kit := &ix.Book.Kitchen
	share := kit.ShareFor(v.Facts.Part)
	out := &HowMuch{Steps: []AdviceStep{}, Open: []string{}, Share: trimFloat(share.Take), Why: share.Why, Methods: []MethodLine{}, Quality: []string{}, Bands: []BandLine{}, Takeable: finds.Complete(v) && !v.Patch.Held}
	if at, ok := ix.TaxonAt(v.Facts.Target); ok {
		t := &ix.Book.Taxa[at]
		if u, ok := t.UseFor(v.Facts.Part, v.Facts.Prep); ok {
			out.Quality = append(out.Quality, u.Quality...)
			for _, h := range u.Harvest {
				out.Methods = append(out.Methods, MethodLine{h, 0})
			}
		}
	}
	for _, m := range kit.MethodsFor(v.Facts.Part) {
		out.Methods = append(out.Methods, MethodLine{m.Do, m.Damage})
	}
	if err := c.bands(v, kit, out); err != nil {
		return nil, err
	}
	if s == nil {
		return out, nil
	}
	out.Stand = s
	return out, c.recommend(v, s, &share, out)
}

func (c *Service) bands(v *finds.View, kit *guide.Kitchen, out *HowMuch) error {
	d, err := records.Note[SortedDoc](c.Base, SortKind, v.ID)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return err
	}
	if d == nil || err != nil {
		d = &SortedDoc{}
	}
	out.SortedRev = d.Rev
	set, err := c.People.Settings()
	if err != nil {
		return err
	}
	what := map[string]string{}
	for _, b := range kit.BandsFor(v.Facts.Part) {
		what[b.ID] = b.What
		if b.What == "trim" && b.Tunnelled > 0 { // the user may move it
			if s, err := quantity.Parse(set.Trimmed); err == nil {
				b.Tunnelled, _ = s.Float64()
			}
		}
		out.Bands = append(out.Bands, BandLine{b.ID, b.Key, b.Label, b.What, b.Tunnelled, d.Counts[b.ID]})
	}
	if s, err := harvest.Sort(d.Counts, what); err == nil && s.Kept+s.Trimmed+s.Left > 0 {
		out.Words = strconv.Itoa(s.Kept) + " kept, " + strconv.Itoa(s.Trimmed) + " to trim, " + strconv.Itoa(s.Left) + " left where they were"
	}
	return nil
}

func (c *Service) recommend(v *finds.View, s *HereNow, share *guide.LeaveShare, out *HowMuch) error {
	unit := s.Unit
	if unit == "" {
		unit = "g"
	}
	st := harvest.Stand{Here: s.Here, Estimated: s.Estimated, Within: s.Within, Others: s.Others, Need: s.Need, ShareWhy: share.Why}
	st.Share, _ = quantity.Parse(trimFloat(share.Take))
	if s.Share != "" {
		st.Share, _ = quantity.Parse(s.Share)
		st.ShareWhy = words.OwnPolicy
	}
	if s.Each != "" {
		each, kind, err := quantity.In(s.Each, unit)
		if err != nil || kind != quantity.Mass {
			return records.Refuse("body.each", "weight-of-what", s.Each)
		}
		st.EachGrams = each
	}
	if err := c.limits(v, &st, max(1, s.People)); err != nil {
		return err
	}
	a, err := harvest.Recommend(&st)
	if err != nil {
		return records.Refuse("body", "no-share-of-counts", err)
	}
	out.Pieces, out.Open = a.Pieces, append(out.Open, openWords(a.Open)...)
	if a.Grams.IsPositive() {
		out.Weight = c.People.Weigh(a.Grams)
	}
	for _, x := range a.Steps {
		out.Steps = append(out.Steps, AdviceStep{x.Pieces, words.HarvestStep(&x)})
	}
	if !out.Takeable {
		out.Pieces, out.Weight = 0, ""
		out.Steps = append(out.Steps, AdviceStep{0, words.NothingTaken})
	}
	return nil
}

// limits puts the limits of the find's place into the stand, with what was bagged
// of the kind there already. Every limit of the place is applied, whatever it says
// it is for: the words are the user's, and the stricter reading is taken.
func (c *Service) limits(v *finds.View, st *harvest.Stand, people int) error {
	places, err := c.Ground.Places()
	if err != nil {
		return err
	}
	k := c.Ledger()
	day, _ := time.Parse(time.DateOnly, v.Day)
	st.Taken, st.TakenG = k.taken(v, day, false)
	for i := range places {
		// By id; by name where the find is older than the ids.
		if v.PlaceID != "" && places[i].ID != v.PlaceID || v.PlaceID == "" && places[i].Name != v.Place {
			continue
		}
		for _, l := range places[i].Limits {
			amount, kind, err := quantity.In(l.Amount, l.Unit)
			if err != nil {
				continue // such a limit is not stored
			}
			limit := words.Limit(l.Amount, l.Unit, l.Per, l.Source)
			if l.Per == "person-day" || l.Per == "person-year" {
				amount = amount.Mul(whole(people))
			}
			if l.Per == "year" || l.Per == "person-year" {
				// What was taken on other days of the year goes off the limit; today's
				// goes off every limit below.
				pieces, grams := k.taken(v, day, true)
				before := grams.Sub(st.TakenG)
				if kind == quantity.Count {
					before = whole(pieces - st.Taken)
				}
				if amount = amount.Sub(before); amount.IsNegative() {
					amount = quantity.Zero
				}
			}
			st.Limits = append(st.Limits, harvest.Limit{Kind: kind, Amount: amount, Words: limit})
		}
	}
	return nil
}

// taken is what was bagged of a find's kind at its place, that day or that year.
func (k *State) taken(v *finds.View, day time.Time, year bool) (pieces int, grams quantity.Amount) {
	at, err := k.Kitchen.Store.FindsAt(v.PlaceID, v.Place, day.Year())
	if err != nil {
		return 0, quantity.Zero
	}
	for _, l := range k.Book.Lots() {
		if len(l.Parents) > 0 || l.Taxon != v.Facts.Target {
			continue
		}
		found, ok := at[l.Find]
		if !ok || !year && found != day.Format(time.DateOnly) {
			continue
		}
		pieces, grams = pieces+l.Pieces, grams.Add(l.Made)
	}
	return pieces, grams
}

func openWords(list []harvest.Open) []string {
	var out []string
	for i := range list {
		out = append(out, words.HarvestOpen(&list[i]))
	}
	return out
}

func whole(n int) quantity.Amount {
	a, err := quantity.Parse(strconv.Itoa(n))
	if err != nil {
		return quantity.Zero
	}
	return a
}

// trimFloat writes a share of the guide as a decimal: 0.25.
func trimFloat(x float64) string { return strconv.FormatFloat(x, 'f', -1, 64) }
