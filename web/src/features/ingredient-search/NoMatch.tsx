import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';

import { ingredientSearchQuery } from '@/api';
import { Button } from '@/ui';
import { AddBottle } from './lazyAddBottle';

interface Props {
  words: string;
  /** Where nothing is called so. */
  where: string;
  /** Other words to search by: a neighbour's name, or that of the bottle that was added. */
  onWords: (words: string) => void;
  children?: ReactNode;
}

/** Nothing is called so: what lies nearest, and the way to add it from its label. */
export function NoMatch({ words, where, onWords, children }: Props) {
  const { data } = useQuery(ingredientSearchQuery(words.trim()));
  const [adding, setAdding] = useState(false);
  const nearest = data?.nearest ?? [];
  return (
    <div className="px-4 py-2">
      <p>
        Nothing {where} matches “{words.trim()}”.{nearest.length > 0 && ' Closest:'}
      </p>
      <p className="mt-1.5 flex flex-wrap gap-1.5">
        {nearest.map(({ slug, name }) => (
          <Button key={slug} className="font-normal" onClick={() => onWords(name)}>
            {name}
          </Button>
        ))}
        <Button look="primary" onClick={() => setAdding(true)}>
          Add it from its label
        </Button>
      </p>
      {children}
      {adding && (
        <AddBottle
          told={{ name: words.trim() }}
          onAdded={(name) => {
            setAdding(false);
            onWords(name);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </div>
  );
}
