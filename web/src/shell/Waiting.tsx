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
      <main className="grid min-h-dvh place-items-center" aria-busy="true">
        <p className="text-quiet">Setting up the bench…</p>
      </main>
    );
  }
  return (
    <main className="grid min-h-dvh place-items-center p-6 text-center">
      <div role="alert">
        <h1 className="font-display text-2xl font-semibold">This can’t be shown</h1>
        <p className="mt-2 max-w-prose text-quiet">{sentence(error.detail)}</p>
        {gone ? (
          <p className="mt-2 text-quiet">It is asked again and again, and this page opens by itself.</p>
        ) : (
          <a className="btn btn-primary mt-6" href="/book">
            Open the book
          </a>
        )}
      </div>
    </main>
  );
}
