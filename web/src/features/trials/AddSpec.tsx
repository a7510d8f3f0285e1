import { useState } from 'react';
import { Link } from 'react-router';

import { api } from '@/api/client';
import type { Spec } from '@/api/types';
import { useSettings } from '@/hooks/settings';
import { TextField } from '@/ui/TextField';
import { ErrorMessage } from '@/ui/ErrorMessage';

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
  const add = api.useMutation('post', '/api/drinks/{drink_id}/spec-cloud', {
    onSuccess: () => {
      setName('');
    },
  });
  const gather = (spec: Spec) =>
    add.mutate({
      params: { path: { drink_id: drinkId }, query: supposed },
      body: { name: name.trim(), spec },
    });
  return (
    <section aria-label="Add a spec" className="panel flex flex-col gap-3 p-4">
      <h2 className="text-xl font-semibold">Add a spec</h2>
      <TextField className="text-base" label="Source" hint="A book, a colleague" value={name} onWrite={setName} />
      {lying && (
        <button
          type="button"
          className="btn min-h-11 text-base"
          disabled={!name.trim() || add.isPending}
          onClick={() => gather(lying)}
        >
          Add the draft on the bench
        </button>
      )}
      <Link className="btn min-h-11 text-base" to={`/paste?for=${drinkId}`}>
        Paste a recipe
      </Link>
      <ErrorMessage fault={add.error ?? (refused ? { detail: refused } : null)} className="text-error" />
    </section>
  );
}
