-- A journal is bounded in letters too: every step knows how many its rows have, before and after together.
ALTER TABLE step ADD COLUMN letters INTEGER NOT NULL DEFAULT 0;
UPDATE step SET letters = (
  SELECT coalesce(sum(coalesce(length(before), 0) + coalesce(length(after), 0)), 0) FROM step_row WHERE step_id = step.id
);
-- Changes that were made are remembered for as long as one might be sent again.
ALTER TABLE made_change ADD COLUMN made_on TEXT NOT NULL DEFAULT '';
UPDATE made_change SET made_on = date('now');
CREATE INDEX made_change_by_day ON made_change (made_on);
