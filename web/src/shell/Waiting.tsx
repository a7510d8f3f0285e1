import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';

import type { Fault } from '../api/client';
import { useGone } from '../api/reach';
import { sentence } from '../lib/format';

interface Props {
  /** What went wrong, if something did. */
  error: Fault | null;
}

/** While the first figures are on their way, or what to do when they don't come. */
export function Waiting({ error }: Props) {
  const gone = useGone();
  if (!error) {
    return (
      <main className="grid min-h-(--page) place-items-center" aria-busy="true">
        <p className="text-quiet">Opening…</p>
      </main>
    );
  }
  if (gone) return <NoAnswer />;
  return (
    <Told heading="Page unavailable" words={sentence(error.detail)}>
      <a className="btn btn-primary mt-6 min-h-11" href="/recipes">
        Open Recipes
      </a>
    </Told>
  );
}

/** The server doesn't answer: the page opens by itself, and what was in hand is still there. */
export function NoAnswer() {
  const navigate = useNavigate();
  return (
    <Told
      heading="No answer from the server"
      words="This page opens as soon as Oenomel answers. Anything unsaved is safe in this browser."
    >
      <button type="button" className="btn btn-primary mt-6 min-h-11" onClick={() => void navigate(-1)}>
        Back
      </button>
    </Told>
  );
}

function Told({ heading, words, children }: { heading: string; words: string; children: ReactNode }) {
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
