import { useState } from 'react';

import { useTitrate } from '@/api';
import { Button, ErrorMessage, FormField, NumberField } from '@/ui';

interface Props {
  steps: string[];
  /** What it came to: acid, how far it may be off, and how it was found. */
  onAcid: (acid: number, sd: number, how: string) => void;
}

/** A titration as a recipe of the kitchen, and worked out from what it took. */
export function Titration({ steps, onAcid }: Props) {
  const [told, setTold] = useState({ sample_ml: 10, lye_ml: null as number | null, lye_mol_per_l: 0.1 });
  const tell = (change: Partial<typeof told>) => setTold({ ...told, ...change });
  const work = useTitrate();
  const { sample_ml, lye_ml, lye_mol_per_l } = told;
  return (
    <div className="flex flex-col gap-3 pt-1 text-base">
      <ol className="list-decimal pl-5">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <div className="grid grid-cols-3 gap-2">
        <FormField label="Sample, ml">
          <NumberField value={sample_ml} onFigure={(ml) => tell({ sample_ml: ml ?? 10 })} />
        </FormField>
        <FormField label="Lye, ml">
          <NumberField value={lye_ml} onFigure={(ml) => tell({ lye_ml: ml })} />
        </FormField>
        <FormField label="Lye, mol/l">
          <NumberField value={lye_mol_per_l} onFigure={(strength) => tell({ lye_mol_per_l: strength ?? 0.1 })} />
        </FormField>
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button
          disabled={lye_ml === null || work.isPending}
          onClick={() => work.mutate({ body: { sample_ml, lye_ml: lye_ml ?? 0, lye_mol_per_l } })}
        >
          Calculate
        </Button>
        {work.data && (
          <>
            <span role="status" className="text-lg font-semibold">
              {work.data.words}
            </span>
            <Button
              look="primary"
              onClick={() => {
                onAcid(work.data.acid, work.data.sd, `${lye_ml ?? 0} ml of ${lye_mol_per_l} M lye in ${sample_ml} ml`);
                work.reset();
              }}
            >
              Save as a reading
            </Button>
          </>
        )}
      </div>
      <ErrorMessage fault={work.error} className="text-error" />
    </div>
  );
}
