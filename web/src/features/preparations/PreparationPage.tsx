import { useQuery } from '@tanstack/react-query';
import { Undo2 } from 'lucide-react';
import { useParams } from 'react-router';

import { type Preparation, preparationOutcomeQuery, preparationsQuery, type PreparationSummary } from '@/api';
import { capital } from '@/lib';
import { useDebouncedValue, useDocumentTitle, useHotkeys, useSettings } from '@/hooks';
import {
  Button,
  ErrorMessage,
  FormField,
  IconButton,
  LoadingOrError,
  PageHeader,
  Select,
  TextField,
  WriteConflict,
} from '@/ui';
import { IngredientLines } from './IngredientLines';
import { RecordMaking } from './RecordMaking';
import { OutcomePanel } from './OutcomePanel';
import { Templates } from './Templates';
import { KitchenSteps } from './KitchenSteps';
import { usePreparationDraft } from './usePreparationDraft';
import { useSavePreparation } from './useSavePreparation';

const BLANK: Preparation = {
  format: 'oenomel/preparation',
  version: 1,
  name: '',
  kind: 'syrup',
  lines: [],
  steps: [],
  final: { weight_g: null, volume_ml: null, brix: null },
};
const KINDS: Preparation['kind'][] = [
  'syrup',
  'fruit syrup',
  'cordial',
  'infusion',
  'saline',
  'gum syrup',
  'adjusted juice',
  'thinned honey',
  'acid solution',
];
const RESTED_MS = 200;

/** A preparation: what goes in, what is done, what it comes to; made, it is a lot. */
export function PreparationPage() {
  const { slug = '' } = useParams();
  const { supposed } = useSettings();
  const { data, error } = useQuery(preparationsQuery(supposed));
  if (!data) return <LoadingOrError error={error} />;
  const kept = data.find(({ makes }) => makes.slug === slug);
  if (!kept && slug !== 'new') {
    return <LoadingOrError error={{ detail: 'No such recipe in Prep. Write a new one.' }} />;
  }
  return <PreparationEditor key={slug} slug={slug} kept={kept} />;
}

function PreparationEditor({ slug, kept }: { slug: string; kept: PreparationSummary | undefined }) {
  const inHand = usePreparationDraft(slug, kept?.file ?? BLANK, kept?.revision);
  const { now, change, undo, canUndo, isChanged } = inHand;
  const writing = useSavePreparation(slug, kept !== undefined, inHand);
  const rested = useDebouncedValue(now, RESTED_MS);
  const ready = rested.name.trim() !== '' && rested.lines.length > 0;
  const query = useQuery({ ...preparationOutcomeQuery(rested), enabled: ready });
  useHotkeys({ undo });
  useDocumentTitle(kept ? `${kept.makes.name}, prep` : 'New recipe');
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <>
            <IconButton icon={Undo2} label="Undo" hotkey="Ctrl Z" disabled={!canUndo} onClick={undo} />
            <Button look="primary" disabled={!isChanged || !ready || writing.isPending} onClick={writing.write}>
              {isChanged || !kept ? 'Save' : 'Saved'}
            </Button>
          </>
        }
      />
      <main className="flex flex-col gap-4">
        <h1 className="font-display text-3xl font-semibold">{now.name || 'New recipe'}</h1>
        {!kept && now.lines.length === 0 && <Templates onStart={change} />}
        <ErrorMessage fault={writing.refusedNew} className="panel p-3 text-lg text-error" />
        <WriteConflict
          fault={writing.refused}
          onTheirs={writing.takeTheirs}
          onMine={writing.insist}
          className="panel text-lg"
        />
        <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <div className="flex min-w-0 flex-col gap-4">
            <section aria-label="Ingredients" className="panel flex flex-col gap-3 p-4">
              <div className="grid gap-3 sm:grid-cols-[minmax(0,1fr)_auto]">
                <TextField label="Name" value={now.name} onWrite={(name) => change({ name })} />
                <FormField label="Kind">
                  <Select
                    className="select-lg w-full"
                    value={now.kind}
                    options={KINDS.map((kind) => [kind, capital(kind)])}
                    onPick={(kind) => change({ kind })}
                  />
                </FormField>
              </div>
              <IngredientLines preparation={now} onChange={change} />
            </section>
            <KitchenSteps slug={slug} preparation={now} strainable={query.data?.strainable} onChange={change} />
          </div>
          <div className="flex min-w-0 flex-col gap-4">
            <OutcomePanel answer={query.data} fault={ready ? query.error : null} />
            {kept && <RecordMaking slug={slug} preparation={now} onChange={change} />}
            {!kept && ready && (
              <p className="text-lg text-quiet">Save it first. Then you can log each batch you make.</p>
            )}
          </div>
        </div>
      </main>
    </div>
  );
}
