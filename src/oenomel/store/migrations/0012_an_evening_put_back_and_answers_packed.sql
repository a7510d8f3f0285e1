-- The answer of a write, compressed; null where only that it was written is still known. `answer` holds those of earlier versions.
ALTER TABLE answered_write ADD COLUMN packed BLOB;

-- The evening that was forgotten last with its ticks, until another one begins: it can be put back.
CREATE TABLE forgotten_evening (
  id      INTEGER PRIMARY KEY CHECK (id = 1),
  content TEXT NOT NULL CHECK (json_valid(content)),
  ticks   TEXT NOT NULL CHECK (json_valid(ticks))
) STRICT;

-- Where on this machine the house was opened to be written in: what a browser keeps for later, it keeps by this address.
CREATE TABLE opened_at (
  origin  TEXT PRIMARY KEY CHECK (length(origin) BETWEEN 8 AND 200),
  last_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
