import { useEffect, useState } from 'react';

import { withPour } from '@/spec';
import { useLatest } from '@/hooks';
import { pourChange, useBenchActions } from '../benchActions';
import type { Draft } from '@/features/draft';
import { Button, Notice } from '@/ui';
import { forgetUnsaved, type TypedInput } from '@/features/draft';
import type { Leftover } from '@/features/draft';

interface Props {
  leftover: Leftover;
  onLay: (draft: Draft) => void;
}

const TIME = new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' });

/** Tells of work that wasn't saved when a window was left: it is back, or can be laid on the bench. */
export function LeftoverNotice({ leftover, onLay }: Props) {
  const { recovered, isBack } = leftover;
  const [open, setOpen] = useState(true);
  const [isLaid, setLaid] = useState(isBack);
  const hand = useBenchActions();
  useReadAgain(recovered.typed, isLaid);
  if (!open) return null;
  const close = () => setOpen(false);
  if (isBack) {
    return (
      <Notice text="Restored what wasn’t saved when you left this page.">
        <Button
          onClick={() => {
            hand?.undo();
            close();
          }}
        >
          Discard it
        </Button>
        <Button look="primary" onClick={close}>
          Keep it
        </Button>
      </Notice>
    );
  }
  const forget = () => {
    forgetUnsaved(recovered);
    close();
  };
  const lay = () => {
    onLay(recovered.draft);
    setLaid(true);
    forget();
  };
  return (
    <Notice
      text={`Unsaved work from ${TIME.format(recovered.at)} was found. The drink was changed elsewhere since then.`}
    >
      <Button look="primary" onClick={lay}>
        Open it on the bench
      </Button>
      <Button onClick={forget}>Discard it</Button>
    </Notice>
  );
}

/** An amount that was typed and never read is read once the draft lies on the bench that it was typed for. */
function useReadAgain(typed: TypedInput | null, isLaid: boolean) {
  const hand = useLatest(useBenchActions());
  useEffect(() => {
    if (!typed || !isLaid) return;
    const read = async () => {
      const amount = await hand.current?.read(typed);
      if (!amount || amount.amount === null || amount.asks !== '') return;
      hand.current?.change((spec) => withPour(spec, typed.pour, pourChange(amount)), `typed ${typed.pour}`);
    };
    // What can't be read is nothing to bring back.
    read()
      .catch(() => undefined)
      .finally(() => hand.current?.typing(null));
  }, [typed, isLaid, hand]);
}
