import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Ingredient } from '../../api/client';
import { capital, day } from '../../lib/format';
import { changeSettings, useSettings } from '../../lib/settings';
import { Dialog } from '../../ui/Dialog';
import { Fold } from '../../ui/Fold';
import { aromasQuery } from '../../api/queries/notebook';
import { partTastingsQuery, useTastePart } from '../../api/queries/shelf';

interface Props {
  ingredient: Ingredient;
  onClose: () => void;
}

const WEIGHTS = ['', 'faint', 'clear', 'loud'];
const LINES = [
  ['nose', 'Nose', 'what it smells of alone'],
  ['first', 'First sip', 'sweet, sharp, hot'],
  ['finish', 'Finish', 'short, bitter, it lingers'],
] as const;

/** A bottle or a juice tasted alone, before it goes in; what is said can amend its aroma and its impression. */
export function TastePart({ ingredient, onClose }: Props) {
  const { taster } = useSettings();
  const [who, setWho] = useState(taster);
  const [words, setWords] = useState({ look: '', nose: '', first: '', middle: '', finish: '' });
  const [aroma, setAroma] = useState(ingredient.aroma);
  const [impression, setImpression] = useState(ingredient.impression);
  const [sought, setSought] = useState('');
  const known = useQuery(aromasQuery());
  const before = useQuery(partTastingsQuery(ingredient.slug));
  const taste = useTastePart(ingredient.slug);
  const amended =
    JSON.stringify(Object.entries(aroma).toSorted()) !== JSON.stringify(Object.entries(ingredient.aroma).toSorted());
  const offered = sought.trim()
    ? (known.data ?? []).filter(({ tag }) => tag.includes(sought.trim().toLowerCase()) && !aroma[tag]).slice(0, 8)
    : [];
  const weigh = (tag: string) => {
    const next = ((aroma[tag] ?? 0) + 1) % WEIGHTS.length;
    setAroma(Object.fromEntries(Object.entries({ ...aroma, [tag]: next }).filter(([, weight]) => weight > 0)));
  };
  const save = () => {
    changeSettings({ taster: who.trim() });
    taste.mutate(
      {
        taster: who.trim(),
        words,
        aroma: amended ? aroma : null,
        impression: impression.trim() !== ingredient.impression ? impression.trim() : null,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog
      heading={`${ingredient.name}, tasted alone`}
      wide
      onClose={onClose}
      actions={
        <button
          type="button"
          className="btn btn-accent btn-lg"
          disabled={!who.trim() || taste.isPending}
          onClick={save}
        >
          Keep it
        </button>
      }
    >
      <div className="grid gap-3 text-lg sm:grid-cols-2">
        <label className="flex flex-col gap-1">
          Who tastes
          <input
            className="input input-lg w-full"
            maxLength={100}
            value={who}
            onChange={(event) => setWho(event.target.value)}
          />
        </label>
        {LINES.map(([part, name, hint]) => (
          <label key={part} className="flex flex-col gap-1">
            {name}
            <input
              className="input input-lg w-full"
              maxLength={500}
              placeholder={hint}
              value={words[part]}
              onChange={(event) => setWords({ ...words, [part]: event.target.value })}
            />
          </label>
        ))}
        <fieldset className="sm:col-span-2">
          <legend>What it smells of: press to make it louder, and once more to take it out</legend>
          <div className="mt-1 flex flex-wrap gap-1.5">
            {Object.entries(aroma).map(([tag, weight]) => (
              <button
                key={tag}
                type="button"
                className="btn btn-secondary min-h-11 text-base"
                onClick={() => weigh(tag)}
              >
                {tag}, {WEIGHTS[weight]}
              </button>
            ))}
            {offered.map(({ tag }) => (
              <button
                key={tag}
                type="button"
                className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
                onClick={() => weigh(tag)}
              >
                {tag}
              </button>
            ))}
            <input
              type="search"
              aria-label="Another word of the aroma list"
              placeholder="another word"
              className="input min-h-11 w-44 text-base"
              maxLength={40}
              value={sought}
              onChange={(event) => setSought(event.target.value)}
            />
          </div>
        </fieldset>
        <label className="flex flex-col gap-1 sm:col-span-2">
          What the numbers can’t see, in a line
          <input
            className="input input-lg w-full"
            maxLength={200}
            value={impression}
            onChange={(event) => setImpression(event.target.value)}
          />
        </label>
      </div>
      {amended && (
        <p className="text-base text-quiet">Its aroma changes for every drink: kinship and likeness follow.</p>
      )}
      {(before.data ?? []).length > 0 && (
        <Fold title="Tasted before" count={before.data?.length ?? 0}>
          {before.data?.map((each) => (
            <p key={each.id} className="text-base">
              {day(each.tasted_at)}, {each.taster}: {Object.values(each.words).filter(Boolean).join('; ') || 'no words'}
              {each.amended && ', amended'}
            </p>
          ))}
        </Fold>
      )}
      {taste.error && (
        <p role="alert" className="text-error">
          {capital(taste.error.message)}
        </p>
      )}
    </Dialog>
  );
}
