-- Extras stand with groups too, two kinds more, offers with a code and a least order; clients share sets of them. A check can only be widened in a new table.
CREATE TABLE extra_by_level (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  group_id TEXT REFERENCES ad_group (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (
    kind IN ('sitelink', 'callout', 'listed-values', 'call', 'price-rows', 'dated-offer', 'place', 'business-name')
  ),
  text TEXT NOT NULL,
  description1 TEXT NOT NULL,
  description2 TEXT NOT NULL,
  address TEXT NOT NULL,
  header TEXT NOT NULL,
  "values" TEXT NOT NULL CHECK (json_valid("values")),
  prices TEXT NOT NULL CHECK (json_valid(prices)),
  phone TEXT NOT NULL,
  phone_country TEXT NOT NULL,
  hours TEXT NOT NULL CHECK (json_valid(hours)),
  starts_on TEXT,
  ends_on TEXT,
  code TEXT NOT NULL,
  least_minor INTEGER,
  set_name TEXT NOT NULL,
  position INTEGER NOT NULL
) STRICT;
INSERT INTO extra_by_level
SELECT plan_id, id, campaign_id, NULL, kind, text, description1, description2, address,
  header, "values", prices, phone, phone_country, hours, starts_on, ends_on, '', NULL, '', position
FROM extra ORDER BY rowid;
DROP TABLE extra;
ALTER TABLE extra_by_level RENAME TO extra;
CREATE INDEX extra_by_plan ON extra (plan_id);
CREATE INDEX extra_by_campaign ON extra (campaign_id);
CREATE INDEX extra_by_group ON extra (group_id);

CREATE TABLE extra_set (
  id TEXT PRIMARY KEY,
  client_id TEXT NOT NULL,
  name TEXT NOT NULL,
  currency TEXT NOT NULL,
  extras TEXT NOT NULL CHECK (json_valid(extras)),
  position INTEGER NOT NULL,
  UNIQUE (client_id, name)
) STRICT;

ALTER TABLE rule_set ADD COLUMN offer_code TEXT NOT NULL DEFAULT '{"textLimit":15}';
ALTER TABLE rule_set ADD COLUMN business_name TEXT NOT NULL DEFAULT '{"textLimit":25}';
