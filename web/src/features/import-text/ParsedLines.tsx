import { useQuery } from '@tanstack/react-query';

import { type FixedSpec, type Ingredient, type ReadLine, type ReadRecipe, rulesQuery } from '@/api';
import { useSettings } from '@/hooks';
import { garnishWords, methodWords, namesIn, pourWords, SERVED } from '@/spec';
import { UncertainLine } from './UncertainLine';

interface Props {
  read: ReadRecipe;
  larder: Ingredient[];
  onMend: (line: string, change: Partial<FixedSpec>) => void;
}

const TAKEN: Record<string, string> = {
  name: 'name',
  heading: 'a heading',
  made: 'method',
  glass: 'glass',
  ice: 'ice',
  garnish: 'garnish',
  edge: 'rim',
};

/** What each line was taken for: pours first, then the making, then what could not be placed. */
export function ParsedLines({ read, larder, onMend }: Props) {
  const { shown } = useSettings();
  const { data: rules } = useQuery(rulesQuery());
  const nameOf = namesIn(larder);
  const { spec, lines, notes } = read;
  const placed = lines.filter(
    ({ taken, sure }) => taken === 'pour' || taken === 'asked' || taken === 'edge' || (taken === 'note' && !sure),
  );
  const others = lines.filter(({ taken }) => taken in TAKEN && taken !== 'edge');
  const garnish = spec.serve.garnish.map(garnishWords).join(', ');
  const words = (line: ReadLine) => {
    const pour = line.pour === null ? undefined : spec.pours[line.pour];
    return pour && pourWords(pour, shown, spec.ounce_ml, nameOf);
  };
  return (
    <div className="panel flex flex-col gap-3 p-4">
      <ul aria-label="Ingredients" className="flex flex-col gap-1">
        {placed.map((line, at) =>
          line.sure ? (
            <CertainLine key={`${at} ${line.text}`} line={line} words={words(line)} />
          ) : (
            <UncertainLine
              key={`${at} ${line.text}`}
              line={line}
              words={words(line)}
              isUnknown={line.pour !== null && read.unknown.includes(line.pour)}
              kind={kindOf(spec.pours[line.pour ?? -1])}
              larder={larder}
              onMend={(change) => onMend(line.text, change)}
            />
          ),
        )}
      </ul>
      <dl className="grid gap-x-4 gap-y-1 text-lg sm:grid-cols-[auto_minmax(0,1fr)]">
        <dt className="text-quiet">Method</dt>
        <dd>{methodWords(spec.method, rules?.reference_seconds)}</dd>
        <dt className="text-quiet">Glass</dt>
        <dd>
          {SERVED[spec.serve.ice]}
          {spec.serve.glass
            ? `, in ${/^[aeiou]/.test(spec.serve.glass) ? 'an' : 'a'} ${spec.serve.glass}`
            : ', no glass given'}
        </dd>
        {garnish && (
          <>
            <dt className="text-quiet">Garnish</dt>
            <dd>{garnish}</dd>
          </>
        )}
      </dl>
      {others.length > 0 && (
        <details>
          <summary className="min-h-9 cursor-pointer text-base text-quiet">
            From the {others.length === 1 ? 'line' : `${others.length} lines`} of the recipe
          </summary>
          <ul className="text-base">
            {others.map((line, at) => (
              <li key={`${at} ${line.text}`} className="wrap-anywhere">
                {line.text} <span className="text-quiet">· {TAKEN[line.taken]}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      {notes.length > 0 && (
        <section aria-label="Notes">
          <h2 className="text-base font-semibold">Notes</h2>
          <ul className="text-base">
            {notes.map((note, at) => (
              <li key={`${at} ${note}`} className="wrap-anywhere">
                {note}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function kindOf(pour: ReadRecipe['spec']['pours'][number] | undefined) {
  return pour && typeof pour.ingredient !== 'string' ? pour.ingredient.kind : undefined;
}

function CertainLine({ line, words }: { line: ReadLine; words: string | undefined }) {
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 px-2 py-1">
      <span className="text-xl font-semibold">{words ?? line.text}</span>
      <span className="text-base wrap-anywhere text-quiet">{line.text}</span>
    </li>
  );
}
