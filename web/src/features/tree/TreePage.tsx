import { useQuery } from '@tanstack/react-query';
import { Check, MessageCircle, Pause } from 'lucide-react';
import { useState } from 'react';
import { useSearchParams } from 'react-router';

import { treeQuery } from '@/api';
import { capital } from '@/lib';
import { ChoiceChips, LoadingOrError, PageHeader } from '@/ui';
import { useDocumentTitle, useMediaQuery } from '@/hooks';
import { Selection } from './Selection';
import { TreeDrawing } from './TreeDrawing';
import { treeLayout } from './treeLayout';

const MOST_PARENTS = 3;

/** Who descends from whom, with the change on each branch; from any node a riff, from two or three a cross. */
export function TreePage() {
  const [query, setQuery] = useSearchParams();
  const [chosen, setChosen] = useState<number[]>([]);
  const narrow = useMediaQuery(NARROW);
  const family = query.get('family') ?? '';
  const whole = useQuery(treeQuery(''));
  const tree = useQuery(treeQuery(family));
  useDocumentTitle('Family tree');
  if (!tree.data || !whole.data) return <LoadingOrError error={tree.error ?? whole.error} />;
  const { nodes } = whole.data;
  const { branches, more } = tree.data;
  const laid = treeLayout(tree.data, narrow);
  const picked = chosen.flatMap((id) => laid.placed.get(id)?.node ?? []);
  const toggle = (id: number) =>
    setChosen(chosen.includes(id) ? chosen.filter((value) => value !== id) : [...chosen, id].slice(-MOST_PARENTS));
  return (
    <div className="page-body">
      <PageHeader />
      <main className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <Families
            families={[...new Set(nodes.map((node) => node.family))]}
            family={family}
            onChoose={(text) => setQuery(text ? { family: text } : {})}
          />
          <MarksKey />
        </div>
        {nodes.length === 0 ? (
          <p className="panel max-w-prose p-6 text-lg">
            No trials yet. Start a drink under Recipes: every trial you save appears here, joined to the one it changed.
          </p>
        ) : (
          <>
            <Selection nodes={picked} onClear={() => setChosen([])} />
            <TreeDrawing laid={laid} branches={branches} narrow={narrow} chosen={chosen} onChoose={toggle} />
            {more && (
              <p className="text-base text-quiet">
                Only the newest {tree.data.nodes.length} trials fit here
                {family ? '. Recipes has them all.' : ': choose a family to see more. Recipes has them all.'}
              </p>
            )}
          </>
        )}
      </main>
    </div>
  );
}

interface FamiliesProps {
  families: string[];
  /** The one that is shown alone; empty for all. */
  family: string;
  onChoose: (family: string) => void;
}

function Families({ families, family, onChoose }: FamiliesProps) {
  if (families.length < 2) return null;
  const options = ['', ...families].map((text): [string, string] => [text, capital(text) || 'All']);
  return <ChoiceChips legend="Family" legendShown={false} options={options} value={family} onChoose={onChoose} />;
}

function MarksKey() {
  return (
    <p className="flex flex-wrap items-center gap-x-4 text-base text-quiet">
      <span className="flex items-center gap-1">
        <MessageCircle size={16} aria-hidden /> tasted
      </span>
      <span className="flex items-center gap-1 text-success">
        <Check size={16} aria-hidden /> finished
      </span>
      <span className="flex items-center gap-1">
        <Pause size={16} aria-hidden /> shelved
      </span>
    </p>
  );
}

/** Too narrow for names beside the lanes. */
const NARROW = '(max-width: 759px)';
