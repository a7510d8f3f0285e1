import { Pencil } from 'lucide-react';
import { useState } from 'react';

import type { DrinkDetail, Trial } from '../../api/client';
import type { SaveState } from './useAutosave';
import { useRename } from './useDrink';

interface Props {
  drink: DrinkDetail;
  /** The trial it is held against. */
  parent: Trial;
  onHoldAgainst: (trial: Trial) => void;
  saveState: SaveState;
}

const SAID: Record<SaveState, string> = {
  saved: 'draft saved',
  saving: 'saving…',
  conflict: 'not saved: changed elsewhere',
  failed: 'not saved yet',
};

/** The drink's name, what it is held against, and that nothing is lost. */
export function DrinkTitle({ drink, parent, onHoldAgainst, saveState }: Props) {
  const [renaming, setRenaming] = useState(false);
  return (
    <div className="flex min-w-0 flex-col">
      {renaming ? (
        <NameField drink={drink} onDone={() => setRenaming(false)} />
      ) : (
        <h1 className="flex items-center gap-2 truncate font-display text-2xl leading-tight font-semibold">
          {drink.name}
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label="Rename the drink"
            onClick={() => setRenaming(true)}
          >
            <Pencil size={16} />
          </button>
        </h1>
      )}
      <p className="flex flex-wrap items-center gap-x-1 text-base text-quiet">
        <label htmlFor="parent">a riff on</label>
        <select
          id="parent"
          className="field-sizing-content max-w-64 cursor-pointer truncate rounded bg-transparent font-semibold text-base-content"
          value={parent.id}
          onChange={(event) => {
            const chosen = drink.trials.find(({ id }) => id === Number(event.target.value));
            if (chosen) onHoldAgainst(chosen);
          }}
        >
          {drink.trials.map((trial) => (
            <option key={trial.id} value={trial.id}>
              trial {trial.number}, {trial.name}
            </option>
          ))}
        </select>
        <span role="status">· {SAID[saveState]}</span>
      </p>
    </div>
  );
}

function NameField({ drink, onDone }: { drink: DrinkDetail; onDone: () => void }) {
  const [name, setName] = useState(drink.name);
  const rename = useRename(drink.id);
  const finish = () => {
    const wanted = name.trim();
    if (!wanted || wanted === drink.name) onDone();
    else rename.mutate(wanted, { onSuccess: onDone });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        finish();
      }}
    >
      <input
        autoFocus
        aria-label="Name of the drink"
        className="input input-sm w-72 font-display text-xl"
        value={name}
        maxLength={200}
        onChange={(event) => setName(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={finish}
        onKeyDown={(event) => event.key === 'Escape' && onDone()}
      />
    </form>
  );
}
