import { memo, useState } from 'react';

import type { Comparison, Family, Forecast, Span } from '../../api/client';
import { level, type AxisName } from '../../lib/format';
import { useSize } from '../../ui/useSize';
import { FieldHands } from './FieldHands';
import { frameOf, MARGIN, type Levels, type OnField } from './fieldFrame';
import { FieldPlane } from './FieldPlane';
import { StrengthRule } from './StrengthRule';

type Served = Forecast['served'];

interface Props {
  comparison: Comparison | undefined;
  family: Family | undefined;
  ghost?: OnField['ghost'];
  /** What is tried on, if anything is. */
  tried?: string | undefined;
  ranges?: Span[];
  /** Absent where a kept trial is looked at. */
  hand?: {
    trail: { back: number; served: Levels }[];
    onBack: (steps: number) => void;
    onBring: (wished: Pick<Levels, 'sugar' | 'acid'>) => void;
  };
}

const RULE_WIDTH = 96;
const NONE: never[] = [];

/** Sweetness across, acidity up: the family's home, the parent and the drink as it is now; strength on its own rule beside. */
export const BalanceField = memo(function BalanceField(props: Props) {
  const { comparison, family, ghost = null, tried, ranges = NONE, hand } = props;
  const { ref, size } = useSize<HTMLDivElement>();
  const [showPublished, setShowPublished] = useState(false);
  const published = showPublished ? (family?.published ?? []) : [];
  const trail = hand?.trail ?? NONE;
  const on: OnField | null = comparison
    ? { comparison, family, ghost, published, trail: trail.map(({ served }) => served), ranges }
    : null;
  const frame = on && size.width > 0 && size.height > 0 ? frameOf(on, size.width - RULE_WIDTH, size.height) : null;
  return (
    <div className="flex h-full min-h-[250px] flex-col px-1.5 pt-2">
      <div className="flex items-center gap-3 pl-2.5">
        <h2 className="min-w-0 grow truncate font-display text-base font-semibold">
          Where it stands{' '}
          <span className="font-sans text-base font-normal text-quiet">
            {tried ? `trying on ${tried}` : ghost ? `the ring: with ${ghost.name}` : 'as served, beside its parent'}
          </span>
        </h2>
        {family && family.published.length > 0 && (
          <button
            type="button"
            aria-pressed={showPublished}
            title="Ranges of balanced drinks as they were published; an overlay, no law"
            className={`btn btn-sm min-h-9 text-base font-normal ${showPublished ? 'btn-primary' : 'btn-ghost border-base-300'}`}
            onClick={() => setShowPublished(!showPublished)}
          >
            Published
          </button>
        )}
      </div>
      <div ref={ref} className="relative min-h-0 grow">
        {on && frame && comparison && (
          <>
            <svg
              width={size.width}
              height={size.height}
              role="img"
              aria-label={spoken(comparison)}
              className="absolute inset-0 block"
            >
              <FieldPlane on={on} frame={frame} />
              <g transform={`translate(${size.width - RULE_WIDTH}, 0)`}>
                <StrengthRule
                  comparison={comparison}
                  home={family?.home?.strength}
                  ghost={ghost?.path.at(-1)?.abv}
                  width={RULE_WIDTH}
                  height={size.height}
                  margin={MARGIN}
                />
              </g>
            </svg>
            {hand && (
              <FieldHands
                frame={frame}
                present={comparison.present.served}
                trail={trail}
                onBack={hand.onBack}
                onBring={hand.onBring}
              />
            )}
          </>
        )}
      </div>
      {comparison && <FiguresTable comparison={comparison} />}
    </div>
  );
});

function spoken({ present, parent }: Comparison): string {
  const say = ({ sugar, acid, abv }: Pick<Served, AxisName>) =>
    `${level(sugar, 'sugar')} g sugar and ${level(acid, 'acid')} g acid per 100 ml at ${level(abv, 'abv')} % ABV`;
  return `Now ${say(present.served)}; the parent ${say(parent.served)}.`;
}

/** The same figures for who can't see the field. */
function FiguresTable({ comparison }: { comparison: Comparison }) {
  const rows: [string, Comparison['parent']][] = [
    ['Now', comparison.present],
    ['Parent', comparison.parent],
  ];
  return (
    <div className="sr-only">
      <table>
        <caption>Where the drink stands, as served</caption>
        <thead>
          <tr>
            <th scope="col">Drink</th>
            <th scope="col">Sugar, g per 100 ml</th>
            <th scope="col">Acid, g per 100 ml</th>
            <th scope="col">Strength, % ABV</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, { served, interval80 }]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {(['sugar', 'acid', 'abv'] as const).map((axis) => (
                <td key={axis}>
                  {level(served[axis], axis)}, between {interval80[axis].map((each) => level(each, axis)).join(' and ')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
