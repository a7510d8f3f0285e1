import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { larderQuery, useAdjustAcid, useAdjustBrix } from '@/api';
import { Button, ErrorMessage, FormField, NumberField, Select } from '@/ui';

/** What brings a liquid that stands there to a °Bx, or a juice to another one's acid. */
export function AdjustPanel() {
  return (
    <div className="grid gap-3 lg:grid-cols-2">
      <ToBrix />
      <ToAcid />
    </div>
  );
}

function ToBrix() {
  const [told, setTold] = useState<{ weight_g: number | null; brix: number | null; wanted_brix: number | null }>({
    weight_g: null,
    brix: null,
    wanted_brix: 50,
  });
  const work = useAdjustBrix();
  const { weight_g, brix, wanted_brix } = told;
  const tell = (change: Partial<typeof told>) => {
    const next = { ...told, ...change };
    setTold(next);
    if (next.weight_g !== null && next.brix !== null && next.wanted_brix !== null) {
      work.mutate({ body: { weight_g: next.weight_g, brix: next.brix, wanted_brix: next.wanted_brix } });
    }
  };
  return (
    <section aria-label="Bring a syrup to a °Bx" className="panel flex flex-col gap-2 p-4 text-lg">
      <h2 className="font-display text-xl font-semibold">Bring a syrup to a °Bx</h2>
      <div className="grid grid-cols-3 gap-2">
        <FormField quiet label="Weight now, g">
          <NumberField
            value={weight_g}
            least={1}
            most={1000000}
            unit="g"
            onFigure={(grams) => tell({ weight_g: grams })}
          />
        </FormField>
        <FormField quiet label="Reading now, °Bx">
          <NumberField value={brix} most={90} onFigure={(shown) => tell({ brix: shown })} />
        </FormField>
        <FormField quiet label="Target, °Bx">
          <NumberField value={wanted_brix} least={1} most={80} onFigure={(wanted) => tell({ wanted_brix: wanted })} />
        </FormField>
      </div>
      <p role="status" className="min-h-7 font-semibold">
        {work.data?.words}
      </p>
      <ErrorMessage fault={work.error} className="text-error" />
    </section>
  );
}

function ToAcid() {
  const larder = useQuery(larderQuery()).data ?? [];
  const juices = larder.filter(({ kind, acid }) => kind === 'juice' && acid > 0);
  const [told, setTold] = useState({ juice: 'orange-juice', like: 'lime-juice', volume_ml: 1000 });
  const work = useAdjustAcid();
  const tell = (change: Partial<typeof told>) => {
    const next = { ...told, ...change };
    setTold(next);
    work.mutate({ body: next });
  };
  const options = juices.map(({ slug, name }): [string, string] => [slug, name]);
  return (
    <section aria-label="Match a juice’s acid" className="panel flex flex-col gap-2 p-4 text-lg">
      <h2 className="font-display text-xl font-semibold">Match a juice’s acid</h2>
      <div className="grid grid-cols-3 gap-2">
        <FormField quiet label="Juice">
          <Select
            className="select-lg w-full"
            value={told.juice}
            options={options}
            onPick={(juice) => tell({ juice })}
          />
        </FormField>
        <FormField quiet label="As sharp as">
          <Select className="select-lg w-full" value={told.like} options={options} onPick={(like) => tell({ like })} />
        </FormField>
        <FormField quiet label="Amount, ml">
          <NumberField
            value={told.volume_ml}
            least={1}
            most={100000}
            unit="ml"
            onFigure={(ml) => ml !== null && tell({ volume_ml: ml })}
          />
        </FormField>
      </div>
      {work.data ? (
        <p role="status" className="font-semibold">
          {work.data.words}
        </p>
      ) : (
        <Button className="self-start" onClick={() => work.mutate({ body: told })}>
          Calculate
        </Button>
      )}
      <p className="text-base text-quiet">
        Use food-grade acid and weigh it with care. Use adjusted juice the same day.
      </p>
      <ErrorMessage fault={work.error} className="text-error" />
    </section>
  );
}
