import type { LotDetail } from '@/api';
import { type AxisName, axisUnit, levelText } from '@/lib';
import { AxisMark } from '@/ui';

const AXIS_NOUNS: Record<AxisName, string> = { sugar: 'Sugar', acid: 'Acid', abv: 'Strength' };
/** Half of a central 80 % interval, in standard deviations. */
const Z80 = 1.2816;

/** What was supposed and what was measured, side by side, and what is held of both. */
export function LotFigures({ lot }: { lot: LotDetail }) {
  const told = lot.figures.filter(({ prior, measured }) => prior > 0.02 || (measured ?? 0) > 0.02);
  if (told.length === 0) return <p className="panel p-4 text-lg">No sugar, acid or alcohol to speak of.</p>;
  return (
    <section aria-label="Composition" className="panel p-4">
      <table className="w-full text-lg">
        <thead>
          <tr className="text-left text-base text-quiet">
            <th className="pb-1 font-normal">Per 100 ml</th>
            <th className="pb-1 text-right font-normal">{lot.cooked ? 'recipe' : 'standard'}</th>
            <th className="pb-1 text-right font-normal">measured</th>
            <th className="pb-1 text-right font-normal">used</th>
          </tr>
        </thead>
        <tbody>
          {told.map((item) => {
            const axis = item.figure as AxisName;
            const give = (sd: number | null) =>
              sd ? (
                <span className="text-base font-normal text-quiet max-sm:block"> ± {levelText(Z80 * sd, axis)}</span>
              ) : null;
            return (
              <tr key={axis} className="border-t border-base-300">
                <th scope="row" className="py-2 pr-2 text-left font-normal">
                  <span className="inline-flex items-center gap-2">
                    <AxisMark axis={axis} /> {AXIS_NOUNS[axis]}
                    <span className="text-base text-quiet">{axisUnit(axis).replace('/100 ml', '')}</span>
                  </span>
                </th>
                <td className="py-2 text-right whitespace-nowrap text-quiet">
                  {levelText(item.prior, axis)}
                  {give(item.prior_sd)}
                </td>
                <td className="py-2 pl-3 text-right whitespace-nowrap">
                  {item.measured === null ? '—' : levelText(item.measured, axis)}
                  {item.measured !== null && give(item.measured_sd)}
                </td>
                <td className="py-2 pl-3 text-right text-2xl font-semibold whitespace-nowrap">
                  {levelText(item.posterior, axis)}
                  {give(item.posterior_sd)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="pt-2 text-base text-quiet">
        The value used weighs both by their certainty. “±” holds 8 times in 10.
      </p>
    </section>
  );
}
