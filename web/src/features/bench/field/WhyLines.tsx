import type { Figure, Why } from '@/api';
import { plainNumber } from '@/lib';
import { DECIMALS, FILLS } from './axisStyle';

interface PourLineProps {
  pour: Why;
  whole: number;
  figure: Figure;
}

/** What one pour gives, as a bar; opened, from which value and source. */
export function PourLine({ pour, whole, figure }: PourLineProps) {
  const share = whole > 0 ? pour.value / whole : 0;
  return (
    <li>
      <details className="group rounded-xl border border-base-300 px-3 py-2 open:bg-base-200">
        <summary className="flex min-h-8 cursor-pointer list-none items-center gap-3 text-lg">
          <span className="grow">
            {pour.name} <span className="text-base text-quiet">{pour.equation}</span>
          </span>
          <span className="h-2.5 w-28 overflow-hidden rounded-full bg-base-300" aria-hidden>
            <span className={`block h-full ${FILLS[figure]}`} style={{ width: `${100 * share}%` }} />
          </span>
          <span className="w-16 text-right font-figure font-semibold">{pour.value.toFixed(DECIMALS[figure])}</span>
        </summary>
        <ul className="mt-1 flex flex-col gap-2 border-t border-base-300 pt-2">
          {pour.parts.map((leaf) => (
            <li key={leaf.name}>
              <p>
                <span className="font-semibold">{leaf.name}</span> {leaf.equation} ={' '}
                <span className="font-figure">{plainNumber(leaf.value, 3)}</span>
                {leaf.relative_sd ? `, ±${plainNumber(100 * leaf.relative_sd, 1)}%` : ''}
              </p>
              <p className="text-quiet">
                {leaf.source}
                {leaf.reasoning && `: ${leaf.reasoning}`}
              </p>
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}

/** What the equation takes besides: the volume, and in it the water from the ice with its school. */
export function Used({ used }: { used: Why }) {
  return (
    <details className="mt-1 rounded-xl border border-base-300 px-3 py-2 open:bg-base-200">
      <summary className="min-h-8 cursor-pointer list-none text-lg">
        in {plainNumber(used.value, 1)} {used.unit} <span className="text-base text-quiet">{used.equation}</span>
      </summary>
      <ul className="mt-1 flex flex-col gap-1 border-t border-base-300 pt-2">
        {used.parts.map((part, index) => (
          <li key={index}>
            <span className="font-semibold">{part.name}</span> {plainNumber(part.value, 1)} {part.unit}{' '}
            <span className="text-quiet">
              {part.equation}
              {part.source && `. ${part.source}`}
              {part.relative_sd ? `, ±${plainNumber(100 * part.relative_sd, 0)}%` : ''}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
