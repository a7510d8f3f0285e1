-- Batches and the evening. Amounts in ml, times in UTC, ISO 8601.

-- A batch as it was made: `spec` the drink, `wish` how it was asked, `poured` what really went in (what was kept of an older one too),
-- `contents` what that came to per 100 ml, `recipe` what it should have, `label` what is stuck on it. `older_ml` of `older_id` were in it when it was filled.
CREATE TABLE batch (
  id           INTEGER PRIMARY KEY,
  drink_id     INTEGER NOT NULL REFERENCES drink (id) ON DELETE CASCADE,
  name         TEXT NOT NULL UNIQUE CHECK (length(name) BETWEEN 1 AND 200),
  made_at      TEXT NOT NULL,
  made_by      TEXT NOT NULL CHECK (length(made_by) <= 100),
  use_by       TEXT NOT NULL CHECK (use_by >= made_at),
  used_up_at   TEXT CHECK (used_up_at >= made_at),
  spec         TEXT NOT NULL CHECK (json_valid(spec)),
  wish         TEXT NOT NULL CHECK (json_valid(wish)),
  poured       TEXT NOT NULL CHECK (json_valid(poured)),
  contents     TEXT NOT NULL CHECK (json_valid(contents)),
  recipe       TEXT NOT NULL CHECK (json_valid(recipe)),
  label        TEXT NOT NULL CHECK (json_valid(label)),
  serve_ml     REAL NOT NULL CHECK (serve_ml > 0 AND serve_ml <= 100000),
  volume_ml    REAL NOT NULL CHECK (volume_ml > 0 AND volume_ml <= 10000000),
  left_ml      REAL NOT NULL CHECK (left_ml >= 0 AND left_ml <= volume_ml + 0.001),
  container_ml REAL NOT NULL CHECK (container_ml > 0 AND container_ml <= 10000000),
  older_id     INTEGER REFERENCES batch (id) ON DELETE SET NULL,
  older_ml     REAL NOT NULL CHECK (older_ml >= 0),
  wood         INTEGER NOT NULL CHECK (wood IN (0, 1)),
  note         TEXT NOT NULL CHECK (length(note) <= 2000),
  origin       TEXT NOT NULL CHECK (origin IN ('demo', 'house'))
) STRICT;
CREATE INDEX batch_by_drink ON batch (drink_id, made_at);

-- What happened to a bottle, oldest first.
CREATE TABLE batch_log (
  id       INTEGER PRIMARY KEY,
  batch_id INTEGER NOT NULL REFERENCES batch (id) ON DELETE CASCADE,
  at       TEXT NOT NULL,
  kind     TEXT NOT NULL CHECK (kind IN ('made', 'served', 'added', 'read', 'kept over', 'set right')),
  words    TEXT NOT NULL CHECK (length(words) <= 1000)
) STRICT;
CREATE INDEX batch_log_by_batch ON batch_log (batch_id);

-- The evening that is ahead: one at a time, its drinks as JSON in their order, and what was ticked of its tasks and its list.
CREATE TABLE evening (
  id      INTEGER PRIMARY KEY CHECK (id = 1),
  content TEXT NOT NULL CHECK (json_valid(content))
) STRICT;
CREATE TABLE evening_tick (
  key     TEXT PRIMARY KEY CHECK (length(key) BETWEEN 1 AND 400),
  done_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
