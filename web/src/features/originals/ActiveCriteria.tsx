import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';

import { type Criteria, larderQuery } from '@/api';
import { withoutPreference } from './criteria';

interface Props {
  wish: Criteria;
  onChange: (wish: Criteria) => void;
}

/** Words that stand as boxes to tick already. */
const TICKED = new Set(['alcohol', 'egg', 'milk', 'tree nuts']);

/** Everything that is asked for by a word, each to be dropped by a press. */
export function ActiveCriteria({ wish, onChange }: Props) {
  const { data } = useQuery(larderQuery());
  const nameOf = (word: string) => data?.find(({ slug }) => slug === word)?.name ?? word;
  const asked: [string, string][] = [
    ...wish.must.map((text): [string, string] => [text, `with ${nameOf(text)}`]),
    ...wish.may.map((text): [string, string] => [text, `preferably ${nameOf(text)}`]),
    ...wish.without.filter((text) => !TICKED.has(text)).map((text): [string, string] => [text, `no ${nameOf(text)}`]),
    ...wish.less.map((text): [string, string] => [text, `less ${nameOf(text)}`]),
    ...wish.aroma.map((text): [string, string] => [text, `aroma of ${text}`]),
  ];
  if (asked.length === 0 && wish.like.length === 0 && wish.shape.length === 0) return null;
  return (
    <ul aria-label="Wishes" className="flex flex-wrap gap-1.5">
      {wish.like.length > 0 && (
        <Word words={`like ${wish.like.map(nameOf).join(', ')}`} onDrop={() => onChange({ ...wish, like: [] })} />
      )}
      {wish.shape.length > 0 && <Word words="only these parts" onDrop={() => onChange({ ...wish, shape: [] })} />}
      {asked.map(([word, words]) => (
        <Word key={words} words={words} onDrop={() => onChange(withoutPreference(wish, word))} />
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
