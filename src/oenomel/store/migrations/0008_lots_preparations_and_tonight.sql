-- What is really in today's bottles, what was cooked, what is sold tonight; and what the house has changed of the larder.
-- Units: readings in the unit of their kind (core.larder.READABLE), volumes in ml, prices in the house's own currency, a litre of what is
-- poured and a kilogram of what is weighed; times in UTC, ISO 8601.

-- Today's squeeze, this bottle, this batch. `made_at` is when it was pressed, opened or cooked; `pieces` the fruit that went into it;
-- `preparation` the preparation file as it was really made, empty where nothing was cooked; `contents` what that came to then, as values
-- of an ingredient.
CREATE TABLE lot (
  id          INTEGER PRIMARY KEY,
  slug        TEXT NOT NULL REFERENCES ingredient (slug),
  name        TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
  made_at     TEXT NOT NULL,
  used_up_at  TEXT CHECK (used_up_at >= made_at),
  volume_ml   REAL CHECK (volume_ml > 0 AND volume_ml <= 1000000),
  left_ml     REAL CHECK (left_ml >= 0 AND left_ml <= 1000000),
  pieces      INTEGER CHECK (pieces BETWEEN 1 AND 5000),
  preparation TEXT NOT NULL DEFAULT '' CHECK (preparation = '' OR json_valid(preparation)),
  contents    TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(contents)),
  origin      TEXT NOT NULL CHECK (origin IN ('demo', 'house')),
  UNIQUE (slug, name)
) STRICT;
CREATE INDEX lot_by_time ON lot (slug, made_at);

CREATE TABLE lot_reading (
  id       INTEGER PRIMARY KEY,
  lot_id   INTEGER NOT NULL REFERENCES lot (id) ON DELETE CASCADE,
  what     TEXT NOT NULL CHECK (what IN ('acid', 'brix', 'abv', 'ph', 'density')),
  value    REAL NOT NULL,
  sd       REAL CHECK (sd > 0),
  device   TEXT NOT NULL,
  taken_at TEXT NOT NULL
) STRICT;
CREATE INDEX lot_reading_by_lot ON lot_reading (lot_id);

-- What the house knows how to make: `slug` is what it makes, `content` the preparation file.
CREATE TABLE preparation (
  id      INTEGER PRIMARY KEY,
  slug    TEXT NOT NULL UNIQUE REFERENCES ingredient (slug),
  content TEXT NOT NULL CHECK (json_valid(content)),
  origin  TEXT NOT NULL CHECK (origin IN ('demo', 'house'))
) STRICT;

-- Values that the house has set right; they lie over the catalogue's and outlast a new one.
CREATE TABLE house_value (
  slug        TEXT NOT NULL REFERENCES ingredient (slug) ON DELETE CASCADE,
  name        TEXT NOT NULL,
  value       REAL NOT NULL CHECK (value >= 0),
  relative_sd REAL NOT NULL CHECK (relative_sd BETWEEN 0 AND 2),
  source      TEXT NOT NULL CHECK (length(source) > 0),
  source_kind TEXT NOT NULL,
  why         TEXT NOT NULL,
  PRIMARY KEY (slug, name)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER house_value_added AFTER INSERT ON house_value BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER house_value_changed AFTER UPDATE ON house_value BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER house_value_removed AFTER DELETE ON house_value BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;

-- No longer offered; what trials pour of it stays what it was.
CREATE TABLE retired_ingredient (
  slug TEXT PRIMARY KEY REFERENCES ingredient (slug) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
CREATE TRIGGER retired_added AFTER INSERT ON retired_ingredient BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER retired_removed AFTER DELETE ON retired_ingredient BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;

-- At least so much of it should stand there, and what a kilogram of dry goods costs.
CREATE TABLE par (
  slug   TEXT PRIMARY KEY REFERENCES ingredient (slug) ON DELETE CASCADE,
  par_ml REAL NOT NULL CHECK (par_ml > 0 AND par_ml <= 1000000)
) STRICT, WITHOUT ROWID;
CREATE TABLE good_price (
  slug         TEXT PRIMARY KEY CHECK (length(slug) BETWEEN 1 AND 100),
  price_per_kg REAL NOT NULL CHECK (price_per_kg > 0 AND price_per_kg <= 100000)
) STRICT, WITHOUT ROWID;

-- What a drink is sold for, and how many of it are expected tonight.
CREATE TABLE on_the_list (
  drink_id INTEGER PRIMARY KEY REFERENCES drink (id) ON DELETE CASCADE,
  price    REAL CHECK (price > 0 AND price <= 100000),
  serves   INTEGER CHECK (serves BETWEEN 0 AND 10000)
) STRICT;

CREATE TABLE house_setting (
  name  TEXT PRIMARY KEY,
  value TEXT NOT NULL CHECK (length(value) <= 200)
) STRICT, WITHOUT ROWID;
