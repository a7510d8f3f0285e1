import type { ReactNode } from 'react';

import type { Spec, Step } from '@/api';
import { useSettings } from '@/hooks';
import { amountWords, lockKey, type NameOf } from '@/spec';
import { useBenchActions } from '../benchActions';
import type { StepTicks } from './useStepTicks';
import { Button } from '@/ui';

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
            <Button look="primary" className="grow" onClick={() => onAsk('')}>
              Go back
            </Button>
            <PlainButton onPress={finish}>Finish anyway</PlainButton>
          </span>
        </div>
      )}
      {asked === 'made' && (
        <div role="status" className="flex items-center gap-2 text-base">
          <span className="grow">{name} is made. Taste it first.</span>
          <Button look="primary" onClick={hand?.keep}>
            Save trial
          </Button>
        </div>
      )}
      {asked === '' && steps.some(({ key }) => ticked.has(key)) && (
        <div className="flex items-center gap-2">
          <span className="grow text-base text-quiet">
            {ticked.size} of {steps.length}
          </span>
          <Button look="outline" onClick={ticks.clear}>
            Start over
          </Button>
          <Button look="primary" onClick={() => (open.length > 0 ? onAsk('forgotten') : finish())}>
            Finish
          </Button>
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
    <Button className="grow font-normal" onClick={onPress}>
      {children}
    </Button>
  );
}
