-- Regions and postal codes beside countries and cities; circles in parts of a kilometre, as miles are.
CREATE TABLE place_widened (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (kind IN ('country', 'region', 'city', 'postal')),
  name TEXT NOT NULL,
  country TEXT NOT NULL,
  code TEXT NOT NULL,
  region TEXT NOT NULL,
  latitude REAL,
  longitude REAL,
  radius_km REAL,
  people INTEGER,
  excluded INTEGER NOT NULL CHECK (excluded IN (0, 1)),
  position INTEGER NOT NULL
) STRICT;
INSERT INTO place_widened
SELECT plan_id, id, campaign_id, kind, name, country, '', '', latitude, longitude, radius_km, NULL, excluded, position
FROM place ORDER BY rowid;
DROP TABLE place;
ALTER TABLE place_widened RENAME TO place;
CREATE INDEX place_by_plan ON place (plan_id);
CREATE INDEX place_by_campaign ON place (campaign_id);

ALTER TABLE campaign ADD COLUMN money_locked INTEGER NOT NULL DEFAULT 0 CHECK (money_locked IN (0, 1));
ALTER TABLE campaign ADD COLUMN share_percent INTEGER;
ALTER TABLE campaign ADD COLUMN spending TEXT NOT NULL DEFAULT 'even' CHECK (spending IN ('even', 'fast'));
ALTER TABLE campaign ADD COLUMN devices TEXT NOT NULL DEFAULT '{"computer":0,"phone":0,"tablet":0}' CHECK (json_valid(devices));
ALTER TABLE campaign ADD COLUMN ages_off TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(ages_off));
ALTER TABLE campaign ADD COLUMN genders_off TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(genders_off));
ALTER TABLE campaign ADD COLUMN audiences TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(audiences));
ALTER TABLE campaign ADD COLUMN placements_off TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(placements_off));
ALTER TABLE campaign ADD COLUMN tracking TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(tracking));

ALTER TABLE brief ADD COLUMN tracking TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(tracking));
ALTER TABLE brief ADD COLUMN conversions TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(conversions));
ALTER TABLE brief ADD COLUMN own_names TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(own_names));
ALTER TABLE brief ADD COLUMN opening_hours TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(opening_hours));

-- Twelve months of searches, and whose figures they are: the places, and the day they were taken.
ALTER TABLE find ADD COLUMN months TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(months));
ALTER TABLE find ADD COLUMN figures_of TEXT NOT NULL DEFAULT '';
ALTER TABLE find ADD COLUMN figures_on TEXT;

-- House rules as far as they differ from what ships: under the id `all`, or a plan's.
CREATE TABLE house_rule (
  id TEXT PRIMARY KEY,
  plan_id TEXT REFERENCES plan (id) DEFERRABLE INITIALLY DEFERRED,
  "values" TEXT NOT NULL CHECK (json_valid("values"))
) STRICT;

ALTER TABLE layout ADD COLUMN spans_a_day INTEGER NOT NULL DEFAULT 6;
ALTER TABLE layout ADD COLUMN click_keyword TEXT NOT NULL DEFAULT '[[clicked-keyword]]';
ALTER TABLE layout ADD COLUMN click_match TEXT NOT NULL DEFAULT '[[clicked-match]]';
ALTER TABLE layout ADD COLUMN click_device TEXT NOT NULL DEFAULT '[[clicked-device]]';
ALTER TABLE layout ADD COLUMN click_ad TEXT NOT NULL DEFAULT '[[clicked-ad]]';

ALTER TABLE rule_set ADD COLUMN adjustment TEXT NOT NULL DEFAULT '{"least":-90,"most":900}';
ALTER TABLE rule_set ADD COLUMN ages TEXT NOT NULL DEFAULT '["18–24","25–34","35–44","45–54","55–64","65 and over","not known"]';
ALTER TABLE rule_set ADD COLUMN genders TEXT NOT NULL DEFAULT '["women","men","not known"]';
