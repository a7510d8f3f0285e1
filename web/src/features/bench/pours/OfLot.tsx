import { useQuery } from '@tanstack/react-query';

import type { PourEntry } from '../../../api/client';
import { lotsQuery } from '../../../api/queries/today';
import { Field } from '../../../ui/Field';
import { Pick } from '../../../ui/Pick';

interface Props {
  slug: string;
  lot: PourEntry['lot'];
  onLot: (lot: string | null) => void;
}

/** Of which lot it is poured: as it usually is, of today’s, or of one by its name. */
export function OfLot({ slug, lot, onLot }: Props) {
  const lots = useQuery(lotsQuery(false, slug)).data ?? [];
  const inUse = lots.find((each) => each.in_use);
  if (lots.length === 0 && !lot) return null;
  const names = lots.map(({ name }): [string, string] => [name, name]);
  const known = !lot || lot === 'today' || lots.some(({ name }) => name === lot);
  return (
    <Field quiet label="Open bottle or juice">
      <Pick
        className="min-h-11 text-base"
        value={lot ?? ''}
        options={[
          ['', 'standard values'],
          ['today', inUse ? `today’s: ${inUse.name}` : 'today’s'],
          ...names,
          ...(known ? [] : [[lot, lot] as const]),
        ]}
        onPick={(chosen) => onLot(chosen || null)}
      />
    </Field>
  );
}
