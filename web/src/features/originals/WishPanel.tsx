import { useQuery } from '@tanstack/react-query';

import type { Wish } from '../../api/client';
import { shelfQuery } from '../../api/queries/house';
import { Check } from '../../ui/Check';
import { Chips } from '../../ui/Chips';
import { Figure } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { Asked } from './Asked';
import { MoreWishes } from './MoreWishes';
import { Wanted } from './Wanted';
import { ANY, toAddress } from './wish';

interface Props {
  wish: Wish;
  /** Whether all but the family waits folded. */
  isFolded: boolean;
  onChange: (wish: Wish) => void;
}

const FAMILIES = [
  ['sour', 'Sour'],
  ['daisy', 'Daisy'],
  ['fizz', 'Fizz'],
] as const;
const WITHOUT = [
  ['alcohol', 'No alcohol'],
  ['egg', 'No egg'],
  ['milk', 'No milk'],
  ['tree nuts', 'No nuts'],
] as const;

/** What the drinks are wished to be. */
export function WishPanel({ wish, isFolded, onChange }: Props) {
  const set = (change: Partial<Wish>) => onChange({ ...wish, ...change });
  return (
    <div className="panel flex flex-col gap-3 p-3">
      <Chips
        legend="Family"
        legendShown={false}
        options={FAMILIES}
        value={wish.family}
        onChoose={(family) => set({ family, form: '', shape: [] })}
      />
      <Asked wish={wish} onChange={onChange} />
      {isFolded ? (
        <Fold title="Wishes">
          <Wishes wish={wish} onChange={onChange} />
        </Fold>
      ) : (
        <Wishes wish={wish} onChange={onChange} />
      )}
      {toAddress(wish) !== '{}' && (
        <button
          type="button"
          className="btn btn-ghost min-h-11 border-base-300 text-base"
          onClick={() => onChange(ANY)}
        >
          Clear all wishes
        </button>
      )}
    </div>
  );
}

/** All that can be wished besides the family. */
function Wishes({ wish, onChange }: Omit<Props, 'isFolded'>) {
  const shelf = useQuery(shelfQuery());
  const set = (change: Partial<Wish>) => onChange({ ...wish, ...change });
  const toggle = (word: string) =>
    set({
      without: wish.without.includes(word) ? wish.without.filter((each) => each !== word) : [...wish.without, word],
    });
  return (
    <div className="flex flex-col gap-3">
      <Wanted wish={wish} onChange={onChange} />
      <div className="flex flex-wrap gap-x-4">
        {WITHOUT.map(([word, words]) => (
          <Check key={word} words={words} on={wish.without.includes(word)} onChange={() => toggle(word)} />
        ))}
        <Check words="Only what is in stock" on={wish.at_hand} onChange={(at_hand) => set({ at_hand })} />
        <Check words="Use up what won’t keep" on={wish.use_up_soon} onChange={(use_up_soon) => set({ use_up_soon })} />
      </div>
      {wish.at_hand && shelf.data?.length === 0 && (
        <p className="text-base">Nothing is marked in stock yet. Mark it under Ingredients, Stock.</p>
      )}
      <Chips
        legend="Sweetness"
        options={[
          ['dry', 'Dry'],
          ['', 'Typical'],
          ['sweet', 'Sweet'],
        ]}
        value={wish.sweetness}
        onChoose={(sweetness) => set({ sweetness })}
      />
      <Strength wish={wish} onChange={onChange} />
      <Fold title="More wishes">
        <MoreWishes wish={wish} onChange={onChange} />
      </Fold>
    </div>
  );
}

function Strength({ wish, onChange }: Omit<Props, 'isFolded'>) {
  const [low, high] = wish.abv ?? [];
  const set = (next: [number | null | undefined, number | null | undefined]) => {
    const [least, most] = next;
    const none = (least === null || least === undefined) && (most === null || most === undefined);
    onChange({ ...wish, abv: none ? null : [least ?? 0, most ?? 40] });
  };
  const field = 'input min-h-11 w-14 px-2 font-figure';
  return (
    <div className="flex flex-wrap items-center gap-2 text-base" role="group" aria-label="Strength as served">
      Strength, %
      <Figure
        aria-label="Strength from, %"
        className={field}
        most={60}
        value={low}
        placeholder="any"
        onFigure={(each) => set([each, high])}
      />
      to
      <Figure
        aria-label="Strength to, %"
        className={field}
        most={60}
        value={high}
        placeholder="any"
        onFigure={(each) => set([low, each])}
      />
    </div>
  );
}
