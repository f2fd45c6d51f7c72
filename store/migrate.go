package store

import (
	"fmt"

	"gorm.io/gorm"
)

// migrations are numbered from 1; a step that has landed is never edited. The
// number reached is kept in the file's user_version.
var migrations = []string{
	// 1: people, outings, finds, specimens, log, verdicts
	`CREATE TABLE people (
		id TEXT PRIMARY KEY, name TEXT NOT NULL, profile TEXT NOT NULL, created_ms INTEGER NOT NULL);
	 CREATE TABLE outings (
		id TEXT PRIMARY KEY, day TEXT NOT NULL, created_ms INTEGER NOT NULL);
	 CREATE TABLE finds (
		id TEXT PRIMARY KEY, outing_id TEXT NOT NULL REFERENCES outings(id), person_id TEXT NOT NULL REFERENCES people(id),
		title TEXT NOT NULL, place_name TEXT NOT NULL, day TEXT NOT NULL, facts TEXT NOT NULL, created_ms INTEGER NOT NULL);
	 CREATE TABLE specimens (
		find_id TEXT NOT NULL REFERENCES finds(id), id TEXT NOT NULL, number INTEGER NOT NULL, joined_to TEXT NOT NULL DEFAULT '',
		PRIMARY KEY (find_id, id));
	 CREATE TABLE events (
		seq INTEGER PRIMARY KEY AUTOINCREMENT, find_id TEXT NOT NULL REFERENCES finds(id), specimen TEXT NOT NULL,
		key TEXT NOT NULL, kind TEXT NOT NULL, body TEXT NOT NULL, at_ms INTEGER NOT NULL, UNIQUE (find_id, key));
	 CREATE INDEX events_by_find ON events (find_id, seq);
	 CREATE TRIGGER events_keep_update BEFORE UPDATE ON events BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
	 CREATE TRIGGER events_keep_delete BEFORE DELETE ON events BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
	 CREATE TABLE verdicts (
		id INTEGER PRIMARY KEY AUTOINCREMENT, find_id TEXT NOT NULL REFERENCES finds(id), specimen TEXT NOT NULL, upto_seq INTEGER NOT NULL,
		guide_version TEXT NOT NULL, verdict TEXT NOT NULL, reasons TEXT NOT NULL, at_ms INTEGER NOT NULL);
	 CREATE INDEX verdicts_by_find ON verdicts (find_id, specimen, id);`,
	// 2: full text of the guide, made anew for each version of it
	`CREATE VIRTUAL TABLE guide_text USING fts5 (taxon UNINDEXED, names, prose, looks, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');
	 CREATE TABLE guide_text_version (version TEXT NOT NULL);`,
	// 3: items of one kind looked at one by one with the same answers
	`ALTER TABLE specimens ADD COLUMN count INTEGER NOT NULL DEFAULT 0 CHECK (count >= 0)`,
	// 4: tests that take time, running
	`CREATE TABLE waits (
		find_id TEXT NOT NULL REFERENCES finds(id), specimen TEXT NOT NULL, trait TEXT NOT NULL, started_ms INTEGER NOT NULL,
		PRIMARY KEY (find_id, specimen, trait))`,
	// 5: pictures
	`CREATE TABLE photos (
		id TEXT PRIMARY KEY, find_id TEXT NOT NULL REFERENCES finds(id), specimen TEXT NOT NULL, part TEXT NOT NULL, mime TEXT NOT NULL,
		width INTEGER NOT NULL, height INTEGER NOT NULL, bytes BLOB NOT NULL, at_ms INTEGER NOT NULL);
	 CREATE INDEX photos_by_find ON photos (find_id, at_ms)`,
	// 6: places, walks, first-seen days, signs and other records; weather
	`CREATE TABLE notes (kind TEXT NOT NULL, id TEXT NOT NULL, doc TEXT NOT NULL, at_ms INTEGER NOT NULL, PRIMARY KEY (kind, id));
	 CREATE TABLE weather (place_id TEXT NOT NULL, day INTEGER NOT NULL, tmin REAL NOT NULL, tmax REAL NOT NULL, rain REAL NOT NULL, PRIMARY KEY (place_id, day))`,
	// 7: the book of the kitchen
	`CREATE TABLE kitchen (
		seq INTEGER PRIMARY KEY AUTOINCREMENT, key TEXT NOT NULL UNIQUE, kind TEXT NOT NULL, doc TEXT NOT NULL, at_ms INTEGER NOT NULL);
	 CREATE TRIGGER kitchen_keep_update BEFORE UPDATE ON kitchen BEGIN SELECT RAISE(ABORT, 'the book is append-only'); END;
	 CREATE TRIGGER kitchen_keep_delete BEFORE DELETE ON kitchen BEGIN SELECT RAISE(ABORT, 'the book is append-only'); END`,
	// 8: revisions of what is replaced as a whole, so that a stale screen is told;
	// finds refer to places by id; the log of an outing is found by an index
	`ALTER TABLE notes ADD COLUMN rev INTEGER NOT NULL DEFAULT 1;
	 UPDATE notes SET rev = max(1, coalesce(json_extract(doc, '$.rev'), 1)) WHERE kind = 'incident' AND json_valid(doc);
	 ALTER TABLE people ADD COLUMN rev INTEGER NOT NULL DEFAULT 1;
	 ALTER TABLE finds ADD COLUMN rev INTEGER NOT NULL DEFAULT 1;
	 ALTER TABLE finds ADD COLUMN place_id TEXT NOT NULL DEFAULT '';
	 UPDATE finds SET place_id = coalesce((SELECT n.id FROM notes n WHERE n.kind = 'place' AND json_valid(n.doc) AND json_extract(n.doc, '$.name') = finds.place_name ORDER BY n.at_ms, n.id LIMIT 1), '')
		WHERE place_name <> '';
	 CREATE INDEX finds_by_outing ON finds (outing_id, person_id)`,
	// 9: summaries of finds for lists, and the number of what each rests on; that number
	// is kept by triggers, so that nothing can be written past it
	`ALTER TABLE finds ADD COLUMN second_of TEXT GENERATED ALWAYS AS (CASE WHEN json_valid(facts) THEN coalesce(json_extract(facts, '$.secondOf'), '') ELSE '' END) VIRTUAL;
	 CREATE INDEX finds_by_second ON finds (second_of);
	 CREATE INDEX finds_by_day ON finds (day);
	 CREATE INDEX finds_by_created ON finds (created_ms DESC, id);
	 CREATE TABLE find_inputs (find_id TEXT PRIMARY KEY, rev INTEGER NOT NULL) WITHOUT ROWID;
	 INSERT INTO find_inputs SELECT id, 1 FROM finds;
	 CREATE TABLE find_summaries (
		find_id TEXT PRIMARY KEY, inputs INTEGER NOT NULL, version TEXT NOT NULL, doc TEXT NOT NULL, title TEXT NOT NULL, text TEXT NOT NULL,
		complete INTEGER NOT NULL, planned INTEGER NOT NULL, moved INTEGER NOT NULL);
	 CREATE INDEX summaries_complete ON find_summaries (complete) WHERE complete;
	 CREATE INDEX summaries_planned ON find_summaries (planned) WHERE planned;
	 CREATE INDEX summaries_moved ON find_summaries (moved) WHERE moved;
	 CREATE TRIGGER inputs_find_new AFTER INSERT ON finds BEGIN
		INSERT OR IGNORE INTO find_inputs VALUES (NEW.id, 0); UPDATE find_inputs SET rev = rev + 1 WHERE find_id = NEW.id; END;
	 CREATE TRIGGER inputs_find AFTER UPDATE ON finds BEGIN UPDATE find_inputs SET rev = rev + 1 WHERE find_id IN (NEW.id, OLD.second_of); END;
	 CREATE TRIGGER inputs_event AFTER INSERT ON events BEGIN UPDATE find_inputs SET rev = rev + 1 WHERE find_id = NEW.find_id; END;
	 CREATE TRIGGER inputs_specimen_new AFTER INSERT ON specimens BEGIN UPDATE find_inputs SET rev = rev + 1 WHERE find_id = NEW.find_id; END;
	 CREATE TRIGGER inputs_specimen AFTER UPDATE ON specimens BEGIN UPDATE find_inputs SET rev = rev + 1 WHERE find_id = NEW.find_id; END;
	 CREATE TRIGGER inputs_person AFTER UPDATE ON people BEGIN UPDATE find_inputs SET rev = rev + 1 WHERE find_id IN (SELECT id FROM finds WHERE person_id = NEW.id); END;
	 CREATE TRIGGER inputs_second AFTER UPDATE ON find_inputs BEGIN
		UPDATE find_inputs SET rev = rev + 1 WHERE find_id IN (
			SELECT id FROM finds WHERE second_of = NEW.find_id UNION SELECT second_of FROM finds WHERE id = NEW.find_id AND second_of <> ''); END`,
}

func (s *Store) migrate() error {
	var v int
	if err := s.db.Raw("PRAGMA user_version").Scan(&v).Error; err != nil {
		return s.failed("migrate", s.path, err)
	}
	for ; v < len(migrations); v++ {
		err := s.db.Transaction(func(tx *gorm.DB) error {
			if err := tx.Exec(migrations[v]).Error; err != nil {
				return err
			}
			return tx.Exec(fmt.Sprintf("PRAGMA user_version = %d", v+1)).Error
		})
		if err != nil {
			return s.failed(fmt.Sprintf("migrate to %d", v+1), s.path, err)
		}
	}
	return nil
}
