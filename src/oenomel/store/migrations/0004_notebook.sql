-- The notebook: how a trial was made, whose child it is, what was said and measured of it, the brief, other people's specs.
-- Units: said −3 (far too little) to 3 (far too much), score 0 to 10; measured values in the unit of their quantity (core.measuring);
-- ratio is water measured by water foreseen without the house's factor; times in UTC, ISO 8601.

-- What composition doesn't know of a making: maker, strainer, lots by slug, what was really poured, what was supposed of the ice.
ALTER TABLE trial ADD COLUMN made TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(made));

-- Further parents, of this drink or of others; the first, within the drink, stands in the trial itself.
CREATE TABLE trial_parent (
  trial_id        INTEGER NOT NULL REFERENCES trial (id) ON DELETE CASCADE,
  place           INTEGER NOT NULL CHECK (place BETWEEN 1 AND 3),
  parent_trial_id INTEGER NOT NULL REFERENCES trial (id) ON DELETE CASCADE,
  PRIMARY KEY (trial_id, place)
) STRICT, WITHOUT ROWID;

-- A trial itself is never rewritten; what became of it stands beside it. Hidden is out of view, and kept.
CREATE TABLE trial_mark (
  trial_id INTEGER PRIMARY KEY REFERENCES trial (id) ON DELETE CASCADE,
  mark     TEXT NOT NULL CHECK (mark IN ('finished', 'shelved', 'hidden'))
) STRICT;

CREATE TABLE tasting (
  id        INTEGER PRIMARY KEY,
  trial_id  INTEGER NOT NULL REFERENCES trial (id) ON DELETE CASCADE,
  taster    TEXT NOT NULL CHECK (length(taster) BETWEEN 1 AND 100),
  tasted_at TEXT NOT NULL,
  blind     INTEGER NOT NULL CHECK (blind IN (0, 1)),
  edge      TEXT NOT NULL CHECK (edge IN ('', 'with', 'without')),
  sugar     INTEGER CHECK (sugar BETWEEN -3 AND 3),
  acid      INTEGER CHECK (acid BETWEEN -3 AND 3),
  abv       INTEGER CHECK (abv BETWEEN -3 AND 3),
  body      INTEGER CHECK (body BETWEEN -3 AND 3),
  loud      TEXT NOT NULL,
  lacking   INTEGER NOT NULL CHECK (lacking IN (0, 1)),
  score     REAL CHECK (score BETWEEN 0 AND 10),
  words     TEXT NOT NULL CHECK (json_valid(words))
) STRICT;
CREATE INDEX tasting_by_trial ON tasting (trial_id);
CREATE INDEX tasting_by_taster ON tasting (taster, tasted_at);

-- A bottle or a juice tasted alone.
CREATE TABLE part_tasting (
  id        INTEGER PRIMARY KEY,
  slug      TEXT NOT NULL REFERENCES ingredient (slug) ON DELETE CASCADE,
  taster    TEXT NOT NULL CHECK (length(taster) BETWEEN 1 AND 100),
  tasted_at TEXT NOT NULL,
  words     TEXT NOT NULL CHECK (json_valid(words)),
  amended   INTEGER NOT NULL CHECK (amended IN (0, 1))
) STRICT;
CREATE INDEX part_tasting_by_slug ON part_tasting (slug);

-- What tasting changed in an ingredient; it outlasts a new catalogue.
CREATE TABLE amended_ingredient (
  slug       TEXT PRIMARY KEY REFERENCES ingredient (slug) ON DELETE CASCADE,
  aroma      TEXT NOT NULL CHECK (json_valid(aroma)),
  impression TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE palate_reset (
  taster TEXT PRIMARY KEY,
  since  TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE measurement (
  id       INTEGER PRIMARY KEY,
  trial_id INTEGER NOT NULL REFERENCES trial (id) ON DELETE CASCADE,
  quantity TEXT NOT NULL,
  point    TEXT NOT NULL CHECK (point IN ('tin', 'strained', 'served')),
  value    REAL NOT NULL,
  device   TEXT NOT NULL,
  taken_at TEXT NOT NULL
) STRICT;
CREATE INDEX measurement_by_trial ON measurement (trial_id);

-- What the measurements of a trial say of the water that its technique takes.
CREATE TABLE water_measure (
  trial_id  INTEGER PRIMARY KEY REFERENCES trial (id) ON DELETE CASCADE,
  technique TEXT NOT NULL,
  ratio     REAL NOT NULL CHECK (ratio BETWEEN 0.2 AND 3),
  how       TEXT NOT NULL
) STRICT;

CREATE TABLE brief (
  drink_id INTEGER PRIMARY KEY REFERENCES drink (id) ON DELETE CASCADE,
  content  TEXT NOT NULL CHECK (json_valid(content))
) STRICT;

-- Specs of the same drink from books and colleagues.
CREATE TABLE gathered_spec (
  id       INTEGER PRIMARY KEY,
  drink_id INTEGER NOT NULL REFERENCES drink (id) ON DELETE CASCADE,
  name     TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
  spec     TEXT NOT NULL CHECK (json_valid(spec)),
  added_at TEXT NOT NULL
) STRICT;
CREATE INDEX gathered_by_drink ON gathered_spec (drink_id);

-- What is poured in a trial that adds liquid, for "what can be made with what is at hand".
CREATE TABLE trial_ingredient (
  trial_id INTEGER NOT NULL REFERENCES trial (id) ON DELETE CASCADE,
  slug     TEXT NOT NULL,
  PRIMARY KEY (trial_id, slug)
) STRICT, WITHOUT ROWID;
INSERT OR IGNORE INTO trial_ingredient (trial_id, slug)
SELECT trial.id, json_extract(pour.value, '$.ingredient')
FROM trial, json_each(trial.spec, '$.pours') AS pour
WHERE json_type(pour.value, '$.ingredient') = 'text'
  AND coalesce(json_extract(pour.value, '$.stage'), 'mixed') NOT IN ('rim', 'garnish');

-- Every word by which a drink can be found; a part of three letters is enough.
CREATE VIRTUAL TABLE book_words USING fts5 (words, tokenize = 'trigram');
INSERT INTO book_words (rowid, words)
SELECT drink.id, drink.name || ' ' || drink.family || ' ' || coalesce((
  SELECT group_concat(trial.name || ' ' || trial.reason || ' ' || coalesce((
    SELECT group_concat(coalesce(ingredient.name, json_extract(pour.value, '$.ingredient.name')), ' ')
    FROM json_each(trial.spec, '$.pours') AS pour
    LEFT JOIN ingredient ON ingredient.slug = json_extract(pour.value, '$.ingredient')
  ), ''), ' ') FROM trial WHERE trial.drink_id = drink.id
), '') FROM drink;
