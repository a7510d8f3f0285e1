import { useState } from 'react';

import { client, ProblemError, unwrap } from '@/api/client';
import type { Fault } from '@/api/types';
import { useIsUnreachable } from '@/api/connectivity';
import { asSentence } from '@/lib/format';
import { useSaveState, type Autosave } from '@/features/draft';
import { Notice } from '@/ui/Notice';

interface Props {
  drinkId: number;
  autosave: Autosave;
  /** Why the forecast was refused, if it was. */
  refusal: Fault | null;
  /** Whether the figures in sight are those of an earlier drink. */
  isBehind: boolean;
}

/** A line across the page when a draft isn't saved, or when the drink has no forecast. */
export function SaveNotice({ drinkId, autosave, refusal, isBehind }: Props) {
  const { state, failure } = useSaveState(autosave);
  const gone = useIsUnreachable();
  if (state === 'conflict') return <ChangedElsewhere drinkId={drinkId} autosave={autosave} />;
  if (state === 'looking') {
    return <Notice text="View only: changes on this device aren’t saved." />;
  }
  if (state === 'failed') {
    return (
      <Notice text={`Not saved yet: ${asSentence(failure)} Your draft is safe in this browser, and saving is retried.`}>
        <button type="button" className="btn btn-primary" onClick={() => void autosave.flush()}>
          Retry now
        </button>
      </Notice>
    );
  }
  if (gone) {
    const text = 'No answer from the server. The figures are the last ones. Your changes are safe here.';
    return isBehind ? <Notice quiet text={text} /> : null;
  }
  return refusal ? <Notice text={`${asSentence(refusal.detail)} The figures are the last valid ones.`} /> : null;
}

/** Another window saved in between: which of the two goes on. */
function ChangedElsewhere({ drinkId, autosave }: { drinkId: number; autosave: Autosave }) {
  const [trouble, setTrouble] = useState('');
  const keepMine = async () => {
    try {
      const theirs = unwrap(await client.GET('/api/drinks/{drink_id}', { params: { path: { drink_id: drinkId } } }));
      await autosave.takeOver(theirs.draft?.revision ?? 0);
    } catch (fault) {
      setTrouble(fault instanceof ProblemError ? asSentence(fault.detail) : '');
    }
  };
  const takeTheirs = () => {
    autosave.letGo();
    globalThis.location.reload();
  };
  return (
    <Notice
      text={
        trouble
          ? `${trouble} Your draft is safe in this browser. Choose again when the server answers.`
          : 'This drink was changed in another window. Nothing is lost: choose the version to go on with.'
      }
    >
      <button type="button" className="btn btn-primary" onClick={() => void keepMine()}>
        Keep this version
      </button>
      <button type="button" className="btn" onClick={takeTheirs}>
        Use the other version
      </button>
    </Notice>
  );
}
