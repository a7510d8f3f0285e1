import type { LotDetail } from '@/api';

/** How much surer each drink's forecast is for the readings, and what to measure next. */
export function CertaintyGain({ lot }: { lot: LotDetail }) {
  if (lot.more_certain.length === 0 && lot.worth.length === 0) return null;
  return (
    <section aria-label="Improved by these readings" className="panel flex flex-col gap-2 p-4 text-lg">
      {lot.more_certain.length > 0 && (
        <>
          <h2 className="font-display text-xl font-semibold">Improved by these readings</h2>
          <ul className="flex flex-col gap-1">
            {lot.more_certain.map(({ drink_id, axis, drink, words }) => (
              <li key={`${drink_id} ${axis}`}>
                {drink}: {words}.
              </li>
            ))}
          </ul>
        </>
      )}
      {lot.worth.map((words) => (
        <p key={words}>{words}</p>
      ))}
    </section>
  );
}
