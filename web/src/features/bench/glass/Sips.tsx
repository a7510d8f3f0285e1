import type { Course } from '@/api';
import { AXES, degreesText, levelText } from '@/lib';
import { AxisMark } from '@/ui';

const TOLD = [0, 10, 20];

/** First, middle and last sip in figures. */
export function Sips({ course }: { course: Course }) {
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
                {levelText(course[axis][minute] ?? 0, axis)}
              </td>
            ))}
            <td className="text-right font-figure">{course.volume_ml[minute]?.toFixed(0)}</td>
            <td className="text-right font-figure">{degreesText(course.temperature_c[minute] ?? 0)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
