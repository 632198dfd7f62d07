-- What a freelancer sets up once: columns of lists, keys, how files of one shape are read, and what people add to a service or a product.
CREATE TABLE list_setup (
  id TEXT PRIMARY KEY,
  columns TEXT NOT NULL CHECK (json_valid(columns))
) STRICT;

CREATE TABLE key_choice (
  id TEXT PRIMARY KEY,
  key TEXT NOT NULL
) STRICT;

CREATE TABLE sheet_reading (
  id TEXT PRIMARY KEY,
  shape TEXT NOT NULL UNIQUE,
  meanings TEXT NOT NULL CHECK (json_valid(meanings))
) STRICT;

CREATE TABLE pattern_list (
  id TEXT PRIMARY KEY,
  business TEXT NOT NULL CHECK (business IN ('service', 'product')),
  language TEXT NOT NULL,
  added TEXT NOT NULL CHECK (json_valid(added)),
  UNIQUE (business, language)
) STRICT;

-- Rivals as lists from files tell of them.
CREATE TABLE seen_rival (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  domain TEXT NOT NULL,
  source TEXT NOT NULL,
  seen_on TEXT NOT NULL,
  buys TEXT NOT NULL CHECK (json_valid(buys)),
  wins TEXT NOT NULL CHECK (json_valid(wins)),
  months TEXT NOT NULL CHECK (json_valid(months)),
  ads TEXT NOT NULL CHECK (json_valid(ads)),
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX seen_rival_by_plan ON seen_rival (plan_id);
