package people

import (
	"errors"
	"strconv"
	"strings"

	"zestythicket/lot"
	"zestythicket/quantity"
	"zestythicket/records"
	"zestythicket/store"
)

// Number is somebody to call, as the user set it. None is ever invented.
type Number struct {
	Label  string `json:"label" minLength:"1" maxLength:"80" doc:"Poison service, emergency number, doctor"`
	Number string `json:"number" minLength:"1" maxLength:"40"`
}

// Settings are what the user may set.
type Settings struct {
	Numbers   []Number `json:"numbers" maxItems:"8"`
	WaitHours int      `json:"waitHours" minimum:"24" maximum:"336" doc:"After a first taste, before it can be said how it was"`
	TasteMost string   `json:"tasteMost" doc:"Grams of a first taste, at most"`
	Unit      string   `json:"unit" enum:"g,kg,oz,lb" doc:"In which weights are shown and typed"`
	Trimmed   string   `json:"trimmed" doc:"Share of a section that may be tunnelled and is trimmed, 0 to 1"`
	records.Revision
}

const SettingsKind = "settings"

// StandardSettings are the defaults, all our own.
func StandardSettings() *Settings {
	r := lot.Standard()
	return &Settings{Numbers: []Number{}, WaitHours: int(r.WaitMS / lot.HourMS), TasteMost: r.TasteMost.String(), Unit: "g", Trimmed: "0.2"}
}

// Settings reads what the user set.
func (c *Service) Settings() (*Settings, error) {
	s, err := records.Note[Settings](c.Base, SettingsKind, SettingsKind)
	if errors.Is(err, store.ErrNotFound) {
		return StandardSettings(), nil
	}
	return s, err
}

// SaveSettings checks and stores them.
func (c *Service) SaveSettings(s *Settings) (*Settings, error) {
	bad := &records.Invalid{}
	for i := range s.Numbers {
		n := &s.Numbers[i]
		n.Label, n.Number = strings.TrimSpace(n.Label), strings.TrimSpace(n.Number)
		if n.Label == "" || strings.Trim(n.Number, "0123456789 +()-/.") != "" || !strings.ContainsAny(n.Number, "0123456789") {
			bad.Add("body.numbers["+strconv.Itoa(i)+"]", "no-telephone", n.Number)
		}
	}
	if most, err := quantity.Parse(s.TasteMost); err != nil || !most.IsPositive() || most.GreaterThan(lot.Standard().TasteMost) {
		bad.Add("body.tasteMost", "no-first-taste", s.TasteMost)
	}
	if share, err := quantity.Parse(s.Trimmed); err != nil || share.GreaterThan(quantity.Amount{}.Add(wholeShare)) {
		bad.Add("body.trimmed", "no-share", s.Trimmed)
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	return s, records.Replace(c.Base, SettingsKind, SettingsKind, s)
}

var wholeShare, _ = quantity.Parse("1")

// Weigh says a weight in the user's unit.
func (c *Service) Weigh(a quantity.Amount) string {
	if s, err := c.Settings(); err == nil {
		if words, err := quantity.Words(a, s.Unit); err == nil {
			return words
		}
	}
	return quantity.Grams(a)
}

// Rules are the settings as the ledger wants them; none is laxer than the standard.
func (s *Settings) Rules() lot.Rules {
	r := lot.Standard()
	// A day is the least; what an earlier form let somebody set shorter is a day.
	r.WaitMS = max(r.WaitMS, int64(s.WaitHours)*lot.HourMS)
	if most, err := quantity.Parse(s.TasteMost); err == nil && most.IsPositive() {
		r.TasteMost = most
	}
	return r
}
