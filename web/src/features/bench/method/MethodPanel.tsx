import { useQuery } from '@tanstack/react-query';
import { ListPlus, SlidersHorizontal } from 'lucide-react';
import { memo, useState } from 'react';

import { rulesQuery, type Spec, type Steps } from '@/api';
import { shownKey } from '@/hooks';
import { lockKey, methodWords, type NameOf } from '@/spec';
import { IconButton } from '@/ui';
import { useBenchActions } from '../benchActions';
import { MethodFooter } from './MethodFooter';
import { MethodStep } from './MethodStep';
import type { StepTicks } from './useStepTicks';

interface Props {
  /** What it is called when it is made. */
  name: string;
  made: Steps;
  nameOf: NameOf;
  /** Absent where a kept trial is looked at. */
  ticks?: StepTicks;
  /** What was really poured becomes what is written. */
  onWriteSo?: () => void;
}

/** How the drink is made, step by step, to tick off at the bench. */
export const MethodPanel = memo(function MakingPanel({ name, made, nameOf, ticks, onWriteSo }: Props) {
  const [option, setOption] = useState<'' | 'forgotten' | 'made'>('');
  return (
    <>
      <MethodSummary spec={made.spec} />
      <StepList made={made} ticks={ticks} onTouched={setOption} />
      {ticks && onWriteSo && (
        <MethodFooter
          name={name}
          spec={made.spec}
          steps={made.steps}
          nameOf={nameOf}
          ticks={ticks}
          asked={option}
          onAsk={setOption}
          onWriteSo={onWriteSo}
        />
      )}
    </>
  );
});

interface ListProps {
  made: Steps;
  ticks: StepTicks | undefined;
  /** A step was ticked: what was asked before is answered. */
  onTouched: (text: '') => void;
}

const StepList = memo(function StepList({ made: { spec, steps }, ticks, onTouched }: ListProps) {
  const ticked = new Set(ticks?.making.ticked);
  const next = steps.find(({ key }) => !ticked.has(key));
  return (
    <ol className="min-h-0 grow overflow-y-auto px-1.5 max-xl:max-h-none" aria-label="Steps">
      {steps.map((step) => {
        const entry = step.pour === null ? undefined : spec.pours[step.pour];
        const really = entry && ticks?.making.poured[lockKey(entry)];
        return (
          <MethodStep
            key={step.key}
            step={step}
            done={ticked.has(step.key)}
            next={ticks !== undefined && step === next}
            pour={entry && step.pour !== null ? { entry, index: step.pour, ounceMl: spec.ounce_ml, really } : null}
            {...(ticks && {
              onTick: (done: boolean) => {
                onTouched('');
                ticks.tick(step.key, done);
              },
              onReally: ticks.pour,
            })}
          />
        );
      })}
    </ol>
  );
});

/** Technique, seconds and ice. */
function MethodSummary({ spec }: { spec: Spec }) {
  const hand = useBenchActions();
  const { data: rules } = useQuery(rulesQuery());
  const worked = methodWords(spec.method, rules?.reference_seconds);
  return (
    <div className="flex shrink-0 gap-1.5 px-3 pt-1">
      {hand ? (
        <button
          type="button"
          className="btn btn-ghost h-auto min-h-11 grow justify-between border-base-300 px-3 py-1 text-left text-base leading-tight"
          title={`Technique, time and ice (${shownKey('method')})`}
          onClick={hand.method}
        >
          <span>{worked}</span> <SlidersHorizontal size={18} aria-hidden />
        </button>
      ) : (
        <p className="font-semibold">{worked}</p>
      )}
      {hand && <IconButton icon={ListPlus} label="Edit steps" hotkey={shownKey('steps')} onClick={hand.steps} />}
    </div>
  );
}
