import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { memo } from 'react';

import type { Course, Spec } from '../../api/client';
import { degrees, level, type AxisName } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AxisMark } from '../../ui/AxisMark';
import { useRested } from '../../ui/useRested';
import { useSize } from '../../ui/useSize';
import { courseQuery } from './useForecast';

interface Props {
  spec: Spec;
}

type Ice = Spec['serve']['ice'];

const ICE: Record<Ice, string> = {
  none: 'up',
  cubes: 'on cubes',
  large: 'on a large cube',
  crushed: 'on crushed ice',
};
const AXES: AxisName[] = ['sugar', 'acid', 'abv'];
const STROKES: Record<AxisName, string> = { sugar: 'stroke-sweet', acid: 'stroke-sharp', abv: 'stroke-strong' };
const FILLS: Record<AxisName, string> = { sugar: 'fill-sweet', acid: 'fill-sharp', abv: 'fill-strong' };
const TOLD = [0, 10, 20];
const HEIGHT = 100;
const EDGE = { left: 50, right: 8, top: 8, bottom: 20 };

/** What becomes of the drink while it is drunk: how far each axis drops, in noticeable steps, and its figures at three sips. */
export const TwentyMinutes = memo(function TwentyMinutes({ spec }: Props) {
  const { supposed } = useSettings();
  // It comes a moment later than the figures, which a hand at the bench waits for.
  const rested = useRested(spec, 200);
  const { data: course } = useQuery(courseQuery(rested, supposed));
  return (
    <section className="flex shrink-0 flex-col gap-1" aria-label="Twenty minutes">
      <h3 className="font-display text-lg leading-tight font-semibold">Twenty minutes {ICE[spec.serve.ice]}</h3>
      {course && changes(course) && (
        <>
          <Curves course={course} />
          <Sips course={course} />
        </>
      )}
      {course && <p className="text-sm leading-snug text-quiet">{told(course, spec.serve.ice)}</p>}
    </section>
  );
});

/** Noticeable steps that are worth a line, in words. */
const STEPS: [number, string][] = [
  [0, 'first'],
  [-1, 'likely'],
  [-2, 'clearly'],
];

