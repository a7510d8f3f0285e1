import type { ReactNode } from 'react';

import { client, unwrap, type Fault } from '../../../api/client';
import { useSaveStanding, type Autosave } from './autosave';

interface Props {
  drinkId: number;
  autosave: Autosave;
  /** Why the forecast was refused, if it was. */
  refusal: Fault | null;
}

/** Told across the page when a draft could not be saved, or when the drink can't be foreseen. */
export function SaveNotice({ drinkId, autosave, refusal }: Props) {
  const { state, failure } = useSaveStanding(autosave);
  if (state === 'conflict') {
    const keepMine = async () => {
      const theirs = unwrap(await client.GET('/api/drinks/{drink_id}', { params: { path: { drink_id: drinkId } } }));
      autosave.takeOver(theirs.draft?.revision ?? 0);
    };
    return (
      <Notice text="This drink was changed in another window since it was opened here. Nothing is lost yet: choose which to go on with.">
        <button type="button" className="btn btn-primary" onClick={() => void keepMine()}>
          Keep what is here
        </button>
        <button type="button" className="btn" onClick={() => globalThis.location.reload()}>
          Take the other
        </button>
      </Notice>
    );
  }
  if (state === 'failed') {
    return (
      <Notice text={`The draft is not saved: ${failure}. It stays here and is saved with your next change.`}>
        <button type="button" className="btn btn-primary" onClick={() => void autosave.flush()}>
          Try again
        </button>
      </Notice>
    );
  }
  return refusal ? <Notice text={`${refusal.detail}. The figures are those from before.`} /> : null;
}

function Notice({ text, children }: { text: string; children?: ReactNode }) {
  return (
    <div role="alert" className="panel flex flex-wrap items-center gap-3 border-warning px-4 py-2 text-lg">
      <span className="grow">{text}</span>
      {children}
    </div>
  );
}
