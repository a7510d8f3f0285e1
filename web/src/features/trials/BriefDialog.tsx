import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { type Brief, useSaveBrief } from '@/api';
import { Button, ChoiceChips, Dialog, FormField, NumberField, TextField, WriteConflict } from '@/ui';

interface Props {
  drinkId: number;
  brief: Brief;
  /** Of which revision it was read. */
  revision: string;
  onClose: () => void;
}

const SWEETNESSES: [Brief['sweetness'], string][] = [
  ['', 'any'],
  ['dry', 'dry'],
  ['in the middle', 'medium'],
  ['sweet', 'sweet'],
];

const BOUNDS = [
  ['least_abv', 'Strength from, % ABV', 100],
  ['most_abv', 'Strength to, % ABV', 100],
  ['most_cost', 'Highest cost', 10000],
] as const;

/** For whom, for when, how strong, what to avoid. */
export function BriefDialog({ drinkId, brief, revision, onClose }: Props) {
  const cache = useQueryClient();
  const [read] = useState(revision);
  const [draft, setDraft] = useState(brief);
  const [avoid, setAvoid] = useState(brief.avoid.join(', '));
  const write = useSaveBrief();
  const tell = (change: Partial<Brief>) => setDraft({ ...draft, ...change });
  const save = (over: string | null) => {
    const avoided = avoid.split(',').map((text) => text.trim());
    const params = { path: { drink_id: drinkId }, header: { 'If-Match': over } };
    write.mutate({ params, body: { ...draft, avoid: avoided.filter(Boolean) } }, { onSuccess: onClose });
  };
  return (
    <Dialog
      heading="Brief"
      wide
      onClose={onClose}
      onSubmit={() => save(read)}
      actions={
        <Button type="submit" look="accent" large disabled={write.isPending}>
          Save
        </Button>
      }
    >
      <div className="grid gap-3 text-lg sm:grid-cols-2">
        <TextField
          label="Occasion"
          hint="first cold evenings, a table of four"
          value={draft.occasion}
          onWrite={(occasion) => tell({ occasion })}
        />
        <TextField
          label="Guest"
          hint="likes it dry, never bitter"
          value={draft.guest}
          onWrite={(guest) => tell({ guest })}
        />
        <TextField
          label="Colour or name to match"
          hint="Amber"
          value={draft.colour}
          onWrite={(colour) => tell({ colour })}
        />
        <TextField
          label="Avoid, separated by commas"
          hint="egg, tree nuts, alcohol"
          value={avoid}
          most={400}
          onWrite={setAvoid}
        />
        {BOUNDS.map(([bound, label, most]) => (
          <Bound key={bound} label={label} most={most} value={draft[bound]} onBound={(to) => tell({ [bound]: to })} />
        ))}
        <ChoiceChips
          legend="Sweetness"
          options={SWEETNESSES}
          value={draft.sweetness}
          onChoose={(sweetness) => tell({ sweetness })}
        />
        <TextField
          className="sm:col-span-2"
          label="Anything else"
          rows={2}
          most={2000}
          value={draft.notes}
          onWrite={(notes) => tell({ notes })}
        />
      </div>
      <WriteConflict
        fault={write.error}
        onTheirs={() => {
          void cache.invalidateQueries();
          onClose();
        }}
        onMine={() => save(null)}
        className="text-lg"
      />
    </Dialog>
  );
}

interface BoundProps {
  label: string;
  most: number;
  value: number | null | undefined;
  onBound: (value: number | null) => void;
}

function Bound({ label, most, value, onBound }: BoundProps) {
  return (
    <FormField label={label}>
      <NumberField value={value} most={most} unit={most === 100 ? '%( abv)?' : ''} onFigure={onBound} />
    </FormField>
  );
}
