-- Which drinks began as originals, with the wish that they came of; and what the house set of the kinship of aroma groups, 0 to 1.

CREATE TABLE original (
  drink_id INTEGER PRIMARY KEY REFERENCES drink (id) ON DELETE CASCADE,
  wish     TEXT NOT NULL CHECK (json_valid(wish))
) STRICT;

CREATE TABLE kinship (
  one   TEXT NOT NULL CHECK (length(one) BETWEEN 1 AND 40),
  other TEXT NOT NULL CHECK (length(other) BETWEEN 1 AND 40),
  value REAL NOT NULL CHECK (value BETWEEN 0 AND 1),
  PRIMARY KEY (one, other),
  CHECK (one <= other)
) STRICT, WITHOUT ROWID;
