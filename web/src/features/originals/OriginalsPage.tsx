import { RotateCcw, Shuffle, Square } from 'lucide-react';
import { useState } from 'react';

import type { Criteria } from '@/api';
import { useDocumentTitle, useMediaQuery, useWithVolumes } from '@/hooks';
import { Button, ErrorMessage, PageHeader } from '@/ui';
import { PinnedFlight } from './PinnedFlight';
import { CombinationCount } from './CombinationCount';
import { OriginalDetails } from './OriginalDetails';
import { OriginalsField } from './OriginalsField';
import { OriginalGlass } from './OriginalGlass';
import { useOriginals } from './useOriginals';
import { useCriteria } from './useCriteria';
import { CriteriaPanel } from './CriteriaPanel';

/** On a phone what is said of a glass stands right below it. */
const NARROW = '(max-width: 767px)';
const FOLDED = '(max-width: 1023px)';

/** Drinks that nobody has mixed yet: the wish, a board of small glasses, and what is to be said of the one that is looked at. */
export function OriginalsPage() {
  const inUnit = useWithVolumes();
  useDocumentTitle('One drink');
  const { wish, isKnown, change, undo } = useCriteria();
  const { rested, fresh, shown, notes, error, busy, stop, isPinned, toggle } = useOriginals(wish, isKnown);
  const [chosen, setChosen] = useState<string>();
  const [isNarrow, isFolded] = [useMediaQuery(NARROW), useMediaQuery(FOLDED)];
  const [over, setOver] = useState<string | null>(null);
  const looked = shown.find(({ spec }) => spec.name === chosen) ?? fresh[0] ?? shown[0];
  return (
    <div className="page-body">
      <PageHeader />
      <main className="grid min-w-0 gap-3 md:grid-cols-[minmax(0,1fr)_22rem] lg:grid-cols-[17rem_minmax(0,1fr)_21rem]">
        <WishColumn wish={wish} isFolded={isFolded} onChange={change} />
        <section className="flex min-w-0 flex-col gap-3" aria-label="Ideas by balance">
          <BoardHead wish={wish} rested={rested} busy={busy} onChange={change} onUndo={undo} onStop={stop} />
          <ErrorMessage fault={error} className="panel p-4 text-lg" />
          <ul aria-label="Ideas" aria-busy={busy} className="grid gap-2 sm:max-md:grid-cols-2 lg:grid-cols-2">
            {shown.map((original) => (
              <li key={original.spec.name} className="flex flex-col gap-2">
                <OriginalGlass
                  original={original}
                  chosen={original === looked && (!isNarrow || chosen !== undefined)}
                  lit={over === original.spec.name}
                  pinned={isPinned(original)}
                  onChoose={() => setChosen(original.spec.name)}
                  onOver={(on) => setOver(on ? original.spec.name : null)}
                  onPin={() => toggle(original)}
                />
                {isNarrow && original === looked && chosen !== undefined && (
                  <OriginalDetails
                    original={original}
                    wish={wish}
                    onWish={change}
                    onMoved={() => setChosen(undefined)}
                  />
                )}
              </li>
            ))}
          </ul>
          {shown.length === 0 && !error && (
            <p className="panel p-4 text-lg" role="status">
              {busy
                ? 'Combining ingredients and balancing each drink…'
                : 'Stopped before anything was found. Change a wish, or search again.'}
            </p>
          )}
          {notes.map((note) => (
            <p key={note} className="px-1 text-base text-quiet">
              {inUnit(note)}.
            </p>
          ))}
        </section>
        <section
          className="flex min-w-0 flex-col gap-3 md:sticky md:top-3 md:max-h-[calc(100dvh-1.5rem)] md:self-start md:overflow-y-auto"
          aria-label="Chosen idea"
        >
          {shown.length > 0 && (
            <OriginalsField
              originals={shown}
              family={wish.family}
              chosen={looked?.spec.name}
              over={over}
              onOver={setOver}
              onChoose={setChosen}
            />
          )}
          {looked && !isNarrow && (
            <OriginalDetails original={looked} wish={wish} onWish={change} onMoved={() => setChosen(undefined)} />
          )}
          <PinnedFlight wish={wish} />
        </section>
      </main>
    </div>
  );
}

interface WishColumnProps {
  wish: Criteria;
  /** Whether all but the family waits folded. */
  isFolded: boolean;
  onChange: (wish: Criteria) => void;
}

function WishColumn({ wish, isFolded, onChange }: WishColumnProps) {
  return (
    <section className="flex min-w-0 flex-col gap-3 md:max-lg:col-span-2" aria-label="Wishes">
      <CriteriaPanel wish={wish} isFolded={isFolded} onChange={onChange} />
    </section>
  );
}

interface BoardHeadProps {
  wish: Criteria;
  onChange: (wish: Criteria) => void;
  /** The wish that is looked for. */
  rested: Criteria;
  busy: boolean;
  /** The way back; null where there is none. */
  onUndo: (() => void) | null;
  /** Leaves it at what was found so far. */
  onStop: () => void;
}

/** What the wish leaves, others of the same wish, and the way back. */
function BoardHead({ wish, rested, busy, onChange, onUndo, onStop }: BoardHeadProps) {
  return (
    <div className="panel flex flex-wrap items-center gap-2 px-3 py-2">
      <CombinationCount wish={rested} busy={busy} />
      <div className="ml-auto flex shrink-0 flex-wrap justify-end gap-1.5">
        <Button look="outline" disabled={!onUndo} onClick={() => onUndo?.()}>
          <RotateCcw size={18} aria-hidden /> Undo
        </Button>
        {busy ? (
          <Button onClick={onStop}>
            <Square size={16} aria-hidden /> Stop
          </Button>
        ) : (
          <Button onClick={() => onChange({ ...wish, seed: wish.seed + 1 })}>
            <Shuffle size={18} aria-hidden /> Other ideas
          </Button>
        )}
      </div>
    </div>
  );
}
