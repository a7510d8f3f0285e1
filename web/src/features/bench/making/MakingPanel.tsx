import { useQuery } from '@tanstack/react-query';
import { SlidersHorizontal } from 'lucide-react';
import { memo, useState } from 'react';

import type { Forecast, Spec } from '../../../api/client';
import type { Steps } from '../../../api/queries/forecast';
import { rulesQuery } from '../../../api/queries/house';
import { volume } from '../../../lib/format';
import { useSettings } from '../../../lib/settings';
import { shownKey } from '../../../shell/keys';
import { lockKey } from '../../../spec/edits';
import { methodWords, SCHOOL_OF_WATER } from '../../../spec/methodWords';
import type { NameOf } from '../../../spec/names';
import { useHand } from '../hand';
import { MakingFoot } from './MakingFoot';
import { MakingStep } from './MakingStep';
import type { Ticks } from './useTicks';

interface Props {
  /** What it is called when it is made. */
  name: string;
  made: Steps;
  forecast: Forecast | undefined;
  nameOf: NameOf;
  /** Absent where a kept trial is looked at. */
  ticks?: Ticks;
  /** What was really poured becomes what is written. */
  onWriteSo?: () => void;
}

/** How the drink is made, step by step, to tick off at the bench. */
export const MakingPanel = memo(function MakingPanel({ name, made, forecast, nameOf, ticks, onWriteSo }: Props) {
  const [asked, setAsked] = useState<'' | 'forgotten' | 'made'>('');
  return (
    <>
      <HowItIsWorked spec={made.spec} forecast={forecast} />
      <StepList made={made} ticks={ticks} onTouched={setAsked} />
      {ticks && onWriteSo && (
        <MakingFoot
          name={name}
          spec={made.spec}
          steps={made.steps}
          nameOf={nameOf}
          ticks={ticks}
          asked={asked}
          onAsk={setAsked}
          onWriteSo={onWriteSo}
        />
      )}
    </>
  );
});

interface ListProps {
  made: Steps;
  ticks: Ticks | undefined;
  /** A step was ticked: what was asked before is answered. */
  onTouched: (asked: '') => void;
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
          <MakingStep
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

/** Technique, seconds and ice, and the water that they give. */
function HowItIsWorked({ spec, forecast }: { spec: Spec; forecast: Forecast | undefined }) {
  const hand = useHand();
  const { shown } = useSettings();
  const { data: rules } = useQuery(rulesQuery());
  const worked = methodWords(spec.method, rules?.reference_seconds);
  const water = forecast && waterWords(forecast, spec.method, (ml) => volume(ml, shown, spec.ounce_ml));
  return (
    <div className="shrink-0 px-3 pt-1">
      {hand ? (
        <button
          type="button"
          className="btn btn-ghost h-auto min-h-11 w-full justify-between border-base-300 px-3 py-1 text-left text-base leading-tight"
          title={`Technique, time and ice (${shownKey('method')})`}
          onClick={hand.method}
        >
          <span>{worked}</span> <SlidersHorizontal size={18} aria-hidden />
        </button>
      ) : (
        <p className="font-semibold">{worked}</p>
      )}
      <div className="flex items-center gap-2">
        <p className="min-w-0 grow py-1 text-sm text-quiet">{water}</p>
        {hand && (
          <button
            type="button"
            className="btn btn-ghost btn-sm min-h-11 px-2 text-sm font-normal underline decoration-dotted"
            title={`Edit, move or add steps (${shownKey('steps')})`}
            onClick={hand.steps}
          >
            Edit steps
          </button>
        )}
      </div>
    </div>
  );
}

/** How much water the ice gives, by which school, and whether the house's own measurements set it right. */
function waterWords({ dilution }: Forecast, method: Spec['method'], told: (ml: number) => string): string {
  const { model, measurements, water_ml } = dilution;
  if (model === 'none') return 'No dilution.';
  const school = SCHOOL_OF_WATER[model] ?? 'estimate';
  const counted = measurements === 1 ? 'a measurement' : `${measurements} measurements`;
  if (method.ice_pieces != null)
    return `Dilution: ${told(water_ml)} from ${method.ice_pieces} pieces of ice (heat balance).`;
  return `Dilution: ${told(water_ml)}, by ${school}${measurements === 0 ? '' : ` and ${counted}`}.`;
}
