-- Words that were judged, the kinds of words as corrected, and rules kept for the next client.
CREATE TABLE word_verdict (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  words TEXT NOT NULL,
  verdict TEXT NOT NULL CHECK (verdict IN ('open', 'keep', 'block', 'pass', 'later')),
  reason TEXT,
  stands INTEGER NOT NULL CHECK (stands IN (0, 1)),
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX word_verdict_by_plan ON word_verdict (plan_id);

CREATE TABLE word_kind (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  word TEXT NOT NULL,
  kind TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE UNIQUE INDEX word_kind_stands_once ON word_kind (plan_id, word);

CREATE TABLE kept_rule (
  id TEXT PRIMARY KEY,
  words TEXT NOT NULL UNIQUE,
  verdict TEXT NOT NULL CHECK (verdict IN ('open', 'keep', 'block', 'pass', 'later')),
  reason TEXT,
  position INTEGER NOT NULL
) STRICT;

-- Figures by level, where they come from, and those of other places and days; why a find is blocked, and what judged it.
ALTER TABLE find ADD COLUMN bids TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(bids));
ALTER TABLE find ADD COLUMN figures_kind TEXT NOT NULL DEFAULT 'imported' CHECK (figures_kind IN ('estimate', 'imported', 'measured'));
ALTER TABLE find ADD COLUMN figures_from TEXT NOT NULL DEFAULT '';
ALTER TABLE find ADD COLUMN other_figures TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(other_figures));
ALTER TABLE find ADD COLUMN reason TEXT;
ALTER TABLE find ADD COLUMN word_verdict_id TEXT REFERENCES word_verdict (id) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE find ADD COLUMN proposed TEXT NOT NULL DEFAULT '';
ALTER TABLE find ADD COLUMN swapped_from TEXT NOT NULL DEFAULT '';
ALTER TABLE find ADD COLUMN is_misspelling INTEGER NOT NULL DEFAULT 0 CHECK (is_misspelling IN (0, 1));
ALTER TABLE find ADD COLUMN also_from TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(also_from));
CREATE INDEX find_by_word_verdict ON find (word_verdict_id);

ALTER TABLE negative ADD COLUMN word_verdict_id TEXT REFERENCES word_verdict (id) DEFERRABLE INITIALLY DEFERRED;
CREATE INDEX negative_by_word_verdict ON negative (word_verdict_id);
