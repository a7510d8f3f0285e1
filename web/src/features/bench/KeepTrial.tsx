import { useEffect, useRef, useState } from 'react';

import type { DrinkDetail, Ingredient, PourEntry, Spec, Trial } from '../../api/client';
import { sameDrink } from './draftHistory';
import { useKeepTrial } from './useDrink';

interface Props {
  drink: DrinkDetail;
  spec: Spec;
  parent: Trial;
  larder: Ingredient[];
  /** Finishes a save that is under way, so that both don't cross. */
  beforeKeeping: () => Promise<void>;
  /** The draft's revision at that moment. */
  revision: () => number;
  onKept: (trial: Trial, revision: number) => void;
  onClose: () => void;
}

/** Name and reason of a trial. What it was made from is kept as made. */
export function KeepTrial({ drink, spec, parent, larder, beforeKeeping, revision, onKept, onClose }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [name, setName] = useState(() => suggestedName(spec, parent.spec, larder));
  const [reason, setReason] = useState('');
  const keep = useKeepTrial(drink.id);
  useEffect(() => {
    dialog.current?.showModal();
  }, []);

  const submit = async () => {
    await beforeKeeping();
    keep.mutate(
      { name: name.trim(), reason: reason.trim(), parent_trial_id: parent.id, spec, revision: revision() },
      {
        onSuccess: (kept) => {
          const trial = kept.trials.at(-1);
          if (trial) onKept(trial, kept.draft?.revision ?? 0);
        },
      },
    );
  };

  return (
    <dialog ref={dialog} className="modal" aria-labelledby="keep-heading" onClose={onClose}>
      <form
        className="modal-box flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void submit();
        }}
      >
        <h2 id="keep-heading" className="font-display text-2xl font-semibold">
          Keep as trial {drink.trials.length + 1}
        </h2>
        {sameDrink(spec, parent.spec) && (
          <p>Nothing differs from trial {parent.number} yet. It can be kept all the same.</p>
        )}
        <label className="flex flex-col gap-1 text-lg">
          Name
          <input
            autoFocus
            required
            className="input input-lg w-full"
            maxLength={200}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-1 text-lg">
          Why it was changed
          <textarea
            className="textarea w-full text-lg"
            rows={3}
            maxLength={2000}
            value={reason}
            placeholder="Too sharp by the last sip; the bottle ran out; a guest without sugar"
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        {keep.error && (
          <p role="alert" className="text-error">
            {keep.error.message}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-lg" onClick={onClose}>
            Go back
          </button>
          <button type="submit" className="btn btn-primary btn-lg" disabled={!name.trim() || keep.isPending}>
            Keep it
          </button>
        </div>
      </form>
    </dialog>
  );
}

/** What the change is called when nobody names it: the swap, or the pour that moved. */
function suggestedName(spec: Spec, parent: Spec, larder: Ingredient[]): string {
  const nameOf = ({ ingredient }: PourEntry) =>
    typeof ingredient === 'string'
      ? (larder.find(({ slug }) => slug === ingredient)?.name ?? ingredient)
      : ingredient.name;
  const pairs = spec.pours.map((pour, index) => ({ pour, before: parent.pours[index] }));
  const swapped = pairs.find(({ pour, before }) => before && nameOf(before) !== nameOf(pour));
  if (swapped?.before) return `${nameOf(swapped.pour)} for ${nameOf(swapped.before).toLowerCase()}`;
  const moved = pairs.find(
    ({ pour, before }) => before && (before.amount !== pour.amount || before.unit !== pour.unit),
  );
  if (!moved?.before) return 'As it stands';
  const { pour, before } = moved;
  if (pour.unit !== before.unit) return `Another measure of ${nameOf(pour).toLowerCase()}`;
  return `${Number(pour.amount) > Number(before.amount) ? 'More' : 'Less'} ${nameOf(pour).toLowerCase()}`;
}
