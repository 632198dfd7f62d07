-- Reports of what was shown and clicked, line by line, beside the finds of the same text; and the term that brought a find.
CREATE TABLE report (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  imported_on TEXT NOT NULL,
  "from" TEXT,
  until TEXT,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX report_by_plan ON report (plan_id);

CREATE TABLE report_row (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  report_id TEXT NOT NULL REFERENCES report (id) DEFERRABLE INITIALLY DEFERRED,
  group_name TEXT NOT NULL,
  text TEXT NOT NULL,
  clicks INTEGER CHECK (clicks >= 0),
  impressions INTEGER CHECK (impressions >= 0),
  cost_minor INTEGER CHECK (cost_minor >= 0),
  average_cost_minor INTEGER CHECK (average_cost_minor >= 0),
  conversions REAL CHECK (conversions >= 0),
  value_minor INTEGER CHECK (value_minor >= 0),
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX report_row_by_plan ON report_row (plan_id);
CREATE INDEX report_row_by_report ON report_row (report_id);

ALTER TABLE find ADD COLUMN brought_by TEXT NOT NULL DEFAULT '';

-- Whether whoever loads tables takes no keyword or group without a bid.
ALTER TABLE layout ADD COLUMN demands_bids INTEGER NOT NULL DEFAULT 0 CHECK (demands_bids IN (0, 1));

-- Whether groups and keywords go out before any ad is written.
ALTER TABLE brief ADD COLUMN keywords_first INTEGER NOT NULL DEFAULT 0 CHECK (keywords_first IN (0, 1));

-- What of an ad came from its master, and what that said then.
ALTER TABLE ad ADD COLUMN master_paths TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(master_paths));
ALTER TABLE ad_line ADD COLUMN master_line_id TEXT NOT NULL DEFAULT '';
ALTER TABLE ad_line ADD COLUMN master_text TEXT NOT NULL DEFAULT '';
