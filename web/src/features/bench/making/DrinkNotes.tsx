import { useState } from 'react';

import { api, type DrinkDetail } from '../../../api/client';
import { useTellDrink } from '../../../api/queries/drinks';
import { Refused } from '../../../ui/Refused';

/** What is to be remembered of the drink, above all what a pasted recipe told besides; kept when the field is left. */
export function DrinkNotes({ drink }: { drink: DrinkDetail }) {
  const [notes, setNotes] = useState(drink.notes);
  const write = api.useMutation('put', '/api/drinks/{drink_id}/notes', { onSuccess: useTellDrink() });
  const keep = () => {
    if (notes.trim() === drink.notes) return;
    write.mutate({ params: { path: { drink_id: drink.id } }, body: { notes } });
  };
  return (
    <section>
      <h3 className="font-semibold">
        <label htmlFor="drink-notes">To remember</label>
      </h3>
      <textarea
        id="drink-notes"
        className="textarea w-full text-base leading-snug"
        rows={Math.min(8, Math.max(2, notes.split('\n').length))}
        maxLength={10_000}
        placeholder="Where it came from, what its recipe told besides"
        value={notes}
        onChange={(event) => setNotes(event.target.value)}
        onBlur={keep}
      />
      <Refused fault={write.error} className="text-error" />
    </section>
  );
}
