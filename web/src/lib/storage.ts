/** What this browser keeps. What stands there may be anybody's: it is taken only where it has the shape that is asked for. */
export function readStored<T>(place: string, fits: (kept: unknown) => kept is T): T | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place) ?? 'null');
    return fits(kept) ? kept : null;
  } catch {
    return null;
  }
}

/** Keeps something, or nothing any more (null); whether that could be done. */
export function writeStored(place: string, value: unknown): boolean {
  return writeStoredText(place, value === null ? null : JSON.stringify(value));
}

/** The same with a text as it is. */
export function writeStoredText(place: string, text: string | null): boolean {
  try {
    if (text === null) localStorage.removeItem(place);
    else localStorage.setItem(place, text);
    return true;
  } catch {
    return false;
  }
}

/** The places that begin so. */
export function storedKeys(beginning: string): string[] {
  try {
    return Object.keys(localStorage).filter((place) => place.startsWith(beginning));
  } catch {
    return [];
  }
}

/** The texts of a list that stood in the browser; null where it is none. */
export const textsIn = (kept: unknown): string[] | null =>
  Array.isArray(kept) && kept.every((item) => typeof item === 'string') ? kept : null;

/** Whether something is an object with these keys, each of its kind. */
export function hasKeys(kept: unknown, kinds: Record<string, 'string' | 'number' | 'boolean' | 'object'>): boolean {
  if (typeof kept !== 'object' || kept === null) return false;
  const found = kept as Record<string, unknown>;
  return Object.entries(kinds).every(([key, kind]) => typeof found[key] === kind && found[key] !== null);
}

/** What is usual, with what was kept in its place where that is of the same kind. */
export function mergeStored<T extends object>(usual: T, kept: unknown): T {
  if (typeof kept !== 'object' || kept === null) return usual;
  const known = Object.entries(kept).filter(
    ([key, value]) => key in usual && sameKind((usual as Record<string, unknown>)[key], value),
  );
  return { ...usual, ...Object.fromEntries(known) };
}

function sameKind(one: unknown, other: unknown): boolean {
  // What is usually left open may be a word or a figure.
  if (one === null) return other === null || typeof other === 'string' || typeof other === 'number';
  return typeof one === typeof other && Array.isArray(one) === Array.isArray(other) && other !== null;
}
