import { Link } from 'react-router';

import type { BoardSoFar } from '@/api';
import { Button, Disclosure } from '@/ui';
import { useLastDefined } from '@/hooks';
import { NoMatch, useIngredientSearch } from '@/features/ingredient-search';

interface Props {
  words: string;
  /** Whether the board is what the words mean. */
  isSettled: boolean;
  atHand: boolean;
  onWords: (words: string) => void;
  onAny: () => void;
}

/** Why the board is empty, and what to do. */
export function NoCandidates({ words, isSettled, atHand, onWords, onAny }: Props) {
  if (words.trim()) {
    if (!isSettled) return null;
    return (
      <NoMatch words={words} where="in this list" onWords={onWords}>
        <p className="mt-1.5 text-quiet">The reasons are below.</p>
      </NoMatch>
    );
  }
  return (
    <div className="px-4 py-3">
      <p>No ingredient {atHand ? 'in stock' : 'in the list'} can replace it. The reasons are below.</p>
      {atHand && (
        <p className="mt-2 flex flex-wrap gap-2">
          <Button onClick={onAny}>Search all ingredients</Button>
          <Link to="/ingredients/stock" className="btn min-h-11">
            Update your stock
          </Link>
        </p>
      )}
    </div>
  );
}

/** Who can't serve, by reason; any of them can be taken all the same. */
export function ExcludedCandidates({
  board,
  words,
  onTake,
}: {
  board: BoardSoFar;
  words: string;
  onTake: (slug: string) => void;
}) {
  const sought = useLastDefined(useIngredientSearch(words) ?? undefined);
  const found = board.left_out.filter(({ slug }) => !words.trim() || sought?.of.has(slug));
  if (found.length === 0) return null;
  return (
    <div className="border-t border-base-300 px-4 py-1">
      <Disclosure title="Left out" count={found.length}>
        <ul className="pb-2">
          {found.map(({ slug, name, reason }) => (
            <li key={slug} className="flex items-center gap-2 py-0.5 text-base leading-snug">
              <span className="grow">
                <span className="font-semibold">{name}.</span> {reason}
              </span>
              <Button look="outline" className="px-3" aria-label={`Use anyway: ${name}`} onClick={() => onTake(slug)}>
                Use anyway
              </Button>
            </li>
          ))}
        </ul>
      </Disclosure>
    </div>
  );
}
