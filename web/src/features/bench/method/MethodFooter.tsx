import type { ReactNode } from 'react';

import type { Spec, Step } from '@/api/types';
import { useSettings } from '@/hooks/settings';
import { lockKey } from '@/spec/edits';
import type { NameOf } from '@/spec/names';
import { amountWords } from '@/spec/pourWords';
import { useBenchActions } from '../benchActions';
import type { StepTicks } from './useStepTicks';

type OpenQuestion = '' | 'forgotten' | 'made';

interface Props {
  name: string;
  spec: Spec;
  steps: Step[];
  nameOf: NameOf;
  ticks: StepTicks;
  /** What was asked when it was to be finished. */
  asked: OpenQuestion;
  onAsk: (openQuestion: OpenQuestion) => void;
  onWriteSo: () => void;
}

/** What must not be forgotten at the end. */
const LAST = new Set(['top', 'garnish']);

/** What was poured otherwise, how far the making has come, and what to do when it is made. */
export function MethodFooter({ name, spec, steps, nameOf, ticks, asked, onAsk, onWriteSo }: Props) {
  const hand = useBenchActions();
  const ticked = new Set(ticks.making.ticked);
  const open = steps.filter(({ key, kind }) => LAST.has(kind) && !ticked.has(key));
  const finish = () => {
    ticks.made();
    onAsk('made');
  };
  return (
    <div className="shrink-0 border-t border-base-300 px-3 py-2 empty:hidden">
      <ActualPours spec={spec} nameOf={nameOf} ticks={ticks} onWriteSo={onWriteSo} />
      {asked === 'forgotten' && (
        <div role="alert" className="text-base leading-snug">
          <strong className="font-semibold">Not done:</strong> {open.map(({ words }) => words).join(' ')}
          <span className="mt-1 flex gap-2">
            <button type="button" className="btn btn-primary min-h-11 grow text-base" onClick={() => onAsk('')}>
              Go back
            </button>
            <PlainButton onPress={finish}>Finish anyway</PlainButton>
          </span>
        </div>
      )}
      {asked === 'made' && (
        <div role="status" className="flex items-center gap-2 text-base">
          <span className="grow">{name} is made. Taste it first.</span>
          <button type="button" className="btn btn-primary min-h-11 text-base" onClick={hand?.keep}>
            Save trial
          </button>
        </div>
      )}
      {asked === '' && steps.some(({ key }) => ticked.has(key)) && (
        <div className="flex items-center gap-2">
          <span className="grow text-base text-quiet">
            {ticked.size} of {steps.length}
          </span>
          <button
            type="button"
            className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
            onClick={ticks.clear}
          >
            Start over
          </button>
          <button
            type="button"
            className="btn btn-primary min-h-11 text-base"
            onClick={() => (open.length > 0 ? onAsk('forgotten') : finish())}
          >
            Finish
          </button>
        </div>
      )}
    </div>
  );
}

/** What was really poured where it differs from what is written; the figures follow it. */
function ActualPours({ spec, nameOf, ticks, onWriteSo }: Pick<Props, 'spec' | 'nameOf' | 'ticks' | 'onWriteSo'>) {
  const { shown } = useSettings();
  const poured = spec.pours.flatMap((pour) => {
    const really = ticks.making.poured[lockKey(pour)];
    return really ? [{ pour, really }] : [];
  });
  if (poured.length === 0) return null;
  const words = poured.map(({ pour, really }) => {
    const [did, asWritten] = [really, pour].map((item) => amountWords(item, shown, spec.ounce_ml));
    return `${nameOf(pour.ingredient)} ${did} for ${asWritten}`;
  });
  return (
    <div role="status" className="pb-1.5 text-base leading-snug">
      You poured {words.join('; ')}. The figures are updated.
      <span className="mt-1 flex gap-2">
        <PlainButton onPress={onWriteSo}>Save these amounts</PlainButton>
        <PlainButton onPress={ticks.forgetPoured}>Reset to the recipe</PlainButton>
      </span>
    </div>
  );
}

function PlainButton({ onPress, children }: { onPress: () => void; children: ReactNode }) {
  return (
    <button type="button" className="btn min-h-11 grow text-base font-normal" onClick={onPress}>
      {children}
    </button>
  );
}
