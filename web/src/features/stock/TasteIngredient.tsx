import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { type Ingredient, larderQuery, partTastingsQuery, useSaveIngredientTasting } from '@/api';
import { dayText } from '@/lib';
import { changeSettings, useSettings } from '@/hooks';
import { Button, Dialog, Disclosure, ErrorMessage, TextField } from '@/ui';
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
export function TasteIngredient({ ingredient, onClose }: Props) {
  const { taster } = useSettings();
  const [who, setWho] = useState(taster);
  const [words, setWords] = useState({ look: '', nose: '', first: '', middle: '', finish: '' });
  const [aroma, setAroma] = useState(ingredient.aroma);
  const [impression, setImpression] = useState(ingredient.impression);
  // It closes once the larder tells of it: opened again, it shows what was said.
  const queryClient = useQueryClient();
  const taste = useSaveIngredientTasting();
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
        <Button look="accent" large disabled={!who.trim() || taste.isPending} onClick={save}>
          Save
        </Button>
      }
    >
      <div className="grid gap-3 text-lg sm:grid-cols-2">
        <TextField label="Taster" most={100} value={who} onWrite={setWho} />
        {LINES.map(([part, name, hint]) => (
          <TextField
            key={part}
            label={name}
            most={500}
            hint={hint}
            value={words[part]}
            onWrite={(text) => setWords({ ...words, [part]: text })}
          />
        ))}
        <AromaPicker aroma={aroma} onWeigh={setAroma} />
        <TextField
          className="sm:col-span-2"
          label="Anything the figures can’t show"
          value={impression}
          onWrite={setImpression}
        />
      </div>
      {amended && <p className="text-base text-quiet">A changed aroma counts in every drink, pairing and swap.</p>}
      <EarlierNotes slug={ingredient.slug} />
      <ErrorMessage fault={taste.error} className="text-error" />
    </Dialog>
  );
}

function EarlierNotes({ slug }: { slug: string }) {
  const { data: before = [] } = useQuery(partTastingsQuery(slug));
  if (before.length === 0) return null;
  return (
    <Disclosure title="Earlier notes" count={before.length}>
      {before.map((item) => (
        <p key={item.id} className="text-base">
          {dayText(item.tasted_at)}, {item.taster}: {Object.values(item.words).filter(Boolean).join('; ') || 'no words'}
          {item.amended && ', edited'}
        </p>
      ))}
    </Disclosure>
  );
}
