import { useState } from 'react';
import { Link } from 'react-router';

import { type Making, type Preparation, useRecordMaking } from '@/api';
import { Button, ErrorMessage, FormField, NumberField, TextField } from '@/ui';

interface Props {
  slug: string;
  preparation: Preparation;
  onChange: (part: Partial<Preparation>) => void;
}

/** What it came to as it was weighed, and the making as a lot; then what follows for the drinks of the list. */
export function RecordMaking({ slug, preparation, onChange }: Props) {
  const [name, setName] = useState('');
  const [made, setMade] = useState<Making | null>(null);
  const make = useRecordMaking();
  const { weight_g, volume_ml, brix } = preparation.final;
  const tell = (part: Partial<Preparation['final']>) => onChange({ final: { ...preparation.final, ...part } });
  return (
    <section aria-label="Made" className="panel flex flex-col gap-3 p-4 text-lg">
      <h2 className="font-display text-xl font-semibold">Made it?</h2>
      <p className="text-base text-quiet">A weight or reading here replaces the estimate.</p>
      <div className="grid grid-cols-3 gap-2">
        <FormField quiet label="Weight, g">
          <NumberField
            value={weight_g}
            least={1}
            most={1000000}
            unit="g"
            onFigure={(told) => tell({ weight_g: told, volume_ml: null })}
          />
        </FormField>
        <FormField quiet label="or volume, ml">
          <NumberField
            value={volume_ml}
            least={1}
            most={1000000}
            unit="ml"
            onFigure={(told) => tell({ volume_ml: told, weight_g: null })}
          />
        </FormField>
        <FormField quiet label="°Bx read">
          <NumberField value={brix} least={0.1} most={90} onFigure={(told) => tell({ brix: told })} />
        </FormField>
      </div>
      <TextField label="Name of this batch" hint="date and time if empty" value={name} onWrite={setName} />
      <Button
        look="accent"
        large
        className="self-start"
        disabled={make.isPending}
        onClick={() =>
          make.mutate(
            { params: { path: { slug }, query: {} }, body: { file: preparation, name: name.trim(), made_at: '' } },
            {
              onSuccess: (report) => {
                setMade(report);
                setName('');
              },
            },
          )
        }
      >
        Log it
      </Button>
      <ErrorMessage fault={make.error} className="text-error" />
      {made && <DrinkEffects made={made} />}
    </section>
  );
}

/** What a making does to the drinks that pour it, with the way to bring each back. */
function DrinkEffects({ made }: { made: Making }) {
  return (
    <div role="status" className="flex flex-col gap-2 border-t border-base-300 pt-3">
      <p className="font-semibold">{made.headline}</p>
      <ul className="flex flex-col gap-1">
        {made.follows.map(({ drink_id, drink, fine, words, instead }) => (
          <li key={drink_id} className="flex flex-wrap items-baseline gap-x-3">
            <span className="font-semibold">{drink}</span>
            <span className={fine ? 'text-success' : 'text-warning'}>{words}</span>
            {instead.length > 0 && <span>{instead.join(', ')}</span>}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <Link to={`/ingredients/open/${made.lot_id}`} className="btn min-h-11 text-base">
          Open
        </Link>
        <Link to={`/ingredients/open/${made.lot_id}/label`} className="btn min-h-11 text-base">
          Label
        </Link>
        <Link to="/service" className="btn min-h-11 text-base">
          {made.follows.every(({ fine }) => fine) ? 'Today' : 'Restore them in Today'}
        </Link>
      </div>
    </div>
  );
}
