import { useState } from 'react';

import type { LarderDetail, LarderLine } from '@/api';
import { AXES, type AxisName, levelText, plainNumber } from '@/lib';
import { AxisMark, Select } from '@/ui';

const AXIS_NOUNS: Record<AxisName, string> = {
  sugar: 'Sugar, g/100 ml',
  acid: 'Acid, g/100 ml',
  abv: 'Strength, % ABV',
};

/** Two ingredients side by side, of one kind first. */
export function CompareIngredients({ detail, lines }: { detail: LarderDetail; lines: LarderLine[] }) {
  const { line } = detail;
  const others = lines
    .filter(({ slug }) => slug !== line.slug)
    .sort((a, b) => Number(b.kind === line.kind) - Number(a.kind === line.kind));
  const [slug, setSlug] = useState(others[0]?.slug ?? '');
  const other = lines.find((item) => item.slug === slug);
  return (
    <div className="flex flex-col gap-2 pt-1">
      <Select
        label="Compare with"
        className="select-lg w-full"
        value={slug}
        options={others.map((item) => [item.slug, item.name])}
        onPick={setSlug}
      />
      {other && (
        <table className="w-full">
          <thead>
            <tr className="text-base text-quiet">
              <th className="text-left font-normal">Compared</th>
              <th className="text-right font-normal">{line.name}</th>
              <th className="text-right font-normal">{other.name}</th>
            </tr>
          </thead>
          <tbody>
            {AXES.map((axis) => (
              <tr key={axis} className="border-t border-base-300">
                <th scope="row" className="py-1 text-left font-normal">
                  <span className="inline-flex items-center gap-1.5">
                    <AxisMark axis={axis} /> {AXIS_NOUNS[axis]}
                  </span>
                </th>
                <td className="py-1 text-right font-semibold">{levelText(line[axis], axis)}</td>
                <td className="py-1 text-right font-semibold">{levelText(other[axis], axis)}</td>
              </tr>
            ))}
            <tr className="border-t border-base-300">
              <th scope="row" className="py-1 text-left font-normal">
                Price per litre
              </th>
              {[line, other].map(({ slug: of, price_per_litre }) => (
                <td key={of} className="py-1 text-right">
                  {price_per_litre === null ? '—' : plainNumber(price_per_litre)}
                </td>
              ))}
            </tr>
            <tr className="border-t border-base-300">
              <th scope="row" className="py-1 text-left font-normal">
                Keeps, days
              </th>
              {[line, other].map(({ slug: of, keeps_days }) => (
                <td key={of} className="py-1 text-right">
                  {keeps_days === null ? '—' : plainNumber(keeps_days, 0)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      )}
    </div>
  );
}
