-- What was noted when somebody looked at a plan that runs, after 3, 7, 14 and 30 days and when tests end.
CREATE TABLE look (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  key TEXT NOT NULL,
  done_on TEXT,
  note TEXT NOT NULL,
  position INTEGER NOT NULL,
  UNIQUE (plan_id, key)
) STRICT;
CREATE INDEX look_by_plan ON look (plan_id);
