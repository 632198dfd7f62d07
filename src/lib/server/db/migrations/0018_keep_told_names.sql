-- What names in finds are, told once for all plans of a client.
CREATE TABLE told_name (
  id TEXT PRIMARY KEY,
  client_id TEXT NOT NULL,
  word TEXT NOT NULL,
  meaning TEXT NOT NULL CHECK (meaning IN ('competitor', 'make-sold', 'make-not-sold', 'ordinary', 'place')),
  position INTEGER NOT NULL,
  UNIQUE (client_id, word)
) STRICT;
