import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';

import { type Comparison, type Glass, glassesQuery, type Spec } from '@/api';
import { capital, degreesText, plainNumber, volumeText } from '@/lib';
import { shownKey, useHotkeys, useSettings, useWithVolumes } from '@/hooks';
import { SERVED } from '@/spec';
import { Button, GlassDrawing, Select } from '@/ui';
import { useBenchActions, type BenchActions } from '../benchActions';
import { AppearanceTable } from './AppearanceTable';
import { ServeDialog } from '../lazyParts';

interface Props {
  spec: Spec;
  comparison: Comparison | undefined;
}

const COUNTRIES = { us: 'US', uk: 'UK', au: 'Australian' };
/** Carbon dioxide below this is no bubble, g/l. */
const LEAST_CO2 = 0.05;
const DRAWN = { width: 158, height: 226, pxPerCm: 11 };

/** What the guest gets: the glass to scale, how full it is, and the figures of a serve. */
export const GlassPanel = memo(function GlassPanel({ spec, comparison }: Props) {
  const hand = useBenchActions();
  const { data: glasses } = useQuery(glassesQuery());
  const [comparing, setComparing] = useState(false);
  useHotkeys(hand ? { serve: () => setComparing(true) } : {});
  if (!comparison || !glasses) return <section className="panel min-h-40 p-4" aria-busy="true" />;
  const { sight } = comparison.present;
  const glass = glasses.find(({ name }) => name === spec.serve.glass);
  return (
    <section className="panel flex shrink-0 flex-col gap-1.5 p-3" aria-label="The glass">
      <div className="flex items-center gap-1.5">
        <h2 className="sr-only">The glass</h2>
        {hand ? (
          <GlassSelect spec={spec} glass={glass} glasses={glasses} hand={hand} onCompare={() => setComparing(true)} />
        ) : (
          <p className="grow font-display text-base font-semibold">
            {capital(spec.serve.glass || 'no glass chosen')}, {servedWords(spec.serve.ice)}
          </p>
        )}
      </div>
      <div className="flex items-end gap-1.5">
        {glass && sight ? (
          <GlassDrawing glass={glass} appearance={sight} {...DRAWN} />
        ) : (
          <p className="flex w-[158px] items-center text-quiet">Choose a glass to see the drink in it.</p>
        )}
        <Figures spec={spec} present={comparison.present} />
      </div>
      <Fill sight={sight} onSize={hand && glass ? hand.size : null} />
      {sight && <AppearanceTable appearance={sight} glass={spec.serve.glass} ice={servedWords(spec.serve.ice)} />}
      {comparing && hand && (
        <ServeDialog
          spec={spec}
          glass={glass}
          onIce={(ice) => hand.serve({ ice }, `serve ${ice}`)}
          onClose={() => setComparing(false)}
        />
      )}
    </section>
  );
});

function servedWords(ice: Spec['serve']['ice']): string {
  return ice === 'none' ? 'served up' : SERVED[ice];
}

interface WhichProps {
  spec: Spec;
  glass: Glass | undefined;
  glasses: Glass[];
  hand: BenchActions;
  onCompare: () => void;
}

/** The glass to choose, and the way to the drink on each ice. */
function GlassSelect({ spec: { serve }, glass, glasses, hand, onCompare }: WhichProps) {
  const unlisted: [string, string][] = glass ? [] : [['', serve.glass || 'choose a glass']];
  return (
    <>
      <Select
        label="Glass"
        className="select-ghost min-h-11 w-auto min-w-0 grow border-base-300 pl-2.5 font-display text-base font-semibold"
        value={glass ? serve.glass : ''}
        options={[...unlisted, ...glasses.map(({ name }): [string, string] => [name, capital(name)])]}
        onPick={(chosen) => hand.serve({ glass: chosen }, `glass ${chosen}`)}
      />
      <Button
        look="outline"
        className="px-2.5"
        title={`Serve up, on cubes, on a large cube or on crushed ice (${shownKey('serve')})`}
        onClick={onCompare}
      >
        {servedWords(serve.ice)}
      </Button>
    </>
  );
}

function Figures({ spec, present }: { spec: Spec; present: Comparison['present'] }) {
  const { shown, country } = useSettings();
  const { served, dilution, place } = present;
  const figures = [
    { value: `${degreesText(served.temperature_c)} °C`, words: 'first sip' },
    { value: served.standard_drinks[country].toFixed(1), words: `${COUNTRIES[country]} standard drinks` },
    { value: volumeText(dilution.water_ml, shown, spec.ounce_ml), words: 'dilution' },
    ...(served.co2 > LEAST_CO2 ? [{ value: `${plainNumber(served.co2, 1)} g/l`, words: 'carbonation' }] : []),
  ];
  return (
    <dl className="flex min-w-0 grow flex-col gap-2 self-center">
      <div className="flex flex-col-reverse">
        <dt className="text-base leading-tight text-quiet">{place ? place.words : 'as served'}</dt>
        <dd
          className="font-figure text-[1.6rem] leading-none font-semibold whitespace-nowrap"
          data-testid="served-volume"
        >
          {volumeText(served.volume_ml, shown, spec.ounce_ml)}
        </dd>
      </div>
      {figures.map(({ value, words }) => (
        <div key={words} className="flex flex-col-reverse">
          <dt className="text-sm leading-tight text-quiet">{words}</dt>
          <dd className="font-figure text-lg leading-none font-semibold whitespace-nowrap">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** How full it is, and the press that fills it well. */
function Fill({ sight, onSize }: { sight: Comparison['present']['sight']; onSize: (() => void) | null }) {
  const inUnit = useWithVolumes();
  const wrong = sight && sight.state !== 'right';
  const look = sight?.state === 'overflows' ? 'font-semibold text-error' : wrong ? 'font-semibold' : 'text-quiet';
  return (
    <div className="flex min-h-11 items-center gap-2">
      {sight && (
        <p data-testid="fill" className={`min-w-0 grow text-base leading-tight ${look}`}>
          {capital(inUnit(sight.words))}
        </p>
      )}
      {onSize && (
        <button
          type="button"
          className={`btn min-h-11 shrink-0 px-3 text-base font-normal ${wrong ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
          title={`Scale every amount so that the drink fills its glass (${shownKey('size')})`}
          onClick={onSize}
        >
          Fit to glass
        </button>
      )}
    </div>
  );
}
