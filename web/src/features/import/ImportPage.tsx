import { useQuery } from '@tanstack/react-query';
import { FolderInput } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';

import { api, type Fault, type ImportChoice, type ImportedItem, useImport } from '@/api';
import { Button, ErrorMessage, PageHeader } from '@/ui';
import { useDocumentTitle } from '@/hooks';
import { passedFiles, passFiles, readFiles } from '@/lib';
import { ImportItem } from './ImportItem';

/** Files taken into the house: first what is new, the same, or differs; then all of it or nothing. */
export function ImportPage() {
  const [files, setFiles] = useState(passedFiles);
  useEffect(() => () => passFiles([]), []);
  const [choices, setChoices] = useState<Record<string, ImportChoice>>({});
  const [refusal, setRefusal] = useState('');
  const looked = useQuery({
    ...api.queryOptions('post', '/api/import/look', { body: { files } }),
    enabled: files.length > 0,
    gcTime: 0,
  });
  const take = useImport();
  useDocumentTitle('Import');
  const carry = async (chosen: Iterable<File>) => {
    const { carried, refusal: why } = await readFiles(chosen);
    setRefusal(why);
    if (why) return;
    setFiles(carried);
    setChoices({});
    take.reset();
  };
  const items = looked.data?.items ?? [];
  return (
    <div
      className="page-body"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void carry(event.dataTransfer.files);
      }}
    >
      <PageHeader />
      <main className="flex flex-col gap-4">
        <div className="panel flex flex-wrap items-center gap-3 p-4">
          <p className="min-w-60 grow text-lg">
            Drop files here, or choose them. You see everything before it is saved, and no trial is ever changed.
          </p>
          <label className="btn btn-secondary min-h-12 gap-2 text-lg">
            <FolderInput size={20} aria-hidden /> Choose files
            <input
              type="file"
              multiple
              className="sr-only"
              onChange={(event) => void carry(event.target.files ?? [])}
            />
          </label>
        </div>
        {refusal && (
          <p role="alert" className="text-lg text-error">
            {refusal}
          </p>
        )}
        {files.length > 0 && <ErrorMessage fault={looked.error} className="panel p-4 text-lg text-error" />}
        {files.length > 0 && looked.isFetching && <p aria-busy="true">Reading {files.length} files…</p>}
        {take.data ? (
          <ImportSummary items={take.data.items} choices={choices} />
        ) : (
          items.length > 0 && (
            <Looked
              items={items}
              choices={choices}
              onChoose={(key, choice) => setChoices({ ...choices, [key]: choice })}
              fault={take.error}
              busy={take.isPending}
              onTake={() => take.mutate({ body: { files, choices } })}
            />
          )
        )}
      </main>
    </div>
  );
}

interface LookedProps {
  items: ImportedItem[];
  choices: Record<string, ImportChoice>;
  onChoose: (key: string, choice: ImportChoice) => void;
  fault: Fault | null;
  busy: boolean;
  onTake: () => void;
}

/** What the files hold, and the press that takes it in. */
function Looked({ items, choices, onChoose, fault, busy, onTake }: LookedProps) {
  const idle = nothingToDo(items, choices);
  return (
    <>
      <p role="status" className="text-lg">
        {counted(items)}
      </p>
      <ul className="flex flex-col gap-2">
        {sorted(items).map((item) => (
          <ImportItem
            key={item.key}
            item={item}
            choice={choices[item.key] ?? 'leave'}
            onChoose={(choice) => onChoose(item.key, choice)}
          />
        ))}
      </ul>
      <ErrorMessage fault={fault} className="text-lg text-error" />
      <Button look="primary" large className="self-start" disabled={busy || idle} onClick={onTake}>
        {idle ? 'Nothing to import' : 'Import'}
      </Button>
    </>
  );
}

const ORDER = { differs: 0, new: 1, same: 2 };
const sorted = (items: ImportedItem[]) => [...items].sort((one, other) => ORDER[one.state] - ORDER[other.state]);

function counted(items: ImportedItem[]): string {
  const many = (state: ImportedItem['state']) => items.filter((item) => item.state === state).length;
  return `${many('new')} new, ${many('same')} the same, ${many('differs')} different.`;
}

const nothingToDo = (items: ImportedItem[], choices: Record<string, ImportChoice>) =>
  items.every(({ state, key }) => state === 'same' || (state === 'differs' && (choices[key] ?? 'leave') === 'leave'));

/** What was done with what came. */
function ImportSummary({ items, choices }: { items: ImportedItem[]; choices: Record<string, ImportChoice> }) {
  const left = items.filter(({ state, key }) => state === 'differs' && (choices[key] ?? 'leave') === 'leave').length;
  return (
    <div role="status" className="panel flex flex-col gap-3 p-4 text-lg">
      <p>
        Imported. {counted(items)} {left > 0 ? `${left} skipped.` : ''}
      </p>
      <Link to="/recipes" className="btn btn-primary btn-lg self-start">
        Go to Recipes
      </Link>
    </div>
  );
}
