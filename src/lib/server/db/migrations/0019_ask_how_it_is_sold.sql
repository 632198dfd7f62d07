-- What the client does with what is sold, how it reaches people, and whom the client works for; empty and null: not said.
ALTER TABLE brief ADD COLUMN does TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(does));
ALTER TABLE brief ADD COLUMN reaches TEXT CHECK (reaches IN ('parcels', 'visits', 'both'));
ALTER TABLE brief ADD COLUMN serves TEXT CHECK (serves IN ('homes', 'firms', 'both'));
