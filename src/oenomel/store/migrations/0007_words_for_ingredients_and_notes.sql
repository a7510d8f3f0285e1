-- What an ingredient is called besides its name, as a list, and how usual it is: 1 behind every bar to 4 seldom.
ALTER TABLE ingredient ADD COLUMN also TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(also) AND json_type(also) = 'array');
ALTER TABLE ingredient ADD COLUMN rank INTEGER NOT NULL DEFAULT 2 CHECK (rank BETWEEN 1 AND 4);

-- What is to be remembered of a drink and stands nowhere else: above all the lines of a recipe that was read and could not be placed.
ALTER TABLE drink ADD COLUMN notes TEXT NOT NULL DEFAULT '' CHECK (length(notes) <= 10000);
