-- One word for what the model foretells, one for the specs gathered of a drink; and a token that tells when the larder changed.
ALTER TABLE trial RENAME COLUMN foreseen TO forecast;
ALTER TABLE gathered_spec RENAME TO cloud_spec;
DROP INDEX gathered_by_drink;
CREATE INDEX cloud_spec_by_drink ON cloud_spec (drink_id);

-- Drawn anew with each change of what `store.ingredients` reads, so that two connections that see the same token see the same larder;
-- a copy of the file that goes its own way draws its own.
CREATE TABLE larder_state (
  only  INTEGER PRIMARY KEY CHECK (only = 1),
  token TEXT NOT NULL
) STRICT;
INSERT INTO larder_state (only, token) VALUES (1, hex(randomblob(16)));

CREATE TRIGGER ingredient_added AFTER INSERT ON ingredient BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER ingredient_changed AFTER UPDATE ON ingredient BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER ingredient_removed AFTER DELETE ON ingredient BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER value_added AFTER INSERT ON ingredient_value BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER value_changed AFTER UPDATE ON ingredient_value BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER value_removed AFTER DELETE ON ingredient_value BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER shelf_added AFTER INSERT ON shelf BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER shelf_changed AFTER UPDATE ON shelf BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
CREATE TRIGGER shelf_removed AFTER DELETE ON shelf BEGIN UPDATE larder_state SET token = hex(randomblob(16)); END;
