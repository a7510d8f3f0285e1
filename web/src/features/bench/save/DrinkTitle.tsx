import { Pencil } from 'lucide-react';
import { useState } from 'react';

import { type DrinkDetail, type Trial, useIsUnreachable, useRenameDrink } from '@/api';
import { useSaveState, type Autosave, type SaveState } from '@/features/draft';

interface Props {
  drink: DrinkDetail;
  /** The trial it is held against. */
  parent: Trial;
  onHoldAgainst: (trial: Trial) => void;
  autosave: Autosave;
}

const SAVE_STATE_WORDS: Record<SaveState, string> = {
  saved: 'draft saved',
  saving: 'saving…',
  conflict: 'not saved: changed elsewhere',
  failed: 'not saved, retrying',
  looking: 'view only: not saved',
};

/** The drink's name, what it is held against, and that nothing is lost. */
export function DrinkTitle({ drink, parent, onHoldAgainst, autosave }: Props) {
  const { state } = useSaveState(autosave);
  const gone = useIsUnreachable();
  const [renaming, setRenaming] = useState(false);
  return (
    <div className="flex min-w-0 flex-col">
      {renaming ? (
        <NameField drink={drink} onDone={() => setRenaming(false)} />
      ) : (
        <h1 className="flex items-center gap-2 truncate font-display text-2xl leading-tight font-semibold max-[500px]:whitespace-normal">
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
        <label htmlFor="parent">compared with</label>
        <select
          id="parent"
          className="field-sizing-content max-w-64 cursor-pointer truncate rounded bg-transparent font-semibold text-base-content"
          value={parent.id}
          title="The trial that every figure is compared with"
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
        <span role="status">{gone && state === 'saving' ? SAVE_STATE_WORDS.failed : SAVE_STATE_WORDS[state]}</span>
      </p>
    </div>
  );
}

function NameField({ drink, onDone }: { drink: DrinkDetail; onDone: () => void }) {
  const [name, setName] = useState(drink.name);
  const rename = useRenameDrink();
  const finish = () => {
    const wanted = name.trim();
    if (!wanted || wanted === drink.name) onDone();
    else {
      const params = { path: { drink_id: drink.id } };
      rename.mutate({ params, body: { name: wanted } }, { onSuccess: onDone });
    }
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
