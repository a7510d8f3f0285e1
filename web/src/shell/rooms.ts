/** Every room behind the nearest ones: where it is, its name, and what is found there. */
export const ROOMS = [
  ['/originals', 'Originals', 'drinks nobody has mixed yet'],
  ['/batches', 'Batches', 'bottles mixed, what is left'],
  ['/tonight', 'Tonight', 'the evening worked backwards'],
  ['/larder', 'Larder', 'ingredients, what is in them'],
  ['/lots', 'Lots', 'squeezes, bottles, batches'],
  ['/stillroom', 'Stillroom', 'syrups and what else is made'],
  ['/shelf', 'Shelf', 'at hand, low, out'],
  ['/tree', 'Tree', 'who descends from whom'],
  ['/palates', 'Palates', 'who likes what'],
] as const;
