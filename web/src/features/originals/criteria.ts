import type { Criteria, Original } from '@/api';

/** A wish for nothing in particular. */
export const ANYTHING: Criteria = {
  family: 'sour',
  form: '',
  must: [],
  may: [],
  less: [],
  without: [],
  at_hand: false,
  use_up_soon: false,
  abv: null,
  sweetness: '',
  palate: null,
  most_cost: null,
  colour: '',
  aroma: [],
  season: '',
  from_book: '',
  least_ingredients: 3,
  most_ingredients: 6,
  shape: [],
  like: [],
  taken_names: [],
  count: 8,
  seed: 1,
  grid: 2.5,
};

/** What a wish asks for beyond nothing in particular, as it stands in an address. */
export function toAddress(wish: Criteria): string {
  const told = Object.entries(wish).filter(
    ([key, value]) => JSON.stringify(value) !== JSON.stringify(ANYTHING[key as keyof Criteria]),
  );
  return JSON.stringify(Object.fromEntries(told));
}

/** The wish of an address; what isn't one is no wish. */
export function fromAddress(text: string | null): Criteria {
  try {
    const told: unknown = JSON.parse(text ?? '{}');
    if (typeof told !== 'object' || told === null) return ANYTHING;
    const known = Object.entries(told).filter(([key, value]) => {
      const usual: unknown = ANYTHING[key as keyof Criteria];
      return (
        key in ANYTHING &&
        (usual === null || (typeof usual === typeof value && Array.isArray(usual) === Array.isArray(value)))
      );
    });
    return { ...ANYTHING, ...(Object.fromEntries(known) as Partial<Criteria>) };
  } catch {
    return ANYTHING;
  }
}

/** The same with something asked for, left out, or neither any more. */
export function withPreference(wish: Criteria, list: 'must' | 'may' | 'without', word: string): Criteria {
  const without = (words: string[]) => words.filter((item) => item !== word);
  const cleared = { ...wish, must: without(wish.must), may: without(wish.may), without: without(wish.without) };
  return { ...cleared, [list]: [...cleared[list], word] };
}

export function withoutPreference(wish: Criteria, word: string): Criteria {
  const without = (words: string[]) => words.filter((item) => item !== word);
  return {
    ...wish,
    must: without(wish.must),
    may: without(wish.may),
    without: without(wish.without),
    less: without(wish.less),
    like: without(wish.like),
    aroma: without(wish.aroma),
  };
}

/** Others like this one. */
export function similarTo(wish: Criteria, original: Original): Criteria {
  return { ...wish, like: original.parts.map(({ slug }) => slug), shape: [], less: [] };
}

/** This one with another ingredient in one of its parts, and the rest as it is. */
export function withVariedPart(wish: Criteria, original: Original, part: string): Criteria {
  const [varying] = original.parts.filter((item) => item.part === part);
  const rest = original.parts.filter((item) => item !== varying);
  return {
    ...wish,
    like: [],
    must: rest.map(({ slug }) => slug),
    without: [...new Set([...wish.without, ...(varying ? [varying.slug] : [])])],
    shape: original.parts.map((item) => item.part),
  };
}
