-- What a write was answered, by the key that its sender drew for it: a write that arrives again, because the answer was lost on the way,
-- gets the same answer and changes nothing. `request` is a digest of the method, the address and the body. Times in UTC, ISO 8601.
CREATE TABLE answered_write (
  key         TEXT PRIMARY KEY CHECK (length(key) BETWEEN 8 AND 200),
  request     TEXT NOT NULL,
  status      INTEGER NOT NULL CHECK (status BETWEEN 200 AND 299),
  answer      TEXT NOT NULL,
  answered_at TEXT NOT NULL
) STRICT;
CREATE INDEX answered_write_by_time ON answered_write (answered_at);

-- Devices that were let in from the network. What a device shows is a random secret of which only a digest is kept.
CREATE TABLE device (
  id        INTEGER PRIMARY KEY,
  name      TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 100),
  secret    TEXT NOT NULL UNIQUE,
  may_write INTEGER NOT NULL CHECK (may_write IN (0, 1)),
  paired_at TEXT NOT NULL
) STRICT;

-- What a device shows is signed with this, so that nothing forged reaches the table.
CREATE TABLE device_key (
  only INTEGER PRIMARY KEY CHECK (only = 1),
  key  TEXT NOT NULL
) STRICT;
INSERT INTO device_key (only, key) VALUES (1, hex(randomblob(32)));

-- By this a data file of Oenomel is known: "OENO".
PRAGMA application_id = 1329942095;
