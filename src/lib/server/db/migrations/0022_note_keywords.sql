-- A page of its own for a keyword; notes and labels of keywords and groups; lists to build keywords from, kept by name.
ALTER TABLE keyword ADD COLUMN landing_page TEXT NOT NULL DEFAULT '';
ALTER TABLE keyword ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE keyword ADD COLUMN labels TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(labels));

ALTER TABLE parked_keyword ADD COLUMN landing_page TEXT NOT NULL DEFAULT '';
ALTER TABLE parked_keyword ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE parked_keyword ADD COLUMN labels TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(labels));

ALTER TABLE ad_group ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE ad_group ADD COLUMN labels TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(labels));

CREATE TABLE kept_list (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('values', 'never-together', 'negatives')),
  name TEXT NOT NULL,
  language TEXT NOT NULL,
  lines TEXT NOT NULL CHECK (json_valid(lines)),
  position INTEGER NOT NULL,
  UNIQUE (kind, name)
) STRICT;
