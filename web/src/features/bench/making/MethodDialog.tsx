import { useQuery } from '@tanstack/react-query';

import type { Ingredient, Spec } from '../../../api/client';
import { rulesQuery } from '../../../api/queries/house';
import { changeSettings, useSettings, type Way } from '../../../lib/settings';
import { Chips } from '../../../ui/Chips';
import { Dialog } from '../../../ui/Dialog';
import { IceDialog } from './IceDialog';
import { DONE, ICE_IN, secondsOf } from '../../../spec/methodWords';

interface Props {
  spec: Spec;
  larder: Ingredient[];
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
  onClose: () => void;
}

type Method = Spec['method'];

const SECONDS = { shake: [3, 5, 8, 10, 12, 15, 20, 30], stir: [10, 15, 20, 25, 30, 40, 45, 60] };
const DRY = [0, 5, 8, 10, 15, 30];
const ORDERS: [Way['order'], string][] = [
  ['cheap and risky first', 'cheap and risky first'],
  ['spirit first', 'spirit first'],
  ['as written', 'as written'],
];
const SPARKLING: [Way['sparkling'], string][] = [
  ['on top', 'on top'],
  ['in the glass first', 'in the glass first'],
  ['half and half', 'half and half'],
];

/** How this drink is worked, and by which schools the house makes all of them. */
export function MethodDialog({ spec, larder, onChange, onClose }: Props) {
  return (
    <Dialog heading="How it is made" wide onClose={onClose} actions={<IceDialog />}>
      <div className="grid gap-4 md:grid-cols-2">
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-1 font-semibold">This drink</legend>
          <Worked method={spec.method} onChange={onChange} />
          <Bitters spec={spec} larder={larder} onChange={onChange} />
        </fieldset>
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-1 font-semibold">Every drink of this house</legend>
          <HouseWay />
        </fieldset>
      </div>
    </Dialog>
  );
}

/** Technique, seconds, dry shake, ice. */
function Worked({ method, onChange }: { method: Method; onChange: Props['onChange'] }) {
  const { data: rules } = useQuery(rulesQuery());
  const set = (change: Partial<Method>) =>
    onChange((present) => ({ ...present, method: { ...present.method, ...change } }), 'method');
  const timed = method.technique === 'shake' || method.technique === 'stir' ? SECONDS[method.technique] : null;
  const seconds = secondsOf(method) ?? rules?.reference_seconds[method.technique] ?? 0;
  return (
    <>
      <Chips
        legend="Technique"
        options={Object.entries(DONE) as [Method['technique'], string][]}
        value={method.technique}
        onChoose={(technique) => set({ technique, seconds: null })}
      />
      {timed && (
        <Chips
          legend="Seconds"
          options={rising([...timed, seconds]).map((each) => [each, String(each)])}
          value={seconds}
          onChoose={(chosen) => set({ seconds: chosen })}
        />
      )}
      {method.technique === 'shake' && (
        <Chips
          legend="Seconds without ice, before"
          options={rising([...DRY, method.dry_shake_seconds]).map((each) => [each, each === 0 ? 'none' : String(each)])}
          value={method.dry_shake_seconds}
          onChoose={(chosen) => set({ dry_shake_seconds: chosen })}
        />
      )}
      <Chips
        legend="Ice to work it with"
        options={Object.entries(ICE_IN) as [Method['ice'], string][]}
        value={method.ice}
        onChoose={(ice) => set({ ice })}
      />
    </>
  );
}

/** Bitters in the tin, or dripped on the foam. */
function Bitters({ spec, larder, onChange }: Omit<Props, 'onClose'>) {
  const kindOf = (slug: unknown) => larder.find((each) => each.slug === slug)?.kind;
  const bitters = spec.pours.flatMap((pour, index) =>
    kindOf(pour.ingredient) === 'bitters' && (pour.stage === 'mixed' || pour.stage === 'floated') ? [index] : [],
  );
  if (bitters.length === 0) return null;
  const onTop = bitters.every((index) => spec.pours[index]?.stage === 'floated');
  const put = (stage: 'mixed' | 'floated') =>
    onChange(
      (present) => ({
        ...present,
        pours: present.pours.map((pour, index) => (bitters.includes(index) ? { ...pour, stage } : pour)),
      }),
      'bitters',
    );
  return (
    <Chips
      legend="Bitters"
      options={[
        ['mixed', 'in the tin'],
        ['floated', 'dripped on top'],
      ]}
      value={onTop ? 'floated' : 'mixed'}
      onChoose={put}
    />
  );
}

/** The schools by which the house makes all its drinks. */
function HouseWay() {
  const { way } = useSettings();
  return (
    <>
      <Chips
        legend="Order of pour"
        options={ORDERS}
        value={way.order}
        onChoose={(order) => changeSettings({ way: { ...way, order } })}
      />
      <Chips
        legend="The sparkling part goes"
        options={SPARKLING}
        value={way.sparkling}
        onChoose={(sparkling) => changeSettings({ way: { ...way, sparkling } })}
      />
      <p className="text-quiet">
        What is cheap or risky, an egg or a juice, costs little if it spoils; the spirit goes in last. Nothing sparkling
        is ever put in a shaker.
      </p>
    </>
  );
}

function rising(seconds: number[]): number[] {
  return [...new Set(seconds)].sort((a, b) => a - b);
}
