import type { Ingredient, NewPour, PourEntry, Spec } from '@/api';

/** By what a pour keeps its lock while others come and go. */
export function lockKey(pour: PourEntry): string {
  return JSON.stringify([pour.ingredient, pour.slot, pour.stage]);
}

/** The spec with one pour changed. */
export function withPour(spec: Spec, index: number, change: Partial<PourEntry>): Spec {
  return { ...spec, pours: spec.pours.map((pour, at) => (at === index ? { ...pour, ...change } : pour)) };
}

/** The spec with its pours in another order: pour `at[i]` comes in place i; -1 has none. Amounts that followed a pour still do. */
function reordered(spec: Spec, at: number[]): Spec {
  const pours = at.flatMap((from) => {
    const pour = spec.pours[from];
    if (!pour) return [];
    const to = pour.relative ? at.indexOf(pour.relative.to) : -1;
    return [pour.relative ? { ...pour, relative: to < 0 ? null : { ...pour.relative, to } } : pour];
  });
  return { ...spec, pours };
}

const places = (spec: Spec) => spec.pours.map((_, index) => index);

/** The spec without one pour; amounts that followed it stay as they are. */
export function withoutPour(spec: Spec, index: number): Spec {
  return reordered(
    spec,
    places(spec).filter((at) => at !== index),
  );
}

/** The spec with a pour in another place. */
export function movedPour(spec: Spec, from: number, to: number): Spec {
  const rest = places(spec).filter((at) => at !== from);
  return reordered(spec, [...rest.slice(0, to), from, ...rest.slice(to)]);
}

/** The spec with a pour twice, the second right after the first. */
export function withDouble(spec: Spec, index: number): Spec {
  return reordered(
    spec,
    places(spec).flatMap((at) => (at === index ? [at, at] : [at])),
  );
}

/** Whether two specs pour the same drink by the same method. */
export function sameDrink(a: Spec, b: Spec): boolean {
  return JSON.stringify([a.pours, a.method, a.serve]) === JSON.stringify([b.pours, b.method, b.serve]);
}

/** The same spec with other pours. */
export function withPours(spec: Spec, pours: Spec['pours']): Spec {
  return { ...spec, pours };
}

/** The spec with a new pour of an ingredient, as the house pours it when nothing more is said. */
export function withNewPour(spec: Spec, { slug, new_pour }: Pick<Ingredient, 'slug'> & { new_pour: NewPour }): Spec {
  return { ...spec, pours: [...spec.pours, { ingredient: slug, optional: false, ...new_pour }] };
}

/** The spec's pours with another ingredient in one of them, as much as before. */
export function withIngredient(spec: Spec, pour: number, slug: string): PourEntry[] {
  return spec.pours.map((item, index) => (index === pour ? { ...item, ingredient: slug, said: null } : item));
}

/** Every pour of the larder of today’s lot; where there is none, it is what it usually is. */
export function withTodaysLots(spec: Spec): Spec {
  return {
    ...spec,
    pours: spec.pours.map((pour) => (typeof pour.ingredient === 'string' ? { ...pour, lot: 'today' } : pour)),
  };
}

/** Every pour as it usually is, of no lot. */
export function withoutLots(spec: Spec): Spec {
  return { ...spec, pours: spec.pours.map((pour) => ({ ...pour, lot: null })) };
}
