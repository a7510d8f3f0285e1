import { useQuery } from '@tanstack/react-query';

import { lotsQuery, type PourEntry } from '@/api';
import { FormField, Select } from '@/ui';

interface Props {
  slug: string;
  lot: PourEntry['lot'];
  onLot: (lot: string | null) => void;
}

/** Of which lot it is poured: as it usually is, of today’s, or of one by its name. */
export function LotSelect({ slug, lot, onLot }: Props) {
  const lots = useQuery(lotsQuery(false, slug)).data ?? [];
  const inUse = lots.find((item) => item.in_use);
  if (lots.length === 0 && !lot) return null;
  const names = lots.map(({ name }): [string, string] => [name, name]);
  const known = !lot || lot === 'today' || lots.some(({ name }) => name === lot);
  return (
    <FormField quiet label="Open bottle or juice">
      <Select
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
    </FormField>
  );
}
