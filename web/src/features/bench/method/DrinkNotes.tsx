import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { type DrinkDetail, drinkQuery, useSaveDrinkNotes } from '@/api';
import { WriteConflict } from '@/ui';

/** What is to be remembered of the drink, above all what a pasted recipe told besides; kept when the field is left. */
export function DrinkNotes({ drink }: { drink: DrinkDetail }) {
  const cache = useQueryClient();
  const [notes, setNotes] = useState(drink.notes);
  // What stood there when they were read: another window may write meanwhile.
  const [read, setRead] = useState(drink.notes);
  const write = useSaveDrinkNotes();
  const params = { path: { drink_id: drink.id } };
  const save = (was?: string) =>
    write.mutate(
      { params, body: { notes, ...(was !== undefined && { was }) } },
      { onSuccess: (drink) => setRead(drink.notes) },
    );
  const keep = () => {
    if (notes.trim() !== read) save(read);
  };
  const takeTheirs = async () => {
    write.reset();
    const theirs = await cache.query({ ...drinkQuery(drink.id), staleTime: 0 });
    setNotes(theirs.notes);
    setRead(theirs.notes);
  };
  return (
    <section>
      <h3 className="font-semibold">
        <label htmlFor="drink-notes">Notes</label>
      </h3>
      <textarea
        id="drink-notes"
        className="textarea w-full text-base leading-snug"
        rows={Math.min(8, Math.max(2, notes.split('\n').length))}
        maxLength={10_000}
        placeholder="Origin, or anything else worth keeping"
        value={notes}
        onChange={(event) => setNotes(event.target.value)}
        onBlur={keep}
      />
      <WriteConflict
        fault={write.error}
        onTheirs={() => void takeTheirs()}
        onMine={() => save()}
        className="text-base"
      />
    </section>
  );
}
