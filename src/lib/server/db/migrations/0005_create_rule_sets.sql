-- Parts that belong together are JSON, as in the rules that ship.
CREATE TABLE rule_set (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  "from" TEXT NOT NULL,
  formats TEXT NOT NULL CHECK (json_valid(formats)),
  responsive_ads_per_group INTEGER NOT NULL,
  sitelink TEXT NOT NULL CHECK (json_valid(sitelink)),
  callout TEXT NOT NULL CHECK (json_valid(callout)),
  keyword TEXT NOT NULL CHECK (json_valid(keyword)),
  name_limit INTEGER NOT NULL,
  address_limit INTEGER NOT NULL,
  refused_keyword_signs TEXT NOT NULL,
  value_joiner TEXT NOT NULL,
  day_cost_factor REAL NOT NULL,
  month_days TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;

-- The rules a plan is read by: the key of a set that ships, or the id of a row.
ALTER TABLE plan ADD COLUMN rule_set_key TEXT NOT NULL DEFAULT 'search-2026';
