import type { KeyboardEvent } from 'react';

import type { Amount, PourEntry } from '@/api';
import { nextAmount, type ShownAmount } from '@/lib';
import { useSwapTarget } from '@/hooks';
import { withPour } from '@/spec';
import { useBenchActions } from '../benchActions';
import { useTypedText } from './useTypedText';

const isAmount = (answer: Amount | string): answer is Amount & { amount: number } =>
  typeof answer !== 'string' && answer.amount !== null && answer.asks === '';

/** An amount as it is typed, stepped, nudged and chosen. */
export function useTypedAmount(pour: number, shown: ShownAmount, onAmount: (change: Partial<PourEntry>) => void) {
  const aim = useSwapTarget();
  const hand = useBenchActions();
  const { reading, settle, take, finish, ...text } = useTypedText(pour, shown, onAmount);
  const stepFrom = (from: Pick<ShownAmount, 'amount' | 'unit'>, direction: 1 | -1, times: number) =>
    take({
      amount: nextAmount(from.amount, from.unit, direction, times, aim.grid),
      unit: from.unit,
      said: null,
      relative: null,
    });
  /** A step goes from what is typed, where that is an amount. */
  const step = (direction: 1 | -1, times = 1) => {
    const read = reading();
    if (!read) {
      stepFrom(shown, direction, times);
      return;
    }
    read.then(
      (answer) => stepFrom(isAmount(answer) ? answer : shown, direction, times),
      () => undefined,
    );
  };
  const press = (event: KeyboardEvent) => {
    const direction = event.key === 'ArrowUp' || event.key === 'PageUp' ? 1 : -1;
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') step(direction, event.shiftKey ? 4 : 1);
    else if (event.key === 'PageUp' || event.key === 'PageDown') step(direction, 4);
    else if (event.key === 'Escape') settle();
    else if (event.key === 'Enter') finish();
    else return;
    event.preventDefault();
  };
  const choose = ({ amount, unit }: Amount['choices'][number], partMl?: number) => {
    const change = { amount, unit, said: text.typed, relative: null };
    if (partMl === undefined || text.question?.amount == null) {
      take(change);
      return;
    }
    // The size of a part is the drink's: it is asked once.
    const parts = { ...change, amount: text.question.amount, unit: 'part' as const };
    hand?.change((spec) => withPour({ ...spec, part_ml: partMl }, pour, parts), `amount ${pour}`);
    settle();
  };

  return { ...text, step, press, choose };
}
