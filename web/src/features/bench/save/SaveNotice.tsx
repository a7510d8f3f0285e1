import { useState } from 'react';

import { type Fault, fetchDrink, ProblemError, useIsUnreachable } from '@/api';
import { asSentence } from '@/lib';
import { useSaveState, type Autosave } from '@/features/draft';
import { Button, Notice } from '@/ui';

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
        <Button look="primary" onClick={() => void autosave.flush()}>
          Retry now
        </Button>
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
      const theirs = await fetchDrink(drinkId);
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
      <Button look="primary" onClick={() => void keepMine()}>
        Keep this version
      </Button>
      <Button onClick={takeTheirs}>Use the other version</Button>
    </Notice>
  );
}
