import { AxisMark } from '@/ui';

const AXIS_WORDS = { sugar: 'Sweetness', acid: 'Acidity', abv: 'Strength' } as const;

/** What the marks of each column are, and what their sides and fillings mean. */
export function ColumnLegend() {
  return (
    <div
      aria-hidden
      className="flex flex-wrap items-end gap-1 border-t border-base-300 px-4 pt-1.5 pb-0.5 text-sm leading-tight text-quiet @lg:flex-nowrap"
    >
      <span className="basis-full pl-10 @lg:basis-0 @lg:grow @lg:pl-0">hollow 1:1, filled rebalanced</span>
      <span className="flex gap-1 pl-10 @lg:pl-0">
        {(['sugar', 'acid', 'abv'] as const).map((axis) => (
          <span key={axis} className="flex w-[74px] items-center justify-center gap-0.5 text-[13px] whitespace-nowrap">
            <AxisMark axis={axis} size={10} /> {AXIS_WORDS[axis]}
          </span>
        ))}
      </span>
    </div>
  );
}
