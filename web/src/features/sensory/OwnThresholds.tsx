import type { SensoryProfile, Threshold } from '@/api';
import { changeSettings, useSettings } from '@/hooks';
import { Disclosure } from '@/ui';
import { SubjectMark } from './subjects';

/** The least and the most of the usual step that a line runs to. */
const LEAST = 0.35;
const MOST = 4;

/** Own steps beside the usual one, and whether the words of the house go by them. */
export function OwnThresholds({ tongue }: { tongue: SensoryProfile }) {
  const { taster, thresholds } = tongue;
  const none = thresholds.every(({ triangles }) => triangles === 0);
  return (
    <section aria-label="Thresholds" className="panel flex flex-col gap-4 p-4 sm:p-5">
      <h2 className="font-display text-2xl leading-tight font-semibold">
        {taster ? `${taster}’s thresholds` : 'The team’s thresholds'}
      </h2>
      {none && (
        <p className="max-w-[62ch] text-lg">
          A threshold is the smallest change you notice. {taster || 'The team'} uses the standard one so far. Six
          triangle tests take five minutes and give a first result.
        </p>
      )}
      {thresholds.map((item) => (
        <OwnStep key={item.matter} threshold={item} />
      ))}
      <p className="max-w-[70ch] text-base text-quiet">
        The upright line is the standard threshold. Left of it is more sensitive. The bar holds 8 times in 10.
      </p>
      {!none && <UseThresholds taster={taster} />}
    </section>
  );
}

const place = (steps: number) =>
  `${(100 * Math.log(Math.min(MOST, Math.max(LEAST, steps)) / LEAST)) / Math.log(MOST / LEAST)}%`;

const PAINT = { sugar: 'bg-sweet', acid: 'bg-sharp', abv: 'bg-strong', smell: 'bg-base-content' };

function OwnStep({ threshold }: { threshold: Threshold }) {
  const { matter, noun, triangles, right, steps, low, high, words, figures, usual, worth_it, history } = threshold;
  return (
    <article aria-label={noun} className="border-t border-base-300 pt-3">
      <h3 className="flex flex-wrap items-baseline gap-x-2 text-lg">
        <span className="self-center">
          <SubjectMark matter={matter} />
        </span>
        <strong className="font-semibold first-letter:uppercase">{noun}</strong>
        <span>{words}</span>
      </h3>
      <div className="relative mt-1.5 h-9" aria-hidden>
        <div className="absolute inset-x-0 top-1/2 h-0.5 bg-base-300" />
        <div className="absolute top-0 h-full w-0.5 bg-base-content" style={{ left: place(1) }} />
        {triangles > 0 && (
          <>
            <div
              className={`absolute top-1/2 h-3 -translate-y-1/2 rounded-full opacity-35 ${PAINT[matter]}`}
              style={{ left: place(low), width: `calc(${place(high)} - ${place(low)})` }}
            />
            <span
              className="absolute top-1/2 -translate-x-1/2 -translate-y-1/2 rounded-full bg-base-100 p-0.5"
              style={{ left: place(steps) }}
            >
              <SubjectMark matter={matter} size={20} />
            </span>
          </>
        )}
      </div>
      <div className="flex justify-between text-base text-quiet" aria-hidden>
        <span>more sensitive</span>
        <span>less sensitive</span>
      </div>
      {figures && (
        <p className="text-base">
          {triangles > 0 && <span className="first-letter:uppercase">{sentenceOf(figures)} </span>}
          <span className="text-quiet">Standard threshold {usual}.</span>
        </p>
      )}
      {triangles > 0 && (
        <Disclosure title={`${right} of ${triangles} found`}>
          <OverTime history={history} noun={noun} />
          {!worth_it && <p className="text-base">Six more tests would add little.</p>}
        </Disclosure>
      )}
    </article>
  );
}

const sentenceOf = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;

/** How the step was known after each triangle: a band that narrows. */
function OverTime({ history, noun }: { history: Threshold['history']; noun: string }) {
  const wide = 320;
  const high = 96;
  const x = (n: number) => (history.length < 2 ? wide / 2 : (n * (wide - 8)) / (history.length - 1) + 4);
  const y = (steps: number) =>
    high - (high * Math.log(Math.min(MOST, Math.max(LEAST, steps)) / LEAST)) / Math.log(MOST / LEAST);
  const upper = history.map((entry, n) => `${x(n)},${y(entry.high)}`);
  const lower = history.map((entry, n) => `${x(n)},${y(entry.low)}`).toReversed();
  const last = history.at(-1);
  return (
    <figure className="my-2 max-w-md">
      <svg viewBox={`0 0 ${wide} ${high}`} className="w-full" role="img" aria-label={`Threshold of ${noun} over time`}>
        <line x1={0} x2={wide} y1={y(1)} y2={y(1)} className="stroke-base-content" strokeWidth={1.5} />
        <polygon points={[...upper, ...lower].join(' ')} className="fill-base-content opacity-15" />
        <polyline
          points={history.map((entry, n) => `${x(n)},${y(entry.steps)}`).join(' ')}
          className="fill-none stroke-base-content"
          strokeWidth={2.5}
        />
      </svg>
      <figcaption className="text-base text-quiet">
        Test by test{last ? ` to the ${last.triangles}th` : ''}: the line is the standard threshold, below it is more
        sensitive.
      </figcaption>
    </figure>
  );
}

/** Whether differences are told in this tongue's words, everywhere. */
function UseThresholds({ taster }: { taster: string }) {
  const { palate } = useSettings();
  const on = palate === taster;
  return (
    <div className="flex flex-wrap items-center gap-3 border-t border-base-300 pt-4">
      <button
        type="button"
        aria-pressed={on}
        className={`btn btn-lg text-base ${on ? 'btn-secondary' : 'btn-primary'}`}
        onClick={() => changeSettings({ palate: on ? null : taster })}
      >
        {on ? 'In use. Switch it off' : `Use it everywhere for ${taster || 'the team'}`}
      </button>
      <span className="max-w-[46ch] text-base text-quiet">
        “A touch sweeter” then means what this taster notices. Palates and next trials use it too.
      </span>
    </div>
  );
}
