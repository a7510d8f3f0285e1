import { Menu } from '@base-ui/react/menu';
import { Check, Ellipsis, Pause } from 'lucide-react';
import { Link } from 'react-router';

import { type Mark, type TrialEntry, useMarkTrial } from '@/api';
import { dayText, plainNumber } from '@/lib';
import { useSettings } from '@/hooks';
import { type NameOf, pourWords } from '@/spec';
import { Disclosure, ErrorMessage } from '@/ui';
import { medianScore } from './scores';

interface Props {
  drinkId: number;
  trial: TrialEntry;
  chosen: boolean;
  nameOf: NameOf;
  onToggle: () => void;
}

/** One trial of the list: what it is, what became of it, what was said of it last. */
export function TrialCard({ drinkId, trial, chosen, nameOf, onToggle }: Props) {
  const { shown } = useSettings();
  const mark = useMarkTrial();
  const to = (next: Mark) =>
    mark.mutate({ params: { path: { drink_id: drinkId, trial_id: trial.id } }, body: { mark: next } });
  const score = medianScore(trial);
  const said = trial.sheets.at(-1);
  return (
    <li className={`panel relative flex min-w-0 flex-col p-3 wrap-anywhere ${chosen ? 'border-base-content' : ''}`}>
      <label className="flex cursor-pointer items-start gap-2.5 pr-10">
        <input
          type="checkbox"
          className="checkbox mt-0.5"
          checked={chosen}
          aria-label={`Compare trial ${trial.number}`}
          onChange={onToggle}
        />
        <span className="min-w-0">
          <span className="block text-lg leading-tight font-semibold">
            {trial.number}. {trial.name}
          </span>
          <span className="flex flex-wrap items-center gap-x-2 text-base text-quiet">
            <TrialMark trial={trial} />
            {score !== undefined && <span>scored {plainNumber(score, 1)}</span>}
            <span>{said ? `${said.taster}: ${said.verdict || 'no score'}` : 'not tasted yet'}</span>
          </span>
        </span>
      </label>
      <p className={`mt-1 text-base leading-snug text-quiet ${chosen ? '' : 'max-lg:hidden'}`}>{trial.reason}</p>
      <p className={`mt-1 text-sm text-quiet ${chosen ? '' : 'max-lg:hidden'}`}>
        {[
          trial.made.maker && `made by ${trial.made.maker}`,
          `saved ${dayText(trial.kept_at)}`,
          trial.made.poured && 'with the amounts really poured',
        ]
          .filter(Boolean)
          .join(', ')}
        {trial.parents.length > 0 && ', from '}
        {trial.parents.map((parent, n) => (
          <span key={parent.trial_id}>
            {n > 0 && ' and '}
            <Link
              className="underline decoration-dotted underline-offset-2"
              to={`/bench/${parent.drink_id}/trials/${parent.number}`}
            >
              {parent.drink_id === drinkId ? `trial\u00a0${parent.number}` : `${parent.drink}, trial ${parent.number}`}
            </Link>
          </span>
        ))}
      </p>
      {trial.parents.length > 1 && (
        <Disclosure title="Changes from other trials">
          <ul className="text-sm text-quiet">
            {trial.spec.pours.map((pour, n) => {
              const parent = trial.parents[trial.origins[n] ?? -1];
              return (
                <li key={n}>
                  {pourWords(pour, shown, trial.spec.ounce_ml, nameOf)}:{' '}
                  {parent ? `${parent.drink}, trial ${parent.number}` : 'new here'}
                </li>
              );
            })}
          </ul>
        </Disclosure>
      )}
      <MarkMenu drinkId={drinkId} trial={trial} onMark={to} />
      <ErrorMessage fault={mark.error} />
    </li>
  );
}

const MARKS: [Mark, string][] = [
  ['finished', 'Finished'],
  ['shelved', 'Shelved'],
  ['hidden', 'Hidden'],
  ['', 'No mark'],
];

function TrialMark({ trial }: { trial: TrialEntry }) {
  return (
    <>
      {trial.mark === 'finished' && (
        <span className="flex items-center gap-1 text-success">
          <Check size={16} aria-hidden /> finished
        </span>
      )}
      {trial.mark === 'shelved' && (
        <span className="flex items-center gap-1">
          <Pause size={16} aria-hidden /> shelved
        </span>
      )}
      {trial.mark === 'hidden' && <span>hidden</span>}
    </>
  );
}

interface MenuProps {
  drinkId: number;
  trial: TrialEntry;
  onMark: (mark: Mark) => void;
}

const MENU_ITEM =
  'flex min-h-11 cursor-pointer items-center rounded-lg px-3 outline-none data-highlighted:bg-secondary';

/** What became of a trial, as it can be told. */
function MarkMenu({ drinkId, trial, onMark }: MenuProps) {
  return (
    <Menu.Root>
      <Menu.Trigger
        className="btn btn-square btn-ghost absolute top-1 right-1 min-h-11"
        aria-label={`Mark for trial ${trial.number}`}
      >
        <Ellipsis size={20} aria-hidden />
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Positioner align="end" className="z-10">
          <Menu.Popup className="w-60 rounded-box border border-base-300 bg-base-100 p-1 text-base shadow-lg outline-none">
            {MARKS.filter(([option]) => option !== trial.mark).map(([option, words]) => (
              <Menu.Item key={words} className={MENU_ITEM} onClick={() => onMark(option)}>
                {words}
              </Menu.Item>
            ))}
            <Menu.Item className={MENU_ITEM} render={<Link to={`/bench/${drinkId}/trials/${trial.number}`} />}>
              Open on the bench
            </Menu.Item>
          </Menu.Popup>
        </Menu.Positioner>
      </Menu.Portal>
    </Menu.Root>
  );
}
