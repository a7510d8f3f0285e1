import { CircleHelp } from 'lucide-react';
import { useState } from 'react';

import type { FixedSpec, Ingredient, Label, ReadLine } from '@/api';
import { namesIn } from '@/spec';
import { AddBottle } from '@/features/ingredient-search';
import { IngredientChooser } from './IngredientChooser';
import { Button } from '@/ui';

interface Props {
  line: ReadLine;
  /** What it was taken for; undefined where it poured nothing. */
  words: string | undefined;
  /** Nothing in the larder is called so. */
  isUnknown: boolean;
  /** What its words tell of its kind. */
  kind: Label['kind'] | undefined;
  larder: Ingredient[];
  onMend: (change: Partial<FixedSpec>) => void;
}

/** A line of which something was guessed or nobody knows: why, and what it may mean, each a press away. */
export function UncertainLine({ line, words, isUnknown, kind, larder, onMend }: Props) {
  const [adding, setAdding] = useState(false);
  const nameOf = namesIn(larder);
  const needs = isUnknown || line.taken === 'asked';
  return (
    <li
      className={`rounded-xl border-l-4 p-2 pl-3 ${needs ? 'border-error bg-base-200' : 'border-warning bg-base-200'}`}
    >
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="flex items-center gap-2 text-xl font-semibold">
          <CircleHelp
            size={20}
            aria-label={needs ? 'Check this' : 'Doubtful'}
            className={needs ? 'text-error' : 'text-warning'}
          />
          {isUnknown || !words ? line.text : words}
        </span>
        {words && !isUnknown && <span className="text-base wrap-anywhere text-quiet">{line.text}</span>}
      </p>
      <p className="text-base">{line.why}</p>
      <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
        {line.others.map((slug) => (
          <Button
            key={slug}

            className="border-base-300 bg-base-100 font-normal"
            onClick={() => onMend({ slug })}
          >
            {nameOf(slug)}
          </Button>
        ))}
        {line.amounts.map((amount) => (
          <Button
            key={amount}

            className="border-base-300 bg-base-100 font-figure font-normal"
            onClick={() => onMend({ amount })}
          >
            {amount}
          </Button>
        ))}
        <IngredientChooser onChoose={(slug) => onMend({ slug })} />
        {isUnknown && (
          <Button look="primary" onClick={() => setAdding(true)}>
            Add it from its label
          </Button>
        )}
        {!isUnknown && line.taken !== 'note' && (
          <AmountQuestion asked={line.taken === 'asked'} onAmount={(amount) => onMend({ amount })} />
        )}
        <Button look="outline" onClick={() => onMend({ left_out: true })}>
          Leave it out
        </Button>
      </div>
      {adding && (
        <AddBottle
          told={{ name: unknownName(line), ...(kind && kind !== 'other' && { kind }) }}
          onAdded={(_, slug) => {
            onMend({ slug });
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </li>
  );
}

/** The words that named nothing, as the sentence tells them. */
function unknownName({ why, text }: ReadLine): string {
  return /“(.+?)”/.exec(why)?.[1] ?? text;
}

/** An amount for a line that tells none, or another than was taken. */
function AmountQuestion({ asked, onAmount }: { asked: boolean; onAmount: (amount: string) => void }) {
  const [text, setText] = useState('');
  return (
    <form
      className="flex gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) onAmount(text.trim());
      }}
    >
      <input
        aria-label={asked ? 'Amount' : 'Another amount'}
        placeholder={asked ? 'like 22.5 ml' : 'another amount'}
        maxLength={60}
        className="input min-h-11 w-44 text-base"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" className="border-base-300 bg-base-100 font-normal">
        Use it
      </Button>
    </form>
  );
}
