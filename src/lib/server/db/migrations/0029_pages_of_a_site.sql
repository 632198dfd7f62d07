-- Pages of a site as a source, and campaigns and groups that are driven by them.
CREATE TABLE site_page (
  plan_id TEXT NOT NULL,
  id TEXT PRIMARY KEY,
  address TEXT NOT NULL,
  title TEXT NOT NULL,
  text TEXT NOT NULL,
  price_minor INTEGER CHECK (price_minor >= 0),
  columns TEXT NOT NULL,
  status INTEGER,
  answered TEXT NOT NULL,
  origin TEXT NOT NULL CHECK (origin IN ('feed', 'map', 'site', 'pasted')),
  seen_on TEXT,
  change TEXT NOT NULL CHECK (change IN ('same', 'new', 'changed', 'gone')),
  position INTEGER NOT NULL,
  UNIQUE (plan_id, address)
) STRICT;

ALTER TABLE campaign ADD COLUMN driven_by TEXT NOT NULL DEFAULT 'keywords' CHECK (driven_by IN ('keywords', 'pages'));
ALTER TABLE campaign ADD COLUMN page_domain TEXT NOT NULL DEFAULT '';
ALTER TABLE campaign ADD COLUMN page_source TEXT NOT NULL DEFAULT 'feed' CHECK (page_source IN ('feed', 'found', 'both'));
ALTER TABLE campaign ADD COLUMN pages_off TEXT NOT NULL DEFAULT '[]';
ALTER TABLE ad_group ADD COLUMN pages_when TEXT NOT NULL DEFAULT '';
