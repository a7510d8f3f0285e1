import { EllipsisVertical, Eye, EyeOff, Lock, LockOpen } from 'lucide-react';

import type { Finding, Ingredient, PourEntry, Forecast, Spec } from '../../api/client';
import { capital, grams, plain, shownAmount, type Shown } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AmountField } from './AmountField';

interface Props {
  spec: Spec;
  /** Its place in the spec. */
  index: number;
  /** The parent's pour in this place; undefined where the parent has none. */
  before: PourEntry | undefined;
  /** Undefined for an ingredient that is described in the spec itself. */
  ingredient: Ingredient | undefined;
  /** The name of an ingredient by its slug. */
  nameOf: (slug: string) => string;
  /** What it brings, and its share of the drink's sugar, acid and alcohol. */
  share: Forecast['pours'][number] | undefined;
  /** What goes wrong with it, if anything does. */
  wrong?: Finding | undefined;
  /** Whether it is locked when the drink is brought back; undefined where it has no amount to choose. */
  locked?: boolean | undefined;
  /** It is optional, and left out for the moment. */
  out?: boolean;
  onLock?: () => void;
  /** Takes an optional pour out, or puts it back. */
  onOut?: () => void;
  onAmount?: (change: Partial<PourEntry>) => void;
  onChoose?: () => void;
  onMore?: () => void;
}

/** One pour: role, ingredient, what it brings, how much. */
export function PourRow(props: Props) {
  const { spec, index, before, ingredient, nameOf, share, wrong, locked, out = false } = props;
  const { onLock, onOut, onAmount, onChoose, onMore } = props;
  const { shown } = useSettings();
  const pour = spec.pours[index];
  if (!pour) return null;
  const name = typeof pour.ingredient === 'string' ? (ingredient?.name ?? pour.ingredient) : pour.ingredient.name;
  // What follows another pour is poured as the forecast resolved it.
  const followed = pour.relative && share;
  const amount = followed
    ? shownAmount(share.volume_ml, 'ml', shown, spec.ounce_ml)
    : shownAmount(Number(pour.amount), pour.unit, shown, spec.ounce_ml);
  const change = whatChanged(pour, before, nameOf, (each) => {
    const was = shownAmount(Number(each.amount), each.unit, shown, spec.ounce_ml);
    return `${was.text} ${was.word}`;
  });
  const notes = [follows(spec, pour, nameOf), ranges(pour, shown, spec.ounce_ml), pour.said && `“${pour.said}”`];
  const lines = (
    <>
      <span className={`pour-words text-lg leading-tight font-semibold ${out ? 'line-through' : ''}`} title={name}>
        {name}
      </span>
      <span className="pour-words text-sm leading-snug text-quiet">
        {capital(pour.slot)}
        {', '}
        {[followed ? null : (change ?? composition(ingredient)), ...notes].filter(Boolean).join(', ')}
      </span>
    </>
  );
  return (
    <li
      // One key each for the pour that the hand is on; in its amount a letter is a letter.
      onKeyDown={(event) => {
        const typing = event.target instanceof HTMLElement && event.target.closest('input, select');
        if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
        if (event.key === 'l' && onLock && locked !== undefined) onLock();
        else if (event.key === 'o' && onOut && pour.optional) onOut();
        else if (event.key === '.' && onMore) onMore();
        else return;
        event.preventDefault();
      }}
      className={`pour-row grid grid-cols-[minmax(0,1fr)_28px_30px_auto_26px] items-center gap-x-1 rounded-xl pl-2 ${
        wrong ? 'outline-2 -outline-offset-2 outline-warning' : ''
      } ${change ? 'bg-secondary' : ''} ${out ? 'opacity-60' : ''}`}
    >
      {onChoose ? (
        <button
          type="button"
          className="-mx-1 min-h-11 min-w-0 rounded-lg px-1 text-left hover:underline"
          onClick={onChoose}
        >
          {lines}
          <span className="sr-only">. Choose another</span>
        </button>
      ) : (
        <div className="min-h-11 min-w-0">{lines}</div>
      )}
      {onOut && pour.optional ? (
        <OutButton name={name} out={out} onOut={onOut} />
      ) : onLock && locked !== undefined ? (
        <LockButton name={name} locked={locked} onLock={onLock} />
      ) : (
        <span />
      )}
      {share && !out ? <Shares share={share} /> : <span />}
      <AmountField
        label={name}
        spec={spec}
        pour={index}
        shown={amount}
        {...(pour.said ? { said: pour.said } : {})}
        {...(onAmount && { onAmount })}
      />
      {onMore ? (
        <button
          type="button"
          className="grid h-11 w-6.5 cursor-pointer place-items-center rounded-lg text-quiet hover:text-base-content"
          aria-label={`More about ${name}`}
          title="Role, stage, order, optional, follows, range (.)"
          onClick={onMore}
        >
          <EllipsisVertical size={18} aria-hidden />
        </button>
      ) : (
        <span />
      )}
    </li>
  );
}

