import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';

import { larderQuery, notebookQuery, type Sheet, type TrialEntry, useSaveTasting } from '@/api';
import { LoadingOrError, PageHeader } from '@/ui';
import { type NameOf, namesIn } from '@/spec';
import { useDocumentTitle } from '@/hooks';
import { CurrentGlass } from './CurrentGlass';
import { PourerKey } from './PourerKey';
import { RevealedNotes } from './RevealedNotes';
import { StartFlight } from './StartFlight';
import { useFlight } from './useFlight';

/** A tasting of one or more trials, blind or not: glass by glass, and revealed when all are scored. */
export function TastingPage() {
  const id = Number(useParams().drinkId);
  const notebook = useQuery(notebookQuery(id));
  const larder = useQuery(larderQuery());
  useDocumentTitle('Tasting');
  if (!notebook.data || !larder.data) return <LoadingOrError error={notebook.error ?? larder.error} />;
  const { trials, name } = notebook.data;
  return (
    <div className="page-body">
      <PageHeader>
        <div className="min-w-0">
          <h1 className="truncate font-display text-2xl leading-tight font-semibold max-[500px]:whitespace-normal">
            Tasting {name}
          </h1>
          <p className="text-base text-quiet">
            <Link className="underline decoration-dotted underline-offset-2" to={`/trials/${id}`}>
              Back to its trials
            </Link>
          </p>
        </div>
      </PageHeader>
      <main className="mx-auto flex w-full max-w-[720px] flex-col gap-3">
        <Tasting drinkId={id} trials={trials} nameOf={namesIn(larder.data)} />
      </main>
    </div>
  );
}

interface TastingProps {
  drinkId: number;
  trials: TrialEntry[];
  nameOf: NameOf;
}

/** Which trials and who; the pourer's key; the sheets; what was said. */
function Tasting({ drinkId, trials, nameOf }: TastingProps) {
  const [query] = useSearchParams();
  const [kept, setKept] = useState<Sheet[] | null>(null);
  const keep = useSaveTasting();
  const under = useFlight(drinkId);
  const finish = () => {
    const sheets = under.finish();
    if (!sheets) return;
    const onSuccess = (answer: { sheets: Sheet[] }) => {
      under.end();
      setKept(answer.sheets);
    };
    keep.mutate({ body: { sheets } }, { onSuccess });
  };
  const trial = trials.find(({ id }) => id === under.glass?.trialId);
  if (kept) {
    const takenBack = (gone: number) => setKept(kept.filter((sheet) => sheet.id !== gone));
    return <RevealedNotes drinkId={drinkId} sheets={kept} trials={trials} onTakenBack={takenBack} />;
  }
  if (!under.flight || !under.glass || !trial) {
    const shown = query.getAll('trial').map(Number);
    return <StartFlight trials={trials.filter(({ mark }) => mark !== 'hidden')} chosen={shown} onStart={under.start} />;
  }
  if (!under.flight.poured) return <PourerKey flight={under.flight} trials={trials} onPoured={under.hideKey} />;
  return (
    <CurrentGlass
      flight={under.flight}
      glass={under.glass}
      under={under}
      trials={trials}
      trial={trial}
      nameOf={nameOf}
      keeping={keep}
      onFinish={finish}
    />
  );
}
