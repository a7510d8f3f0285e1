import type { SpecCloud } from '@/api/types';
import { useSettings } from '@/hooks/settings';
import type { NameOf } from '@/spec/names';
import { pourWords } from '@/spec/pourWords';
import { LevelsLine } from '@/ui/LevelsLine';

interface Props {
  point: SpecCloud['points'][number];
  /** The hand is over it, here or on the field. */
  over: boolean;
  nameOf: NameOf;
  onOver: (over: boolean) => void;
  onStart: () => void;
  onTakeOut: () => void;
}

/** Somebody's spec of the drink, and a start from it. */
export function CollectedSpec({ point, over, nameOf, onOver, onStart, onTakeOut }: Props) {
  const { shown } = useSettings();
  return (
    <li
      className={`panel p-3 ${over ? 'border-base-content' : ''}`}
      onMouseEnter={() => onOver(true)}
      onMouseLeave={() => onOver(false)}
    >
      <p className="text-lg leading-tight font-semibold">
        {point.name}
        {point.outlier && <span className="font-normal text-accent"> outlier</span>}
      </p>
      <p className="text-base text-quiet">
        {point.spec.pours.map((pour) => pourWords(pour, shown, point.spec.ounce_ml, nameOf)).join(' · ')}
      </p>
      <div className="flex flex-wrap items-center gap-x-4">
        <LevelsLine sugar={point.figures.sugar} acid={point.figures.acid} abv={point.figures.abv} />
        <span className="ml-auto flex gap-1">
          <button
            type="button"
            className="btn btn-ghost min-h-11 border-base-300 text-base"
            aria-label={`Start from it: ${point.name}`}
            onClick={onStart}
          >
            Start from it
          </button>
          <button
            type="button"
            className="btn btn-ghost min-h-11 text-base font-normal"
            aria-label={`Delete ${point.name}`}
            onClick={onTakeOut}
          >
            Delete
          </button>
        </span>
      </div>
    </li>
  );
}
