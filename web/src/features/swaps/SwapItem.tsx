import type { SwapRow } from '@/api';
import { asSentence, capital } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { ColourChip } from './ColourChip';
import { DistanceMarks } from './DistanceMarks';
import { moveWords, rowName, tastedWords } from './swapWords';

interface Props {
  id: string;
  row: SwapRow;
  /** The other name that it was found by, if it was. */
  by: string;
  /** Name of the pour that it stands in for. */
  present: string;
  /** The drink's colour now. */
  colour: string;
  ounceMl: number;
  highlighted: boolean;
  onPoint: () => void;
  /** A mouse comes over it, or leaves it: it is looked at, and not chosen. */
  onHover: (over: boolean) => void;
}

/** One offer: what it does as poured, what brings it back, and what no axis shows. */
export function SwapItem({ id, row, by, present, colour, ounceMl, highlighted, onPoint, onHover }: Props) {
  const { shown } = useSettings();
  const inUnit = useWithVolumes();
  const { plain, mended, moves, notes } = row;
  const asPoured = tastedWords(plain.words);
  return (
    <div
      id={id}
      role="option"
      aria-selected={highlighted}
      className={`rounded-xl px-2.5 py-1.5 ${highlighted ? 'bg-secondary outline-accent group-focus-visible:outline-3' : ''}`}
      onClick={onPoint}
      onPointerEnter={({ pointerType }) => onHover(pointerType === 'mouse')}
      onPointerLeave={() => onHover(false)}
    >
      <div className="flex flex-wrap items-center gap-x-2.5 @lg:flex-nowrap">
        <ColourChip before={colour} after={(mended ?? plain).colour} />
        <div className="min-w-0 grow basis-0">
          <p className={`text-lg leading-tight font-semibold ${highlighted ? '' : 'line-clamp-2'}`}>
            {rowName(row, present)}
            {by && <span className="font-normal text-quiet"> · {by}</span>}
            {row.shelf && <span className="text-base font-normal text-quiet"> · {row.shelf}</span>}
          </p>
          <p className={`text-base leading-snug text-quiet ${highlighted ? '' : 'truncate'}`}>
            {row.unseen.join('; ')}
          </p>
        </div>
        <div className="order-last flex basis-full gap-1 self-start pl-10 @lg:order-none @lg:basis-auto @lg:pl-0">
          {(['sugar', 'acid', 'abv'] as const).map((axis) => (
            <DistanceMarks key={axis} axis={axis} plain={plain} mended={mended} />
          ))}
        </div>
      </div>
      <p className="pl-10 text-base leading-snug">
        {moves.length === 0 && plain.words.length === 0 ? (
          <>1:1: {asPoured}</>
        ) : (
          <>
            <span className={plain.words.length ? 'font-semibold' : ''}>{capital(asPoured)}</span>
            {moves.length > 0 && <>. To rebalance: {moves.map((move) => moveWords(move, shown, ounceMl)).join(', ')}</>}
            {mended && moves.length > 0 && mended.words.length > 0 && <>. Remaining: {mended.words.join(', ')}</>}
            {!mended && row.proved && <>. More than two noticeable differences remain</>}
          </>
        )}
        {highlighted && row.loudness.length > 0 && (
          <span className="block">{asSentence(`aroma: ${row.loudness.join(', ')}`)}</span>
        )}
        {notes.map((note) => (
          <span key={note} className="block">
            {inUnit(note)}
          </span>
        ))}
        {!row.proved && <span className="text-quiet"> (not every option was tried)</span>}
      </p>
    </div>
  );
}
