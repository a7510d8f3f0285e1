import type { LarderDetail } from '@/api';
import { plainNumber } from '@/lib';

const UNITS: Record<string, string> = {
  abv: '% ABV',
  density: 'g/ml',
  co2: 'g/l',
  keeps_days: 'days',
  price_per_litre: 'per litre',
  loud_above_ml: 'ml',
};
const NAMES: Record<string, string> = {
  abv: 'strength',
  co2: 'carbonation',
  keeps_days: 'keeps',
  price_per_litre: 'price',
  loud_above_ml: 'loud above',
};
/** What is in it first, how it is kept and bought last. */
const LAST = ['density', 'co2', 'bitterness', 'loud_above_ml', 'keeps_days', 'price_per_litre'];
const HIDDEN = new Set(['absorbance_red', 'absorbance_green', 'absorbance_blue', 'cloudiness']);

/** Each value with its spread and where it comes from. */
export function ValueTable({ detail }: { detail: LarderDetail }) {
  const set = new Set(detail.house_values.map(({ name }) => name));
  const told = detail.ingredient.values
    .filter(({ name }) => !HIDDEN.has(name))
    .sort((a, b) => LAST.indexOf(a.name) - LAST.indexOf(b.name));
  return (
    <table className="w-full text-base">
      <thead className="text-left text-quiet">
        <tr>
          <th className="font-normal">Value</th>
          <th className="pr-3 text-right font-normal">Amount</th>
          <th className="font-normal">Source</th>
        </tr>
      </thead>
      <tbody>
        {told.map(({ name, value, relative_sd, source, why }) => (
          <tr key={name} className="border-t border-base-300 align-top">
            <th scope="row" className="py-1 pr-2 text-left font-normal">
              {NAMES[name] ?? name}
              {set.has(name) && <span className="ml-1.5 rounded-full bg-secondary px-2 text-sm">corrected</span>}
            </th>
            <td className="py-1 pr-3 text-right whitespace-nowrap">
              <span className="text-lg font-semibold">{plainNumber(value, name === 'density' ? 3 : 2)}</span>
              {withUnit(UNITS[name] ?? (name === 'bitterness' ? 'of 5' : 'g'))}
              {relative_sd > 0 && <span className="text-quiet"> ±{plainNumber(relative_sd * 100, 0)}%</span>}
            </td>
            <td className="py-1 text-quiet">
              {source}
              {why && `: ${why}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A unit behind its number: no space before a percent sign. */
function withUnit(unit: string): string {
  return unit.startsWith('%') ? unit : ` ${unit}`;
}
