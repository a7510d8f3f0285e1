import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api, type Ingredient } from '../../api/client';
import { larderQuery, partTastingsQuery } from '../../api/queries/house';
import { day } from '../../lib/format';
import { changeSettings, useSettings } from '../../lib/settings';
import { Dialog } from '../../ui/Dialog';
import { Fold } from '../../ui/Fold';
import { Line } from '../../ui/Line';
import { Refused } from '../../ui/Refused';
import { AromaPicker } from './AromaPicker';

interface Props {
  ingredient: Ingredient;
  onClose: () => void;
}

const LINES = [
  ['nose', 'Nose', 'on its own'],
  ['first', 'First sip', 'sweet, sharp, hot'],
  ['finish', 'Finish', 'short, bitter, lingering'],
] as const;

/** A bottle or a juice tasted alone, before it goes in; what is said can amend its aroma and its impression. */
export function TastePart({ ingredient, onClose }: Props) {
  const { taster } = useSettings();
  const [who, setWho] = useState(taster);
  const [words, setWords] = useState({ look: '', nose: '', first: '', middle: '', finish: '' });
  const [aroma, setAroma] = useState(ingredient.aroma);
  const [impression, setImpression] = useState(ingredient.impression);
  // It closes once the larder tells of it: opened again, it shows what was said.
  const queryClient = useQueryClient();
  const taste = api.useMutation('post', '/api/ingredients/{slug}/tastings');
  const amended =
    JSON.stringify(Object.entries(aroma).toSorted()) !== JSON.stringify(Object.entries(ingredient.aroma).toSorted());
  const save = () => {
    changeSettings({ taster: who.trim() });
    const body = {
      taster: who.trim(),
      words,
      aroma: amended ? aroma : null,
      impression: impression.trim() !== ingredient.impression ? impression.trim() : null,
    };
    taste.mutate(
      { params: { path: { slug: ingredient.slug } }, body },
      { onSuccess: () => void queryClient.refetchQueries(larderQuery()).then(onClose) },
    );
  };
  return (
    <Dialog
      heading={`${ingredient.name}, tasted on its own`}
      wide
      onClose={onClose}
      actions={
        <button
          type="button"
          className="btn btn-accent btn-lg"
          disabled={!who.trim() || taste.isPending}
          onClick={save}
        >
          Save
        </button>
      }
    >
      <div className="grid gap-3 text-lg sm:grid-cols-2">
        <Line label="Taster" most={100} value={who} onWrite={setWho} />
        {LINES.map(([part, name, hint]) => (
          <Line
            key={part}
            label={name}
            most={500}
            hint={hint}
            value={words[part]}
            onWrite={(told) => setWords({ ...words, [part]: told })}
          />
        ))}
        <AromaPicker aroma={aroma} onWeigh={setAroma} />
        <Line
          className="sm:col-span-2"
          label="Anything the figures can’t show"
          value={impression}
          onWrite={setImpression}
        />
      </div>
      {amended && <p className="text-base text-quiet">A changed aroma counts in every drink, pairing and swap.</p>}
      <TastedBefore slug={ingredient.slug} />
      <Refused fault={taste.error} className="text-error" />
    </Dialog>
  );
}

function TastedBefore({ slug }: { slug: string }) {
  const { data: before = [] } = useQuery(partTastingsQuery(slug));
  if (before.length === 0) return null;
  return (
    <Fold title="Earlier notes" count={before.length}>
      {before.map((each) => (
        <p key={each.id} className="text-base">
          {day(each.tasted_at)}, {each.taster}: {Object.values(each.words).filter(Boolean).join('; ') || 'no words'}
          {each.amended && ', edited'}
        </p>
      ))}
    </Fold>
  );
}
