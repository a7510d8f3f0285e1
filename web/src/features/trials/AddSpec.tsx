import { useState } from 'react';
import { Link } from 'react-router';

import { type Spec, useAddSpec } from '@/api';
import { useSettings } from '@/hooks';
import { Button, ErrorMessage, TextField } from '@/ui';

interface Props {
  drinkId: number;
  /** What lies on the bench. */
  lying: Spec | undefined;
  /** What else was refused on this page. */
  refused: string | undefined;
}

/** Adds somebody's spec to the cloud: the one that lies on the bench, or a recipe as it was pasted. */
export function AddSpec({ drinkId, lying, refused }: Props) {
  const { supposed } = useSettings();
  const [name, setName] = useState('');
  const add = useAddSpec();
  const gather = (spec: Spec) =>
    add.mutate(
      { params: { path: { drink_id: drinkId }, query: supposed }, body: { name: name.trim(), spec } },
      { onSuccess: () => setName('') },
    );
  return (
    <section aria-label="Add a spec" className="panel flex flex-col gap-3 p-4">
      <h2 className="text-xl font-semibold">Add a spec</h2>
      <TextField className="text-base" label="Source" hint="A book, a colleague" value={name} onWrite={setName} />
      {lying && (
        <Button disabled={!name.trim() || add.isPending} onClick={() => gather(lying)}>
          Add the draft on the bench
        </Button>
      )}
      <Link className="btn min-h-11 text-base" to={`/paste?for=${drinkId}`}>
        Paste a recipe
      </Link>
      <ErrorMessage fault={add.error ?? (refused ? { detail: refused } : null)} className="text-error" />
    </section>
  );
}
