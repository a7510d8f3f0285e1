import { Button } from './Button';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';

import { type Fault, useIsUnreachable } from '@/api';
import { asSentence } from '@/lib';

interface Props {
  /** What went wrong, if something did. */
  error: Fault | null;
}

/** While the first figures are on their way, or what to do when they don't come. */
export function LoadingOrError({ error }: Props) {
  const gone = useIsUnreachable();
  if (!error && !gone) {
    return (
      <main className="grid min-h-(--page) place-items-center" aria-busy="true">
        <p className="text-quiet">Opening…</p>
      </main>
    );
  }
  if (gone) return <ServerUnreachable />;
  return (
    <Message heading="Page unavailable" words={asSentence(error?.detail ?? '')}>
      <a className="btn btn-primary mt-6 min-h-11" href="/recipes">
        Open Recipes
      </a>
    </Message>
  );
}

/** The server doesn't answer: the page opens by itself, and what was in hand is still there. */
export function ServerUnreachable() {
  const navigate = useNavigate();
  return (
    <Message
      heading="No answer from the server"
      words="This page opens as soon as Oenomel answers. Anything unsaved is safe in this browser."
    >
      <Button look="primary" className="mt-6" onClick={() => void navigate(-1)}>
        Back
      </Button>
    </Message>
  );
}

function Message({ heading, words, children }: { heading: string; words: string; children: ReactNode }) {
  return (
    <main className="grid min-h-(--page) place-items-center p-6 text-center">
      <div role="alert">
        <h1 className="font-display text-3xl font-semibold">{heading}</h1>
        <p className="mt-2 max-w-prose text-lg text-quiet wrap-anywhere">{words}</p>
        {children}
      </div>
    </main>
  );
}
