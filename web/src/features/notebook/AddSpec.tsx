import { useState } from 'react';

import { api, type Spec } from '../../api/client';
import { capital } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { Line } from '../../ui/Line';

interface Props {
  drinkId: number;
  /** What lies on the bench. */
  lying: Spec | undefined;
  /** What else was refused on this page. */
  refused: string | undefined;
}

/** Adds somebody's spec to the cloud: the one that lies on the bench, or a spec file. */
export function AddSpec({ drinkId, lying, refused }: Props) {
  const { supposed } = useSettings();
  const [name, setName] = useState('');
  const [file, setFile] = useState('');
  const [unreadable, setUnreadable] = useState('');
  const add = api.useMutation('post', '/api/drinks/{drink_id}/spec-cloud', {
    onSuccess: () => {
      setName('');
      setFile('');
    },
  });
  const gather = (spec: Spec) =>
    add.mutate({
      params: { path: { drink_id: drinkId }, query: supposed },
      body: { name: name.trim(), spec },
    });
  const gatherFile = () => {
    try {
      setUnreadable('');
      gather(JSON.parse(file) as Spec);
    } catch {
      setUnreadable('This is no spec file: paste the JSON text that another Oenomel wrote.');
    }
  };
  return (
    <section aria-label="Add a spec" className="panel flex flex-col gap-3 p-4">
      <h2 className="text-xl font-semibold">Add a spec</h2>
      <Line className="text-base" label="Whose it is" hint="A book, a colleague" value={name} onWrite={setName} />
      {lying && (
        <button
          type="button"
          className="btn min-h-11 text-base"
          disabled={!name.trim() || add.isPending}
          onClick={() => gather(lying)}
        >
          Take it as it lies on the bench
        </button>
      )}
      <label className="flex flex-col gap-1 text-base">
        or paste a spec file
        <textarea
          className="textarea w-full font-figure text-sm"
          rows={3}
          value={file}
          placeholder='{"format": "oenomel/spec", …}'
          onChange={(event) => setFile(event.target.value)}
        />
      </label>
      <button
        type="button"
        className="btn min-h-11 text-base"
        disabled={!name.trim() || !file.trim() || add.isPending}
        onClick={gatherFile}
      >
        Add the file
      </button>
      {(unreadable || add.error || refused) && (
        <p role="alert" className="text-error">
          {unreadable || capital(add.error?.detail ?? refused ?? '')}
        </p>
      )}
    </section>
  );
}