function Curves({ course }: { course: Course }) {
  const { ref, size } = useSize<HTMLDivElement>();
  const every = AXES.flatMap((axis) => course.steps[axis]);
  const least = Math.min(-1.2, ...every);
  const most = Math.max(0, ...every);
  const x = scaleLinear([0, 20], [EDGE.left, Math.max(size.width - EDGE.right, EDGE.left + 1)]);
  const y = scaleLinear([least, most], [HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<number>(
    (_, minute) => x(minute),
    (steps) => y(steps),
  );
  return (
    <div ref={ref}>
      {size.width > 0 && (
        <svg width={size.width} height={HEIGHT} role="img" aria-label={spoken(course)} className="block">
          {STEPS.filter(([steps]) => steps >= least).map(([steps, words]) => (
            <g key={steps}>
              <line x1={x(0)} x2={x(20)} y1={y(steps)} y2={y(steps)} className="stroke-base-300" />
              <text x={EDGE.left - 5} y={y(steps) + 4} textAnchor="end" className="fill-quiet text-[13px]">
                {words}
              </text>
            </g>
          ))}
          {[0, 5, 10, 15, 20].map((minute) => (
            <text
              key={minute}
              x={x(minute)}
              y={HEIGHT - 4}
              textAnchor={minute === 20 ? 'end' : 'middle'}
              className="fill-quiet font-figure text-[13px]"
            >
              {minute === 20 ? '20 min' : minute === 15 ? '' : minute}
            </text>
          ))}
          {course.leaves_home !== null && (
            <line
              x1={x(course.leaves_home)}
              x2={x(course.leaves_home)}
              y1={EDGE.top}
              y2={HEIGHT - EDGE.bottom}
              className="stroke-quiet"
              strokeDasharray="3 4"
            />
          )}
          {AXES.map((axis) => (
            <g key={axis}>
              <path
                d={path(course.steps[axis]) ?? ''}
                className={`fill-none ${STROKES[axis]}`}
                strokeWidth={2.5}
                data-testid={`course-${axis}`}
              />
              <Shape axis={axis} x={x(20) - 5} y={y(course.steps[axis][20] ?? 0)} />
            </g>
          ))}
        </svg>
      )}
    </div>
  );
}

/** The axis's shape on its curve, so that no colour has to be told apart. */
function Shape({ axis, x, y }: { axis: AxisName; x: number; y: number }) {
  if (axis === 'sugar') return <circle cx={x} cy={y} r={5} className={FILLS[axis]} />;
  if (axis === 'acid') return <path d={`M${x},${y - 6}l6,10h-12z`} className={FILLS[axis]} />;
  return <rect x={x - 4.5} y={y - 4.5} width={9} height={9} className={FILLS[axis]} />;
}

/** First, middle and last sip in figures. */
function Sips({ course }: { course: Course }) {
  return (
    <table className="w-full border-separate border-spacing-x-1 text-base leading-tight">
      <thead className="text-sm text-quiet">
        <tr>
          <th scope="col" className="text-left font-normal">
            min
          </th>
          {AXES.map((axis) => (
            <th key={axis} scope="col" className="text-right font-normal">
              <span className="inline-flex items-center gap-1">
                <AxisMark axis={axis} size={10} /> {{ sugar: 'sweet', acid: 'sharp', abv: '%' }[axis]}
              </span>
            </th>
          ))}
          <th scope="col" className="text-right font-normal">
            ml
          </th>
          <th scope="col" className="text-right font-normal">
            °C
          </th>
        </tr>
      </thead>
      <tbody>
        {TOLD.map((minute) => (
          <tr key={minute}>
            <th scope="row" className="text-left font-normal">
              {minute}
            </th>
            {AXES.map((axis) => (
              <td key={axis} className="text-right font-figure">
                {level(course[axis][minute] ?? 0, axis)}
              </td>
            ))}
            <td className="text-right font-figure">{course.volume_ml[minute]?.toFixed(0)}</td>
            <td className="text-right font-figure">{degrees(course.temperature_c[minute] ?? 0)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Whether there is anything to draw: served up, a drink only warms. */
function changes(course: Course): boolean {
  return course.top !== null || course.undissolved_g[0] !== 0 || course.volume_ml[0] !== course.volume_ml[20];
}

function told(course: Course, ice: Ice): string {
  if (course.top) {
    const first = course.top.abv[0] ?? 0;
    return `The float alone is ${level(first, 'abv')} % at first, ${level(course.top.sugar[0] ?? 0, 'sugar')} g sweet; unstirred it sinks in within a quarter of an hour.`;
  }
  const cube = course.undissolved_g[0] ?? 0;
  if (cube > 0)
    return `The sugar cube dissolves as it is drunk: ${cube.toFixed(0)} g at first, ${(course.undissolved_g[20] ?? 0).toFixed(1)} g left at the end.`;
  if (course.leaves_home !== null) return `Leaves its home after ${course.leaves_home} min. An estimate.`;
  if (ice === 'none') {
    const at = (minute: number) => `${degrees(course.temperature_c[minute] ?? 0)} °C`;
    return `Nothing melts: it warms from ${at(0)} to ${at(10)} in ten minutes and ${at(20)} in twenty. An estimate.`;
  }
  return 'At home to the last sip. An estimate.';
}

function spoken(course: Course): string {
  const at = (minute: number) =>
    `${level(course.sugar[minute] ?? 0, 'sugar')} g sugar, ${level(course.acid[minute] ?? 0, 'acid')} g acid, ${level(course.abv[minute] ?? 0, 'abv')} % ABV`;
  return `At first ${at(0)}; after ten minutes ${at(10)}; after twenty ${at(20)}.`;
}
