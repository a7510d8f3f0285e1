import { useState } from 'react';

import { fetchTriangle, type Triangle, useAnswerTriangle } from '@/api';
import { useHotkeys } from '@/hooks';
import { Button, ErrorMessage } from '@/ui';

interface Props {
  triangle: Triangle;
  alone: boolean;
  onAnswered: (answered: Triangle) => void;
}

/** Before the taster: three glasses, which one stands alone? Who poured for himself looks underneath. */
export function TriangleAnswer({ triangle, alone, onAnswered }: Props) {
  const [glass, setGlass] = useState<number | null>(null);
  const path = { triangle_id: triangle.id };
  const answer = useAnswerTriangle();
  const reveal = async () => onAnswered(await fetchTriangle(triangle.id));
  const tell = (body: { glass: number } | { found: boolean }) =>
    answer.mutate({ params: { path }, body }, { onSuccess: () => void reveal() });
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
            <Button look="primary" large onClick={() => tell({ found: true })}>
              Yes
            </Button>
            <Button large onClick={() => tell({ found: false })}>
              No
            </Button>
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
          <Button
            look="primary"
            large
            disabled={glass === null || answer.isPending}
            onClick={() => glass !== null && tell({ glass })}
          >
            {glass === null ? 'If you can’t taste it, guess' : `Glass ${glass} is the odd one`}
          </Button>
        </>
      )}
      <ErrorMessage fault={answer.error} className="text-error" />
    </section>
  );
}
