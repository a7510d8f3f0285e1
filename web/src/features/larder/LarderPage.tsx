import { useQuery } from '@tanstack/react-query';
import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';

import { type LarderLine, larderLinesQuery, useImportLarderTable } from '@/api';
import { capital } from '@/lib';
import { levelWords } from '@/spec';
import { Button, ErrorMessage, LoadingOrError, Notice, PageHeader, SearchField, Select } from '@/ui';
import { useDocumentTitle, useLastDefined, useMediaQuery } from '@/hooks';
import { NoMatch, useIngredientSearch } from '@/features/ingredient-search';
import { IngredientPanel } from './IngredientPanel';

type ListChoice = 'ours' | 'all' | 'house' | 'changed' | 'gaps' | 'lots' | 'retired';

const LIST_OPTIONS: [ListChoice, string][] = [
  ['ours', 'ours'],
  ['all', 'all'],
  ['house', 'house-made'],
  ['changed', 'corrected here'],
  ['gaps', 'with an estimate'],
  ['lots', 'with open bottles'],
  ['retired', 'hidden'],
];
const AT_ONCE = 60;
/** How the states of the stock are written. */
const IN_STOCK: Record<string, string> = { 'at hand': 'in stock' };
const WIDE = '(min-width: 1024px)';

/** Every ingredient with what is known of it and what is only guessed; one of them opened beside the list. */
export function LarderPage() {
  const { slug } = useParams();
  const { data, error } = useQuery(larderLinesQuery());
  const lines = useLastDefined(data);
  const [words, setWords] = useState('');
  const [chosen, setWhich] = useState<ListChoice | null>(null);
  const [shown, setShown] = useState(AT_ONCE);
  const sought = useLastDefined(useIngredientSearch(words) ?? undefined);
  const isWide = useMediaQuery(WIDE);
  useDocumentTitle('All ingredients');
  if (!lines) return <LoadingOrError error={error} />;
  // Words are sought in everything; without any, what the house has is what it is about.
  const which = chosen ?? (words.trim() || !lines.some((line) => fits(line, 'ours')) ? 'all' : 'ours');
  const place = (line: LarderLine) => sought?.of.get(line.slug)?.place ?? 0;
  const fitting = lines.filter((line) => fits(line, which));
  const found = words.trim()
    ? fitting.filter((line) => sought?.of.has(line.slug)).sort((a, b) => place(a) - place(b))
    : fitting;
  // Where there is room beside the list, the first is open until one is chosen.
  const open = slug ?? (isWide ? found[0]?.slug : undefined);
  return (
    <div className="page-body">
      <PageHeader actions={<TableActions />} />
      <main className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        {slug && <h1 className="sr-only">All ingredients</h1>}
        <section aria-label="Ingredients" className={`flex min-w-0 flex-col gap-3 ${slug ? 'max-lg:hidden' : ''}`}>
          <div className="flex flex-wrap gap-2">
            <SearchField
              className="input-lg min-w-52 grow"
              label="Search ingredients"
              placeholder="Name, kind or aroma"
              value={words}
              onWords={setWords}
            />
            <Select label="Show" className="select-lg w-56" value={which} options={LIST_OPTIONS} onPick={setWhich} />
          </div>
          {found.length === 0 &&
            (words.trim() && sought?.isSettled ? (
              <NoMatch words={words} where="among ingredients" onWords={setWords} />
            ) : (
              <p className="panel p-4 text-lg">No ingredient matches.</p>
            ))}
          {found.length > 0 && (
            <ul className="panel divide-y divide-base-300 p-1.5">
              {found.slice(0, shown).map((line) => (
                <Row key={line.slug} line={line} isOpen={line.slug === open} />
              ))}
            </ul>
          )}
          {found.length > shown && (
            <Button className="self-start" onClick={() => setShown(shown + 200)}>
              Show more
            </Button>
          )}
        </section>
        {open ? (
          <IngredientPanel key={open} slug={open} lines={lines} />
        ) : (
          <p className="panel p-5 text-lg text-quiet max-lg:hidden">
            Choose an ingredient to see its composition, where it is used, and its open bottles.
          </p>
        )}
      </main>
    </div>
  );
}

function fits(line: LarderLine, which: ListChoice): boolean {
  switch (which) {
    case 'ours':
      return (
        !line.retired && (line.origin !== 'catalogue' || line.lots > 0 || line.state !== '' || line.changed.length > 0)
      );
    case 'all':
      return !line.retired;
    case 'house':
      return line.origin !== 'catalogue';
    case 'changed':
      return line.changed.length > 0;
    case 'gaps':
      return line.gaps.some((gap) => gap !== 'no price');
    case 'lots':
      return line.lots > 0;
    case 'retired':
      return line.retired;
  }
}

function Row({ line, isOpen }: { line: LarderLine; isOpen: boolean }) {
  const navigate = useNavigate();
  const marks = [
    line.origin !== 'catalogue' && 'own',
    line.changed.length > 0 && 'corrected',
    line.retired && 'hidden',
    line.lots > 0 && `${line.lots} ${line.lots === 1 ? 'open bottle' : 'open bottles'}`,
    IN_STOCK[line.state] ?? line.state,
  ].filter(Boolean);
  const gaps = line.gaps.filter((gap) => gap !== 'no price' && gap !== 'no aroma given');
  return (
    <li>
      <button
        type="button"
        aria-current={isOpen ? 'true' : undefined}
        className={`flex w-full cursor-pointer flex-wrap items-baseline gap-x-2 rounded-xl px-2 py-1.5 text-left ${isOpen ? 'bg-secondary' : 'hover:bg-secondary'}`}
        onClick={() => void navigate(`/ingredients/all/${line.slug}`)}
      >
        <span className="text-lg font-semibold">{line.name}</span>
        {marks.map((mark) => (
          <span key={String(mark)} className="rounded-full border border-base-300 px-2 text-sm">
            {mark}
          </span>
        ))}
        <span className="basis-full text-base text-quiet">
          {[capital(line.kind), levelWords(line)].filter(Boolean).join(', ')}
          {gaps.length > 0 && <span className="text-warning"> · {gaps.join(', ')}</span>}
        </span>
      </button>
    </li>
  );
}

/** The larder as a table, out and in. */
function TableActions() {
  const input = useRef<HTMLInputElement>(null);
  const take = useImportLarderTable();
  return (
    <>
      <a
        className="btn btn-ghost min-h-11 gap-2 border-base-300 text-base"
        href="/api/larder/table"
        download="larder.csv"
      >
        <Download size={20} aria-hidden /> Export as a table
      </a>
      <Button look="outline" className="gap-2" onClick={() => input.current?.click()}>
        <Upload size={20} aria-hidden /> Import a table
      </Button>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        className="hidden"
        aria-label="Ingredients as a table"
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (file) void file.text().then((text) => take.mutate({ body: { text } }));
        }}
      />
      {take.data && (
        <div className="basis-full">
          <Notice quiet text={`Imported: ${[take.data.words, ...take.data.changed.slice(0, 5)].join(' ')}`} />
        </div>
      )}
      <ErrorMessage fault={take.error} className="basis-full text-lg text-error" />
    </>
  );
}
