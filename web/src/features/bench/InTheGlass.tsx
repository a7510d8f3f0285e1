import { memo } from 'react';

import type { Comparison, Prediction, Spec } from '../../api/client';
import { capital, degrees, level, plain, volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { Fold } from '../../ui/Fold';
import { GoodToKnow } from './GoodToKnow';
import type { OnMend } from './Mends';

interface Props {
  serve: Spec['serve'];
  family: string;
  ounceMl: number;
  comparison: Comparison | undefined;
  /** Absent where a kept trial is looked at. */
  onMend?: OnMend;
}

/** What the guest gets, what to watch, and the figures to taste against on the way. */
export const InTheGlass = memo(function InTheGlass({ serve, family, ounceMl, comparison, onMend }: Props) {
  const { shown } = useSettings();
  if (!comparison) return <section className="panel p-4" aria-busy="true" />;
  const { served, place } = comparison.present;
  const figures = [
    { value: volume(served.volume_ml, shown, ounceMl), words: 'as served' },
    { value: `${degrees(served.temperature_c)} °C`, words: 'first sip, about' },
    { value: served.standard_drinks.us.toFixed(1), words: 'US standard drinks' },
    {
      value: served.sugar_acid_ratio == null ? '—' : plain(served.sugar_acid_ratio, 1),
      words: 'sugar : acid',
    },
    { value: capital(served.body_word), words: 'body' },
    { value: served.energy_kcal.toFixed(0), words: 'kcal' },
  ];
  return (
    <section className="panel flex min-h-0 shrink flex-col gap-2 overflow-y-auto p-3.5" aria-label="In the glass">
      <h2 className="font-display text-lg leading-tight font-semibold">
        {capital(serve.glass || 'in the glass')}
        {place && (
          <span className="font-sans text-base font-normal text-quiet">
            , {PLACES[place.words] ?? place.words} of the {family}
          </span>
        )}
      </h2>
      <dl className="grid grid-cols-3 gap-x-2 gap-y-2 sm:grid-cols-6 xl:grid-cols-3">
        {figures.map(({ value, words }) => (
          <div key={words} className="flex flex-col-reverse justify-end">
            <dt className="text-sm leading-tight text-quiet">{words}</dt>
            <dd className="font-figure text-lg leading-tight font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {comparison.unseen.length > 0 && (
        <p className="text-base leading-snug">
          <strong className="font-semibold">The numbers can’t see</strong> {comparison.unseen.join(' ')}{' '}
          <span className="text-quiet">An impression of the trade.</span>
        </p>
      )}
      <GoodToKnow findings={[...comparison.findings, ...comparison.present.findings]} onMend={onMend} />
      <OnTheWay forecast={comparison.present} />
    </section>
  );
});

const PLACES: Record<string, string> = {
  outside: 'outside the home',
  'at home': 'at home',
  'at the edge of home': 'edge of the home',
};

/** The same figures at each point where the drink can be tasted while it is made. */
function OnTheWay({ forecast }: { forecast: Prediction }) {
  const points: [string, Prediction['served']][] = [
    ['In the tin', forecast.undiluted],
    ['After the ice', forecast.strained],
    ['In the glass', forecast.before_topping],
    ['Served', forecast.served],
  ];
  return (
    <Fold title="Taste on the way">
      <table className="w-full border-separate border-spacing-x-1.5 text-base">
        <thead className="text-sm text-quiet">
          <tr>
            <td />
            {['sweet', 'sharp', '%', '°C'].map((word) => (
              <th key={word} scope="col" className="text-right font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {points.map(([name, point]) => (
            <tr key={name}>
              <th scope="row" className="text-left font-normal">
                {name}
              </th>
              <td className="text-right font-figure">{level(point.sugar, 'sugar')}</td>
              <td className="text-right font-figure">{level(point.acid, 'acid')}</td>
              <td className="text-right font-figure">{level(point.abv, 'abv')}</td>
              <td className="text-right font-figure">{degrees(point.temperature_c)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Fold>
  );
}
