import type { PourEntry } from '../../../api/client';

interface Props {
  pour: PourEntry;
  index: number;
  /** Names of the drink's pours, in their order. */
  names: string[];
  /** Its ml as the forecast resolved it. */
  volumeMl: number | undefined;
  onSet: (change: Partial<PourEntry>) => void;
}

const TIMES: [number, string][] = [
  [0.25, 'a quarter of'],
  [0.5, 'half of'],
  [1, 'as much as'],
  [2, 'twice'],
];

/** Which pour it follows, and how many times of it. */
export function Follows({ pour, index, names, volumeMl, onSet }: Props) {
  const { relative } = pour;
  const known = TIMES.some(([times]) => times === relative?.times);
  const times = relative && !known ? [...TIMES, [relative.times, `${relative.times} ×`] as const] : TIMES;
  const freed = relative && volumeMl !== undefined ? { amount: volumeMl, unit: 'ml' as const } : {};
  const follow = (chosen: string) => {
    const to = relative?.to ?? names.findIndex((_, at) => at !== index);
    if (chosen === '') onSet({ relative: null, ...freed });
    else onSet({ relative: { to, times: Number(chosen) }, said: null });
  };
  return (
    <span className="flex gap-1.5">
      <select
        aria-label="How much of it"
        className="select min-h-11 min-w-0 grow text-base"
        value={relative?.times ?? ''}
        onChange={(event) => follow(event.target.value)}
      >
        <option value="">nothing</option>
        {times.map(([each, words]) => (
          <option key={each} value={each}>
            {words}
          </option>
        ))}
      </select>
      {relative && (
        <select
          aria-label="Which pour"
          className="select min-h-11 min-w-0 grow text-base"
          value={relative.to}
          onChange={(event) => onSet({ relative: { to: Number(event.target.value), times: relative.times } })}
        >
          {names.map((each, at) =>
            at === index ? null : (
              <option key={at} value={at}>
                {each}
              </option>
            ),
          )}
        </select>
      )}
    </span>
  );
}
