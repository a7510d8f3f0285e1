import { useState } from 'react';

import { api, client, unwrap } from '@/api/client';
import type { Triangle } from '@/api/types';
import { useHotkeys } from '@/hooks/useHotkeys';
import { ErrorMessage } from '@/ui/ErrorMessage';

interface Props {
  triangle: Triangle;
  alone: boolean;
  onAnswered: (answered: Triangle) => void;
}

/** Before the taster: three glasses, which one stands alone? Who poured for himself looks underneath. */
export function TriangleAnswer({ triangle, alone, onAnswered }: Props) {
  const [glass, setGlass] = useState<number | null>(null);
  const path = { triangle_id: triangle.id };
  const answer = api.useMutation('post', '/api/triangles/{triangle_id}/answer', {
    onSuccess: async () => onAnswered(unwrap(await client.GET('/api/triangles/{triangle_id}', { params: { path } }))),
  });
  const tell = (body: { glass: number } | { found: boolean }) => answer.mutate({ params: { path }, body });
  useHotkeys({ glass1: () => setGlass(1), glass2: () => setGlass(2), glass3: () => setGlass(3) });
  return (
    <section aria-label="For the taster" className="panel flex flex-col gap-5 p-5">
      <h2 className="font-display text-2xl leading-tight font-semibold">
        {triangle.taster}: two are alike. Which is the odd one?
      </h2>
      {alone ? (
        <>
          <p className="text-lg">Choose a glass, then look underneath. Was it the odd one?</p>
          <div className="grid grid-cols-2 gap-3">
            <button type="button" className="btn btn-primary btn-lg" onClick={() => tell({ found: true })}>
              Yes
            </button>
            <button type="button" className="btn btn-lg" onClick={() => tell({ found: false })}>
              No
            </button>
          </div>
        </>
      ) : (
        <>
          <div role="radiogroup" aria-label="Odd glass" className="grid grid-cols-3 gap-3">
            {[1, 2, 3].map((value) => (
              <label
                key={value}
                className={`flex min-h-32 cursor-pointer flex-col items-center justify-center gap-2 rounded-2xl border-2 ${glass === value ? 'border-primary bg-secondary' : 'border-base-300'} has-focus-visible:outline-3`}
              >
                <input
                  type="radio"
                  name="glass"
                  className="radio"
                  checked={glass === value}
                  onChange={() => setGlass(value)}
                />
                <span className="font-figure text-4xl">{value}</span>
                <span className="sr-only">Glass {value}</span>
              </label>
            ))}
          </div>
          <button
            type="button"
            className="btn btn-primary btn-lg"
            disabled={glass === null || answer.isPending}
            onClick={() => glass !== null && tell({ glass })}
          >
            {glass === null ? 'If you can’t taste it, guess' : `Glass ${glass} is the odd one`}
          </button>
        </>
      )}
      <ErrorMessage fault={answer.error} className="text-error" />
    </section>
  );
}
