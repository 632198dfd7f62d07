-- The currency of the amounts in a version, where the account's was changed since; empty: the account's as it is.
ALTER TABLE version ADD COLUMN currency TEXT NOT NULL DEFAULT '';
