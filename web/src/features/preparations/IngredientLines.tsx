import { useQuery, useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';

import { kitchenIngredientsQuery, type Preparation, type PreparationLine, useScalePreparation } from '@/api';
import { capital, plainNumber } from '@/lib';
import { Button, ErrorMessage, IconButton, NumberField, Select } from '@/ui';

interface Props {
  preparation: Preparation;
  onChange: (part: Partial<Preparation>) => void;
}

type Unit = PreparationLine['unit'];

const UNITS: [Unit, string][] = [
  ['g', 'g'],
  ['kg', 'kg'],
  ['ml', 'ml'],
  ['l', 'l'],
  ['cup', 'cups'],
  ['oz', 'oz'],
  ['tbsp', 'tbsp'],
  ['tsp', 'tsp'],
  ['piece', 'pieces'],
];

/** What goes in, a line each; another is found by any word for it. */
export function IngredientLines({ preparation, onChange }: Props) {
  const { lines } = preparation;
  const put = (index: number, part: Partial<PreparationLine>) =>
    onChange({ lines: lines.map((line, at) => (at === index ? { ...line, ...part } : line)) });
  return (
    <>
      <ul aria-label="Ingredients" className="flex flex-col gap-2">
        {lines.map((line, index) => {
          const name = nameOf(line);
          return (
            <li key={`${index} ${name}`} className="flex flex-wrap items-center gap-2">
              <span className="min-w-0 grow basis-full text-lg sm:basis-32 font-semibold wrap-anywhere">{name}</span>
              <NumberField
                aria-label={`Amount of ${name}`}
                className="input input-lg w-24 font-figure"
                value={Number(line.amount)}
                most={100000}
                onFigure={(amount) => amount !== null && put(index, { amount })}
              />
              <Select
                label={`Unit of ${name}`}
                className="select-lg w-24"
                value={line.unit}
                options={UNITS}
                onPick={(unit) => put(index, { unit })}
              />
              <IconButton
                icon={X}
                label={`Remove ${name}`}
                onClick={() => onChange({ lines: lines.filter((_, at) => at !== index) })}
              />
            </li>
          );
        })}
      </ul>
      <AddLine unit={lines.at(-1)?.unit ?? 'g'} onAdd={(line) => onChange({ lines: [...lines, line] })} />
      {lines.length > 0 && <ScaleTo preparation={preparation} onChange={onChange} />}
    </>
  );
}

export function nameOf(line: PreparationLine): string {
  return typeof line.what === 'string' ? capital(line.what.replaceAll('-', ' ')) : line.what.name;
}

/** Another line: what it is by any word, as measured as the last one. Enter takes what the words mean, never what was found before them. */
function AddLine({ unit, onAdd }: { unit: Unit; onAdd: (line: PreparationLine) => void }) {
  const [words, setWords] = useState('');
  const [unknown, setUnknown] = useState('');
  const queryClient = useQueryClient();
  const query = useQuery(kitchenIngredientsQuery(words.trim()));
  const offered = words.trim() && !query.isPlaceholderData ? (query.data ?? []).slice(0, 5) : [];
  const add = (what: string) => {
    onAdd({ what, amount: unit === 'g' ? 100 : 1, unit, g_per_cup: null });
    setWords('');
    setUnknown('');
  };
  const addMeant = async () => {
    const q = words.trim();
    const [meant] = await queryClient.query({ ...kitchenIngredientsQuery(q), staleTime: 'static' });
    if (meant?.sure) add(meant.what);
    else
      setUnknown(
        meant
          ? `“${q}” can mean several things. Choose below.`
          : `No ingredient matches “${q}”. Try another word, or add it under Ingredients from its label.`,
      );
  };
  return (
    <div className="flex flex-col gap-1">
      <input
        className="input input-lg w-full"
        aria-label="Add ingredient"
        placeholder="raspberries, sugar, honey, gin, citric acid…"
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setUnknown('');
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !words.trim()) return;
          event.preventDefault();
          void addMeant();
        }}
      />
      {unknown && (
        <p role="alert" className="text-base text-error">
          {unknown}
        </p>
      )}
      {offered.length > 0 && (
        <ul aria-label="Matches" className="flex flex-wrap gap-1.5">
          {offered.map(({ what, name, note }) => (
            <li key={`${what} ${note}`}>
              <Button className="font-normal" onClick={() => add(what)}>
                {name} <span className="text-quiet">{note}</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The whole for what is on hand of one line. */
function ScaleTo({ preparation, onChange }: Props) {
  const [line, setLine] = useState(0);
  const scale = useScalePreparation();
  const at = Math.min(line, preparation.lines.length - 1);
  const chosen = preparation.lines[at];
  if (!chosen) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 border-t border-base-300 pt-3 text-base">
      Scale to what you have: I have
      <NumberField
        aria-label="Amount you have"
        className="input min-h-11 w-24 font-figure"
        value={null}
        placeholder={plainNumber(Number(chosen.amount))}
        most={100000}
        onFigure={(amount) =>
          amount !== null &&
          scale.mutate(
            { body: { file: preparation, line: at, amount } },
            { onSuccess: ({ lines, steps, final }) => onChange({ lines, steps, final }) },
          )
        }
      />
      {UNITS.find(([unit]) => unit === chosen.unit)?.[1]} of
      <Select
        label="Which ingredient"
        value={at}
        options={preparation.lines.map((item, index) => [index, nameOf(item)])}
        onPick={setLine}
      />
      <ErrorMessage fault={scale.error} className="basis-full text-error" />
    </div>
  );
}
