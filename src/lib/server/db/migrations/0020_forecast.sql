-- The constants of the estimates in each rule set, scenarios beside a plan, keywords parked out of their groups, and groups on trial.
ALTER TABLE rule_set ADD COLUMN estimates TEXT NOT NULL DEFAULT '{"reach":{"exact":[1,1,1],"phrase":[1,1.26,1.6],"broad":[1,1.73,3]},"shareShown":[0,0.4,0.6,0.72,0.85],"clickThrough":[0.03,0.035,0.048,0.056,0.062],"paidOfBid":[0.85,0.85,0.75,0.65,0.5],"clickThroughFactors":[0.75,1,1.25],"ownName":{"shareShown":0.9,"clickThrough":0.25},"leastImpressions":100,"leastLimit":0.9,"wants":{"buy":1.2,"price":1,"compare":0.6,"unclear":0.4},"firstMonth":0.7,"devices":{"computer":0.35,"phone":0.6,"tablet":0.05},"aimedShare":0.2}' CHECK (json_valid(estimates));

CREATE TABLE scenario (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  bid_minor INTEGER,
  monthly_minor INTEGER,
  all_hours INTEGER NOT NULL CHECK (all_hours IN (0, 1)),
  all_devices INTEGER NOT NULL CHECK (all_devices IN (0, 1)),
  match TEXT CHECK (match IN ('broad', 'phrase', 'exact')),
  click_rate TEXT NOT NULL,
  places_off TEXT NOT NULL CHECK (json_valid(places_off)),
  position INTEGER NOT NULL
) STRICT;
CREATE UNIQUE INDEX scenario_named_once ON scenario (plan_id, name);

CREATE TABLE parked_keyword (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  group_id TEXT NOT NULL REFERENCES ad_group (id) DEFERRABLE INITIALLY DEFERRED,
  text TEXT NOT NULL,
  match TEXT NOT NULL CHECK (match IN ('broad', 'phrase', 'exact')),
  bid_minor INTEGER,
  position INTEGER NOT NULL
) STRICT;
CREATE INDEX parked_keyword_by_plan ON parked_keyword (plan_id);
CREATE UNIQUE INDEX parked_keyword_stands_once ON parked_keyword (group_id, text, match);

ALTER TABLE ad_group ADD COLUMN trial_until TEXT;
ALTER TABLE ad_group ADD COLUMN trial_decides TEXT NOT NULL DEFAULT '';
ALTER TABLE ad_group ADD COLUMN trial_most_minor INTEGER;

-- Shares of searches shown and clicked are no longer assumed once for all: the model's constants say them by what is bid.
UPDATE house_rule SET "values" = json_remove("values", '$.shareShownPercent', '$.clickThroughPercent');
UPDATE step_row SET
  before = json_remove(before, '$.values.shareShownPercent', '$.values.clickThroughPercent'),
  after = json_remove(after, '$.values.shareShownPercent', '$.values.clickThroughPercent')
WHERE record = 'houseRule';
