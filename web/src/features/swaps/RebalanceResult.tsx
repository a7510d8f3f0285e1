import type { Alternative } from '@/api';
import { AXES, type AxisName, asSentence } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { AxisMark } from '@/ui';
import { moveWords } from './swapWords';

interface Props {
  found: Alternative;
  /** What else has to be said. */
  notes: string[];
  /** There is no other way, so that its moves stand here. */
  alone: boolean;
  ounceMl: number;
}

/** The amounts that bring it there: the moves, what each did, what is left. */
export function RebalanceResult({ found, notes, alone, ounceMl }: Props) {
  const { shown } = useSettings();
  const inUnit = useWithVolumes();
  return (
    <>
      <section aria-label="New amounts" className={alone ? 'border-t border-base-300 py-2' : 'sr-only'}>
        {found.moves.length === 0 ? (
          <p className="text-lg">
            {found.reached ? 'On target already. No change needed.' : 'No change on jigger marks comes closer.'}
          </p>
        ) : (
          <ul>
            {found.moves.map((move) => (
              <li key={move.name} className="py-1 text-xl leading-tight font-semibold">
                {moveWords(move, shown, ounceMl)}
              </li>
            ))}
          </ul>
        )}
      </section>
      {found.changes.length > 0 && (
        <section aria-label="What each change does" className="border-t border-base-300 py-2 text-base">
          <h3 className="font-semibold">What each change does</h3>
          <ul>
            {found.changes.map(({ words, steps }) => (
              <li key={words} className="flex items-baseline gap-2">
                <span className="grow first-letter:uppercase">{inUnit(words)}</span>
                {AXES.map((axis) => (
                  <AxisRemainder key={axis} axis={axis} steps={steps[axis] ?? 0} />
                ))}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-label="Remaining difference" className="border-t border-base-300 py-2 text-base">
        {found.moves.length > 0 && (
          <>
            <h3 className="font-semibold">After that:</h3>
            <p className="text-lg">{standsSo(found.left.map(({ words }) => words))}</p>
          </>
        )}
        {notes.map((note) => (
          <p key={note} className="mt-1">
            {inUnit(note)}
          </p>
        ))}
      </section>
    </>
  );
}

/** What a move did to an axis: more or less, in up to three strokes; nothing where it is under a quarter of a step. */
function AxisRemainder({ axis, steps }: { axis: AxisName; steps: number }) {
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

/** "As sweet, as sharp, a touch weaker, about as large". */
function standsSo(words: string[]): string {
  return asSentence(words.join(', '));
}
