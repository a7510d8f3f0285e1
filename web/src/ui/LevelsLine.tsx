import { AXIS_UNITS, type AxisName, levelText, withUnit } from '@/lib';
import { AxisMark } from './AxisMark';

const UNITS: Record<AxisName, string> = { sugar: ' g', acid: ' g', abv: '%' };

/** Sweetness, acidity and strength in a line, each with its mark and its unit. */
export function LevelsLine({ className = '', ...levels }: Record<AxisName, number> & { className?: string }) {
  return (
    <span className={`flex flex-wrap gap-x-3 ${className}`}>
      {(['sugar', 'acid', 'abv'] as const).map((axis) => (
        <span
          key={axis}
          className="flex items-center gap-1"
          title={withUnit(levelText(levels[axis], axis), AXIS_UNITS[axis])}
        >
          <AxisMark axis={axis} size={12} />
          <span className="font-figure whitespace-nowrap">
            {levelText(levels[axis], axis)}
            {UNITS[axis]}
          </span>
        </span>
      ))}
    </span>
  );
}
