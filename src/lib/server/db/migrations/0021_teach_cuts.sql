-- What a client's freelancer taught the first cut, and groups that no proposal touches.
CREATE TABLE cut_lesson (
  id TEXT PRIMARY KEY,
  client_id TEXT NOT NULL,
  word TEXT NOT NULL,
  equals TEXT NOT NULL,
  position INTEGER NOT NULL,
  UNIQUE (client_id, word, equals)
) STRICT;

ALTER TABLE ad_group ADD COLUMN is_fixed INTEGER NOT NULL DEFAULT 0 CHECK (is_fixed IN (0, 1));
