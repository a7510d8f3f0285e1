import type { SpecCloud } from '@/api';
import { useSettings } from '@/hooks';
import { type NameOf, pourWords } from '@/spec';
import { Button, LevelsLine } from '@/ui';

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
          <Button look="outline" aria-label={`Start from it: ${point.name}`} onClick={onStart}>
            Start from it
          </Button>
          <Button look="ghost" className="font-normal" aria-label={`Delete ${point.name}`} onClick={onTakeOut}>
            Delete
          </Button>
        </span>
      </div>
    </li>
  );
}
