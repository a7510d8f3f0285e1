-- What composition can't see of an ingredient: aroma weights 1 to 3 by tag, and how firmly it foams. Labels with a source of their own
-- (bitterness 0-5, absorbance per cm, cloudiness 0-1, days that it keeps, ml from which it is loud, price a litre) are ingredient values.
ALTER TABLE ingredient ADD COLUMN aroma TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(aroma));
ALTER TABLE ingredient ADD COLUMN foam TEXT NOT NULL DEFAULT '' CHECK (foam IN ('', 'light', 'firm'));

-- Kept trials that the house counts among the reference specs of their family: its home reaches to them.
CREATE TABLE house_reference (
  trial_id INTEGER PRIMARY KEY REFERENCES trial (id) ON DELETE CASCADE
) STRICT;
