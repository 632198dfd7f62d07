-- What the last reading of a plan found: it is read anew only where something has changed. Beside the summaries, which are read often: with rows
-- of megabytes among them each one would be read whole.
CREATE TABLE plan_proof (
  plan_id TEXT PRIMARY KEY,
  made_of TEXT NOT NULL,
  proof TEXT NOT NULL
) STRICT;
