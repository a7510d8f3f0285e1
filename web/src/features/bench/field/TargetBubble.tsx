import { levelText } from '@/lib';
import type { FieldTarget } from '../benchActions';
import type { Frame } from './fieldFrame';
import { Button } from '@/ui';

interface Props {
  wish: FieldTarget;
  from: { x: number; y: number };
  to: { x: number; y: number };
  frame: Frame;
  /** The drink is still being dragged. */
  held: boolean;
  onBring: () => void;
  onNo: () => void;
}

const BUBBLE = { width: 190, height: 108 };

/** Where the drink is wished, and whether to bring it there. */
export function TargetBubble({ wish, from, to, frame, held, onBring, onNo }: Props) {
  return (
    <>
      <svg className="absolute inset-0 size-full" aria-hidden>
        <line
          x1={from.x}
          y1={from.y}
          x2={to.x}
          y2={to.y}
          className="stroke-base-content"
          strokeDasharray="3 4"
          strokeWidth={1.5}
        />
        <circle
          cx={to.x}
          cy={to.y}
          r={12}
          className="fill-none stroke-base-content"
          strokeDasharray="4 3"
          strokeWidth={2.5}
          data-testid="wish"
        />
      </svg>
      {!held && (
        <div
          role="group"
          aria-label="Rebalance to this target"
          className="panel pointer-events-auto absolute z-10 p-2 text-base shadow-lg"
          style={{
            width: BUBBLE.width,
            left: Math.min(Math.max(to.x - BUBBLE.width / 2, 4), frame.width - BUBBLE.width),
            top: to.y + 18 + BUBBLE.height > frame.height ? to.y - 18 - BUBBLE.height : to.y + 18,
          }}
        >
          <p role="status" className="pb-1.5 leading-tight">
            Aim for <b className="text-sweet">{levelText(wish.sugar, 'sugar')} g</b> sugar,{' '}
            <b className="text-sharp">{levelText(wish.acid, 'acid')} g</b> acid?
          </p>
          <span className="flex gap-1.5">
            <Button look="primary" className="grow px-2" onClick={onBring}>
              Rebalance
            </Button>
            <Button look="ghost" className="px-2" onClick={onNo}>
              Cancel
            </Button>
          </span>
        </div>
      )}
    </>
  );
}
