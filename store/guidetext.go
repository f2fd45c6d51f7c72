package store

import (
	"strings"
	"unicode"

	"gorm.io/gorm"
)

// GuideDoc is what full-text search knows of one entry: its names, its prose and
// the words of what it usually shows.
type GuideDoc struct{ Taxon, Names, Prose, Looks string }

// IndexGuide keeps the text of a guide for searching. It does nothing when that
// version is indexed already.
func (s *Store) IndexGuide(version string, docs func() []GuideDoc) error {
	var have string
	if err := s.db.Raw("SELECT version FROM guide_text_version LIMIT 1").Scan(&have).Error; err != nil {
		return s.failed("index guide", version, err)
	}
	if have == version {
		return nil
	}
	err := s.db.Transaction(func(tx *gorm.DB) error {
		if err := tx.Exec("DELETE FROM guide_text").Error; err != nil {
			return err
		}
		if err := tx.Exec("DELETE FROM guide_text_version").Error; err != nil {
			return err
		}
		for _, d := range docs() {
			if err := tx.Exec("INSERT INTO guide_text (taxon, names, prose, looks) VALUES (?, ?, ?, ?)", d.Taxon, d.Names, d.Prose, d.Looks).Error; err != nil {
				return err
			}
		}
		return tx.Exec("INSERT INTO guide_text_version (version) VALUES (?)", version).Error
	})
	if err != nil {
		return s.failed("index guide", version, err)
	}
	return nil
}

// TextHit is an entry whose text holds every word of a query, with the passage.
type TextHit struct{ Taxon, Passage string }

// SearchGuide finds entries whose text holds every word, as a word or as the
// beginning of one; names weigh most, then prose, then looks. Marks and signs in
// the query are taken as spaces. A query without a word finds nothing.
func (s *Store) SearchGuide(query string, most int) ([]TextHit, error) {
	words := strings.FieldsFunc(query, func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) })
	if len(words) == 0 {
		return nil, nil
	}
	for i, w := range words {
		words[i] = `"` + w + `"*`
	}
	var out []TextHit
	err := s.read().Raw(`SELECT taxon, snippet(guide_text, -1, '', '', '…', 12) AS passage FROM guide_text
		WHERE guide_text MATCH ? ORDER BY bm25(guide_text, 0, 10, 3, 1), taxon LIMIT ?`, strings.Join(words, " "), most).Scan(&out).Error
	if err != nil {
		return nil, s.failed("search guide", query, err)
	}
	return out, nil
}
