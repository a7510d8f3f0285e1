import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';

import { type TrainingSession, trainingSessionQuery, type Triangle, useEndSession, useNextTriangle } from '@/api';
import { asSentence } from '@/lib';
import { Button, ErrorMessage, LoadingOrError, PageHeader } from '@/ui';
import { useDocumentTitle } from '@/hooks';
import { TriangleAnswer } from './TriangleAnswer';
import { BlendsToMix } from './BlendsToMix';
import { SubjectMark } from './subjects';
import { PourerKey } from './PourerKey';
import { SessionDone, tasterPath } from './SessionDone';

/** A sitting from the jugs to the last triangle; on one tablet that goes from hand to hand, or on two. */
export function SessionPage() {
  const id = Number(useParams().sittingId);
  const { data, error } = useQuery(trainingSessionQuery(id));
  useDocumentTitle('Triangle test');
  if (!data) return <LoadingOrError error={error} />;
  return (
    <div className="page-body">
      <PageHeader>
        <h1 className="flex items-center gap-2 font-display text-2xl leading-tight font-semibold">
          <SubjectMark matter={data.matter} size={22} />
          Triangle test of {data.noun}
        </h1>
      </PageHeader>
      <main className="mx-auto flex w-full max-w-[760px] flex-col gap-3">
        <UnderWay key={data.id} sitting={data} />
      </main>
    </div>
  );
}

/** Who has the tablet: nobody yet, the pourer, the taster. */
type Hands = 'between' | 'pourer' | 'taster';

function UnderWay({ sitting }: { sitting: TrainingSession }) {
  const path = { sitting_id: sitting.id };
  const [hands, setHands] = useState<Hands>('between');
  const [told, setTold] = useState<Triangle | null>(null);
  const next = useNextTriangle();
  const begun = sitting.open !== null || sitting.turns.some(({ answered }) => answered > 0);
  const handOver = () => {
    setTold(null);
    setHands('between');
  };
  const ask = () => next.mutate({ params: { path } }, { onSuccess: handOver });
  if (!begun) return <BlendsToMix sitting={sitting} pending={next.isPending} fault={next.error} onMixed={ask} />;
  const { open } = sitting;
  if (!open) {
    const over = sitting.ended || !sitting.next;
    return (
      <>
        {told && <TriangleResult triangle={told} />}
        <TurnList sitting={sitting} />
        {over ? (
          <SessionDone sitting={sitting} />
        ) : (
          <SessionButtons sitting={sitting} pending={next.isPending} onNext={ask} />
        )}
        <ErrorMessage fault={next.error} className="text-error" />
      </>
    );
  }
  if (hands === 'pourer') {
    return <PourerKey triangle={open} alone={sitting.alone} onPoured={() => setHands('taster')} />;
  }
  if (hands === 'taster') return <TriangleAnswer triangle={open} alone={sitting.alone} onAnswered={setTold} />;
  return <TurnHandover triangle={open} sitting={sitting} onHands={setHands} />;
}

interface WhoHasItProps {
  triangle: Triangle;
  sitting: TrainingSession;
  onHands: (hands: Hands) => void;
}

/** Between two hands: the key stays covered until the pourer asks for it. */
function TurnHandover({ triangle, sitting, onHands }: WhoHasItProps) {
  return (
    <section aria-label="Next taster" className="panel flex flex-col gap-4 p-5">
      <h2 className="font-display text-2xl leading-tight font-semibold">
        {triangle.taster}, test {triangle.number} of {sitting.rounds}
      </h2>
      <p className="text-lg">
        {sitting.alone
          ? 'Three glasses alike, marked underneath, and a cloth over the bottles.'
          : `Give the tablet to whoever pours. ${triangle.taster} looks away.`}
      </p>
      <Button look="primary" large autoFocus onClick={() => onHands('pourer')}>
        {sitting.alone ? 'Key' : 'I pour: show the key'}
      </Button>
      <Button large className="font-normal" onClick={() => onHands('taster')}>
        The glasses are ready: taste
      </Button>
      {!sitting.alone && (
        <p className="text-base text-quiet">With two devices, the pourer opens this page on the other one.</p>
      )}
    </section>
  );
}

function TriangleResult({ triangle }: { triangle: Triangle }) {
  return (
    <p
      role="status"
      className={`panel border-2 p-4 font-display text-2xl font-semibold ${triangle.found ? 'border-success' : 'border-base-300'}`}
    >
      {triangle.words}
    </p>
  );
}

/** How the panel stands, and what is said to each of them. */
function TurnList({ sitting }: { sitting: TrainingSession }) {
  return (
    <section aria-label="So far" className="panel p-4">
      <ul className="flex flex-col gap-2">
        {sitting.turns.map(({ taster, answered, found, words }) => (
          <li key={taster} className="text-lg">
            <strong className="font-semibold">{taster}</strong>: {found} of {answered} found,{' '}
            {sitting.rounds - answered || 'none'} to go.
            {words.map((word) => (
              <span key={word} className="block text-base text-quiet">
                {asSentence(word)}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface NextProps {
  sitting: TrainingSession;
  pending: boolean;
  onNext: () => void;
}

function SessionButtons({ sitting, pending, onNext }: NextProps) {
  const go = useNavigate();
  const end = useEndSession();
  return (
    <div className="flex flex-wrap gap-2">
      <Button look="primary" large className="grow" autoFocus disabled={pending} onClick={onNext}>
        Next: {sitting.next}
      </Button>
      <Button
        look="outline"
        large
        disabled={end.isPending}
        onClick={() =>
          end.mutate(
            { params: { path: { sitting_id: sitting.id } } },
            { onSuccess: () => void go(tasterPath(sitting)) },
          )
        }
      >
        Stop here
      </Button>
      <Link to={tasterPath(sitting)} className="btn btn-ghost btn-lg border-base-300 font-normal">
        Continue later
      </Link>
      <ErrorMessage fault={end.error} className="text-error" />
    </div>
  );
}
