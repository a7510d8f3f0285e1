-- The tongue: sittings of triangle tests, exercises without a glass, and who is in training. Amounts in ml, times in UTC, ISO 8601.

-- A sitting: two jugs for one matter. `bottles` names the bottle of each job by slug; `jugs` what was poured into each, as it came to.
CREATE TABLE sitting (
  id       INTEGER PRIMARY KEY,
  matter   TEXT NOT NULL CHECK (matter IN ('sugar', 'acid', 'abv', 'smell')),
  tasters  TEXT NOT NULL CHECK (json_valid(tasters)),
  rounds   INTEGER NOT NULL CHECK (rounds BETWEEN 1 AND 40),
  alone    INTEGER NOT NULL CHECK (alone IN (0, 1)),
  grid_ml  REAL NOT NULL CHECK (grid_ml BETWEEN 0.5 AND 5),
  bottles  TEXT NOT NULL CHECK (json_valid(bottles)),
  jugs     TEXT NOT NULL CHECK (json_valid(jugs)),
  began_at TEXT NOT NULL,
  ended_at TEXT CHECK (ended_at >= began_at)
) STRICT;

-- A triangle of a sitting: which of three glasses is the odd one is its key. `steps` on the house's ruler; parts out of a glass's parts.
CREATE TABLE triangle (
  id          INTEGER PRIMARY KEY,
  sitting_id  INTEGER NOT NULL REFERENCES sitting (id) ON DELETE CASCADE,
  taster      TEXT NOT NULL CHECK (length(taster) BETWEEN 1 AND 100),
  steps       REAL NOT NULL CHECK (steps > 0 AND steps <= 8),
  less_parts  INTEGER NOT NULL CHECK (less_parts >= 0),
  more_parts  INTEGER NOT NULL CHECK (more_parts > less_parts),
  odd         INTEGER NOT NULL CHECK (odd BETWEEN 1 AND 3),
  odd_is_more INTEGER NOT NULL CHECK (odd_is_more IN (0, 1)),
  asked_at    TEXT NOT NULL,
  answer      INTEGER CHECK (answer BETWEEN 1 AND 3),
  found       INTEGER CHECK (found IN (0, 1)),
  answered_at TEXT CHECK (answered_at >= asked_at AND (answered_at IS NULL) = (found IS NULL))
) STRICT;
CREATE INDEX triangle_by_sitting ON triangle (sitting_id);
CREATE INDEX triangle_by_taster ON triangle (taster);

-- An exercise without a glass, with its solution; `score` is the part of it that was answered rightly.
CREATE TABLE exercise (
  id          INTEGER PRIMARY KEY,
  taster      TEXT NOT NULL CHECK (length(taster) BETWEEN 1 AND 100),
  kind        TEXT NOT NULL CHECK (kind IN ('swap', 'fault', 'correction')),
  title       TEXT NOT NULL CHECK (length(title) <= 1000),
  question    TEXT NOT NULL CHECK (json_valid(question)),
  solution    TEXT NOT NULL CHECK (json_valid(solution)),
  asked_at    TEXT NOT NULL,
  said        TEXT CHECK (said IS NULL OR json_valid(said)),
  score       REAL CHECK (score BETWEEN 0 AND 1),
  answered_at TEXT CHECK (answered_at >= asked_at AND (answered_at IS NULL) = (score IS NULL))
) STRICT;
CREATE INDEX exercise_by_taster ON exercise (taster);

-- Who is in training, and since when: what was done from then on counts for the week's plan.
CREATE TABLE training (
  taster   TEXT PRIMARY KEY CHECK (length(taster) BETWEEN 1 AND 100),
  began_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
