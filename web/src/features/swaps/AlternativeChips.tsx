import { useSettings } from '@/hooks';
import { OptionGroup } from '@/ui';
import type { AlternativesProps } from './AlternativeList';
import { remainderWords, moveWords } from './swapWords';

/** The ways of the row in the hand, in two lines: which there are, and what the chosen one pours, leaves and costs. */
export function AlternativeChips({ ways, chosen, ounceMl, onChoose }: AlternativesProps) {
  const { shown } = useSettings();
  const way = ways[chosen];
  if (ways.length < 2 || !way) return null;
  return (
    <section aria-label="Options" className="border-t border-base-300 bg-base-100 px-3 pt-2 text-base leading-snug">
      <OptionGroup
        label="Options"
        chosen={chosen}
        onChoose={onChoose}
        className="flex flex-wrap gap-1.5"
        optionClassName="btn h-auto min-h-11 border-base-300 bg-transparent px-2.5 py-1 text-left text-base leading-tight font-normal aria-checked:bg-secondary"
        options={ways.map(({ title }) => ({ key: title, content: title }))}
      />
      <p className="py-1.5">
        <span className="font-semibold">{way.moves.map((move) => moveWords(move, shown, ounceMl)).join(', ')}.</span>{' '}
        {remainderWords(way.left)} <span className="text-quiet">{way.cost}</span>
      </p>
    </section>
  );
}
