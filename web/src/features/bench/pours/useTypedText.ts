import { useEffect, useRef, useState } from 'react';

import { type Amount, type PourEntry, ProblemError } from '@/api';
import { asSentence, type ShownAmount } from '@/lib';
import { useLatest } from '@/hooks';
import { pourChange, useBenchActions, type BenchActions, type TypedAmount } from '../benchActions';

const PATIENCE_MS = 600;
const BETWEEN_WHAT = 'A range needs both ends, like “15 to 22.5”.';

/** A text that stands in the field, and what it was read as once the answer is there. */
interface Round {
  text: string;
  read: Promise<Amount | string>;
  /** An amount, or why it is none. */
  answer: Amount | string | null;
  isFinished: boolean;
}

/** What stands in the field, why it is no amount, and what has to be asked of it. */
interface Field {
  typed: string | null;
  refusal: string | null;
  question: Amount | null;
}

const NOTHING: Field = { typed: null, refusal: null, question: null };

/** What a text is read as: an amount, or the sentence why it is none. */
async function readingOf(hand: BenchActions, typedAmount: TypedAmount): Promise<Amount | string> {
  try {
    const amount = await hand.read(typedAmount);
    return amount.asks === 'range' ? BETWEEN_WHAT : amount;
  } catch (fault) {
    if (fault instanceof ProblemError) return asSentence(fault.detail);
    throw fault;
  }
}

/**
 * A text in the amount of a pour. It stays a text until it is finished: then it counts if the whole of it reads, and else the drink keeps
 * its amount and the text its sentence. On the way the figures show what a whole reading would make of the drink.
 */
export function useTypedText(pour: number, shown: ShownAmount, onAmount: (change: Partial<PourEntry>) => void) {
  const hand = useBenchActions();
  const [field, show] = useState(NOTHING);
  const round = useRef<Round | null>(null);
  const impatience = useRef(0);

  const settle = () => {
    window.clearTimeout(impatience.current);
    round.current = null;
    show(NOTHING);
    hand?.preview(null);
    hand?.typing(null);
  };
  const take = (change: Partial<PourEntry>) => {
    onAmount(change);
    settle();
  };
  /** The drink keeps its amount, the text its place: nothing of it waits to be saved. */
  const hold = (why: Pick<Field, 'refusal'> | Pick<Field, 'question'>) => {
    show((now) => ({ ...now, ...why }));
    hand?.typing(null);
  };
  /** What an answer comes to: shown on the way, taken or refused at the end. */
  const judge = (now: Round) => {
    const { answer, isFinished } = now;
    if (answer === null || round.current !== now) return;
    if (typeof answer === 'string') {
      hand?.preview(null);
      if (isFinished) hold({ refusal: answer });
      else impatience.current = window.setTimeout(() => hold({ refusal: answer }), PATIENCE_MS);
    } else if (answer.asks === 'which' || answer.asks === 'part') {
      hand?.preview(null);
      hold({ question: answer });
    } else if (isFinished) take(pourChange(answer));
    else hand?.preview({ pour, change: pourChange(answer) });
  };
  const type = (text: string) => {
    window.clearTimeout(impatience.current);
    show({ ...NOTHING, typed: text });
    if (!hand) return;
    const asked = { text, unit: shown.unit, pour };
    hand.typing(asked);
    const now: Round = { text, read: readingOf(hand, asked), answer: null, isFinished: false };
    round.current = now;
    now.read.then(
      (answer) => {
        now.answer = answer;
        judge(now);
      },
      // Where no answer comes the text stays in the browser; the bench says that the server can't be reached.
      () => undefined,
    );
  };
  const finish = () => {
    const now = round.current;
    if (!now) return;
    window.clearTimeout(impatience.current);
    now.isFinished = true;
    if (now.answer === null) hand?.typing({ text: now.text, unit: shown.unit, pour }, true);
    judge(now);
  };
  const leave = () => {
    if (round.current?.text.trim() === '') settle();
    else finish();
  };
  // A field that goes away was left: what was typed in it counts, or not, as if another had been pressed.
  const leaveLater = useLatest(leave);
  useEffect(() => () => leaveLater.current(), [leaveLater]);
  // Whoever changes the amount in another way has answered the text.
  const [of, setOf] = useState(shown.text);
  if (of !== shown.text) {
    setOf(shown.text);
    if (field.refusal !== null) show(NOTHING);
  }
  /** What is typed was read as, once it was; null where nothing is typed. */
  const reading = () => round.current?.read ?? null;
  return { ...field, text: field.typed ?? shown.text, type, finish, leave, settle, take, reading };
}
