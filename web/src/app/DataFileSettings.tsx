import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { api } from '@/api/client';
import { dataFileQuery } from '@/api/queries/system';
import { plainNumber } from '@/lib/format';
import { ErrorMessage } from '@/ui/ErrorMessage';

/** Where the house lives, when it was copied last, and a press that copies it now. */
export function DataFileSettings() {
  const { data: file } = useQuery(dataFileQuery());
  const [text, setText] = useState('');
  const copy = api.useMutation('post', '/api/copies');
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
        <button
          type="button"
          className="btn min-h-11 text-base"
          disabled={copy.isPending}
          onClick={() => copy.mutate({}, { onSuccess: () => setText('Copy made.') })}
        >
          Make a copy now
        </button>
        {file.copies_folder && (
          <button
            type="button"
            className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
            onClick={() => void toClipboard(file.copies_folder)}
          >
            Copy the folder’s path
          </button>
        )}
        <span role="status">{text}</span>
      </div>
      {file.copies_folder && <p className="mt-1 text-quiet wrap-anywhere">{file.copies_folder}</p>}
      <ErrorMessage fault={copy.error} className="text-error" />
    </section>
  );
}
