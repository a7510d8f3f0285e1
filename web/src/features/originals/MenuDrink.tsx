import { ArrowRight, RefreshCw } from 'lucide-react';

import type { Criteria, Original } from '@/api';
import { Button, ErrorMessage } from '@/ui';
import { OriginalGlass } from './OriginalGlass';
import { usePinned } from './pinned';
import { useOpenOriginal } from './useOpenOriginal';
import { ANYTHING } from './criteria';

interface Props {
  title: string;
  drink: Original | null;
  busy: boolean;
  /** Asks for another one in its place. */
  onOther: () => void;
}

/** One place of the list with its drink; it can be swapped out, and the rest stays. */
export function MenuDrink({ title, drink, busy, onOther }: Props) {
  const { isPinned, toggle } = usePinned();
  const { lay, isPending, error } = useOpenOriginal({
    ...ANYTHING,
    family: (drink?.spec.family ?? 'sour') as Criteria['family'],
  });
  return (
    <li className="flex flex-col gap-1.5" aria-label={title}>
      <h2 className="text-xl font-semibold">{title}</h2>
      {drink ? (
        <>
          <OriginalGlass original={drink} pinned={isPinned(drink)} onPin={() => toggle(drink)} />
          <p className="text-base text-quiet">{drink.reasons[0]}</p>
          <div className="mt-auto flex flex-wrap gap-1.5">
            <Button
              look="secondary"
              disabled={isPending}
              aria-label={`Open on the bench: ${drink.spec.name}`}
              onClick={() => lay(drink)}
            >
              Open on the bench <ArrowRight size={18} aria-hidden />
            </Button>
            <Button look="outline" disabled={busy} aria-label={`Replace ${drink.spec.name}`} onClick={onOther}>
              <RefreshCw size={18} aria-hidden /> Replace
            </Button>
          </div>
          <ErrorMessage fault={error} />
        </>
      ) : (
        <p className="panel min-h-34 p-3 text-base text-quiet">{busy ? 'Searching…' : 'Nothing fits this place.'}</p>
      )}
    </li>
  );
}
