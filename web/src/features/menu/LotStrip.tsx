import { useWithVolumes } from '@/hooks';
import { Plus, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import type { Lot } from '@/api';
import { type AxisName, levelText, plainNumber } from '@/lib';
import { Button, AxisMark } from '@/ui';
import { LogLot } from '@/features/lots';

/** Today's lots in one strip: what was pressed, opened and cooked, what was measured of it, and the way to note another. */
export function LotStrip({ lots }: { lots: Lot[] }) {
  const [noting, setNoting] = useState(false);
  const inUse = lots.filter((lot) => lot.in_use);
  return (
    <section aria-label="Open bottles and juice" className="panel p-3 print:hidden">
      <div className="flex flex-wrap items-center gap-3 pb-2">
        <h2 className="grow font-display text-xl font-semibold">Open bottles and juice</h2>
        <Link to="/ingredients/open" className="btn btn-ghost min-h-11 border-base-300 text-base font-normal">
          Show all
        </Link>
        <Button look="primary" className="gap-2" onClick={() => setNoting(true)}>
          <Plus size={20} aria-hidden /> Log juice or a bottle
        </Button>
      </div>
      {inUse.length === 0 ? (
        <p className="max-w-prose text-lg text-quiet">
          Nothing logged yet. Log this morning’s juice or a new bottle, and the figures follow it.
        </p>
      ) : (
        <ul className="flex gap-2 overflow-x-auto pb-1">
          {inUse.map((lot) => (
            <li key={lot.id} className="shrink-0">
              <LotChip lot={lot} />
            </li>
          ))}
        </ul>
      )}
      {noting && <LogLot onClose={() => setNoting(false)} />}
    </section>
  );
}

/** A lot in a few words: whose, how old, and what was measured beside what is usual. */
function LotChip({ lot }: { lot: Lot }) {
  const measured = lot.figures.filter((figure) => figure.measured !== null);
  const warns = lot.past_its_day || lot.notes.length > 0;
  const inUnit = useWithVolumes();
  return (
    <Link
      to={`/ingredients/open/${lot.id}`}
      title={lot.name}
      className="flex h-full w-44 flex-col rounded-xl border border-base-300 px-3 py-2 hover:bg-secondary focus-visible:bg-secondary"
    >
      <span className="flex items-start justify-between gap-1 text-lg leading-tight font-semibold">
        {lot.ingredient.name}
        {warns && <TriangleAlert size={18} aria-label="check this" className="mt-0.5 shrink-0 text-warning" />}
      </span>
      <span className="text-base leading-snug text-quiet">{lot.age}</span>
      <span className="mt-auto flex flex-wrap gap-x-3 pt-1 text-base">
        {measured.map((item) => {
          const axis = item.figure as AxisName;
          return (
            <span key={axis} className="flex items-center gap-1 whitespace-nowrap">
              <AxisMark axis={axis} />
              {levelText(item.posterior, axis)}
              {axis === 'abv' ? '%' : ' g'},<span className="text-quiet">usual {levelText(item.prior, axis)}</span>
            </span>
          );
        })}
        {lot.left_ml !== null && <span className="text-quiet">{inUnit(`${plainNumber(lot.left_ml, 0)} ml left`)}</span>}
      </span>
    </Link>
  );
}
