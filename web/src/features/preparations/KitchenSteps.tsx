import { ArrowDown, ArrowUp, X } from 'lucide-react';

import type { Preparation, PreparationStep } from '@/api';
import { usePersisted } from '@/hooks';
import { plainNumber, textsIn } from '@/lib';
import { Button, Countdown, IconButton, NumberField } from '@/ui';
import { nameOf } from './IngredientLines';

interface Props {
  slug: string;
  preparation: Preparation;
  /** Places of the lines that a strainer can keep; all until it is known. */
  strainable?: number[] | undefined;
  onChange: (part: Partial<Preparation>) => void;
}

const DOINGS: PreparationStep['do'][] = ['dissolve', 'simmer', 'boil', 'skim', 'steep', 'strain', 'cool'];
/** In minutes. */
const DAY = 24 * 60;
const TIMED = new Set<PreparationStep['do']>(['simmer', 'boil', 'steep', 'cool']);

/** What is done, a step each, to tick off at the stove; a timed one counts. */
export function KitchenSteps({ slug, preparation, strainable, onChange }: Props) {
  const { steps, lines } = preparation;
  const [ticked, tick] = useKitchenTicks(slug);
  const put = (index: number, part: Partial<PreparationStep>) =>
    onChange({ steps: steps.map((step, at) => (at === index ? { ...step, ...part } : step)) });
  const move = (from: number, to: number) => {
    const next = [...steps];
    next.splice(to, 0, ...next.splice(from, 1));
    onChange({ steps: next });
  };
  return (
    <section aria-label="Method" className="panel flex flex-col gap-3 p-4">
      <h2 className="font-display text-xl font-semibold">Method</h2>
      <ol className="flex flex-col gap-2">
        {steps.map((step, index) => {
          const key = `${index} ${step.do}`;
          return (
            <KitchenStep
              key={key}
              step={step}
              solids={lines.filter((_, at) => strainable?.includes(at) ?? true)}
              done={ticked.includes(key)}
              onDone={(done) => tick(key, done)}
              onPut={(part) => put(index, part)}
              onMove={(by) => move(index, index + by)}
              isFirst={index === 0}
              isLast={index === steps.length - 1}
              onDrop={() => onChange({ steps: steps.filter((_, at) => at !== index) })}
            />
          );
        })}
      </ol>
      <div role="group" aria-label="Add a step" className="flex flex-wrap gap-1.5">
        {DOINGS.map((doing) => (
          <Button
            key={doing}

            className="font-normal"
            onClick={() =>
              onChange({ steps: [...steps, { do: doing, minutes: null, discard: [], evaporated_g: null }] })
            }
          >
            + {doing}
          </Button>
        ))}
      </div>
    </section>
  );
}

interface StepProps {
  step: PreparationStep;
  /** What can be strained out. */
  solids: Preparation['lines'];
  done: boolean;
  onDone: (done: boolean) => void;
  onPut: (part: Partial<PreparationStep>) => void;
  /** By how many places. */
  onMove: (by: 1 | -1) => void;
  isFirst: boolean;
  isLast: boolean;
  onDrop: () => void;
}

/** One step: ticked off, timed, moved. */
function KitchenStep({ step, solids, done, onDone, onPut, onMove, isFirst, isLast, onDrop }: StepProps) {
  return (
    <li className="flex flex-wrap items-center gap-2 text-lg">
      <label className="flex min-h-11 grow cursor-pointer items-center gap-3">
        <input
          type="checkbox"
          className="checkbox checkbox-lg"
          checked={done}
          onChange={(event) => onDone(event.target.checked)}
        />
        <span className={done ? 'text-quiet line-through' : ''}>{SENTENCES[step.do]}</span>
      </label>
      {TIMED.has(step.do) && (
        <>
          <span className="inline-flex items-center gap-1">
            <NumberField
              aria-label={`Minutes to ${step.do}`}
              className="input min-h-11 w-14 px-2 font-figure sm:w-20"
              placeholder="min"
              value={step.minutes}
              most={60 * DAY}
              onFigure={(minutes) => onPut({ minutes })}
            />
            {step.minutes ? <span className="text-quiet">min</span> : null}
          </span>
          {step.minutes ? <TimeOf minutes={step.minutes} what={step.do} /> : null}
        </>
      )}
      <IconButton icon={ArrowUp} label={`Move ${step.do} up`} disabled={isFirst} onClick={() => onMove(-1)} />
      <IconButton icon={ArrowDown} label={`Move ${step.do} down`} disabled={isLast} onClick={() => onMove(1)} />
      <IconButton icon={X} label={`Remove ${step.do}`} onClick={onDrop} />
      {step.do === 'strain' && solids.length > 0 && (
        <DiscardedSolids solids={solids} thrown={step.discard} onThrow={(discard) => onPut({ discard })} />
      )}
    </li>
  );
}

/** Minutes that somebody stands by are counted down; what takes longer than an evening is told in days. */
function TimeOf({ minutes, what }: { minutes: number; what: string }) {
  if (minutes <= DAY / 2) return <Countdown minutes={minutes} what={what} />;
  const days = minutes / DAY;
  return (
    <span className="font-figure text-lg">
      {days < 2 ? `${plainNumber(minutes / 60, 1)} h` : `${plainNumber(days, 1)} days`}
    </span>
  );
}

const SENTENCES: Record<PreparationStep['do'], string> = {
  dissolve: 'Stir until dissolved',
  simmer: 'Simmer gently',
  boil: 'Boil',
  skim: 'Skim off the foam',
  steep: 'Cover and leave to steep',
  strain: 'Strain',
  cool: 'Cool before adding egg or ice',
};

interface DiscardedSolidsProps {
  solids: Preparation['lines'];
  thrown: string[];
  onThrow: (discard: string[]) => void;
}

/** What is strained out; where nothing is chosen, all fruit, greens and spices. */
function DiscardedSolids({ solids, thrown, onThrow }: DiscardedSolidsProps) {
  return (
    <div
      role="group"
      aria-label="What you strain out"
      className="flex basis-full flex-wrap items-center gap-1.5 pl-9 text-base"
    >
      <span className="text-quiet">{thrown.length ? 'strains out' : 'strains out all fruit and greens, or'}</span>
      {solids.map((line) => {
        const word = typeof line.what === 'string' ? line.what : line.what.name;
        const on = thrown.includes(word);
        return (
          <button
            key={word}
            type="button"
            aria-pressed={on}
            className={`btn min-h-11 px-3 font-normal ${on ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            onClick={() => onThrow(on ? thrown.filter((text) => text !== word) : [...thrown, word])}
          >
            {nameOf(line)}
          </button>
        );
      })}
    </div>
  );
}

/** Ticks of a making; they outlast the window. */
function useKitchenTicks(slug: string) {
  const [ticked, setTicked] = usePersisted(`oenomel.kitchen.${slug}`, NOTHING, textsIn);
  const tick = (key: string, done: boolean) =>
    setTicked((now) => (done ? [...now, key] : now.filter((text) => text !== key)));
  return [ticked, tick] as const;
}

const NOTHING: string[] = [];
