import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';

import { type Comparison, type Family, type Forecast, rulesQuery, type Span } from '@/api';
import { type AxisName, levelText } from '@/lib';
import { useElementSize } from '@/hooks';
import { useBenchActions } from '../benchActions';
import { FieldControls } from './FieldControls';
import { frameOf, MARGIN, type Levels, type OnField } from './fieldFrame';
import { FieldPlane } from './FieldPlane';
import { FiguresTable } from './FiguresTable';
import { homeOf } from '@/spec';
import { StrengthRule } from './StrengthRule';

type ServedFigures = Forecast['served'];

interface Props {
  comparison: Comparison | undefined;
  family: Family | undefined;
  ghost?: OnField['ghost'];
  /** What is tried on, if anything is. */
  tried?: string | undefined;
  ranges?: Span[];
  /** Where the drink stood before each of the last moves. */
  trail?: { back: number; served: Levels }[];
}

const RULE_WIDTH = 96;
const NONE: never[] = [];

/** Sweetness across, acidity up: the family's home, the parent and the drink as it is now; strength on its own rule beside. */
export const BalanceField = memo(function BalanceField(props: Props) {
  const { comparison, family, ghost = null, tried, ranges = NONE, trail = NONE } = props;
  const hand = useBenchActions();
  const { ref, size } = useElementSize<HTMLDivElement>();
  const { data: rules } = useQuery(rulesQuery());
  const [showPublished, setShowPublished] = useState(false);
  const published = showPublished ? (family?.published ?? NONE) : NONE;
  const drawn = comparison && rules && size.width > 0 && size.height > 0 ? { comparison, axes: rules.axes } : null;
  const on: OnField | null = drawn && {
    ...drawn,
    family,
    home: homeOf(family, comparison?.present.place),
    ghost,
    published,
    trail: trail.map(({ served }) => served),
    ranges,
  };
  const frame = on && frameOf(on, size.width - RULE_WIDTH, size.height);
  return (
    <div className="flex h-full min-h-[250px] flex-col px-1.5 pt-2">
      <div className="flex items-center gap-3 pl-2.5">
        <h2 className="min-w-0 grow truncate font-display text-base font-semibold">
          Balance{' '}
          <span className="font-sans text-base font-normal text-quiet">
            {tried ? `previewing ${tried}` : ghost ? `ring: with ${ghost.name}` : ''}
          </span>
        </h2>
        {family && family.published.length > 0 && (
          <PublishedSwitch on={showPublished} onSwitch={() => setShowPublished(!showPublished)} />
        )}
      </div>
      <div ref={ref} className="relative min-h-0 grow">
        {on && frame && (
          <>
            <svg
              width={size.width}
              height={size.height}
              role="img"
              aria-label={spoken(on.comparison)}
              className="absolute inset-0 block"
            >
              <FieldPlane on={on} frame={frame} />
              <g transform={`translate(${size.width - RULE_WIDTH}, 0)`}>
                <StrengthRule
                  comparison={on.comparison}
                  home={on.home?.strength ?? undefined}
                  ghost={ghost?.path.at(-1)?.abv}
                  width={RULE_WIDTH}
                  height={size.height}
                  margin={MARGIN}
                  floor={on.axes.abv?.floor ?? 0}
                />
              </g>
            </svg>
            {hand && (
              <FieldControls
                frame={frame}
                axes={on.axes}
                present={on.comparison.present.served}
                trail={trail}
                hand={hand}
              />
            )}
          </>
        )}
      </div>
      {comparison && <FiguresTable comparison={comparison} />}
    </div>
  );
});

function PublishedSwitch({ on, onSwitch }: { on: boolean; onSwitch: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      title="Ranges of balanced drinks as published"
      className={`btn btn-sm min-h-9 text-base font-normal ${on ? 'btn-primary' : 'btn-ghost border-base-300'}`}
      onClick={onSwitch}
    >
      Published ranges
    </button>
  );
}

function spoken({ present, parent }: Comparison): string {
  const say = ({ sugar, acid, abv }: Pick<ServedFigures, AxisName>) =>
    `${levelText(sugar, 'sugar')} g sugar and ${levelText(acid, 'acid')} g acid per 100 ml at ${levelText(abv, 'abv')}% ABV`;
  return `Now ${say(present.served)}. Before: ${say(parent.served)}.`;
}
