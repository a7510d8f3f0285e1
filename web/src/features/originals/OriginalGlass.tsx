import { useQuery } from '@tanstack/react-query';
import { Pin, PinOff } from 'lucide-react';

import { glassesQuery, larderQuery, type Original } from '@/api';
import { useSettings } from '@/hooks';
import { namesIn, pourWords } from '@/spec';
import { GlassDrawing, LevelsLine } from '@/ui';

interface Props {
  original: Original;
  pinned: boolean;
  onPin: () => void;
  /** On a board: whether it is the one that is looked at, and its dot on the field is pointed at. */
  chosen?: boolean;
  lit?: boolean;
  onChoose?: () => void;
  onOver?: (over: boolean) => void;
}

const DRAWN = { width: 70, height: 112, pxPerCm: 5.6 };

/** An original as a small glass in its foreseen colour, with its name to be and its pours. */
export function OriginalGlass({ original, pinned, onPin, chosen = false, lit = false, onChoose, onOver }: Props) {
  const look = chosen ? 'outline-3 -outline-offset-1 outline-accent' : lit ? 'bg-secondary' : '';
  return (
    <div
      className={`panel relative flex gap-2 p-2 only:grow ${look}`}
      onMouseEnter={() => onOver?.(true)}
      onMouseLeave={() => onOver?.(false)}
    >
      {onChoose ? (
        <button
          type="button"
          aria-pressed={chosen}
          className="flex min-w-0 grow cursor-pointer gap-2 text-left"
          onClick={onChoose}
          onFocus={() => onOver?.(true)}
          onBlur={() => onOver?.(false)}
        >
          <OriginalSummary original={original} />
        </button>
      ) : (
        <div className="flex min-w-0 grow gap-2">
          <OriginalSummary original={original} />
        </div>
      )}
      <button
        type="button"
        aria-pressed={pinned}
        aria-label={`Pin ${original.spec.name}`}
        className={`btn absolute top-1 right-1 btn-square min-h-11 min-w-11 ${pinned ? 'btn-primary' : 'btn-ghost'}`}
        onClick={onPin}
      >
        {pinned ? <PinOff size={18} aria-hidden /> : <Pin size={18} aria-hidden />}
      </button>
    </div>
  );
}

function OriginalSummary({ original: { spec, sight, sugar, acid, abv } }: { original: Original }) {
  const { data: glasses } = useQuery(glassesQuery());
  const { shown } = useSettings();
  const nameOf = namesIn(useQuery(larderQuery()).data);
  const glass = glasses?.find(({ name }) => name === spec.serve.glass);
  return (
    <>
      <span className="block shrink-0" style={{ width: DRAWN.width }}>
        {glass && sight && <GlassDrawing glass={glass} appearance={sight} {...DRAWN} />}
      </span>
      <span className="flex min-w-0 flex-col gap-1">
        <strong className="pr-11 font-display text-xl leading-tight font-semibold wrap-anywhere">{spec.name}</strong>
        <span className="text-base leading-snug">
          {spec.pours
            .map((pour) =>
              pour.slot === 'edge'
                ? `${nameOf(pour.ingredient)} on the rim`
                : pourWords(pour, shown, spec.ounce_ml, nameOf),
            )
            .join(' · ')}
        </span>
        <LevelsLine sugar={sugar} acid={acid} abv={abv} className="mt-auto text-[0.92rem]" />
      </span>
    </>
  );
}
