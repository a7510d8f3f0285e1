import { Check, Pencil, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import type { Brief, TrialEntry } from '@/api';
import { capital } from '@/lib';
import { useWithVolumes } from '@/hooks';
import { BriefDialog } from './BriefDialog';
import { Button } from '@/ui';

interface Props {
  drinkId: number;
  brief: Brief;
  revision: string;
  /** The trials in sight; the newest of them is held against the brief. */
  trials: TrialEntry[];
}

/** What the drink is for, and what of it the newest trial in sight keeps. */
export function BriefPanel({ drinkId, brief, revision, trials }: Props) {
  const [editing, setEditing] = useState(false);
  const inUnit = useWithVolumes();
  const last = trials.at(-1);
  const told = [brief.occasion, brief.guest, brief.colour, brief.notes].filter(Boolean);
  const empty = told.length === 0 && (last?.checks.length ?? 0) === 0;
  return (
    <section aria-label="Brief" className="panel p-3">
      <h2 className="flex items-center gap-2 text-lg font-semibold">
        <span className="grow">Brief</span>
        <Button look="ghost" className="gap-1.5" onClick={() => setEditing(true)}>
          <Pencil size={16} aria-hidden /> {empty ? 'Write a brief' : 'Edit'}
        </Button>
      </h2>
      {empty ? (
        <p className="text-base text-quiet">
          Say who it is for, how strong, and what to avoid. Every trial is checked against it.
        </p>
      ) : (
        <>
          {told.map((words) => (
            <p key={words} className="text-base leading-snug">
              {capital(words)}
            </p>
          ))}
          <ul className="mt-1 text-base" aria-label={last && `Trial ${last.number} against the brief`}>
            {last?.checks.map(({ wish, kept, sentence }) => (
              <li key={wish} className="flex items-start gap-1.5 leading-snug">
                {kept === true && <Check size={18} aria-label="met" className="mt-0.5 shrink-0 text-success" />}
                {kept === false && <X size={18} aria-label="not met" className="mt-0.5 shrink-0 text-error" />}
                {kept == null && <span className="w-[18px] shrink-0 text-center">?</span>}
                {inUnit(sentence)}
              </li>
            ))}
          </ul>
        </>
      )}
      {!empty && (
        <Link className="link inline-block py-2 text-base" to={`/ideas?drink=${drinkId}`}>
          New ideas that meet it
        </Link>
      )}
      {editing && <BriefDialog drinkId={drinkId} brief={brief} revision={revision} onClose={() => setEditing(false)} />}
    </section>
  );
}
