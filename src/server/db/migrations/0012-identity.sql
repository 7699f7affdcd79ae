-- The name of this record: a back-up of it keeps the name, a record begun anew has another.
CREATE TABLE identity (
  only_one INTEGER PRIMARY KEY CHECK (only_one = 1),
  id TEXT NOT NULL
) STRICT;
INSERT INTO identity VALUES (1, lower(hex(randomblob(16))));
