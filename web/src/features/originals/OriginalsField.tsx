import { useQuery } from '@tanstack/react-query';

import { familiesQuery, type Original, rulesQuery } from '@/api';
import { levelText, stepScale } from '@/lib';
import { BalancePlane } from '@/ui';

interface Props {
  originals: Original[];
  family: string;
  chosen: string | undefined;
  over: string | null;
  onOver: (name: string | null) => void;
  onChoose: (name: string) => void;
}

const WIDTH = 384;
const HEIGHT = 236;
/** At least this factor is seen each way from the middle of the drinks. */
const AROUND = 1.06;
const MARGIN = { top: 10, right: 12, bottom: 44, left: 64 };

/** All originals as dots on one field with the family's home: sweetness across, acidity up. */
export function OriginalsField({ originals, family, chosen, over, onOver, onChoose }: Props) {
  const axes = useQuery(rulesQuery()).data?.axes;
  const homes = useQuery(familiesQuery()).data?.find(({ slug }) => slug === family)?.homes ?? [];
  const free = originals.every(({ abv }) => abv < 0.5);
  const outline = homes.find(({ branch }) => branch === (free ? 'without alcohol' : ''))?.outline ?? [];
  // The drinks lie close together in a large home: they are framed, with a part of the home around them.
  const scale = (axis: 'sugar' | 'acid', range: [number, number]) => {
    const levels = originals.map((original) => original[axis]);
    const middle = Math.sqrt(Math.min(...levels) * Math.max(...levels));
    return stepScale([...levels, middle / AROUND, middle * AROUND], range, axes?.[axis]?.floor ?? 0.01, 1.02);
  };
  const x = scale('sugar', [MARGIN.left, WIDTH - MARGIN.right]);
  const y = scale('acid', [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const named = originals.find(({ spec }) => spec.name === (over ?? chosen));
  return (
    <figure className="panel p-2">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="h-auto w-full" role="img" aria-label={summary(originals)}>
        <BalancePlane x={x} y={y} height={HEIGHT} outline={outline} />
        {originals.map(({ spec, sugar, acid, colour }) => {
          const big = spec.name === over || spec.name === chosen;
          return (
            <circle
              key={spec.name}
              cx={x(sugar)}
              cy={y(acid)}
              r={big ? 11 : 7}
              fill={colour}
              className="cursor-pointer stroke-base-content"
              strokeWidth={big ? 3.5 : 1.8}
              onMouseEnter={() => onOver(spec.name)}
              onMouseLeave={() => onOver(null)}
              onClick={() => onChoose(spec.name)}
            />
          );
        })}
      </svg>
      <figcaption className="min-h-6 text-center text-base">
        {named ? named.spec.name : 'The shaded area is the typical range.'}
      </figcaption>
    </figure>
  );
}

function summary(originals: Original[]): string {
  const figures = originals.map(
    ({ spec, sugar, acid }) =>
      `${spec.name}: ${levelText(sugar, 'sugar')} g sugar/100 ml, ${levelText(acid, 'acid')} g acid/100 ml`,
  );
  return `${originals.length} ideas by sweetness and acidity. ${figures.join('. ')}.`;
}
