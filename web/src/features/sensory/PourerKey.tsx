import { useQuery } from '@tanstack/react-query';

import { keyQuery, type Triangle } from '@/api';
import { shownAmount } from '@/lib';
import { useSettings } from '@/hooks';
import { Button, LoadingOrError } from '@/ui';

interface Props {
  triangle: Triangle;
  alone: boolean;
  onPoured: () => void;
}

/** What goes in which glass; covered again as soon as it is poured. */
export function PourerKey({ triangle, alone, onPoured }: Props) {
  const { data, error } = useQuery(keyQuery(triangle.id));
  if (!data) return <LoadingOrError error={error} />;
  return (
    <section aria-label="For the pourer" className="panel flex flex-col gap-4 border-2 border-warning p-5">
      <h2 className="font-display text-2xl leading-tight font-semibold">
        {alone ? 'Pour, then shuffle' : 'For the pourer only'}
      </h2>
      <ul className="flex flex-col gap-4">
        {data.lines.map((line) => (
          <GlassLine key={line.glasses.join()} {...line} alone={alone} />
        ))}
      </ul>
      <p className="text-lg">
        {alone
          ? 'Mark the odd glass underneath. Close your eyes and move the glasses about.'
          : 'Number the glasses from left to right, and hide this before the taster looks.'}
      </p>
      <Button look="primary" large autoFocus onClick={onPoured}>
        {alone ? 'Poured and shuffled' : 'Hide the key'}
      </Button>
    </section>
  );
}

interface LineProps {
  glasses: number[];
  less_ml: number;
  more_ml: number;
  each_ml: number;
  alone: boolean;
}

/** Two glasses that are alike are stirred together and shared. */
function GlassLine({ glasses, less_ml, more_ml, each_ml, alone }: LineProps) {
  const { shown, ounceMl } = useSettings();
  const amount = (ml: number) => {
    const { text, word } = shownAmount(ml, 'ml', shown, ounceMl);
    return `${text} ${word}`;
  };
  const parts = [less_ml > 0 && `${amount(less_ml)} of LESS`, more_ml > 0 && `${amount(more_ml)} of MORE`].filter(
    Boolean,
  );
  const both = glasses.length === 2;
  const where = alone ? (both ? 'Two glasses' : 'One glass') : `Glass${both ? 'es' : ''} ${glasses.join(' and ')}`;
  return (
    <li className="text-xl">
      <span className="block text-base text-quiet">{where}</span>
      <strong className="font-semibold">{parts.join(' and ')}</strong>
      {both && (
        <span className="block text-lg">
          {parts.length > 1 ? 'Stirred, then ' : ''}
          {amount(each_ml)} in each
        </span>
      )}
    </li>
  );
}
