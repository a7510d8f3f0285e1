import type { Comparison } from '@/api';
import { asSentence } from '@/lib';

interface HeadlineProps {
  comparison: Comparison;
  nothingMoved: boolean;
  /** The family whose home is drawn; undefined where there is none. */
  homeName?: string | undefined;
}

/** The riff in one breath: what was changed, what it does, whether a guest would notice, and what the nose and the eye do. */
export function Headline({ comparison, nothingMoved, homeName }: HeadlineProps) {
  const { headline, for_taster } = comparison;
  const besides = besidesTheAxes(comparison);
  return (
    <div
      aria-label="Summary"
      role="note"
      className="hidden border-b border-base-300 px-3 py-1.5 leading-tight min-[760px]:block"
    >
      {nothingMoved && !headline.change ? (
        <p className="text-base text-quiet">
          No change yet. Change an amount, or press an ingredient to swap it.
          {homeName && ` The shaded area is the typical range of a ${homeName}.`}
        </p>
      ) : (
        <>
          <p title={headline.change} className="font-display text-xl leading-tight font-semibold">
            {headline.effect}.
          </p>
          <p className="text-base leading-tight">
            {headline.noticed} {for_taster && <span className="text-quiet">By {for_taster}’s thresholds.</span>}
          </p>
          {besides.length > 0 && (
            <p className="line-clamp-2 text-base leading-tight text-quiet" title={besides.join(' ')}>
              {besides.join(' ')}
            </p>
          )}
        </>
      )}
    </div>
  );
}

/** What no axis shows: what a nose could tell, bubbles, sweet against tart. */
export function besidesTheAxes({
  loudness,
  bubbles,
  lean,
}: Pick<Comparison, 'loudness' | 'bubbles' | 'lean'>): string[] {
  const loud = loudness.filter(({ told }) => told).map((item) => item.sentence);
  return [bubbles, loud.length > 0 ? asSentence(`Aroma: ${loud.join(', ')}`) : '', lean].filter(Boolean);
}
