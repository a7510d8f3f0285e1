import type { Comparison } from '../../../api/client';

interface HeadlineProps {
  headline: Comparison['headline'];
  /** What composition can't see of what came in. */
  unseen: string[];
  nothingMoved: boolean;
  parentName: string;
}

/** The riff in one breath: what was changed, what it does, whether a guest would notice. */
export function Headline({ headline, unseen, nothingMoved, parentName }: HeadlineProps) {
  return (
    <div
      aria-label="The riff in one breath"
      role="note"
      className="hidden border-b border-base-300 px-3 py-1.5 leading-tight min-[760px]:block"
    >
      {nothingMoved && !headline.change ? (
        <p className="text-base text-quiet">
          Nothing is moved yet. Change an amount, or press a pour’s name to swap it: what that does beside {parentName}{' '}
          is told here.
        </p>
      ) : (
        <>
          <p className="truncate text-base text-quiet" title={headline.change}>
            {headline.change}
          </p>
          <p className="font-display text-xl leading-tight font-semibold">{headline.effect}.</p>
          <p className="text-base leading-tight">{headline.noticed}</p>
          {unseen[0] && (
            <p className="truncate text-base leading-tight text-quiet" title={unseen.join(' ')}>
              {unseen[0]}
            </p>
          )}
        </>
      )}
    </div>
  );
}
