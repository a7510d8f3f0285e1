import { NumberField } from '@/ui';

interface Props {
  range: number[] | null | undefined;
  /** What is poured now, ml. */
  now: number;
  onRange: (range: number[] | null) => void;
}

/** The two ends between which a pour is to be settled. */
export function RangeEnds({ range, now, onRange }: Props) {
  return (
    <span className="flex items-center gap-1.5">
      {([0, 1] as const).map((end) => (
        <NumberField
          key={end}
          most={10000}
          unit="ml"
          aria-label={end === 0 ? 'from, ml' : 'to, ml'}
          className="input min-h-11 min-w-0 grow font-figure text-base"
          value={range?.[end]}
          placeholder={end === 0 ? 'from' : 'to'}
          onFigure={(typed) => onRange(withEnd(range, end, typed, now))}
        />
      ))}
    </span>
  );
}

/** A range with one end moved; no range where an end is cleared, and never the wrong way round. */
function withEnd(range: Props['range'], end: 0 | 1, typed: number | null, now: number): number[] | null {
  if (typed === null) return null;
  const [low = now, high = now] = range ?? [];
  return end === 0 ? [typed, Math.max(typed, high)] : [Math.min(low, typed), typed];
}
