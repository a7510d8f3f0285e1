import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { tastersQuery, type TrialEntry } from '@/api';
import { splitNames } from '@/lib';
import { changeSettings, useSettings } from '@/hooks';
import { Button, TextField } from '@/ui';

interface Props {
  trials: TrialEntry[];
  /** Numbers of the trials that were chosen before coming here. */
  chosen: number[];
  onStart: (trials: TrialEntry[], tasters: string[], blind: boolean) => void;
}

/** Which trials, who tastes, and whether blind. */
export function StartFlight({ trials, chosen, onStart }: Props) {
  const { taster } = useSettings();
  const [numbers, setNumbers] = useState(() =>
    chosen.length > 0 ? chosen : trials.slice(-1).map(({ number }) => number),
  );
  const [who, setWho] = useState(taster);
  const [blind, setBlind] = useState(chosen.length > 1);
  const tasters = splitNames(who);
  const glasses = trials.filter(({ number }) => numbers.includes(number));
  return (
    <form
      aria-label="Start a tasting"
      className="panel flex flex-col gap-4 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        changeSettings({ taster: tasters[0] ?? '' });
        onStart(glasses, tasters, blind);
      }}
    >
      <fieldset>
        <legend className="text-xl font-semibold">Which trials</legend>
        {trials.map((trial) => (
          <label key={trial.id} className="flex min-h-11 cursor-pointer items-center gap-3 text-lg wrap-anywhere">
            <input
              type="checkbox"
              className="checkbox"
              aria-labelledby={`trial-${trial.number}`}
              aria-describedby={`why-${trial.number}`}
              checked={numbers.includes(trial.number)}
              onChange={() =>
                setNumbers(
                  numbers.includes(trial.number)
                    ? numbers.filter((item) => item !== trial.number)
                    : [...numbers, trial.number],
                )
              }
            />
            <span className="min-w-0 grow py-1 leading-tight">
              <span id={`trial-${trial.number}`}>
                {trial.number}. {trial.name}
              </span>
              <span id={`why-${trial.number}`} className="block text-base text-quiet">
                {trial.reason}
              </span>
            </span>
          </label>
        ))}
      </fieldset>
      <TasterFields who={who} tasters={tasters} onWho={setWho} />
      <label className="flex min-h-11 cursor-pointer items-start gap-3 text-lg">
        <input type="checkbox" className="checkbox mt-1" checked={blind} onChange={() => setBlind(!blind)} />
        <span>
          Blind
          <span className="block text-base text-quiet">
            A colleague pours by a key that only they see. Each taster gets another order, and the names come after the
            last score.
          </span>
        </span>
      </label>
      <Button
        type="submit"
        look="primary"
        large
        disabled={glasses.length === 0 || glasses.length > 6 || tasters.length === 0}
      >
        {startWords(glasses.length, tasters.length)}
      </Button>
      {glasses.length > 6 && <p role="status">More than six are too many for one palate. Choose fewer.</p>}
    </form>
  );
}

/** What the press does, or what it still waits for. */
function startWords(glasses: number, tasters: number): string {
  if (glasses === 0) return 'Choose trials';
  if (tasters === 0) return 'Enter who tastes';
  return glasses * tasters > 1 ? `Start with ${glasses * tasters} glasses` : 'Start';
}

interface WhoProps {
  who: string;
  tasters: string[];
  onWho: (who: string) => void;
}

/** Names typed, or taken of those who tasted before. */
function TasterFields({ who, tasters, onWho }: WhoProps) {
  const known = useQuery(tastersQuery());
  const offered = (known.data ?? []).filter((item) => !tasters.includes(item.taster));
  return (
    <div>
      <TextField
        className="text-xl font-semibold"
        box="font-normal"
        label="Tasters"
        most={300}
        hint="one name, or several with commas"
        value={who}
        onWrite={onWho}
      />
      {offered.length > 0 && (
        <div className="mt-1.5 flex flex-wrap gap-1.5" role="group" aria-label="Earlier tasters">
          {offered.map((item) => (
            <Button
              key={item.taster}

              look="outline"
              className="px-3"
              onClick={() => onWho([...tasters, item.taster].join(', '))}
            >
              {item.taster}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
