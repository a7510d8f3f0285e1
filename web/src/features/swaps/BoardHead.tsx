import { SlidersHorizontal } from 'lucide-react';
import { useState, type ComponentProps, type RefObject } from 'react';

import type { BoardView } from '@/hooks';
import { ChoiceChips, SearchField } from '@/ui';
import { BoardSettings } from './BoardSettings';

interface Props {
  search: RefObject<HTMLInputElement | null>;
  words: string;
  onWords: (words: string) => void;
  /** Of a base a part can be replaced. */
  isBase: boolean;
  settings: ComponentProps<typeof BoardSettings>;
}

const SHARES: [BoardView['share'], string][] = [
  [1, 'all of it'],
  [0.5, 'half'],
  [0.25, 'a quarter'],
];

/** The search, how much of a base is replaced, and the settings. */
export function BoardHead({ search, words, onWords, isBase, settings }: Props) {
  const [asking, setAsking] = useState(false);
  const { view, set } = settings;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <SearchField
          ref={search}
          className="min-h-11 min-w-36 grow basis-0"
          size={18}
          label="Search swaps"
          placeholder="Search ( / )"
          value={words}
          onWords={onWords}
        />
        {isBase && (
          <ChoiceChips
            legend="How much to swap"
            inLine
            options={SHARES}
            value={view.share}
            onChoose={(share) => set({ share })}
          />
        )}
        <button
          type="button"
          aria-expanded={asking}
          className={`btn min-h-11 px-3 text-base font-normal ${asking ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
          onClick={() => setAsking(!asking)}
        >
          <SlidersHorizontal size={18} aria-hidden /> Swap settings
        </button>
      </div>
      {asking && <BoardSettings {...settings} />}
    </>
  );
}
