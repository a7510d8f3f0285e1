import type { Course } from '@/api';
import { AXES, type AxisName, levelText, linearScale } from '@/lib';
import { useElementSize } from '@/hooks';

const STROKES: Record<AxisName, string> = { sugar: 'stroke-sweet', acid: 'stroke-sharp', abv: 'stroke-strong' };
const FILLS: Record<AxisName, string> = { sugar: 'fill-sweet', acid: 'fill-sharp', abv: 'fill-strong' };
const HEIGHT = 100;
const EDGE = { left: 50, right: 8, top: 8, bottom: 20 };

/** Noticeable steps that are worth a line, in words. */
const STEPS: [number, string][] = [
  [0, 'first'],
  [-1, 'likely'],
  [-2, 'clearly'],
];

/** How far each axis drops while it is drunk, in noticeable steps. */
export function TimeCurves({ course }: { course: Course }) {
  const { ref, size } = useElementSize<HTMLDivElement>();
  const every = AXES.flatMap((axis) => course.steps[axis]);
  const least = Math.min(-1.2, ...every);
  const most = Math.max(0, ...every);
  const x = linearScale([0, 20], [EDGE.left, Math.max(size.width - EDGE.right, EDGE.left + 1)]);
  const y = linearScale([least, most], [HEIGHT - EDGE.bottom, EDGE.top]);
  const points = (steps: number[]) => steps.map((value, minute) => `${x(minute)},${y(value)}`).join(' ');
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
              <polyline
                points={points(course.steps[axis])}
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

function spoken(course: Course): string {
  const at = (minute: number) =>
    `${levelText(course.sugar[minute] ?? 0, 'sugar')} g sugar, ${levelText(course.acid[minute] ?? 0, 'acid')} g acid, ${levelText(course.abv[minute] ?? 0, 'abv')}% ABV`;
  return `At first ${at(0)}. After 10 minutes ${at(10)}. After 20 minutes ${at(20)}.`;
}
