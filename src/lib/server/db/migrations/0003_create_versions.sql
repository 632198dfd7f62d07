-- The rows of a plan as they stood when a version was kept: by hand, or because the plan was handed off.
-- `rows` is deflated JSON: lists of rows by record, as in the journal.
CREATE TABLE version (
  id INTEGER PRIMARY KEY,
  stream_id TEXT NOT NULL,
  name TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('kept', 'hand-off')),
  revision INTEGER NOT NULL,
  made_at TEXT NOT NULL,
  rows BLOB NOT NULL
) STRICT;
CREATE INDEX version_by_stream ON version (stream_id, id);

-- The revision before which the journal does not tell what changed: raised when a back-up is put in place.
ALTER TABLE stream ADD COLUMN news_from INTEGER NOT NULL DEFAULT 0;
