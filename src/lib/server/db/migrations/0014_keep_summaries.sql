-- What the Shelf shows of a plan, and what it was made of: the Shelf opens no plan.
CREATE TABLE plan_summary (
  plan_id TEXT PRIMARY KEY,
  made_of TEXT NOT NULL,
  summary TEXT NOT NULL CHECK (json_valid(summary))
) STRICT, WITHOUT ROWID;
