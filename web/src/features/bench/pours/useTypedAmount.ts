import { useEffect, useRef, useState, type KeyboardEvent } from 'react';

import { ProblemError, type Amount, type PourEntry } from '../../../api/client';
import { stepped, type ShownAmount } from '../../../lib/format';
import { useSettings } from '../../../lib/settings';
import { changeOf, useHand } from '../hand';

const PATIENCE_MS = 600;

/** An amount as it is typed, stepped and nudged. While the text is no amount, the last good one stays. */
export function useTypedAmount(pour: number, shown: ShownAmount, onAmount: (change: Partial<PourEntry>) => void) {
  const { aim } = useSettings();
  const hand = useHand();
  const [choices, setChoices] = useState<Amount['choices']>([]);
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const latest = useRef('');
  const impatience = useRef(0);
  useEffect(() => () => window.clearTimeout(impatience.current), []);

  const leave = () => {
    window.clearTimeout(impatience.current);
    setTyped(null);
    setRefusal(null);
  };
  const begin = (text: string) => {
    latest.current = text;
    window.clearTimeout(impatience.current);
    setTyped(text);
    setRefusal(null);
    setChoices([]);
  };
  const type = async (text: string) => {
    begin(text);
    try {
      const read = await hand?.read({ text, unit: shown.unit, pour });
      if (!read || latest.current !== text) return;
      if (read.amount === null) setChoices(read.choices);
      else onAmount(changeOf(read));
    } catch (fault) {
      if (latest.current !== text || !(fault instanceof ProblemError)) return;
      // Half a fraction is no amount yet: wait until the hand rests.
      impatience.current = window.setTimeout(() => setRefusal(fault.detail), text.trim() ? PATIENCE_MS : 0);
    }
  };
  const step = (direction: 1 | -1, times = 1) => {
    begin('');
    setTyped(null);
    const amount = stepped(shown.amount, shown.unit, direction, times, aim.grid);
    onAmount({ amount, unit: shown.unit, said: null, relative: null });
  };
  const press = (event: KeyboardEvent) => {
    const direction = event.key === 'ArrowUp' || event.key === 'PageUp' ? 1 : -1;
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') step(direction, event.shiftKey ? 4 : 1);
    else if (event.key === 'PageUp' || event.key === 'PageDown') step(direction, 4);
    else if (event.key === 'Escape' || event.key === 'Enter') {
      setChoices([]);
      leave();
    } else return;
    event.preventDefault();
  };
  const choose = ({ amount, unit }: Amount['choices'][number]) => {
    onAmount({ amount, unit, said: typed, relative: null });
    setChoices([]);
    setTyped(null);
  };
  return {
    text: typed ?? shown.text,
    typed,
    choices,
    refusal,
    type,
    step,
    press,
    choose,
    // A question that is still open keeps what was asked.
    blur: () => choices.length === 0 && leave(),
  };
}
