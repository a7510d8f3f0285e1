import { ArrowLeft } from 'lucide-react';
import { useEffect, useRef } from 'react';

import type { PourEntry, Spec } from '../../api/client';
import { level } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { Fold } from '../../ui/Fold';
import { IconButton } from '../../ui/IconButton';
import { AxisMark } from '../../ui/AxisMark';
import { AimSettings } from './AimSettings';
import { LockStrip, type Lockable } from './LockStrip';
import { rebalanceRequest } from './request';
import type { Ghost } from './SwapBoard';
import { TryOrTake } from './TryOrTake';
import { useRebalance } from './useSwaps';
import { moveWords } from './words';

interface Props {
  spec: Spec;
  parent: Spec;
  parentName: string;
  hasHome: boolean;
  /** A point of the field that was chosen by hand, in place of what is set. */
  wished?: { sugar: number; acid: number; abv: number; volume_ml: number } | undefined;
  pours: Lockable[];
  trying: boolean;
  onLock: (index: number) => void;
  onGhost: (ghost: Ghost | null) => void;
  onTry: (pours: PourEntry[] | null, name: string) => void;
  onTake: (pours: PourEntry[]) => void;
  onBack: () => void;
}

const AXES = ['sugar', 'acid', 'abv'] as const;

/** What brings the present drink back: the moves, what each did, what is left. */
export function BringBack(props: Props) {
  const { spec, parent, parentName, hasHome, wished, pours, trying, onLock, onGhost, onTry, onTake, onBack } = props;
  const { aim, shown, palate } = useSettings();
  const panel = useRef<HTMLDivElement>(null);
  const free = pours.filter((each) => each.free).map((each) => each.index);
  const answer = useRebalance(rebalanceRequest(spec, parent, free, aim, palate, wished));
  const found = answer.error ? undefined : answer.data;
  const goal =
    aim.target === 'home' && hasHome ? homeWords(palate) : aim.target === 'typed' ? 'your figures' : parentName;

  useEffect(() => {
    const landing = found && Object.fromEntries(found.left.map(({ axis, value }) => [axis, value]));
    onGhost(
      landing && !trying && AXES.every((axis) => landing[axis] !== undefined)
        ? { name: 'these amounts', path: [landing as Ghost['path'][number]] }
        : null,
    );
  }, [found, trying, onGhost]);
  useEffect(() => panel.current?.focus({ preventScroll: true }), []);

  const take = () => found && found.moves.length > 0 && onTake(found.spec.pours);
  const tryOn = () => found && onTry(trying ? null : found.spec.pours, 'these amounts');
  return (
    <div
      ref={panel}
      tabIndex={-1}
      className="flex min-h-0 grow flex-col outline-none"
      onKeyDown={(event) => {
        const within = event.target instanceof HTMLElement && event.target.closest('input, select, button, summary');
        if (event.key === 'Escape') {
          if (trying) onTry(null, '');
          else onBack();
        } else if (event.key === 'Enter' && !within) take();
        else if (event.ctrlKey || event.metaKey || event.altKey || (within && within.matches('input, select'))) return;
        else if (event.key === 't') tryOn();
        else if (pours[Number(event.key) - 1]) onLock(pours[Number(event.key) - 1]?.index ?? 0);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      <div className="flex items-center gap-2 p-3 pb-2">
        <IconButton icon={ArrowLeft} label="Back to the pours" hotkey="Esc" onClick={onBack} />
        <h2 className="grow font-display text-lg leading-tight font-semibold">
          {wished
            ? `Bring it to ${level(wished.sugar, 'sugar')} g sweet, ${level(wished.acid, 'acid')} g sharp`
            : `Bring it back to ${goal}`}
        </h2>
      </div>
      <div className="min-h-0 grow overflow-y-auto px-3">
        <LockStrip pours={pours} onToggle={onLock} />
        <div className="py-2">
          <Fold title="How">
            <AimSettings hasHome={hasHome} chosen={wished !== undefined} />
          </Fold>
        </div>
        {answer.error && (
          <p role="alert" className="py-2 text-lg">
            {sentence(answer.error.message)}
          </p>
        )}
        {!answer.error && !found && <p className="py-2 text-quiet">Searching what can be poured…</p>}
        {found && (
          <>
            <section aria-label="What to pour" className="border-t border-base-300 py-2">
              {found.moves.length === 0 ? (
                <p className="text-lg">
                  {found.reached ? 'It is there already: nothing has to move.' : 'No pourable change brings it nearer.'}
                </p>
              ) : (
                <ul>
                  {found.moves.map((move) => (
                    <li key={move.name} className="py-1 text-xl leading-tight font-semibold">
                      {moveWords(move, shown, spec.ounce_ml)}
                    </li>
                  ))}
                </ul>
              )}
            </section>
            {found.changes.length > 0 && (
              <section aria-label="What each did" className="border-t border-base-300 py-2 text-base">
                <h3 className="font-semibold">What each does</h3>
                <ul>
                  {found.changes.map(({ words, steps }) => (
                    <li key={words} className="flex items-baseline gap-2">
                      <span className="grow first-letter:uppercase">{words}</span>
                      {AXES.map((axis) => (
                        <Did key={axis} axis={axis} steps={steps[axis] ?? 0} />
                      ))}
                    </li>
                  ))}
                </ul>
              </section>
            )}
            <section aria-label="What is left" className="border-t border-base-300 py-2 text-base">
              {found.moves.length > 0 && (
                <>
                  <h3 className="font-semibold">Then it is</h3>
                  <p className="text-lg">{standsSo(found.left.map(({ words }) => words))}</p>
                </>
              )}
              {found.notes.map((note) => (
                <p key={note} className="mt-1">
                  {note}
                </p>
              ))}
              {!found.proved && (
                <p className="mt-1 text-quiet">The best that was found in the time; better may be pourable.</p>
              )}
            </section>
          </>
        )}
      </div>
      <TryOrTake trying={trying} disabled={!found || found.moves.length === 0} onTry={tryOn} onTake={take} />
    </div>
  );
}

/** What a move did to an axis: more or less, in up to three strokes; nothing where it is under a quarter of a step. */
function Did({ axis, steps }: { axis: (typeof AXES)[number]; steps: number }) {
  const strokes = Math.min(3, Math.ceil(Math.abs(steps) - 0.25));
  const sign = steps > 0 ? '+' : '−';
  return (
    <span className="flex w-14 items-center justify-end gap-1 font-figure">
      {strokes > 0 && (
        <>
          {sign.repeat(strokes)} <AxisMark axis={axis} size={13} />
        </>
      )}
    </span>
  );
}

/** Where a home is aimed at: its middle, or where a taster would have it. */
function homeWords(palate: string | null): string {
  if (palate === null) return 'the middle of its home';
  return palate ? `its home, as ${palate} likes it` : 'its home, as the house likes it';
}

/** "As sweet, as sharp, a touch weaker, about as large". */
function standsSo(words: string[]): string {
  return sentence(words.map((word) => word.replace(', to the tongue', '')).join(', '));
}

function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
