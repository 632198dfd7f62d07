-- Whether rows of rules over pages can say that a field does not compare so.
ALTER TABLE layout ADD COLUMN takes_not INTEGER NOT NULL DEFAULT 1 CHECK (takes_not IN (0, 1));
