-- What is guessed from the class of an ingredient is known by its kind of source, and no longer by the words of its reasoning.
UPDATE ingredient_value SET source_kind = 'median of the kind' WHERE source_kind = 'estimate' AND why LIKE 'middle of % of the kind %';
UPDATE ingredient_value SET source_kind = 'class on the label' WHERE source_kind = 'label' AND why LIKE 'middle of the class %';
UPDATE house_value SET source_kind = 'median of the kind' WHERE source_kind = 'estimate' AND why LIKE 'middle of % of the kind %';
UPDATE house_value SET source_kind = 'class on the label' WHERE source_kind = 'label' AND why LIKE 'middle of the class %';
