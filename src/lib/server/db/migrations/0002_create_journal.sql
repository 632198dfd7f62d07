-- One row a stream of changes: the workspace, and each plan under its own id.
CREATE TABLE stream (
  id TEXT PRIMARY KEY,
  revision INTEGER NOT NULL
) STRICT;

-- One row a step. `revision` is that of the stream when the step was last made, undone or made again.
-- A step that was undone and then overtaken by a new one is cut: it can no longer be made again.
CREATE TABLE step (
  id INTEGER PRIMARY KEY,
  stream_id TEXT NOT NULL,
  revision INTEGER NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('done', 'undone', 'cut')),
  sitting TEXT,
  summary TEXT NOT NULL CHECK (json_valid(summary)),
  made_at TEXT NOT NULL
) STRICT;
CREATE INDEX step_by_stream ON step (stream_id, state, id);
CREATE INDEX step_by_revision ON step (stream_id, revision);

-- The rows of a step before and after it, for every record alike.
CREATE TABLE step_row (
  step_id INTEGER NOT NULL REFERENCES step (id) ON DELETE CASCADE,
  record TEXT NOT NULL,
  row_id TEXT NOT NULL,
  before TEXT,
  after TEXT,
  PRIMARY KEY (step_id, record, row_id)
) STRICT, WITHOUT ROWID;

-- Ids of the changes that were made, so that none is made twice.
CREATE TABLE made_change (
  id TEXT PRIMARY KEY,
  stream_id TEXT NOT NULL,
  revision INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
