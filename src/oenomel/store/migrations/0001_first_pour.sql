-- Ingredients, drinks, trials and drafts.
-- Units: abv in % v/v, density in g/ml, co2 in g/l, all other composition values in g per 100 ml; times in UTC, ISO 8601.

CREATE TABLE ingredient (
  slug       TEXT PRIMARY KEY CHECK (length(slug) BETWEEN 1 AND 100),
  name       TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
  kind       TEXT NOT NULL,
  slots      TEXT NOT NULL CHECK (json_valid(slots)),
  impression TEXT NOT NULL,
  allergens  TEXT NOT NULL CHECK (json_valid(allergens)),
  cautions   TEXT NOT NULL CHECK (json_valid(cautions)),
  piece_ml   REAL CHECK (piece_ml >= 0),
  piece_g    REAL CHECK (piece_g >= 0),
  origin     TEXT NOT NULL CHECK (origin IN ('catalogue', 'demo', 'house'))
) STRICT;

CREATE TABLE ingredient_value (
  slug        TEXT NOT NULL REFERENCES ingredient (slug) ON DELETE CASCADE,
  name        TEXT NOT NULL,
  value       REAL NOT NULL CHECK (value >= 0),
  relative_sd REAL NOT NULL CHECK (relative_sd BETWEEN 0 AND 2),
  source      TEXT NOT NULL CHECK (length(source) > 0),
  source_kind TEXT NOT NULL,
  why         TEXT NOT NULL,
  PRIMARY KEY (slug, name)
) STRICT, WITHOUT ROWID;

CREATE TABLE drink (
  id         INTEGER PRIMARY KEY,
  name       TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
  family     TEXT NOT NULL CHECK (family IN ('sour', 'daisy', 'fizz', 'open')),
  origin     TEXT NOT NULL CHECK (origin IN ('demo', 'house')),
  created_at TEXT NOT NULL
) STRICT;

-- A trial is kept as made: the spec, and what was foreseen when it was kept.
CREATE TABLE trial (
  id              INTEGER PRIMARY KEY,
  drink_id        INTEGER NOT NULL REFERENCES drink (id) ON DELETE CASCADE,
  number          INTEGER NOT NULL CHECK (number >= 1),
  parent_trial_id INTEGER REFERENCES trial (id),
  name            TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
  reason          TEXT NOT NULL CHECK (length(reason) <= 2000),
  spec            TEXT NOT NULL CHECK (json_valid(spec)),
  foreseen        TEXT NOT NULL CHECK (json_valid(foreseen)),
  kept_at         TEXT NOT NULL,
  UNIQUE (drink_id, number)
) STRICT;

CREATE TRIGGER trial_is_never_rewritten BEFORE UPDATE ON trial
BEGIN
  SELECT RAISE(ABORT, 'a trial is kept as made');
END;

CREATE TABLE draft (
  drink_id        INTEGER PRIMARY KEY REFERENCES drink (id) ON DELETE CASCADE,
  parent_trial_id INTEGER NOT NULL REFERENCES trial (id),
  spec            TEXT NOT NULL CHECK (json_valid(spec)),
  revision        INTEGER NOT NULL CHECK (revision >= 1),
  saved_at        TEXT NOT NULL
) STRICT;

CREATE INDEX trial_by_drink ON trial (drink_id, number);
