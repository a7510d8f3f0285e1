import { BalancePlane } from '@/ui';
import type { Frame, OnField } from './fieldFrame';
import { Rays, RayWords } from './Rays';
import { Trail } from './Trail';
import { RangeSpan } from './RangeSpan';

interface Props {
  on: OnField;
  frame: Frame;
}

/** Sweetness across, acidity up, in noticeable steps: the home, the rays of sugar to acid, the parent, the trail and the drink. */
export function FieldPlane({ on, frame }: Props) {
  const { x, y, at, height, outline, doubt } = frame;
  return (
    <>
      <BalancePlane x={x} y={y} height={height} outline={outline}>
        <Rays on={on} frame={frame} />
        <ellipse
          cx={(x(doubt.sugarLow) + x(doubt.sugarHigh)) / 2}
          cy={(y(doubt.acidLow) + y(doubt.acidHigh)) / 2}
          rx={(x(doubt.sugarHigh) - x(doubt.sugarLow)) / 2}
          ry={(y(doubt.acidLow) - y(doubt.acidHigh)) / 2}
          className="fill-base-content"
          opacity={0.13}
        />
      </BalancePlane>
      <RayWords on={on} frame={frame} />
      {on.ranges.map((span) => (
        <RangeSpan key={span.pour} span={span} at={at} />
      ))}
      <Trail on={on} frame={frame} />
    </>
  );
}
