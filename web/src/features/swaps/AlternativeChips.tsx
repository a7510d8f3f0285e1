import { useSettings } from '@/hooks';
import type { AlternativesProps } from './AlternativeList';
import { remainderWords, moveWords } from './swapWords';

/** The ways of the row in the hand, in two lines: which there are, and what the chosen one pours, leaves and costs. */
export function AlternativeChips({ ways, chosen, ounceMl, onChoose }: AlternativesProps) {
  const { shown } = useSettings();
  const way = ways[chosen];
  if (ways.length < 2 || !way) return null;
  return (
    <section aria-label="Options" className="border-t border-base-300 bg-base-100 px-3 pt-2 text-base leading-snug">
      <div role="radiogroup" aria-label="Options" className="flex flex-wrap gap-1.5">
        {ways.map(({ title }, index) => (
          <button
            key={title}
            type="button"
            role="radio"
            aria-checked={index === chosen}
            tabIndex={index === chosen ? 0 : -1}
            className={`btn h-auto min-h-11 px-2.5 py-1 text-left text-base leading-tight font-normal ${index === chosen ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            onClick={() => onChoose(index)}
          >
            {title}
          </button>
        ))}
      </div>
      <p className="py-1.5">
        <span className="font-semibold">{way.moves.map((move) => moveWords(move, shown, ounceMl)).join(', ')}.</span>{' '}
        {remainderWords(way.left)} <span className="text-quiet">{way.cost}</span>
      </p>
    </section>
  );
}
