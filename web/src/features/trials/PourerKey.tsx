import type { TrialEntry } from '@/api';
import type { Flight } from './flight';
import { Button } from '@/ui';

interface Props {
  flight: Flight;
  trials: TrialEntry[];
  onPoured: () => void;
}

/** Which trial goes in which glass: for the pourer, before the tasters look. */
export function PourerKey({ flight, trials, onPoured }: Props) {
  const tasters = [...new Set(flight.glasses.map(({ sheet }) => sheet.taster))];
  return (
    <section aria-label="For the pourer" className="panel p-4">
      <h2 className="font-display text-2xl font-semibold">For the pourer only</h2>
      <p className="mt-1 text-lg">
        Pour by this key, mark the glasses underneath, and hide it before the tasters look.
      </p>
      {tasters.map((taster) => (
        <p key={taster} className="mt-2 text-lg">
          <strong className="font-semibold">{taster}</strong>:{' '}
          {flight.glasses
            .filter(({ sheet }) => sheet.taster === taster)
            .map(({ letter, trialId }) => `glass ${letter} is trial ${trials.find(({ id }) => id === trialId)?.number}`)
            .join(', ')}
        </p>
      ))}
      <Button look="primary" large className="mt-4" onClick={onPoured}>
        Hide the key
      </Button>
    </section>
  );
}
