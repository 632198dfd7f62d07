-- Rows of a plan carry its id without a foreign key: a plan that was taken off the Shelf keeps its
-- content, so that the step can be undone; what no step can bring back is swept at start-up.

CREATE TABLE client (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  site TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;

CREATE TABLE account (
  id TEXT PRIMARY KEY,
  client_id TEXT NOT NULL REFERENCES client (id) DEFERRABLE INITIALLY DEFERRED,
  currency TEXT NOT NULL,
  time_zone TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX account_by_client ON account (client_id);

CREATE TABLE plan (
  id TEXT PRIMARY KEY,
  account_id TEXT NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
  name TEXT NOT NULL,
  created_on TEXT NOT NULL,
  archived_on TEXT,
  handed_off_on TEXT,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX plan_by_account ON plan (account_id);

CREATE TABLE master (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  format TEXT NOT NULL CHECK (format IN ('responsive', 'three-headlines', 'classic', 'page-driven')),
  path1 TEXT NOT NULL,
  path2 TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;

CREATE TABLE master_line (
  id TEXT PRIMARY KEY,
  master_id TEXT NOT NULL REFERENCES master (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (kind IN ('headline', 'description')),
  text TEXT NOT NULL,
  fixed_at INTEGER,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX master_line_by_master ON master_line (master_id);

CREATE TABLE brief (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  goal TEXT NOT NULL CHECK (goal IN ('sales', 'leads', 'calls', 'visits')),
  offer TEXT NOT NULL,
  landing_page TEXT NOT NULL,
  languages TEXT NOT NULL CHECK (json_valid(languages)),
  monthly_minor INTEGER,
  starts_on TEXT,
  value_minor INTEGER,
  margin TEXT NOT NULL,
  buy_share TEXT NOT NULL,
  click_rate TEXT NOT NULL,
  counts_conversions INTEGER NOT NULL CHECK (counts_conversions IN (0, 1))
) STRICT;
CREATE INDEX brief_by_plan ON brief (plan_id);

CREATE TABLE brief_item (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('fact', 'not-offered', 'rival', 'always', 'proof')),
  text TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX brief_item_by_plan ON brief_item (plan_id);

CREATE TABLE offer (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  price_minor INTEGER,
  ends_on TEXT,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX offer_by_plan ON offer (plan_id);

CREATE TABLE slot_word (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  slot TEXT NOT NULL,
  says TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX slot_word_by_plan ON slot_word (plan_id);

CREATE TABLE campaign (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  name_is_typed INTEGER NOT NULL CHECK (name_is_typed IN (0, 1)),
  goal TEXT NOT NULL CHECK (goal IN ('sales', 'leads', 'calls', 'visits')),
  place_word TEXT NOT NULL,
  theme_word TEXT NOT NULL,
  place_said TEXT NOT NULL,
  partner_sites INTEGER NOT NULL CHECK (partner_sites IN (0, 1)),
  who_counts TEXT NOT NULL CHECK (who_counts IN ('there', 'asking')),
  languages TEXT NOT NULL CHECK (json_valid(languages)),
  monthly_minor INTEGER,
  bidding TEXT NOT NULL CHECK (bidding IN ('by-hand', 'most-clicks', 'most-conversions', 'most-value', 'share-of-appearances')),
  bid_minor INTEGER,
  hours TEXT NOT NULL CHECK (json_valid(hours)),
  starts_on TEXT,
  ends_on TEXT,
  rotation TEXT NOT NULL CHECK (rotation IN ('even', 'better')),
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX campaign_by_plan ON campaign (plan_id);
CREATE UNIQUE INDEX campaign_stands_once ON campaign (plan_id, name);

CREATE TABLE place (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (kind IN ('country', 'city')),
  name TEXT NOT NULL,
  country TEXT NOT NULL,
  latitude REAL,
  longitude REAL,
  radius_km INTEGER,
  excluded INTEGER NOT NULL CHECK (excluded IN (0, 1)),
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX place_by_plan ON place (plan_id);
CREATE INDEX place_by_campaign ON place (campaign_id);

CREATE TABLE find (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  text TEXT NOT NULL,
  searches_low INTEGER,
  searches_high INTEGER,
  bid_low_minor INTEGER,
  bid_high_minor INTEGER,
  verdict TEXT NOT NULL CHECK (verdict IN ('open', 'keep', 'block', 'pass', 'later')),
  source TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX find_by_plan ON find (plan_id);
CREATE UNIQUE INDEX find_stands_once ON find (plan_id, text);

CREATE TABLE ad_group (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT NOT NULL REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  name TEXT NOT NULL,
  theme TEXT NOT NULL,
  default_bid_minor INTEGER,
  default_match TEXT NOT NULL CHECK (default_match IN ('broad', 'phrase', 'exact')),
  landing_page TEXT NOT NULL,
  offer_id TEXT REFERENCES offer (id) DEFERRABLE INITIALLY DEFERRED,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX ad_group_by_plan ON ad_group (plan_id);
CREATE UNIQUE INDEX ad_group_stands_once ON ad_group (campaign_id, name);
CREATE INDEX ad_group_by_offer ON ad_group (offer_id);

CREATE TABLE keyword (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  group_id TEXT NOT NULL REFERENCES ad_group (id) DEFERRABLE INITIALLY DEFERRED,
  text TEXT NOT NULL,
  match TEXT NOT NULL CHECK (match IN ('broad', 'phrase', 'exact')),
  bid_minor INTEGER,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX keyword_by_plan ON keyword (plan_id);
CREATE UNIQUE INDEX keyword_stands_once ON keyword (group_id, text, match);

CREATE TABLE negative (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  group_id TEXT REFERENCES ad_group (id) DEFERRABLE INITIALLY DEFERRED,
  text TEXT NOT NULL,
  match TEXT NOT NULL CHECK (match IN ('broad', 'phrase', 'exact')),
  find_id TEXT REFERENCES find (id) DEFERRABLE INITIALLY DEFERRED,
  brief_item_id TEXT REFERENCES brief_item (id) DEFERRABLE INITIALLY DEFERRED,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX negative_by_plan ON negative (plan_id);
CREATE INDEX negative_by_campaign ON negative (campaign_id);
CREATE INDEX negative_by_group ON negative (group_id);
CREATE INDEX negative_by_find ON negative (find_id);
CREATE INDEX negative_by_brief_item ON negative (brief_item_id);

CREATE TABLE ad (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  group_id TEXT NOT NULL REFERENCES ad_group (id) DEFERRABLE INITIALLY DEFERRED,
  name TEXT NOT NULL,
  format TEXT NOT NULL CHECK (format IN ('responsive', 'three-headlines', 'classic', 'page-driven')),
  master_name TEXT NOT NULL,
  path1 TEXT NOT NULL,
  path2 TEXT NOT NULL,
  landing_page TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX ad_by_plan ON ad (plan_id);
CREATE INDEX ad_by_group ON ad (group_id);

CREATE TABLE ad_line (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  ad_id TEXT NOT NULL REFERENCES ad (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (kind IN ('headline', 'description')),
  text TEXT NOT NULL,
  fixed_at INTEGER,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX ad_line_by_plan ON ad_line (plan_id);
CREATE INDEX ad_line_by_ad ON ad_line (ad_id);

CREATE TABLE extra (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (kind IN ('sitelink', 'callout')),
  text TEXT NOT NULL,
  description1 TEXT NOT NULL,
  description2 TEXT NOT NULL,
  address TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX extra_by_plan ON extra (plan_id);
CREATE INDEX extra_by_campaign ON extra (campaign_id);

CREATE TABLE set_aside (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  rule TEXT NOT NULL,
  record TEXT NOT NULL,
  digest TEXT NOT NULL,
  reason TEXT NOT NULL,
  set_on TEXT NOT NULL
) STRICT;
CREATE INDEX set_aside_by_plan ON set_aside (plan_id);
