-- Pages that ads lead to, as they were read: what they say is held against the lines.
CREATE TABLE seen_page (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  address TEXT NOT NULL,
  seen_on TEXT NOT NULL,
  status INTEGER NOT NULL,
  answered TEXT NOT NULL,
  pieces TEXT NOT NULL CHECK (json_valid(pieces)),
  links TEXT NOT NULL CHECK (json_valid(links)),
  fits_phones INTEGER NOT NULL CHECK (fits_phones IN (0, 1)),
  language TEXT NOT NULL,
  position INTEGER NOT NULL,
  UNIQUE (plan_id, address)
) STRICT;
CREATE INDEX seen_page_by_plan ON seen_page (plan_id);
