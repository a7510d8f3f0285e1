import { useQuery } from '@tanstack/react-query';

import type { Comparison, Spec, Why } from '../../api/client';
import { axisUnit, level, plain } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AxisMark } from '../../ui/AxisMark';
import { Dialog } from '../../ui/Dialog';
import { whyQuery, type Figure } from './useForecast';

interface Props {
  figure: Figure;
  spec: Spec;
  comparison: Comparison;
  parentName: string | undefined;
  onClose: () => void;
}

const TITLES: Record<Figure, string> = { sugar: 'Sweetness', acid: 'Acidity', abv: 'Strength' };
const COLOURS: Record<Figure, string> = { sugar: 'text-sweet', acid: 'text-sharp', abv: 'text-strong' };
const FILLS: Record<Figure, string> = { sugar: 'bg-sweet', acid: 'bg-sharp', abv: 'bg-strong' };

/** Why a figure is what it is: what each pour gives, from which value and source; how sure it is; which change did what. */
export function WhyDialog({ figure, spec, comparison, parentName, onClose }: Props) {
  const { supposed } = useSettings();
  const { data: tree, error } = useQuery(whyQuery(spec, figure, supposed));
  const { present } = comparison;
  const [low = 0, high = 0] = present.interval80[figure];
  const changes = comparison.changes.filter(({ by }) => Math.abs(by[figure] ?? 0) >= 0.5 * 10 ** -DECIMALS[figure]);
  const axis = comparison.axes.find((each) => each.axis === figure);
  return (
    <Dialog
      wide
      onClose={onClose}
      heading={
        <>
          <span className={`flex items-center gap-2 ${COLOURS[figure]}`}>
            <AxisMark axis={figure} size={18} /> {TITLES[figure]}
          </span>
          <span>
            {level(present.served[figure], figure)} {axisUnit(figure)}
          </span>
        </>
      }
    >
      <p className="-mt-2 text-quiet">{secondReading(figure, present.served)}</p>
      {error && (
        <p role="alert" className="text-error">
          {error.message}
        </p>
      )}
      {tree ? (
        <>
          <section aria-label="What each pour gives">
            <ul className="flex flex-col gap-1">
              {tree.parts.map((pour, index) => (
                <PourLine key={index} pour={pour} whole={tree.value} figure={figure} />
              ))}
            </ul>
            {tree.uses.map((used) => (
              <Used key={used.name} used={used} />
            ))}
          </section>
          <section aria-label="How sure">
            <h3 className="font-display text-lg font-semibold">How sure</h3>
            <p>
              Four times out of five it lies between {level(low, figure)} and {level(high, figure)} {axisUnit(figure)}.{' '}
              {present.doubt[figure].told}
            </p>
            <ul className="mt-1 flex flex-wrap gap-x-4 text-quiet">
              {present.doubt[figure].drivers.map(({ subject, share }) => (
                <li key={subject}>
                  {subject} {(100 * share).toFixed(0)} %
                </li>
              ))}
            </ul>
          </section>
          {parentName && axis && changes.length > 0 && (
            <section aria-label="Which change did what">
              <h3 className="font-display text-lg font-semibold">
                Beside {parentName}: {signed(axis.difference.by, figure)}
                {axis.certainty && `, ${axis.certainty}`}
              </h3>
              <ul>
                {changes.map(({ words, by }) => (
                  <li key={words} className="flex gap-3">
                    <span className="w-16 shrink-0 text-right font-figure">{signed(by[figure] ?? 0, figure)}</span>{' '}
                    {words}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      ) : (
        <p className="text-quiet">Looking it up…</p>
      )}
    </Dialog>
  );
}

/** What another way of counting says of the same axis. */
function secondReading(figure: Figure, served: Comparison['present']['served']): string {
  if (figure === 'sugar') {
    return `As the tongue counts its kinds of sugar: ${level(served.sucrose_equivalents, 'sugar')} g of sucrose in 100 ml. Body: ${served.body_word}.`;
  }
  if (figure === 'acid') return `Titrated, as citric acid: ${level(served.titratable_acid, 'acid')} g in 100 ml.`;
  const { us, uk, au } = served.standard_drinks;
  return `${plain(served.alcohol_g, 1)} g of alcohol: standard drinks US ${plain(us, 1)}, UK ${plain(uk, 1)}, AU ${plain(au, 1)}.`;
}

const DECIMALS: Record<Figure, number> = { sugar: 2, acid: 3, abv: 2 };

function signed(value: number, figure: Figure): string {
  const text = Math.abs(value).toFixed(DECIMALS[figure]);
  return Number(text) === 0 ? text : `${value > 0 ? '+' : '−'}${text}`;
}

interface PourLineProps {
  pour: Why;
  whole: number;
  figure: Figure;
}

/** What one pour gives, as a bar; opened, from which value and source. */
function PourLine({ pour, whole, figure }: PourLineProps) {
  const share = whole > 0 ? pour.value / whole : 0;
  return (
    <li>
      <details className="group rounded-xl border border-base-300 px-3 py-2 open:bg-base-200">
        <summary className="flex min-h-8 cursor-pointer list-none items-center gap-3 text-lg">
          <span className="grow">
            {pour.name} <span className="text-base text-quiet">{pour.equation}</span>
          </span>
          <span className="h-2.5 w-28 overflow-hidden rounded-full bg-base-300" aria-hidden>
            <span className={`block h-full ${FILLS[figure]}`} style={{ width: `${100 * share}%` }} />
          </span>
          <span className="w-16 text-right font-figure font-semibold">{pour.value.toFixed(DECIMALS[figure])}</span>
        </summary>
        <ul className="mt-1 flex flex-col gap-2 border-t border-base-300 pt-2">
          {pour.parts.map((leaf) => (
            <li key={leaf.name}>
              <p>
                <span className="font-semibold">{leaf.name}</span> {leaf.equation} ={' '}
                <span className="font-figure">{plain(leaf.value, 3)}</span>
                {leaf.relative_sd ? `, ± ${plain(100 * leaf.relative_sd, 1)} %` : ''}
              </p>
              <p className="text-quiet">
                {leaf.source}
                {leaf.reasoning && `: ${leaf.reasoning}`}
              </p>
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}

/** What the equation takes besides: the volume, and in it the water from the ice with its school. */
function Used({ used }: { used: Why }) {
  return (
    <details className="mt-1 rounded-xl border border-base-300 px-3 py-2 open:bg-base-200">
      <summary className="min-h-8 cursor-pointer list-none text-lg">
        in {plain(used.value, 1)} {used.unit} <span className="text-base text-quiet">{used.equation}</span>
      </summary>
      <ul className="mt-1 flex flex-col gap-1 border-t border-base-300 pt-2">
        {used.parts.map((part, index) => (
          <li key={index}>
            <span className="font-semibold">{part.name}</span> {plain(part.value, 1)} {part.unit}{' '}
            <span className="text-quiet">
              {part.equation}
              {part.source && `. ${part.source}`}
              {part.relative_sd ? `, ± ${plain(100 * part.relative_sd, 0)} %` : ''}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
