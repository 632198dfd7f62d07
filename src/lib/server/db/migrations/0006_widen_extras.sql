-- Four more kinds of extras, each with fields of its own; a check can only be widened in a new table.
CREATE TABLE extra_widened (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  campaign_id TEXT REFERENCES campaign (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL CHECK (kind IN ('sitelink', 'callout', 'listed-values', 'call', 'price-rows', 'dated-offer')),
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
  position INTEGER NOT NULL
) STRICT;
INSERT INTO extra_widened
SELECT plan_id, id, campaign_id, kind, text, description1, description2, address,
  '', '[]', '[]', '', '', '[]', NULL, NULL, position
FROM extra ORDER BY rowid;
DROP TABLE extra;
ALTER TABLE extra_widened RENAME TO extra;
CREATE INDEX extra_by_plan ON extra (plan_id);
CREATE INDEX extra_by_campaign ON extra (campaign_id);

-- What the new kinds may hold, as in the rules that ship.
ALTER TABLE rule_set ADD COLUMN listed_values TEXT NOT NULL DEFAULT
  '{"least":3,"most":10,"textLimit":25,"headers":["Services","Types","Models","Styles","Courses","Destinations","Brands","Neighbourhoods"]}';
ALTER TABLE rule_set ADD COLUMN price_rows TEXT NOT NULL DEFAULT
  '{"least":3,"most":8,"textLimit":25,"headers":["Services","Products","Courses","Events","Places"]}';
ALTER TABLE rule_set ADD COLUMN dated_offer TEXT NOT NULL DEFAULT '{"textLimit":25}';

-- Texts that the law or the client wants in every ad.
ALTER TABLE brief ADD COLUMN necessary TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(necessary));
