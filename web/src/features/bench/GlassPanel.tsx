import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';

import type { Comparison, Spec } from '../../api/client';
import { capital, degrees, plain, volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { useHotkeys } from '../../ui/useHotkeys';
import { GlassDrawing } from './GlassDrawing';
import { ServeDialog } from './ServeDialog';
import { glassesQuery } from './useMaking';

interface Props {
  spec: Spec;
  comparison: Comparison | undefined;
  /** Absent where a kept trial is looked at. */
  onServe?: (serve: Partial<Spec['serve']>, what: string) => void;
  onSize?: () => void;
}

type Ice = Spec['serve']['ice'];

const ON: Record<Ice, string> = {
  none: 'served up',
  cubes: 'on cubes',
  large: 'on a large cube',
  crushed: 'on crushed ice',
};
const COUNTRIES = { us: 'US', uk: 'UK', au: 'Australian' };
const DRAWN = { width: 158, height: 226, pxPerCm: 11 };
/** Where the drink stands in its family, and how that is said. */
const PLACES: Record<string, string> = {
  outside: 'outside the home',
  'at home': 'at home',
  'at the edge of home': 'edge of the home',
};

/** What the guest gets: the glass to scale, how full it is, and the figures of a serve. */
export const GlassPanel = memo(function GlassPanel({ spec, comparison, onServe, onSize }: Props) {
  const { shown, country } = useSettings();
  const { data: glasses } = useQuery(glassesQuery());
  const [comparing, setComparing] = useState(false);
  useHotkeys(onServe ? { s: { run: () => setComparing(true) } } : {});
  if (!comparison || !glasses) return <section className="panel min-h-40 p-4" aria-busy="true" />;
  const { served, dilution, sight, place } = comparison.present;
  const glass = glasses.find(({ name }) => name === spec.serve.glass);
  const wrong = sight && sight.state !== 'right';
  const figures = [
    {
      value: `${degrees(served.temperature_c)} °C`,
      words: 'first sip, about',
    },
    { value: served.standard_drinks[country].toFixed(1), words: `${COUNTRIES[country]} standard drinks` },
    { value: volume(dilution.water_ml, shown, spec.ounce_ml), words: 'water from ice' },
    {
      value: served.sugar_acid_ratio == null ? '—' : `${plain(served.sugar_acid_ratio, 1)} : 1`,
      words: 'sugar : acid',
    },
  ];
  return (
    <section className="panel flex shrink-0 flex-col gap-1.5 p-3" aria-label="The glass">
      <div className="flex items-center gap-1.5">
        <h2 className="sr-only">The glass</h2>
        {onServe ? (
          <>
            <select
              aria-label="Glass"
              className="select select-ghost min-h-11 w-auto min-w-0 grow border-base-300 pl-2.5 font-display text-base font-semibold"
              value={glass ? spec.serve.glass : ''}
              onChange={(event) => onServe({ glass: event.target.value }, `glass ${event.target.value}`)}
            >
              {!glass && <option value="">{spec.serve.glass || 'choose a glass'}</option>}
              {glasses.map(({ name }) => (
                <option key={name} value={name}>
                  {capital(name)}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="btn btn-ghost min-h-11 border-base-300 px-2.5 text-base font-normal"
              title="The same drink up, on cubes, on a large cube, on crushed ice (S)"
              onClick={() => setComparing(true)}
            >
              {ON[spec.serve.ice]}
            </button>
          </>
        ) : (
          <p className="grow font-display text-base font-semibold">
            {capital(spec.serve.glass || 'no glass told')}, {ON[spec.serve.ice]}
          </p>
        )}
      </div>
      <div className="flex items-end gap-1.5">
        {glass && sight ? (
          <GlassDrawing glass={glass} sight={sight} {...DRAWN} />
        ) : (
          <p className="flex w-[158px] items-center text-quiet">
            Choose a glass out of the list, and the drink is drawn in it.
          </p>
        )}
        <dl className="flex min-w-0 grow flex-col gap-2 self-center">
          <div className="flex flex-col-reverse">
            <dt className="text-base leading-tight text-quiet">
              {place ? (PLACES[place.words] ?? place.words) : 'as served'}
            </dt>
            <dd
              className="font-figure text-[1.6rem] leading-none font-semibold whitespace-nowrap"
              data-testid="served-volume"
            >
              {volume(served.volume_ml, shown, spec.ounce_ml)}
            </dd>
          </div>
          {figures.map(({ value, words }) => (
            <div key={words} className="flex flex-col-reverse">
              <dt className="text-sm leading-tight text-quiet">{words}</dt>
              <dd className="font-figure text-lg leading-none font-semibold whitespace-nowrap">{value}</dd>
            </div>
          ))}
        </dl>
      </div>
      <div className="flex min-h-11 items-center gap-2">
        {sight && (
          <p
            data-testid="fill"
            className={`min-w-0 grow text-base leading-tight ${sight.state === 'overflows' ? 'font-semibold text-error' : wrong ? 'font-semibold' : 'text-quiet'}`}
          >
            {capital(sight.words)}
          </p>
        )}
        {onSize && glass && (
          <button
            type="button"
            className={`btn min-h-11 shrink-0 px-3 text-base font-normal ${wrong ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            title="Every amount by the same factor, so that the drink fills its glass (G)"
            onClick={onSize}
          >
            Size it<span className="sr-only"> to the glass</span>
          </button>
        )}
      </div>
      {sight && <AppearanceTable sight={sight} glass={spec.serve.glass} />}
      {comparing && onServe && (
        <ServeDialog
          spec={spec}
          glass={glass}
          onIce={(ice) => onServe({ ice }, `serve ${ice}`)}
          onClose={() => setComparing(false)}
        />
      )}
    </section>
  );
});

/** The same for who can't see the drawing. */
function AppearanceTable({ sight, glass }: { sight: NonNullable<Comparison['present']['sight']>; glass: string }) {
  const rows: [string, number][] = [
    ...sight.liquid.map(({ name, volume_ml }): [string, number] => [name, volume_ml]),
    ...(sight.foam ? [['foam', sight.foam.volume_ml] as [string, number]] : []),
  ];
  return (
    <div className="sr-only">
      <table>
        <caption>
          In the {glass}, {ON[sight.ice as Ice]}: {sight.words}; its line is at {sight.line_ml.toFixed(0)} ml
        </caption>
        <tbody>
          {rows.map(([name, ml]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{ml.toFixed(0)} ml</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
