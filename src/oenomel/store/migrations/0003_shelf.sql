-- My shelf: which ingredients the house has, and what it pays for them (price in the house's own currency, per litre).
CREATE TABLE shelf (
  slug            TEXT PRIMARY KEY REFERENCES ingredient (slug) ON DELETE CASCADE,
  state           TEXT NOT NULL CHECK (state IN ('at hand', 'low', 'out')),
  price_per_litre REAL CHECK (price_per_litre BETWEEN 0 AND 10000)
) STRICT, WITHOUT ROWID;
