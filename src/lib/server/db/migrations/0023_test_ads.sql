-- What an ad opens on the click apart from its page; a test version differs in one thing and is judged once, on a day set before.
ALTER TABLE ad ADD COLUMN counting_address TEXT NOT NULL DEFAULT '';
ALTER TABLE ad ADD COLUMN differs_in TEXT NOT NULL DEFAULT ''
  CHECK (differs_in IN ('', 'first-headline', 'insertion', 'price', 'question', 'offer'));
ALTER TABLE ad ADD COLUMN test_ends_on TEXT;
ALTER TABLE ad ADD COLUMN test_measure TEXT NOT NULL DEFAULT 'clicks' CHECK (test_measure IN ('clicks', 'conversions'));
