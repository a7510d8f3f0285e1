import type { Batch } from '@/api';
import { type AxisName, capital, degreesText, levelText, plainNumber, volumeText } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { AxisMark, Disclosure } from '@/ui';
import { ShoppingList } from './ShoppingList';

const AXES: [AxisName, string, string, string][] = [
  ['sugar', 'Sweetness', 'g', ' g sugar'],
  ['acid', 'Acidity', 'g', ' g acid'],
  ['abv', 'Strength', '%', '% ABV'],
];

/** One serve out of the bottle, as it is poured and while it is drunk, beside the drink made singly; cold, keeping, and what it takes. */
export function BatchServe({ batch }: { batch: Batch }) {
  const { shown, ounceMl } = useSettings();
  const inUnit = useWithVolumes();
  const { serve_ml, served, chilling, keeps, water, buy, label, freezing_c, findings } = batch;
  return (
    <section aria-label="One serve" className="panel flex flex-col gap-2 p-4">
      <h2 className="font-display text-2xl leading-tight font-semibold">
        {volumeText(serve_ml, shown, ounceMl)} per serve
      </h2>
      <p className="text-lg leading-snug">
        {inUnit(label.serve)}
        {served.alcohol_g > 0.5 && (
          <span className="text-quiet">
            {' '}
            {plainNumber(served.alcohol_g, 0)} g alcohol, {plainNumber(served.standard_drinks.us, 1)} US standard{' '}
            {plainNumber(served.standard_drinks.us, 1) === '1' ? 'drink' : 'drinks'}.
          </span>
        )}
      </p>
      <ByTheMinute batch={batch} />
      <dl className="flex flex-col gap-1.5 border-t border-base-300 pt-2 text-base leading-snug">
        <Definition name="Water" words={capital(inUnit(water.words))} />
        <Definition name="Cold" words={inUnit(chilling.words)} />
        <Definition name="Keeps" words={keeps} />
        <Definition name="Freezes" words={`at ${degreesText(freezing_c)} °C`} />
      </dl>
      {buy.length > 0 && (
        <Disclosure title="Supplies" count={buy.length}>
          <ShoppingList lines={buy} />
        </Disclosure>
      )}
      {findings.length > 0 && (
        <Disclosure title="About one serve" count={findings.length}>
          <ul className="flex flex-col gap-1 text-base leading-snug">
            {findings.map(({ code, message }) => (
              <li key={code}>{inUnit(message)}</li>
            ))}
          </ul>
        </Disclosure>
      )}
    </section>
  );
}

/** The serve as it is drunk: each axis and the cold at minutes 0, 4 and 10, in grey below it of one made singly, and its doubt. */
function ByTheMinute({ batch: { minutes, served, interval80 } }: { batch: Batch }) {
  return (
    <>
      <table className="w-full text-lg">
        <caption className="sr-only">Batch and made to order</caption>
        <thead>
          <tr className="text-right text-base text-quiet">
            <th className="text-left font-normal">Minute</th>
            {minutes.map(({ batch: { minute } }) => (
              <th key={minute} scope="col" className="pl-2 font-normal">
                {minute}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {AXES.map(([axis, name, unit]) => (
            <tr key={axis} className="border-t border-base-300 align-top">
              <th scope="row" className="py-1 text-left font-normal">
                <span className="flex items-center gap-1.5">
                  <AxisMark axis={axis} /> {name} <span className="text-base text-quiet">{unit}</span>
                </span>
              </th>
              {minutes.map(({ batch: of, single }) => (
                <td key={of.minute} className="py-1 pl-2 text-right font-figure">
                  <span className="text-xl font-semibold">{levelText(of[axis], axis)}</span>
                  <span className="block text-base text-quiet">{levelText(single[axis], axis)}</span>
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-t border-base-300">
            <th scope="row" className="py-1 text-left font-normal">
              Temperature
            </th>
            {minutes.map(({ batch: of, single }) => (
              <td key={of.minute} className="py-1 pl-2 text-right font-figure whitespace-nowrap">
                {degreesText(of.temperature_c)} °C
                <span className="block text-base text-quiet">{degreesText(single.temperature_c)} °C</span>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="text-base leading-snug text-quiet">
        Per 100 ml, made to order in grey. 8 times in 10 a serve has{' '}
        {AXES.filter(([axis]) => served[axis] > 0.02)
          .map(([axis, , , unit]) => `${interval80[axis].map((end) => levelText(end, axis)).join('–')}${unit}`)
          .join(', ')}
        .
      </p>
    </>
  );
}

function Definition({ name, words }: { name: string; words: string }) {
  return (
    <div className="flex gap-2">
      <dt className="w-16 shrink-0 text-quiet">{name}</dt>
      <dd>{words}</dd>
    </div>
  );
}
