import type { Appearance } from '../../../api/client';

/** The same for who can't see the drawing. */
export function AppearanceTable({ appearance, glass, ice }: { appearance: Appearance; glass: string; ice: string }) {
  const rows: [string, number][] = [
    ...appearance.liquid.map(({ name, volume_ml }): [string, number] => [name, volume_ml]),
    ...(appearance.foam ? [['foam', appearance.foam.volume_ml] as [string, number]] : []),
  ];
  return (
    <div className="sr-only">
      <table>
        <caption>
          In the {glass}, {ice}: {appearance.words}; wash line {appearance.line_ml.toFixed(0)} ml
        </caption>
        <tbody>
          {rows.map(([name, ml]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{ml.toFixed(0)} ml</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
