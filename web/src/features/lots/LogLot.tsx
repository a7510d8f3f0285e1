import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { larderQuery, useLogLot } from '@/api';
import { Button, Dialog, ErrorMessage, FormField, NumberField, SearchField, TextField } from '@/ui';
import { useLastDefined } from '@/hooks';
import { useIngredientSearch } from '@/features/ingredient-search';

interface Props {
  /** Of what, where that is known already. */
  slug?: string;
  onClose: () => void;
}

const OFTEN = ['lime-juice', 'lemon-juice', 'orange-juice', 'grapefruit-juice'];
const PRESSED = new Set(OFTEN);

/** Notes a lot: of what, a name where it needs one, how much, and of how many fruits. */
export function LogLot({ slug: known = '', onClose }: Props) {
  const navigate = useNavigate();
  const larder = useQuery(larderQuery()).data ?? [];
  const [slug, setSlug] = useState(known);
  const [name, setName] = useState('');
  const [ml, setMl] = useState<number | null>(null);
  const [pieces, setPieces] = useState<number | null>(null);
  const add = useLogLot();
  const of = larder.find((ingredient) => ingredient.slug === slug);
  return (
    <Dialog
      heading={of ? `Log ${of.name.toLowerCase()}` : 'What did you juice or open?'}
      closeWords="Cancel"
      onClose={onClose}
      onSubmit={() =>
        of &&
        add.mutate(
          { body: { ingredient: slug, name: name.trim(), made_at: '', readings: [], volume_ml: ml, pieces } },
          { onSuccess: ({ id }) => void navigate(`/ingredients/open/${id}`) },
        )
      }
      actions={
        <Button type="submit" look="accent" large disabled={!of || add.isPending}>
          Save
        </Button>
      }
    >
      {of ? (
        <div className="grid gap-3 text-lg sm:grid-cols-2">
          <TextField
            className="sm:col-span-2"
            label="Name"
            hint="date and time if empty"
            value={name}
            onWrite={setName}
            autoFocus
          />
          {PRESSED.has(slug) && (
            <FormField label="Number of fruits">
              <NumberField
                value={pieces}
                least={1}
                most={5000}
                onFigure={(told) => setPieces(told && Math.round(told))}
              />
            </FormField>
          )}
          <FormField label="Amount, ml">
            <NumberField value={ml} least={1} most={1000000} unit="ml" onFigure={setMl} />
          </FormField>
          <p className="text-base text-quiet sm:col-span-2">
            Fruits and millilitres together show how much juice each fruit gives. You can add readings next.
          </p>
          <ErrorMessage fault={add.error} className="text-error sm:col-span-2" />
        </div>
      ) : (
        <ChooseIngredient often={OFTEN} onChoose={setSlug} />
      )}
    </Dialog>
  );
}

interface ChooseProps {
  /** What is chosen most, a press away. */
  often: string[];
  onChoose: (slug: string) => void;
}

/** One ingredient of the larder, by any word for it. */
function ChooseIngredient({ often, onChoose }: ChooseProps) {
  const larder = useQuery(larderQuery()).data ?? [];
  const [words, setWords] = useState('');
  const sought = useLastDefined(useIngredientSearch(words) ?? undefined);
  const place = (slug: string) => sought?.of.get(slug)?.place ?? 0;
  const offered = words.trim()
    ? larder.filter(({ slug }) => sought?.of.has(slug)).sort((a, b) => place(a.slug) - place(b.slug))
    : larder.filter(({ slug }) => often.includes(slug));
  return (
    <>
      <SearchField
        className="input-lg w-full"
        label="Search ingredients"
        placeholder="Name, kind or aroma"
        value={words}
        onWords={setWords}
      />
      <ul className="flex flex-col gap-1">
        {offered.slice(0, 7).map(({ slug, name, kind }) => (
          <li key={slug}>
            <button
              type="button"
              className="btn min-h-12 w-full justify-between text-lg font-normal"
              onClick={() => onChoose(slug)}
            >
              {name} <span className="text-base text-quiet">{kind}</span>
            </button>
          </li>
        ))}
      </ul>
      {words.trim() && sought?.isSettled && offered.length === 0 && (
        <p className="text-lg">No ingredient matches. Add it under Stock from its label, or under Prep.</p>
      )}
    </>
  );
}
