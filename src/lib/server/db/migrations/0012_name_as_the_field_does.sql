-- Rivals are competitors, and what is typed in one go in one field is an edit session.
ALTER TABLE step RENAME COLUMN sitting TO edit_session;
ALTER TABLE seen_rival RENAME TO seen_competitor;
DROP INDEX seen_rival_by_plan;
CREATE INDEX seen_competitor_by_plan ON seen_competitor (plan_id);
UPDATE step_row SET record = 'seenCompetitor' WHERE record = 'seenRival';
