import { useQuery } from '@tanstack/react-query';
import { Undo2 } from 'lucide-react';
import { useParams } from 'react-router';

import type { Preparation, PreparationSummary } from '../../api/client';
import { preparationsQuery, preparedQuery } from '../../api/queries/stillroom';
import { capital } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { TopBar } from '../../shell/TopBar';
import { useHotkeys } from '../../shell/useHotkeys';
import { Waiting } from '../../shell/Waiting';
import { Field } from '../../ui/Field';
import { IconButton } from '../../ui/IconButton';
import { Line } from '../../ui/Line';
import { Overtaken } from '../../ui/Overtaken';
import { Pick } from '../../ui/Pick';
import { Refused } from '../../ui/Refused';
import { useRested } from '../../ui/useRested';
import { useTitle } from '../../ui/useTitle';
import { Lines } from './Lines';
import { MakeIt } from './MakeIt';
import { OutcomePanel } from './OutcomePanel';
import { Starters } from './Starters';
import { Steps } from './Steps';
import { usePreparation } from './usePreparation';
import { useWriting } from './useWriting';

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
  if (!data) return <Waiting error={error} />;
  const kept = data.find(({ makes }) => makes.slug === slug);
  if (!kept && slug !== 'new') {
    return <Waiting error={{ detail: 'No such recipe in Prep. Write a new one.' }} />;
  }
  return <InHand key={slug} slug={slug} kept={kept} />;
}

function InHand({ slug, kept }: { slug: string; kept: PreparationSummary | undefined }) {
  const inHand = usePreparation(slug, kept?.file ?? BLANK, kept?.revision);
  const { now, change, undo, canUndo, isChanged } = inHand;
  const writing = useWriting(slug, kept !== undefined, inHand);
  const rested = useRested(now, RESTED_MS);
  const ready = rested.name.trim() !== '' && rested.lines.length > 0;
  const asked = useQuery({ ...preparedQuery(rested), enabled: ready });
  useHotkeys({ undo });
  useTitle(kept ? `${kept.makes.name}, prep` : 'New recipe');
  return (
    <div className="page-body">
      <TopBar
        actions={
          <>
            <IconButton icon={Undo2} label="Undo" hotkey="Ctrl Z" disabled={!canUndo} onClick={undo} />
            <button
              type="button"
              className="btn btn-primary min-h-11 text-base"
              disabled={!isChanged || !ready || writing.isPending}
              onClick={writing.write}
            >
              {isChanged || !kept ? 'Save' : 'Saved'}
            </button>
          </>
        }
      />
      <main className="flex flex-col gap-4">
        <h1 className="font-display text-3xl font-semibold">{now.name || 'New recipe'}</h1>
        {!kept && now.lines.length === 0 && <Starters onStart={change} />}
        <Refused fault={writing.refusedNew} className="panel p-3 text-lg text-error" />
        <Overtaken
          fault={writing.refused}
          onTheirs={writing.takeTheirs}
          onMine={writing.insist}
          className="panel text-lg"
        />
        <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <div className="flex min-w-0 flex-col gap-4">
            <section aria-label="Ingredients" className="panel flex flex-col gap-3 p-4">
              <div className="grid gap-3 sm:grid-cols-[minmax(0,1fr)_auto]">
                <Line label="Name" value={now.name} onWrite={(name) => change({ name })} />
                <Field label="Kind">
                  <Pick
                    className="select-lg w-full"
                    value={now.kind}
                    options={KINDS.map((kind) => [kind, capital(kind)])}
                    onPick={(kind) => change({ kind })}
                  />
                </Field>
              </div>
              <Lines preparation={now} onChange={change} />
            </section>
            <Steps slug={slug} preparation={now} strainable={asked.data?.strainable} onChange={change} />
          </div>
          <div className="flex min-w-0 flex-col gap-4">
            <OutcomePanel answer={asked.data} fault={ready ? asked.error : null} />
            {kept && <MakeIt slug={slug} preparation={now} onChange={change} />}
            {!kept && ready && (
              <p className="text-lg text-quiet">Save it first. Then you can log each batch you make.</p>
            )}
          </div>
        </div>
      </main>
    </div>
  );
}
