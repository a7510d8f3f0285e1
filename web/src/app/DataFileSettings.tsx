import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { dataFileQuery, useBackUp } from '@/api';
import { plainNumber } from '@/lib';
import { Button, ErrorMessage } from '@/ui';

/** Where the house lives, when it was copied last, and a press that copies it now. */
export function DataFileSettings() {
  const { data: file } = useQuery(dataFileQuery());
  const [text, setText] = useState('');
  const copy = useBackUp();
  if (!file) return null;
  const when = file.last_copy_at
    ? new Date(file.last_copy_at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
    : 'never';
  const toClipboard = async (path: string) => {
    await navigator.clipboard.writeText(path);
    setText('Copied. Paste it into your file manager.');
  };
  return (
    <section aria-labelledby="data-heading" className="border-t border-base-300 pt-3">
      <h3 id="data-heading" className="text-lg font-semibold">
        Data file
      </h3>
      <p className="wrap-anywhere">
        {file.path || 'On the machine that serves it'}, {plainNumber(file.size_bytes / 1_000_000, 1)} MB, Oenomel{' '}
        {file.version}
      </p>
      <p className="text-quiet">
        Last copy: {when}
        {file.copies > 0 && `, ${file.copies} ${file.copies === 1 ? 'copy' : 'copies'} saved`}. A copy is made once a
        day: the last seven days are saved, and one a month.
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button disabled={copy.isPending} onClick={() => copy.mutate({}, { onSuccess: () => setText('Copy made.') })}>
          Make a copy now
        </Button>
        {file.copies_folder && (
          <Button look="outline" onClick={() => void toClipboard(file.copies_folder)}>
            Copy the folder’s path
          </Button>
        )}
        <span role="status">{text}</span>
      </div>
      {file.copies_folder && <p className="mt-1 text-quiet wrap-anywhere">{file.copies_folder}</p>}
      <ErrorMessage fault={copy.error} className="text-error" />
    </section>
  );
}
