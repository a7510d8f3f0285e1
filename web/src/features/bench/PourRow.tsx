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
  onAmount?: (amount: number, unit: Unit) => void;
  onChoose?: () => void;
}

/** One pour: role, ingredient, what it brings, how much. */
export function PourRow({ pour, before, ingredient, nameBefore, share, ounceMl, onAmount, onChoose }: Props) {
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
      className={`grid grid-cols-[1fr_32px_auto] items-center gap-x-2 rounded-xl py-1 pr-1 pl-2 ${change ? 'bg-secondary' : ''}`}
    >
      {onChoose ? (
        <button type="button" className="-mx-1 min-h-12 rounded-lg px-1 text-left hover:underline" onClick={onChoose}>
          {lines}
          <span className="sr-only">. Choose another</span>
        </button>
      ) : (
        <div className="min-h-12">{lines}</div>
      )}
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
