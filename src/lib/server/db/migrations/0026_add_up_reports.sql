-- The day a line of a report is about, and what its last line counted in all: so that imports add up once, and what a report hides can be said.
ALTER TABLE report_row ADD COLUMN day TEXT;
ALTER TABLE report ADD COLUMN total_clicks INTEGER CHECK (total_clicks >= 0);
ALTER TABLE report ADD COLUMN total_cost_minor INTEGER CHECK (total_cost_minor >= 0);
