import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';

import type { Wish } from '../../api/client';
import { larderQuery } from '../../api/queries/house';
import { dropped } from './wish';

interface Props {
  wish: Wish;
  onChange: (wish: Wish) => void;
}

/** Words that stand as boxes to tick already. */
const TICKED = new Set(['alcohol', 'egg', 'milk', 'tree nuts']);

/** Everything that is asked for by a word, each to be dropped by a press. */
export function Asked({ wish, onChange }: Props) {
  const { data } = useQuery(larderQuery());
  const nameOf = (word: string) => data?.find(({ slug }) => slug === word)?.name ?? word;
  const asked: [string, string][] = [
    ...wish.must.map((each): [string, string] => [each, `with ${nameOf(each)}`]),
    ...wish.may.map((each): [string, string] => [each, `preferably ${nameOf(each)}`]),
    ...wish.without.filter((each) => !TICKED.has(each)).map((each): [string, string] => [each, `no ${nameOf(each)}`]),
    ...wish.less.map((each): [string, string] => [each, `less ${nameOf(each)}`]),
    ...wish.aroma.map((each): [string, string] => [each, `aroma of ${each}`]),
  ];
  if (asked.length === 0 && wish.like.length === 0 && wish.shape.length === 0) return null;
  return (
    <ul aria-label="Wishes" className="flex flex-wrap gap-1.5">
      {wish.like.length > 0 && (
        <Word words={`like ${wish.like.map(nameOf).join(', ')}`} onDrop={() => onChange({ ...wish, like: [] })} />
      )}
      {wish.shape.length > 0 && <Word words="only these parts" onDrop={() => onChange({ ...wish, shape: [] })} />}
      {asked.map(([word, words]) => (
        <Word key={words} words={words} onDrop={() => onChange(dropped(wish, word))} />
      ))}
    </ul>
  );
}

function Word({ words, onDrop }: { words: string; onDrop: () => void }) {
  return (
    <li>
      <button
        type="button"
        className="btn btn-secondary h-auto min-h-11 px-3 py-1 text-left text-base leading-tight font-normal"
        aria-label={`Remove: ${words}`}
        onClick={onDrop}
      >
        {words} <X size={16} aria-hidden className="shrink-0" />
      </button>
    </li>
  );
}
