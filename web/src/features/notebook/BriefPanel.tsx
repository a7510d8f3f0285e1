import { Check, Pencil, X } from 'lucide-react';
import { useState } from 'react';

import type { Brief, NotebookTrial } from '../../api/client';
import { capital } from '../../lib/format';
import { Chips } from '../../ui/Chips';
import { Dialog } from '../../ui/Dialog';
import { useWriteBrief } from './useNotebook';

interface Props {
  drinkId: number;
  brief: Brief;
  /** The trials in sight; the newest of them is held against the brief. */
  trials: NotebookTrial[];
}

/** What the drink is for, and what of it the newest trial in sight keeps. */
export function BriefPanel({ drinkId, brief, trials }: Props) {
  const [editing, setEditing] = useState(false);
  const last = trials.at(-1);
  const told = [brief.occasion, brief.guest, brief.colour, brief.notes].filter(Boolean);
  const empty = told.length === 0 && (last?.held.length ?? 0) === 0;
  return (
    <section aria-label="Brief" className="panel p-3">
      <h2 className="flex items-center gap-2 text-lg font-semibold">
        <span className="grow">Brief</span>
        <button type="button" className="btn btn-ghost min-h-11 gap-1.5 text-base" onClick={() => setEditing(true)}>
          <Pencil size={16} aria-hidden /> {empty ? 'Write one' : 'Change'}
        </button>
      </h2>
      {empty ? (
        <p className="text-base text-quiet">
          For whom, for when, how strong, what to avoid: each trial is then held against it.
        </p>
      ) : (
        <>
          {told.map((words) => (
            <p key={words} className="text-base leading-snug">
              {capital(words)}
            </p>
          ))}
          <ul className="mt-1 text-base" aria-label={last && `Trial ${last.number} beside the brief`}>
            {last?.held.map(({ wish, kept, sentence }) => (
              <li key={wish} className="flex items-start gap-1.5 leading-snug">
                {kept === true && <Check size={18} aria-label="kept" className="mt-0.5 shrink-0 text-success" />}
                {kept === false && <X size={18} aria-label="not kept" className="mt-0.5 shrink-0 text-error" />}
                {kept == null && <span className="w-[18px] shrink-0 text-center">?</span>}
                {sentence}
              </li>
            ))}
          </ul>
        </>
      )}
      {editing && <BriefDialog drinkId={drinkId} brief={brief} onClose={() => setEditing(false)} />}
    </section>
  );
}

function BriefDialog({ drinkId, brief, onClose }: { drinkId: number; brief: Brief; onClose: () => void }) {
  const [draft, setDraft] = useState(brief);
  const [avoid, setAvoid] = useState(brief.avoid.join(', '));
  const write = useWriteBrief(drinkId);
  const line = (label: string, key: 'occasion' | 'guest' | 'colour', hint: string) => (
    <label className="flex flex-col gap-1">
      {label}
      <input
        className="input input-lg w-full"
        maxLength={500}
        placeholder={hint}
        value={draft[key]}
        onChange={(event) => setDraft({ ...draft, [key]: event.target.value })}
      />
    </label>
  );
  const number = (label: string, key: 'least_abv' | 'most_abv' | 'most_cost', most: number) => (
    <label className="flex flex-col gap-1">
      {label}
      <input
        type="number"
        inputMode="decimal"
        min={0}
        max={most}
        step="any"
        className="input input-lg w-full font-figure"
        value={draft[key] ?? ''}
        onChange={({ target }) => setDraft({ ...draft, [key]: target.value === '' ? null : Number(target.value) })}
      />
    </label>
  );
  const save = () =>
    write.mutate(
      {
        ...draft,
        avoid: avoid
          .split(',')
          .map((each) => each.trim())
          .filter(Boolean),
      },
      { onSuccess: onClose },
    );
  return (
    <Dialog
      heading="The brief"
      wide
      onClose={onClose}
      actions={
        <button type="button" className="btn btn-accent btn-lg" disabled={write.isPending} onClick={save}>
          Write it down
        </button>
      }
    >
      <div className="grid gap-3 text-lg sm:grid-cols-2">
        {line('Occasion', 'occasion', 'The first cold evenings; a table of four')}
        {line('Guest', 'guest', 'A dry palate; never bitter')}
        {line('Colour or name to live up to', 'colour', 'Amber')}
        <label className="flex flex-col gap-1">
          To avoid, with commas between
          <input
            className="input input-lg w-full"
            maxLength={400}
            placeholder="egg, tree nuts, alcohol"
            value={avoid}
            onChange={(event) => setAvoid(event.target.value)}
          />
        </label>
        {number('At least so strong, % ABV', 'least_abv', 100)}
        {number('At most so strong, % ABV', 'most_abv', 100)}
        {number('At most so dear', 'most_cost', 10000)}
        <Chips
          legend="How sweet"
          options={[
            ['', 'no matter'],
            ['dry', 'dry'],
            ['in the middle', 'in the middle'],
            ['sweet', 'sweet'],
          ]}
          value={draft.sweetness}
          onChoose={(sweetness) => setDraft({ ...draft, sweetness })}
        />
        <label className="flex flex-col gap-1 sm:col-span-2">
          Anything else
          <textarea
            className="textarea w-full text-lg"
            rows={2}
            maxLength={2000}
            value={draft.notes}
            onChange={(event) => setDraft({ ...draft, notes: event.target.value })}
          />
        </label>
      </div>
      {write.error && (
        <p role="alert" className="text-error">
          {write.error.message}
        </p>
      )}
    </Dialog>
  );
}
