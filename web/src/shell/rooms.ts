/** Every room behind the nearest ones, by what one is about: where it is, its name, and what is found there. */
export const ROOM_GROUPS = [
  [
    'Develop',
    [
      ['/originals', 'Originals', 'drinks nobody has mixed yet'],
      ['/tree', 'Tree', 'who descends from whom'],
      ['/palates', 'Palates', 'who likes what'],
      ['/tongue', 'Tongue', 'triangles and exercises'],
    ],
  ],
  [
    'Keep',
    [
      ['/larder', 'Larder', 'ingredients, what is in them'],
      ['/lots', 'Lots', 'squeezes, bottles, batches'],
      ['/stillroom', 'Stillroom', 'syrups and what else is made'],
      ['/shelf', 'Shelf', 'at hand, low, out'],
    ],
  ],
  [
    'Serve',
    [
      ['/batches', 'Batches', 'bottles mixed, what is left'],
      ['/tonight', 'Tonight', 'the evening worked backwards'],
    ],
  ],
] as const;

export const ROOMS = ROOM_GROUPS.flatMap(([, rooms]) => [...rooms]);
