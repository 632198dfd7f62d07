-- Which data file this is: what was typed for one is never sent to another.
CREATE TABLE file_mark (mark TEXT PRIMARY KEY) STRICT;
INSERT INTO file_mark VALUES (lower(hex(randomblob(8))));
