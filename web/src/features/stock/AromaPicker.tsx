import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { aromasQuery, type Ingredient } from '@/api';
import { Button } from '@/ui';

type Aroma = Ingredient['aroma'];

interface Props {
  aroma: Aroma;
  onWeigh: (aroma: Aroma) => void;
}

const WEIGHTS = ['', 'faint', 'clear', 'loud'];

/** What a part smells of, by the aroma list, each word as loud as it was pressed. */
export function AromaPicker({ aroma, onWeigh }: Props) {
  const [sought, setSought] = useState('');
  const known = useQuery(aromasQuery());
  const offered = sought.trim()
    ? (known.data ?? []).filter(({ tag }) => tag.includes(sought.trim().toLowerCase()) && !aroma[tag]).slice(0, 8)
    : [];
  const weigh = (tag: string) => {
    const next = ((aroma[tag] ?? 0) + 1) % WEIGHTS.length;
    onWeigh(Object.fromEntries(Object.entries({ ...aroma, [tag]: next }).filter(([, weight]) => weight > 0)));
  };
  return (
    <fieldset className="sm:col-span-2">
      <legend>Aroma: press to make it louder, press again to remove it</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {Object.entries(aroma).map(([tag, weight]) => (
          <Button key={tag} look="secondary" onClick={() => weigh(tag)}>
            {tag}, {WEIGHTS[weight]}
          </Button>
        ))}
        {offered.map(({ tag }) => (
          <Button
            key={tag}

            look="outline"
            onClick={() => weigh(tag)}
          >
            {tag}
          </Button>
        ))}
        <input
          type="search"
          aria-label="Another aroma"
          placeholder="another aroma"
          className="input min-h-11 w-44 text-base"
          maxLength={40}
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
      </div>
    </fieldset>
  );
}
