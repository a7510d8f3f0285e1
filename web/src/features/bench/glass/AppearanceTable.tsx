import type { Appearance } from '@/api';
import { useWithVolumes } from '@/hooks';

/** The same for who can't see the drawing. */
export function AppearanceTable({ appearance, glass, ice }: { appearance: Appearance; glass: string; ice: string }) {
  const inUnit = useWithVolumes();
  const rows: [string, number][] = [
    ...appearance.liquid.map(({ name, volume_ml }): [string, number] => [name, volume_ml]),
    ...(appearance.foam ? [['foam', appearance.foam.volume_ml] as [string, number]] : []),
  ];
  return (
    <div className="sr-only">
      <table>
        <caption>
          In the {glass}, {ice}: {inUnit(appearance.words)}; wash line {inUnit(`${appearance.line_ml.toFixed(0)} ml`)}
        </caption>
        <tbody>
          {rows.map(([name, ml]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{inUnit(`${ml.toFixed(0)} ml`)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
