-- Enquiries as the client's own list tells of them: where they came from, and what became of them.
CREATE TABLE lead (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  text TEXT NOT NULL,
  group_name TEXT NOT NULL,
  day TEXT,
  quality TEXT NOT NULL CHECK (quality IN ('good', 'bad', 'unsaid')),
  sold_minor INTEGER CHECK (sold_minor >= 0),
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX lead_by_plan ON lead (plan_id);
