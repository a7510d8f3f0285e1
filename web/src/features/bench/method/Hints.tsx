import { memo } from 'react';

import type { Comparison, DrinkDetail, Finding, Forecast, Spec } from '@/api';
import { capital, degreesText, levelText, plainNumber, volumeText } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { SCHOOL_OF_WATER } from '@/spec';
import { FixButtons } from '../pours';
import { DrinkNotes } from './DrinkNotes';

interface Props {
  drink: DrinkDetail;
  spec: Spec;
  comparison: Comparison | undefined;
}

/** Cautions and hints that are no fault of the drink, what the numbers can't see, and the figures to taste against on the way. */
export const Hints = memo(function Notes({ drink, spec, comparison }: Props) {
  const { shown } = useSettings();
  const inUnit = useWithVolumes();
  if (!comparison) return null;
  const { served } = comparison.present;
  const notes = hints(comparison);
  return (
    <div tabIndex={0} className="flex min-h-0 grow flex-col gap-3 overflow-y-auto p-3 text-base leading-snug">
      <DrinkNotes key={drink.notes} drink={drink} />
      {comparison.unseen.length > 0 && (
        <section>
          <h3 className="font-semibold">The figures can’t show this</h3>
          {comparison.unseen.map((text) => (
            <p key={text}>{text}</p>
          ))}
          <p className="text-quiet">Experience from behind the bar, not a sum.</p>
        </section>
      )}
      <section aria-label="Good to know">
        <h3 className="font-semibold">Good to know</h3>
        <ul className="flex flex-col gap-2">
          {notes.map((finding) => (
            <li key={`${finding.code} ${finding.pour ?? ''}`} className="border-l-2 border-base-300 pl-2">
              {inUnit(finding.message)}
              <FixButtons finding={finding} />
            </li>
          ))}
        </ul>
      </section>
      <OnTheWay forecast={comparison.present} />
      <p>{waterWords(comparison.present, spec.method, (ml) => volumeText(ml, shown, spec.ounce_ml))}</p>
      <p>
        {capital(served.body_word)} body. {served.energy_kcal.toFixed(0)} kcal, {served.alcohol_g.toFixed(1)} g alcohol.
        {served.sugar_acid_ratio != null && ` Sugar to acid ${plainNumber(served.sugar_acid_ratio, 1)} : 1.`}
      </p>
    </div>
  );
});

/** Hints and cautions of a drink: what is good to know. */
export function hints(comparison: Comparison): Finding[] {
  return [...comparison.findings, ...comparison.present.findings].filter(({ severity }) => severity === 'info');
}

/** The same figures at each point where the drink can be tasted while it is made. */
function OnTheWay({ forecast }: { forecast: Forecast }) {
  const points: [string, Forecast['strained']][] = [
    ['In the tin', forecast.undiluted],
    ['After the ice', forecast.strained],
    ['In the glass', forecast.before_topping],
    ['Served', forecast.served],
  ];
  return (
    <section aria-label="Step by step">
      <h3 className="font-semibold">Step by step</h3>
      <table className="w-full border-separate border-spacing-x-1">
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
              <td className="text-right font-figure">{levelText(point.sugar, 'sugar')}</td>
              <td className="text-right font-figure">{levelText(point.acid, 'acid')}</td>
              <td className="text-right font-figure">{levelText(point.abv, 'abv')}</td>
              <td className="text-right font-figure">{degreesText(point.temperature_c)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** How much water the ice gives, by which school, and whether the house's own measurements set it right. */
function waterWords({ dilution }: Forecast, method: Spec['method'], shown: (ml: number) => string): string {
  const { model, measurements, water_ml } = dilution;
  if (model === 'none') return 'No dilution.';
  const school = SCHOOL_OF_WATER[model] ?? 'a rough estimate';
  const counted = measurements === 1 ? '1 reading' : `${measurements} readings`;
  if (method.ice_pieces != null)
    return `Dilution: ${shown(water_ml)} from ${method.ice_pieces} pieces of ice (heat balance).`;
  return `Dilution: ${shown(water_ml)}, from ${school}${measurements === 0 ? '' : ` and ${counted}`}.`;
}
