package finds

import (
	"log/slog"
	"strings"

	"zestythicket/records"
	"zestythicket/store"
)

// AsideFind is a find that can't be read, with what it says.
func (c *Service) AsideFind(row *store.Find, err error) records.Aside {
	return records.SetAside("find", row.ID, records.Said(strings.Join([]string{row.Title, row.PlaceName, row.Day, row.Facts}, "; ")), err.Error())
}

// CheckSummaries judges the newest finds again, so many of them, and compares what comes
// out with their summaries. Where one differs all are dropped and made anew: it says
// which differed.
func (c *Service) CheckSummaries(most int) []string {
	var wrong []string
	rows, _ := c.Store.Rows(store.FindQuery{Limit: most})
	for i := range rows {
		kept, ok := c.read(&rows[i])
		if !ok {
			continue // old: it is judged anew before it is shown
		}
		v, err := c.Judge(&rows[i].Find)
		if err != nil {
			continue
		}
		if store.JSON(c.summaryFor(v)) != store.JSON(kept) {
			wrong = append(wrong, rows[i].ID)
		}
	}
	if len(wrong) > 0 {
		slog.Warn("summaries did not say what their logs say, and are made anew", "finds", wrong)
		if err := c.Store.DropSummaries(); err != nil {
			slog.Warn("summaries can't be dropped", "err", err)
		}
	}
	return wrong
}
