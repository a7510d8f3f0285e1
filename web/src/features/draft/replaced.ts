import type { DrinkDetail } from '@/api';

type Replaced = NonNullable<DrinkDetail['draft']>;

/** Drafts in whose place something else was laid, by drink, for the bench's undo. */
const replaced = new Map<number, Replaced>();

export function rememberReplacedDraft(drinkId: number, draft: Replaced): void {
  replaced.set(drinkId, draft);
}

/** What lay on the bench before; told once. */
export function takeReplacedDraft(drinkId: number): Replaced | undefined {
  const draft = replaced.get(drinkId);
  replaced.delete(drinkId);
  return draft;
}
