import type { PourEntry } from '@/api';
import { Select } from '@/ui';

interface Props {
  pour: PourEntry;
  index: number;
  /** Names of the drink's pours, in their order. */
  names: string[];
  /** Its ml as the forecast resolved it. */
  volumeMl: number | undefined;
  onSet: (change: Partial<PourEntry>) => void;
}

const WIDE = 'min-h-11 min-w-0 grow text-base';
const TIMES: [number, string][] = [
  [0.25, 'a quarter of'],
  [0.5, 'half of'],
  [1, 'as much as'],
  [2, 'twice'],
];

/** Which pour it follows, and how many times of it. */
export function FollowedPour({ pour, index, names, volumeMl, onSet }: Props) {
  const { relative } = pour;
  const known = TIMES.some(([times]) => times === relative?.times);
  const times = relative && !known ? [...TIMES, [relative.times, `${relative.times} ×`] as const] : TIMES;
  const freed = relative && volumeMl !== undefined ? { amount: volumeMl, unit: 'ml' as const } : {};
  const follow = (chosen: number) => {
    const to = relative?.to ?? names.findIndex((_, at) => at !== index);
    if (chosen === 0) onSet({ relative: null, ...freed });
    else onSet({ relative: { to, times: chosen }, said: null });
  };
  return (
    <span className="flex gap-1.5">
      <Select
        label="Amount"
        className={WIDE}
        value={relative?.times ?? 0}
        options={[[0, 'nothing'], ...times]}
        onPick={follow}
      />
      {relative && (
        <Select
          label="Ingredient"
          className={WIDE}
          value={relative.to}
          options={names.flatMap((name, at): [number, string][] => (at === index ? [] : [[at, name]]))}
          onPick={(to) => onSet({ relative: { to, times: relative.times } })}
        />
      )}
    </span>
  );
}
