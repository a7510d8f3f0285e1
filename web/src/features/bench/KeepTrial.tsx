import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';

import {
  ProblemError,
  type DrinkDetail,
  type Ingredient,
  type Made,
  type PourEntry,
  type Spec,
  type Trial,
} from '../../api/client';
import { capital } from '../../lib/format';
import { changeSettings, useSettings } from '../../lib/settings';
import { Chips } from '../../ui/Chips';
import { Fold } from '../../ui/Fold';
import { sameDrink } from './draftHistory';
import { useKeepTrial } from './useDrink';

interface Props {
  drink: DrinkDetail;
  spec: Spec;
  parent: Trial;
  larder: Ingredient[];
  /** The pours as they really went in; null where they went in as written. */
  poured: PourEntry[] | null;
  /** Finishes a save that is under way, so that both don't cross. */
  beforeKeeping: () => Promise<void>;
  /** The draft's revision at that moment. */
  revision: () => number;
  onKept: (trial: Trial, revision: number) => void;
  onClose: () => void;
}

const STRAINERS: [string, string][] = [
  ['', 'not told'],
  ['plain', 'plain'],
  ['double', 'double'],
  ['fine', 'fine'],
];
/** Kinds that differ from day to day or from bottle to bottle. */
const VARYING = ['juice', 'wine', 'sparkling', 'liqueur', 'syrup', 'fortified', 'aromatised', 'vinegar'];

/** Name and reason of a trial, and how it was made. What it was made from is kept as made. */
export function KeepTrial(props: Props) {
  const { drink, spec, parent, larder, poured, beforeKeeping, revision, onKept, onClose } = props;
  const { taster } = useSettings();
  const navigate = useNavigate();
  const [maker, setMaker] = useState(taster);
  const [strainer, setStrainer] = useState('');
  const [lots, setLots] = useState<Record<string, string>>({});
  const dialog = useRef<HTMLDialogElement>(null);
  const [name, setName] = useState(() => suggestedName(spec, parent.spec, larder));
  const [reason, setReason] = useState('');
  const keep = useKeepTrial(drink.id);
  useEffect(() => {
    dialog.current?.showModal();
  }, []);

  const varying = spec.pours.flatMap(({ ingredient, stage }) => {
    const found = typeof ingredient === 'string' && larder.find(({ slug }) => slug === ingredient);
    return found && VARYING.includes(found.kind) && stage !== 'rim' && stage !== 'garnish' ? [found] : [];
  });

  const submit = async (beside: boolean) => {
    await beforeKeeping();
    const told = Object.fromEntries(Object.entries(lots).filter(([, words]) => words.trim()));
    const made = { maker: maker.trim(), strainer, lots: told, poured, supposed: USUAL };
    changeSettings({ taster: maker.trim() });
    keep.mutate(
      {
        name: name.trim(),
        reason: reason.trim(),
        parent_trial_id: parent.id,
        spec,
        made,
        revision: revision(),
        beside,
      },
      {
        onSuccess: (kept) => {
          const trial = kept.trials.at(-1);
          if (!trial) return;
          // The draft is the other window's: both are looked at side by side, and neither is written over.
          if (beside) void navigate(`/trials/${drink.id}?show=${trial.number - 1}&show=${trial.number}`);
          else onKept(trial, kept.draft?.revision ?? 0);
        },
      },
    );
  };
  const overtaken = keep.error instanceof ProblemError && keep.error.code === 'conflict';

  return (
    <dialog ref={dialog} className="modal" aria-labelledby="keep-heading" onClose={onClose}>
      <form
        className="modal-box flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void submit(false);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void submit(false);
        }}
      >
        <h2 id="keep-heading" className="font-display text-2xl font-semibold">
          Keep as trial {drink.trials.length + 1}
        </h2>
        {sameDrink(spec, parent.spec) && (
          <p>Nothing differs from trial {parent.number} yet. It can be kept all the same.</p>
        )}
        <label className="flex flex-col gap-1 text-lg">
          Name
          <input
            autoFocus
            required
            className="input input-lg w-full"
            maxLength={200}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-1 text-lg">
          Why it was changed
          <textarea
            className="textarea w-full text-lg"
            rows={3}
            maxLength={2000}
            value={reason}
            placeholder="Too sharp by the last sip; the bottle ran out; a guest without sugar"
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <label className="flex min-w-40 grow flex-col gap-1 text-base text-quiet">
            Made by
            <input
              className="input input-lg w-full text-base-content"
              maxLength={200}
              value={maker}
              onChange={(event) => setMaker(event.target.value)}
            />
          </label>
          <Chips legend="Strainer" options={STRAINERS} value={strainer} onChoose={setStrainer} />
        </div>
        {poured && <p className="text-base">What you noted as really poured is kept with it.</p>}
        {varying.length > 0 && (
          <Fold title="Today’s bottles and squeezes" count={Object.values(lots).filter((words) => words.trim()).length}>
            <div className="grid gap-2">
              {varying.map(({ slug, name: called }) => (
                <label key={slug} className="flex flex-col gap-1 text-base text-quiet">
                  {called}
                  <input
                    className="input w-full text-base text-base-content"
                    maxLength={200}
                    placeholder="pressed at noon; the second bottle"
                    value={lots[slug] ?? ''}
                    onChange={(event) => setLots({ ...lots, [slug]: event.target.value })}
                  />
                </label>
              ))}
            </div>
          </Fold>
        )}
        {keep.error && (
          <div role="alert" className="text-error">
            <p>{capital(keep.error.message)}.</p>
            {overtaken && (
              <button type="button" className="btn mt-2 min-h-11 text-base" onClick={() => void submit(true)}>
                Keep mine as a trial of its own
              </button>
            )}
          </div>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-lg" onClick={onClose}>
            Go back
          </button>
          <button type="submit" className="btn btn-primary btn-lg" disabled={!name.trim() || keep.isPending}>
            Keep it
          </button>
        </div>
      </form>
    </dialog>
  );
}

/** What the server fills in: what the forecast of the day supposed. */
const USUAL: Made['supposed'] = { dilution: 'curve', ice_c: 0, start_c: 22, room_c: 22, factors: {} };

/** What the change is called when nobody names it: the swap, or the pour that moved. */
function suggestedName(spec: Spec, parent: Spec, larder: Ingredient[]): string {
  const nameOf = ({ ingredient }: PourEntry) =>
    typeof ingredient === 'string'
      ? (larder.find(({ slug }) => slug === ingredient)?.name ?? ingredient)
      : ingredient.name;
  const pairs = spec.pours.map((pour, index) => ({ pour, before: parent.pours[index] }));
  const swapped = pairs.find(({ pour, before }) => before && nameOf(before) !== nameOf(pour));
  if (swapped?.before) return `${nameOf(swapped.pour)} for ${nameOf(swapped.before).toLowerCase()}`;
  const moved = pairs.find(
    ({ pour, before }) => before && (before.amount !== pour.amount || before.unit !== pour.unit),
  );
  if (!moved?.before) return 'As it stands';
  const { pour, before } = moved;
  if (pour.unit !== before.unit) return `Another measure of ${nameOf(pour).toLowerCase()}`;
  return `${Number(pour.amount) > Number(before.amount) ? 'More' : 'Less'} ${nameOf(pour).toLowerCase()}`;
}
