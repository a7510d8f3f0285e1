import { Lock, LockOpen } from 'lucide-react';

import type { Ingredient, PourEntry, Prediction, Unit } from '../../api/client';
import { capital, grams, plain, shownAmount } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AmountField } from './AmountField';

interface Props {
  pour: PourEntry;
  /** The parent's pour in this place; undefined where the parent has none. */
  before: PourEntry | undefined;
  /** Undefined for an ingredient that is described in the spec itself. */
  ingredient: Ingredient | undefined;
  /** The name of one of the parent's ingredients. */
  nameBefore: (slug: string) => string;
  /** Its share of the drink's sugar, acid and alcohol. */
  share: Prediction['pours'][number] | undefined;
  ounceMl: number;
  /** Whether it is locked when the drink is brought back; undefined where it has no amount to choose. */
  locked?: boolean | undefined;
  onLock?: () => void;
  onAmount?: (amount: number, unit: Unit) => void;
  onChoose?: () => void;
}

/** One pour: role, ingredient, what it brings, how much. */
export function PourRow({
  pour,
  before,
  ingredient,
  nameBefore,
  share,
  ounceMl,
  locked,
  onLock,
  onAmount,
  onChoose,
}: Props) {
  const { shown } = useSettings();
  const name = typeof pour.ingredient === 'string' ? (ingredient?.name ?? pour.ingredient) : pour.ingredient.name;
  const amount = shownAmount(Number(pour.amount), pour.unit, shown, ounceMl);
  const change = whatChanged(pour, before, nameBefore, (each) => {
    const was = shownAmount(Number(each.amount), each.unit, shown, ounceMl);
    return `${was.text} ${was.word}`;
  });
  const lines = (
    <>
      <span className="block text-lg leading-tight font-semibold">{name}</span>
      <span className="block text-base leading-snug text-quiet">
        {capital(pour.slot)}, {change ?? composition(ingredient)}
      </span>
    </>
  );
  return (
    <li
      // One key locks the pour that the hand is on; in its amount a letter is a letter.
      onKeyDown={(event) => {
        const typing = event.target instanceof HTMLElement && event.target.closest('input, select');
        if (event.key !== 'l' || typing || !onLock || locked === undefined || event.ctrlKey || event.metaKey) return;
        event.preventDefault();
        onLock();
      }}
      className={`grid grid-cols-[1fr_auto_32px_auto] items-center gap-x-1.5 rounded-xl py-1 pr-1 pl-2 ${change ? 'bg-secondary' : ''}`}
    >
      {onChoose ? (
        <button type="button" className="-mx-1 min-h-12 rounded-lg px-1 text-left hover:underline" onClick={onChoose}>
          {lines}
          <span className="sr-only">. Choose another</span>
        </button>
      ) : (
        <div className="min-h-12">{lines}</div>
      )}
      {onLock && locked !== undefined ? <LockButton name={name} locked={locked} onLock={onLock} /> : <span />}
      {share ? <Shares share={share} /> : <span />}
      <AmountField
        label={name}
        ingredient={ingredient?.slug ?? ''}
        shown={amount}
        {...(pour.said ? { said: pour.said } : {})}
        {...(onAmount && { onAmount })}
      />
    </li>
  );
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
      className={`flex h-12 w-8 cursor-pointer items-center justify-center rounded-lg ${locked ? 'text-base-content' : 'text-quiet'}`}
      onClick={onLock}
    >
      <Sign size={17} aria-hidden />
    </button>
  );
}

function Shares({ share }: { share: Prediction['pours'][number] }) {
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