function OutButton({ name, out, onOut }: { name: string; out: boolean; onOut: () => void }) {
  const Sign = out ? EyeOff : Eye;
  return (
    <button
      type="button"
      aria-pressed={out}
      aria-label={`Leave out ${name}`}
      title={out ? 'Left out; put it back (O)' : 'Optional: look at the drink without it (O)'}
      className="flex h-11 w-7 cursor-pointer items-center justify-center rounded-lg text-quiet"
      onClick={onOut}
    >
      <Sign size={18} aria-hidden />
    </button>
  );
}

const TIMES: Record<number, string> = { 0.25: '¼ of', 0.5: '½ of', 1: 'as much as', 2: 'twice' };

/** "½ of London dry gin", where it follows. */
function follows(spec: Spec, pour: PourEntry, nameOf: (slug: string) => string): string | null {
  const followed = pour.relative && spec.pours[pour.relative.to];
  if (!pour.relative || !followed) return null;
  const name = typeof followed.ingredient === 'string' ? nameOf(followed.ingredient) : followed.ingredient.name;
  return `${TIMES[pour.relative.times] ?? `${plain(pour.relative.times)} ×`} ${name}`;
}

function ranges(pour: PourEntry, shown: Shown, ounceMl: number): string | null {
  if (!pour.range) return null;
  const [low, high] = pour.range.map((end) => shownAmount(end, 'ml', shown, ounceMl));
  return low && high ? `${low.text}–${high.text} ${high.word}` : null;
}

function LockButton({ name, locked, onLock }: { name: string; locked: boolean; onLock: () => void }) {
  const Sign = locked ? Lock : LockOpen;
  return (
    <button
      type="button"
      aria-pressed={locked}
      aria-label={`Lock ${name}`}
      title={
        locked
          ? 'Stays when the drink is brought back (L frees it)'
          : 'May move when the drink is brought back (L locks it)'
      }
      className={`flex h-11 w-7 cursor-pointer items-center justify-center rounded-lg ${locked ? 'text-base-content' : 'text-quiet'}`}
      onClick={onLock}
    >
      <Sign size={17} aria-hidden />
    </button>
  );
}

function Shares({ share }: { share: Forecast['pours'][number] }) {
  const bars = [
    { of: 'sugar', part: share.sugar_share, className: 'bg-sweet' },
    { of: 'acid', part: share.acid_share, className: 'bg-sharp' },
    { of: 'alcohol', part: share.alcohol_share, className: 'bg-strong' },
  ];
  const words = bars
    .filter(({ part }) => part > 0.005)
    .map(({ of, part }) => `${Math.round(part * 100)} % of the ${of}`);
  return (
    <span
      className="flex flex-col gap-1 border-l border-base-300 py-1"
      title={words.join(', ') || 'adds no sugar, acid or alcohol'}
    >
      <span className="sr-only">{words.length ? `Brings ${words.join(', ')}` : 'Adds no sugar, acid or alcohol'}</span>
      {bars.map(({ of, part, className }) => (
        <span
          key={of}
          aria-hidden
          className={`block h-1.5 rounded-r-full ${className}`}
          style={{ width: `${part * 100}%` }}
        />
      ))}
    </span>
  );
}

function composition(ingredient: Ingredient | undefined): string {
  if (!ingredient) return 'described in the spec';
  if (ingredient.kind === 'sugar') return 'pure sugar';
  const parts = [
    ingredient.abv > 0 && `${plain(ingredient.abv, 1)} %`,
    ingredient.sugar >= 0.5 && `${grams(ingredient.sugar)} g sugar`,
    ingredient.acid >= 0.05 && `${grams(ingredient.acid)} g acid`,
  ].filter(Boolean);
  return parts.join(', ') || (ingredient.sparkling ? 'sparkling' : 'no sugar, acid or alcohol');
}

function whatChanged(
  pour: PourEntry,
  before: PourEntry | undefined,
  nameOf: (slug: string) => string,
  amountOf: (pour: PourEntry) => string,
): string | null {
  if (!before) return 'new in this drink';
  const nameOfPour = (each: PourEntry) =>
    typeof each.ingredient === 'string' ? nameOf(each.ingredient) : each.ingredient.name;
  if (nameOfPour(before) !== nameOfPour(pour)) {
    const amount = amountOf(before) === amountOf(pour) ? '' : `${amountOf(before)} `;
    return `in for ${amount}${nameOfPour(before).toLowerCase()}`;
  }
  return amountOf(before) === amountOf(pour) ? null : `from ${amountOf(before)}`;
}
