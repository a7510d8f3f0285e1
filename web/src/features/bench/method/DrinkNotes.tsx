import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api } from '@/api/client';
import type { DrinkDetail } from '@/api/types';
import { drinkQuery, useShowDrink } from '@/api/queries/drinks';
import { WriteConflict } from '@/ui/WriteConflict';

/** What is to be remembered of the drink, above all what a pasted recipe told besides; kept when the field is left. */
export function DrinkNotes({ drink }: { drink: DrinkDetail }) {
  const cache = useQueryClient();
  const [notes, setNotes] = useState(drink.notes);
  // What stood there when they were read: another window may write meanwhile.
  const [read, setRead] = useState(drink.notes);
  const tell = useShowDrink();
  const write = api.useMutation('put', '/api/drinks/{drink_id}/notes', {
    onSuccess: (told) => {
      setRead(told.notes);
      tell(told);
    },
  });
  const params = { path: { drink_id: drink.id } };
  const keep = () => {
    if (notes.trim() !== read) write.mutate({ params, body: { notes, was: read } });
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
        onMine={() => write.mutate({ params, body: { notes } })}
        className="text-base"
      />
    </section>
  );
}
