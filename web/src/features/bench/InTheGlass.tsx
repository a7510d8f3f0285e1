import { OctagonAlert, TriangleAlert } from 'lucide-react';
import { memo } from 'react';

import type { Comparison, Finding, Spec } from '../../api/client';
import { plain, volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';

interface Props {
  serve: Spec['serve'];
  family: string;
  ounceMl: number;
  comparison: Comparison | undefined;
}

const ICE: Record<Spec['serve']['ice'], string> = {
  none: '',
  cubes: ' on cubes',
  large: ' on a large cube',
  crushed: ' on crushed ice',
};

/** What the guest gets: volume, alcohol, and what to watch. */
export const InTheGlass = memo(function InTheGlass({ serve, family, ounceMl, comparison }: Props) {
  const { shown } = useSettings();
  if (!comparison) return <section className="panel p-4" aria-busy="true" />;
  const { served, place, findings } = comparison.present;
  const figures = [
    { value: volume(served.volume_ml, shown, ounceMl), words: 'as served' },
    { value: served.standard_drinks.us.toFixed(1), words: 'US standard drinks' },
    {
      value: served.sugar_acid_ratio == null ? '—' : `${plain(served.sugar_acid_ratio, 1)} : 1`,
      words: 'sugar to acid',
    },
    { value: `${served.energy_kcal.toFixed(0)} kcal`, words: 'energy' },
  ];
  return (
    <section className="panel min-h-0 shrink-0 overflow-y-auto p-4 xl:max-h-[60%]" aria-label="In the glass">
      <h2 className="font-display text-lg font-semibold">
        {serve.glass ? `In the ${serve.glass}` : 'In the glass'}
        <span className="font-sans text-base font-normal text-quiet">{ICE[serve.ice] || (serve.glass && ', up')}</span>
      </h2>
      <dl className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4 xl:grid-cols-2">
        {figures.map(({ value, words }) => (
          <div key={words} className="flex flex-col-reverse justify-end">
            <dt className="text-sm leading-tight text-quiet">{words}</dt>
            <dd className="font-figure text-xl font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {place && (
        <p className="mt-3 text-base">
          {place.words === 'outside'
            ? 'Outside the home'
            : place.words === 'at home'
              ? 'At home'
              : 'At the edge of the home'}{' '}
          of the {family}.
        </p>
      )}
      {findings.length > 0 && (
        <ul className="mt-2 flex flex-col gap-2">
          {findings.map((finding) => (
            <FindingLine key={`${finding.code} ${finding.message}`} finding={finding} />
          ))}
        </ul>
      )}
    </section>
  );
});

function FindingLine({ finding }: { finding: Finding }) {
  const { severity, message } = finding;
  if (severity === 'info')
    return <li className="border-l-2 border-base-300 pl-2 text-sm leading-snug text-quiet">{message}</li>;
  const colour = severity === 'error' ? 'border-error text-error' : 'border-warning text-warning';
  const Icon = severity === 'error' ? OctagonAlert : TriangleAlert;
  return (
    <li className={`flex gap-2 rounded-xl border p-2 text-base leading-snug font-semibold ${colour}`}>
      <Icon size={20} aria-label={severity} className="mt-0.5 shrink-0" /> {message}
    </li>
  );
}
