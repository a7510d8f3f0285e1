import type { EventPlan } from '@/api';
import { linearScale } from '@/lib';
import { useElementSize } from '@/hooks';
import { clockTime } from './TaskList';

const HOUR = 3_600_000;
const LANE = 26;
const HEAD = 22;

/** The evening as a strip of time: a lane a pair of hands, what waits in the cold as a thin line, the hour at its end. */
export function Timeline({ report }: { report: EventPlan }) {
  const { ref, size } = useElementSize<HTMLDivElement>();
  const { width } = size;
  const { tasks, evening } = report;
  if (!evening) return null;
  const end = Date.parse(evening.at);
  const start = Math.min(...tasks.map(({ begins_at }) => Date.parse(begins_at)));
  const x = linearScale([start, end], [4, Math.max(60, width - 4)]);
  const hands = Math.max(...tasks.map(({ hand }) => hand)) + 1;
  const waiting = tasks.filter(({ ends_at, ready_at }) => Date.parse(ready_at) - Date.parse(ends_at) > 5 * 60_000);
  const height = HEAD + hands * LANE + waiting.length * 9 + 6;
  const every = Math.max(1, Math.ceil((end - start) / HOUR / (width < 500 ? 4 : 8)));
  const hours = Array.from({ length: Math.floor((end - start) / HOUR / every) + 1 }, (_, n) => end - n * every * HOUR);
  const now = Date.parse(report.told_at);
  return (
    <div ref={ref} className="print:hidden">
      <svg width={width} height={height} role="img" aria-label="The tasks as a timeline, same as the list below">
        <title>{hands > 1 ? 'One lane per person, chilling time below' : 'Work, and chilling time below'}</title>
        {hours.map((at) => (
          <g key={at}>
            <line x1={x(at)} x2={x(at)} y1={HEAD - 4} y2={height} className="stroke-base-300" />
            <text
              x={Math.min(Math.max(x(at), 22), width - 22)}
              y={13}
              textAnchor="middle"
              className="fill-quiet text-[14px]"
            >
              {clockTime(new Date(at).toISOString())}
            </text>
          </g>
        ))}
        {tasks.map(({ key, begins_at, ends_at, hand, done, late }) => (
          <rect
            key={key}
            x={x(Date.parse(begins_at))}
            y={HEAD + hand * LANE + 2}
            width={Math.max(3, x(Date.parse(ends_at)) - x(Date.parse(begins_at)) - 1)}
            height={LANE - 5}
            rx={3}
            className={done ? 'fill-base-300' : late ? 'fill-warning' : 'fill-neutral'}
          />
        ))}
        {waiting.map(({ key, ends_at, ready_at, done }, index) => (
          <line
            key={key}
            x1={x(Date.parse(ends_at))}
            x2={x(Date.parse(ready_at))}
            y1={HEAD + hands * LANE + 6 + index * 9}
            y2={HEAD + hands * LANE + 6 + index * 9}
            strokeWidth={4}
            strokeLinecap="round"
            className={done ? 'stroke-base-300' : 'stroke-info'}
          />
        ))}
        {now > start && now < end && (
          <line x1={x(now)} x2={x(now)} y1={HEAD - 6} y2={height} className="stroke-error" strokeWidth={2.5} />
        )}
      </svg>
    </div>
  );
}
