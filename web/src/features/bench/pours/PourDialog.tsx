import { useQuery } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';

import { type PourEntry, rulesQuery, type Slot, type Span, type Spec, type Unit } from '@/api';
import { capital, plainNumber } from '@/lib';
import { movedPour, type Stage, STAGE_WORDS, withDouble, withoutPour, withPour } from '@/spec';
import { Button, Checkbox, Dialog, FormField, Select } from '@/ui';
import { RimFields } from './RimFields';
import { FollowedPour } from './FollowedPour';
import { LotSelect } from './LotSelect';
import { RangeEnds } from './RangeEnds';

interface Props {
  spec: Spec;
  index: number;
  /** Names of the drink's pours, in their order. */
  names: string[];
  /** Its ml as the forecast resolved it. */
  volumeMl: number | undefined;
  /** What its range makes of the drink, where it has one. */
  span: Span | undefined;
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
  /** The pour stands elsewhere now. */
  onMoved: (index: number) => void;
  onClose: () => void;
}

/** Units that one pours in; a number typed with another keeps its own. */
const UNITS: Unit[] = ['ml', 'cl', 'oz', 'barspoon', 'tsp', 'tbsp', 'dash', 'drop', 'splash', 'g', 'piece', 'leaf'];

/** All of a pour that is not its amount: role, time, unit, order, whether it is optional, what it follows, its range. */
export function PourDialog({ spec, index, names, volumeMl, span, onChange, onMoved, onClose }: Props) {
  const { data: rules } = useQuery(rulesQuery());
  const pour = spec.pours[index];
  if (!pour) return null;
  const set = (change: Partial<PourEntry>, what: string) =>
    onChange((present) => withPour(present, index, change), `${what} ${index}`);
  return (
    <Dialog heading={names[index] ?? ''} onClose={onClose}>
      <div className="grid gap-3 sm:grid-cols-2">
        <FormField quiet label="Role">
          <Select
            className="min-h-11 text-base"
            value={pour.slot}
            options={(rules?.slots ?? [pour.slot]).map((slot) => [slot, capital(slot)])}
            onPick={(slot: Slot) => set({ slot }, 'slot')}
          />
        </FormField>
        <FormField quiet label="Goes in">
          <Select
            className="min-h-11 text-base"
            value={pour.stage}
            options={Object.entries(STAGE_WORDS) as [Stage, string][]}
            onPick={(stage) => set({ stage }, 'stage')}
          />
        </FormField>
        <FormField quiet label="Unit">
          <Select
            className="min-h-11 text-base"
            value={pour.unit}
            options={[...new Set([...UNITS, pour.unit])].map((unit) => [unit, unit])}
            onPick={(unit) => set({ unit, said: null, relative: null }, 'unit')}
          />
        </FormField>
        <FormField quiet label="Same as">
          <FollowedPour
            pour={pour}
            index={index}
            names={names}
            volumeMl={volumeMl}
            onSet={(change) => set(change, 'follow')}
          />
        </FormField>
        <FormField quiet label="From and to, ml">
          <RangeEnds range={pour.range} now={volumeMl ?? 0} onRange={(range) => set({ range }, 'range')} />
        </FormField>
        {typeof pour.ingredient === 'string' && (
          <LotSelect slug={pour.ingredient} lot={pour.lot} onLot={(lot) => set({ lot }, 'lot')} />
        )}
        <Checkbox
          words="Optional: key O shows the drink without it"
          className="gap-3 self-end"
          on={pour.optional}
          onChange={(optional) => set({ optional }, 'optional')}
        />
      </div>
      {pour.stage === 'rim' && (
        <RimFields
          edge={spec.serve.edge}
          onEdge={(edge) => onChange((present) => ({ ...present, serve: { ...present.serve, edge } }), 'edge')}
        />
      )}
      {span && (
        <p className="flex flex-wrap items-center gap-2">
          <span className="grow">Closest to trial 1 at {plainNumber(span.best.pour_ml)} ml.</span>
          <Button
            className="font-normal"
            onClick={() => set({ amount: span.best.pour_ml, unit: 'ml', said: null, relative: null }, 'settle')}
          >
            Use this
          </Button>
        </p>
      )}
      <Order spec={spec} index={index} onChange={onChange} onMoved={onMoved} onClose={onClose} />
    </Dialog>
  );
}

/** Up, down, twice, out. */
function Order({ spec, index, onChange, onMoved, onClose }: Omit<Props, 'names' | 'volumeMl' | 'span'>) {
  const move = (to: number) => {
    onChange((present) => movedPour(present, index, to), `move ${index}`);
    onMoved(to);
  };
  const finish = (of: (spec: Spec) => Spec, what: string) => {
    onChange(of, `${what} ${index}`);
    onClose();
  };
  const last = spec.pours.length - 1;
  return (
    <div className="flex flex-wrap gap-2">
      <ActionButton
        icon={<ArrowUp size={18} aria-hidden />}
        words="Move up"
        off={index === 0}
        onAct={() => move(index - 1)}
      />
      <ActionButton
        icon={<ArrowDown size={18} aria-hidden />}
        words="Move down"
        off={index === last}
        onAct={() => move(index + 1)}
      />
      <ActionButton
        icon={<Copy size={18} aria-hidden />}
        words="Double"
        onAct={() => finish((present) => withDouble(present, index), 'double')}
      />
      <ActionButton
        icon={<Trash2 size={18} aria-hidden />}
        words="Remove"
        off={last === 0}
        onAct={() => finish((present) => withoutPour(present, index), 'remove')}
      />
    </div>
  );
}

interface ActionButtonProps {
  icon: ReactNode;
  words: string;
  off?: boolean;
  onAct: () => void;
}

function ActionButton({ icon, words, off = false, onAct }: ActionButtonProps) {
  return (
    <Button className="gap-1.5 font-normal" disabled={off} onClick={onAct}>
      {icon} {words}
    </Button>
  );
}
