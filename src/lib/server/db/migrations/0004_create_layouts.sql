CREATE TABLE layout (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  encoding TEXT NOT NULL CHECK (encoding IN ('utf-8', 'utf-8-marked', 'utf-16', 'windows-1252')),
  delimiter TEXT NOT NULL CHECK (delimiter IN ('comma', 'semicolon', 'tab')),
  decimal TEXT NOT NULL CHECK (decimal IN ('point', 'comma')),
  form TEXT NOT NULL CHECK (form IN ('several', 'one')),
  plan_negatives TEXT NOT NULL CHECK (plan_negatives IN ('shared-list', 'row-a-campaign')),
  text_broad TEXT NOT NULL,
  text_phrase TEXT NOT NULL,
  text_exact TEXT NOT NULL,
  text_negative TEXT NOT NULL,
  match_broad TEXT NOT NULL,
  match_phrase TEXT NOT NULL,
  match_exact TEXT NOT NULL,
  match_negative TEXT NOT NULL,
  state_paused TEXT NOT NULL,
  live_as_is TEXT NOT NULL,
  live_lower TEXT NOT NULL,
  live_sentence TEXT NOT NULL,
  live_title TEXT NOT NULL,
  live_upper TEXT NOT NULL,
  columns TEXT NOT NULL CHECK (json_valid(columns)),
  position INTEGER NOT NULL
) STRICT;

-- The layout a plan is handed off in: the key of one that ships, or the id of a row.
ALTER TABLE plan ADD COLUMN layout_key TEXT NOT NULL DEFAULT 'plain';
