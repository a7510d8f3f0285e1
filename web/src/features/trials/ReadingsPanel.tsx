import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';

import { calibrationQuery, type ReadingComparison, type TrialEntry, useRemoveTrialReading } from '@/api';
import { capital } from '@/lib';
import { ErrorMessage } from '@/ui';
import { RecordReading } from './RecordReading';

interface Props {
  drinkId: number;
  trial: TrialEntry;
}

/** Readings of a trial beside the forecast of its day, and how to take another. */
export function ReadingsPanel({ drinkId, trial }: Props) {
  const back = useRemoveTrialReading();
  const takeBack = (reading_id: number) => back.mutate({ params: { path: { drink_id: drinkId, reading_id } } });
  const factors = useQuery(calibrationQuery());
  const own = factors.data?.find(({ technique }) => technique === trial.spec.method.technique);
  return (
    <section aria-label="Readings" className="panel p-3 sm:p-4">
      <h2 className="font-display text-2xl font-semibold">
        Readings <span className="font-sans text-lg font-normal text-quiet">of trial {trial.number}</span>
      </h2>
      <p className="mb-2 max-w-[75ch] text-base text-quiet">
        {own
          ? `${own.words} Your forecasts use them.`
          : 'Weigh the drink before and after the ice once or twice. Forecasts then use your own dilution.'}
        {trial.water && ` This one took ${Math.round(trial.water.ratio * 100)}% of the predicted dilution.`}
      </p>
      {trial.readings.length > 0 && (
        <ul className="mb-3 divide-y divide-base-300">
          {trial.readings.map((reading) => (
            <ReadingRow key={reading.id} reading={reading} onBack={() => takeBack(reading.id)} />
          ))}
        </ul>
      )}
      <ErrorMessage fault={back.error} />
      <RecordReading key={trial.id} drinkId={drinkId} trial={trial} />
    </section>
  );
}

function ReadingRow({ reading, onBack }: { reading: ReadingComparison; onBack: () => void }) {
  const { name, at, value, unit, decimals, forecast, words, warning, device } = reading;
  return (
    <li className="flex flex-wrap items-center gap-x-4 py-1 text-base">
      <span className="min-w-52 grow">
        {capital(name)}, {at}
        {device && <span className="text-quiet"> ({device})</span>}
      </span>
      <span className="text-xl">
        <span className="font-figure">{value.toFixed(decimals)}</span>{' '}
        <span className="text-sm text-quiet">{unit}</span>
      </span>
      <span className="min-w-56 text-quiet">
        {forecast != null && (
          <>
            predicted <span className="font-figure text-base-content">{forecast.toFixed(decimals)}</span>: {words}
          </>
        )}
      </span>
      <button
        type="button"
        className="btn btn-square btn-ghost min-h-11"
        aria-label={`Delete the reading of ${name} ${at}`}
        onClick={onBack}
      >
        <X size={18} aria-hidden />
      </button>
      {warning && <span className="basis-full pb-1">{warning}</span>}
    </li>
  );
}
