import { Check, CircleAlert } from 'lucide-react';

import type { MenuDrinkToday } from '@/api';
import { AXIS_NAMES, type AxisName, axisUnit, levelText, shownAmount, withUnit } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { Button, AxisMark } from '@/ui';
import { OpenOnBenchNotice, useOpenOnBench } from '@/features/open-on-bench';
import { trialIdOf } from './trialId';

/** A drink of the menu today: fine, or what to pour instead, to be read at arm’s length. */
export function DrinkCard({ drink }: { drink: MenuDrinkToday }) {
  const { name, fine, words, left, moves, axes, drink_id } = drink;
  const inUnit = useWithVolumes();
  return (
    <li
      className={`panel flex min-w-0 flex-col gap-2 p-4 print:break-inside-avoid print:p-2 ${fine ? '' : 'border-2 border-accent'}`}
    >
      <h2 className="flex flex-wrap items-baseline justify-between gap-x-3 font-display text-xl font-semibold">
        <span className="min-w-0 wrap-anywhere">{name}</span>
        <span
          className={`flex items-center gap-1 font-sans text-base font-normal ${fine ? 'text-success' : 'text-warning'}`}
        >
          {fine ? <Check size={18} aria-hidden /> : <CircleAlert size={18} aria-hidden />} {inUnit(words)}
        </span>
      </h2>
      {moves.length > 0 && (
        <ul className="flex flex-col gap-1">
          {moves.map((move) => (
            <Instead key={move.pour} name={move.ingredient.name} before={move.before_ml} after={move.after_ml} />
          ))}
        </ul>
      )}
      {left && <p className="text-base">{inUnit(left)}</p>}
      {fine && <Pours drink={drink} />}
      <dl className={`mt-auto flex-wrap gap-x-4 gap-y-1 text-base text-quiet print:flex ${fine ? 'hidden' : 'flex'}`}>
        {axes.map(({ axis, today, written, felt }) => (
          <div key={axis} className={`items-center gap-1.5 print:flex ${felt ? 'flex' : 'hidden'}`}>
            <dt>
              <AxisMark axis={axis as AxisName} />
              <span className="sr-only">{AXIS_NAMES[axis as AxisName]}</span>
            </dt>
            <dd className={felt ? 'font-semibold text-base-content' : ''}>
              {withUnit(levelText(today, axis as AxisName), axisUnit(axis as AxisName))}
              <span className="font-normal text-quiet">, spec {levelText(written, axis as AxisName)}</span>
            </dd>
          </div>
        ))}
      </dl>
      <Open id={drink_id} drink={drink} />
    </li>
  );
}

function Instead({ name, before, after }: { name: string; before: number; after: number }) {
  const { shown, ounceMl } = useSettings();
  const now = shownAmount(after, 'ml', shown, ounceMl);
  const was = shownAmount(before, 'ml', shown, ounceMl);
  return (
    <li className="flex flex-wrap items-baseline gap-x-2 text-2xl leading-tight font-semibold">
      <span className="min-w-0 grow basis-32">{name}</span>
      <span className="font-figure whitespace-nowrap">
        {now.text} {now.word}
      </span>
      <span className="basis-20 text-right text-base font-normal whitespace-nowrap text-quiet">
        not {was.text} {was.word}
      </span>
    </li>
  );
}

/** What goes in, in a line: a fine drink is poured as it is written. */
function Pours({ drink }: { drink: MenuDrinkToday }) {
  const { shown, ounceMl } = useSettings();
  return (
    <p className="hidden text-base text-quiet print:block">
      {drink.spec.pours
        .map(({ amount, unit }, index) => {
          const { text, word } = shownAmount(Number(amount), unit, shown, ounceMl);
          return `${text} ${word} ${drink.pours[index]?.ingredient.name ?? ''}`;
        })
        .join(' · ')}
    </p>
  );
}

/** Opens the drink on the bench with today's bottles and juice, compared with its finished trial. */
function Open({ id, drink }: { id: number; drink: MenuDrinkToday }) {
  const laying = useOpenOnBench(id);
  return (
    <div className="print:hidden">
      <OpenOnBenchNotice laying={laying} />
      <Button
        look="outline"
        title="Open on the bench with today’s bottles and juice"
        disabled={laying.isPending}
        onClick={() => void trialIdOf(id, drink.trial).then((parent) => laying.lay({ spec: drink.spec, parent }))}
      >
        Open<span className="sr-only"> {drink.name} on the bench</span>
      </Button>
    </div>
  );
}
