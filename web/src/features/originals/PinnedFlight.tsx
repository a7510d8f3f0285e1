import { useState } from 'react';
import { Link } from 'react-router';

import { type Criteria, useStartFlight } from '@/api';
import { Button, Dialog, ErrorMessage } from '@/ui';
import { usePinned } from './pinned';

/** What is pinned, to be tasted blind against each other. */
export function PinnedFlight({ wish }: { wish: Criteria }) {
  const { pinned, clear } = usePinned();
  const add = useStartFlight();
  const [open, setOpen] = useState(false);
  if (pinned.length === 0) {
    return <p className="px-1 text-base text-quiet">Pin two or three ideas to taste them blind.</p>;
  }
  const family = pinned[0]?.spec.family;
  const alike = pinned.every(({ spec }) => spec.family === family);
  const start = () =>
    add.mutate(
      {
        params: { query: {} },
        body: {
          specs: pinned.slice(0, 6).map(({ spec }) => spec),
          wish: {
            ...wish,
            family: pinned[0]?.spec.family === 'open' ? 'sour' : ((family ?? 'sour') as Criteria['family']),
          },
        },
      },
      { onSuccess: () => setOpen(true) },
    );
  return (
    <div className="panel flex flex-wrap items-center gap-2 p-3 text-base">
      <span className="grow">
        {pinned.length} pinned.{' '}
        {pinned.length < 2
          ? 'Pin another to taste them blind.'
          : alike
            ? ''
            : 'Only drinks of one family can be tasted together.'}
      </span>
      <Button look="ghost" onClick={clear}>
        Unpin all
      </Button>
      <Button look="primary" disabled={pinned.length < 2 || !alike || add.isPending} onClick={start}>
        Taste {Math.min(pinned.length, 6)} blind
      </Button>
      <ErrorMessage fault={add.error} className="basis-full" />
      {open && add.data && (
        <Dialog
          heading="For one glass each"
          onClose={() => setOpen(false)}
          actions={
            <Link
              className="btn btn-primary btn-lg"
              to={`/taste/${add.data.drink_id}?${add.data.trials.map((_, index) => `trial=${index + 1}`).join('&')}`}
            >
              Start the tasting
            </Link>
          }
          closeWords="Later"
        >
          <Lines title="Fruit" words={add.data.fruit} />
          <Lines title="To prepare" words={add.data.to_prepare} />
          <Lines title="To buy" words={add.data.to_buy} />
          <p className="text-base text-quiet">
            They are saved in Recipes as trials of one drink. Your tasting notes improve the aroma pairings.
          </p>
        </Dialog>
      )}
    </div>
  );
}

function Lines({ title, words }: { title: string; words: string[] }) {
  return (
    <div>
      <h3 className="text-lg font-semibold">{title}</h3>
      {words.length === 0 ? (
        <p>Nothing.</p>
      ) : (
        <ul className="list-disc pl-5 text-lg">
          {words.map((word) => (
            <li key={word}>{word}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
