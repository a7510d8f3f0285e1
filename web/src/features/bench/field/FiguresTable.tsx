import type { Comparison } from '@/api';
import { levelText } from '@/lib';

/** The same figures for who can't see the field. */
export function FiguresTable({ comparison }: { comparison: Comparison }) {
  const rows: [string, Comparison['parent']][] = [
    ['Now', comparison.present],
    ['Before', comparison.parent],
  ];
  return (
    <div className="sr-only">
      <table>
        <caption>The drink as served</caption>
        <thead>
          <tr>
            <th scope="col">Drink</th>
            <th scope="col">Sugar, g/100 ml</th>
            <th scope="col">Acid, g/100 ml</th>
            <th scope="col">Strength, % ABV</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, { served, interval80 }]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {(['sugar', 'acid', 'abv'] as const).map((axis) => (
                <td key={axis}>
                  {levelText(served[axis], axis)}, range{' '}
                  {interval80[axis].map((value) => levelText(value, axis)).join(' and ')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
