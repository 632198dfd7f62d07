-- What the client sells; null: as the offer says.
ALTER TABLE brief ADD COLUMN sells TEXT CHECK (sells IN ('service', 'thing', 'course'));
