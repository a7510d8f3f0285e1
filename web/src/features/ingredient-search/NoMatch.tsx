import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState, type ReactNode } from 'react';

import { ingredientSearchQuery, larderQuery } from '@/api';
import { Button } from '@/ui';

// The label's form comes when it is asked for.
const AddBottle = lazy(() => import('./AddBottle').then(({ AddBottle }) => ({ default: AddBottle })));

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
  const larder = useQuery(larderQuery());
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
      {adding && larder.data && (
        <Suspense>
          <AddBottle
            larder={larder.data}
            told={{ name: words.trim() }}
            onAdded={(name) => {
              setAdding(false);
              onWords(name);
            }}
            onClose={() => setAdding(false)}
          />
        </Suspense>
      )}
    </div>
  );
}
