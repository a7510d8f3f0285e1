import type { Original, Wish } from '../../api/client';

/** A wish for nothing in particular. */
export const ANY: Wish = {
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
export function toAddress(wish: Wish): string {
  const told = Object.entries(wish).filter(
    ([key, value]) => JSON.stringify(value) !== JSON.stringify(ANY[key as keyof Wish]),
  );
  return JSON.stringify(Object.fromEntries(told));
}

/** The wish of an address; what isn't one is no wish. */
export function fromAddress(text: string | null): Wish {
  try {
    const told: unknown = JSON.parse(text ?? '{}');
    if (typeof told !== 'object' || told === null) return ANY;
    const known = Object.entries(told).filter(([key, value]) => {
      const usual: unknown = ANY[key as keyof Wish];
      return (
        key in ANY &&
        (usual === null || (typeof usual === typeof value && Array.isArray(usual) === Array.isArray(value)))
      );
    });
    return { ...ANY, ...(Object.fromEntries(known) as Partial<Wish>) };
  } catch {
    return ANY;
  }
}

/** The same with something asked for, left out, or neither any more. */
export function placed(wish: Wish, list: 'must' | 'may' | 'without', word: string): Wish {
  const without = (words: string[]) => words.filter((each) => each !== word);
  const cleared = { ...wish, must: without(wish.must), may: without(wish.may), without: without(wish.without) };
  return { ...cleared, [list]: [...cleared[list], word] };
}

export function dropped(wish: Wish, word: string): Wish {
  const without = (words: string[]) => words.filter((each) => each !== word);
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
export function like(wish: Wish, original: Original): Wish {
  return { ...wish, like: original.parts.map(({ slug }) => slug), shape: [], less: [] };
}

/** This one with another ingredient in one of its parts, and the rest as it is. */
export function varied(wish: Wish, original: Original, part: string): Wish {
  const [varying] = original.parts.filter((each) => each.part === part);
  const rest = original.parts.filter((each) => each !== varying);
  return {
    ...wish,
    like: [],
    must: rest.map(({ slug }) => slug),
    without: [...new Set([...wish.without, ...(varying ? [varying.slug] : [])])],
    shape: original.parts.map((each) => each.part),
  };
}
