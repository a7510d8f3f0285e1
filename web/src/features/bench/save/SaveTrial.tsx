import { useState } from 'react';

import { useIsUnreachable } from '@/api';
import type { DrinkDetail, Fault, Ingredient, PourEntry, Spec, Trial } from '@/api';
import { asSentence } from '@/lib';
import { sameDrink } from '@/spec';
import { Button, ChoiceChips, Dialog, Disclosure, TextField } from '@/ui';
import type { Autosave } from '@/features/draft';
import { useSaveTrial, type TrialNotes } from './useSaveTrial';

interface Props {
  drink: DrinkDetail;
  spec: Spec;
  parent: Trial;
  larder: Ingredient[];
  /** What it is called when nobody names it. */
  suggestedName: string;
  /** The pours as they really went in; null where they went in as written. */
  poured: PourEntry[] | null;
  autosave: Autosave;
  onKept: (trial: Trial, revision: number) => void;
  onClose: () => void;
}

const STRAINERS: [string, string][] = [
  ['', 'not given'],
  ['plain', 'plain'],
  ['double', 'double'],
  ['fine', 'fine'],
];

/** Name and reason of a trial, and how it was made. What it was made from is kept as made. */
export function SaveTrial(props: Props) {
  const { drink, spec, parent, larder, suggestedName, poured, onClose } = props;
  const keep = useSaveTrial(props);
  const gone = useIsUnreachable();
  // The suggestion may come after the dialog, with the figures; it stays until another name is written.
  const [written, setWritten] = useState<Partial<TrialNotes>>({});
  const told = { ...keep.firstTold(suggestedName), ...written };
  const tell = (change: Partial<TrialNotes>) => setWritten({ ...written, ...change });
  const varying = spec.pours.flatMap(({ ingredient, stage }) => {
    const found = typeof ingredient === 'string' && larder.find(({ slug }) => slug === ingredient);
    return found && found.varies && stage !== 'rim' && stage !== 'garnish' ? [found] : [];
  });
  return (
    <Dialog
      heading={`Save as trial ${drink.trials.length + 1}`}
      closeWords="Cancel"
      onClose={onClose}
      onSubmit={() => void keep.submit(told, false)}
      actions={
        <Button type="submit" look="primary" large disabled={!told.name.trim() || keep.isPending}>
          Save
        </Button>
      }
    >
      {sameDrink(spec, parent.spec) && <p>No change since trial {parent.number} . You can still save it.</p>}
      <NameAndReason trialNotes={told} tell={tell} />
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <TextField
          className="min-w-40 grow text-base text-quiet"
          box="text-base-content"
          label="Made by"
          value={told.maker}
          onWrite={(maker) => tell({ maker })}
        />
        <ChoiceChips
          legend="Strainer"
          options={STRAINERS}
          value={told.strainer}
          onChoose={(strainer) => tell({ strainer })}
        />
      </div>
      {poured && <p className="text-base">The amounts you really poured are saved with it.</p>}
      {varying.length > 0 && (
        <Lots
          varying={varying}
          lots={told.lots}
          onLot={(slug, words) => tell({ lots: { ...told.lots, [slug]: words } })}
        />
      )}
      {keep.isPending && gone && (
        <p role="alert">
          The server doesn’t answer. The trial is saved as soon as it does. You can close this and carry on.
        </p>
      )}
      <SaveRefused error={keep.error} overtaken={keep.overtaken} onBeside={() => void keep.submit(told, true)} />
    </Dialog>
  );
}

function NameAndReason({
  trialNotes: told,
  tell,
}: {
  trialNotes: TrialNotes;
  tell: (change: Partial<TrialNotes>) => void;
}) {
  return (
    <>
      <TextField
        autoFocus
        required
        className="text-lg"
        label="Name"
        value={told.name}
        onWrite={(name) => tell({ name })}
      />
      <TextField
        className="text-lg"
        label="Reason for the change"
        rows={3}
        most={2000}
        hint="Too sharp by the last sip"
        value={told.reason}
        onWrite={(reason) => tell({ reason })}
      />
    </>
  );
}

interface LotsProps {
  varying: Ingredient[];
  lots: Record<string, string>;
  onLot: (slug: string, words: string) => void;
}

/** Which bottle, which squeeze: of what differs from day to day. */
function Lots({ varying, lots, onLot }: LotsProps) {
  return (
    <Disclosure title="Today’s bottles and juice" count={Object.values(lots).filter((words) => words.trim()).length}>
      <div className="grid gap-2">
        {varying.map(({ slug, name }) => (
          <label key={slug} className="flex flex-col gap-1 text-base text-quiet">
            {name}
            <input
              className="input w-full text-base text-base-content"
              maxLength={200}
              placeholder="juiced at noon, second bottle"
              value={lots[slug] ?? ''}
              onChange={(event) => onLot(slug, event.target.value)}
            />
          </label>
        ))}
      </div>
    </Disclosure>
  );
}

/** Why it wasn't kept; where another window was faster, mine can be kept beside. */
function SaveRefused({
  error,
  overtaken,
  onBeside,
}: {
  error: Fault | null;
  overtaken: boolean;
  onBeside: () => void;
}) {
  if (!error) return null;
  return (
    <div role="alert" className="text-error">
      <p>{asSentence(error.detail)}</p>
      {overtaken && (
        <Button className="mt-2" onClick={onBeside}>
          Save mine as a separate trial
        </Button>
      )}
    </div>
  );
}
