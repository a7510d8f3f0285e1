import type { Alternative } from '@/api';
import { useSettings } from '@/hooks';
import { OptionGroup } from '@/ui';
import { remainderWords, moveWords } from './swapWords';

export interface AlternativesProps {
  ways: Alternative[];
  /** Which of them is in the hand. */
  chosen: number;
  ounceMl: number;
  onChoose: (index: number) => void;
}

/** Two or three ways to choose between, each a line of pours with what it leaves and what it costs of what the drink is known by. */
export function AlternativeList({ ways, chosen, ounceMl, onChoose }: AlternativesProps) {
  const { shown } = useSettings();
  return (
    <OptionGroup
      label="Options"
      chosen={chosen}
      onChoose={onChoose}
      className="flex flex-col gap-2 pb-2"
      optionClassName="min-h-11 cursor-pointer rounded-xl border-2 border-base-300 bg-base-100 px-3 py-1.5 text-left leading-snug aria-checked:border-accent aria-checked:bg-secondary"
      options={ways.map(({ title, moves, left, cost }) => ({
        key: title,
        content: (
          <>
            <span className="block text-base text-quiet">{title}</span>
            <span className="block text-xl leading-tight font-semibold">
              {moves.map((move) => moveWords(move, shown, ounceMl)).join(', ')}
            </span>
            <span className="block text-base">{remainderWords(left)}</span>
            {cost && <span className="block text-base text-quiet">{cost}</span>}
          </>
        ),
      }))}
    />
  );
}
