import { ArrowDown, ArrowUp, Plus, RotateCcw, Trash2 } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';

import type { OwnStep, Spec, Step } from '@/api';
import { Button, Dialog, IconButton, Select, TextField } from '@/ui';

interface Props {
  spec: Spec;
  steps: Step[];
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
  onClose: () => void;
}

type StepPosition = OwnStep['before'];

const MOMENTS: [StepPosition, string][] = [
  ['shake', 'before shaking or stirring'],
  ['strain', 'before straining'],
  ['top', 'before the top'],
  ['garnish', 'before the garnish'],
  ['serve', 'at the very end'],
];

/** The steps of this drink: told otherwise, in another order, with lines of its own. */
export function StepsDialog({ spec, steps: known, onChange, onClose }: Props) {
  const { method } = spec;
  // A hand that moves a step again doesn't wait for the server to tell it in its new place.
  const steps = inOrder(known, method.order);
  const write = (part: Partial<Spec['method']>, what: string) =>
    onChange((present) => ({ ...present, method: { ...present.method, ...part } }), what);
  const move = (from: number, by: 1 | -1) => {
    const keys = steps.map(({ key }) => key);
    const [one, other] = [keys[from], keys[from + by]];
    if (one === undefined || other === undefined) return;
    keys[from] = other;
    keys[from + by] = one;
    write({ order: keys }, `move ${one}`);
  };
  const changed = method.steps.length > 0 || method.order.length > 0;
  return (
    <Dialog
      heading="Steps"
      wide
      onClose={onClose}
      actions={
        changed && (
          <Button
            look="outline"
            large
            className="gap-1.5 text-base"
            onClick={() => write({ steps: [], order: [] }, 'steps as they follow')}
          >
            <RotateCcw size={18} aria-hidden /> Reset the steps
          </Button>
        )
      }
    >
      <p className="-mt-2 text-quiet">
        Steps follow from the recipe. Edit, move, add or remove one for this drink. Alt with ↑ or ↓ moves a line.
      </p>
      <ol className="flex flex-col gap-1.5" aria-label="Steps">
        {steps.map((step, at) => (
          <StepFields
            key={step.key}
            step={step}
            number={at + 1}
            last={at === steps.length - 1}
            onMove={(by) => move(at, by)}
            onTell={(words) => write({ steps: toldOtherwise(method.steps, step, words) }, `step ${step.key}`)}
          />
        ))}
      </ol>
      <AddStep onAdd={(step) => write({ steps: [...method.steps, step] }, 'own step')} />
    </Dialog>
  );
}

/** The steps that the drink orders exchange their places among themselves. */
function inOrder(steps: Step[], order: string[]): Step[] {
  const wished = order.flatMap((key) => steps.filter((step) => step.key === key));
  let next = 0;
  return steps.map((step) => (wished.includes(step) ? (wished[next++] ?? step) : step));
}

/** A line of the drink’s own, and when it is done. */
function AddStep({ onAdd }: { onAdd: (step: OwnStep) => void }) {
  const [text, setText] = useState('');
  const [before, setBefore] = useState<StepPosition>('shake');
  const add = () => {
    if (text.trim()) onAdd({ text: text.trim(), before, instead_of: '' });
    setText('');
  };
  return (
    <form
      className="flex flex-wrap items-end gap-2 border-t border-base-300 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <TextField
        className="min-w-60 grow"
        label="A step of your own"
        hint="Wipe the foot of the glass"
        most={400}
        value={text}
        onWrite={setText}
      />
      <Select
        label="When"
        className="min-h-12 w-auto text-base"
        value={before}
        options={MOMENTS}
        onPick={(moment) => setBefore(moment)}
      />
      <button type="submit" className="btn btn-primary min-h-12 gap-1.5" disabled={!text.trim()}>
        <Plus size={18} aria-hidden /> Add step
      </button>
    </form>
  );
}

/** The drink's own lines with a step told in other words; in none at all it is taken out. */
function toldOtherwise(lines: OwnStep[], { key, own }: Step, text: string): OwnStep[] {
  if (own !== null) {
    return lines.flatMap((line, at) => (at !== own ? [line] : text.trim() ? [{ ...line, text }] : []));
  }
  const others = lines.filter(({ instead_of }) => instead_of !== key);
  return [...others, { text, before: 'serve', instead_of: key }];
}

interface StepFieldsProps {
  step: Step;
  number: number;
  last: boolean;
  onMove: (by: 1 | -1) => void;
  onTell: (words: string) => void;
}

function StepFields({ step, number, last, onMove, onTell }: StepFieldsProps) {
  const [text, setText] = useState<string | null>(null);
  const finish = () => {
    if (text !== null && text.trim() && text.trim() !== step.words) onTell(text.trim());
    setText(null);
  };
  const press = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (event.altKey && by !== 0) {
      event.preventDefault();
      onMove(by);
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      finish();
    }
  };
  return (
    <li className="flex items-center gap-1.5">
      <span className="w-7 shrink-0 text-right font-figure text-quiet">{number}</span>
      <textarea
        className="textarea field-sizing-content min-h-11 min-w-0 grow resize-none py-2 text-base leading-snug"
        rows={1}
        aria-label={`Step ${number}`}
        maxLength={400}
        value={text ?? step.words}
        onChange={(event) => setText(event.target.value)}
        onBlur={finish}
        onKeyDown={press}
      />
      <IconButton icon={ArrowUp} label={`Move step ${number} up`} disabled={number === 1} onClick={() => onMove(-1)} />
      <IconButton icon={ArrowDown} label={`Move step ${number} down`} disabled={last} onClick={() => onMove(1)} />
      <IconButton icon={Trash2} label={`Remove step ${number}`} onClick={() => onTell('')} />
    </li>
  );
}
