import { memo, useCallback, type KeyboardEvent } from 'react';

import type { Finding, Forecast, Ingredient, PourEntry } from '@/api';
import { shownAmount } from '@/lib';
import { isPressed, useSettings } from '@/hooks';
import { type NameOf, SLOT_NAMES, withPour } from '@/spec';
import { useBenchActions } from '../benchActions';
import { AmountField, AmountText } from './AmountField';
import { changeWords, compositionWords, followsWords, rangeWords } from './pourNotes';
import { LockButton, MoreButton, OmitButton, Shares } from './PourButtons';

interface Props {
  pour: PourEntry;
  /** Its place in the spec. */
  index: number;
  ounceMl: number;
  /** The parent's pour that it stands for; undefined where the parent has none. */
  before: PourEntry | undefined;
  /** The pour that it follows, if it follows one. */
  followed: PourEntry | undefined;
  /** Undefined for an ingredient that is described in the spec itself. */
  ingredient: Ingredient | undefined;
  nameOf: NameOf;
  /** What it brings, and its share of the drink's sugar, acid and alcohol. */
  share: Forecast['pours'][number] | undefined;
  /** What goes wrong with it, if anything does. */
  wrong: Finding | undefined;
  /** How it takes part; undefined where it has no amount to choose. */
  part: 'free' | 'locked' | 'left out' | undefined;
}

/** One pour: role, ingredient, what it brings, how much. */
export const PourRow = memo(function PourRow(props: Props) {
  const { pour, index, ounceMl, before, followed, ingredient, nameOf, share, wrong, part } = props;
  const out = part === 'left out';
  const hand = useBenchActions();
  const { shown } = useSettings();
  const onAmount = useCallback(
    (change: Partial<PourEntry>) => hand?.change((present) => withPour(present, index, change), `amount ${index}`),
    [hand, index],
  );
  const name = nameOf(pour.ingredient);
  // What follows another pour is poured as the forecast resolved it.
  const resolved = pour.relative && share ? share.volume_ml : null;
  const amount = shownAmount(resolved ?? Number(pour.amount), resolved === null ? pour.unit : 'ml', shown, ounceMl);
  const change = changeWords(pour, before, nameOf, shown, ounceMl);
  const notes = [
    resolved === null ? change : null,
    pour.lot && (pour.lot === 'today' ? 'of today’s bottle or juice' : `of “${pour.lot}”`),
    followsWords(pour, followed, nameOf),
    rangeWords(pour, shown, ounceMl),
    pour.said && `“${pour.said}”`,
  ];
  const lines = (
    <>
      <span
        className={`pour-words text-lg leading-tight font-semibold ${out ? 'line-through' : ''}`}
        title={`${name}, ${compositionWords(ingredient)}`}
      >
        {name}
      </span>
      <span className="pour-words text-sm leading-snug text-quiet">
        {[SLOT_NAMES[pour.slot], ...notes].filter(Boolean).join(', ')}
      </span>
    </>
  );
  const look = `${wrong ? 'outline-2 -outline-offset-2 outline-warning' : ''} ${change ? 'bg-secondary' : ''} ${out ? 'opacity-60' : ''}`;
  const row = `pour-row grid grid-cols-[minmax(0,1fr)_28px_30px_auto_26px] items-center gap-x-1 rounded-xl pl-2 ${look}`;
  if (!hand) {
    return (
      <li className={row}>
        <div className="min-h-11 min-w-0">{lines}</div>
        <span />
        {share && !out ? <Shares share={share} /> : <span />}
        <AmountText shown={amount} />
        <span />
      </li>
    );
  }
  return (
    <li className={row} onKeyDown={(event) => handKey(event, { ...hand, index, part, optional: pour.optional })}>
      <button
        type="button"
        className="-mx-1 min-h-11 min-w-0 rounded-lg px-1 text-left hover:underline"
        onClick={() => hand.choose(index)}
      >
        {lines}
        <span className="sr-only">. Choose another</span>
      </button>
      {pour.optional ? (
        <OmitButton name={name} out={out} onOut={() => hand.out(index)} />
      ) : part ? (
        <LockButton name={name} locked={part === 'locked'} onLock={() => hand.lock(index)} />
      ) : (
        <span />
      )}
      {share && !out ? <Shares share={share} /> : <span />}
      <AmountField label={name} pour={index} shown={amount} said={pour.said} onAmount={onAmount} />
      <MoreButton name={name} onMore={() => hand.more(index)} />
    </li>
  );
});

interface OnPour {
  index: number;
  part: Props['part'];
  optional: boolean;
  lock: (pour: number) => void;
  out: (pour: number) => void;
  more: (pour: number) => void;
}

/** One key each for the pour that the hand is on; in its amount a letter is a letter. */
function handKey(event: KeyboardEvent, { index, part, optional, lock, out, more }: OnPour): void {
  if (event.target instanceof HTMLElement && event.target.closest('input, select')) return;
  if (isPressed(event, 'lock') && part) lock(index);
  else if (isPressed(event, 'out') && optional) out(index);
  else if (isPressed(event, 'more')) more(index);
  else return;
  event.preventDefault();
}
